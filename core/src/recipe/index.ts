export { heatOfSolution, lyeDensity, lyeHeatCapacity, vapourPressure, waterActivity } from './solution.ts'
export { lyeDemand, lyeMass, superfatOf } from './lye.ts'
export type { WeighedOil } from './lye.ts'
export { onBasis, waterOf, waterReadings } from './water.ts'
export type { WaterReadings } from './water.ts'
export { naohPerG, oilsByShare, unitBatter } from './batter.ts'
export type { AdditiveInRecipe, LiquidInRecipe, OilInRecipe, UnitBatter } from './batter.ts'
export { FAT_GROUPS, characterOf, characterSentence, groupShare, recipeWarnings, techniqueFits } from './character.ts'
export type { Character, FatGroup, FatGroupKey, RecipeWarning, TechniqueFit } from './character.ts'
export { freeLyeOf, isNoSuperfat, needsAnswer, superfatBand, takenBy } from './free-lye.ts'
export type { FreeLye, LyeTakers, SuperfatBand, TakingUnit } from './free-lye.ts'
export { auditOf } from './audit.ts'
export type { Audit, ForeignRecipe } from './audit.ts'
export { blendItem, capShare, limitOfOils, scentHeat, scentLoad, sharesAtLimit } from './scent-load.ts'
export type { ScentLoad, ScentPartLoad } from './scent-load.ts'
export { RECIPE_VERSION, openedRecipe } from './kept.ts'
export { compareRecipes } from './compare.ts'
export type { ComparedLine } from './compare.ts'
export {
  Infusion,
  MAX_OILS,
  OilPart,
  PlannedAdditive,
  PlannedLiquid,
  Recipe,
  RecipeOrigin,
  WATER_BASES,
  Water,
} from './recipe-part.ts'
export type { WaterBasis } from './recipe-part.ts'
export { PlannedScent, SCENT_MOMENTS, SCENT_WAYS } from './scent-part.ts'
export type { ScentMoment, ScentWay } from './scent-part.ts'
