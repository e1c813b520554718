import type { InstrumentReading } from './reading.ts'

/** Readings from lines of text, such as scales and thermometers print them: "ST  123.4 g", "+0021.6 C". */

/** How an instrument writes its lines. Words count whatever their case, as words of their own. */
export interface LineFormat {
  /** What a number without a unit is in. */
  unit: LineUnit
  /** A line with this word is stable; empty: what stays the same for a while is. */
  stableWord: string
  /** A line with this word is not. */
  unstableWord: string
  /** A line with this word says that it is overloaded. */
  overWord: string
}

const GRAMS = { g: 1, kg: 1000, mg: 0.001, oz: 28.349523125, lb: 453.59237 } as const
const DEGREES = { c: (x: number) => x, f: (x: number) => (x - 32) / 1.8 } as const
type MassUnit = keyof typeof GRAMS
type DegreeUnit = keyof typeof DEGREES
export type LineUnit = MassUnit | DegreeUnit
export const LINE_UNITS: readonly LineUnit[] = ['g', 'kg', 'oz', 'lb', 'c', 'f']

export const USUAL_LINES: LineFormat = { unit: 'g', stableWord: '', unstableWord: '', overWord: 'over' }

const NUMBER = /(?<![\p{L}\d.,])([+-]?)\s*(\d+(?:[.,]\d+)?|[.,]\d+)\s*(°?)\s*(mg|kg|g|oz|lb|c|f)?(?![\p{L}\d])/iu
const LONGEST = 200

const hasWord = (line: string, word: string): boolean =>
  word !== '' &&
  line
    .toLowerCase()
    .split(/[^\p{L}\d]+/u)
    .includes(word.toLowerCase())

/** What a line says that is known to be stable or not; null where the format does not say. */
export type LineReading = Omit<InstrumentReading, 'isStable'> & { isStable: boolean | null }

/** Reads one line. Null where it holds no number, e.g. a heading. */
export function readingOfLine(text: string, format: LineFormat): LineReading | null {
  const line = text.slice(0, LONGEST).trim()
  const isDegrees = format.unit in DEGREES
  const kind = isDegrees ? 'temperature' : 'mass'
  if (hasWord(line, format.overWord)) return { kind, value: null, isStable: false, state: 'over' }
  const found = NUMBER.exec(line)
  if (!found) return null
  const [, sign, digits, , written] = found
  const unit = (written?.toLowerCase() ?? format.unit) as LineUnit
  const number = Number(`${sign}${digits!.replace(',', '.')}`)
  if (!Number.isFinite(number)) return null
  const isStable = hasWord(line, format.unstableWord)
    ? false
    : format.stableWord === ''
      ? null
      : hasWord(line, format.stableWord)
  return unit in DEGREES
    ? { kind: 'temperature', value: DEGREES[unit as DegreeUnit](number), isStable, state: 'shows' }
    : { kind: 'mass', value: number * GRAMS[unit as MassUnit], isStable, state: 'shows' }
}

/** Cuts what comes in pieces into lines; what is not ended yet waits, up to a length that no line has. */
export class Lines {
  #rest = ''

  told(piece: string): string[] {
    const parts = (this.#rest + piece).split(/\r\n|\n|\r/)
    this.#rest = (parts.pop() ?? '').slice(-LONGEST)
    return parts.filter(line => line.trim() !== '')
  }
}
