export { TECHNIQUES } from './tool-techniques.ts'
export { madeBy, usualLevels, usualValues } from './technique.ts'
export type { Made, Technique } from './technique.ts'
export {
  DESIGN_VERSION,
  KeptDesign,
  designChanges,
  designFrom,
  fitDesign,
  openedDesign,
  planOfDesign,
  readDesign,
} from './kept.ts'
export type { Fitted } from './kept.ts'
export { PLAN_B_COSTS, PLAN_B_KINDS, PLAN_B_REASONS, firstPlanB, planBCall, planBDiffers, planBEdit } from './plan-b.ts'
export type { PlanBKind } from './plan-b.ts'
export { cutGrid, draggedToppings, toppingPlaces } from './toppings.ts'
export type { ToppingPlace } from './toppings.ts'
export { measuresOf } from './measures.ts'
export type { Measures } from './measures.ts'
export { designAdvice } from './advice.ts'
export type { DesignAdvice } from './advice.ts'
export { designResult } from './result.ts'
