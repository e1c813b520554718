import type { LanePoint } from './bench.ts'

/** What the model is off by at any one reading, in trace levels. Engineering estimate. */
export const MODEL_ERROR = 0.15

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

/** Standard normal distribution; Abramowitz and Stegun 7.1.26, error under 1.5e-7. */
export function normal(x: number): number {
  const t = 1 / (1 + (0.3275911 * Math.abs(x)) / Math.SQRT2)
  const poly = t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))))
  const tail = (poly * Math.exp((-x * x) / 2)) / 2
  return x >= 0 ? 1 - tail : tail
}
