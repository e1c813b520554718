/**
 * Solves A x = b for a symmetric positive definite A (rows of length n) by Cholesky.
 *
 * @returns null when A is not positive definite
 */
export function solveSymmetric(matrix: readonly (readonly number[])[], right: readonly number[]): number[] | null {
  const n = right.length
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
  const forward: number[] = []
  for (let i = 0; i < n; i += 1) {
    let sum = right[i]!
    for (let k = 0; k < i; k += 1) sum -= lower[i]![k]! * forward[k]!
    forward.push(sum / lower[i]![i]!)
  }
  const x = new Array<number>(n).fill(0)
  for (let i = n - 1; i >= 0; i -= 1) {
    let sum = forward[i]!
    for (let k = i + 1; k < n; k += 1) sum -= lower[k]![i]! * x[k]!
    x[i] = sum / lower[i]![i]!
  }
  return x
}

/** Diagonal of the inverse of a symmetric positive definite matrix. */
export function inverseDiagonal(matrix: readonly (readonly number[])[]): number[] | null {
  const n = matrix.length
  const found: number[] = []
  for (let i = 0; i < n; i += 1) {
    const unit = Array.from({ length: n }, (_, j) => (i === j ? 1 : 0))
    const column = solveSymmetric(matrix, unit)
    if (!column) return null
    found.push(column[i]!)
  }
  return found
}
