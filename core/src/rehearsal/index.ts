export { RUN_MOMENTS, SURPRISES, SURPRISE_KEYS, surpriseOf } from './surprises.ts'
export type { Happening, Strikes, Surprise, SurpriseKey, Way } from './surprises.ts'
export {
  LEVELS as LEVELS_OF_SURPRISE,
  PUT_RIGHT,
  drawnSurprises,
  fits as fitsPlan,
  handsFor,
  isScentHidden,
  meetsIt,
  metRight,
  mistyped,
  momentIn,
  sizeOf,
  struckBy,
  struckOf,
} from './strikes.ts'
export type { Level as LevelOfSurprise, Put, Struck } from './strikes.ts'
export { holdsStill, rehearsalOf, sceneAt, worldAt } from './world.ts'
export type { BodyNow, Rehearsed, Setting, WorldNow } from './world.ts'
export { shownOf } from './shows.ts'
export type { Shown } from './shows.ts'
export { WRONGS, allWell, judgedPours, worthOf } from './judge.ts'
export type { PourResult, Wrong } from './judge.ts'
export { LYE_IN_S, POLICIES, rehearse, worthOfRun } from './agent.ts'
export type { Policy, Rehearsal } from './agent.ts'
export type { Truth } from './truth.ts'
export {
  BEGINNINGS,
  AskedQuestion,
  RehearsalDone,
  RehearsalSetting,
  Slip,
  Stroke,
  answeredIn,
  answersIn,
  answersWith,
  readDone,
  readSetting,
  undone,
} from './kept.ts'
export type { Beginning } from './kept.ts'
export { asMade, asWeighed, outcomeOf } from './outcome.ts'
export type { Readings, RehearsalOutcome } from './outcome.ts'
export { gelLeft } from './gel-ways.ts'
export type { Gel, NightWay } from './gel-ways.ts'
export { LESSONS, choosesRest, followingOfLesson, lessonOf, lessonSays, rehearsedIn, restChosen } from './lessons.ts'
export type { Lesson, LessonSays } from './lessons.ts'
