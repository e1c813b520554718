import { layerHeights } from '../plan/index.ts'
import type { Cup, Plan } from '../plan/index.ts'
import { lyeDemand, superfatOf, unitBatter } from '../recipe/index.ts'
import type { UnitBatter } from '../recipe/index.ts'
import { findById } from '../shelf/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { roundDown, roundNearest, roundToTotal } from '../working/index.ts'

/** A layer as it lies in the mould. Heights from the mould's floor. */
export interface Layer {
  pour: string
  cup: string
  fromMm: number
  toMm: number
  heightMm: number
  volumeMl: number
  /** What goes into the mould, scent and colour included. */
  massG: number
}

/** What one cup holds. `exact` before rounding to the scales; the rest as weighed. */
export interface Portion {
  cup: string
  /** Plain batter drawn from the pot. */
  batterG: number
  scentG: number
  colorantG: number
  mediumG: number
  /** All of it, what clings included. */
  totalG: number
  clingG: number
  /** Superfat of this cup, with the oil that disperses its colorant. */
  superfatShare: number
  exact: { batterG: number; scentG: number; colorantG: number; mediumG: number }
}

export interface WeighedOilPart {
  oil: string
  name: string
  share: number
  massG: number
  exactG: number
}

/** Everything weighed for a batch. Sums of the weighed masses reconcile: pot = oils + lye + water = cups + cling. */
export interface Portions {
  oils: WeighedOilPart[]
  oilG: number
  lyeG: number
  lyeExactG: number
  waterG: number
  waterExactG: number
  /** Plain batter in the pot. */
  potG: number
  potClingG: number
  scentG: number
  superfatShare: number
  /** Superfat if every oil's saponification value stood at its usual low or high. */
  superfatLowShare: number
  superfatHighShare: number
  cups: Portion[]
  layers: Layer[]
  fillMl: number
}

/** Layers stacked from the floor up; the last ends exactly at the fill height. */
export function stackLayers(plan: Plan): Layer[] {
  const areaMm2 = plan.mould.innerLengthMm * plan.mould.innerWidthMm
  let floor = 0
  return layerHeights(plan).map((heightMm, i, all) => {
    const fromMm = floor
    const toMm = i === all.length - 1 ? plan.mould.fillMm : floor + heightMm
    floor = toMm
    const volumeMl = ((toMm - fromMm) * areaMm2) / 1000
    const pour = plan.score[i]!
    const massG = volumeMl * plan.conditions.densityGPerMl
    return { pour: pour.id, cup: pour.cup, fromMm, toMm, heightMm: toMm - fromMm, volumeMl, massG }
  })
}

/** Scent, colorant and its liquid for each gram of plain batter. */
function perGramOfBatter(cup: Cup, plan: Plan, unit: UnitBatter) {
  const oilShare = 1 / unit.batterG
  const scent = plan.scent && cup.scented ? plan.scent.shareOfOils * oilShare : 0
  const powder = cup.colorant ? cup.colorant.doseGPerKg / 1000 : 0
  const medium = cup.colorant && cup.colorant.medium !== 'none' ? powder * cup.colorant.mediumRatio : 0
  return { scent, powder, medium }
}

function exactPortion(cup: Cup, layers: readonly Layer[], plan: Plan, unit: UnitBatter): Portion {
  const poured = layers.filter(layer => layer.cup === cup.id).reduce((sum, layer) => sum + layer.massG, 0)
  const clingG = poured > 0 ? cup.clingG : 0
  const totalG = poured + clingG
  const add = perGramOfBatter(cup, plan, unit)
  const batterG = totalG / (1 + add.scent + add.powder + add.medium)
  const exact = { batterG, scentG: batterG * add.scent, colorantG: batterG * add.powder, mediumG: batterG * add.medium }
  return { cup: cup.id, ...exact, totalG, clingG, superfatShare: 0, exact }
}

/** Mean saponification value of an unnamed dispersing oil: a light liquid oil. mg KOH per g. */
const DISPERSING_OIL_SAP = 190

function cupSuperfat(
  portion: Portion,
  medium: string | undefined,
  sums: Portions,
  purity: number,
  sap: number,
): number {
  const part = portion.batterG / sums.potG
  const extra = medium === 'oil' ? portion.mediumG : 0
  const oils = [
    { massG: sums.oilG * part, sapKohMgPerG: sap },
    { massG: extra, sapKohMgPerG: DISPERSING_OIL_SAP },
  ]
  return portion.batterG > 0 ? superfatOf(oils, sums.lyeG * part, purity) : sums.superfatShare
}

/**
 * Divides a plan into everything that is weighed.
 *
 * Each cup holds its layers (volume × density) and what clings to it; the pot holds the cups' plain batter and what clings
 * to the pot. Oils and water are rounded to the scale, lye down to the fine scale; the cups are rounded so that they add up
 * to the rounded pot, the largest taking the remainder. Scent is rounded down, colour and its liquid to the fine scale.
 */
export function portionsOf(plan: Plan, shelf: Shelf): Portions {
  const { scaleStepG, fineScaleStepG } = plan.conditions
  const { superfatShare, lyePurityShare } = plan.recipe
  const unit = unitBatter(plan.recipe, shelf)
  const layers = stackLayers(plan)
  const exact = plan.cups.map(cup => exactPortion(cup, layers, plan, unit))
  const potExactG = exact.reduce((sum, portion) => sum + portion.batterG, 0) + plan.pot.clingG
  const oilExactG = potExactG / unit.batterG

  const oils = unit.oils.map(({ oil, share }) => {
    const exactG = oilExactG * share
    return { oil: oil.id, name: oil.name, share, exactG, massG: roundNearest(exactG, scaleStepG) }
  })
  const oilG = oils.reduce((sum, part) => sum + part.massG, 0)
  const lyeExactG = oilExactG * unit.lyeG
  // After rounding the oils down, the lye must still leave the superfat asked for: never more than the weighed oils allow.
  const weighed = unit.oils.map(({ oil }, i) => ({ massG: oils[i]!.massG, sapKohMgPerG: oil.sapKohMgPerG }))
  const allowedG = (lyeDemand(weighed) * (1 - superfatShare)) / lyePurityShare
  const lyeG = roundDown(Math.min(lyeExactG, allowedG), fineScaleStepG)
  const waterExactG = oilExactG * unit.waterG
  const waterG = roundNearest(waterExactG, scaleStepG)
  const potG = Number((oilG + lyeG + waterG).toFixed(6))

  const potClingG = Math.min(plan.pot.clingG, potG)
  const cupG = roundToTotal(
    exact.map(portion => portion.batterG),
    potG - potClingG,
    scaleStepG,
  )
  const at = (of: 'sapKohLowMgPerG' | 'sapKohHighMgPerG') =>
    superfatOf(
      unit.oils.map(({ oil }, i) => ({ massG: oils[i]!.massG, sapKohMgPerG: oil[of] })),
      lyeG,
      lyePurityShare,
    )
  const sums: Portions = {
    oils,
    oilG,
    lyeG,
    lyeExactG,
    waterG,
    waterExactG,
    potG,
    potClingG,
    scentG: 0,
    superfatShare: superfatOf(weighed, lyeG, lyePurityShare),
    superfatLowShare: at('sapKohLowMgPerG'),
    superfatHighShare: at('sapKohHighMgPerG'),
    cups: [],
    layers,
    fillMl: layers.reduce((sum, layer) => sum + layer.volumeMl, 0),
  }
  const meanSap = unit.oils.reduce((sum, { oil, share }) => sum + oil.sapKohMgPerG * share, 0)
  sums.cups = exact.map((portion, i) => {
    const batterG = cupG[i]!
    const scentG = roundDown(portion.scentG, fineScaleStepG)
    const colorantG = roundNearest(portion.colorantG, fineScaleStepG)
    const mediumG = roundNearest(portion.mediumG, fineScaleStepG)
    const totalG = Number((batterG + scentG + colorantG + mediumG).toFixed(6))
    const weighedPortion = { ...portion, batterG, scentG, colorantG, mediumG, totalG }
    const medium = plan.cups[i]!.colorant?.medium
    return { ...weighedPortion, superfatShare: cupSuperfat(weighedPortion, medium, sums, lyePurityShare, meanSap) }
  })
  sums.scentG = Number(sums.cups.reduce((sum, portion) => sum + portion.scentG, 0).toFixed(6))
  return sums
}

/** Oils of the plan that are not on the shelf: without their values no lye can be worked out. */
export const missingOils = (plan: Plan, shelf: Shelf): string[] =>
  plan.recipe.oils.filter(part => !findById(shelf.oils, part.oil)).map(part => part.oil)
