/**
 * Saponification as a self-hastening reaction that saturates: da/dΘ = (a_c + a)(1 − a) / (1 + a/a_s), where a is the share
 * turned into soap and Θ a time stretched by the rate. The slow start is soap acting as its own emulsifier; saturation is
 * the oil/lye interface filling up with soap. a_c and a_s were fitted to bench observations, ±20–40 % each.
 */
const A_C = 0.0053
const A_S = 0.1
const A = (1 - A_C / A_S) / (1 + A_C)
const B = (1 + 1 / A_S) / (1 + A_C)

/** Stretched time Θ at conversion a (0…1). */
export const thetaOf = (a: number): number => A * Math.log(1 + a / A_C) - B * Math.log(1 - a)

const TABLE_STEP = 0.01
const TABLE_TOP = 16

/** ln(1 + a/a_c) at Θ = 0, 0.01, … 16: the same for every recipe, so it is made once. */
const TABLE: Float64Array = (() => {
  const table = new Float64Array(TABLE_TOP / TABLE_STEP + 1)
  for (let i = 0; i < table.length; i += 1) {
    let low = 0
    let high = 1 - 1e-12
    for (let halving = 0; halving < 60; halving += 1) {
      const a = (low + high) / 2
      if (thetaOf(a) < i * TABLE_STEP) low = a
      else high = a
    }
    table[i] = Math.log(1 + low / A_C)
  }
  return table
})()

/** Conversion a at stretched time Θ, 0 ≤ a ≤ 0.999. */
export function conversionAt(theta: number): number {
  const at = Math.min(Math.max(theta, 0), TABLE_TOP - 1e-9) / TABLE_STEP
  const i = Math.floor(at)
  const z = TABLE[i]! + (at - i) * (TABLE[i + 1]! - TABLE[i]!)
  return Math.min(0.999, A_C * (Math.exp(z) - 1))
}

/** Activation energy, J/mol, and rate at 38 °C, 1/s: fitted to bench observations at 27 and 38 °C. */
const ACTIVATION_J_PER_MOL = 44_000
const LN_RATE_AT_38C = Math.log(0.006)
const T_38C = 311.15

/** ln of the rate constant of a balanced recipe at `c` °C, 1/s. */
export const lnRateConstant = (c: number): number =>
  LN_RATE_AT_38C + (-ACTIVATION_J_PER_MOL / 8.314) * (1 / (c + 273.15) - 1 / T_38C)

/** The same as a rate, 1/s. */
export const rateConstant = (c: number): number => Math.exp(lnRateConstant(c))
