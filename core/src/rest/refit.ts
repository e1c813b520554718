import type { RestReading } from '../plan/index.ts'
import { LOSSES, REST_PRIOR } from './constants.ts'
import { workedThrough } from './history.ts'
import type { CurvePoint, RestJob } from './history.ts'

/** What readings say of a rest: factors on the expected rate and on the expected losses, with their spreads (sd of ln). */
export interface Refit {
  rate: number
  losses: number
  rateSd: number
  lossesSd: number
}

/** Spreads of a reading, K, and until when a probe is still warming: it counts for less. */
const READ_SD_K = { core: 1, side: 2, top: 2.5 }
const WARMING_MIN = 10
const STEPS = { rate: 0.04, losses: 0.04 }
const ROUNDS = 6
/** The coarse block makes losses look surer than they are. */
const LOSSES_SURER = 1.5
/** From batch to batch things differ at least by this. */
const LEAST_SD = { rate: 0.1, losses: 0.05 }

function tempAt(curve: readonly CurvePoint[], reading: RestReading): number {
  const s = reading.atMin * 60
  const i = curve.findIndex(point => point.s >= s)
  if (i <= 0) return (i === 0 ? curve[0]! : curve.at(-1)!)[reading.at]
  const [a, b] = [curve[i - 1]!, curve[i]!]
  return a[reading.at] + ((b[reading.at] - a[reading.at]) * (s - a.s)) / Math.max(1e-9, b.s - a.s)
}

type Point = readonly [lnRate: number, lnLosses: number]

/** The job with factors on its rate and its losses. */
export const withRefit = (job: RestJob, { rate, losses }: Pick<Refit, 'rate' | 'losses'>): RestJob => ({
  ...job,
  block: {
    ...job.block,
    rate: (job.block.rate ?? 1) * rate,
    losses: (job.block.losses ?? LOSSES) * losses,
  },
})

/** What is left between model and readings, in spreads, with the priors last. */
function residuals(job: RestJob, readings: readonly RestReading[], [lnRate, lnLosses]: Point): number[] {
  const { curve } = workedThrough(withRefit(job, { rate: Math.exp(lnRate), losses: Math.exp(lnLosses) }))
  const read = readings.map(one => {
    const sd = READ_SD_K[one.at] * (one.atMin < WARMING_MIN ? 2 : 1)
    return (tempAt(curve, one) - one.tempC) / sd
  })
  const { rate, losses } = job.sd ?? REST_PRIOR
  return [...read, lnRate / rate, lnLosses / losses]
}

const squares = (list: readonly number[]): number => list.reduce((sum, one) => sum + one * one, 0)

/**
 * Rate and losses that a maker's own readings and the priors make most likely: least squares by Levenberg and Marquardt on a
 * coarse job, slopes by finite differences. Some tenths of a second; null without readings.
 */
export function refitted(coarse: RestJob, readings: readonly RestReading[]): Refit | null {
  if (readings.length === 0) return null
  const lastS = Math.max(...readings.map(one => one.atMin)) * 60
  const job = { ...coarse, untilS: Math.max(3600, lastS + 600), frameS: 0 }
  const at = (point: Point) => residuals(job, readings, point)
  let point: Point = [0, 0]
  let now = at(point)
  let damping = 0.01
  let normal = [1, 0, 1] as [number, number, number]
  for (let round = 0; round < ROUNDS; round += 1) {
    const byRate = at([point[0] + STEPS.rate, point[1]]).map((value, i) => (value - now[i]!) / STEPS.rate)
    const byLosses = at([point[0], point[1] + STEPS.losses]).map((value, i) => (value - now[i]!) / STEPS.losses)
    const dot = (a: readonly number[], b: readonly number[]) => a.reduce((sum, value, i) => sum + value * b[i]!, 0)
    normal = [dot(byRate, byRate), dot(byRate, byLosses), dot(byLosses, byLosses)]
    const [aa, ab, bb] = [normal[0] * (1 + damping), normal[1], normal[2] * (1 + damping)]
    const [ra, rb] = [dot(byRate, now), dot(byLosses, now)]
    const whole = aa * bb - ab * ab
    const next: Point = [point[0] - (bb * ra - ab * rb) / whole, point[1] - (aa * rb - ab * ra) / whole]
    const then = at(next)
    if (squares(then) < squares(now)) {
      const isDone = squares(now) - squares(then) < 1e-4
      point = next
      now = then
      damping /= 5
      if (isDone) break
    } else damping *= 10
  }
  const whole = normal[0] * normal[2] - normal[1] * normal[1]
  return {
    rate: Math.exp(point[0]),
    losses: Math.exp(point[1]),
    rateSd: Math.max(LEAST_SD.rate, Math.sqrt(normal[2] / whole)),
    lossesSd: Math.max(LEAST_SD.losses, LOSSES_SURER * Math.sqrt(normal[0] / whole)),
  }
}
