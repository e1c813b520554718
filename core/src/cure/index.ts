export { cureForecast, expectedDrying, fittedDrying, leftAfter, readyDay } from './cure.ts'
export { CUT_PARTS, bladeAdvice, cutForecast, thicknessFor } from './cut.ts'
export type { Bars, CutForecast, CutPart } from './cut.ts'
