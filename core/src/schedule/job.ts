import type { Cup, LayerFace, Move, Plan, PourWay, ScentMoment } from '../plan/index.ts'
import type { Portion, Portions } from '../portions/index.ts'
import { scentLoad, unitBatter } from '../recipe/index.ts'
import type { ScentLoad } from '../recipe/index.ts'
import { findById } from '../shelf/index.ts'
import type { AccelerationClass, Scent, Shelf } from '../shelf/index.ts'
import { SCENT_PRIORS, atDose, batterPace, colorantEffect } from '../trace/index.ts'
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

/** Trace at which other pours lie as meant: streams must run, heaps must stand. Engineering estimates. */
const WINDOWS: Readonly<Record<Exclude<PourWay, 'layer'>, Window>> = {
  line: { lo: 1.2, hi: 2.6 },
  walls: { lo: 1.2, hi: 2.6 },
  spots: { lo: 1.2, hi: 2.6 },
  drop: { lo: 1.1, hi: 2.2 },
  spoon: { lo: 2.8, hi: 4.4 },
  pot: { lo: 1.2, hi: 2.4 },
  drizzle: { lo: 1.4, hi: 2.8 },
  peaks: { lo: 3.4, hi: 4.6 },
  piped: { lo: 3.8, hi: 4.9 },
}
/** Faces that stay uneven: thinner batter levels out. Engineering estimate. */
const ROUGH: readonly LayerFace[] = ['rustic', 'clouds']
const ROUGH_WINDOW: Window = { lo: 2.6, hi: 4.2 }
/** Layers that a tool will be drawn through: still to flow. */
const SWIRLED_WINDOW: Window = { lo: 1.2, hi: 2.6 }
const THROUGH_BODY: readonly Move['tool'][] = ['hanger', 'stick', 'comb', 'spoon', 'spin', 'fold']

/** Ways that the batter below must bear. */
const RESTS_ON: readonly PourWay[] = ['layer', 'spoon', 'drizzle', 'peaks', 'piped']

/** Whether a tool goes through the body after all, so that layers are poured thin. */
const isSwirled = (plan: Plan): boolean => plan.moves.some(move => !move.off && THROUGH_BODY.includes(move.tool))

/** What a pour needs, by its way and what comes of it; the workshop's own window comes first. */
export function windowOf(plan: Plan, i: number): Window {
  const own = plan.score[i]!.window
  if (own) return { lo: own.lo, hi: own.hi }
  const { way, texture } = plan.score[i]!.shape
  if (way !== 'layer') return WINDOWS[way]
  if (ROUGH.includes(texture) && !isSwirled(plan)) return ROUGH_WINDOW
  if (isSwirled(plan)) return SWIRLED_WINDOW
  const next = plan.score[i + 1]
  const carries = plan.score.length > 1 && (!next || RESTS_ON.includes(next.shape.way))
  return carries ? LAYER_WINDOW : FLOOR_WINDOW
}

/** Hand times, s: defaults before a workshop's own. Engineering estimates. */
export const HAND_TIMES = {
  splitPerCup: 15,
  scentIntoPot: 30,
  colourStir: 45,
  /** A second colorant in the same cup. */
  moreColour: 15,
  scentStir: 20,
  /** Lifting the cup and wiping. */
  pourFixed: 12,
} as const

/** About 40 s for 250 g over a spatula; larger cups pour in a thicker stream. */
export const pourSeconds = (massG: number): number => HAND_TIMES.pourFixed + 1.34 * Math.pow(massG, 0.55)

/** Seconds for a tool: taking it up, and each stroke. Engineering estimates. */
const MOVE_TIMES: Readonly<Record<Move['tool'], readonly [number, number]>> = {
  hanger: [15, 8],
  skewer: [8, 2.5],
  stick: [8, 3],
  comb: [12, 3],
  spoon: [8, 9],
  spin: [4, 4],
  fold: [5, 4],
  stir: [4, 5],
  decant: [10, 8],
}

export const moveSeconds = (move: Pick<Move, 'tool' | 'count' | 'off'>): number =>
  move.off ? 0 : MOVE_TIMES[move.tool][0] + MOVE_TIMES[move.tool][1] * move.count

export interface CupJob {
  cup: Cup
  massG: number
  /** Seconds of stirring colour in; 0 without colour. */
  colourS: number
  lnRate: number
  lnViscosity: number
  /** When its scent goes in, and ln(rate factor) at the dose it has; null without scent. */
  scent: { moment: ScentMoment; lnRate: number; sd: number } | null
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
  /** Tools used right after it. */
  movesS: number
}

/** A plan as the timetable needs it: numbers only. */
export interface Job {
  pace: RecipePace
  potKg: number
  mixC: number
  roomC: number
  stopLevel: number
  blenderStrength: number
  /** Whether each cup is coloured right before its first pour, instead of all before the first. */
  colourEach: boolean
  people: 1 | 2
  /** Times of the hands against the usual. */
  handPace: number
  /** Trace that was seen in a cup, s after the lye went in. */
  seen: { cup: number; s: number; level: number }[]
  /** Spread of ln(rate factor) of the least known scent; 0 without scent. */
  scentSd: number
  /** What colour of the whole pot does to it. */
  potEffect: { lnRate: number; lnViscosity: number }
  cups: CupJob[]
  pours: PourJob[]
}

/** A scent's spread narrows with own runs: precision of the class prior plus one run's scatter (sd 0.3) each. */
function scentSpread(acceleration: AccelerationClass, ownRuns: number): number {
  const prior = SCENT_PRIORS[acceleration].sd
  const posterior = 1 / (1 / (prior * prior) + ownRuns / (0.3 * 0.3))
  return Math.sqrt(posterior + 0.1 * 0.1)
}

/** A blend quickens by its parts' shares; its spread is that of its parts together. */
function scentPace(load: ScentLoad, ofOils: number): { lnRate: number; sd: number } {
  const mean = (of: (scent: Scent | null) => number) =>
    load.parts.reduce((sum, part) => sum + part.share * of(part.scent), 0)
  const f = mean(scent => SCENT_PRIORS[scent?.acceleration ?? 'none'].mean)
  const variance = mean(scent => Math.pow(scentSpread(scent?.acceleration ?? 'none', scent?.ownRuns ?? 0), 2))
  return { lnRate: atDose(f, ofOils * 1000), sd: Math.sqrt(variance) }
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

/** Reduces a plan with its portions to the job of one pair of hands. */
export function jobOf(plan: Plan, portions: Portions, shelf: Shelf): Job {
  const unit = unitBatter(plan.recipe, shelf)
  const pot = potEffect(plan, portions, shelf)
  const cups = plan.cups.map((cup, i): CupJob => {
    const portion = portions.cups[i]!
    const planned = cup.ownScent ?? (cup.scented ? plan.scent : null)
    return {
      cup,
      massG: portion.totalG,
      colourS:
        portion.colours.length > 0 ? HAND_TIMES.colourStir + HAND_TIMES.moreColour * (portion.colours.length - 1) : 0,
      ...together([pot, cupEffect(portion, portions, shelf)]),
      scent: planned && {
        moment: planned.moment,
        ...scentPace(scentLoad(planned, shelf, unit.batterG), portion.scentOfOils),
      },
    }
  })
  return {
    pace: batterPace(unit),
    potKg: portions.potG / 1000,
    mixC: plan.conditions.mixC,
    roomC: plan.conditions.roomC,
    stopLevel: plan.conditions.stopLevel,
    blenderStrength: plan.conditions.blenderStrength,
    colourEach: plan.hands.order === 'each',
    people: plan.hands.people,
    handPace: plan.hands.pace,
    seen: plan.seen.map(({ cup, atMin, level }) => ({
      cup: plan.cups.findIndex(one => one.id === cup),
      s: atMin * 60,
      level,
    })),
    scentSd: Math.max(0, ...cups.map(cup => cup.scent?.sd ?? 0)),
    potEffect: pot,
    cups,
    pours: pourJobs(plan, portions),
  }
}

/** Pours as the hands do them. Of two that go in at once the second only takes what it lasts longer. */
function pourJobs(plan: Plan, portions: Portions): PourJob[] {
  const seconds = portions.layers.map(layer => pourSeconds(layer.massG))
  const movesOf = (i: number) =>
    plan.moves.reduce((sum, move) => (move.after === plan.score[i]?.id ? sum + moveSeconds(move) : sum), 0)
  const isWithLast = (i: number) => i > 0 && plan.score[i]?.together !== undefined && plan.score[i].together !== 'no'
  return plan.score.map((pour, i) => ({
    pour: pour.id,
    cup: plan.cups.findIndex(cup => cup.id === pour.cup),
    massG: portions.layers[i]!.massG,
    seconds: isWithLast(i) ? Math.max(1, seconds[i]! - seconds[i - 1]!) : seconds[i]!,
    window: windowOf(plan, i),
    waitS: pour.waitMin * 60,
    dropMm: pour.dropMm,
    overSpatula: pour.overSpatula,
    isCarried: RESTS_ON.includes(pour.shape.way) && !isSwirled(plan) && !isWithLast(i),
    movesS: isWithLast(i + 1) ? 0 : movesOf(i) + (isWithLast(i) ? movesOf(i - 1) : 0),
  }))
}
