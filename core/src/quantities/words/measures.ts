import type { Measure } from '../facts/index.ts'
import { GRAMS_PER_OUNCE, GRAMS_PER_POUND, MM_PER_INCH, marked, showMinutes, tidy } from '../units/index.ts'
import type { UnitHabits } from '../units/index.ts'

/** A mass under this is shown to a thousandth of an ounce, g. */
const SMALL_G = 30

interface Shown {
  /** In the unit given, or as the workshop likes it. */
  number: string
  unit: string
}

/** Digits as the one who measured wants them: so many decimals, or as many as the number has. */
const digits = ({ value, decimals, keepsZeros }: Measure): string =>
  decimals === undefined ? String(value) : keepsZeros ? value.toFixed(decimals) : tidy(value, decimals)

const ounces = (g: number, decimals: number | undefined): string =>
  tidy(g / GRAMS_PER_OUNCE, decimals ?? (Math.abs(g) < SMALL_G ? 3 : 2))

function massOf(measure: Measure, habits: UnitHabits): Shown {
  const { is, value } = measure
  if (habits.mass === 'g') return { number: digits(measure), unit: is }
  return is === 'kg'
    ? { number: tidy((value * 1000) / GRAMS_PER_POUND, 1), unit: 'lb' }
    : { number: ounces(value, undefined), unit: 'oz' }
}

function temperatureOf(measure: Measure, habits: UnitHabits): Shown {
  if (habits.temperature === 'C') return { number: digits(measure), unit: '°C' }
  const zero = measure.is === 'C' ? 32 : 0
  return { number: tidy(measure.value * 1.8 + zero, 0), unit: '°F' }
}

const lengthOf = (measure: Measure, habits: UnitHabits): Shown =>
  habits.length === 'mm'
    ? { number: digits(measure), unit: 'mm' }
    : { number: tidy(measure.value / MM_PER_INCH, 2), unit: 'in' }

function unmarked(measure: Measure, habits: UnitHabits): Shown {
  switch (measure.is) {
    case 'g':
    case 'kg':
      return massOf(measure, habits)
    case 'C':
    case 'K':
      return temperatureOf(measure, habits)
    case 'mm':
      return lengthOf(measure, habits)
    default:
      return { number: digits(measure), unit: '' }
  }
}

/** A quantity in the workshop’s unit, number and unit apart, so that a range can name the unit once. */
export function inHabit(measure: Measure, habits: UnitHabits): Shown {
  const { number, unit } = unmarked(measure, habits)
  return { number: marked(number, habits), unit }
}

/** A quantity as it stands in a sentence. Chances have words of their own: see `chanceWords`. */
export function showMeasure(measure: Measure, habits: UnitHabits): string {
  if (measure.is === 'minutes') return showMinutes(measure.value)
  if (measure.is === 'share') return marked(`${digits({ ...measure, value: measure.value * 100 })} %`, habits)
  const { number, unit } = inHabit(measure, habits)
  return unit === '' ? number : `${number} ${unit}`
}
