import type { Recipe } from '../recipe/index.ts'
import type { Plan } from './document.ts'

/** Batters with lye of their own need their own solution weighed for each. */
export const hasOwnLye = ({ division }: Pick<Plan, 'division'>): boolean =>
  division.mode === 'own-batters' && division.lye === 'separate'

/** The recipe with another lye concentration. */
export const withLye = (recipe: Recipe, lyeShare: number): Recipe => ({
  ...recipe,
  water: { ...recipe.water, basis: 'concentration', value: lyeShare },
})

/** Lye strength of a cup's own batter, NaOH of NaOH and water; null: the recipe's. */
export const ownLyeOf = (plan: Pick<Plan, 'division'>, cup: Plan['cups'][number]): number | null =>
  hasOwnLye(plan) ? cup.lyeShare : null

/** Cups that are one batter with a cup, itself among them, in the plan's order. */
export const sharedBatter = (plan: Pick<Plan, 'division' | 'cups'>, cup: Plan['cups'][number]): Plan['cups'] =>
  plan.division.mode === 'own-batters' && cup.batter !== '' ? plan.cups.filter(one => one.batter === cup.batter) : [cup]
