import { WINDOW_KINDS } from '../shelf/index.ts'
import { showChance, showMinutes, showShare, tidy } from '../units/index.ts'
import { MOVE_TOOLS } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import { emulsionWord, windowKindOf } from '../schedule/index.ts'
import type { Fault, Lanes, PourForecast, ToolForecast } from '../schedule/index.ts'
import { findById, isFattyAcid } from '../shelf/index.ts'
import type { Oil, Shelf } from '../shelf/index.ts'
import { SCENT_PRIORS, traceName } from '../trace/index.ts'

/** The biggest risk of a plan in words. */
export interface Risk {
  /** 'calm' from 85 %, 'tight' from 60 %, else 'trouble'. */
  state: 'calm' | 'tight' | 'trouble'
  chance: number
  sentence: string
  /** Why, and what it would take. */
  reason: string
  /** The pour it is about, if one stands out. */
  pour: string | null
  /** What may make a cup lye-heavy, whatever else goes wrong; null: nothing. It is said first. */
  safety: string | null
}

const stateOf = (chance: number): Risk['state'] => (chance >= 0.85 ? 'calm' : chance >= 0.6 ? 'tight' : 'trouble')

/** Of the oils, from so much on solid fatty acid decides how long a batter pours. */
const ACID_DECIDES = 0.015

/** The solid fatty acid of a recipe that decides, or none. */
function solidAcid({ recipe }: Plan, shelf: Shelf): Oil | undefined {
  const whole = recipe.oils.reduce((sum, part) => sum + part.share, 0)
  return recipe.oils.flatMap(part => {
    const oil = findById(shelf.oils, part.oil)
    return oil && isFattyAcid(oil) && part.share / whole >= ACID_DECIDES ? [oil] : []
  })[0]
}

function thickReason(plan: Plan, shelf: Shelf, pour: PourForecast): string {
  const cup = plan.cups.find(one => one.id === pour.cup)
  const parts = cup?.ownScent?.parts ?? (cup?.scented ? (plan.scent?.parts ?? []) : [])
  const scent = parts
    .flatMap(part => findById(shelf.scents, part.scent) ?? [])
    .sort((a, b) => SCENT_PRIORS[b.acceleration].mean - SCENT_PRIORS[a.acceleration].mean)[0]
  const kind = windowKindOf(
    plan,
    plan.score.findIndex(one => one.id === pour.pour),
  )
  const level = `${traceName(pour.endLevel)} (${tidy(pour.endLevel, 1)}) when ${WINDOW_KINDS[kind]} needs at most ${tidy(pour.window.hi, 1)}`
  const quick = scent && ['mild', 'moderate', 'strong', 'seizes'].includes(scent.acceleration)
  const unknown = unknownScents(plan, shelf, cup)
  const acid = solidAcid(plan, shelf)
  const cause = acid
    ? `${acid.name} sets it${quick ? `, and ${scent.name} quickens it` : ''}`
    : quick
      ? `${scent.name} quickens it`
      : unknown.length > 0
        ? `Nobody has told how ${unknown.join(' and ')} behaves, so quick ones are reckoned with`
        : 'It has waited too long for its warmth and blending'
  return `${cause}: expect ${level}.`
}

/** Scents of a cup, or of the plan, of which nobody has told how they behave. */
export function unknownScents(plan: Plan, shelf: Shelf, cup?: Plan['cups'][number]): string[] {
  const parts = cup
    ? (cup.ownScent?.parts ?? (cup.scented ? (plan.scent?.parts ?? []) : []))
    : [...(plan.scent?.parts ?? []), ...plan.cups.flatMap(one => one.ownScent?.parts ?? [])]
  const names = parts.flatMap(({ scent: id }) => {
    const scent = findById(shelf.scents, id)
    return !scent || (scent.acceleration === 'unknown' && scent.ownRuns === 0) ? [scent?.name ?? id] : []
  })
  return [...new Set(names)]
}

interface Trouble {
  chance: number
  pour: string | null
  sentence: string
  reason: string
}

function pourTrouble(plan: Plan, shelf: Shelf, pour: PourForecast, head: string): Trouble {
  const fails = `${showChance(1 - pour.chance)} of runs`
  const standing = tidy(pour.stoodLevel, 1)
  const texts: Record<
    Extract<Fault, 'thick' | 'thin' | 'not-carried' | 'sets' | 'too-deep' | 'too-high'>,
    [string, string]
  > = {
    thick: [`${head} is too thick when you reach it: ${fails}.`, thickReason(plan, shelf, pour)],
    thin: [
      `${head} is still too thin to pour as planned: ${fails}.`,
      plan.whipped
        ? 'It does not hold its shape: whip it longer, take more hard fats or chill the lye further; let it stand a while before it is piped.'
        : 'Blend a little longer before the split, or wait before this layer.',
    ],
    'not-carried': [
      `The layer below does not carry ${head.replace(/,$/, '').replace('Layer', 'layer')}: ${fails}.`,
      `It needs level ${tidy(pour.carrierNeed ?? 0, 1)} at rest. Pour lower or over a spatula, or wait longer.`,
    ],
    'too-deep': [
      `${head} dives deeper than it is to: ${fails}.`,
      `It goes ${tidy(pour.diveMm ?? 0, 0)} mm deep. Pour from lower, or when what lies below is firmer.`,
    ],
    'too-high': [
      `${head} stays nearer the surface than it is to: ${fails}.`,
      `It goes ${tidy(pour.diveMm ?? 0, 0)} mm deep. Pour from higher, or sooner, while what lies below is thin.`,
    ],
    sets: [
      `${head} sets in its cup while it waits: ${fails}.`,
      `It stands at ${standing} before you stir it. Keep it moving, scent it last and pour it at once, or pour plain cups first.`,
    ],
  }
  const [sentence, reason] = texts[pour.fault as keyof typeof texts] ?? texts.thick
  return { chance: pour.chance, pour: pour.pour, sentence, reason }
}

function toolTrouble(plan: Plan, tool: ToolForecast): Trouble {
  const move = plan.moves.find(one => one.id === tool.move)
  const name = move ? MOVE_TOOLS[move.tool] : 'tool'
  const fails = `${showChance(1 - tool.chance)} of runs`
  const isThin = tool.fault === 'tool-thin'
  const sentence = isThin
    ? `The batter is too thin for the ${name}, colours would blur: ${fails}.`
    : `The batter is too thick for the ${name} when you come to it: ${fails}.`
  const reason = isThin
    ? `It should stand at ${tidy(tool.window.lo, 1)} at least; the thinnest stands at ${tidy(tool.lowest, 1)}.`
    : `It should stand at ${tidy(tool.window.hi, 1)} at most; the thickest stands at ${tidy(tool.highest, 1)}. Pour faster, cooler or thinner.`
  return { chance: tool.chance, pour: tool.pour, sentence, reason }
}

function splitTrouble(lanes: Lanes): Trouble {
  const { split } = lanes
  const fails = `${showChance(1 - split.chance)} of runs`
  if (split.fault === 'false-trace')
    return {
      chance: split.chance,
      pour: null,
      sentence: `What looks like trace is fat that sets: ${fails}.`,
      reason: 'Blending would stop on a batter that is not soap yet. Mix warmer than the fats’ setting point.',
    }
  const looks = emulsionWord(split.earlyEmulsion)
  if (split.fault === 'lean')
    return {
      chance: split.chance,
      pour: null,
      sentence: `A cup may come out short of fat, and lye-heavy: ${fails}.`,
      reason: `Stopped a little early the emulsion ${looks}${spread(split)}. Blend until it holds, or draw the first cup last.`,
    }
  return {
    chance: split.chance,
    pour: null,
    sentence: `The batter may not be emulsified: ${fails}.`,
    reason: `Stopped a little early it ${emulsionLook(looks)}${spread(split)}. Let the blender rest 15 s: if streaks run together, blend on.`,
  }
}

const emulsionLook = (word: string): string =>
  word === 'streaks' ? 'shows streaks' : word === 'sound' ? 'is sound' : word

/** How far the cups' superfat spreads, where the two ends differ as they are shown. */
function spread({ leanest, richest }: Lanes['split']): string {
  const [low, high] = [showShare(leanest), showShare(richest)]
  return low === high ? '' : `: cups could come out between ${low} and ${high} superfat`
}

/** From this chance of a lye-heavy cup on it is said before anything about looks. */
const LEAN_MATTERS = 0.02
/** A recipe with less superfat than this is meant to have none: what a single cup keeps is then no surprise. */
const HAS_SUPERFAT = 0.005

/** A cup that dividing the batter leaves without superfat: a matter of safety, said whatever else goes wrong. */
export function leanRisk(plan: Plan, { split }: Lanes): string | null {
  const isBelow = plan.recipe.superfatShare >= HAS_SUPERFAT && split.leanest < 0
  if (!isBelow && split.leanChance > 1 - LEAN_MATTERS) return null
  const lean = showShare(split.leanest).replace('-', '−')
  const often = split.leanChance > 1 - LEAN_MATTERS ? '' : ` in ${showChance(1 - split.leanChance)} of runs`
  return `Divided a little early, the leanest cup could come out at ${lean} superfat, lye-heavy${often}. Blend on until the emulsion holds, or plan half a point more superfat.`
}

const ricingReason = ({ ricing }: Lanes): string =>
  ricing && ricing.share >= 0.15
    ? ` In about 1 of ${Math.max(2, Math.round(1 / ricing.share))} batches the scent makes grains, or a hairy batter that parts; blended out in short bursts, ${showChance(ricing.whole)} of those batches still work.`
    : ''

/** Names what fails most often and says why, safety before looks; without anything, where the least time is to spare. */
export function riskOf(plan: Plan, shelf: Shelf, lanes: Lanes): Risk {
  return { ...looksRisk(plan, shelf, lanes), safety: leanRisk(plan, lanes) }
}

function looksRisk(plan: Plan, shelf: Shelf, lanes: Lanes): Omit<Risk, 'safety'> {
  const state = stateOf(lanes.chance)
  const number = (pour: PourForecast) => plan.score.findIndex(one => one.id === pour.pour) + 1
  const name = (pour: PourForecast) => plan.cups.find(cup => cup.id === pour.cup)?.name ?? pour.cup
  if (lanes.unexplained)
    return {
      state: 'trouble',
      chance: lanes.chance,
      sentence: 'It has set, and neither this recipe nor this scent explains it.',
      reason: 'Pour or spoon what you have, now. Afterwards: was the scent weighed, was it the right bottle?',
      pour: null,
    }
  if (lanes.neverEmulsified) {
    const sentence = 'The batter does not come to the trace at which blending stops.'
    return { state: 'trouble', chance: 0, sentence, reason: 'Blend warmer, or stop at a lower level.', pour: null }
  }
  const steps: { chance: number; fault: Fault | null; tell: () => Trouble }[] = [
    { ...pick(lanes.split), tell: () => splitTrouble(lanes) },
    ...lanes.pours.map(pour => ({
      ...pick(pour),
      tell: () => pourTrouble(plan, shelf, pour, `Layer ${number(pour)}, ${name(pour)},`),
    })),
    ...lanes.tools.map(tool => ({ ...pick(tool), tell: () => toolTrouble(plan, tool) })),
  ]
  // An emulsion that does not hold comes before every layer and tool, whichever fails oftener.
  const [batter] = steps
  const isUnsound = batter!.fault !== null && batter!.chance < UNSOUND
  // Of steps that fail about as often, the first: it is met first, and often the cause of the others.
  const worst = isUnsound ? batter! : steps.reduce((a, b) => (b.chance < a.chance - 0.02 ? b : a))
  const tightest = lanes.pours.reduce((a, b) => (b.marginMin < a.marginMin ? b : a))
  if (state === 'calm' || worst.fault === null) {
    const spare = tightest.marginMin >= 59 ? 'an hour' : showMinutes(tightest.marginMin)
    const sentence = `Every layer is likely to pour as planned: ${showChance(lanes.chance)}.`
    const reason = `Least time to spare: layer ${number(tightest)}, ${name(tightest)}, ${spare} in 4 of 5 runs.${ricingReason(lanes)}`
    return { state, chance: lanes.chance, sentence, reason, pour: tightest.pour }
  }
  const trouble = worst.tell()
  return { ...trouble, state, chance: lanes.chance, reason: trouble.reason + ricingReason(lanes) }
}

/** A batter that is sound less often than this is what is told first. */
const UNSOUND = 0.8

const pick = ({ chance, fault }: { chance: number; fault: Fault | null }) => ({ chance, fault })
