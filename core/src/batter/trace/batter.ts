import { FADES, faded } from './faded.ts'
import { lnRateConstant } from './kinetics.ts'
import { accelerationOf, convertedInMould, emulsionEffect, standingPace } from '../standing/index.ts'
import { levelOfLnViscosity } from './scale.ts'
import { UNSCENTED } from './scent-effect.ts'
import type { ScentEffect } from './scent-effect.ts'
import { NO_EFFECT } from './colorant-effect.ts'
import type { BatterEffect } from './colorant-effect.ts'
import type { Handling } from './handling.ts'
import type { RecipePace } from './recipe-pace.ts'
import { whipStiffened } from './whipped.ts'

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
  /** How far powders of the whole batter have swollen and fatty acid's soap has knit, 0…1. */
  swollen: number
  /** The same of what a cup alone carries. */
  swollenOwn: number
  temperatureC: number
}

/** What this portion carries besides the recipe. */
export interface Load extends BatterEffect {
  scent: ScentEffect
  /** This run's variation: ln of the rate multiplier, 0 = median. */
  variation: number
}

/** A load written out: spread together from parts each is of another kind to the engine, and every step takes longer. */
export const loadOf = (
  scent: ScentEffect,
  { lnRate, lnViscosity, lnSwell }: BatterEffect,
  variation: number,
): Load => ({
  scent,
  lnRate,
  lnViscosity,
  lnSwell,
  variation,
})

export const PLAIN_LOAD: Load = loadOf(UNSCENTED, NO_EFFECT, 0)

/** Room and the time (s) in which a portion closes 63 % of its gap to it; `null` = no loss. */
export type Cooling = { roomC: number; tauS: number } | null

/** The batter as oils and lye meet. `melted`: fats were clear within the last quarter hour. */
export const freshBatter = (pace: RecipePace, temperatureC: number, melted = false): Batter => ({
  emulsion: 0,
  converted: pace.freeAcid,
  structure: 0,
  solid: melted ? 0 : pace.solidAt(temperatureC),
  jump: 0,
  swollen: 0,
  swollenOwn: 0,
  temperatureC,
})

/** Emulsion and soap of a whipped batter as the last lye has been trickled in (estimates). */
const AS_WHIPPED = { emulsion: 0.9, converted: 0.006 } as const

/** A whipped batter as its lye has been trickled in: hard fats are set, air is in. */
export const whippedBatter = (pace: RecipePace, temperatureC: number): Batter => ({
  ...freshBatter(pace, temperatureC),
  emulsion: AS_WHIPPED.emulsion,
  converted: Math.max(AS_WHIPPED.converted, pace.freeAcid),
})

/** A portion just split from the pot: the pot's state, stirred by the pouring. */
export function split(pot: Batter): Batter {
  const portion = sameBatter(pot)
  portion.structure = 0.1
  portion.swollenOwn = 0
  return portion
}

/** A batter of its own in the same state; written out for the same reason as a load. */
export const sameBatter = (of: Batter): Batter => ({
  emulsion: of.emulsion,
  converted: of.converted,
  structure: of.structure,
  solid: of.solid,
  jump: of.jump,
  swollen: of.swollen,
  swollenOwn: of.swollenOwn,
  temperatureC: of.temperatureC,
})

/**
 * Soap at which a stirred batter gets beyond what stirring alone reaches, at which one at rest holds together, and at which
 * oil and lye touch everywhere, whatever the emulsion (fitted to slow oils and to stirring without a blender).
 */
const SOAP = { helps: 0.008, keeps: 0.006, touches: 0.055 } as const
/** An emulsion below this comes apart where it stands, in about so many seconds (estimate). */
const PARTS = { below: 0.78, s: 150 } as const
/** Seconds in which a powder swells and the soap of fatty acids knits (fitted). */
const SWELL_S = 250
/** What is left under a blender of what hastens, up to 1 and above: its knives make the interface (fitted). */
const DROWNED = { first: 0.2, beyond: 0.1 } as const

/** How complete the emulsion is after a step of stirring or standing. */
function emulsionAfter(e: number, pace: RecipePace, how: Handling, soap: number, seconds: number): number {
  if (how.emulsify === 0) {
    if (how.mode !== 'rest' || e >= PARTS.below) return e
    const short = (PARTS.below - e) / PARTS.below
    return e * Math.exp((-seconds / PARTS.s) * short * Math.exp(-soap / SOAP.keeps))
  }
  if (e > 0.99999) return e
  const quick = how.emulsify * (1 + 40 * pace.freeAcid + 30 * Math.min(pace.stearic, 0.02))
  if (how.isBlender) return 1 - (1 - e) * faded(FADES.blended, quick * seconds)
  const reach = how.reach + (1 - how.reach) * (1 - Math.exp(-soap / SOAP.helps))
  // What a blender has made fine goes on improving under the spoon; a coarse emulsion does not.
  const open = Math.min(1, Math.max(0, reach - e) / Math.max(1e-9, 1 - e) + e * e * e * e)
  return 1 - (1 - e) * Math.exp(-quick * open * seconds)
}

/** ln of what scent, additives and colours do to the rate; what slows is never drowned. */
function hastened(pace: RecipePace, load: Load, how: Handling): number {
  const sum = load.scent.lnRate + pace.lnHasten + load.lnRate
  if (!how.isBlender || sum <= 0) return sum
  return DROWNED.first * Math.min(sum, 1) + DROWNED.beyond * Math.max(0, sum - 1)
}

/** Batter has set from here on: it goes on as soap in the mould does. */
const SET_LEVEL = 4.5
/** Below these it cannot have set: most steps need not ask. */
const MAY_SET = { converted: 0.1, jump: 0.4 } as const

const hasSet = (batter: Batter, pace: RecipePace, load: Load, how: Handling): boolean =>
  (how.mode === 'rest' || how.mode === 'now-and-then') &&
  (batter.converted > MAY_SET.converted || batter.jump > MAY_SET.jump) &&
  levelWith(batter, pace, load, batter.structure, batter.solid) >= SET_LEVEL

/**
 * Conversion after a step of batter that has set: the law of stirred batter was fitted to what can be stirred and overruns, so
 * that of standing soap holds where it is slower.
 */
function asSet(stirred: number, batter: Batter, pace: RecipePace, load: Load, seconds: number): number {
  const quickness =
    pace.standing.quickness *
    accelerationOf(load.scent.lnRate) *
    emulsionEffect(batter.emulsion) *
    Math.exp(load.variation)
  const pours = convertedInMould(batter.converted)
  const stood = standingPace(pours, batter.temperatureC, quickness, pace.standing.superfatShare) * seconds
  return Math.min(stirred, batter.converted + stood)
}

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
  const soap = convertedBefore + pace.seed
  const emulsion = emulsionAfter(emulsionBefore, pace, how, soap, seconds)
  const mid = (emulsionBefore + emulsion) / 2
  const apart = (1 - mid * mid) * Math.exp(-(soap / SOAP.touches) * (soap / SOAP.touches))

  const lnRate = pace.lnRate + hastened(pace, load, how) + load.variation
  const rate = Math.exp(lnRateConstant(warmthBefore) + lnRate) * how.rate * (1 - apart)
  const clock = how.isBlender ? pace.clock.blender : pace.clock.still
  const stirred = clock.conversionAt(clock.thetaOf(convertedBefore) + rate * seconds)
  const converted = Math.max(
    convertedBefore,
    hasSet(batter, pace, load, how) ? asSet(stirred, batter, pace, load, seconds) : stirred,
  )

  let temperatureC = warmthBefore + pace.adiabaticRiseK * (converted - convertedBefore)
  if (cooling) {
    temperatureC = cooling.roomC + (temperatureC - cooling.roomC) * faded(FADES.cooling, seconds / cooling.tauS)
  }
  temperatureC = Math.min(100, Math.max(0, temperatureC))

  const build = load.scent.build / 90
  const turnover = build + how.breakdown
  const settled = build / turnover
  const jumpGoal = load.scent.jump

  batter.emulsion = emulsion
  batter.converted = converted
  batter.temperatureC = temperatureC
  batter.structure = settled + (batter.structure - settled) * faded(FADES.structure, turnover * seconds)
  batter.solid = solidAfter(batter.solid, pace.solidAt(temperatureC), how, seconds)
  batter.jump =
    batter.jump === jumpGoal ? jumpGoal : jumpGoal + (batter.jump - jumpGoal) * faded(FADES.jump, seconds / 8)
  if (pace.stearic > 0 || pace.lnSwell > 0 || load.lnSwell > 0) {
    const dry = faded(FADES.swelling, seconds / SWELL_S)
    batter.swollen = 1 - (1 - batter.swollen) * dry
    batter.swollenOwn = 1 - (1 - batter.swollenOwn) * dry
  }
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
  const after = sameBatter(before)
  advanceBatter(after, pace, load, how, seconds, cooling)
  return after
}

/** Fat sets in minutes, sooner when stirred, and melts within one. */
function solidAfter(before: number, goal: number, how: Handling, seconds: number): number {
  if (before === goal) return goal
  const tau = goal > before ? (how.mode === 'rest' ? 600 : 240) : 60
  return goal + (before - goal) * faded(FADES.setting, seconds / tau)
}

/** Thickening of the soap of solid fatty acid per share of the oils, and what of it is there at once (fitted). */
const ACID = { thickens: 3.5, atOnce: 0.33 } as const
/** Thickening soap at which the structure of rest is whole, and how a swollen powder counts as such (fitted). */
const KNIT = { whole: 0.04, perSwell: 0.03 } as const
/** A third of what swells later acts at once: dry powders bring a quarter at first and three quarters later. */
const FIRST_PER_LATER = 1 / 3
/** Up to this a scent's jump is there while the batter moves; what is above only as it stands (estimate). */
const MOVING_JUMP = 0.4
const JUMP_STANDS = 0.15

/** Soap that thickens, by its effect: fatty acids sold as such count more, a third of it at once. */
const formed = (batter: Batter, pace: RecipePace): number =>
  pace.thickening * batter.converted + ACID.thickens * pace.stearic * (ACID.atOnce + (1 - ACID.atOnce) * batter.swollen)

function jumpNow(jump: number, structure: number): number {
  if (jump <= MOVING_JUMP) return jump
  const stands = structure / JUMP_STANDS
  return MOVING_JUMP + (jump - MOVING_JUMP) * (1 - Math.exp(-stands * stands))
}

/** ln of the apparent viscosity in Pa·s, not capped at "set". */
function lnViscosity(batter: Batter, pace: RecipePace, load: Load, structure: number, solid: number): number {
  const soap = formed(batter, pace)
  const knit =
    soap +
    KNIT.perSwell *
      (pace.lnSwell * (FIRST_PER_LATER + batter.swollen) + load.lnSwell * (FIRST_PER_LATER + batter.swollenOwn))
  const thick =
    pace.lnViscosity40 +
    3500 * (1 / (batter.temperatureC + 273.15) - 1 / 313.15) +
    pace.lnViscosityLye +
    Math.log(1 + 0.65 * batter.emulsion) +
    19.5 * Math.exp(0.81 * Math.log(soap)) +
    (40 * solid) / (1 + solid / 0.25) +
    jumpNow(batter.jump, structure) +
    pace.lnViscosity +
    pace.lnSwell * batter.swollen +
    load.lnViscosity +
    load.lnSwell * batter.swollenOwn +
    pace.lnAir +
    0.95 * (1 - Math.exp(-knit / KNIT.whole)) * load.scent.gain * structure
  return pace.lnAir > 0 ? whipStiffened(thick) : thick
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
  const structure = settled + (batter.structure - settled) * faded(FADES.restirred, turnover * RESTIR_S)
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
