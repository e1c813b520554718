export { NAOH_PER_KOH, lyeDemand, lyeMass, superfatOf, waterMass } from './lye.ts'
export type { WeighedOil } from './lye.ts'
export { oilsByShare, unitBatter } from './batter.ts'
export type { OilInRecipe, RecipeInput, UnitBatter } from './batter.ts'
