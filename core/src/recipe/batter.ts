import type { PlannedAdditive, PlannedLiquid, Recipe } from './recipe-part.ts'
import { findById } from '../shelf/index.ts'
import type { Additive, Liquid, Oil, Shelf } from '../shelf/index.ts'
import { NAOH_PER_KOH } from '../quantities/constants/index.ts'
import { waterOf, waterReadings } from './water.ts'
import type { WaterReadings } from './water.ts'

export interface OilInRecipe {
  oil: Oil
  /** Share of all oils; the shares sum to 1 whatever was typed. */
  share: number
  /** Held back until the batter is emulsified. */
  late: boolean
}

export interface LiquidInRecipe {
  part: PlannedLiquid
  liquid: Liquid
  /** g per g of oils. */
  massG: number
  waterG: number
  fatLyeG: number
  acidLyeG: number
}

export interface AdditiveInRecipe {
  part: PlannedAdditive
  additive: Additive
  /** g per g of oils. */
  massG: number
  waterG: number
  fatLyeG: number
  acidLyeG: number
}

/** A recipe per 1 g of oils: everything that goes into the pot. Lye figures are pure NaOH unless said otherwise. */
export interface UnitBatter {
  oils: readonly OilInRecipe[]
  liquids: readonly LiquidInRecipe[]
  additives: readonly AdditiveInRecipe[]
  /** Pure NaOH. */
  naohG: number
  /** Lye as bought. */
  lyeG: number
  /** Of the pure NaOH, what acids take before any oil does, when lye was added for them. */
  acidNaohG: number
  /** Plain water to weigh, after what liquids and additives bring. */
  waterG: number
  /** All water in the batter. */
  allWaterG: number
  /** Water there when the lye is dissolved. */
  waterForLyeG: number
  /** Everything in the pot, g per g of oils. */
  batterG: number
  /** All the water, told four ways. */
  water: WaterReadings
  /** Superfat with late oils, fat in liquids and additives, and acids counted once each. */
  superfatShare: number
  /** What the lye leaves of the oils that are in the pot from the start; below 0: lye is over until the late oil is in. */
  lyeDiscountShare: number
  /** Sugar from all sources, share of the oils. */
  sugarShare: number
}

/**
 * Oils by their share of the whole. Shares are parts: 99.9 % in all is read as the whole. Oils that are not on the shelf
 * are left out (the plan's check names them).
 */
export function oilsByShare(
  recipe: { oils: readonly { oil: string; share: number; late?: boolean }[] },
  shelf: Shelf,
): OilInRecipe[] {
  const found = recipe.oils.flatMap(part => {
    const oil = findById(shelf.oils, part.oil)
    return oil && part.share > 0 ? [{ oil, share: part.share, late: part.late ?? false }] : []
  })
  const whole = found.reduce((sum, part) => sum + part.share, 0)
  return found.map(part => ({ ...part, share: part.share / whole }))
}

/** Pure NaOH that 1 g of an oil takes, g. */
export const naohPerG = (oil: Oil, at: 'value' | 'low' | 'high' = 'value'): number => {
  const sap = at === 'value' ? oil.sapKohMgPerG : at === 'low' ? oil.sapKohLowMgPerG : oil.sapKohHighMgPerG
  return (sap * NAOH_PER_KOH) / 1000
}

const sum = <T>(list: readonly T[], of: (item: T) => number): number =>
  list.reduce((total, item) => total + of(item), 0)

/** An additive's share of the lye that the recipe adds for it. */
const added = (part: AdditiveInRecipe | LiquidInRecipe): { fat: number; acid: number } =>
  'additive' in part
    ? part.part.addLye
      ? { fat: part.fatLyeG, acid: part.acidLyeG }
      : { fat: 0, acid: 0 }
    : part.part.countFat
      ? { fat: part.fatLyeG, acid: part.acidLyeG }
      : { fat: 0, acid: 0 }

function additivesOf(recipe: Recipe, shelf: Shelf): AdditiveInRecipe[] {
  return recipe.additives.flatMap(part => {
    const additive = findById(shelf.additives, part.additive)
    if (!additive) return []
    const massG = part.gPerKgOils / 1000
    const { waterShare, fatLyePerG, acidLyePerG } = additive
    return [
      { part, additive, massG, waterG: massG * waterShare, fatLyeG: massG * fatLyePerG, acidLyeG: massG * acidLyePerG },
    ]
  })
}

function liquidsOf(recipe: Recipe, shelf: Shelf, waterG: number): LiquidInRecipe[] {
  return recipe.liquids.flatMap(part => {
    const liquid = findById(shelf.liquids, part.liquid)
    if (!liquid) return []
    const asWater = part.shareOfWater * waterG
    const massG = part.measure === 'weight' ? asWater : asWater / liquid.waterShare
    const { waterShare, fatLyePerG, acidLyePerG } = liquid
    return [
      { part, liquid, massG, waterG: massG * waterShare, fatLyeG: massG * fatLyePerG, acidLyeG: massG * acidLyePerG },
    ]
  })
}

/**
 * Lye and water hang together: milk brings fat that takes lye, and water may be measured by the lye. The circle closes fast
 * (each round changes the lye by under a twentieth of the round before).
 */
const ROUNDS = 25

/**
 * Everything for 1 g of oils.
 *
 * NaOH = (what all oils and counted fats take) × (1 − superfat) + what acids take. Acids neutralise first, so lye for them
 * never changes the superfat; without it the superfat rises. A liquid or additive brings its water along, and plain water
 * makes up the rest.
 */
export function unitBatter(recipe: Recipe, shelf: Shelf): UnitBatter {
  // Read every time: who asks goes by these lists, also where the answer is known already.
  const { oils, additives, liquids } = shelf
  const known = kept.get(recipe)
  if (known?.oils === oils && known.additives === additives && known.liquids === liquids) return known.unit
  const unit = reckoned(recipe, shelf)
  kept.set(recipe, { oils, additives, liquids, unit })
  return unit
}

interface Kept extends Pick<Shelf, 'oils' | 'additives' | 'liquids'> {
  unit: UnitBatter
}

/** Of each recipe, with the lists that it was reckoned by last: one forecast asks for the same a dozen times over. */
const kept = new WeakMap<Recipe, Kept>()

function reckoned(recipe: Recipe, shelf: Shelf): UnitBatter {
  const oils = oilsByShare(recipe, shelf)
  const additives = additivesOf(recipe, shelf)
  const demand = sum(oils, part => part.share * naohPerG(part.oil))
  const acid = sum(additives, part => added(part).acid)
  const fat = sum(additives, part => added(part).fat)
  let naohG = (demand + fat) * (1 - recipe.superfatShare) + acid
  let wantedG = waterOf(recipe.water, 1, naohG)
  let liquids = liquidsOf(recipe, shelf, wantedG)
  for (let round = 0; round < ROUNDS && liquids.length > 0; round += 1) {
    const milk = { fat: sum(liquids, part => added(part).fat), acid: sum(liquids, part => added(part).acid) }
    naohG = (demand + fat + milk.fat) * (1 - recipe.superfatShare) + acid + milk.acid
    wantedG = waterOf(recipe.water, 1, naohG)
    liquids = liquidsOf(recipe, shelf, wantedG)
  }
  return finished(recipe, { oils, additives, liquids, demand, naohG, wantedG })
}

interface Settled {
  oils: OilInRecipe[]
  additives: AdditiveInRecipe[]
  liquids: LiquidInRecipe[]
  demand: number
  naohG: number
  wantedG: number
}

function finished(recipe: Recipe, { oils, additives, liquids, demand, naohG, wantedG }: Settled): UnitBatter {
  const parts = [...additives, ...liquids]
  const broughtG =
    sum(additives, part => part.waterG) +
    // By weight: the whole liquid stands for water, so no plain water makes up for what is not water in it.
    sum(liquids, part => (part.part.measure === 'weight' ? part.massG : part.waterG))
  const waterG = Math.max(0, wantedG - broughtG)
  const allWaterG = waterG + sum(parts, part => part.waterG)
  const acids = sum(parts, part => part.acidLyeG)
  const fats = sum(parts, part => part.fatLyeG)
  const late = sum(oils, part => (part.late ? part.share * naohPerG(part.oil) : 0))
  const early = demand + fats - late
  const lyeG = naohG / recipe.lyePurityShare
  return {
    oils,
    liquids,
    additives,
    naohG,
    lyeG,
    acidNaohG: sum(parts, part => added(part).acid),
    waterG,
    allWaterG,
    waterForLyeG: waterG + sum(parts, part => (part.part.moment === 'lye' ? part.waterG : 0)),
    batterG: 1 + lyeG + waterG + sum(parts, part => part.massG),
    water: waterReadings(allWaterG, 1, naohG, recipe.water.fullShareOfOils),
    superfatShare: 1 - Math.max(0, naohG - acids) / (demand + fats),
    lyeDiscountShare: early > 1e-9 ? 1 - Math.max(0, naohG - acids) / early : 0,
    sugarShare:
      sum(liquids, part => part.massG * part.liquid.sugarShare) +
      sum(additives, part => part.massG * part.additive.sugarShare),
  }
}
