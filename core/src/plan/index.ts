export {
  BLENDINGS,
  CUP_ORDERS,
  MAX_SEEN,
  SEEN_BY,
  STOPS,
  WAITING,
  DIVISION_MEASURES,
  DIVISION_RULES,
} from './preparation-part.ts'
export type {
  CoolingWay,
  Blending,
  CupOrder,
  Hands,
  Seen,
  SeenBy,
  StopWhen,
  Waiting,
  CupActual,
  Division,
  DivisionMeasure,
  DivisionRule,
  Heat,
  Preparation,
  TemperatureRule,
} from './preparation-part.ts'
export { FreeLyeAnswer, MAX_CUPS, MAX_MORE_MOULDS, MAX_POURS, Mould, PLAN_VERSION, Plan, Whipped } from './document.ts'
export {
  BLADES,
  Cutting,
  DEPTHS,
  MAX_MOVES,
  MAX_PATH,
  Move,
  PATTERNS,
  POUR_WAYS,
  Pour,
  PourShape,
  LAYER_FACES,
  MOVE_TOOLS,
  TOGETHER,
  TOP_WAYS,
  PathPoint,
} from './score-part.ts'
export type { Aside, Blade, Depth, Pattern, PourWay, LayerFace, MoveTool, Together } from './score-part.ts'
export { EMBED_FORMS, Embed, Finish, MATS, Mat, PlanB, SIDES, TOPPINGS, TRIGGERS, Topping } from './finish-part.ts'
export type { EmbedForm, MatTexture, Side, ToppingKind, Trigger } from './finish-part.ts'
export {
  Cup,
  CupColorant,
  MAX_POT_COLORANTS,
  MAX_RESERVES,
  RESERVE_USES,
  Reserve,
  hasStabiliserApart,
} from './cup-part.ts'
export type { CupDraw, PotColorant, ReserveUse, TintLadder } from './cup-part.ts'
export { baseAreaMm2, batterDensity, brimMl, plannedMould } from './mould.ts'
export { barCount, barsAlong, isColumn, isTray } from './cutting.ts'

export { clearMm, displacedMm3, embedPieces, overlappingEmbeds } from './embeds.ts'

export { THINNEST_LAYER_MM, fillVolumeMl } from './cross-checks.ts'
export {
  cavitiesOf,
  cavityKinds,
  emptyCavities,
  hasOwnCavities,
  heightsIn,
  layerHeights,
  planOfCavity,
  pourShares,
} from './cavities.ts'
export { cavityWords, kindOfPour } from './cavities.ts'
export type { CavityKind } from './cavities.ts'
export { hasOwnLye, ownLyeOf, sharedBatter, withLye } from './own-lye.ts'
export { MAX_PLAN_BYTES, ordered, orderedRecipe, readPlan, readPlanText, writePlan } from './read.ts'
export type { PlanResult } from './read.ts'
export { cupShares, setCupShares } from './divide.ts'
export { applyEdit, pathText } from './edits.ts'
export type { Edit } from './edit.ts'
export { differingParts } from './parts.ts'
export { tiltedPours } from './tilt.ts'
export { LINER_WAYS } from './preparation-part.ts'
export type { LinerWay } from './preparation-part.ts'
export { freshId } from './edit-result.ts'
export { suspectBlank, suspects } from './suspect-blank.ts'
export type { Suspect } from './suspect-blank.ts'
export type { EditResult } from './edit-result.ts'
export {
  freshCopy,
  plainCup,
  plainOil,
  plannedScent,
  startingEmbed,
  startingTopping,
  startingMove,
  startingShape,
  starterLike,
  starterPlan,
} from './starter.ts'
export {
  BOXES,
  COVERS,
  GELS_SEEN,
  GEL_WISHES,
  MAX_ROOM_CHANGES,
  RACK_AIRS,
  towels,
  MAX_REST_READINGS,
  MAX_REST_STEPS,
  MAX_WEIGH_INS,
  Rest,
  RestReading,
  RestStep,
  restStep,
} from './rest-part.ts'
export type { BoxKind, Cover, GelSeen, GelWish, Rack, RackAir, RestBox, Towels, WeighIn } from './rest-part.ts'

export { changedParts, planChanges, withChanges } from './plan-changes.ts'
export { planBefore } from './history.ts'
export { sharedPlan, sharedShelf } from './shared.ts'

export { PLACES } from './surroundings.ts'
export type { Place, UnderKind, WallKind } from './surroundings.ts'
export { at, planField } from './at.ts'
export { cuttingIn13, finishIn13, mouldIn13 } from './versions/thirteen.ts'
