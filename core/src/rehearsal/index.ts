export {
  LEVELS as LEVELS_OF_SURPRISE,
  SURPRISES,
  SURPRISE_KEYS,
  drawnSurprises,
  fits as fitsPlan,
  sizeOf,
  struckBy,
  surpriseOf,
} from './surprises.ts'
export type { Happening, Level as LevelOfSurprise, Put, Struck, Surprise, SurpriseKey } from './surprises.ts'
export { holdsStill, rehearsalOf, sceneAt, worldAt } from './world.ts'
export type { BodyNow, Rehearsed, Setting, WorldNow } from './world.ts'
export { shownOf } from './shows.ts'
export type { Shown } from './shows.ts'
export { allWell, judgedPours, worthOf, wrongWords } from './judge.ts'
export type { PourResult, Wrong } from './judge.ts'
export { LYE_IN_S, POLICIES, rehearse, worthOfRun } from './agent.ts'
export type { Policy, Rehearsal } from './agent.ts'
export type { Truth } from './truth.ts'
export { BEGINNINGS, RehearsalDone, RehearsalSetting, Slip, Stroke, readDone, readSetting, undone } from './kept.ts'
export type { Beginning } from './kept.ts'
export { asMade, outcomeOf } from './outcome.ts'
export type { Readings, RehearsalOutcome } from './outcome.ts'
export { gelLeft } from './gel-ways.ts'
export type { Gel, NightWay } from './gel-ways.ts'
export {
  LESSONS,
  choosesRest,
  followingOfLesson,
  lessonOf,
  lessonSays,
  rehearsedLesson,
  restChosen,
} from './lessons.ts'
export type { Lesson, LessonSays } from './lessons.ts'
