export {
  LOOK_DAYS,
  MAX_LEVELS,
  MAX_SAMPLES,
  ROLES,
  TRIAL_KINDS,
  Trial,
  TrialQuestion,
  TrialReading,
  readTrial,
} from './document.ts'
export type { TrialKind, TrialSample } from './document.ts'
export { WAYS as READING_WAYS } from './noise.ts'
export type { ReadingWay } from './noise.ts'
export { drawnUp, trialOutlook } from './draw-up.ts'
export type { TrialOutlook } from './draw-up.ts'
export type { DoseWeighing } from './weighing.ts'
export { planOfTrial } from './plan-of-trial.ts'
export { agesRead, colorantAnswers, dueLooks, takenBack, takenOn } from './answer.ts'
export type { AgeRead, ColorantAnswer, DosePoint, DueLook } from './answer.ts'
export { differences as sampleDifferences } from './difference.ts'
export type { Difference as SampleDifference } from './difference.ts'
export { doseCurve } from './curve.ts'
export { evenDoses } from './even-doses.ts'
export { trialDue } from './trial-due.ts'
