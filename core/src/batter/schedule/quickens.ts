import { fact } from '../../quantities/facts/index.ts'
import type { Words } from '../../quantities/facts/index.ts'
import type { Plan } from '../../plan/index.ts'
import { unitBatter } from '../../recipe/index.ts'
import type { UnitBatter } from '../../recipe/index.ts'
import { findById } from '../../shelf/index.ts'
import type { Shelf } from '../../shelf/index.ts'
import {
  NO_EFFECT,
  UNSCENTED,
  acidHeadStart,
  advanceBatter,
  batterPace,
  blendedLevel,
  blenderPower,
  cupCoolingS,
  freshBatter,
  handling,
  loadOf,
  movingLevel,
  scentEffect,
  split,
} from '../trace/index.ts'
import type { BatterEffect, Load, RecipePace } from '../trace/index.ts'
import { MODES } from './run-state.ts'
import type { RunInput } from './run-input.ts'

/** What quickens and what slows a batter, each with its part: the batter worked through again without it. */

/** Where warmth, water and oils neither quicken nor slow. */
const ORDINARY = { mixC: 30, lyeShare: 0.3 } as const
const LONGEST_S = 3600
const STEP_S = 15
const STIR_S = 20
/** Named when it takes more than this off the time, or adds it. */
const NAMED = 1.03
const MOST_NAMED = 4
/** Shorter is no time at all, min. */
const LEAST_MIN = 0.25
const MELTED_ABOVE_K = 3

/** A batter that goes into one cup, as far as its pace goes. */
export interface Brew {
  pace: RecipePace
  mixC: number
  /** ln(rate factor) of its scent, and whether it is in from the start. */
  scent: number
  isEarly: boolean
  /** Of the cup's colours. */
  effect: BatterEffect
}

export interface Bench1 {
  potKg: number
  cupKg: number
  roomC: number
  strength: number
  /** Trace at which blending stops, and from which on the pour is too thick. */
  stopLevel: number
  hi: number
}

const loadIn = (brew: Brew, isIn: boolean): Load =>
  loadOf(isIn || brew.isEarly ? scentEffect(brew.scent) : UNSCENTED, isIn ? brew.effect : NO_EFFECT, 0)

/** Seconds of the blender to the stop; a minute and a half of it at most is looked at per kilogram. */
export function blendSecondsOf(brew: Brew, { potKg, strength, stopLevel }: Bench1): number {
  const how = handling('stick', blenderPower(potKg, strength))
  const load = loadIn(brew, false)
  const batter = freshBatter(brew.pace, brew.mixC, brew.mixC >= brew.pace.clearPointC + MELTED_ABOVE_K)
  let s = 0
  for (; s < LONGEST_S / 3 && blendedLevel(batter, brew.pace, load) < stopLevel; s += 1)
    advanceBatter(batter, brew.pace, load, how, 1)
  return s
}

/** Minutes from the end of so much blending until a cup that is stirred now and then is too thick to pour. */
export function minutesUntilThick(brew: Brew, state: Bench1, blendS: number): number {
  const { potKg, cupKg, roomC, strength, hi } = state
  const how = handling('stick', blenderPower(potKg, strength))
  const before = loadIn(brew, false)
  let batter = freshBatter(brew.pace, brew.mixC, brew.mixC >= brew.pace.clearPointC + MELTED_ABOVE_K)
  for (let s = 0; s < blendS; s += 1) advanceBatter(batter, brew.pace, before, how, 1)
  batter = split(batter)
  const load = loadIn(brew, true)
  const cooling = { roomC, tauS: cupCoolingS(1000 * cupKg) }
  let was = movingLevel(batter, brew.pace, load)
  for (let s = 0; s < LONGEST_S; s += STEP_S) {
    advanceBatter(batter, brew.pace, load, s < STIR_S ? MODES.hand : MODES.pour, STEP_S, cooling)
    const now = movingLevel(batter, brew.pace, load)
    if (now > hi) return (s + (STEP_S * Math.max(0, hi - was)) / Math.max(1e-9, now - was)) / 60
    was = now
  }
  return LONGEST_S / 60
}

/** One thing that quickens or slows, and the minutes that there would be without it. */
export interface PacePart {
  key: string
  name: Words
  /** Minutes until too thick, without it. */
  withoutMin: number
  /** Its share of all that quickens, or of all that slows, 0…1. */
  share: number
}

/** What quickens and slows the cup that is thick first. */
export interface Quickens {
  cup: string
  cupName: string
  /** Blending that the whole needs, s, and minutes from its end until too thick to pour; 60: an hour or more. */
  blendS: number
  minutes: number
  quickens: PacePart[]
  slows: PacePart[]
  /** Whether it is meant to thicken: spooned, textured or piped. */
  isWanted: boolean
}

/** ln(rate) of the oils alone, water and superfat taken off. */
const ofOils = (pace: RecipePace, unit: UnitBatter): number =>
  pace.lnRate - 6 * (unit.water.concentration - ORDINARY.lyeShare) + 2 * (unit.superfatShare - 0.05)

interface Without {
  key: string
  name: Words
  brew: Brew
}

/** The brew without each thing that may matter. */
function variants(
  brew: Brew,
  unit: UnitBatter,
  names: { scent: Words; colours: { name: string; effect: BatterEffect }[] },
): Without[] {
  const { pace, mixC, effect } = brew
  const list: Without[] = []
  const add = (key: string, name: Words, change: Partial<Brew>) =>
    list.push({ key, name, brew: { ...brew, ...change } })
  const paced = (change: Partial<RecipePace>) => ({ pace: { ...pace, ...change } })
  if (brew.scent !== 0) add('scent', names.scent, { scent: 0 })
  if (pace.stearic > 0) add('acid', fact('schedule.solid-fatty-acid'), paced(acidHeadStart(0)))
  unit.additives.forEach(({ additive }, i) => {
    const less = batterPace({ ...unit, additives: unit.additives.filter((_, k) => k !== i) })
    if (less.lnHasten !== pace.lnHasten || less.lnViscosity !== pace.lnViscosity || less.lnSwell !== pace.lnSwell)
      add(
        `additive-${additive.id}`,
        additive.name.toLowerCase(),
        paced({ lnHasten: less.lnHasten, lnViscosity: less.lnViscosity, lnSwell: less.lnSwell }),
      )
  })
  const dry = batterPace({ ...unit, liquids: [] })
  if (unit.liquids.length > 0 && dry.lnHasten !== pace.lnHasten)
    add('liquids', fact('schedule.milk-or-pur-e'), paced({ lnHasten: dry.lnHasten, lnViscosity: dry.lnViscosity }))
  for (const { name, effect: one } of names.colours)
    add(`colour-${name}`, name.toLowerCase(), {
      effect: {
        lnRate: effect.lnRate - one.lnRate,
        lnViscosity: effect.lnViscosity - one.lnViscosity,
        lnSwell: effect.lnSwell - one.lnSwell,
      },
    })
  const w = unit.water.concentration
  if (Math.abs(w - ORDINARY.lyeShare) > 0.002) {
    const usual = batterPace({ ...unit, water: { ...unit.water, concentration: ORDINARY.lyeShare } })
    add('water', w > ORDINARY.lyeShare ? fact('schedule.little-water') : fact('schedule.much-water'), { pace: usual })
  }
  if (Math.abs(mixC - ORDINARY.mixC) > 0.5)
    add('warmth', mixC > ORDINARY.mixC ? fact('warmth') : fact('schedule.cool-mix'), { mixC: ORDINARY.mixC })
  const oils = ofOils(pace, unit)
  if (Math.abs(oils) > 0.02)
    add(
      'oils',
      oils > 0 ? fact('schedule.hard-oils') : fact('schedule.slow-oils'),
      paced({ lnRate: pace.lnRate - oils }),
    )
  return list
}

function sharesOf(
  list: readonly { key: string; name: Words; withoutMin: number }[],
  minutes: number,
  isQuick: boolean,
): PacePart[] {
  const least = (min: number) => Math.max(LEAST_MIN, min)
  const strength = (min: number) => (isQuick ? 1 : -1) * Math.log(least(min) / least(minutes))
  const named = list.filter(one => strength(one.withoutMin) > Math.log(NAMED))
  const whole = named.reduce((sum, one) => sum + strength(one.withoutMin), 0)
  return named
    .map(({ key, name, withoutMin }) => ({ key, name, withoutMin, share: strength(withoutMin) / whole }))
    .sort((a, b) => b.share - a.share)
}

/** Parts of what quickens and slows a brew. */
export function partsOf(
  brew: Brew,
  state: Bench1,
  without: readonly Without[],
): Pick<Quickens, 'blendS' | 'minutes' | 'quickens' | 'slows'> {
  const blendS = blendSecondsOf(brew, state)
  const minutes = minutesUntilThick(brew, state, blendS)
  const list = without.map(({ key, name, brew: less }) => ({
    key,
    name,
    withoutMin: minutesUntilThick(less, state, blendS),
  }))
  return { blendS, minutes, quickens: sharesOf(list, minutes, true), slows: sharesOf(list, minutes, false) }
}

/** Windows from here on are meant for batter that has thickened. */
const THICK_FROM = 2.6

/** What quickens and slows the cup of a plan that is too thick first; null for a whipped batch, and where nothing is poured. */
export function quickensOf(plan: Plan, shelf: Shelf, input: RunInput): Quickens | null {
  if (input.whipped) return null
  const unit = unitBatter(plan.recipe, shelf)
  const brews = input.pours.map(({ cup: i, window }) => {
    const cup = input.cups[i]!
    const brew: Brew = {
      pace: cup.pace,
      mixC: input.mixC,
      scent: cup.scent?.lnRate ?? 0,
      isEarly: cup.scent?.moment === 'oils',
      effect: { lnRate: cup.lnRate, lnViscosity: cup.lnViscosity, lnSwell: cup.lnSwell },
    }
    const potKg = input.ownBatters ? cup.massG / 1000 : input.potKg
    const state: Bench1 = {
      potKg: Math.max(0.05, potKg),
      cupKg: Math.max(0.02, cup.massG / 1000),
      roomC: input.roomC,
      strength: input.blenderStrength,
      stopLevel: input.stopLevel,
      hi: window.hi,
    }
    return { i, brew, state, window }
  })
  const poured = brews.filter(one => input.cups[one.i]!.massG > 0)
  if (poured.length === 0) return null
  // By how much quicker its load makes it, and how much room its window leaves: no run is needed to tell the first.
  const haste = ({ brew, window }: (typeof poured)[number]) =>
    brew.scent + brew.effect.lnRate + brew.effect.lnViscosity + brew.effect.lnSwell - window.hi
  const first = poured.reduce((a, b) => (haste(b) > haste(a) + 1e-9 ? b : a))
  const cup = input.cups[first.i]!
  const parts = cup.cup.ownScent?.parts ?? (cup.cup.scented ? (plan.scent?.parts ?? []) : [])
  const scent = parts.map(part => findById(shelf.scents, part.scent)?.name ?? part.scent).join(', ')
  const names = { scent, colours: coloursOf(cup.cup.id, cup, input, plan, shelf) }
  const found = partsOf(first.brew, first.state, variants(first.brew, unit, names))
  return { cup: cup.cup.id, cupName: cup.cup.name, ...found, isWanted: first.window.lo >= THICK_FROM }
}

/** Colours of a cup with what each does to it, near enough: the cup's effect shared by their doses. */
function coloursOf(
  id: string,
  effect: BatterEffect,
  input: RunInput,
  plan: Plan,
  shelf: Shelf,
): { name: string; effect: BatterEffect }[] {
  const cup = plan.cups.find(one => one.id === id)!
  const own = {
    lnRate: effect.lnRate - input.potEffect.lnRate,
    lnViscosity: effect.lnViscosity - input.potEffect.lnViscosity,
    lnSwell: effect.lnSwell - input.potEffect.lnSwell,
  }
  const whole = cup.colorants.reduce((sum, part) => sum + part.doseGPerKg, 0)
  if (!(whole > 0)) return []
  return cup.colorants.map(part => {
    const share = part.doseGPerKg / whole
    return {
      name: findById(shelf.colorants, part.colorant)?.name ?? part.colorant,
      effect: { lnRate: share * own.lnRate, lnViscosity: share * own.lnViscosity, lnSwell: share * own.lnSwell },
    }
  })
}

/** How many of the parts are named, with "and others" for the rest. */
export const namedParts = (parts: readonly PacePart[]): { named: PacePart[]; hasMore: boolean } => ({
  named: parts.slice(0, MOST_NAMED),
  hasMore: parts.length > MOST_NAMED,
})
