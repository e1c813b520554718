import type { CurvePoint } from './history.ts'

/**
 * How firm soap has become: a setting clock that runs with conversion, warmth and cold, over what this batter needs. One number
 * from 0 to 100; fitted to what makers report of when they unmould (F), the form an engineering estimate.
 */

/** What firmness means: from here on it is unmoulded and cut; stamped; past its best for a wire. */
export const FIRM = { opens: 50, unmould: 63, soft: 75, fine: 85, hard: 95 } as const

/** What decides how long a batter takes. */
export interface Setting {
  /** Unsaturated and castor share of the oils. */
  soft: number
  /** Water of the batter's mass. */
  water: number
  /** ln of what hardeners do to the time. */
  lnHardeners: number
}

/** Hours at an ordinary recipe's softness and water; what softness, water and gel do to it (F). */
const USUAL = { hours: 19, soft: 0.535, perSoft: 3, water: 0.206, perWater: 6.5, gelTakes: 0.84 } as const

/** Time constant of setting, h, with so much of it gelled. */
export const settingHours = ({ soft, water, lnHardeners }: Setting, gelledShare: number): number =>
  USUAL.hours *
  Math.exp(USUAL.perSoft * (soft - USUAL.soft) + USUAL.perWater * (water - USUAL.water) + lnHardeners) *
  (1 - USUAL.gelTakes * gelledShare)

const clamp = (x: number, low: number, high: number) => Math.min(high, Math.max(low, x))
/** Conversion from which it begins to set, and over how much more; warmth that hastens it, and cold that stops it (E). */
const CONVERTED = { from: 0.5, over: 0.42 } as const
const WARMTH = { per: 0.04, usualC: 21, most: 32 } as const
const CRYSTALS = { leastC: 28, harderC: 16 } as const
const COLD_C = 8

/** How fast the clock runs at a moment, hours an hour: 1 for an ordinary cool soap that has reacted. */
function clockPace(point: CurvePoint, soft: number): number {
  const c = (point.core + point.side) / 2
  const converted = 0.3 * point.meanConverted + 0.7 * point.leastConverted
  const done = clamp((converted - CONVERTED.from) / CONVERTED.over, 0, 1)
  if (done === 0) return 0
  const sets = CRYSTALS.leastC + CRYSTALS.harderC * (1 - soft)
  return (
    (done * done * Math.exp(WARMTH.per * (clamp(c, 0, WARMTH.most) - WARMTH.usualC))) /
    (1 + Math.exp((c - sets) / 2)) /
    (1 + Math.exp((COLD_C - c) / 3))
  )
}

/** Firmness at every point of a curve, 0…100: never falls. */
export function firmnessOf(curve: readonly CurvePoint[], setting: Setting, gelledShare: number): number[] {
  const tau = settingHours(setting, gelledShare)
  let clock = 0
  let pace = clockPace(curve[0]!, setting.soft)
  return curve.map((point, i) => {
    if (i > 0) {
      const now = clockPace(point, setting.soft)
      clock += ((pace + now) / 2) * ((point.s - curve[i - 1]!.s) / 3600)
      pace = now
    }
    return 100 * (1 - Math.exp(-clock / tau))
  })
}

/** When it is so firm, s; null: not within the curve. */
export function firmS(curve: readonly CurvePoint[], firmness: readonly number[], wanted: number): number | null {
  const i = firmness.findIndex(value => value >= wanted)
  if (i < 0) return null
  if (i === 0) return curve[0]!.s
  const [a, b] = [firmness[i - 1]!, firmness[i]!]
  return curve[i - 1]!.s + ((curve[i]!.s - curve[i - 1]!.s) * (wanted - a)) / Math.max(1e-9, b - a)
}
