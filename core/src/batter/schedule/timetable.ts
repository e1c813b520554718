import {
  RESTIR_S,
  advanceBatter,
  diveDepthMm,
  handling,
  levelOf,
  levelThatCarries,
  movingLevel,
  sameBatter,
} from '../trace/index.ts'
import { RunState, MODES, copyOf } from './run-state.ts'
import type { CupState, Variation, PourRun, Run, Task, ToolRun } from './run-state.ts'
import { blendOn, burstScent, smoothCup, splitPot } from './blending.ts'
import { thicken } from './thicken.ts'
import type { RunInput, PourTask, ToolTask } from './run-input.ts'
import { prepareCups, prepareJustInTime } from './prepare.ts'

const CARRY_CHECK_S = 30
/** A layer that does not carry after this is a failure, not a wait. */
const LONGEST_WAIT_S = 1200
/** Nor is a tool waited for longer. */
const LONGEST_TOOL_WAIT_S = 1200

/** An emulsion below this parts where it stands. */
const BREAKS_BELOW = 0.6

const settle = (carrier: CupState, untilS: number): void => {
  while (carrier.atS < untilS - 1e-9) {
    const step = Math.min(CARRY_CHECK_S, untilS - carrier.atS)
    advanceBatter(carrier.batter, carrier.pace, carrier.load, MODES.rest, step, carrier.cooling)
    carrier.atS += step
  }
}

/** Waits until the layer below carries; gives its standing level and what it needed. */
function waitForCarrier(state: RunState, carrier: CupState, pour: PourTask, index: number) {
  const need = Math.max(pour.leastBelow, levelThatCarries(pour.dropMm, pour.overSpatula))
  const standing = () => levelOf(carrier.batter, carrier.pace, carrier.load)
  const readyAfter = RESTIR_S
  settle(carrier, state.now + readyAfter)
  const began = state.now
  while (standing() < need && state.now - began < LONGEST_WAIT_S) {
    state.busy('wait', CARRY_CHECK_S, pour.cup, index)
    settle(carrier, state.now + readyAfter)
  }
  return { level: standing(), need }
}

/** Soap in the mould: what each pour gave, standing, without loss of heat. */
export type InMould = Map<number, CupState>

/** Levels that stand in the way of a tool. */
function standingFor(state: RunState, tool: ToolTask, pours: readonly number[], inMould: InMould): [number, number] {
  const levels = pours.map(i => {
    const soap = inMould.get(i)!
    settle(soap, state.now)
    const level = tool.through === 'pot' ? movingLevel : levelOf
    return level(soap.batter, soap.pace, soap.load)
  })
  return [Math.min(...levels), Math.max(...levels)]
}

/** Uses a tool, after a wait if what it goes through is still too thin. */
function useTool(state: RunState, tool: ToolTask, index: number, inMould: InMould): ToolRun {
  const { cup: last, below } = state.input.pours[index]!
  // Of one cup that was poured twice, what went in later is as it is now.
  const lying = new Map([...below.filter(k => inMould.has(k)), index].map(k => [state.input.pours[k]!.cup, k]))
  const pours = tool.through === 'top' ? [index] : [...lying.values()]
  const began = state.now
  let [lowest, highest] = standingFor(state, tool, pours, inMould)
  // What comes apart does not thicken by waiting.
  const holds = pours.every(k => inMould.get(k)!.batter.emulsion >= BREAKS_BELOW)
  while (holds && lowest < tool.window.lo && highest < tool.window.hi && state.now - began < LONGEST_TOOL_WAIT_S) {
    state.busy('wait', CARRY_CHECK_S, null, index)
    ;[lowest, highest] = standingFor(state, tool, pours, inMould)
  }
  const startS = state.now
  state.busy('move', state.handS(tool.seconds), last, index, tool.hands)
  return { move: tool.move, startS, endS: state.now, lowest, highest }
}

/** Works in the scent that waits for the last moment. */
function scentLast(state: RunState, i: number, index: number): void {
  const { scent } = state.input.cups[i]!
  if (scent?.moment !== 'last') return
  state.addScent(i)
  if (scent.how === 'bursts' && state.usesBlender) {
    const fromS = state.now
    state.now = burstScent(state, i, fromS)
    state.tasks.push({ kind: 'scent', fromS, toS: state.now, cup: i, pour: index, hands: 2 })
  } else {
    state.busy('scent', state.handS(state.input.times.scent), i, index)
    state.advance(i, MODES.hand, state.now)
  }
  state.now = smoothCup(state, i, state.now)
}

/** How deep a stream goes into what was poured last, mm: at most through all that lies there. */
function diveOf(state: RunState, pour: PourTask, below: CupState | null): number | null {
  if (!pour.depth || !below) return null
  settle(below, state.now)
  return Math.min(pour.belowMm, diveDepthMm(pour, levelOf(below.batter, below.pace, below.load)))
}

/** What is blended with its scent and poured from the pot at once, never standing. */
function pourOn(state: RunState, index: number): PourRun {
  const pour = state.input.pours[index]!
  const i = pour.cup
  const stoodLevel = state.standing(i)
  const blendsS = state.now
  state.now = blendOn(state, i, blendsS)
  state.tasks.push({ kind: 'scent', fromS: blendsS, toS: state.now, cup: i, pour: index, hands: 2 })
  const startS = state.now
  const startLevel = state.standing(i)
  state.now += pour.seconds * (state.variation.hands ?? 1)
  state.advance(i, MODES.stream, state.now)
  state.tasks.push({ kind: 'pour', fromS: startS, toS: state.now, cup: i, pour: index, hands: 2 })
  return {
    startS,
    endS: state.now,
    startLevel,
    endLevel: state.standing(i),
    carrierLevel: null,
    carrierNeed: null,
    bursts: 0,
    stoodLevel,
    diveMm: null,
    tools: [],
    after: copyOf(state.cups[i]!),
  }
}

/** A pour of a stirred cup, brought on before if it is too thin. Hundreds of runs come through here: nothing is spread. */
function pourStirred(state: RunState, index: number, below: CupState | null): PourRun {
  const pour = state.input.pours[index]!
  const i = pour.cup
  const carried = below && pour.isCarried ? waitForCarrier(state, below, pour, index) : null
  state.advance(i, state.waiting(i), state.now)
  if (isFirst(state, index)) scentLast(state, i, index)
  const stoodLevel = state.standing(i)
  const bursts = state.input.whipped ? 0 : thicken(state, i, pour.window.lo, index)
  const startS = state.now
  state.now += RESTIR_S
  state.advance(i, MODES.hand, state.now)
  const startLevel = state.level(i)
  const diveMm = diveOf(state, pour, below)
  state.now += state.handS(pour.seconds)
  state.advance(i, MODES.pour, state.now)
  // Over a spatula the other hand holds it.
  const hands = pour.overSpatula ? 2 : 1
  state.tasks.push({ kind: 'pour', fromS: startS, toS: state.now, cup: i, pour: index, hands })
  return {
    startS,
    endS: state.now,
    startLevel,
    endLevel: state.level(i),
    carrierLevel: carried ? carried.level : null,
    carrierNeed: carried ? carried.need : null,
    bursts,
    stoodLevel,
    diveMm,
    tools: [],
    after: copyOf(state.cups[i]!),
  }
}

/** Whether nothing of a pour's cup was poured before it. */
const isFirst = ({ input: { pours } }: RunState, index: number): boolean =>
  pours.findIndex(({ cup }) => cup === pours[index]!.cup) === index

function pourLayer(state: RunState, index: number, inMould: InMould): PourRun {
  const pour = state.input.pours[index]!
  const i = pour.cup
  // What was lost on the way lies nowhere.
  const lowest = pour.below.findLast(k => inMould.has(k))
  const below = lowest === undefined ? null : inMould.get(lowest)!
  if (pour.waitS > 0) state.busy('wait', pour.waitS, i, index)
  if ((state.input.colourEach || !state.cups[i]) && isFirst(state, index)) prepareJustInTime(state, i)
  state.advance(i, state.waiting(i), state.now)
  const run = pour.neverStops ? pourOn(state, index) : pourStirred(state, index, below)
  // The mould holds its heat: soap inside the loaf loses next to none in the time of a pour.
  inMould.set(index, inTheMould(state.cups[i]!))
  for (const tool of pour.tools) run.tools.push(useTool(state, tool, index, inMould))
  return run
}

/** Soap as it lies once it has been poured. */
export function inTheMould(cup: CupState): CupState {
  const lying = copyOf(cup)
  lying.cooling = null
  return lying
}

/** What came of each pour that was still open, and of the tools that were. */
export type RestOfRun = Map<number, { pour: PourRun | null; tools: ToolRun[] }>

/**
 * Works the rest of a plan through from where it stands: what cups still lack, then the pours that are not in the mould yet. The state has
 * its clock and its cups; what is done of them is not in its input any more.
 *
 * @param inMould  what lies in the mould, by the place of its pour; more is put in
 * @param isOpen   whether a pour that is not in the mould is to be made
 */
export function finishRun(state: RunState, inMould: InMould, isOpen: (index: number) => boolean): RestOfRun {
  if (!state.input.colourEach) prepareCups(state)
  const rest: RestOfRun = new Map()
  state.input.pours.forEach(({ tools }, index) => {
    if (inMould.has(index)) {
      if (tools.length === 0) return
      rest.set(index, { pour: null, tools: tools.map(tool => useTool(state, tool, index, inMould)) })
    } else if (isOpen(index)) {
      const pour = pourLayer(state, index, inMould)
      rest.set(index, { pour, tools: pour.tools })
    }
  })
  return rest
}

const isSame = (a: Task, b: Task): boolean =>
  a.kind === b.kind && a.cup === b.cup && a.pour === b.pour && a.hands === b.hands

/** What follows on the same without a gap is one task. */
function merged(tasks: readonly Task[]): Task[] {
  const list: Task[] = []
  for (const task of tasks) {
    const last = list.at(-1)
    if (last && isSame(last, task) && Math.abs(last.toS - task.fromS) < 1e-6) last.toS = task.toS
    else list.push(task)
  }
  return list
}

/**
 * Works a plan through with the hands there are: blend to the level asked for, split, colour, then each pour as soon as the
 * hands are free, the layer below carries, and the cup is not too thin. What waits in a cup rests, or is stirred.
 *
 * @param sampleS longest step between recorded lane points; 0 records no lanes and is quicker
 */
export function runPlan(input: RunInput, variation: Variation, sampleS = 0): Run {
  const state = new RunState(input, variation, sampleS)
  if (!input.ownBatters) splitPot(state)
  const splitS = state.now
  if (input.colourEach) state.second = state.now
  else prepareCups(state)
  const pours: PourRun[] = []
  const inMould: InMould = new Map()
  for (let index = 0; index < input.pours.length; index += 1) {
    pours.push(pourLayer(state, index, inMould))
  }
  return {
    tasks: merged(state.tasks.sort((a, b) => a.fromS - b.fromS || a.toS - b.toS)),
    pours,
    lanes: state.lanes,
    pot: state.pot,
    splitS,
    endS: state.now,
    neverEmulsified: state.neverEmulsified,
    split: state.split,
  }
}

/** Seconds after `from` until a cup that is left standing shows more than `level`; at most `mostS`. */
export function secondsUntil(
  level: number,
  from: CupState,
  mostS: number,
  levelNow: typeof movingLevel = movingLevel,
): number {
  const how = handling('rest')
  const { pace } = from
  const batter = sameBatter(from.batter)
  const stepS = 60
  let before = levelNow(batter, pace, from.load)
  for (let t = 0; t < mostS; t += stepS) {
    advanceBatter(batter, pace, from.load, how, stepS, from.cooling)
    const after = levelNow(batter, pace, from.load)
    if (after > level) return t + (stepS * Math.max(0, level - before)) / Math.max(1e-9, after - before)
    before = after
  }
  return mostS
}
