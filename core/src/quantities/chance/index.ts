export { inverseNormal, normal } from './normal.ts'
export { latinColumn, latinNormals, mixing } from './latin.ts'
export { correlation, mixtureBand, ranksOf, timeBand } from './mixture.ts'
export type { Band } from './mixture.ts'
