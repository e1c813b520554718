import {
  MAX_SAMPLES,
  STANDARD_BASE,
  TRIAL_NUMBERS,
  drawnUp,
  evenDoses,
  kindOfTrial,
  pigmentOfColorant,
  teachingDoses,
} from '@ostler/core'
import type { MeasureName, ReadingWay, Shelf, TrialKind, TrialQuestion } from '@ostler/core'
import { t } from '../../words/index.ts'

/** What somebody would like to know, as it is typed; a question follows from it. */

export interface Wish {
  name: string
  asked: string
  kind: TrialKind
  colorants: readonly string[]
  /** Of a ladder: how many doses, up to which, g/kg; empty: the usual most. */
  count: number
  most: string
  blanks: number
  isBesideWhite: boolean
  /** Doses in even steps to the eye, or those that teach the shelf most. */
  spread: 'even' | 'teaching'
  sampleG: number
  stepG: number
  way: ReadingWay
  scent: string
  /** % of the oils. */
  load: string
  /** Numbers that are compared, as typed: "0.5, 1". */
  amounts: string
  /** Ways that are compared, a line each. */
  ways: string
  additive: string
  measure: 'colour' | MeasureName
  times: number
}

export const START: Wish = {
  ...{ name: '', asked: '', kind: 'ladder', colorants: [], count: 5, most: '', blanks: 2, measure: 'colour', times: 1 },
  ...{ isBesideWhite: true, spread: 'even', sampleG: 40, stepG: 0.01, way: 'photo' },
  ...{ scent: '', load: '3', amounts: '', ways: '', additive: '' },
}

/** Another question, with what is usual for it. */
export function turnedTo(wish: Wish, kind: TrialKind): Wish {
  const { sampleG, reads, most, levels } = kindOfTrial(kind)
  const isSmall = levels === 'words' || levels === 'numbers' || kind === 'browning'
  return {
    ...wish,
    count: Math.min(wish.count, Math.max(3, most)),
    ...{ kind, sampleG, measure: reads[0]!, blanks: 2, times: isSmall ? 2 : 1 },
    colorants: wish.colorants.slice(0, levels === 'doses' ? 1 : most),
  }
}

const BESIDE_WHITE_GPERKG = 4
const MATTERS = 2.5
const CURED = { days: 42, gel: 0 }
/** Doses are rounded to so many digits that matter. */
const DIGITS = 2

export const numberIn = (text: string): number => Number(text.trim().replace(',', '.'))

/** Numbers parted by semicolons, blanks or lines; a comma before a blank parts, any other is decimal. */
export const numbersIn = (text: string): number[] =>
  text
    .split(/[;\s]+/)
    .map(part => part.replace(/,$/, ''))
    .filter(part => part !== '')
    .map(numberIn)

export const linesIn = (text: string): string[] =>
  text
    .split('\n')
    .map(line => line.trim())
    .filter(line => line !== '')

const none = { colorant: '', gPerKg: 0 }

/** Levels that a wish means; empty: something is missing still. */
function levelsOf(wish: Wish, shelf: Shelf): TrialQuestion['levels'] {
  const { kind, colorants, count, most, amounts, ways, spread, way } = wish
  const { levels } = kindOfTrial(kind)
  const items = colorants.flatMap(id => shelf.colorants.find(one => one.id === id) ?? [])
  if (levels === 'colorants') return items.map(({ id, referenceDoseGPerKg: gPerKg }) => ({ colorant: id, gPerKg }))
  if (levels === 'ratios' || levels === 'numbers') return numbersIn(amounts).map(amount => ({ ...none, amount }))
  if (levels === 'words') return linesIn(ways).map(line => ({ ...none, way: line.slice(0, 60) }))
  if (levels === 'none') return []
  const [item] = items
  const to = most.trim() === '' ? item?.usualMaxGPerKg : numberIn(most)
  if (!item || !to || !(to > 0)) return []
  const rounded = (dose: number): number => Math.max(0.01, Number(dose.toPrecision(DIGITS)))
  if (kind === 'ladder' && spread === 'teaching') {
    const { doses } = teachingDoses(pigmentOfColorant(item).pigment, STANDARD_BASE, CURED, to, count, way)
    return doses.map(one => ({ ...one, colorant: item.id, gPerKg: rounded(one.gPerKg) }))
  }
  const { doses } = evenDoses(pigmentOfColorant(item).pigment, STANDARD_BASE, CURED, to, count)
  return doses.map(dose => ({ colorant: item.id, gPerKg: rounded(dose) }))
}

export function questionOf(wish: Wish, shelf: Shelf, seed: number): TrialQuestion | null {
  const { kind, asked, blanks, isBesideWhite, sampleG, stepG, way, times, measure, scent, additive } = wish
  const { isScented, reads, least, most } = kindOfTrial(kind)
  const levels = levelsOf(wish, shelf)
  if (levels.length < least || levels.length > most) return null
  const whiteGPerKg =
    kind === 'grid' || (kind === 'ladder' && isBesideWhite && wish.spread === 'even') ? BESIDE_WHITE_GPERKG : 0
  const load = numberIn(wish.load) / 100
  if (isScented && (scent === '' || !(load >= 0.001 && load <= 0.2))) return null
  return {
    ...{ kind, asked, levels, whiteGPerKg, sampleG, stepG, way, seed, matters: MATTERS },
    blanks: kind === 'speed' ? times : blanks,
    ...(isScented ? { scent, load } : {}),
    ...(kind === 'hardener' ? { additive } : {}),
    ...(reads.length > 1 ? { measure } : {}),
    ...(times > 1 ? { times } : {}),
  }
}

function lacksAmounts({ kind, amounts }: Wish): string {
  const numbers = numbersIn(amounts)
  if (numbers.length === 0) return t('Say how much is tried beside the usual.')
  if (kind === 'stabiliser')
    return numbers.every(n => n > 0 && n <= 3) ? '' : t('A stabiliser is above 0 and at most 3 g for a g of scent.')
  const { says, from, to, unit } = TRIAL_NUMBERS[kind as keyof typeof TRIAL_NUMBERS]
  return numbers.every(n => n >= from && n <= to)
    ? ''
    : t('Between {from} and {to} {unit} {says}.', { from, to, unit, says })
}

/** What is missing of what is compared. */
function lacksLevels(wish: Wish): string {
  const { kind, colorants, ways, most, additive, scent, load } = wish
  const { levels, least, isScented, most: mostLevels } = kindOfTrial(kind)
  if (isScented && scent === '') return t('Choose the scent.')
  if (isScented && !(numberIn(load) >= 0.1 && numberIn(load) <= 20))
    return t('A scent is from 0.1 to 20 % of the oils.')
  if (kind === 'hardener' && additive === '') return t('Choose the additive.')
  if (levels === 'doses' && colorants.length === 0) return t('Choose the colorant.')
  if (levels === 'doses' && most.trim() !== '' && !(numberIn(most) > 0 && numberIn(most) <= 300))
    return t('The highest dose is above 0 and at most 300 g per kg.')
  if (levels === 'colorants' && colorants.length < least)
    return least > 1 ? t('Choose two colorants at least.') : t('Choose what is compared.')
  if ((levels === 'ratios' || levels === 'numbers') && lacksAmounts(wish) !== '') return lacksAmounts(wish)
  if (levels === 'words' && linesIn(ways).length === 0) return t('Say what is done otherwise, a line each.')
  const count = levels === 'words' ? linesIn(ways).length : levels === 'colorants' ? colorants.length : 0
  return count > mostLevels ? t('At most {mostLevels} are compared at once.', { mostLevels }) : ''
}

/** Why a trial cannot be drawn up yet; empty: it can. */
export function lacks(wish: Wish, question: TrialQuestion | null): string {
  const missing = lacksLevels(wish)
  if (missing !== '') return missing
  if (!question) return t('Too few, or too many, are compared.')
  const { length } = drawnUp(question)
  if (length > MAX_SAMPLES)
    return t('These are {length} samples; a batch has at most {what} cups. Compare fewer, or make each less often.', {
      length,
      what: MAX_SAMPLES,
    })
  return wish.name.trim() === '' ? t('Give it a name.') : ''
}
