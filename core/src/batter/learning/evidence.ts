import type { Evidence } from '../../shelf/index.ts'
import type { Plan } from '../../plan/index.ts'

/** A shelf as one batch sees it: what was seen in the batch itself is not counted a second time. */
export const shelfWithout = <T extends { evidence: readonly Evidence[] }>(shelf: T, batch: string): T =>
  shelf.evidence.some(one => one.batch === batch)
    ? { ...shelf, evidence: shelf.evidence.filter(one => one.batch !== batch) }
    : shelf

/** The oils of a plan to the percent: what makes two recipes the same for their pace. */
export const recipeKey = (plan: Pick<Plan, 'recipe'>): string =>
  plan.recipe.oils
    .map(part => `${part.oil}:${Math.round(part.share * 100)}`)
    .sort()
    .join(' ')
