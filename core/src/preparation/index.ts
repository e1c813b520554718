export { levelError, linerOf, releaseSentence } from './liner.ts'
export type { Liner, LinerSheet } from './liner.ts'
export { toolList } from './needs.ts'
export type { ToolLine } from './needs.ts'
export { runSheet } from './run-sheet.ts'
export type { PrepStep, RunSheet } from './run-sheet.ts'
export { batterAmounts, batterKey, divisionSheet, partKey } from './division.ts'
export type {
  BatterAmounts,
  BatterOil,
  BatterPart,
  BatterShare,
  DivisionSheet,
  LyeSolution,
  MassOf,
} from './division.ts'
export { compareWays } from './ways.ts'
export type { WayCompared } from './ways.ts'
export { topSheet } from './top.ts'
export type { TopSheet } from './top.ts'
