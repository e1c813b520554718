import { normal } from './normal.ts'

/** Below and above what a band holds: four of five. */
export const BAND = { low: 0.1, middle: 0.5, high: 0.9 } as const

/** What four of five runs lie within, and the middle. */
export interface Band {
  low: number
  middle: number
  high: number
}

const ROUNDS = 50

/** The value below which a share of a mixture of normals lies: equal weights, one spread. */
export function mixtureQuantile(values: readonly number[], sd: number, share: number): number {
  let low = Math.min(...values) - 6 * sd
  let high = Math.max(...values) + 6 * sd
  for (let round = 0; round < ROUNDS; round += 1) {
    const mid = (low + high) / 2
    const below = values.reduce((sum, value) => sum + normal((mid - value) / sd), 0) / values.length
    if (below < share) low = mid
    else high = mid
  }
  return (low + high) / 2
}

/** The band of runs, each with the model's own error about it. */
export const mixtureBand = (values: readonly number[], sd: number): Band => ({
  low: mixtureQuantile(values, sd, BAND.low),
  middle: mixtureQuantile(values, sd, BAND.middle),
  high: mixtureQuantile(values, sd, BAND.high),
})

/** The same of times, whose error is a share of them: worked in their logarithms. */
export function timeBand(values: readonly number[], lnSd: number): Band {
  const { low, middle, high } = mixtureBand(
    values.map(value => Math.log(Math.max(1e-6, value))),
    lnSd,
  )
  return { low: Math.exp(low), middle: Math.exp(middle), high: Math.exp(high) }
}

/** Pearson's correlation of two columns. */
export function correlation(a: ArrayLike<number>, b: ArrayLike<number>): number {
  const n = a.length
  const mean = (list: ArrayLike<number>) => Array.from(list).reduce((sum, x) => sum + x, 0) / n
  const [ma, mb] = [mean(a), mean(b)]
  let ab = 0
  let aa = 0
  let bb = 0
  for (let i = 0; i < n; i += 1) {
    const [x, y] = [a[i]! - ma, b[i]! - mb]
    ab += x * y
    aa += x * x
    bb += y * y
  }
  return aa > 0 && bb > 0 ? ab / Math.sqrt(aa * bb) : 0
}

/** Places of a column's values in their order, 0 for the least. */
export function ranksOf(values: readonly number[]): number[] {
  const order = values.map((_, i) => i).sort((a, b) => values[a]! - values[b]!)
  const ranks = new Array<number>(values.length)
  order.forEach((i, place) => (ranks[i] = place))
  return ranks
}
