import { choiceOf, fact } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import { showShare } from '../quantities/units/index.ts'
import { naohPerG } from './batter.ts'
import type { UnitBatter } from './batter.ts'

/**
 * One rule for free lye, wherever a superfat is shown: planned, weighed, in one batter of several, or in a recipe from
 * elsewhere. It goes by the band that the oils' saponification values and the scale leave.
 */

/** Superfat with its band, shares from −∞ to 1. */
export interface SuperfatBand {
  value: number
  /** With every oil at its usual low and the scale off in the bad direction; and the other way round. */
  low: number
  high: number
  /** Of the way from value down to low, what the scale has in it, 0 to 1. */
  scaleShare: number
  /** The oil whose range of values has most to do with it; empty: none. */
  widest: string
}

/** Masses of everything that takes lye, in the order of the recipe. */
export interface LyeTakers {
  oils: readonly { massG: number }[]
  liquids: readonly { massG: number }[]
  additives: readonly { massG: number }[]
}

/** What of a recipe takes lye: its oils, and what liquids and additives bring. */
export type TakingUnit = Pick<UnitBatter, 'oils' | 'liquids' | 'additives'>

/** Pure NaOH that acids take before all else, and that oils and fats take after them, g. */
export function takenBy(
  unit: TakingUnit,
  { oils, liquids, additives }: LyeTakers,
  at: 'value' | 'low' | 'high' = 'value',
) {
  const extras = [
    ...unit.liquids.map((part, i) => ({ part, massG: liquids[i]!.massG, isCounted: part.part.countFat })),
    ...unit.additives.map((part, i) => ({ part, massG: additives[i]!.massG, isCounted: part.part.addLye })),
  ].filter(({ part }) => part.massG > 0)
  const of = (key: 'acidLyeG' | 'fatLyeG', list: typeof extras) =>
    list.reduce((sum, { part, massG }) => sum + (part[key] / part.massG) * massG, 0)
  const counted = extras.filter(extra => extra.isCounted)
  return {
    oilsG: unit.oils.reduce((sum, { oil }, i) => sum + oils[i]!.massG * naohPerG(oil, at), 0),
    fatG: of('fatLyeG', extras),
    acidG: of('acidLyeG', extras),
    countedFatG: of('fatLyeG', counted),
    countedAcidG: of('acidLyeG', counted),
  }
}

/** What one scale may be off by: half its step. */
export interface Steps {
  /** Of the scale for oils. */
  oilG: number
  /** What the weighing of lye leaves open, in g of pure NaOH. */
  naohG: number
}

/**
 * Superfat of what is weighed, with its band. Acids first take their lye, then oils and fats what is left.
 *
 * low and high: every oil at its usual low or high, and half a step of each scale, put together as a root of squares since
 * they do not all go wrong the same way.
 *
 * @param naohG pure NaOH weighed, g
 */
export function superfatBand(unit: TakingUnit, weighed: LyeTakers, naohG: number, steps: Steps): SuperfatBand {
  const taken = takenBy(unit, weighed)
  const freeG = Math.max(0, naohG - taken.acidG)
  const superfat = (oilsG: number) => {
    const takesG = oilsG + taken.fatG
    return takesG > 0 ? 1 - freeG / takesG : 1
  }
  const value = superfat(taken.oilsG)
  const demandG = taken.oilsG + taken.fatG
  const oilErrors = unit.oils.reduce((sum, { oil }, i) => {
    const isWeighed = weighed.oils[i]!.massG > 0
    return isWeighed ? sum + ((steps.oilG / 2) * naohPerG(oil)) ** 2 : sum
  }, 0)
  const scale = demandG > 0 ? ((1 - value) * Math.sqrt(oilErrors) + steps.naohG / 2) / demandG : 0
  const sapLow = superfat(takenBy(unit, weighed, 'low').oilsG)
  const ranges = unit.oils.map(({ oil }, i) => ({
    name: oil.name,
    naohG: weighed.oils[i]!.massG * (naohPerG(oil) - naohPerG(oil, 'low')),
  }))
  const widest = ranges.reduce((most, one) => (one.naohG > most.naohG ? one : most), { name: '', naohG: 0 })
  const low = sapLow - scale
  return {
    value,
    low,
    high: superfat(takenBy(unit, weighed, 'high').oilsG) + scale,
    scaleShare: value > low ? scale / (value - low) : 0,
    widest: widest.name,
  }
}

export interface FreeLye {
  /** 'stop': it has to be answered in writing, unless the batch is a trial. */
  weight: 'none' | 'warn' | 'stop'
  sentence: Words
}

/** A superfat that is shown as 0.0 % is none. */
export const isNoSuperfat = (share: number): boolean => Math.round(share * 1000) <= 0

/** From here on the scale is worth naming as what narrows the band. */
const SCALE_MATTERS = 0.25
const HALF_POINT = 0.005

const percent = (share: number): string => showShare(share).replace('-', '−')

/**
 * What a superfat means for free lye.
 *
 * @param what says whose superfat it is and how it is known, e.g. "planned", "weighed", "Slate, as weighed"
 */
export function freeLyeOf(band: SuperfatBand, what: Words = fact('planned')): FreeLye {
  const from = fact('recipe.to', { low: percent(band.low), high: percent(band.high) })
  if (isNoSuperfat(band.value)) {
    const sentence = percent(band.value).startsWith('−')
      ? fact('recipe.free-lye-superfat-there', { band: percent(band.value), what })
      : fact('recipe.no-superfat-nothing-left', { what, from })
    return { weight: 'stop', sentence: fact('recipe.take-less-lye-or', { sentence }) }
  }
  if (band.low >= 0) return { weight: 'none', sentence: '' }
  const enough = Math.ceil((band.value - band.low + 1e-9) / HALF_POINT) * HALF_POINT
  const ways = [
    band.widest === '' ? '' : fact('recipe.suppliers-certificate-for', { widest: band.widest }),
    band.scaleShare >= SCALE_MATTERS ? fact('recipe.finer-scale') : '',
    fact('recipe.a-superfat-of', { enough: percent(enough) }),
  ].filter(way => way !== '')
  return {
    weight: 'warn',
    sentence: fact('recipe.free-lye-possible-superfat', {
      band: percent(band.value),
      what,
      from,
      ways: choiceOf(ways),
    }),
  }
}

/**
 * Whether a stop for free lye still has to be answered: trials need no answer, and an answer given for a lower superfat
 * holds for this one.
 */
export const needsAnswer = (
  plan: { isTrial: boolean; freeLye: { superfatShare: number } | null },
  share: number,
): boolean =>
  isNoSuperfat(share) && !plan.isTrial && !(plan.freeLye && plan.freeLye.superfatShare <= share + HALF_POINT / 10)
