import { solveSymmetric } from './linear-system.ts'

/** Misses at some values of what is unknown, each in standard deviations. */
export type Misses = (p: readonly number[]) => readonly number[]

export interface LeastSquares {
  p: number[]
  /** Half the second derivative of the cost there: the inverse of the covariance. */
  matrix: number[][]
  /** Sum of squared misses. */
  cost: number
}

const ROUNDS = 60
const STEP = 1e-4
const ENOUGH = 1e-7
const DAMPING = { first: 1e-3, better: 0.3, worse: 5, most: 1e8 } as const

const squares = (rows: readonly number[]): number => rows.reduce((sum, row) => sum + row * row, 0)

function normal(misses: Misses, p: readonly number[]) {
  const rows = misses(p)
  const columns = p.map((_, j) => {
    const up = misses(p.map((value, i) => (i === j ? value + STEP : value)))
    return up.map((value, n) => (value - rows[n]!) / STEP)
  })
  const matrix = columns.map(a => columns.map(b => a.reduce((sum, x, n) => sum + x * b[n]!, 0)))
  const gradient = columns.map(column => column.reduce((sum, x, n) => sum + x * rows[n]!, 0))
  return { matrix, gradient }
}

/** Values with the least squared misses, by damped Gauss-Newton. @param start where it begins */
export function leastSquares(misses: Misses, start: readonly number[]): LeastSquares {
  let p = [...start]
  let damping: number = DAMPING.first
  let cost = squares(misses(p))
  for (let round = 0; round < ROUNDS; round += 1) {
    const { matrix, gradient } = normal(misses, p)
    const damped = matrix.map((row, i) => row.map((x, j) => (i === j ? x * (1 + damping) : x)))
    const move = solveSymmetric(
      damped,
      gradient.map(g => -g),
    )
    if (!move) break
    const next = p.map((value, j) => value + move[j]!)
    const nextCost = squares(misses(next))
    if (nextCost < cost) {
      p = next
      cost = nextCost
      damping *= DAMPING.better
      if (Math.max(...move.map(Math.abs)) < ENOUGH) break
    } else {
      damping *= DAMPING.worse
      if (damping > DAMPING.most) break
    }
  }
  return { p, cost, matrix: normal(misses, p).matrix }
}
