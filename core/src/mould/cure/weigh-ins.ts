import { leftAfter } from './drying.ts'
import type { Drying } from './drying.ts'

/** What weigh-ins make of a bar's fresh weight and of its drying: least squares of logarithms, with what was expected as prior. */

export interface Weighed {
  day: number
  massG: number
  /** Which bar; '' is the first. */
  bar: string
  /** Bars on the scale together. */
  count: number
  /** Said to be so although it looks wrong: it counts for less. */
  isInsisted: boolean
}

/** Spreads before any weigh-in: of ln of the fresh weight (fill, cling, blade), of the loss, of its time, and of a bar against the others. */
export const CURE_PRIOR = { fresh: 0.05, loss: 0.2, tau: 0.35, bar: 0.03 } as const
/** Of a weight: a share of it, g, and what insisting costs. */
const WEIGHT = { share: 0.004, g: 0.5, insisted: 5 } as const

export interface CureFit {
  freshG: number
  drying: Drying
  /** Spreads and their product of ln(fresh), ln(loss) and ln(tau): covariance, row by row. */
  covariance: readonly (readonly number[])[]
}

const STEP = 1e-4
const ROUNDS = 25
const LONGEST_STEP = 0.5

/** Solves a x = b and inverts a, symmetric and positive; Gauss and Jordan with pivots. */
function solved(a: readonly (readonly number[])[], b: readonly number[]): { x: number[]; inverse: number[][] } {
  const n = b.length
  const rows = a.map((row, i) => [...row, b[i]!, ...Array.from({ length: n }, (_, k) => (k === i ? 1 : 0))])
  for (let i = 0; i < n; i += 1) {
    let best = i
    for (let k = i + 1; k < n; k += 1) if (Math.abs(rows[k]![i]!) > Math.abs(rows[best]![i]!)) best = k
    ;[rows[i], rows[best]] = [rows[best]!, rows[i]!]
    const pivot = rows[i]![i]!
    rows[i] = rows[i]!.map(value => value / pivot)
    for (let k = 0; k < n; k += 1) {
      if (k === i) continue
      const factor = rows[k]![i]!
      rows[k] = rows[k]!.map((value, j) => value - factor * rows[i]![j]!)
    }
  }
  return { x: rows.map(row => row[n]!), inverse: rows.map(row => row.slice(n + 1)) }
}

/** ln of a weight's own spread. */
function spreadOf({ massG, count, isInsisted }: Weighed, scaleStepG: number): number {
  const one = massG / count
  const scale = Math.hypot(WEIGHT.share * one, WEIGHT.g / count, scaleStepG / Math.sqrt(12) / count)
  const others = count > 1 ? (CURE_PRIOR.bar * one) / Math.sqrt(count) : 0
  return (Math.hypot(scale, others) / one) * (isInsisted ? WEIGHT.insisted : 1)
}

/**
 * The fresh weight and the curve that expectation and weigh-ins together make most likely. Weights of one bar share what that
 * bar differs in; several weighed together stand for their mean.
 *
 * @param sds spreads of ln of the loss and of its time before anything was weighed
 */
export function fittedCure(
  expected: Drying,
  freshG: number,
  weighed: readonly Weighed[],
  scaleStepG: number,
  sds: { loss: number; tau: number } = CURE_PRIOR,
): CureFit {
  const bars = [...new Set(weighed.filter(one => one.count === 1).map(one => one.bar))]
  const n = 3 + bars.length
  const priors = [CURE_PRIOR.fresh, sds.loss, sds.tau, ...bars.map(() => CURE_PRIOR.bar)]
  const dryingAt = (x: readonly number[]): Drying => ({
    loss: Math.min(0.9, expected.loss * Math.exp(x[1]!)),
    tauDays: expected.tauDays * Math.exp(x[2]!),
  })
  const residuals = (x: readonly number[]): number[] => {
    const drying = dryingAt(x)
    const read = weighed.map(one => {
      const bar = one.count === 1 ? x[3 + bars.indexOf(one.bar)]! : 0
      const model = Math.log(freshG) + x[0]! + bar + Math.log(leftAfter(drying, one.day))
      return (Math.log(one.massG / one.count) - model) / spreadOf(one, scaleStepG)
    })
    return [...read, ...priors.map((sd, i) => -x[i]! / sd)]
  }
  let x = priors.map(() => 0)
  let inverse = priors.map((sd, i) => priors.map((_, k) => (k === i ? sd * sd : 0)))
  for (let round = 0; round < ROUNDS && weighed.length > 0; round += 1) {
    const now = residuals(x)
    const slopes = x.map((_, k) => {
      const moved = residuals(x.map((value, i) => (i === k ? value + STEP : value)))
      return moved.map((value, i) => (value - now[i]!) / STEP)
    })
    const dot = (a: readonly number[], b: readonly number[]) => a.reduce((sum, value, i) => sum + value * b[i]!, 0)
    const normal = slopes.map(a => slopes.map(b => dot(a, b)))
    const step = solved(
      normal,
      slopes.map(a => -dot(a, now)),
    )
    inverse = step.inverse
    const longest = Math.max(...step.x.map(Math.abs))
    const cut = longest > LONGEST_STEP ? LONGEST_STEP / longest : 1
    x = x.map((value, i) => value + cut * step.x[i]!)
    if (longest < 1e-7) break
  }
  return {
    freshG: freshG * Math.exp(x[0]!),
    drying: dryingAt(x),
    covariance: inverse.slice(0, Math.min(3, n)).map(row => row.slice(0, 3)),
  }
}
