export { FACT_GROUPS, factsOf } from './facts.ts'
export type { Said } from './facts.ts'
export { differences } from './compare.ts'
export type { Difference } from './compare.ts'
