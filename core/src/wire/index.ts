export { HabitsForm, SetUpForm, SignInForm } from './forms.ts'
export { parseForm } from './parse.ts'
export type { Parsed } from './parse.ts'
export type { BatchAnswer, BatchSummary, ErrorAnswer, SessionAnswer } from './answers.ts'
