import type { Words } from '../facts/index.ts'
/** A computed number with the way it came about, so that a screen can open it. */
export interface Working {
  /** What the number is, e.g. "Lye to weigh". */
  title: Words
  value: number
  unit: string
  /** The formula in words and signs. */
  formula: Words
  /** The values that went in, in the order of the formula. */
  inputs: readonly { name: string; value: number; unit: string }[]
  /** Where the constants come from, and how far to trust them. */
  source: Words
}
