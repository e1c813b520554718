import { tidy } from './format.ts'
import type { UnitHabits } from './format.ts'

/** A difference of temperatures, K. Its own type, so that it cannot be shown as a temperature: 11 K is 20 °F, not 52. */
declare const isDifference: unique symbol
export type TemperatureDifference = number & { readonly [isDifference]: true }

/** How far one temperature lies above another, both in °C. */
export const apart = (aC: number, bC: number): TemperatureDifference => (aC - bC) as TemperatureDifference
export const kelvins = (k: number): TemperatureDifference => k as TemperatureDifference

/** A difference in the workshop's unit: degrees, without a zero point. */
export const showDifference = (difference: TemperatureDifference, habits: UnitHabits, decimals = 0): string =>
  habits.temperature === 'C' ? `${tidy(difference, decimals)} °C` : `${tidy(difference * 1.8, decimals)} °F`
