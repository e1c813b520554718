/**
 * Reading a number at the start of a text, as people of several countries type it: "1.5", "1,5", "1 1/2", "1,200.5", "1 200",
 * with digits of any script. Where a number can be read two ways, both readings are given.
 */

/** What a comma between digits means where somebody lives; unknown: it may be either. */
export type DecimalMark = 'point' | 'comma' | 'unknown'

export type ReadNumber = { value: number; rest: string } | { either: [number, number]; raw: string }

/** First digit of each run of ten that stands for 0 to 9 in another script. */
const ZEROS = [0x0660, 0x06f0, 0x07c0, 0x0966, 0x09e6, 0x0a66, 0x0ae6, 0x0b66, 0x0be6, 0x0c66, 0x0ce6, 0x0d66, 0x0e50]

/** Plain digits and marks: full-width and Arabic forms, and those of other scripts, as in ASCII. */
export const plainDigits = (text: string): string =>
  text
    .normalize('NFKC')
    .replace(/\u2044/g, '/')
    .replace(/[\u066B]/g, '.')
    .replace(/[\u066C]/g, ',')
    .replace(/\p{Nd}/gu, digit => {
      const code = digit.codePointAt(0)!
      const zero = ZEROS.find(first => code >= first && code < first + 10)
      return zero === undefined ? digit : String(code - zero)
    })

const SIGN = '[-−+]?\\s*'
const FRACTION = /^([-−+]?)\s*(?:(\d+)\s+)?(\d+)\/(\d+)/
/** Groups of three, with another mark for decimals or none. */
const GROUPED = new RegExp(`^${SIGN}\\d{1,3}(?:([\\u00a0\\u202f' ,.])\\d{3})(?:\\1\\d{3})*(?:[.,]\\d+)?(?![\\d.,])`)
const PLAIN = new RegExp(`^${SIGN}(?:\\d*[.,]\\d+|\\d+[.,]?)(?:e[-+]?\\d+)?`, 'i')

const toNumber = (raw: string): number => Number(raw.replace(/−/g, '-').replace(/[\s\u00a0\u202f']/g, ''))

/** A number in groups of three: 1,200 or 1.200,5 or 1 200. Null where its mark cannot be one of groups. */
function grouped(raw: string, mark: string, marks: DecimalMark): number | [number, number] | null {
  const digits = raw.replace(/^[-−+]?\s*/, '')
  const whole = (text: string) => toNumber(text.split(mark).join(''))
  if (mark !== ',' && mark !== '.') return toNumber(raw.replace(',', '.'))
  const other = mark === ',' ? '.' : ','
  const groups = digits.split(mark).length - 1
  if (digits.includes(other)) return toNumber(raw.split(mark).join('').replace(other, '.'))
  if (groups > 1) return whole(raw)
  // One mark and three digits after it: a nought in front makes it a decimal for sure.
  if (/^0/.test(digits)) return null
  const asDecimal = toNumber(raw.replace(mark, '.'))
  if (mark === '.') return marks === 'comma' ? [whole(raw), asDecimal] : null
  if (marks === 'point') return whole(raw)
  return marks === 'comma' ? asDecimal : [whole(raw), asDecimal]
}

/**
 * The number that `text` starts with.
 *
 * @param marks what a comma means where it was typed
 * @returns the number with what follows it, both its readings where it has two, or null without a number
 */
export function readNumber(text: string, marks: DecimalMark): ReadNumber | null {
  const fraction = FRACTION.exec(text)
  if (fraction) {
    const [raw, sign, whole, top, bottom] = fraction
    const size = Number(whole ?? 0) + Number(top) / Number(bottom)
    return { value: sign === '-' || sign === '−' ? -size : size, rest: text.slice(raw.length).trim() }
  }
  const groups = GROUPED.exec(text)
  if (groups) {
    const value = grouped(groups[0], groups[1]!, marks)
    if (Array.isArray(value)) return { either: value, raw: groups[0].trim() }
    if (value !== null) return { value, rest: text.slice(groups[0].length).trim() }
  }
  const plain = PLAIN.exec(text)
  if (!plain) return null
  return { value: toNumber(plain[0].replace(',', '.')), rest: text.slice(plain[0].length).trim() }
}
