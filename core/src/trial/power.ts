import { differenceVariance } from './noise.ts'
import type { ReadingWay } from './noise.ts'

/** How small a difference a trial would see, said before anything is made. */

/**
 * Standard deviations of a difference that are seen four times in five, at a false rate of 10 % over all samples of a trial; by samples
 * compared at once, and by how often each is made. Worked out from t and F with 12 + 3 + 3 N (k − 1) degrees of freedom.
 */
const AT_ONCE = [1, 4, 8] as const
const TIMES = [1, 3, 6] as const
const SEEN = {
  known: [
    [2.6, 2.57, 2.51],
    [3.32, 3.18, 3.13],
    [3.74, 3.42, 3.34],
  ],
  any: [
    [3.28, 3.14, 3.14],
    [4.12, 3.82, 3.72],
    [4.53, 3.99, 3.92],
  ],
} as const

export type Direction = keyof typeof SEEN

/** Between two points of a scale, as a place among them; at its ends it stays there. */
function placeIn(points: readonly number[], x: number): { i: number; share: number } {
  const i = Math.max(
    0,
    Math.min(
      points.length - 2,
      points.findLastIndex(point => point <= x),
    ),
  )
  const share = Math.log(x / points[i]!) / Math.log(points[i + 1]! / points[i]!)
  return { i, share: Math.min(1, Math.max(0, share)) }
}

/** Standard deviations of a difference that a trial would see. @param samples compared at once @param times each is made */
export function seenSds(samples: number, times: number, direction: Direction): number {
  const [n, k] = [placeIn(AT_ONCE, Math.max(1, samples)), placeIn(TIMES, Math.max(1, times))]
  const table = SEEN[direction]
  const row = (i: number) => table[i]![k.i]! * (1 - k.share) + table[i]![k.i + 1]! * k.share
  return row(n.i) * (1 - n.share) + row(n.i + 1) * n.share
}

export interface TrialDesign {
  way: ReadingWay
  /** Photographs of each age. */
  photos: number
  samples: number
  /** How often each sample is made. */
  times: number
  blanks: number
  direction: Direction
}

/** The least difference in lightness that a trial would see four times in five, Lab units. */
export function leastSeen({ way, photos, samples, times, blanks, direction }: TrialDesign): number {
  return seenSds(samples, times, direction) * Math.sqrt(differenceVariance(way, photos, times, blanks)[0])
}

const MOST_TIMES = 6

/** How often each sample has to be made to see a difference; null: no number of repeats does, only more blanks or a meter. */
export function timesToSee(difference: number, design: Omit<TrialDesign, 'times'>): number | null {
  for (let times = 1; times <= MOST_TIMES; times += 1) if (leastSeen({ ...design, times }) <= difference) return times
  return null
}

/** Blanks that serve best: as many as the root of the samples, times how often each is made; at least two. */
export const bestBlanks = (samples: number, times: number): number =>
  Math.max(2, Math.round(Math.sqrt(samples) * times))
