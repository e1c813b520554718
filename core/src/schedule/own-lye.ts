import type { Plan, Recipe } from '../plan/index.ts'

/** Batters with lye of their own need their own solution weighed for each. */
export const hasOwnLye = ({ division }: Pick<Plan, 'division'>): boolean =>
  division.mode === 'own-batters' && division.lye === 'separate'

/** The recipe with another lye concentration. */
export const withLye = (recipe: Recipe, lyeShare: number): Recipe => ({
  ...recipe,
  water: { ...recipe.water, basis: 'concentration', value: lyeShare },
})
