import { CONSTANTS } from '../../quantities/constants/index.ts'
import { lyeHeatCapacity } from '../../recipe/index.ts'
import { OIL_HEAT_CAPACITY } from './cooling.ts'

/** Lost in pouring one into the other, K. */
const TRANSFER_K = CONSTANTS.pouringLoss.value

interface Meeting {
  oilsKg: number
  lyeKg: number
  w: number
}

/** Temperature just after lye and oils meet, °C; the reaction then adds to it. */
export function mixedTemperature({ oilsKg, lyeKg, w }: Meeting, oilsC: number, lyeC: number): number {
  const oils = oilsKg * OIL_HEAT_CAPACITY
  const lye = lyeKg * lyeHeatCapacity(w, lyeC)
  return (oils * oilsC + lye * lyeC) / (oils + lye) - TRANSFER_K
}

/** Temperature that the oils must have for a wanted mix, °C. */
export function oilsFor({ oilsKg, lyeKg, w }: Meeting, mixC: number, lyeC: number): number {
  const oils = oilsKg * OIL_HEAT_CAPACITY
  const lye = lyeKg * lyeHeatCapacity(w, lyeC)
  return ((mixC + TRANSFER_K) * (oils + lye) - lye * lyeC) / oils
}
