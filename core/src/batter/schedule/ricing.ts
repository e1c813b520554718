import type { Plan } from '../../plan/index.ts'
import { scentLoad } from '../../recipe/index.ts'
import type { UnitBatter } from '../../recipe/index.ts'
import type { AccelerationClass, HeatClass, Scent, Shelf } from '../../shelf/index.ts'
import { UNSCENTED } from '../trace/index.ts'
import type { CupTask, RunInput } from './run-input.ts'
import { ricingKnown } from './riced-pots.ts'
import { isStopped, ladderOf } from './ladder.ts'

/** Lumps of hard fat that a scent makes, hair, or a batter that parts: a hazard made of what is known to matter. Estimates. */

const BY_CLASS: Readonly<Record<AccelerationClass, number>> = {
  slows: 0.01,
  none: 0.015,
  mild: 0.04,
  moderate: 0.1,
  strong: 0.16,
  seizes: 0.3,
  unknown: 0.06,
}
/** What the shelf says of it, where it says more. */
const TOLD: Readonly<Record<HeatClass, number>> = { none: 0, low: 0.05, medium: 0.17, high: 0.9 }
/** Own batches without any lumps that make it unlikely. */
const CALM_RUNS = 2
const CALM = 0.01
const MOST = 0.9
/** From so many pots on trials stand for the class of the scent. */
const POTS_TELL = 2
const HARD_FAT = 0.1
/** Emulsion that scent meets in the oils, as the lye goes in. */
const IN_OILS = 0.8

const clamp = (x: number, low: number, high: number) => Math.min(high, Math.max(low, x))

/** What a scent meets. */
export interface Meets {
  /** Own hazard of the scent. */
  base: number
  /** Hard fat of the oils, 0…1; where they are clear, and how warm it is, °C. */
  hardFat: number
  clearC: number
  tempC: number
  /** Whether it goes into the oils before the lye. */
  inOils: boolean
  /** Milk powder and sugar, % of the oils; milk for all water counts 2. */
  busyPercent: number
  /** How complete the emulsion is, 0…1. */
  emulsion: number
}

/** What each thing multiplies the hazard by. */
export const ricingFactors = ({ hardFat, clearC, tempC, inOils, busyPercent, emulsion }: Meets) => ({
  cool: hardFat > HARD_FAT ? 1 + 0.6 * clamp((clearC + 6 - tempC) / 6, 0, 1) : 1,
  soon: inOils ? 1.3 : 1,
  busy: 1 + (inOils ? 0.5 : 0.2) * Math.min(4, busyPercent),
  loose: 1 + 1.5 * clamp((0.9 - emulsion) / 0.4, 0, 1),
})

/** Chance that it makes lumps, 0…0.9. */
export function ricingChance(of: Meets): number {
  const { cool, soon, busy, loose } = ricingFactors(of)
  return Math.min(MOST, 1 - Math.exp(-of.base * cool * soon * busy * loose))
}

export function ricingBase(scent: Scent | null): number {
  const pots = (scent?.findings ?? []).filter(one => one.what === 'ricing')
  if (scent && pots.length >= POTS_TELL) return ricingKnown(usualRicing(scent), pots).mean
  if (scent && scent.ricing === 'none' && scent.ownRuns >= CALM_RUNS) return CALM
  return Math.max(TOLD[scent?.ricing ?? 'none'], BY_CLASS[scent?.acceleration ?? 'unknown'])
}

/** Milk powder, sugar and honey, % of the oils; milk for all water counts 2. */
export function busyPercent(unit: UnitBatter): number {
  const powders = unit.additives.reduce(
    (sum, { part, additive }) =>
      sum + (additive.tags.includes('milk') || additive.sugarShare > 0.5 ? part.gPerKgOils / 10 : 0),
    0,
  )
  const milk = unit.liquids.reduce(
    (sum, { part, liquid }) => sum + (liquid.tags.includes('milk') ? part.shareOfWater : 0),
    0,
  )
  return powders + 2 * milk
}

/** What is usual for a scent of its class, where the shelf says nothing of lumps. */
export const usualRicing = ({ acceleration }: Pick<Scent, 'acceleration'>): number => BY_CLASS[acceleration]

/** What the scents of a cup of a plan meet. */
export function meets(input: RunInput, plan: Plan, unit: UnitBatter, shelf: Shelf, cup: CupTask): Meets | null {
  const planned = cup.cup.ownScent ?? (cup.cup.scented ? plan.scent : null)
  if (!planned || !cup.scent) return null
  const { parts } = scentLoad(planned, shelf, unit.batterG)
  const inOils = planned.moment === 'oils'
  return {
    base: Math.max(0, ...parts.map(part => ricingBase(part.scent))),
    hardFat: unit.oils.reduce((sum, part) => sum + part.share * (part.oil.solidTri + part.oil.solidSus), 0),
    clearC: input.pace.clearPointC,
    tempC: input.whipped?.startC ?? input.mixC,
    inOils,
    busyPercent: busyPercent(unit),
    emulsion: inOils ? IN_OILS : plannedEmulsion(input),
  }
}

/** How complete the emulsion is as blending stops as planned. */
export function plannedEmulsion(input: RunInput): number {
  if (input.whipped) return 1
  const ladder = ladderOf(input, input.pace, input.potKg, input.mixC, UNSCENTED)
  return ladder.at(ladder.first(isStopped(input, 0)).n).batter.emulsion
}

/** An input with the chance of lumps in each of its cups. */
export function withRicing(input: RunInput, plan: Plan, unit: UnitBatter, shelf: Shelf): RunInput {
  for (const cup of input.cups) {
    const met = cup.scent && cup.massG > 0 ? meets(input, plan, unit, shelf, cup) : null
    if (met) cup.scent!.ricing = ricingChance(met)
  }
  return input
}
