export {
  Conditions,
  Cup,
  CupColorant,
  MAX_CUPS,
  MAX_POURS,
  MEDIA,
  Mould,
  OilPart,
  PLAN_FORMAT,
  PLAN_VERSION,
  Plan,
  PlannedScent,
  Pot,
  Pour,
  Recipe,
  SCENT_MOMENTS,
} from './document.ts'
export type { ScentMoment } from './document.ts'
export { THINNEST_LAYER_MM, fillVolumeMl, layerHeights } from './cross-checks.ts'
export { MAX_PLAN_BYTES, ordered, readPlan, readPlanText, writePlan } from './read.ts'
export type { PlanResult } from './read.ts'
export type { Problem } from './problems.ts'
export { problemsOf } from './problems.ts'
export { applyEdit, freshId, pathText } from './edits.ts'
export type { Edit, EditResult, FieldPath } from './edits.ts'
export { starterPlan } from './starter.ts'
