import { chance, fact, listOf, millimetres, plain, together } from '../../quantities/facts/index.ts'
import type { Words } from '../../quantities/facts/index.ts'
import { WINDOW_KINDS } from '../../shelf/index.ts'
import { showMinutes, showShare, tidy } from '../../quantities/units/index.ts'
import { MOVE_TOOLS } from '../../plan/index.ts'
import type { Plan } from '../../plan/index.ts'
import { emulsionWord, windowKindOf } from '../schedule/index.ts'
import type { Fault, Lanes, PourForecast, ToolForecast } from '../schedule/index.ts'
import { findById, isFattyAcid } from '../../shelf/index.ts'
import type { Oil, Shelf } from '../../shelf/index.ts'
import { SCENT_PRIORS, traceName } from '../trace/index.ts'

/** The biggest risk of a plan in words. */
export interface Risk {
  /** 'calm' from 85 %, 'tight' from 60 %, else 'trouble'. */
  state: 'calm' | 'tight' | 'trouble'
  chance: number
  sentence: Words
  /** Why, and what it would take. */
  reason: Words
  /** The pour it is about, if one stands out. */
  pour: string | null
  /** What may make a cup lye-heavy, whatever else goes wrong; null: nothing. It is said first. */
  safety: Words | null
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

function thickReason(plan: Plan, shelf: Shelf, pour: PourForecast): Words {
  const cup = plan.cups.find(one => one.id === pour.cup)
  const parts = cup?.ownScent?.parts ?? (cup?.scented ? (plan.scent?.parts ?? []) : [])
  const scent = parts
    .flatMap(part => findById(shelf.scents, part.scent) ?? [])
    .sort((a, b) => SCENT_PRIORS[b.acceleration].mean - SCENT_PRIORS[a.acceleration].mean)[0]
  const kind = windowKindOf(
    plan,
    plan.score.findIndex(one => one.id === pour.pour),
  )
  const level = fact('advice.when-needs-at-most', {
    traceName: traceName(pour.endLevel),
    endLevel: plain(pour.endLevel, 1),
    way: fact(WINDOW_KINDS[kind]),
    hi: plain(pour.window.hi, 1),
  })
  const quick = scent && ['mild', 'moderate', 'strong', 'seizes'].includes(scent.acceleration)
  const unknown = unknownScents(plan, shelf, cup)
  const acid = solidAcid(plan, shelf)
  const cause = acid
    ? fact('advice.sets-it', {
        acid: acid.name,
        which: quick ? fact('advice.and-quickens-it', { scent: scent.name }) : '',
      })
    : quick
      ? fact('advice.quickens-it', { scent: scent.name })
      : unknown.length > 0
        ? fact('advice.nobody-has-told-how', { unknown: listOf(unknown) })
        : fact('advice.has-waited-too-long')
  return fact('advice.expect', { cause, level })
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
  sentence: Words
  reason: Words
}

function pourTrouble(plan: Plan, shelf: Shelf, pour: PourForecast, number: number, name: string): Trouble {
  const fails = fact('advice.of-runs', { what: chance(1 - pour.chance) })
  const head = fact('advice.layer', { number, name })
  const standing = tidy(pour.stoodLevel, 1)
  const texts: Record<
    Extract<Fault, 'thick' | 'thin' | 'not-carried' | 'sets' | 'too-deep' | 'too-high'>,
    [Words, Words]
  > = {
    thick: [fact('advice.too-thick-when-you', { head, fails }), thickReason(plan, shelf, pour)],
    thin: [
      fact('advice.still-too-thin-pour', { head, fails }),
      plan.whipped ? fact('advice.does-not-hold-its') : fact('advice.blend-little-longer-before'),
    ],
    'not-carried': [
      fact('advice.layer-below-does-not', { number, name, fails }),
      fact('advice.needs-level-at-rest', { carrierNeed: plain(pour.carrierNeed ?? 0, 1) }),
    ],
    'too-deep': [
      fact('advice.dives-deeper-than', { head, fails }),
      fact('advice.goes-deep-pour-from', { diveMm: millimetres(pour.diveMm ?? 0, 0) }),
    ],
    'too-high': [
      fact('advice.stays-nearer-surface-than', { head, fails }),
      fact('advice.goes-deep-pour-from-higher', { diveMm: millimetres(pour.diveMm ?? 0, 0) }),
    ],
    sets: [fact('advice.sets-its-cup-while', { head, fails }), fact('advice.stands-at-before-you', { standing })],
  }
  const [sentence, reason] = texts[pour.fault as keyof typeof texts] ?? texts.thick
  return { chance: pour.chance, pour: pour.pour, sentence, reason }
}

function toolTrouble(plan: Plan, tool: ToolForecast): Trouble {
  const move = plan.moves.find(one => one.id === tool.move)
  const name = fact(move ? MOVE_TOOLS[move.tool] : 'tool')
  const fails = fact('advice.of-runs', { what: chance(1 - tool.chance) })
  const isThin = tool.fault === 'tool-thin'
  const sentence = isThin
    ? fact('advice.batter-too-thin-for', { name, fails })
    : fact('advice.batter-too-thick-for', { name, fails })
  const reason = isThin
    ? fact('advice.should-stand-at-at', { lo: plain(tool.window.lo, 1), lowest: plain(tool.lowest, 1) })
    : fact('advice.should-stand-at-at-most', { hi: plain(tool.window.hi, 1), highest: plain(tool.highest, 1) })
  return { chance: tool.chance, pour: tool.pour, sentence, reason }
}

function splitTrouble(lanes: Lanes): Trouble {
  const { split } = lanes
  const fails = fact('advice.of-runs', { what: chance(1 - split.chance) })
  if (split.fault === 'false-trace')
    return {
      chance: split.chance,
      pour: null,
      sentence: fact('advice.what-looks-like-trace', { fails }),
      reason: fact('advice.blending-would-stop-on'),
    }
  const looks = emulsionWord(split.earlyEmulsion)
  if (split.fault === 'lean')
    return {
      chance: split.chance,
      pour: null,
      sentence: fact('advice.cup-may-come-out', { fails }),
      reason: fact('advice.stopped-little-early-emulsion', { looks, spread: spread(split) }),
    }
  return {
    chance: split.chance,
    pour: null,
    sentence: fact('advice.batter-may-not-be', { fails }),
    reason: fact('advice.stopped-little-early-let', { emulsionLook: looks, spread: spread(split) }),
  }
}

/** How far the cups' superfat spreads, where the two ends differ as they are shown. */
function spread({ leanest, richest }: Lanes['split']): Words {
  const [low, high] = [showShare(leanest), showShare(richest)]
  return low === high ? '' : fact('advice.cups-could-come-out', { low, high })
}

/** From this chance of a lye-heavy cup on it is said before anything about looks. */
const LEAN_MATTERS = 0.02
/** A recipe with less superfat than this is meant to have none: what a single cup keeps is then no surprise. */
const HAS_SUPERFAT = 0.005

/** A cup that dividing the batter leaves without superfat: a matter of safety, said whatever else goes wrong. */
export function leanRisk(plan: Plan, { split }: Lanes): Words | null {
  const isBelow = plan.recipe.superfatShare >= HAS_SUPERFAT && split.leanest < 0
  if (!isBelow && split.leanChance > 1 - LEAN_MATTERS) return null
  const lean = showShare(split.leanest).replace('-', '−')
  const often =
    split.leanChance > 1 - LEAN_MATTERS ? '' : fact('advice.in-of-runs', { what: chance(1 - split.leanChance) })
  return fact('advice.divided-little-early-leanest', { lean, often })
}

const ricingReason = ({ ricing }: Lanes): Words =>
  ricing && ricing.share >= 0.15
    ? fact('advice.about-1-batches-scent', {
        what: Math.max(2, Math.round(1 / ricing.share)),
        whole: chance(ricing.whole),
      })
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
      sentence: fact('advice.has-set-neither-this'),
      reason: fact('advice.pour-or-spoon-what'),
      pour: null,
    }
  if (lanes.neverEmulsified) {
    const sentence = fact('advice.batter-does-not-come')
    return { state: 'trouble', chance: 0, sentence, reason: fact('advice.blend-warmer-or-stop'), pour: null }
  }
  const steps = [
    step(lanes.split, () => splitTrouble(lanes)),
    ...lanes.pours.map(pour => step(pour, () => pourTrouble(plan, shelf, pour, number(pour), name(pour)))),
    ...lanes.tools.map(tool => step(tool, () => toolTrouble(plan, tool))),
  ]
  // An emulsion that does not hold comes before every layer and tool, whichever fails oftener.
  const [batter] = steps
  const isUnsound = batter!.fault !== null && batter!.chance < UNSOUND
  // Of steps that fail about as often, the first: it is met first, and often the cause of the others.
  const worst = isUnsound ? batter! : steps.reduce((a, b) => (b.chance < a.chance - 0.02 ? b : a))
  const tightest = lanes.pours.reduce((a, b) => (b.marginMin < a.marginMin ? b : a))
  if (state === 'calm' || worst.fault === null) {
    const spare = tightest.marginMin >= 59 ? fact('advice.an-hour') : showMinutes(tightest.marginMin)
    const sentence = fact('advice.every-layer-likely-pour', { chance: chance(lanes.chance) })
    const reason = fact('advice.least-time-spare-layer', {
      number: number(tightest),
      name: name(tightest),
      spare,
      ricingReason: ricingReason(lanes),
    })
    return { state, chance: lanes.chance, sentence, reason, pour: tightest.pour }
  }
  const trouble = worst.tell()
  return { ...trouble, state, chance: lanes.chance, reason: together([trouble.reason, ricingReason(lanes)], '') }
}

/** A batter that is sound less often than this is what is told first. */
const UNSOUND = 0.8

/** What may go wrong, and how it is told. */
const step = ({ chance, fault }: { chance: number; fault: Fault | null }, tell: () => Trouble) => ({
  chance,
  fault,
  tell,
})
