import type { DecimalMark } from '@ostler/core'

/** What a comma between digits means in the language of this browser. */
export function decimalMark(): DecimalMark {
  try {
    const decimal = new Intl.NumberFormat().formatToParts(1.5).find(part => part.type === 'decimal')?.value
    return decimal === '.' ? 'point' : decimal === ',' ? 'comma' : 'unknown'
  } catch {
    return 'unknown'
  }
}
