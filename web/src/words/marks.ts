import type { DecimalMark } from '@ostler/core'
import { tellingSettings } from './settings.ts'

/** What a comma between digits means where this browser is at home, or as it was set. */
export function decimalMark(): DecimalMark {
  const { decimal: chosen } = tellingSettings()
  return chosen === '' ? (home ??= markAtHome()) : chosen
}

/** Asked once: to ask it for every number that a page shows took longer than all else of showing it. */
let home: DecimalMark | undefined

function markAtHome(): DecimalMark {
  try {
    const decimal = new Intl.NumberFormat().formatToParts(1.5).find(part => part.type === 'decimal')?.value
    return decimal === '.' ? 'point' : decimal === ',' ? 'comma' : 'unknown'
  } catch {
    return 'unknown'
  }
}

export const marked = (digits: string): string => (decimalMark() === 'comma' ? digits.replace('.', ',') : digits)
