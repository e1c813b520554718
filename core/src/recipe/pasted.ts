import { GRAMS_PER_OUNCE, GRAMS_PER_POUND } from '../quantities/units/index.ts'
import type { Oil, Shelf } from '../shelf/index.ts'

/** A recipe as people have it, as lines of text or rows of a sheet, taken apart line by line; every doubt is left to the reader. */

/** What a line is about. */
export type PastedAs = 'oil' | 'lye' | 'potash' | 'water' | 'nothing'

export interface PastedLine {
  text: string
  as: PastedAs
  /** Id of the oil; empty: none is like it. */
  oil: string
  /** g, or a share of the oils where `isShare`; null: no amount stands there. */
  amount: number | null
  isShare: boolean
  /** It is a guess: the name is only alike, or a line of something that this takes no notice of. */
  isDoubtful: boolean
}

/** Lines of one recipe that are looked at. */
export const MOST_PASTED = 200

const G_PER: Readonly<Record<string, number>> = {
  g: 1,
  gr: 1,
  gram: 1,
  grams: 1,
  gramm: 1,
  kg: 1000,
  kilo: 1000,
  mg: 0.001,
  oz: GRAMS_PER_OUNCE,
  ounce: GRAMS_PER_OUNCE,
  ounces: GRAMS_PER_OUNCE,
  lb: GRAMS_PER_POUND,
  lbs: GRAMS_PER_POUND,
  pound: GRAMS_PER_POUND,
  pounds: GRAMS_PER_POUND,
  ml: 1,
  l: 1000,
}

const AMOUNT = /(\d[\d.,' ]*\d|\d)\s*(%|[a-zA-Z]+)?/g

/**
 * A number however it is written: of two marks the last is the decimal one, a mark before three digits groups them where another
 * such group or a decimal follows.
 */
export function numberWritten(text: string): number | null {
  const bare = text.replace(/[\s']/g, '')
  const [commas, points] = [bare.split(',').length - 1, bare.split('.').length - 1]
  if (commas > 0 && points > 0) {
    const decimal = bare.lastIndexOf(',') > bare.lastIndexOf('.') ? ',' : '.'
    const other = decimal === ',' ? '.' : ','
    const value = Number(bare.replaceAll(other, '').replace(decimal, '.'))
    return Number.isFinite(value) ? value : null
  }
  const mark = commas > 0 ? ',' : '.'
  const value = Number(commas + points > 1 ? bare.replaceAll(mark, '') : bare.replace(',', '.'))
  return Number.isFinite(value) ? value : null
}

interface Amount {
  value: number
  isShare: boolean
  hasUnit: boolean
}

/** Amounts of a line, those with a unit first. */
function amountsIn(text: string): Amount[] {
  const found = [...text.matchAll(AMOUNT)].flatMap(([, digits, unit = '']): Amount[] => {
    const value = numberWritten(digits!)
    if (value === null || value < 0) return []
    if (unit === '%') return [{ value: value / 100, isShare: true, hasUnit: true }]
    const factor = G_PER[unit.toLowerCase()]
    return [{ value: value * (factor ?? 1), isShare: false, hasUnit: factor !== undefined }]
  })
  return found.sort((a, b) => Number(b.hasUnit) - Number(a.hasUnit) || Number(a.isShare) - Number(b.isShare))
}

const EMPTY_WORDS = new Set(
  'oil oils butter fat the of and or pure organic refined unrefined virgin extra cold pressed raw natural soap grade bio kg g gr grams gram oz lb lbs ml l'.split(
    ' ',
  ),
)

const wordsOf = (text: string): string[] =>
  text
    .normalize('NFKD')
    .toLowerCase()
    .replace(/\([^)]*\)/g, ' ')
    .split(/[^a-z]+/)
    .filter(word => word.length > 1 && !EMPTY_WORDS.has(word))

/** How much two sets of words share, 0…1. */
function likeness(a: readonly string[], b: readonly string[]): number {
  const shared = a.filter(word => b.some(other => other === word || (word.length > 4 && other.startsWith(word))))
  return a.length + b.length === 0 ? 0 : (2 * shared.length) / (a.length + b.length)
}

const ALIKE = { sure: 0.66, maybe: 0.3 } as const
/** Words that tell kinds of one oil apart: a line without them means the plain kind, one with them no other. */
const KINDS = ['high', 'oleic', 'fractionated', 'hydrogenated', 'kernel', 'pomace', 'acid']

/** The oil that a line names, if one is like it. */
function oilIn(
  words: readonly string[],
  oils: readonly Oil[],
): { oil: Oil; likeness: number; isAlone: boolean } | null {
  const scored = oils
    .map(oil => {
      const own = wordsOf(oil.name)
      const apart = KINDS.filter(kind => words.includes(kind) !== own.includes(kind)).length
      return { oil, likeness: likeness(words, own) - 0.15 * apart }
    })
    .sort((a, b) => b.likeness - a.likeness || a.oil.name.length - b.oil.name.length)
  const [best, second] = scored
  if (!best || best.likeness < ALIKE.maybe) return null
  return { ...best, isAlone: !second || second.likeness < best.likeness - 0.05 }
}

const LYE = /\b(?:naoh|lye|caustic|sodium hydroxide|natron|natriumhydroxid)\b/i
const POTASH = /\b(?:koh|potassium hydroxide|potash|kaliumhydroxid)\b/i
const WATER = /\b(?:water|aqua|wasser|distilled)\b/i
/** Sums and settings of a sheet, and what is no oil: such lines are left out. */
const NO_OIL =
  /\b(?:total|sum|superfat|discount|ratio|batch|fragrance|essential|perfume|parfum|mica|clay|salt|sugar|lactate|colou?rant)\b/i

function lineOf(text: string, oils: readonly Oil[]): PastedLine {
  const [amount] = amountsIn(text)
  const of = { text, oil: '', amount: amount?.value ?? null, isShare: amount?.isShare ?? false }
  if (POTASH.test(text)) return { ...of, as: 'potash', isDoubtful: true }
  if (LYE.test(text)) return { ...of, as: 'lye', isDoubtful: of.isShare || !amount?.hasUnit }
  if (WATER.test(text)) return { ...of, as: 'water', isDoubtful: of.isShare || !amount?.hasUnit }
  const words = wordsOf(text.replace(AMOUNT, ' '))
  const found = NO_OIL.test(text) || words.length === 0 ? null : oilIn(words, oils)
  if (!found || of.amount === null) return { ...of, as: 'nothing', isDoubtful: of.amount !== null && words.length > 0 }
  const isSure = found.likeness >= ALIKE.sure && found.isAlone && amount!.hasUnit
  return { ...of, as: 'oil', oil: found.oil.id, isDoubtful: !isSure }
}

/** Lines of a text or rows of a sheet (cells parted by tabs or semicolons), each with what it seems to be. */
export function pastedLines(text: string, shelf: Pick<Shelf, 'oils'>): PastedLine[] {
  const oils = shelf.oils.filter(({ archived }) => !archived)
  const lines = text
    .split(/\r?\n/)
    .map(line => line.replace(/[\t;|]+/g, '  ').trim())
    .filter(line => line !== '')
    .slice(0, MOST_PASTED)
    .map(line => lineOf(line.slice(0, 200), oils))
  // An oil that stands there twice is asked about.
  return lines.map((line, i) => {
    const isTwice = line.as === 'oil' && lines.some((other, j) => j < i && other.as === 'oil' && other.oil === line.oil)
    return isTwice ? { ...line, isDoubtful: true } : line
  })
}
