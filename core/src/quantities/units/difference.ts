/** A difference of temperatures, K. Its own type, so that it cannot be shown as a temperature: 11 K is 20 °F, not 52. */
declare const isDifference: unique symbol
export type TemperatureDifference = number & { readonly [isDifference]: true }

/** How far one temperature lies above another, both in °C. */
export const apart = (aC: number, bC: number): TemperatureDifference => (aC - bC) as TemperatureDifference
