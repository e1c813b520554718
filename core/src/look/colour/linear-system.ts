/** Lower factor of a symmetric positive definite matrix by Cholesky: rows of growing length. Null: it is not positive definite. */
export function lowerOf(matrix: readonly (readonly number[])[]): number[][] | null {
  const n = matrix.length
  const lower: number[][] = []
  for (let i = 0; i < n; i += 1) {
    const row: number[] = []
    for (let j = 0; j <= i; j += 1) {
      let sum = matrix[i]![j]!
      for (let k = 0; k < j; k += 1) sum -= row[k]! * (lower[j]?.[k] ?? row[k]!)
      if (j === i) {
        if (!(sum > 0)) return null
        row.push(Math.sqrt(sum))
      } else row.push(sum / lower[j]![j]!)
    }
    lower.push(row)
  }
  return lower
}

/** Solves L x = b for a lower factor. */
export function forwardSolve(lower: readonly (readonly number[])[], right: readonly number[]): number[] {
  const forward: number[] = []
  for (let i = 0; i < right.length; i += 1) {
    let sum = right[i]!
    for (let k = 0; k < i; k += 1) sum -= lower[i]![k]! * forward[k]!
    forward.push(sum / lower[i]![i]!)
  }
  return forward
}

/**
 * Solves A x = b for a symmetric positive definite A (rows of length n) by Cholesky.
 *
 * @returns null when A is not positive definite
 */
export function solveSymmetric(matrix: readonly (readonly number[])[], right: readonly number[]): number[] | null {
  const lower = lowerOf(matrix)
  if (!lower) return null
  const n = right.length
  const forward = forwardSolve(lower, right)
  const x = new Array<number>(n).fill(0)
  for (let i = n - 1; i >= 0; i -= 1) {
    let sum = forward[i]!
    for (let k = i + 1; k < n; k += 1) sum -= lower[k]![i]! * x[k]!
    x[i] = sum / lower[i]![i]!
  }
  return x
}

/** Inverse of a symmetric positive definite matrix; null: it is none. */
export function inverseOf(matrix: readonly (readonly number[])[]): number[][] | null {
  const columns = matrix.map((_, i) =>
    solveSymmetric(
      matrix,
      matrix.map((_row, j) => (i === j ? 1 : 0)),
    ),
  )
  return columns.every(column => column !== null) ? columns : null
}

/** Diagonal of the inverse of a symmetric positive definite matrix. */
export const inverseDiagonal = (matrix: readonly (readonly number[])[]): number[] | null =>
  inverseOf(matrix)?.map((column, i) => column[i]!) ?? null
