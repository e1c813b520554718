import { fact } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import type { Plan } from '../plan/index.ts'
import {
  characterOf,
  characterSentence,
  recipeWarnings,
  scentHeat,
  scentLoad,
  techniqueFits,
  unitBatter,
} from '../recipe/index.ts'
import type { Character, RecipeWarning, ScentLoad, TechniqueFit, WaterReadings } from '../recipe/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { ratesOf, recipeKey } from '../batter/learning/index.ts'
import { batterPace } from '../batter/trace/index.ts'

/** What follows from the recipe alone: per g of oils, shares from 0 to 1. */
export interface RecipeResult {
  batterPerOils: number
  lyePerOils: number
  water: WaterReadings
  /** Pure NaOH to water when the lye is dissolved, by weight. */
  waterToLyeWhenDissolved: number
  /** What the lye leaves of the oils in the pot from the start. */
  lyeDiscountShare: number
  lateShare: number
  sugarShare: number
  character: Character
  /** What the fatty acids mean for designs and scent. */
  sentence: Words
  warnings: RecipeWarning[]
  techniques: TechniqueFit[]
  /** ln of the rate against a balanced recipe, 0; and its word. */
  pace: { lnRate: number; word: Words }
  /** Fats are clear from here on, °C. */
  clearPointC: number
  scent: ScentLoad | null
}

/** Solid fatty acid of the oils that is soap as the lye meets it: from so much on no pace of the oils matters. */
const SETS_AT_ONCE = 0.03

/** Words for ln of how quick a batter is, each up to a value. */
export const PACES: readonly (readonly [number, string])[] = [
  [-0.7, 'very slow'],
  [-0.25, 'slow'],
  [0.25, 'even'],
  [0.7, 'quick'],
  [Infinity, 'very quick'],
]

/** ln of the factor by which the batch's scent quickens, as far as it is known. */
function scentPace(plan: Plan, shelf: Shelf, load: ScentLoad | null): number {
  if (!plan.scent || !load) return 0
  return ratesOf(shelf).scentedMean(recipeKey(plan), plan.scent.parts, 1000 * load.loadOfOils)
}

/** @param rinsePerNaoh g of water that is kept back from the lye for each g of NaOH */
export function recipeResult(plan: Plan, shelf: Shelf, rinsePerNaoh = 0): RecipeResult {
  const unit = unitBatter(plan.recipe, shelf)
  const scent = plan.scent && scentLoad(plan.scent, shelf, unit.batterG)
  const character = characterOf(unit, scent ? scentHeat(scent) : 'none')
  const pace = batterPace(unit)
  const scentLnRate = scentPace(plan, shelf, scent)
  const techniques = techniqueFits(character, pace.lnRate + Math.max(0, scentLnRate), scentLnRate)
  const usual = fact(PACES.find(([upTo]) => pace.lnRate < upTo)![1])
  const word = pace.stearic >= SETS_AT_ONCE ? fact('forecast.setting-at-once') : usual
  const quickens = (scent?.parts ?? []).some(part =>
    ['moderate', 'strong', 'seizes'].includes(part.scent?.acceleration ?? ''),
  )
  return {
    batterPerOils: unit.batterG,
    lyePerOils: unit.lyeG,
    water: unit.water,
    waterToLyeWhenDissolved: unit.waterForLyeG / unit.naohG - rinsePerNaoh,
    lyeDiscountShare: unit.lyeDiscountShare,
    lateShare: unit.oils.reduce((sum, part) => (part.late ? sum + part.share : sum), 0),
    sugarShare: unit.sugarShare,
    character,
    warnings: recipeWarnings(unit, character),
    sentence: characterSentence(character, techniques, word, scent && { name: scent.name, quickens }),
    techniques,
    pace: { lnRate: pace.lnRate, word },
    clearPointC: pace.clearPointC,
    scent,
  }
}
