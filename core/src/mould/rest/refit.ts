import type { RestReading } from '../../plan/index.ts'
import { LOSSES } from './constants.ts'
import { REST_PRIOR } from './prior.ts'
import { workedThrough } from './history.ts'
import type { CurvePoint, RestRunInput } from './history.ts'

/** What readings say of a rest: factors on the expected rate and on the expected losses, with their spreads (sd of ln). */
export interface Refit {
  rate: number
  losses: number
  rateSd: number
  lossesSd: number
  /** The readings reach past the first half hour: the batch is known by them, and not its start alone. */
  isKnown: boolean
}

/** Spreads of a reading, K, and until when a probe is still warming: it counts for less. */
const READ_SD_K = { core: 1, side: 2, top: 2.5 }
const WARMING_MIN = 10
/** The model's own error, which readings near each other share: why many of them do not make it sure without end. */
const MODEL = { sdK: 1.5, minutes: 20 } as const
/** A reading further off than this counts for no more, sd. */
const HUBER = 2.5
const STEP = 0.04
const ROUNDS = 8
/** What is said of the rate: never surer than truths that differ in more than their rate (S). */
const SAID = { twice: 2, floor: 0.04 } as const
/** From here on readings tell of this batch, min. */
const KNOWN_MIN = 30

function tempAt(curve: readonly CurvePoint[], reading: RestReading): number {
  const s = reading.atMin * 60
  const i = curve.findIndex(point => point.s >= s)
  if (i <= 0) return (i === 0 ? curve[0]! : curve.at(-1)!)[reading.at]
  const [a, b] = [curve[i - 1]!, curve[i]!]
  return a[reading.at] + ((b[reading.at] - a[reading.at]) * (s - a.s)) / Math.max(1e-9, b.s - a.s)
}

type Point = readonly [lnRate: number, lnLosses: number]

/** The input with factors on its rate and its losses. */
export const withRefit = (input: RestRunInput, { rate, losses }: Pick<Refit, 'rate' | 'losses'>): RestRunInput => ({
  ...input,
  block: {
    ...input.block,
    rate: (input.block.rate ?? 1) * rate,
    losses: (input.block.losses ?? LOSSES) * losses,
  },
})

/** The input with what its own readings leave open: rate and losses by their fit, pour and room as measured. */
export const refittedInput = (input: RestRunInput, refit: Refit): RestRunInput => ({
  ...withRefit(input, refit),
  sd: { rate: OPEN.rate * refit.rateSd, losses: OPEN.losses * refit.lossesSd },
  isRead: refit.isKnown,
})
/** Of the stated spreads, what this batch's own runs are drawn with (S): the stated ones are for the next batch too. */
const OPEN = { rate: 0.6, losses: 0.8 } as const

/** Lower triangle of the readings' covariance. */
function rootOf(readings: readonly RestReading[]): number[][] {
  const n = readings.length
  const covariance = (i: number, j: number): number => {
    const [a, b] = [readings[i]!, readings[j]!]
    const own = READ_SD_K[a.at] * (a.atMin < WARMING_MIN ? 2 : 1)
    const shared = MODEL.sdK ** 2 * Math.exp(-Math.abs(a.atMin - b.atMin) / MODEL.minutes)
    return shared + (i === j ? own * own : 0)
  }
  const root = readings.map(() => new Array<number>(n).fill(0))
  for (let i = 0; i < n; i += 1)
    for (let j = 0; j <= i; j += 1) {
      let sum = covariance(i, j)
      for (let k = 0; k < j; k += 1) sum -= root[i]![k]! * root[j]![k]!
      root[i]![j] = i === j ? Math.sqrt(Math.max(1e-9, sum)) : sum / root[j]![j]!
    }
  return root
}

/** Residuals made independent of each other, each of spread 1. */
function whitened(root: readonly (readonly number[])[], list: readonly number[]): number[] {
  const white: number[] = []
  list.forEach((value, i) => {
    let left = value
    for (let k = 0; k < i; k += 1) left -= root[i]![k]! * white[k]!
    white.push(left / root[i]![i]!)
  })
  return white
}

/** As far as Huber's limit a square, beyond it a straight line: as a residual whose square is that. */
const softened = (r: number): number =>
  Math.abs(r) <= HUBER ? r : Math.sign(r) * Math.sqrt(2 * HUBER * Math.abs(r) - HUBER * HUBER)

const squares = (list: readonly number[]): number => list.reduce((sum, one) => sum + one * one, 0)

/**
 * Rate and losses that a maker's own readings and the priors make most likely: least squares by Levenberg and Marquardt on a
 * coarse input, slopes by central differences. Readings near each other in time share the model's own error. Some tenths of a
 * second; null without readings.
 */
export function refitted(coarse: RestRunInput, readings: readonly RestReading[]): Refit | null {
  if (readings.length === 0) return null
  const lastMin = Math.max(...readings.map(one => one.atMin))
  const input = { ...coarse, untilS: Math.max(3600, lastMin * 60 + 600), frameS: 0 }
  const root = rootOf(readings)
  const { rate, losses } = input.sd ?? REST_PRIOR
  const at = ([lnRate, lnLosses]: Point): number[] => {
    const { curve } = workedThrough(withRefit(input, { rate: Math.exp(lnRate), losses: Math.exp(lnLosses) }))
    const off = readings.map(one => tempAt(curve, one) - one.tempC)
    return [...whitened(root, off).map(softened), lnRate / rate, lnLosses / losses]
  }
  const dot = (a: readonly number[], b: readonly number[]) => a.reduce((sum, value, i) => sum + value * b[i]!, 0)
  const slope = (up: readonly number[], down: readonly number[]) =>
    up.map((value, i) => (value - down[i]!) / (2 * STEP))
  let point: Point = [0, 0]
  let now = at(point)
  let damping = 0.01
  let normal = [1, 0, 1] as [number, number, number]
  for (let round = 0; round < ROUNDS; round += 1) {
    const [r, l]: Point = point
    const byRate = slope(at([r + STEP, l]), at([r - STEP, l]))
    const byLosses = slope(at([r, l + STEP]), at([r, l - STEP]))
    normal = [dot(byRate, byRate), dot(byRate, byLosses), dot(byLosses, byLosses)]
    const [aa, ab, bb] = [normal[0] * (1 + damping), normal[1], normal[2] * (1 + damping)]
    const [ra, rb] = [dot(byRate, now), dot(byLosses, now)]
    const whole = aa * bb - ab * ab
    const next: Point = [r - (bb * ra - ab * rb) / whole, l - (aa * rb - ab * ra) / whole]
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
  const fitSd = { rate: Math.sqrt(normal[2] / whole), losses: Math.sqrt(normal[0] / whole) }
  return {
    rate: Math.exp(point[0]),
    losses: Math.exp(point[1]),
    rateSd: Math.min(rate, Math.hypot(SAID.twice * fitSd.rate, SAID.floor)),
    lossesSd: fitSd.losses,
    isKnown: lastMin > KNOWN_MIN,
  }
}
