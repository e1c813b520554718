import { NAOH_PER_KOH } from '../recipe/index.ts'
import type { OilInRecipe } from '../recipe/index.ts'
import type { FattyGroups } from '../shelf/index.ts'
import { clearPoint, solidParts, solidShareTable } from './solid-fat.ts'

/** Per fatty-acid group; see the constants' remarks in docs/models.md. */
const GROUPS: readonly {
  group: keyof FattyGroups
  /** Effect on ln(rate). */
  pace: number
  /** Thickening per soap formed. */
  thickening: number
  /** Viscosity of the oil at 40 °C, Pa·s. */
  viscosity: number
}[] = [
  { group: 'shortSaturated', pace: 0.3, thickening: 0.95, viscosity: 0.027 },
  { group: 'longSaturated', pace: 0.6, thickening: 1.25, viscosity: 0.04 },
  { group: 'oleic', pace: -1.4, thickening: 0.9, viscosity: 0.037 },
  { group: 'ricinoleic', pace: 1.5, thickening: 1, viscosity: 0.235 },
  { group: 'polyunsaturated', pace: -1, thickening: 0.8, viscosity: 0.03 },
]

/** Shifts ln(rate) so that 30 coconut, 30 palm, 35 olive, 5 castor at 30 % and 5 % superfat is 0. */
const BALANCE = 0.349

export interface PaceInput {
  oils: readonly OilInRecipe[]
  superfatShare: number
  lyeConcentrationShare: number
}

/** What a recipe brings to the batter model, once per recipe. Shares of oil mass. */
export interface RecipePace {
  lnRate: number
  freeAcid: number
  thickening: number
  lnViscosity40: number
  /** Lye solution per kg of oils, kg. */
  lyeSolutionKgPerKg: number
  /** Volume fraction of the lye solution. */
  lyeVolumeShare: number
  /** kJ/(kg·K) of the batter. */
  heatCapacity: number
  /** Rise for full conversion without loss, K. */
  adiabaticRiseK: number
  /** Below this the fats start to set, °C. */
  clearPointC: number
  solidAt: (c: number) => number
}

/** Handbook: specific heat of NaOH solution, kJ/(kg·K), at mass fraction w and `c` °C. */
function lyeHeatCapacity(w: number, c: number): number {
  const points = [4.18, 3.77, 3.6, 3.5, 3.38, 3.23]
  const at = Math.min(4.999999, Math.max(0, w * 10))
  const i = Math.floor(at)
  return (points[i]! + (at - i) * (points[i + 1]! - points[i]!)) * (1 + 0.0006 * (c - 20))
}

const OIL_DENSITY = 0.905
const HEAT_KJ_PER_MOL = 50
const NAOH_KG_PER_MOL = 0.04

/** Quantities of the batter model for a recipe. Valid for 25–40 % lye and 0–20 % superfat. */
export function recipePace({ oils, superfatShare, lyeConcentrationShare: w }: PaceInput): RecipePace {
  const weigh = (of: (oil: OilInRecipe['oil']) => number) =>
    oils.reduce((sum, part) => sum + part.share * of(part.oil), 0)
  const groups = GROUPS.map(row => ({ ...row, share: weigh(oil => oil.fatty[row.group]) }))
  const over = (of: (row: (typeof groups)[number]) => number) =>
    groups.reduce((sum, row) => sum + row.share * of(row), 0)
  const sap = weigh(oil => (oil.sapKohMgPerG * NAOH_PER_KOH) / 1000)
  const lye = (sap * (1 - superfatShare)) / w
  const oilVolume = 1 / OIL_DENSITY
  const lyeVolume = lye / (1 + 1.1 * w)
  const heatCapacity = (2.05 + lye * lyeHeatCapacity(w, 20)) / (1 + lye)
  const parts = solidParts(oils)
  return {
    lnRate: over(row => row.pace) + weigh(oil => oil.quickness) + BALANCE + 6 * (w - 0.3) - 2 * (superfatShare - 0.05),
    freeAcid: weigh(oil => oil.freeAcidShare),
    thickening: over(row => row.thickening),
    lnViscosity40: over(row => Math.log(row.viscosity)),
    lyeSolutionKgPerKg: lye,
    lyeVolumeShare: lyeVolume / (oilVolume + lyeVolume),
    heatCapacity,
    adiabaticRiseK: ((sap / NAOH_KG_PER_MOL) * (1 - superfatShare) * HEAT_KJ_PER_MOL) / ((1 + lye) * heatCapacity),
    clearPointC: clearPoint(parts),
    solidAt: solidShareTable(parts),
  }
}
