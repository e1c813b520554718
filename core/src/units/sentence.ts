import { tidy } from './format.ts'
import type { UnitHabits } from './format.ts'
import { GRAMS_PER_OUNCE, GRAMS_PER_POUND, MM_PER_INCH } from './quantity.ts'

interface Rewriting {
  /** The unit in a sentence, and the words after it that make it part of another one, such as "g per kg". */
  unit: RegExp
  to: string
  convert: (value: number) => string
}

const ounces = (g: number): string => tidy(g / GRAMS_PER_OUNCE, Math.abs(g) < 30 ? 3 : 2)

const MASS: readonly Rewriting[] = [
  { unit: /kg(?![\w/]| of | per)/, to: 'lb', convert: kg => tidy((kg * 1000) / GRAMS_PER_POUND, 1) },
  { unit: /g(?![\w/]| per | steps)/, to: 'oz', convert: ounces },
  { unit: /g(?= steps)/, to: 'oz', convert: g => tidy(g / GRAMS_PER_OUNCE, 4) },
]
const TEMPERATURE: readonly Rewriting[] = [
  { unit: /°C/, to: '°F', convert: c => tidy((c * 9) / 5 + 32, 0) },
  { unit: /K\b/, to: '°F', convert: k => tidy(k * 1.8, 0) },
]
/** Makers of both kinds of thermometer speak of degrees. */
const DIFFERENCE: Rewriting = { unit: /K\b/, to: '°C', convert: k => tidy(k, 1) }
const LENGTH: readonly Rewriting[] = [{ unit: /mm\b/, to: 'in', convert: mm => tidy(mm / MM_PER_INCH, 2) }]

/** Thousands may be set off by commas; digits that belong to a longer word or number are none. */
const NUMBER = '(?<![\\d.,\\w])[-−]?(?:\\d{1,3}(?:,\\d{3})+|\\d+)(?:\\.\\d+)?'
const read = (text: string): number => Number(text.replace('−', '-').replace(/,/g, ''))

/** What people typed or named stands in quotes and stays as they wrote it. */
const QUOTED = /(“[^”]*”)/

/** "20 to 60 °C", "20–60 °C" and "34 °C": the number before a unit, and the one that shares it. */
function rewrite(sentence: string, { unit, to, convert }: Rewriting): string {
  const pattern = new RegExp(`(?:(${NUMBER})( to | and | or |–))?(${NUMBER}) ${unit.source}`, 'g')
  return sentence.replace(pattern, (_, first: string | undefined, joint: string, last: string) => {
    const lead = first === undefined ? '' : `${convert(read(first))}${joint}`
    return `${lead}${convert(read(last))} ${to}`
  })
}

/**
 * A sentence of advice in the units that the workshop likes. The core speaks in g, °C and mm; doses per kg, percentages and
 * millilitres stay as they are.
 */
export function inUnits(sentence: string, habits: UnitHabits): string {
  const rewritings = [
    ...(habits.mass === 'oz' ? MASS : []),
    ...(habits.temperature === 'F' ? TEMPERATURE : [DIFFERENCE]),
    ...(habits.length === 'in' ? LENGTH : []),
  ]
  return sentence
    .split(QUOTED)
    .map((part, i) => (i % 2 === 1 ? part : rewritings.reduce(rewrite, part)))
    .join('')
}
