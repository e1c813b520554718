import type { Cup, Plan, ScentMoment } from '../plan/index.ts'
import type { Portions } from '../portions/index.ts'
import { oilsByShare } from '../recipe/index.ts'
import { findById } from '../shelf/index.ts'
import type { AccelerationClass, Shelf } from '../shelf/index.ts'
import { SCENT_PRIORS, atDose, colorantEffect, recipePace } from '../trace/index.ts'
import type { RecipePace } from '../trace/index.ts'

/** Trace range that a pour needs: moving level from start to end. */
export interface Window {
  lo: number
  hi: number
}

/** Plain soap in one pour: nothing to carry, it only has to hold together and level itself. Engineering estimate. */
export const FLOOR_WINDOW: Window = { lo: 1.2, hi: 3.2 }
/** A straight layer: pours level by itself, yet is no longer a liquid, so that it soon carries. Engineering estimate. */
export const LAYER_WINDOW: Window = { lo: 2, hi: 3.2 }

/** Hand times, s: defaults before a workshop's own. Engineering estimates. */
export const HAND_TIMES = {
  splitPerCup: 15,
  scentIntoPot: 30,
  colourStir: 45,
  scentStir: 20,
  /** Lifting the cup and wiping. */
  pourFixed: 12,
} as const

/** About 40 s for 250 g over a spatula; larger cups pour in a thicker stream. */
export const pourSeconds = (massG: number): number => HAND_TIMES.pourFixed + 1.34 * Math.pow(massG, 0.55)

export interface CupJob {
  cup: Cup
  massG: number
  /** Seconds of stirring colour in; 0 without colour. */
  colourS: number
  lnRate: number
  lnViscosity: number
  /** ln(rate factor) of the scent at the dose used, its spread, and whether this cup gets it. */
  scented: boolean
}

export interface PourJob {
  pour: string
  /** Index of the cup. */
  cup: number
  massG: number
  seconds: number
  window: Window
  waitS: number
  /** Standing level that the layer below must have; null on the mould's floor. */
  dropMm: number
  overSpatula: boolean
}

/** A plan as the timetable needs it: numbers only. */
export interface Job {
  pace: RecipePace
  potKg: number
  mixC: number
  roomC: number
  stopLevel: number
  blenderStrength: number
  scentMoment: ScentMoment
  /** ln(rate factor) at the dose used; 0 without scent. */
  scentLnRate: number
  scentSd: number
  cups: CupJob[]
  pours: PourJob[]
}

/** A scent's spread narrows with own runs: precision of the class prior plus one run's scatter (sd 0.3) each. */
function scentSpread(acceleration: AccelerationClass, ownRuns: number): number {
  const prior = SCENT_PRIORS[acceleration].sd
  const posterior = 1 / (1 / (prior * prior) + ownRuns / (0.3 * 0.3))
  return Math.sqrt(posterior + 0.1 * 0.1)
}

function cupJob(cup: Cup, i: number, plan: Plan, portions: Portions, shelf: Shelf): CupJob {
  const portion = portions.cups[i]!
  const colorant = cup.colorant && findById(shelf.colorants, cup.colorant.colorant)
  const oilInCupG = portion.exact.batterG * (portions.oilG / portions.potG)
  const effect =
    cup.colorant && portion.totalG > 0
      ? colorantEffect({
          powderShareOfOils: portion.exact.colorantG / oilInCupG,
          mediumShareOfPortion: portion.exact.mediumG / portion.totalG,
          medium: cup.colorant.medium,
          lnRatePerPercent: colorant?.lnRatePerPercent ?? 0,
          lnViscosityPerPercent: colorant?.lnViscosityPerPercent ?? 0,
        })
      : { lnRate: 0, lnViscosity: 0 }
  return {
    cup,
    massG: portion.totalG,
    colourS: cup.colorant ? HAND_TIMES.colourStir : 0,
    ...effect,
    scented: cup.scented && plan.scent !== null,
  }
}

/** Reduces a plan with its portions to the job of one pair of hands. */
export function jobOf(plan: Plan, portions: Portions, shelf: Shelf): Job {
  const scent = plan.scent && findById(shelf.scents, plan.scent.scent)
  const acceleration = scent?.acceleration ?? 'none'
  return {
    pace: recipePace({
      oils: oilsByShare(plan.recipe, shelf),
      superfatShare: plan.recipe.superfatShare,
      lyeConcentrationShare: plan.recipe.lyeConcentrationShare,
    }),
    potKg: portions.potG / 1000,
    mixC: plan.conditions.mixC,
    roomC: plan.conditions.roomC,
    stopLevel: plan.conditions.stopLevel,
    blenderStrength: plan.conditions.blenderStrength,
    scentMoment: plan.scent?.moment ?? 'pot',
    scentLnRate: plan.scent ? atDose(SCENT_PRIORS[acceleration].mean, plan.scent.shareOfOils * 1000) : 0,
    scentSd: plan.scent ? scentSpread(acceleration, scent?.ownRuns ?? 0) : 0,
    cups: plan.cups.map((cup, i) => cupJob(cup, i, plan, portions, shelf)),
    pours: plan.score.map((pour, i) => ({
      pour: pour.id,
      cup: plan.cups.findIndex(cup => cup.id === pour.cup),
      massG: portions.layers[i]!.massG,
      seconds: pourSeconds(portions.layers[i]!.massG),
      window: plan.score.length === 1 ? FLOOR_WINDOW : LAYER_WINDOW,
      waitS: pour.waitMin * 60,
      dropMm: pour.dropMm,
      overSpatula: pour.overSpatula,
    })),
  }
}
