export { barsOf, cureForecast, cutPlaces, expectedDrying, fittedDrying, leftAfter, readyDay } from './cure.ts'
export type { Bars, CureForecast, Drying, WeighIn } from './cure.ts'
