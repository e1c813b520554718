import * as core from '@ostler/core'
import type { FactValue, UnitHabits } from '@ostler/core'
import { catalogue } from './language.ts'
import { decimalMark } from './marks.ts'

const marks = new WeakMap<UnitHabits, UnitHabits>()

/** Units as the workshop likes them, with the decimal mark of this browser. The same units give the same object. */
export function markedHere(habits: UnitHabits): UnitHabits {
  const known = marks.get(habits)
  if (known) return known
  const made: UnitHabits = { ...habits, decimal: decimalMark() === 'comma' ? 'comma' : 'point' }
  marks.set(habits, made)
  return made
}

/** A fact in words, in the language and with the decimal mark of this browser. */
export const say = (value: FactValue, habits: UnitHabits = core.METRIC): string =>
  core.say(value, markedHere(habits), catalogue())
