import { advanceBatter, handling, levelOf, movingLevel, sameBatter } from '../trace/index.ts'
import type { CupState, LanePoint, Run, SplitRun, Task } from './run-state.ts'
import { chancesOf, earlySplit, plannedSplit, ricingShare } from './chances.ts'
import type { Chances } from './chances.ts'
import { medianRun } from './median.ts'
import type { PouredAs } from './median.ts'
import type { RunInput } from './run-input.ts'
import { stirsOf } from './stirs.ts'
import { HANDS_SD, STOP_SD, believed } from './variation.ts'
import { crossing, levelAt } from './reading.ts'
import { SAMPLE_S, beliefOf, seenSetS } from './sightings.ts'
import type { Runs } from './monte-carlo.ts'
import { runPlan, secondsUntil } from './timetable.ts'
import type { Fault } from './verdict.ts'
import type { Window } from './windows.ts'

const P90 = 1.2816
/** Errors of model and stop bend where batter stiffens: so much wider four runs in five lie within (fitted to runs of another generator). */
const WIDER = 1.15
/**
 * "In 4 of 5 runs there is at least this much time": a run somewhat slower in variation than the fourth of five, stopped late and
 * with slow hands, since not all of that comes together.
 */
const P80 = 0.8416
const LATE = { variation: 0.82, stop: 0.5, hands: 0.3 } as const
/** How much of a quick lane's reach lumps add, of their chance, and up to which chance. */
const LUMPS = { per: 2, most: 0.4 } as const
const LONGEST_MARGIN_S = 3600
/** Edges of a band are smooth: fewer points do. */
const BAND_SAMPLE_S = 60
/** Tools are looked after for a shorter while: soap in the mould sets sooner. */
const LONGEST_TOOL_MARGIN_S = 900

export interface PourForecast extends PouredAs {
  pour: string
  startMin: number
  window: Window
  /** Moving level at the start and end of the pour, in the median run. */
  startLevel: number
  endLevel: number
  /** Chance that this pour falls into its window and is carried. */
  chance: number
  /** Minutes to spare before the cup is too thick, in 4 of 5 runs; negative when it is too late. */
  marginMin: number
  /** Wait for the layer below before this pour, min; and the level it must show. */
  waitMin: number
  carrierLevel: number | null
  carrierNeed: number | null
  bursts: number
  /** What the cup shows where it stands before it is stirred for the pour. */
  stoodLevel: number
  /** How deep it dives, mm; null where it is not meant to. */
  diveMm: number | null
  /** What goes wrong most often, if anything does. */
  fault: Fault | null
}

/** A tool when its turn comes. */
export interface ToolForecast {
  move: string
  /** The pour that it follows. */
  pour: string
  startMin: number
  endMin: number
  window: Window
  /** Standing levels of the thinnest and thickest batter that it goes through, in the median run. */
  lowest: number
  highest: number
  chance: number
  marginMin: number
  fault: Fault | null
}

export interface LaneBandPoint {
  min: number
  low: number
  level: number
  high: number
}

export interface Lane {
  cup: string
  /** P10, median and P90 of the level a stirred cup shows, from the split to its last pour. Empty if it is not poured. */
  points: LaneBandPoint[]
  /** When it should be stirred as it waits, min. */
  stirs: number[]
}

export interface SplitForecast {
  chance: number
  /** Chance that no cup is left short of fat by it, and that the emulsion holds. */
  leanChance: number
  soundChance: number
  /** Whether anything is split: one pot into several cups. */
  isSplit: boolean
  fault: Fault | null
  /** How complete the emulsion is as blending stops, and when it stops early, once in ten times: 0…1. */
  emulsion: number
  earlyEmulsion: number
  /** Superfat of the leanest and the richest cup, when blending stops early. */
  leanest: number
  richest: number
  /** How far solid fat alone lifts the trace at which blending stops. */
  falseLift: number
}

export interface Lanes {
  tasks: {
    kind: Task['kind']
    fromMin: number
    toMin: number
    cup: string | null
    pour: string | null
    hands: Task['hands']
  }[]
  pours: PourForecast[]
  tools: ToolForecast[]
  lanes: Lane[]
  /** Level of the pot until the split; empty where each cup is a batter of its own. */
  pot: { min: number; level: number }[]
  split: SplitForecast
  splitMin: number
  endMin: number
  /** Scented cups, and ln of how much their scent quickens them at its dose. */
  quickCups: { cup: string; lnRate: number }[]
  /** Chance that every pour works. */
  chance: number
  /** Chance that the scent makes lumps, and of the whole when it does; null where that is rare. */
  ricing: Chances['ricing']
  neverEmulsified: boolean
  /** It was seen to have set, and neither recipe nor scent explains that. */
  unexplained: boolean
  /** How much quicker than expected the batter is believed to be after what was seen: a factor on its pace; 1 without. */
  seenPace: number
}

/** Minutes after a pour of a run until what is left in its cup is too thick; negative: by so much it came too late. */
export function marginMin(input: RunInput, late: Run, i: number): number {
  const pour = late.pours[i]!
  const { window, cup } = input.pours[i]!
  if (pour.endLevel <= window.hi) return secondsUntil(window.hi, pour.after, LONGEST_MARGIN_S) / 60
  const crossed = crossing(late.lanes[cup]!, window.hi) ?? pour.endS
  return (Math.min(crossed, pour.endS) - pour.endS) / 60
}

/** Minutes after a tool's pass until the first batter that it went through stands too thick; what it is late by is not known. */
function toolMarginMin(input: RunInput, late: Run, i: number, n: number): number {
  const tool = input.pours[i]!.tools[n]!
  const run = late.pours[i]!.tools[n]!
  if (run.highest > tool.window.hi) return 0
  const last = new Map<number, CupState>()
  const through = tool.through === 'top' ? [i] : [...input.pours[i]!.below, i]
  for (const k of through) last.set(input.pours[k]!.cup, late.pours[k]!.after)
  const untils = [...last.values()].map(
    state =>
      state.atS +
      secondsUntil(
        tool.window.hi,
        { ...state, cooling: null },
        LONGEST_TOOL_MARGIN_S + run.endS - state.atS,
        tool.through === 'pot' ? movingLevel : levelOf,
      ),
  )
  return Math.max(0, Math.min(...untils) - run.endS) / 60
}

/** A lane carried on at rest from the cup's last pour, so that bands can be compared at any time. */
function extended(lane: LanePoint[], last: CupState | undefined, untilS: number): LanePoint[] {
  if (!last || last.atS >= untilS) return lane
  const points = [...lane]
  const batter = sameBatter(last.batter)
  for (let s = last.atS; s < untilS; s += 2 * SAMPLE_S) {
    advanceBatter(batter, last.pace, last.load, handling('rest'), 2 * SAMPLE_S, last.cooling)
    const level = movingLevel(batter, last.pace, last.load)
    points.push({ s: s + 2 * SAMPLE_S, level, standing: level })
  }
  return points
}

function bandOf(input: RunInput, i: number, low: Run, mid: Run, high: Run): LaneBandPoint[] {
  const lastPour = input.pours.findLastIndex(pour => pour.cup === i)
  if (lastPour < 0) return []
  const endS = mid.pours[lastPour]!.endS
  const lanes = [low, mid, high].map(run => extended(run.lanes[i]!, run.pours[lastPour]!.after, endS))
  // Beside variation, the model's own error and that of the stop.
  const own = WIDER * P90 * Math.hypot(input.levelError, STOP_SD)
  return mid.lanes[i]!.filter(point => point.s <= endS).map(({ s, level }) => {
    const a = levelAt(lanes[0]!, s)
    const b = levelAt(lanes[2]!, s)
    const widen = (gap: number) => Math.hypot(gap, own)
    return {
      min: s / 60,
      low: Math.max(0, level - widen(Math.max(0, level - Math.min(a, b)))),
      level,
      high: Math.min(5, level + widen(Math.max(0, Math.max(a, b) - level))),
    }
  })
}

/** Whether any batter goes into more than one cup. */
function isDivided({ ownBatters, cups }: RunInput): boolean {
  const used = cups.filter(cup => cup.massG > 0)
  if (!ownBatters) return used.length > 1
  return used.some((cup, i) => cup.batch !== '' && used.findIndex(one => one.batch === cup.batch) < i)
}

function splitForecast(input: RunInput, chances: Chances, planned: SplitRun): SplitForecast {
  const { chance, fault } = chances.split
  const { lean, emulsion } = chances
  const early = earlySplit(input)
  const superfat = (off: number) => input.superfatShare + (1 - input.superfatShare) * off
  return {
    chance,
    leanChance: lean,
    soundChance: emulsion,
    isSplit: isDivided(input),
    fault,
    emulsion: planned.emulsion,
    earlyEmulsion: early.emulsion,
    leanest: superfat(Math.min(0, ...early.superfatOff)),
    richest: superfat(Math.max(0, ...early.superfatOff)),
    falseLift: planned.falseLift,
  }
}

function pourForecasts(input: RunInput, mid: Run, late: Run, chances: Chances): PourForecast[] {
  const waited = (i: number) =>
    mid.tasks
      .filter(task => task.kind === 'wait' && task.pour === i && task.cup !== null)
      .reduce((sum, task) => sum + task.toS - task.fromS, 0)
  return mid.pours.map((run, i) => ({
    pour: input.pours[i]!.pour,
    cup: input.cups[input.pours[i]!.cup]!.cup.id,
    startMin: run.startS / 60,
    endMin: run.endS / 60,
    window: input.pours[i]!.window,
    startLevel: run.startLevel,
    endLevel: run.endLevel,
    chance: chances.pours[i]!.chance,
    marginMin: marginMin(input, late, i),
    waitMin: waited(i) / 60,
    carrierLevel: run.carrierLevel,
    carrierNeed: run.carrierNeed,
    bursts: run.bursts,
    stoodLevel: run.stoodLevel,
    diveMm: run.diveMm,
    tempC: run.after.batter.temperatureC,
    converted: run.after.batter.converted,
    emulsion: run.after.batter.emulsion,
    fault: chances.pours[i]!.fault,
  }))
}

function toolForecasts(
  input: RunInput,
  mid: Run,
  late: Run,
  chances: Chances,
  moveIds: readonly string[],
): ToolForecast[] {
  return input.pours.flatMap((pour, i) =>
    pour.tools.map((tool, n): ToolForecast => {
      const run = mid.pours[i]!.tools[n]!
      return {
        move: moveIds[tool.move] ?? '',
        pour: pour.pour,
        startMin: run.startS / 60,
        endMin: run.endS / 60,
        window: tool.window,
        lowest: run.lowest,
        highest: run.highest,
        ...chances.tools[i]![n]!,
        marginMin: toolMarginMin(input, late, i, n),
      }
    }),
  )
}

/** A cup that was seen to have set is scooped, not poured; now and then stirring frees it. */
const SET_POURS = 0.05

/** Chances after what was seen: whatever the runs say, a cup that has set has set. */
function withSet(input: RunInput, chances: Chances, mid: Run): Chances {
  const isSet = input.pours.map((pour, i) => seenSetS(input, pour.cup) <= mid.pours[i]!.startS)
  if (!isSet.includes(true)) return chances
  return {
    ...chances,
    whole: Math.min(chances.whole, SET_POURS),
    pours: chances.pours.map((one, i) =>
      isSet[i] ? { chance: Math.min(one.chance, SET_POURS), fault: 'sets' as const } : one,
    ),
  }
}

/**
 * Lanes, planned times, margins and chances of an input. Deterministic: the same input gives the same lanes.
 *
 * @param mid its median run, where that is at hand
 */
export function lanesOf(input: RunInput, mid: Run = medianRun(input)): Lanes {
  const belief = beliefOf(input)
  const at = (z: number) => believed(input, belief, z)
  const low = runPlan(input, at(-P90), BAND_SAMPLE_S)
  const quickest = P90 + LUMPS.per * Math.min(LUMPS.most, ricingShare(input))
  const high = runPlan(input, at(quickest), BAND_SAMPLE_S)
  const late = runPlan(
    input,
    { ...at(LATE.variation), stop: LATE.stop * P80 * STOP_SD, hands: Math.exp(LATE.hands * P80 * HANDS_SD) },
    BAND_SAMPLE_S,
  )
  const planned = plannedSplit(input)
  const chances = withSet(input, chancesOf(input, belief, mid, planned), mid)
  const cupId = (i: number | null) => (i === null ? null : input.cups[i]!.cup.id)
  return {
    tasks: mid.tasks.map(task => ({
      kind: task.kind,
      fromMin: task.fromS / 60,
      toMin: task.toS / 60,
      cup: cupId(task.cup),
      pour: task.pour === null ? null : input.pours[task.pour]!.pour,
      hands: task.hands,
    })),
    pours: pourForecasts(input, mid, late, chances),
    tools: toolForecasts(input, mid, late, chances, input.moveIds),
    lanes: input.cups.map((cup, i) => ({
      cup: cup.cup.id,
      points: bandOf(input, i, low, mid, high),
      stirs: stirsOf(input, mid, i),
    })),
    pot: mid.pot.map(point => ({ min: point.s / 60, level: point.level })),
    split: splitForecast(input, chances, planned),
    splitMin: mid.splitS / 60,
    endMin: mid.endS / 60,
    quickCups: input.cups.flatMap(({ cup, massG, scent }) =>
      scent && massG > 0 ? [{ cup: cup.id, lnRate: scent.lnRate }] : [],
    ),
    chance: chances.whole,
    ricing: chances.ricing,
    neverEmulsified: mid.neverEmulsified,
    unexplained: belief.unexplained ?? false,
    seenPace: Math.exp(at(0).plainRate - input.rate.mean),
  }
}

/** Runs that what is printed rests on. */
export const SURE_RUNS = 200

/** The same lanes with the chances of many runs in place of the quick ones. */
export function withRuns(lanes: Lanes, runs: Runs): Lanes {
  let at = -1
  let last = ''
  const places = lanes.tools.map(tool => {
    at = tool.pour === last ? at + 1 : 0
    last = tool.pour
    return at
  })
  // What was seen to have set stays so, whatever runs say.
  const most = ({ fault, chance }: PourForecast) => (fault === 'sets' && chance <= SET_POURS ? SET_POURS : 1)
  return {
    ...lanes,
    chance: Math.min(runs.chance, ...lanes.pours.map(most)),
    pours: lanes.pours.map((pour, i) => ({ ...pour, chance: Math.min(runs.pourChances[i]!, most(pour)) })),
    tools: lanes.tools.map((tool, n) => {
      const i = lanes.pours.findIndex(pour => pour.pour === tool.pour)
      return { ...tool, chance: runs.toolChances[i]?.[places[n]!] ?? tool.chance }
    }),
    split: { ...lanes.split, chance: 1 - runs.split },
  }
}
