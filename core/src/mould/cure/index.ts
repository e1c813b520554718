export { sizedToBars } from './sized.ts'

export { cureForecast } from './cure.ts'
export { cureEvidence, cureKnown } from './evidence.ts'
export type { CureKnown } from './evidence.ts'
export type { CureForecast } from './cure.ts'

export type { CureDoubt } from './doubts.ts'
export { expectedDrying, leftAfter, readyDay } from './drying.ts'
export { CUT_PARTS, bladeAdvice, cutForecast, thicknessFor } from './cut.ts'
export type { Bars, CutForecast, CutPart, MouldBars } from './cut.ts'
