export { inverseNormal, normal } from './normal.ts'
export { latinColumn, latinNormals } from './latin.ts'
export { BAND, correlation, mixtureBand, mixtureQuantile, ranksOf, timeBand } from './mixture.ts'
export type { Band } from './mixture.ts'
