import { GRAMS_PER_OUNCE, MM_PER_INCH } from './quantity.ts'

/** How a workshop likes its units shown. Nothing is stored in them. */
export interface UnitHabits {
  mass: 'g' | 'oz'
  temperature: 'C' | 'F'
  length: 'mm' | 'in'
  /** What stands before the decimals; left out: a point. */
  decimal?: 'point' | 'comma' | undefined
}

export const METRIC: UnitHabits = { mass: 'g', temperature: 'C', length: 'mm' }
export const IMPERIAL: UnitHabits = { mass: 'oz', temperature: 'F', length: 'in' }

/** Fixed decimals without a trailing ".0" and without "-0". */
export function tidy(value: number, decimals: number): string {
  const text = value.toFixed(decimals)
  const short = decimals > 0 ? text.replace(/\.?0+$/, '') : text
  return short === '-0' ? '0' : short
}

/** Digits with the mark before their decimals that the reader is used to. */
export const marked = (digits: string, habits: UnitHabits): string =>
  habits.decimal === 'comma' ? digits.replace('.', ',') : digits

/** Decimals that show a mass to `stepG` (the scale's resolution) in grams, or as finely in ounces. */
export function massDecimals(stepG: number, unit: 'g' | 'oz'): number {
  const step = unit === 'g' ? stepG : stepG / GRAMS_PER_OUNCE
  return Math.min(4, Math.max(0, Math.ceil(-Math.log10(step) - 1e-9)))
}

/** Less than this is nothing, g. */
const NOTHING_G = 0.0005
const MOST_DECIMALS = 4

/** Decimals that show something that is there as more than "0.00"; `part` of the last digit must be there. */
function decimalsShowing(g: number, unit: 'g' | 'oz', stepG: number, part: number): number {
  const value = Math.abs(unit === 'g' ? g : g / GRAMS_PER_OUNCE)
  let decimals = massDecimals(stepG, unit)
  if (Math.abs(g) < NOTHING_G) return decimals
  while (decimals < MOST_DECIMALS && value < part * 10 ** -decimals) decimals += 1
  return decimals
}

/** A mass as the workshop likes it, e.g. "412.3 g" or "14.54 oz". `stepG` is the finest step worth showing. */
export function showMass(g: number, habits: UnitHabits, stepG = 0.1): string {
  return `${massNumber(g, habits, stepG)} ${habits.mass}`
}

/**
 * The same without the unit, for a column with the unit in its head. Keeps its decimals so that columns line up; what
 * the step would round away is shown more finely, never as nothing.
 */
export function massNumber(g: number, habits: UnitHabits, stepG = 0.1): string {
  const value = habits.mass === 'g' ? g : g / GRAMS_PER_OUNCE
  return marked(value.toFixed(decimalsShowing(g, habits.mass, stepG, 0.5)), habits)
}

/** A weight on a step of an ounce scale is kept in grams to a microgram or so: a milligram under a digit stands on it. */
const ROUNDING_SLACK_G = 0.001

/** A mass that must never be shown larger than it is: lye. Rounded down to the last digit shown. */
export function showMassDown(g: number, habits: UnitHabits, stepG = 0.1): string {
  const decimals = decimalsShowing(g > NOTHING_G ? g + ROUNDING_SLACK_G : 0, habits.mass, stepG, 1)
  const digit = 10 ** -decimals * (habits.mass === 'g' ? 1 : GRAMS_PER_OUNCE)
  const held = Math.floor((g + ROUNDING_SLACK_G) / digit) * digit
  return `${marked((habits.mass === 'g' ? held : held / GRAMS_PER_OUNCE).toFixed(decimals), habits)} ${habits.mass}`
}

export const showLength = (mm: number, habits: UnitHabits): string =>
  marked(habits.length === 'mm' ? `${tidy(mm, 1)} mm` : `${tidy(mm / MM_PER_INCH, 2)} in`, habits)

export const showTemperature = (c: number, habits: UnitHabits): string =>
  marked(habits.temperature === 'C' ? `${tidy(c, 1)} °C` : `${tidy((c * 9) / 5 + 32, 0)} °F`, habits)

export const showShare = (share: number, decimals = 1): string => `${tidy(share * 100, decimals)} %`

/** Minutes to the nearest half, as a bench clock is read: "9½ min". */
export function showMinutes(minutes: number): string {
  const halves = Math.round(minutes * 2)
  const whole = Math.trunc(halves / 2)
  const half = Math.abs(halves % 2) === 1
  const sign = halves < 0 && whole === 0 ? '−' : ''
  return `${sign}${whole === 0 && half ? '' : String(whole).replace('-', '−')}${half ? '½' : ''} min`
}

/** A chance is never shown finer than 5 %: the model does not know it better. The words are a message of the catalogue. */
export const CHANCE_WORDS = { over: 'over 95 %', under: 'under 5 %', about: 'about {percent} %' } as const
export function chanceWords(chance: number): { words: string; percent: number } {
  const percent = Math.round(chance * 20) * 5
  return { words: CHANCE_WORDS[percent >= 100 ? 'over' : percent <= 0 ? 'under' : 'about'], percent }
}
