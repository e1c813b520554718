import { isFact, isMeasure } from '../facts/index.ts'
import type { Fact, FactList, FactValue, MeasureKind } from '../facts/index.ts'
import { IntlMessageFormat } from 'intl-messageformat'
import { METRIC, chanceWords, marked } from '../units/index.ts'
import type { UnitHabits } from '../units/index.ts'
import { EN } from './en/index.ts'
import { inHabit, showMeasure } from './measures.ts'

/** Every message of one language by its id. A sentence that belongs to a field has itself for an id. */
export interface Catalogue {
  language: string
  messages: Readonly<Record<string, string>>
}

export const ENGLISH: Catalogue = { language: 'en', messages: EN }

/** A fixed quantity in a message, in brackets: "[60 °C]", "[5 to 200 mm]", "[10–15 K]"; with a decimal point in every language. */
const FIXED = /\[(?:([-−]?[\d.,]+)( \p{L}+ |–))?([-−]?[\d.,]+) (kg|g|°C|K|mm)\]/gu
const KINDS: Readonly<Record<string, MeasureKind>> = { kg: 'kg', g: 'g', '°C': 'C', K: 'K', mm: 'mm' }
const read = (text: string): number => Number(text.replace('−', '-').replace(/,/g, ''))

function withFixed(message: string, habits: UnitHabits): string {
  return message.replace(FIXED, (_, first: string | undefined, joint: string, last: string, unit: string) => {
    const shown = (text: string) => {
      const { number, unit: of } = inHabit({ is: KINDS[unit]!, value: read(text) }, habits)
      return { number: number.replace('-', '−'), unit: of }
    }
    const end = shown(last)
    return `${first === undefined ? '' : `${shown(first).number}${joint}`}${end.number} ${end.unit}`
  })
}

/** A number that a model has rounded in its own way: "5.25 %". */
const BARE_NUMBER = /^[-−]?\d+\.\d+( %)?$/

const parsed = new Map<string, IntlMessageFormat>()

/** Messages are read once for each language and choice of units. */
function formatOf(message: string, language: string, habits: UnitHabits): IntlMessageFormat {
  const key = `${language} ${habits.mass} ${habits.temperature} ${habits.length} ${habits.decimal ?? ''} ${message}`
  const known = parsed.get(key)
  if (known) return known
  const made = new IntlMessageFormat(withFixed(message, habits), language, undefined, { ignoreTag: true })
  parsed.set(key, made)
  return made
}

/**
 * A fact in words, with quantities in the units that the workshop likes. A name that somebody typed stays as it is.
 *
 * @throws when a message lacks a value that it names: a slip of ours, found by the tests
 */
export function say(value: FactValue, habits: UnitHabits = METRIC, catalogue: Catalogue = ENGLISH): string {
  if (typeof value === 'string') return BARE_NUMBER.test(value) ? marked(value, habits) : value
  if (typeof value === 'number') return marked(String(value), habits)
  if (isFact(value)) return sayFact(value, habits, catalogue)
  if (isMeasure(value)) {
    if (value.is !== 'chance') return showMeasure(value, habits)
    const { words, percent } = chanceWords(value.value)
    return sayFact({ fact: words, values: { percent } }, habits, catalogue)
  }
  return sayList(value, habits, catalogue)
}

function sayList(of: FactList, habits: UnitHabits, catalogue: Catalogue): string {
  const parts = of.list.map(one => say(one, habits, catalogue)).filter(part => part !== '')
  const clauses = of.unstopped ? parts.map(part => part.replace(/\.$/, '')) : parts
  const row = of.joint === undefined ? listed(clauses, of.isChoice === true, catalogue) : clauses.join(of.joint)
  return of.opens ? row.charAt(0).toLocaleUpperCase(catalogue.language) + row.slice(1) : row
}

/** English without a comma before "and". */
function listed(parts: readonly string[], isChoice: boolean, { language }: Catalogue): string {
  const type = isChoice ? 'disjunction' : 'conjunction'
  const key = `${language} ${type}`
  const format = lists.get(key) ?? new Intl.ListFormat(language === 'en' ? 'en-GB' : language, { type })
  lists.set(key, format)
  return format.format(parts)
}

/** Kept once made: making one takes longer than using it. */
const lists = new Map<string, Intl.ListFormat>()

function sayFact({ fact, values = {} }: Fact, habits: UnitHabits, catalogue: Catalogue): string {
  const message = catalogue.messages[fact] ?? ENGLISH.messages[fact] ?? fact
  const inWords = Object.entries(values).map(([name, value]) => [
    name,
    typeof value === 'number' && Number.isInteger(value) ? value : say(value, habits, catalogue),
  ])
  return formatOf(message, catalogue.language, habits).format(
    Object.fromEntries(inWords) as Record<string, string | number>,
  ) as string
}

/** The same result with every fact in it said: for a file or a terminal. */
export function said<T>(value: T, habits: UnitHabits = METRIC, catalogue: Catalogue = ENGLISH): unknown {
  if (isFact(value) || isMeasure(value)) return say(value, habits, catalogue)
  if (Array.isArray(value)) return value.map(one => said(one, habits, catalogue))
  if (typeof value !== 'object' || value === null) return value
  return Object.fromEntries(Object.entries(value).map(([key, one]) => [key, said(one, habits, catalogue)]))
}
