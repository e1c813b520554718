export { roundDown, roundNearest, roundToTotal } from './rounding.ts'
export type { Working } from './working.ts'
