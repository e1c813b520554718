import { solveSymmetric } from '../look/colour/index.ts'

/** Whether the asked factor goes with something else that varies among the samples. */

/** A column of what varies: numbers, or names of kinds. */
export interface Factor {
  name: string
  values: readonly (number | string)[]
}

/** From which shares that others explain it is called so. */
const LIMITS = { partly: 0.1, mixed: 0.5, same: 0.999 } as const

export interface Confounded {
  /** Share of the asked factor that others explain, 0…1. */
  share: number
  verdict: 'clean' | 'partly' | 'mixed up' | 'cannot be told apart'
  /** With which it goes most: its name; empty where it goes with none. */
  most: string
}

const mean = (list: readonly number[]): number => list.reduce((sum, x) => sum + x, 0) / list.length
const centred = (list: readonly number[]): number[] => list.map(x => x - mean(list))
const dot = (a: readonly number[], b: readonly number[]): number => a.reduce((sum, x, i) => sum + x * b[i]!, 0)
const varies = (list: readonly number[]): boolean => dot(centred(list), centred(list)) > 1e-12

/** A factor as columns of numbers: of kinds one for each but the first. */
function columnsOf({ values }: Factor): number[][] {
  const numbers = values.filter((value): value is number => typeof value === 'number')
  if (numbers.length === values.length) return [numbers]
  const kinds = [...new Set(values)]
  return kinds.slice(1).map(kind => values.map(value => (value === kind ? 1 : 0)))
}

/** Columns of equal size that none of the ones before make up: the others say nothing new. */
function independent(columns: readonly number[][]): number[][] {
  const kept: number[][] = []
  for (const column of columns) {
    const own = kept.reduce((rest, one) => {
      const share = dot(rest, one)
      return rest.map((x, i) => x - share * one[i]!)
    }, column)
    const size = Math.sqrt(dot(own, own))
    if (size > 1e-9 * Math.max(1, Math.sqrt(dot(column, column)))) kept.push(own.map(x => x / size))
  }
  return kept
}

/** Share of a column that others explain, by least squares; they are made free of units first. */
function explained(column: readonly number[], others: readonly number[][]): number {
  const y = centred(column)
  const all = dot(y, y)
  const xs = independent(
    others
      .filter(varies)
      .map(centred)
      .map(one => one.map(x => x / Math.sqrt(dot(one, one)))),
  )
  if (all <= 0 || xs.length === 0) return 0
  const by = solveSymmetric(
    xs.map(a => xs.map(b => dot(a, b))),
    xs.map(x => dot(x, y)),
  )
  return by ? Math.min(1, Math.max(0, by.reduce((sum, share, i) => sum + share * dot(xs[i]!, y), 0) / all)) : 0
}

const worst = (asked: Factor, others: readonly number[][]): number =>
  Math.max(
    0,
    ...columnsOf(asked)
      .filter(varies)
      .map(column => explained(column, others)),
  )

const verdictOf = (share: number): Confounded['verdict'] =>
  share > LIMITS.same
    ? 'cannot be told apart'
    : share > LIMITS.mixed
      ? 'mixed up'
      : share > LIMITS.partly
        ? 'partly'
        : 'clean'

/** How much of the asked factor others explain, alone or together. */
export function confounded(asked: Factor, others: readonly Factor[]): Confounded {
  const alone = others.map(other => ({ name: other.name, share: worst(asked, columnsOf(other)) }))
  const together = worst(asked, others.flatMap(columnsOf))
  const most = alone.reduce((a, b) => (b.share > a.share ? b : a), { name: '', share: LIMITS.partly })
  const share = Math.max(together, ...alone.map(one => one.share), 0)
  return { share, verdict: verdictOf(share), most: most.name }
}
