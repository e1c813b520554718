import { inverseNormal } from './normal.ts'

/** A 32-bit mixing generator, 0…1: the same numbers for the same seed, on every machine. */
export function mixing(seed: number): () => number {
  let s = seed >>> 0
  return () => {
    s = (s + 0x6d2b79f5) >>> 0
    let x = Math.imul(s ^ (s >>> 15), 1 | s)
    x = (x + Math.imul(x ^ (x >>> 7), 61 | x)) ^ x
    return ((x ^ (x >>> 14)) >>> 0) / 2 ** 32
  }
}

const made = new Map<string, Float64Array>()

/**
 * Evenly spread numbers between 0 and 1, one from each of `count` equal strata, shuffled: the column of one dimension in a Latin
 * hypercube. Columns of different dimensions do not go with each other; the same dimension and count give the same column.
 */
export function latinColumn(dimension: number, count: number, seed = 0): Float64Array {
  const key = `${dimension} ${count} ${seed}`
  const known = made.get(key)
  if (known) return known
  const random = mixing(Math.imul(dimension + 1, 2_654_435_761) + count + Math.imul(seed, 40_503))
  const column = Float64Array.from({ length: count }, (_, i) => (i + 0.5) / count)
  for (let i = count - 1; i > 0; i -= 1) {
    const j = Math.floor(random() * (i + 1))
    const kept = column[i]!
    column[i] = column[j]!
    column[j] = kept
  }
  made.set(key, column)
  return column
}

/** The same as standard normal numbers. */
export function latinNormals(dimension: number, count: number, seed = 0): Float64Array {
  const key = `z ${dimension} ${count} ${seed}`
  const known = made.get(key)
  if (known) return known
  const column = latinColumn(dimension, count, seed).map(inverseNormal)
  made.set(key, column)
  return column
}
