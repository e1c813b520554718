import { massNumber } from '@ostler/core'
import type { InstrumentReading, UnitHabits } from '@ostler/core'

/** A reading as a number in the unit of the workshop; empty where it shows none. */
export function readingNumber({ kind, value }: InstrumentReading, habits: UnitHabits): string {
  if (value === null) return ''
  if (kind === 'mass') return massNumber(value, habits, 0.1)
  return (habits.temperature === 'F' ? value * 1.8 + 32 : value).toFixed(1)
}
