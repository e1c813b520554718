export { OilPart, PlannedAdditive, PlannedLiquid, Recipe, WATER_BASES } from './recipe-part.ts'
export type { Infusion, Water, WaterBasis } from './recipe-part.ts'
export { COOLINGS, DIVISION_MEASURES, DIVISION_RULES, TEMPERATURE_RULES } from './bench-part.ts'
export type {
  CoolingWay,
  CupActual,
  Division,
  DivisionMeasure,
  DivisionRule,
  Heat,
  HeatReading,
  Preparation,
  TemperatureRule,
  TopBatter,
  Weighed,
} from './bench-part.ts'
export {
  Conditions,
  MAX_CUPS,
  MAX_MORE_MOULDS,
  MAX_POURS,
  Mould,
  PLAN_FORMAT,
  PLAN_VERSION,
  Plan,
  Pot,
} from './document.ts'
export {
  Cutting,
  MAX_MOVES,
  MAX_PATH,
  Move,
  PATTERNS,
  POUR_WAYS,
  PathPoint,
  Pour,
  PourShape,
  LAYER_FACES,
  MOVE_TOOLS,
} from './score-part.ts'
export type { Pattern, PourWay, LayerFace, MoveTool } from './score-part.ts'
export {
  Cup,
  CupColorant,
  MAX_POT_COLORANTS,
  MAX_RESERVES,
  PlannedScent,
  RESERVE_USES,
  Reserve,
  SCENT_MOMENTS,
} from './cup-part.ts'
export type { ColourWish, PotColorant, ReserveUse, ScentMoment, Slurry, TintLadder } from './cup-part.ts'
export { baseAreaMm2, brimMl, plannedMould } from './mould.ts'
export { THINNEST_LAYER_MM, allMouldsMl, fillVolumeMl, layerHeights } from './cross-checks.ts'
export { MAX_PLAN_BYTES, ordered, orderedRecipe, readPlan, readPlanText, writePlan } from './read.ts'
export type { PlanResult } from './read.ts'
export { cupShares, setCupShares } from './divide.ts'
export { applyEdit, freshId, pathText } from './edits.ts'
export type { Edit, EditResult, FieldPath } from './edits.ts'
export {
  freshCopy,
  plainCup,
  plainOil,
  plannedScent,
  startingColour,
  startingCutting,
  startingMove,
  startingShape,
  startingDivision,
  starterLike,
  starterPlan,
} from './starter.ts'
