import type { Plan } from '../plan/index.ts'

/** What was learned from a batch and is told again when another plan has something of it. */

export const SHARED = { recipe: 'recipe', scent: 'scent', colour: 'colour', mould: 'mould' } as const
export type Shared = keyof typeof SHARED

const oilsOf = (plan: Plan): string[] => plan.recipe.oils.map(part => part.oil).sort()
const scentsOf = (plan: Plan): string[] =>
  [plan.scent, ...plan.cups.map(cup => cup.ownScent)].flatMap(scent => scent?.parts.map(part => part.scent) ?? [])
const coloursOf = (plan: Plan): string[] =>
  [plan.potColorants, ...plan.cups.map(cup => cup.colorants)].flat().map(part => part.colorant)

const meet = (a: readonly string[], b: readonly string[]): boolean => a.some(one => b.includes(one))

/** What two plans have in common: the same oils, a scent, a colour, the mould. */
export function sharedBy(a: Plan, b: Plan): Shared[] {
  const has: Record<Shared, boolean> = {
    recipe: a.recipe.oils.length > 0 && oilsOf(a).join() === oilsOf(b).join(),
    scent: meet(scentsOf(a), scentsOf(b)),
    colour: meet(coloursOf(a), coloursOf(b)),
    mould: a.mould.name !== '' && a.mould.name === b.mould.name,
  }
  return (Object.keys(SHARED) as Shared[]).filter(part => has[part])
}

/** What weighs most when the next batch is planned: a scent says more than a colour. */
const WEIGHT: Readonly<Record<Shared, number>> = { scent: 3, recipe: 2, mould: 1, colour: 1 }
const MOST = 8

interface Concerns {
  shares: readonly Shared[]
  /** It concerns every batch of the workshop. */
  isForAll: boolean
  on: string
}

/** Lessons that concern a plan, those first that share most with it, then the latest. */
export const concerning = <T extends Concerns>(lessons: readonly T[]): T[] => {
  const weigh = ({ shares }: T) => shares.reduce((sum, one) => sum + WEIGHT[one], 0)
  return lessons
    .filter(({ shares, isForAll }) => isForAll || shares.length > 0)
    .sort((a, b) => weigh(b) - weigh(a) || b.on.localeCompare(a.on))
    .slice(0, MOST)
}
