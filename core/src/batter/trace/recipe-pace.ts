import { lyeHeatCapacity } from '../../recipe/index.ts'
import { CONSTANTS, NAOH_KG_PER_MOL, NAOH_PER_KOH } from '../../quantities/constants/index.ts'
import type { OilInRecipe } from '../../recipe/index.ts'
import { fattyGroups, isFattyAcid } from '../../shelf/index.ts'
import type { FattyGroups } from '../../shelf/index.ts'
import { NO_EFFECT } from './colorant-effect.ts'
import type { BatterEffect } from './colorant-effect.ts'
import { reactionClock } from './kinetics.ts'
import type { ReactionClock } from './kinetics.ts'
import { quicknessOf } from '../standing/index.ts'
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
  /** What additives and liquids of the whole batter do. */
  effect?: BatterEffect
  /** Share of air beaten into the creamed fats of a whipped batch, 0 without. */
  airShare?: number
  /** Reducing sugar, kg per kg of oils. */
  sugarShare?: number
}

/** What a recipe brings to the batter model, once per recipe. Shares of oil mass. */
export interface RecipePace {
  /** Of oils, water and superfat; what additives hasten is apart, since a blender drowns it. */
  lnRate: number
  lnHasten: number
  /** How far early fats (short and long saturated, ricinoleic) fall short of what a usual recipe has: what slows it, 0…0.38. */
  lack: number
  freeAcid: number
  /** Stearic and other free fatty acids sold as such, share of the oils: soap at first contact. */
  stearic: number
  /** The same acid as a head start of the reaction. */
  seed: number
  /** The reaction's clock with that head start: stirred or standing, and under a blender. */
  clock: { still: ReactionClock; blender: ReactionClock }
  /** Of additives and liquids in the whole batter: at once, and as powders swell. */
  lnViscosity: number
  lnSwell: number
  /** Air of a whipped batch in ln(viscosity); 0: not whipped. */
  lnAir: number
  thickening: number
  lnViscosity40: number
  /** Lye solution per kg of oils, kg. */
  lyeSolutionKgPerKg: number
  /** Volume fraction of the lye solution. */
  lyeVolumeShare: number
  /** What that share of droplets adds to ln(viscosity). */
  lnViscosityLye: number
  /** kJ/(kg·K) of the batter. */
  heatCapacity: number
  /** Rise for full conversion without loss, K. */
  adiabaticRiseK: number
  /** Of soap that stands: what the oils, water and sugar make of its rate; and what of the lye there is oil for beyond. */
  standing: { quickness: number; superfatShare: number }
  /** Below this the fats start to set, °C. */
  clearPointC: number
  solidAt: (c: number) => number
}

const OIL_DENSITY = 0.905

/** Share of early fats below which a batter is slower than its oils' sums say, and by how much (fitted to slow oils). */
const EARLY_ENOUGH = 0.38
const LACK_SLOWS = 5
const EARLY_PER_QUICKNESS = 0.3
/** Head start of the reaction per root of the share of solid fatty acid, and what of it is left under a blender (fitted). */
const SEED_PER_ROOT = 0.1
const SEED_BLENDED = 0.45

/** Everything that a share of solid fatty acid brings to the reaction. */
export function acidHeadStart(stearic: number): Pick<RecipePace, 'stearic' | 'seed' | 'clock'> {
  const seed = SEED_PER_ROOT * Math.sqrt(stearic)
  return { stearic, seed, clock: { still: reactionClock(seed), blender: reactionClock(SEED_BLENDED * seed) } }
}

/** ln(viscosity) that air brings to a whipped batter. */
export const airEffect = (airShare: number): number => (2.5 * airShare) / (1 - airShare)

/** The lye concentration that the model can bear: outside it is taken at its ends, and the plan's notices say so. */
const modelled = (w: number): number => Math.min(0.5, Math.max(0.15, w))

/** Quantities of the batter model for a recipe. Valid for 25–40 % lye and 0–20 % superfat. */
export function recipePace(input: PaceInput): RecipePace {
  const { superfatShare } = input
  const w = modelled(input.lyeConcentrationShare)
  const acids = input.oils.filter(part => isFattyAcid(part.oil))
  const stearic = acids.reduce((sum, part) => sum + part.share, 0)
  const oils =
    stearic < 1
      ? input.oils.flatMap(part => (isFattyAcid(part.oil) ? [] : [{ ...part, share: part.share / (1 - stearic) }]))
      : input.oils
  const weigh = (of: (oil: OilInRecipe['oil']) => number) =>
    oils.reduce((sum, part) => sum + part.share * of(part.oil), 0)
  const groups = GROUPS.map(({ group, pace, thickening, viscosity }) => ({
    group,
    pace,
    thickening,
    viscosity,
    share: weigh(oil => fattyGroups(oil)[group]),
  }))
  const over = (of: (row: (typeof groups)[number]) => number) =>
    groups.reduce((sum, row) => sum + row.share * of(row), 0)
  const sap = weigh(oil => (oil.sapKohMgPerG * NAOH_PER_KOH) / 1000)
  const lye = (sap * (1 - superfatShare)) / w
  const oilVolume = 1 / OIL_DENSITY
  const lyeVolume = lye / (1 + 1.1 * w)
  const lyeVolumeShare = lyeVolume / (oilVolume + lyeVolume)
  const heatCapacity = (CONSTANTS.oilHeatCapacity.value + lye * lyeHeatCapacity(w, 20)) / (1 + lye)
  const parts = solidParts(oils)
  const share = (group: keyof FattyGroups) => groups.find(row => row.group === group)!.share
  const early =
    share('shortSaturated') +
    share('longSaturated') +
    share('ricinoleic') +
    EARLY_PER_QUICKNESS * weigh(oil => Math.max(0, oil.quickness))
  const lack = Math.max(0, EARLY_ENOUGH - early)
  const effect = input.effect ?? NO_EFFECT
  return {
    lnRate:
      over(row => row.pace) +
      weigh(oil => oil.quickness) +
      BALANCE +
      6 * (w - 0.3) -
      2 * (superfatShare - 0.05) -
      LACK_SLOWS * lack,
    lnHasten: effect.lnRate,
    lack,
    freeAcid: Math.min(
      0.5,
      weigh(oil => oil.freeAcidShare),
    ),
    ...acidHeadStart(stearic),
    lnViscosity: effect.lnViscosity,
    lnSwell: effect.lnSwell,
    lnAir: input.airShare ? airEffect(input.airShare) : 0,
    thickening: over(row => row.thickening),
    lnViscosity40: over(row => Math.log(row.viscosity)),
    lyeSolutionKgPerKg: lye,
    lyeVolumeShare,
    lnViscosityLye: -1.85 * Math.log(1 - lyeVolumeShare / 0.74),
    heatCapacity,
    adiabaticRiseK:
      ((sap / NAOH_KG_PER_MOL) * (1 - superfatShare) * CONSTANTS.saponificationHeat.value) / ((1 + lye) * heatCapacity),
    standing: {
      quickness: quicknessOf({
        short: share('shortSaturated'),
        long: share('longSaturated'),
        poly: share('polyunsaturated'),
        ricinoleic: share('ricinoleic'),
        lyeConcentration: w,
        sugar: input.sugarShare ?? 0,
      }),
      superfatShare,
    },
    clearPointC: clearPoint(parts),
    solidAt: solidShareTable(parts),
  }
}
