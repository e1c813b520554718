import {
  PIGMENT_PRIOR,
  WHITES,
  correctedPigment,
  forwardSolve,
  inverseOf,
  leastSquares,
  lowerOf,
  mixed,
} from '../look/colour/index.ts'
import type { Age, BaseTint, Lab, Pigment } from '../look/colour/index.ts'
import { CHANNELS, MAKING, commonSd, labOfThree, patchSd, threeOf } from './noise.ts'
import type { ReadingWay, ThreeSd } from './noise.ts'

/** A colorant’s curve of dose against colour, fitted to the readings of a trial. */

/** A colour that was read of a sample. A blank is a sample without a dose: it fixes what its photograph is off by. */
export interface CurveReading {
  sample: string
  /** All of one photograph are off together. */
  photo: string
  way: ReadingWay
  gPerKg: number
  whiteGPerKg: number
  base: BaseTint
  age: Age
  lab: Lab
}

/** Room light beyond this many days fades what nobody knows the fading of: samples then lie so much further apart. */
const FADES_AFTER_DAYS = 60
const FADED = 1.5

export interface Curve {
  /** ln of absorption in blue, green and red, and of scattering, against the colorant as it was; their standard deviations. */
  p: readonly number[]
  sd: readonly number[]
  covariance: readonly (readonly number[])[]
  pigment: Pigment
  cost: number
  /** Samples that lie so far off that they count for less. */
  odd: string[]
}

export interface CurveOptions {
  /** What the repeats of this and other trials say of the scatter of the table: a factor on variances. */
  s2?: number
  /** One standard deviation of ln of a dose that is common to all, where a strong batter was thinned. */
  lnDoseSd?: number
}

type Doses = ReadonlyMap<string, Pick<CurveReading, 'gPerKg' | 'whiteGPerKg'>>

const labAt = (
  pigment: Pigment,
  { base, age }: CurveReading,
  dose: Pick<CurveReading, 'gPerKg' | 'whiteGPerKg'>,
): Lab =>
  mixed(
    base,
    [
      { pigment, gPerKg: dose.gPerKg },
      { pigment: WHITES.titanium, gPerKg: dose.whiteGPerKg },
    ],
    age,
  ).lab

const doseOf = (reading: CurveReading, doses: Doses | null) => doses?.get(reading.sample) ?? reading

const makingOf = ({ age }: CurveReading, c: number): number => MAKING[c]! * (age.days > FADES_AFTER_DAYS ? FADED : 1)

const LN_STEP = 0.02

/** How quickly a reading moves with ln of its dose, Lab units. */
function slopeOf(pigment: Pigment, reading: CurveReading, doses: Doses | null): ThreeSd {
  const dose = doseOf(reading, doses)
  if (dose.gPerKg <= 0) return [0, 0, 0]
  const more = labAt(pigment, reading, { ...dose, gPerKg: dose.gPerKg * (1 + LN_STEP) })
  const now = labAt(pigment, reading, dose)
  return threeOf(more).map((x, c) => (x - threeOf(now)[c]!) / LN_STEP) as unknown as ThreeSd
}

/** Lower factors of what readings are off by together, a channel. @param weights of samples that count for less */
function factors(
  readings: readonly CurveReading[],
  slopes: readonly ThreeSd[],
  weights: ReadonlyMap<string, number>,
  { s2 = 1, lnDoseSd = 0 }: CurveOptions,
): number[][][] {
  return CHANNELS.map((_, c) => {
    const matrix = readings.map((a, i) =>
      readings.map((b, j) => {
        const weight = weights.get(a.sample) ?? 1
        const own = a.sample === b.sample ? (makingOf(a, c) * makingOf(b, c)) / weight : 0
        const patch = i === j ? patchSd(a.way)[c]! ** 2 / weight : 0
        const photo = a.photo === b.photo ? commonSd(a.way)[c]! ** 2 : 0
        const dose = slopes[i]![c]! * slopes[j]![c]! * lnDoseSd ** 2
        return s2 * (own + patch + photo) + dose
      }),
    )
    return lowerOf(matrix)!
  })
}

interface Fitted {
  p: number[]
  matrix: number[][]
  cost: number
}

/** Misses of all readings, whitened by what they share, and of what is believed beforehand. */
function missesIn(
  pigment: Pigment,
  readings: readonly CurveReading[],
  doses: Doses | null,
  weights: ReadonlyMap<string, number>,
  options: CurveOptions,
): (p: readonly number[]) => number[] {
  const slopes = readings.map(reading => slopeOf(pigment, reading, doses))
  const lowers = factors(readings, slopes, weights, options)
  return p => {
    const now = correctedPigment(pigment, p)
    const off = readings.map(reading => {
      const lab = labAt(now, reading, doseOf(reading, doses))
      return CHANNELS.map(channel => lab[channel] - reading.lab[channel])
    })
    const rows = lowers.flatMap((lower, c) =>
      forwardSolve(
        lower,
        off.map(three => three[c]!),
      ),
    )
    return [...rows, ...p.map((value, j) => value / PIGMENT_PRIOR[j]!)]
  }
}

const NOTHING = [0, 0, 0, 0] as const

const fitted = (...of: Parameters<typeof missesIn>): Fitted => leastSquares(missesIn(...of), NOTHING)

const median = (list: readonly number[]): number => {
  const sorted = [...list].sort((a, b) => a - b)
  const half = Math.floor(sorted.length / 2)
  return sorted.length % 2 === 1 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2
}

/** A sample whose mean miss is further off than one in a thousand, squared and over three channels; it counts for so much less. */
const ODD = 16.3
const weightOf = (d2: number): number => Math.min(1, 8 / (5 + d2))
const MOST_ROUNDS = 4
const SHRUNK = 1.5

/** Squared mean miss of each sample over its readings, when what each photograph is off by is taken off. */
function missOf(pigment: Pigment, readings: readonly CurveReading[], s2: number): Map<string, number> {
  const off = readings.map(reading => {
    const lab = labAt(pigment, reading, reading)
    return CHANNELS.map(channel => reading.lab[channel] - lab[channel])
  })
  const shifts = new Map<string, number[]>()
  for (const photo of new Set(readings.map(one => one.photo))) {
    const mine = readings.flatMap((one, i) => (one.photo === photo ? [i] : []))
    const { way } = readings[mine[0]!]!
    shifts.set(
      photo,
      CHANNELS.map((_, c) => {
        const common = commonSd(way)[c]! ** 2
        const own = (SHRUNK * (MAKING[c]! ** 2 + patchSd(way)[c]! ** 2)) / mine.length
        return (median(mine.map(i => off[i]![c]!)) * common) / (common + own)
      }),
    )
  }
  return new Map(
    [...new Set(readings.map(one => one.sample))].map(sample => {
      const mine = readings.flatMap((one, i) => (one.sample === sample ? [i] : []))
      const d2 = CHANNELS.reduce((sum, _, c) => {
        const mean = mine.reduce((all, i) => all + off[i]![c]! - shifts.get(readings[i]!.photo)![c]!, 0) / mine.length
        const variance = s2 * (MAKING[c]! ** 2 + patchSd(readings[mine[0]!]!.way)[c]! ** 2 / mine.length)
        return sum + mean ** 2 / variance
      }, 0)
      return [sample, d2] as const
    }),
  )
}

function curveOf(pigment: Pigment, { p, matrix, cost }: Fitted, odd: string[]): Curve {
  const covariance =
    inverseOf(matrix) ?? PIGMENT_PRIOR.map((sd, i) => PIGMENT_PRIOR.map((_, j) => (i === j ? sd * sd : 0)))
  return {
    p,
    covariance,
    cost,
    odd,
    sd: covariance.map((row, i) => Math.sqrt(row[i]!)),
    pigment: correctedPigment(pigment, p),
  }
}

/**
 * A colorant fitted to all readings at once. A sample that lies too far off counts for less, and is named.
 *
 * @param pigment as it was before the trial
 */
export function doseCurve(pigment: Pigment, readings: readonly CurveReading[], options: CurveOptions = {}): Curve {
  let weights = new Map<string, number>()
  let now = fitted(pigment, readings, null, weights, options)
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    const miss = missOf(correctedPigment(pigment, now.p), readings, options.s2 ?? 1)
    const next = new Map([...miss].filter(([, d2]) => d2 > ODD).map(([sample, d2]) => [sample, weightOf(d2)]))
    if (next.size === weights.size && [...next.keys()].every(sample => weights.has(sample))) break
    weights = next
    now = fitted(pigment, readings, null, weights, options)
  }
  return curveOf(pigment, now, [...weights.keys()])
}

/** What is forecast of a dose by a curve: Lab with one standard deviation each. */
export function colourBy(
  curve: Curve,
  reading: Omit<CurveReading, 'lab' | 'sample' | 'photo' | 'way'>,
): { lab: Lab; sd: Lab } {
  const of = { ...reading, sample: '', photo: '', way: 'photo', lab: { l: 0, a: 0, b: 0 } } as const
  const lab = labAt(curve.pigment, of, of)
  const step = 1e-3
  const slopes = curve.p.map((_, j) => {
    const moved = labAt(
      correctedPigment(
        curve.pigment,
        curve.p.map((__, i) => (i === j ? step : 0)),
      ),
      of,
      of,
    )
    return threeOf(moved).map((x, c) => (x - threeOf(lab)[c]!) / step)
  })
  const sds = CHANNELS.map((_, c) =>
    Math.sqrt(
      slopes.reduce(
        (sum, a, i) => sum + slopes.reduce((row, b, j) => row + a[c]! * b[c]! * curve.covariance[i]![j]!, 0),
        0,
      ),
    ),
  )
  return { lab, sd: labOfThree(sds) }
}

/** Exchanged labels explain so much more: asked about, never put right by itself. */
const EXCHANGED_GAINS = 10

/** Pairs that look likeliest where the curve stands are fitted anew. */
const LOOKED_AT = 5

/** Two samples whose labels may have been exchanged; null: nothing says so. */
export function exchangedIn(
  pigment: Pigment,
  readings: readonly CurveReading[],
  options: CurveOptions = {},
): [string, string] | null {
  const none = new Map<string, number>()
  const doses = new Map(readings.map(one => [one.sample, { gPerKg: one.gPerKg, whiteGPerKg: one.whiteGPerKg }]))
  const labels = [...doses.keys()]
  const asIs = fitted(pigment, readings, null, none, options)
  const pairs = labels
    .flatMap((a, i) => labels.slice(i + 1).map((b): [string, string] => [a, b]))
    .filter(([a, b]) => {
      const [one, other] = [doses.get(a)!, doses.get(b)!]
      return one.gPerKg !== other.gPerKg || one.whiteGPerKg !== other.whiteGPerKg
    })
    .map(pair => {
      const turned = new Map([...doses, [pair[0], doses.get(pair[1])!], [pair[1], doses.get(pair[0])!]])
      const misses = missesIn(pigment, readings, turned, none, options)
      return { pair, misses, cost: misses(asIs.p).reduce((sum, miss) => sum + miss * miss, 0) }
    })
    .sort((a, b) => a.cost - b.cost)
    .slice(0, LOOKED_AT)
    .map(({ pair, misses }) => ({ pair, cost: leastSquares(misses, asIs.p).cost }))
    .sort((a, b) => a.cost - b.cost)
  const [best] = pairs
  return best && asIs.cost - best.cost > EXCHANGED_GAINS ? best.pair : null
}
