/** What of these rooms is used outside the core. */
export {
  UNSCENTED,
  additionWords,
  advanceBatter,
  batterPace,
  blenderPower,
  freshBatter,
  handling,
  levelOf,
  oilWords,
  scentEffect,
  split,
  traceName,
} from './trace/index.ts'
export type { Batter, Load } from './trace/index.ts'
export { fromFirstModels, knowledgeOf, narrowedBy, paceOf, recipeKey, shelfWithout } from './learning/index.ts'
export type { Knowledge, Pace } from './learning/index.ts'
export {
  FAULTS,
  HANDS_SD,
  LEAST_WINDOW,
  STOP_SD,
  USUAL_TIMES,
  USUAL_WINDOWS,
  beforeLye,
  chanceOf,
  EMULSION_LOOKS,
  emulsionWord,
  evidenceOf,
  handTimes,
  lanesOf,
  levelAt,
  looksAsked,
  marginMin,
  meets,
  monteCarlo,
  ricingShare,
  runInputOf,
  runPlan,
  runWorks,
  usualWindow,
  windowKindOf,
  windowOf,
} from './schedule/index.ts'
export type { Lane, LaneBandPoint, Lanes, PourForecast, Runs, Task, Variation, Window } from './schedule/index.ts'
export { clockMinutes, heatPlan, heatWorkings, refit } from './heat/index.ts'
export type { BodyPlan, HeatPlan } from './heat/index.ts'
export { adviceFor, remediesFor, surelyOf } from './advice/index.ts'
export type { Advice, Remedy, Risk, Sure } from './advice/index.ts'
