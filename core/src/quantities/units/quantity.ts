import { fact, keepingZeros, plain } from '../facts/index.ts'
import type { Fact } from '../facts/index.ts'
import { plainDigits, readNumber } from './number.ts'
import type { DecimalMark } from './number.ts'

/**
 * Reading quantities as people type them: "57g", "2 oz", "1 1/2 in", "3,5", "95 F", "1 lb 4 oz".
 * Every quantity has one unit inside (g, mm, °C, ml, min, share of 1); the text may use any of its units.
 */

export type QuantityKind =
  | 'mass'
  | 'length'
  | 'temperature'
  | 'difference'
  | 'volume'
  | 'share'
  | 'minutes'
  | 'dose'
  | 'density'
  | 'plain'

export type ReadResult = { ok: true; value: number } | { ok: false; sentence: Fact }

interface Unit {
  names: readonly string[]
  /** Converts a number in this unit to the unit kept inside. */
  toInside: (n: number) => number
}

const times = (factor: number) => (n: number) => n * factor

/** Grams in an avoirdupois ounce and pound, exact by definition (international pound, 1959). */
export const GRAMS_PER_OUNCE = 28.349523125
export const GRAMS_PER_POUND = 16 * GRAMS_PER_OUNCE
/** Millimetres in an inch, exact by definition. */
export const MM_PER_INCH = 25.4

const UNITS: Record<QuantityKind, readonly Unit[]> = {
  mass: [
    { names: ['g', 'gram', 'grams', 'gr'], toInside: times(1) },
    { names: ['kg', 'kilo', 'kilos'], toInside: times(1000) },
    { names: ['mg'], toInside: times(0.001) },
    { names: ['oz', 'ounce', 'ounces'], toInside: times(GRAMS_PER_OUNCE) },
    { names: ['lb', 'lbs', 'pound', 'pounds'], toInside: times(GRAMS_PER_POUND) },
  ],
  length: [
    { names: ['mm'], toInside: times(1) },
    { names: ['cm'], toInside: times(10) },
    { names: ['m'], toInside: times(1000) },
    { names: ['in', 'inch', 'inches', '"', '″'], toInside: times(MM_PER_INCH) },
  ],
  temperature: [
    { names: ['c', '°c', 'degc', '°'], toInside: times(1) },
    { names: ['f', '°f', 'degf'], toInside: n => ((n - 32) * 5) / 9 },
  ],
  difference: [
    { names: ['k', 'c', '°c', 'degc', '°'], toInside: times(1) },
    { names: ['f', '°f', 'degf'], toInside: times(5 / 9) },
  ],
  volume: [
    { names: ['ml'], toInside: times(1) },
    { names: ['l', 'litre', 'litres', 'liter', 'liters'], toInside: times(1000) },
    { names: ['tsp'], toInside: times(5) },
    { names: ['tbsp'], toInside: times(15) },
    // Sixteen tablespoons; cups differ between countries by 5 %.
    { names: ['cup', 'cups'], toInside: times(240) },
    { names: ['floz'], toInside: times(29.5735295625) },
  ],
  share: [
    { names: ['%', 'percent', 'per cent'], toInside: times(0.01) },
    { names: ['of 1'], toInside: times(1) },
  ],
  minutes: [
    { names: ['min', 'mins', 'minute', 'minutes', "'"], toInside: times(1) },
    { names: ['s', 'sec', 'secs', 'seconds'], toInside: times(1 / 60) },
    { names: ['h', 'hour', 'hours'], toInside: times(60) },
  ],
  dose: [
    { names: ['g/kg'], toInside: times(1) },
    { names: ['%'], toInside: times(10) },
    { names: ['g/lb'], toInside: times(1000 / GRAMS_PER_POUND) },
    { names: ['oz/lb'], toInside: times(1000 / 16) },
    { names: ['oz/kg'], toInside: times(GRAMS_PER_OUNCE) },
  ],
  density: [
    { names: ['g/ml', 'kg/l', 'g/cm3'], toInside: times(1) },
    { names: ['kg/m3'], toInside: times(0.001) },
  ],
  plain: [{ names: [''], toInside: times(1) }],
}

const FRACTIONS: Record<string, string> = {
  '½': ' 1/2',
  '¼': ' 1/4',
  '¾': ' 3/4',
  '⅓': ' 1/3',
  '⅔': ' 2/3',
  '⅛': ' 1/8',
}

const EXAMPLES: Record<QuantityKind, string> = {
  mass: '“57 g” or “2 oz”',
  length: '“75 mm” or “3 in”',
  temperature: '“35 C” or “95 F”',
  difference: '“6 C” or “11 F”',
  volume: '“15 ml” or “1 1/2 tsp”',
  share: '5 %',
  minutes: '“2 min” or “90 s”',
  dose: '“4 g/kg” or “0.1 oz per lb”',
  density: '1.03',
  plain: '1.8',
}

const unitNamed = (kind: QuantityKind, name: string): Unit | undefined =>
  UNITS[kind].find(unit => unit.names.includes(name.toLowerCase().replace(/\.$/, '')))

/** Spoons or ml for a kg or lb of something, where the density of what is spooned is known. */
function doseOfVolume(name: string, densityGPerMl: number | undefined): Unit | undefined {
  const [spoon, per] = name.toLowerCase().split('/')
  const unit = densityGPerMl === undefined || !spoon ? undefined : unitNamed('volume', spoon)
  const perKg = per === 'kg' ? 1 : per === 'lb' ? 1000 / GRAMS_PER_POUND : null
  return unit && perKg !== null ? { names: [], toInside: n => unit.toInside(n) * densityGPerMl! * perKg } : undefined
}

/** A volume unit as a mass, where the density is known. */
function massOfVolume(name: string, densityGPerMl: number | undefined): Unit | undefined {
  const unit = densityGPerMl === undefined ? undefined : unitNamed('volume', name)
  return unit && { names: unit.names, toInside: n => unit.toInside(n) * densityGPerMl! }
}

const unitOfVolume = (kind: QuantityKind, name: string, densityGPerMl: number | undefined): Unit | undefined =>
  kind === 'mass' ? massOfVolume(name, densityGPerMl) : kind === 'dose' ? doseOfVolume(name, densityGPerMl) : undefined

function twoReadings(
  text: string,
  { either: [whole, decimal], raw }: { either: [number, number]; raw: string },
): ReadResult {
  const values = { typed: text.trim().slice(0, 40), whole, decimal: keepingZeros(plain(decimal, 1)), raw }
  return { ok: false, sentence: fact('units.two-ways', values) }
}

/**
 * Reads a quantity.
 *
 * @param text         what was typed
 * @param kind         which quantity is wanted
 * @param defaultUnit  the unit meant when none is typed, e.g. 'oz'; share: '%'
 * @param densityGPerMl  for a mass or dose: lets ml, tsp, tbsp and cups be typed, by the item's own density
 * @param marks        what a comma between digits means where it was typed
 * @returns the value in the unit kept inside (g, mm, °C, ml, min, share of 1, g/kg, g/ml), or a sentence
 */
export function readQuantity(
  text: string,
  kind: QuantityKind,
  defaultUnit: string,
  densityGPerMl?: number,
  marks: DecimalMark = 'unknown',
): ReadResult {
  const cleaned = plainDigits(text.replace(/[½¼¾⅓⅔⅛]/g, mark => FRACTIONS[mark] ?? mark))
    .replace(/(?<=[a-z])\s+(?:per|a)\s+(?=kg|lb)/gi, '/')
    .trim()
  if (cleaned === '') return { ok: false, sentence: fact('units.nothing-typed', { examples: fact(EXAMPLES[kind]) }) }
  let rest = cleaned
  let total = 0
  let parts = 0
  while (rest !== '') {
    const number = readNumber(rest, marks)
    if (number && 'either' in number) return twoReadings(text, number)
    if (!number)
      return {
        ok: false,
        sentence: fact('units.no-number', { typed: text.trim().slice(0, 40), examples: fact(EXAMPLES[kind]) }),
      }
    const unitText = /^[^\d\s.,+−-][^\d\s]*(?:\s+1$)?/.exec(number.rest)?.[0] ?? ''
    const name = unitText === '' ? defaultUnit : unitText
    const unit = unitNamed(kind, name) ?? unitOfVolume(kind, name, densityGPerMl)
    if (!unit) {
      return {
        ok: false,
        sentence: fact('units.no-unit', { typed: unitText.slice(0, 20), examples: fact(EXAMPLES[kind]) }),
      }
    }
    total += unit.toInside(number.value)
    rest = number.rest.slice(unitText.length).trim()
    parts += 1
    if (rest !== '' && (kind !== 'mass' || parts > 1 || unitText === '')) {
      return {
        ok: false,
        sentence: fact('units.not-clear', { typed: text.trim().slice(0, 40), examples: fact(EXAMPLES[kind]) }),
      }
    }
  }
  if (!Number.isFinite(total))
    return { ok: false, sentence: fact('units.too-large', { examples: fact(EXAMPLES[kind]) }) }
  // Twelve digits: 70 % is 0.7, not 0.7000000000000001.
  return { ok: true, value: Number(total.toPrecision(12)) }
}
