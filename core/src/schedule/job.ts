import type { Blending, Cup, Move, Plan, ScentMoment, Waiting } from '../plan/index.ts'
import { recipeKey, ratesOf } from '../learning/index.ts'
import type { Pace } from '../learning/index.ts'
import type { Portion, Portions } from '../portions/index.ts'
import { scentLoad, unitBatter } from '../recipe/index.ts'
import type { ScentLoad, UnitBatter } from '../recipe/index.ts'
import { findById } from '../shelf/index.ts'
import type { AccelerationClass, HeatClass, Scent, Shelf } from '../shelf/index.ts'
import { batterPace, colorantEffect } from '../trace/index.ts'
import type { RecipePace } from '../trace/index.ts'
import { handTimes, handsForTool, moveSeconds, pourSeconds } from './times.ts'
import type { HandTimes } from './times.ts'
import { isSwirled, restsOn, toolWindow, windowOf } from './windows.ts'
import type { Window } from './windows.ts'

export interface CupJob {
  cup: Cup
  massG: number
  /** Seconds of stirring colour in; 0 without colour. */
  colourS: number
  lnRate: number
  lnViscosity: number
  /** When its scent goes in, ln(rate factor) at the dose it has, and the chance that it rices; null without scent. */
  scent: (ScentPace & { moment: ScentMoment }) | null
}

interface ScentPace {
  lnRate: number
  sd: number
  ricing: number
  /** Cups with the same number have the same scent and share its luck. */
  group: number
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
  /** Whether the layer below must bear it. */
  isCarried: boolean
  /** Whether it is meant to dive into what lies below. */
  dives: boolean
  /** Tools used right after it. */
  tools: ToolJob[]
}

export interface ToolJob {
  /** Index of the move. */
  move: number
  seconds: number
  /** Hands that it takes. */
  hands: 1 | 2
  window: Window
  /** What it goes through: all that was poured, the top alone, or batter in the pot that is still stirred. */
  through: 'body' | 'top' | 'pot'
}

/** A plan as the timetable needs it: numbers only. */
export interface Job {
  pace: RecipePace
  potKg: number
  superfatShare: number
  /** Each cup is a batter of its own, blended right before it is needed. */
  ownBatters: boolean
  mixC: number
  roomC: number
  stopLevel: number
  blenderStrength: number
  blending: Blending
  /** Whether each cup is coloured right before its first pour, instead of all before the first. */
  colourEach: boolean
  people: 1 | 2
  /** Times of the hands against the workshop's usual. */
  handPace: number
  times: HandTimes
  waiting: Waiting
  /** ln(rate) of maker, recipe and run: what is expected, and its spread. */
  rate: Pace
  /** Trace that was seen in a cup, s after the lye went in. */
  seen: { cup: number; s: number; level: number }[]
  /** Spread of ln(rate factor) of the least known scent; 0 without scent. */
  scentSd: number
  /** What colour of the whole pot does to it. */
  potEffect: { lnRate: number; lnViscosity: number }
  cups: CupJob[]
  pours: PourJob[]
  moveIds: string[]
}

/** Chance that a scent makes lumps of hard fat, by its class. Engineering estimates. */
const RICING: Readonly<Record<AccelerationClass, number>> = {
  slows: 0.01,
  none: 0.02,
  mild: 0.04,
  moderate: 0.1,
  strong: 0.15,
  seizes: 0.25,
  unknown: 0.05,
}
/** What the shelf says of it, where it says more. */
const TOLD_RICING: Readonly<Record<HeatClass, number>> = { none: 0, low: 0.05, medium: 0.15, high: 0.6 }
/** Own batches without any lumps that make it unlikely. */
const CALM_RUNS = 2
/** Hard fat, and warmth above the clear point, at which it is likelier. */
const HARD_FAT = { share: 0.15, marginK: 3, factor: 1.5, most: 0.9 }

function ricingOf(scent: Scent | null, mixC: number, unit: UnitBatter, pace: RecipePace): number {
  const told = TOLD_RICING[scent?.ricing ?? 'none']
  const isCalm = scent && scent.ricing === 'none' && scent.ownRuns >= CALM_RUNS
  const base = isCalm ? 0.01 : Math.max(told, RICING[scent?.acceleration ?? 'unknown'])
  const hard = unit.oils.reduce((sum, part) => sum + part.share * (part.oil.solidTri + part.oil.solidSus), 0)
  const isCold = hard > HARD_FAT.share && mixC < pace.clearPointC + HARD_FAT.marginK
  return Math.min(HARD_FAT.most, base * (isCold ? HARD_FAT.factor : 1))
}

type Effect = Pick<CupJob, 'lnRate' | 'lnViscosity'>
const together = (effects: readonly Effect[]): Effect => ({
  lnRate: effects.reduce((sum, one) => sum + one.lnRate, 0),
  lnViscosity: effects.reduce((sum, one) => sum + one.lnViscosity, 0),
})

/** What the colorants of a cup do to it, one beside the other. */
function cupEffect(portion: Portion, portions: Portions, shelf: Shelf): Effect {
  if (!(portion.totalG > 0)) return together([])
  const oilInCupG = portion.exact.batterG * (portions.oilG / portions.potG)
  return together(
    portion.colours.map(part => {
      const item = findById(shelf.colorants, part.colorant)
      const isPowder = part.form === 'powder'
      return colorantEffect({
        powderShareOfOils: isPowder ? part.exact.powderG / oilInCupG : 0,
        mediumShareOfPortion: (part.exact.mediumG + (isPowder ? 0 : part.exact.powderG)) / portion.totalG,
        medium: part.form === 'powder' ? part.medium : part.form,
        lnRatePerPercent: item?.lnRatePerPercent ?? 0,
        lnViscosityPerPercent: item?.lnViscosityPerPercent ?? 0,
      })
    }),
  )
}

const potEffect = (plan: Plan, portions: Portions, shelf: Shelf): Effect =>
  together(
    portions.potColours.map(part => {
      const item = findById(shelf.colorants, part.colorant)
      return colorantEffect({
        powderShareOfOils: part.exactG / portions.oilG,
        mediumShareOfPortion: 0,
        medium: 'none',
        lnRatePerPercent: item?.lnRatePerPercent ?? 0,
        lnViscosityPerPercent: item?.lnViscosityPerPercent ?? 0,
      })
    }),
  )

/** Reduces a plan with its portions to the job of the hands: numbers only. */
export function jobOf(plan: Plan, portions: Portions, shelf: Shelf): Job {
  const unit = unitBatter(plan.recipe, shelf)
  const pace = batterPace(unit)
  const rates = ratesOf(shelf)
  const recipe = recipeKey(plan)
  const pot = potEffect(plan, portions, shelf)
  const times = handTimes(shelf.times)
  const { mixC } = plan.conditions
  const groups: string[] = []
  const scentPace = (load: ScentLoad, ofOils: number): ScentPace => {
    const key = JSON.stringify(load.parts.map(({ id, share }) => [id, share]))
    if (!groups.includes(key)) groups.push(key)
    const { mean, sd } = rates.scented(
      recipe,
      load.parts.map(({ id, share }) => ({ scent: id, share })),
      ofOils * 1000,
    )
    const ricing = Math.max(0, ...load.parts.map(part => ricingOf(part.scent, mixC, unit, pace)))
    return { lnRate: mean, sd, ricing, group: groups.indexOf(key) }
  }
  const cups = plan.cups.map((cup, i): CupJob => {
    const portion = portions.cups[i]!
    const planned = cup.ownScent ?? (cup.scented ? plan.scent : null)
    return {
      cup,
      massG: portion.totalG,
      colourS: portion.colours.length > 0 ? times.colour + times['more-colour'] * (portion.colours.length - 1) : 0,
      ...together([pot, cupEffect(portion, portions, shelf)]),
      scent: planned && {
        moment: planned.moment,
        ...scentPace(scentLoad(planned, shelf, unit.batterG), portion.scentOfOils),
      },
    }
  })
  return {
    pace,
    potKg: portions.potG / 1000,
    superfatShare: plan.recipe.superfatShare,
    ownBatters: plan.division.mode === 'own-batters',
    mixC,
    roomC: plan.conditions.roomC,
    stopLevel: plan.conditions.stopLevel,
    blenderStrength: plan.conditions.blenderStrength * Math.exp(rates.blender().mean),
    blending: plan.hands.blend,
    colourEach: plan.hands.order === 'each',
    people: plan.hands.people,
    handPace: plan.hands.pace,
    times,
    waiting: plan.hands.waiting,
    rate: rates.plain(recipe),
    seen: plan.seen.map(({ cup, atMin, level }) => ({
      cup: plan.cups.findIndex(one => one.id === cup),
      s: atMin * 60,
      level,
    })),
    scentSd: Math.max(0, ...cups.map(cup => cup.scent?.sd ?? 0)),
    potEffect: pot,
    cups,
    pours: pourJobs(plan, portions, shelf, times),
    moveIds: plan.moves.map(move => move.id),
  }
}

const IN_POT: readonly Move['tool'][] = ['stir', 'decant']

const throughOf = ({ tool }: Move): ToolJob['through'] =>
  IN_POT.includes(tool) ? 'pot' : tool === 'skewer' ? 'top' : 'body'

/** Pours as the hands do them. Of two that go in at once the second only takes what it lasts longer. */
function pourJobs(plan: Plan, portions: Portions, shelf: Shelf, times: HandTimes): PourJob[] {
  const seconds = portions.layers.map(layer => pourSeconds(layer.massG, times))
  const toolsOf = (i: number): ToolJob[] =>
    plan.moves.flatMap((move, n) =>
      move.after === plan.score[i]?.id && !move.off
        ? [
            {
              ...{ move: n, seconds: moveSeconds(move, times), hands: handsForTool(move.tool) },
              ...{ window: toolWindow(move, shelf.windows), through: throughOf(move) },
            },
          ]
        : [],
    )
  const isWithLast = (i: number) => i > 0 && plan.score[i]?.together !== undefined && plan.score[i].together !== 'no'
  return plan.score.map((pour, i) => ({
    pour: pour.id,
    cup: plan.cups.findIndex(cup => cup.id === pour.cup),
    massG: portions.layers[i]!.massG,
    seconds: isWithLast(i) ? Math.max(1, seconds[i]! - seconds[i - 1]!) : seconds[i]!,
    window: windowOf(plan, i, shelf.windows),
    waitS: pour.waitMin * 60,
    dropMm: pour.dropMm,
    overSpatula: pour.overSpatula,
    isCarried: restsOn(pour) && !isSwirled(plan) && !isWithLast(i),
    dives: pour.shape.way === 'drop',
    tools: isWithLast(i + 1) ? [] : [...(isWithLast(i) ? toolsOf(i - 1) : []), ...toolsOf(i)],
  }))
}
