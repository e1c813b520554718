import type { LanePoint } from './run-state.ts'

/** What the model is off by at any one reading, in trace levels, where it was fitted to what makers see. Engineering estimate. */
export const MODEL_ERROR = 0.15
/** What it is off by beside that where nothing was observed: without a blender, whipped, poured without a stop. */
const UNSEEN = 0.2
const MOST_FOR_LACK = 0.2
const MOST_FOR_ACID = 0.15
const PER_ACID = 10
/** The same of ln of the rate. */
const UNSEEN_RATE = 0.25
const RATE_PER_LACK = 1.5
const MOST_RATE_FOR_LACK = 0.3

/** What about a batter was seldom or never observed. */
export interface Regime {
  /** Early fats short of what is usual. */
  lack: number
  /** Solid fatty acid, share of the oils. */
  stearic: number
  byHand: boolean
  isWhipped: boolean
  neverStops: boolean
}

/** Error of a level, sd. */
export const levelError = ({ lack, stearic, byHand, isWhipped, neverStops }: Regime): number =>
  Math.hypot(
    MODEL_ERROR,
    byHand ? UNSEEN : 0,
    Math.min(MOST_FOR_LACK, lack),
    Math.min(MOST_FOR_ACID, PER_ACID * stearic),
    isWhipped ? UNSEEN : 0,
    neverStops ? UNSEEN : 0,
  )

/** What it adds to the spread of ln(rate), sd. */
export const rateError = ({ lack, byHand }: Pick<Regime, 'lack' | 'byHand'>): number =>
  Math.hypot(byHand ? UNSEEN_RATE : 0, Math.min(MOST_RATE_FOR_LACK, RATE_PER_LACK * lack))

/** Level of a recorded lane at a time, by straight lines between its points; at its ends beyond them. */
export function levelAt(lane: readonly LanePoint[], s: number): number {
  const at = lane.findIndex(point => point.s >= s)
  if (at <= 0) return (at === 0 ? lane[0] : lane.at(-1))!.level
  const a = lane[at - 1]!
  const b = lane[at]!
  return b.s === a.s ? b.level : a.level + ((b.level - a.level) * (s - a.s)) / (b.s - a.s)
}

/** First time that a recorded lane shows more than `level`, s. */
export function crossing(lane: readonly LanePoint[], level: number): number | null {
  const at = lane.findIndex(point => point.level > level)
  if (at < 0) return null
  if (at === 0) return lane[0]!.s
  const a = lane[at - 1]!
  const b = lane[at]!
  return a.s + ((b.s - a.s) * (level - a.level)) / Math.max(1e-9, b.level - a.level)
}
