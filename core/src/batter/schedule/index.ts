export { metStartC, runInputOf } from './input-of-plan.ts'
export type { RunInput } from './run-input.ts'
export {
  LAID_ON_UNTIL,
  LEAST_WINDOW,
  USUAL_WINDOWS,
  SPOONED_FROM,
  usualWindow,
  windowKindOf,
  windowOf,
} from './windows.ts'
export type { Window } from './windows.ts'
export { USUAL_TIMES, handTimes } from './times.ts'

export { beforeLye } from './before.ts'
export { blendOwn, loadBefore, splitPot } from './blending.ts'
export { MODES, RunState, copyOf, isNeverStopped } from './run-state.ts'
export type { CupState } from './run-state.ts'
export { NODES, THREE, WEIGHTS } from './variation.ts'
export { isScentedEarly, preparationOrder } from './prepare.ts'
export { finishRun, inTheMould, runPlan } from './timetable.ts'
export type { InMould, RestOfRun } from './timetable.ts'
export { judgedFaults, pourVerdict, toolVerdict } from './verdict.ts'
export type { CupTask, PourTask, ToolTask } from './run-input.ts'
export type { Variation, PourRun, Run, Task } from './run-state.ts'
export { variationAt } from './variation.ts'
export { stickOf } from './thicken.ts'
export { SIGHT_ERROR, beliefOf, lnLikelihood } from './sightings.ts'
export { EMULSION_LOOKS, emulsionWord, superfatOffsets } from './splitting.ts'
export { namedParts, quickensOf } from './quickens.ts'
export type { Quickens } from './quickens.ts'
export { looksAsked } from './asks.ts'

export { neverStopOutlook } from './never-stop.ts'

export { meets, ricingFactors } from './ricing.ts'
export { chanceOf, chancesOf } from './chances.ts'
export { SURE_RUNS, lanesOf, marginMin, withRuns } from './lanes.ts'
export { medianRun, pouredIn } from './median.ts'
export type { PouredAs } from './median.ts'
export { levelAt } from './reading.ts'
export { HANDS_SD, STOP_SD } from './variation.ts'
export { ricingShare } from './chances.ts'
export { variationOf, monteCarlo, runWorks } from './monte-carlo.ts'
export type { Runs } from './monte-carlo.ts'
export { FAULTS } from './verdict.ts'
export type { Fault } from './verdict.ts'
export type { Lane, LaneBandPoint, Lanes, PourForecast, ToolForecast } from './lanes.ts'
export { evidenceOf } from './observe.ts'
