export { yieldStress, traceName } from './scale.ts'
export { SCENT_PRIORS, atDose, classOf, scentEffect, UNSCENTED } from './scent-effect.ts'
export type { ScentEffect } from './scent-effect.ts'
export { acidHeadStart, recipePace } from './recipe-pace.ts'
export type { RecipePace } from './recipe-pace.ts'
export {
  PLAIN_LOAD,
  loadOf,
  sameBatter,
  RESTIR_S,
  blendedLevel,
  FALSE_TRACE,
  cupCoolingS,
  falseLift,
  freshBatter,
  levelOf,
  movingLevel,
  split,
  stepBatter,
  whippedBatter,
  advanceBatter,
} from './batter.ts'
export type { Batter, Cooling, Load } from './batter.ts'
export { diveDepthMm, levelThatCarries, levelThatStaysTilted, peakHeightMm } from './pour-physics.ts'
export { clearPoint, latentHeat, solidParts, solidShare } from './solid-fat.ts'
export { batterPace } from './batter-pace.ts'
export { colorantEffect } from './colorant-effect.ts'
export { NO_EFFECT, allEffects } from './colorant-effect.ts'
export type { BatterEffect } from './colorant-effect.ts'
export { blenderPower, handling } from './handling.ts'
export type { Handling } from './handling.ts'
export { HOLDS_AIR, WHISK_WARMS_K } from './whipped.ts'
export { oilWords } from './oil-words.ts'
export { additionWords } from './addition-words.ts'
