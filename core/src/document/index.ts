/** What of these rooms is used outside the core. */
export { describedFields, fieldSentences, problemsIn, started, tidied } from './fields/index.ts'
export type { Class, Field as DescribedField, FieldPath, Problem } from './fields/index.ts'
export { inverse, isAlike, readChanges } from './changes/index.ts'
export type { Change, Met } from './changes/index.ts'
export { clipped, parseForm } from './checks/index.ts'
export type { Notice } from './checks/index.ts'
export type { Opened } from './kept/index.ts'
