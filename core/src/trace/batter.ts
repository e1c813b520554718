import { conversionAt, lnRateConstant, thetaOf } from './kinetics.ts'
import { levelOfLnViscosity } from './scale.ts'
import { UNSCENTED } from './scent-effect.ts'
import type { ScentEffect } from './scent-effect.ts'
import type { RecipePace } from './recipe-pace.ts'

/** A batter, or a portion of one, at a moment. */
export interface Batter {
  /** How complete the emulsion is, 0…1. */
  emulsion: number
  /** Share turned into soap, 0…1. */
  converted: number
  /** Rest structure, 0…1: builds while it stands, breaks when stirred. */
  structure: number
  /** Solid share of the fat, 0…1. */
  solid: number
  /** Jump of ln(viscosity) from the scent so far. */
  jump: number
  temperatureC: number
}

/** What this portion carries besides the recipe. */
export interface Load {
  scent: ScentEffect
  /** Added to ln(rate) and ln(viscosity): colorants and what they are dispersed in. */
  lnRate: number
  lnViscosity: number
  /** This run's luck: ln of the rate multiplier, 0 = median. */
  luck: number
}

export const PLAIN_LOAD: Load = { scent: UNSCENTED, lnRate: 0, lnViscosity: 0, luck: 0 }

export type HandlingMode = 'rest' | 'now-and-then' | 'hand' | 'whisk' | 'stick' | 'bursts'

/** Rate factor, growth of emulsion (1/s) and breakdown of rest structure (1/s). Fitted to bench observations. */
export interface Handling {
  mode: HandlingMode
  rate: number
  emulsify: number
  breakdown: number
}

const BURST_DUTY = 0.2

/** Power of a stick blender in `massKg` of batter, relative to 1.5 kg. */
export const blenderPower = (massKg: number, strength: number): number =>
  Math.min(2.2, Math.max(0.4, Math.pow(1.5 / massKg, 0.6))) * strength

/** How a mode works on the batter; `power` matters only for the stick blender. */
export function handling(mode: HandlingMode, power = 1): Handling {
  switch (mode) {
    case 'rest':
      return { mode, rate: 0.44, emulsify: 0, breakdown: 0 }
    case 'now-and-then':
      return { mode, rate: 0.58, emulsify: 1 / 800, breakdown: 1 / 60 }
    case 'hand':
      return { mode, rate: 1, emulsify: 1 / 300, breakdown: 0.4 }
    case 'whisk':
      return { mode, rate: 2, emulsify: 1 / 90, breakdown: 0.6 }
    case 'stick':
      return { mode, rate: 19 * power, emulsify: 0.088 * power, breakdown: 1 }
    case 'bursts':
      return {
        mode,
        rate: BURST_DUTY * 19 * power + (1 - BURST_DUTY),
        emulsify: BURST_DUTY * 0.088 * power + (1 - BURST_DUTY) / 300,
        breakdown: 0.4,
      }
  }
}

/** Room and the time (s) in which a portion closes 63 % of its gap to it; `null` = no loss. */
export type Cooling = { roomC: number; tauS: number } | null

/** The batter as oils and lye meet. `melted`: fats were clear within the last quarter hour. */
export const freshBatter = (pace: RecipePace, temperatureC: number, melted = false): Batter => ({
  emulsion: 0,
  converted: pace.freeAcid,
  structure: 0,
  solid: melted ? 0 : pace.solidAt(temperatureC),
  jump: 0,
  temperatureC,
})

/** A portion just split from the pot: the pot's state, stirred by the pouring. */
export const split = (pot: Batter): Batter => ({ ...pot, structure: 0.1 })

/**
 * One step of `seconds`, closed-form within the step, of a batter that the caller owns: it is changed in place, which thousands of
 * steps do without leaving anything behind. Accurate to 0.01 level for steps up to 1 s under a stick blender and 120 s otherwise.
 */
export function advanceBatter(
  batter: Batter,
  pace: RecipePace,
  load: Load,
  how: Handling,
  seconds: number,
  cooling: Cooling = null,
): void {
  const { emulsion: emulsionBefore, converted: convertedBefore, temperatureC: warmthBefore } = batter
  const quick = how.emulsify * (1 + 40 * pace.freeAcid + 20 * pace.stearic)
  let emulsion = quick === 0 ? emulsionBefore : 1 - (1 - emulsionBefore) * Math.exp(-quick * seconds)
  if (how.mode === 'rest' && emulsion < 0.7 && convertedBefore < 0.01) emulsion *= Math.exp(-seconds / 300)
  const mid = (emulsionBefore + emulsion) / 2

  const lnRate = pace.lnRate + load.scent.lnRate + load.lnRate + load.luck
  const rate = Math.exp(lnRateConstant(warmthBefore) + lnRate) * how.rate * mid * mid
  const converted = Math.max(convertedBefore, conversionAt(thetaOf(convertedBefore) + rate * seconds))

  let temperatureC = warmthBefore + pace.adiabaticRiseK * (converted - convertedBefore)
  if (cooling) {
    temperatureC = cooling.roomC + (temperatureC - cooling.roomC) * Math.exp(-seconds / cooling.tauS)
  }
  temperatureC = Math.min(100, Math.max(0, temperatureC))

  const build = load.scent.build / 90
  const turnover = build + how.breakdown
  const settled = build / turnover
  const jumpGoal = load.scent.jump

  batter.emulsion = emulsion
  batter.converted = converted
  batter.temperatureC = temperatureC
  batter.structure = settled + (batter.structure - settled) * Math.exp(-turnover * seconds)
  batter.solid = solidAfter(batter.solid, pace.solidAt(temperatureC), how, seconds)
  batter.jump = batter.jump === jumpGoal ? jumpGoal : jumpGoal + (batter.jump - jumpGoal) * Math.exp(-seconds / 8)
}

/** The same, of a batter that stays as it is. */
export function stepBatter(
  before: Batter,
  pace: RecipePace,
  load: Load,
  how: Handling,
  seconds: number,
  cooling: Cooling = null,
): Batter {
  const after = { ...before }
  advanceBatter(after, pace, load, how, seconds, cooling)
  return after
}

/** Fat sets in minutes, sooner when stirred, and melts within one. */
function solidAfter(before: number, goal: number, how: Handling, seconds: number): number {
  if (before === goal) return goal
  const tau = goal > before ? (how.mode === 'rest' ? 600 : 240) : 60
  return goal + (before - goal) * Math.exp(-seconds / tau)
}

/** Soap that thickens, by its effect: fatty acids sold as such count at once, and more. */
const formed = (batter: Batter, pace: RecipePace): number => pace.thickening * batter.converted + 3.5 * pace.stearic

/** ln of the apparent viscosity in Pa·s, not capped at "set". */
function lnViscosity(batter: Batter, pace: RecipePace, load: Load, structure: number, solid: number): number {
  const soap = formed(batter, pace)
  return (
    pace.lnViscosity40 +
    3500 * (1 / (batter.temperatureC + 273.15) - 1 / 313.15) +
    pace.lnViscosityLye +
    Math.log(1 + 0.65 * batter.emulsion) +
    19.5 * Math.exp(0.81 * Math.log(soap)) +
    (40 * solid) / (1 + solid / 0.25) +
    batter.jump +
    pace.lnViscosity +
    load.lnViscosity +
    0.95 * (1 - Math.exp(-soap / 0.04)) * load.scent.gain * structure
  )
}

function levelWith(batter: Batter, pace: RecipePace, load: Load, structure: number, solid: number): number {
  const thick = levelOfLnViscosity(lnViscosity(batter, pace, load, structure, solid))
  return Math.min(5, Math.min(1, batter.emulsion / 0.85) + thick - 1)
}

/** Trace level, 0…5, as the maker sees it. */
export const levelOf = (batter: Batter, pace: RecipePace, load: Load): number =>
  levelWith(batter, pace, load, batter.structure, batter.solid)

/** The level right under the blender, which leaves no structure of rest. */
export const blendedLevel = (batter: Batter, pace: RecipePace, load: Load): number =>
  levelWith(batter, pace, load, 0, batter.solid)

/** The level it would show after a few seconds of stirring by hand: what a pour meets. */
export function movingLevel(batter: Batter, pace: RecipePace, load: Load): number {
  const turnover = load.scent.build / 90 + 0.4
  const settled = load.scent.build / 90 / turnover
  const structure = settled + (batter.structure - settled) * Math.exp(-turnover * RESTIR_S)
  return levelWith(batter, pace, load, Math.min(structure, batter.structure), batter.solid)
}

/** Stirred this long by hand before every pour. */
export const RESTIR_S = 5

/** How far solid fat alone lifts the level while little real soap has formed; 0 once it has. */
export function falseLift(batter: Batter, pace: RecipePace, load: Load): number {
  if (batter.solid === 0 || (batter.emulsion >= 0.85 && formed(batter, pace) >= 0.02)) return 0
  return levelOf(batter, pace, load) - levelWith(batter, pace, load, batter.structure, 0)
}

/** Solid fat that looks like trace: the level is at least 0.4 higher than without it, before real soap has formed. */
export const isFalseTrace = (batter: Batter, pace: RecipePace, load: Load): boolean =>
  falseLift(batter, pace, load) >= FALSE_TRACE

/** Lift of the level from which trace is called false. */
export const FALSE_TRACE = 0.4

/** Time in s in which a cup of `massG` closes 63 % of its gap to the room. Engineering estimate. */
export const cupCoolingS = (massG: number): number => 2900 * Math.pow(Math.max(massG, 10) / 250, 0.35)
