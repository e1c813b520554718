/**
 * Saponification as a self-hastening reaction that saturates: da/dΘ = (a_c + a)(1 − a) / (1 + a/a_s), where a is the share
 * turned into soap and Θ a time stretched by the rate. The slow start is soap acting as its own emulsifier; saturation is
 * the oil/lye interface filling up with soap. a_c and a_s were fitted to bench observations, ±20–40 % each.
 */
const A_C = 0.0053
const A_S = 0.1

/** The reaction's own clock: the stretched time Θ of a conversion a, and back. */
export interface ReactionClock {
  /** Stretched time at conversion a (0…1). */
  thetaOf: (a: number) => number
  /** Conversion a at stretched time Θ, 0 ≤ a ≤ 0.999. */
  conversionAt: (theta: number) => number
}

const TABLE_STEP = 0.01
const TABLE_TOP = 16

/** ln(1 + a/a_c) at Θ = 0, 0.01, … 16: each point by Newton from the one before. */
function tableOf(ac: number, A: number, B: number): Float64Array {
  const table = new Float64Array(TABLE_TOP / TABLE_STEP + 1)
  let z = 0
  for (let i = 1; i < table.length; i += 1) {
    const goal = i * TABLE_STEP
    for (let round = 0; round < 30; round += 1) {
      const a = Math.min(1 - 1e-12, ac * (Math.exp(z) - 1))
      const off = A * z - B * Math.log(1 - a) - goal
      const slope = A + (B * ac * Math.exp(z)) / (1 - a)
      const next = z - off / slope
      // Near all of it the slope is steep: no step may leave the range.
      const most = Math.log(1 + (1 - 1e-9) / ac)
      const moved = Math.abs(Math.min(next, most) - z)
      z = Math.min(next, most)
      if (moved < 1e-13) break
    }
    table[i] = z
  }
  return table
}

function clockOf(seed: number): ReactionClock {
  const ac = A_C + seed
  const A = (1 - ac / A_S) / (1 + ac)
  const B = (1 + 1 / A_S) / (1 + ac)
  const table = tableOf(ac, A, B)
  return {
    thetaOf: a => A * Math.log(1 + a / ac) - B * Math.log(1 - a),
    conversionAt(theta) {
      const at = Math.min(Math.max(theta, 0), TABLE_TOP - 1e-9) / TABLE_STEP
      const i = Math.floor(at)
      const z = table[i]! + (at - i) * (table[i + 1]! - table[i]!)
      return Math.min(0.999, ac * (Math.exp(z) - 1))
    },
  }
}

const SEED_STEP = 0.0005
const clocks = new Map<number, ReactionClock>()

/**
 * The clock of a batter in which so much soap is there from the first contact (0…, share of conversion): solid fatty acids
 * become soap at once, and soap is what speeds soap, so they act as a larger a_c. Rounded to 0.0005, kept once made.
 */
export function reactionClock(seed = 0): ReactionClock {
  const step = Math.round(seed / SEED_STEP)
  const known = clocks.get(step)
  if (known) return known
  const made = clockOf(step * SEED_STEP)
  clocks.set(step, made)
  return made
}

/** Activation energy, J/mol, and rate at 38 °C, 1/s: fitted to bench observations at 27 and 38 °C. */
const ACTIVATION_J_PER_MOL = 44_000
const LN_RATE_AT_38C = Math.log(0.0059)
const T_38C = 311.15

/** ln of the rate constant of a balanced recipe at `c` °C, 1/s. */
export const lnRateConstant = (c: number): number =>
  LN_RATE_AT_38C + (-ACTIVATION_J_PER_MOL / 8.314) * (1 / (c + 273.15) - 1 / T_38C)

/** The same as a rate, 1/s. */
export const rateConstant = (c: number): number => Math.exp(lnRateConstant(c))
