export { remediesFor } from './remedies.ts'
export type { Remedy } from './remedies.ts'
export type { Risk } from './risk.ts'
