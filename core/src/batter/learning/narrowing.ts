import type { Evidence } from '../../shelf/index.ts'
import type { Plan } from '../../plan/index.ts'
import { unitBatter } from '../../recipe/index.ts'
import type { Shelf } from '../../shelf/index.ts'
import { recipeKey } from './evidence.ts'
import { ratesOf } from './rates.ts'

/** What a batch is about, as far as its pace goes: the recipe, and the scents with their dose in g per kg of oils. */
export interface PaceOf {
  recipe: string
  scents: readonly { scent: string; share: number }[]
  gPerKg: number
}

/** What a plan's pace is about: of several scents the batch's own. */
export function paceOf(plan: Plan, shelf: Shelf): PaceOf {
  const scent = plan.scent ?? plan.cups.find(cup => cup.ownScent)?.ownScent ?? null
  const recipe = recipeKey(plan)
  if (!scent) return { recipe, scents: [], gPerKg: 0 }
  const { batterG } = unitBatter(plan.recipe, shelf)
  const gPerKg = 1000 * scent.load * (scent.basis === 'batter' ? batterG : 1)
  return { recipe, scents: scent.parts, gPerKg }
}

const sdOf = (shelf: Shelf, { recipe, scents, gPerKg }: PaceOf): number => {
  const rates = ratesOf(shelf)
  const scented = scents.length > 0 ? rates.scented(recipe, scents, gPerKg).sd : 0
  return Math.hypot(rates.plain(recipe).sd, scented)
}

/** By how much one batch's readings narrow the range of a pace, 0…1; 0 where they say nothing of it, or do not count. */
export function narrowedBy(shelf: Shelf, of: PaceOf, one: Pick<Evidence, 'batch' | 'counts'>): number {
  if (!one.counts) return 0
  const without = { ...shelf, evidence: shelf.evidence.filter(other => other.batch !== one.batch) }
  return Math.max(0, 1 - sdOf(shelf, of) / sdOf(without, of))
}
