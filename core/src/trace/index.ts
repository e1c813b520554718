export { viscosity, yieldStress, levelOfViscosity, levelOfYield, traceName } from './scale.ts'
export { SCENT_PRIORS, atDose, classOf, scentEffect, UNSCENTED } from './scent-effect.ts'
export type { ScentEffect } from './scent-effect.ts'
export { recipePace } from './recipe-pace.ts'
export type { RecipePace } from './recipe-pace.ts'
export {
  PLAIN_LOAD,
  RESTIR_S,
  blendedLevel,
  blenderPower,
  FALSE_TRACE,
  cupCoolingS,
  falseLift,
  freshBatter,
  handling,
  isFalseTrace,
  levelOf,
  movingLevel,
  split,
  stepBatter,
  advanceBatter,
} from './batter.ts'
export type { Batter, Cooling, Handling, HandlingMode, Load } from './batter.ts'
export { diveDepthMm, levelThatCarries, levelThatStaysTilted, peakHeightMm } from './pour-physics.ts'
export { clearPoint, latentHeat, solidParts, solidShare } from './solid-fat.ts'
export { batterPace } from './batter-pace.ts'
export { colorantEffect } from './colorant-effect.ts'
