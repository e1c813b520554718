import { correlation, latinNormals, mixtureBand, normal, ranksOf, timeBand } from '../../quantities/chance/index.ts'
import type { Band } from '../../quantities/chance/index.ts'
import { LOSSES } from './constants.ts'
import { REST_PRIOR } from './prior.ts'
import { LONGEST_S, workedThrough } from './history.ts'
import type { CurvePoint, RestHistory, RestRunInput } from './history.ts'
import { crackChance, saidCrack, saidVolcano, volcanoChance } from './overheating.ts'
import { FIRM, firmnessOf } from './firmness.ts'
import { SPENT, gelledShareOf, restRun } from './run.ts'
import type { About, GelClass, RestRun } from './run.ts'

/** A time that not every run comes to: its band in minutes from the pour, and the share of the runs that do. */
export interface TimeBand extends Band {
  share: number
}

/** Everything about a rest that is said as a number, from many runs. */
export interface RestNumbers {
  gel: Record<GelClass, number>
  peakC: Band
  peakMin: TimeBand
  /** Null: not in most runs. */
  startMin: TimeBand | null
  fullMin: TimeBand | null
  unmouldMin: TimeBand | null
  hardMin: TimeBand | null
  spentMin: TimeBand | null
  crack: number
  volcano: number
  /** The middle through the first hours, °C, in four of five runs. */
  core: { s: number; low: number; high: number }[]
  /** Chance that the top row gels, the mean over it. */
  topGel: number
  /** What the class hangs on most. */
  hangsOn: RestVariation
  runs: number
}

/** What differs from run to run. */
export const REST_VARIATION = {
  rate: 'how quickly this blend reacts: measure the middle after an hour',
  losses: 'how well the mould keeps its heat: measure the middle again as it cools',
  gelK: 'from how warm it gels: note how warm it is when the middle turns clear',
  heat: 'how much heat the blend makes',
  pourK: 'how warm it is poured: measure the batter as you pour',
  roomK: 'how warm the room stays: measure the room',
} as const
export type RestVariation = keyof typeof REST_VARIATION
const VARIATIONS = Object.keys(REST_VARIATION) as RestVariation[]

/** Spreads: K on the gel temperature, share of the heat, K of pour and room; the last two where they were measured (E). */
const SPREAD = { gelK: 2.5, heat: 0.04, pourK: 1, roomK: 1.5 } as const
const MEASURED = { pourK: 0.4, roomK: 0.7 } as const
/** First dimension of the draws: others are the batter's. */
const FIRST_DIMENSION = 200
export const REST_RUNS = 24

/** An input with so much variation: each of it in its own standard deviations. */
export function withVariation(input: RestRunInput, z: (variation: RestVariation) => number): RestRunInput {
  const { block, sd = REST_PRIOR } = input
  const { pourK, roomK } = input.isRead ? MEASURED : SPREAD
  const room = roomK * z('roomK')
  return {
    ...input,
    frameS: 0,
    roomC: input.roomC + room,
    room: input.room?.map(change => ({ ...change, tempC: change.tempC + room })),
    block: {
      ...block,
      materials: block.materials.map(one => ({ ...one, heat: one.heat * (1 + SPREAD.heat * z('heat')) })),
      startC: block.startC.map(c => c + pourK * z('pourK')),
      rate: (block.rate ?? 1) * Math.exp(sd.rate * z('rate')),
      losses: (block.losses ?? LOSSES) * Math.exp(sd.losses * z('losses')),
      gelShiftK: (block.gelShiftK ?? 0) + SPREAD.gelK * z('gelK'),
    },
  }
}

/** An input with the variation of run `n` of so many: the same for every input. */
export const drawn = (input: RestRunInput, n: number, runs = REST_RUNS, seed = 0): RestRunInput =>
  withVariation(input, variation => latinNormals(FIRST_DIMENSION + VARIATIONS.indexOf(variation), runs, seed)[n]!)

/** The model's own error: K of a margin and of the peak, of ln of times; and the same once the batch has readings (S, E). */
export const REST_ERROR = { marginK: 2.5, peakK: 1, start: 0.18, peak: 0.15, unmould: 0.22, coreK: 1.5 } as const
const READ_ERROR = { ...REST_ERROR, marginK: 1.5, peakK: 0.9, start: 0.08, peak: 0.05 } as const
/** What is kept back from every chance: a forgotten towel, a wrong oil. Three classes add up to 1. */
const FLOOR = 0.02

/** Chances as they are said: never sure, adding up. */
export const saidClasses = (none: number, full: number): Record<GelClass, number> => {
  const said = (p: number) => FLOOR + (1 - 3 * FLOOR) * p
  return { none: said(none), partial: said(Math.max(0, 1 - none - full)), full: said(full) }
}

/** How close points of the core's band lie, s, and until when. */
const BAND_S = 900
const CORE_HOURS = 8

/** The core at every so many seconds, between the points of its curve. */
function coreEvery(curve: readonly CurvePoint[]): number[] {
  const list: number[] = []
  let i = 0
  for (let s = 0; s <= CORE_HOURS * 3600 + 1 && s <= curve.at(-1)!.s + 1; s += BAND_S) {
    while (i < curve.length - 2 && curve[i + 1]!.s < s) i += 1
    const [a, b] = [curve[i]!, curve[i + 1]!]
    list.push(a.core + ((b.core - a.core) * (s - a.s)) / (b.s - a.s))
  }
  return list
}

/** Run to the end of a usual rest; those that are not firm by then alone go on. */
export function wholeRun(input: RestRunInput, about: About): { history: RestHistory; run: RestRun } {
  const history = workedThrough({ ...input, untilS: LONGEST_S, isDone: isFirm(about, input.untilS) })
  return { history, run: restRun(history, about) }
}

/** Whether a run has shown all that is asked of it, firm and spent; a usual time is enough for what is firm by then. */
const isFirm =
  (about: About, usualS: number) =>
  (history: RestHistory): boolean => {
    const { curve } = history
    const last = curve.at(-1)!
    if (last.s < EARLIEST_S || curve.length % ASKED_EVERY !== 0) return false
    const isLate = last.s >= usualS - 1
    if (!isLate && last.leastConverted < SPENT) return false
    const firmness = firmnessOf(curve, about, gelledShareOf(history)).at(-1)!
    return firmness >= (isLate ? about.firmEnough : FIRM.hard)
  }
const EARLIEST_S = 12 * 3600
const ASKED_EVERY = 6

const times = (runs: readonly RestRun[], of: (run: RestRun) => number | null, lnSd: number): TimeBand | null => {
  const known = runs.flatMap(run => of(run) ?? [])
  if (known.length <= runs.length / 2) return null
  return { ...timeBand(known, lnSd), share: known.length / runs.length }
}

/** Works a coarse input through many times, each to its end; the same input gives the same answer. */
export function restNumbers(input: RestRunInput, about: About, count = REST_RUNS, seed = 0): RestNumbers {
  const error = input.isRead ? READ_ERROR : REST_ERROR
  const worked = Array.from({ length: count }, (_, n) => wholeRun(drawn(input, n, count, seed), about))
  const runs = worked.map(one => one.run)
  const mean = (of: (run: RestRun) => number) => runs.reduce((sum, run) => sum + of(run), 0) / count
  const none = mean(run => normal(-run.noneK / error.marginK))
  const full = mean(run => normal(run.fullK / error.marginK))
  const cores = worked.map(one => coreEvery(one.history.curve))
  const points = Math.min(...cores.map(one => one.length))
  const margins = none > full ? runs.map(run => run.noneK) : runs.map(run => run.fullK)
  const ranks = ranksOf(margins)
  const tied = (variation: RestVariation) =>
    Math.abs(
      correlation(ranksOf([...latinNormals(FIRST_DIMENSION + VARIATIONS.indexOf(variation), count, seed)]), ranks),
    )
  return {
    gel: saidClasses(none, full),
    peakC: mixtureBand(
      runs.map(run => run.heating.peakC),
      error.peakK,
    ),
    peakMin: times(runs, run => Math.max(1, run.peakMin), error.peak)!,
    startMin: times(runs, run => run.startMin, error.start),
    fullMin: times(runs, run => run.fullMin, error.start),
    unmouldMin: times(runs, run => run.unmouldMin, error.unmould),
    hardMin: times(runs, run => run.hardMin, error.unmould),
    spentMin: times(runs, run => run.spentMin, error.unmould),
    crack: saidCrack(mean(run => crackChance(run.heating))),
    volcano: saidVolcano(mean(run => volcanoChance(run.heating))),
    core: Array.from({ length: points }, (_, i) => {
      const { low, high } = mixtureBand(
        cores.map(one => one[i]!),
        error.coreK,
      )
      return { s: i * BAND_S, low, high }
    }),
    topGel: mean(run => run.topGel(error.marginK)),
    hangsOn: VARIATIONS.reduce((a, b) => (tied(b) > tied(a) ? b : a)),
    runs: count,
  }
}

/** Of one run, all there is around it: draws and the model's own error, K. */
const AROUND_ONE = { noneK: Math.hypot(5.5, 2.5), fullK: Math.hypot(4, 2.5), heatK: 6 } as const

/** The same from one run, as far as it goes: for every keystroke. */
export function quickChances(run: RestRun): Pick<RestNumbers, 'gel' | 'crack' | 'volcano'> {
  return {
    gel: saidClasses(normal(-run.noneK / AROUND_ONE.noneK), normal(run.fullK / AROUND_ONE.fullK)),
    crack: saidCrack(crackChance(run.heating, AROUND_ONE.heatK)),
    volcano: saidVolcano(volcanoChance(run.heating, AROUND_ONE.heatK)),
  }
}
