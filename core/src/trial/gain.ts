import { normal } from '../quantities/chance/index.ts'
import type { Expected } from './posterior.ts'

/** What knowing a scent’s pace better is worth: the expected gain in the chance of success, before it is known. */

/** A way to make the batch: its chance Φ(c − g f) over the scent’s ln(rate factor) f, less what it costs the maker. */
export interface Way {
  c: number
  g: number
  penalty: number
}

export interface Gain {
  /** Chance of the best way as things are, and to be expected once the test is read. */
  now: number
  then: number
  gain: number
  /** Share of what the test may say after which another way is the best. */
  changesMind: number
}

const POINTS = 41
const REACH = 4

/** Expected chance of a way for a normal f. */
const chanceOfWay = ({ c, g, penalty }: Way, { mean, sd }: Expected): number =>
  normal((c - g * mean) / Math.sqrt(1 + g * g * sd * sd)) - penalty

const bestOf = (ways: readonly Way[], f: Expected): number =>
  ways.reduce((best, way, i) => (chanceOfWay(way, f) > chanceOfWay(ways[best]!, f) ? i : best), 0)

/**
 * @param f what is believed of the scent @param left its spread once the test is read
 */
export function gainOf(ways: readonly Way[], f: Expected, left: number): Gain {
  const before = bestOf(ways, f)
  const now = chanceOfWay(ways[before]!, f)
  const moves = Math.sqrt(Math.max(0, f.sd ** 2 - left ** 2))
  let [then, whole, changesMind] = [0, 0, 0]
  for (let i = 0; i < POINTS; i += 1) {
    const z = REACH * ((2 * i) / (POINTS - 1) - 1)
    const weight = Math.exp((-z * z) / 2)
    const after = { mean: f.mean + z * moves, sd: Math.min(f.sd, left) }
    const best = bestOf(ways, after)
    whole += weight
    then += weight * chanceOfWay(ways[best]!, after)
    if (best !== before) changesMind += weight
  }
  return { now, then: then / whole, gain: then / whole - now, changesMind: changesMind / whole }
}

const LEAST = 0.002

/** inverse of Φ by its logit, good enough for a line that is weighed anyway. */
const probit = (p: number): number => {
  let [low, high] = [-6, 6]
  for (let i = 0; i < 40; i += 1) {
    const mid = (low + high) / 2
    if (normal(mid) < p) low = mid
    else high = mid
  }
  return (low + high) / 2
}

/** A straight line through chances at values of f, on the scale of the normal; where chances are near 0 or 1 they count for little. */
export function wayThrough(fs: readonly number[], chances: readonly number[], penalty: number): Way {
  const points = fs.map((f, i) => {
    const p = Math.min(1 - LEAST, Math.max(LEAST, chances[i]!))
    return { f, y: probit(p), weight: p * (1 - p) }
  })
  const whole = points.reduce((sum, { weight }) => sum + weight, 0)
  const middle = points.reduce((sum, { f, weight }) => sum + weight * f, 0) / whole
  const height = points.reduce((sum, { y, weight }) => sum + weight * y, 0) / whole
  const square = points.reduce((sum, { f, weight }) => sum + weight * (f - middle) ** 2, 0)
  const slope =
    square > 0 ? points.reduce((sum, { f, y, weight }) => sum + weight * (f - middle) * (y - height), 0) / square : 0
  return { c: height - slope * middle, g: -slope, penalty }
}
