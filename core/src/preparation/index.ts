export { levelError, linersOf, releaseSentence } from './liner.ts'
export type { Liner, LinerSheet } from './liner.ts'
export { designTools, toolList } from './needs.ts'

export { runSheet } from './run-sheet.ts'
export type { RunSheet } from './run-sheet.ts'
export { batterAmounts, batterKey, divisionSheet, partKey } from './division.ts'
export type { MassOf } from './division.ts'
export type { BatterPart, BatterShare, DivisionSheet, LyeSolution } from './division-sheet.ts'
export { compareWays } from './ways.ts'

export { topSheet } from './top.ts'
export { aheadDays, aheadOf } from './ahead.ts'
export type { StepAhead } from './ahead.ts'
