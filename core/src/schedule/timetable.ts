import {
  RESTIR_S,
  advanceBatter,
  blenderPower,
  diveDepthMm,
  handling,
  levelOf,
  levelThatCarries,
  movingLevel,
} from '../trace/index.ts'
import type { RecipePace } from '../trace/index.ts'
import { Bench, MODES, copyOf } from './bench.ts'
import type { CupState, Luck, PourRun, Run, Task, ToolRun } from './bench.ts'
import { smoothCup, splitPot } from './blending.ts'
import type { Job, PourJob, ToolJob } from './job.ts'
import { prepareCups, prepareJustInTime } from './prepare.ts'

const CARRY_CHECK_S = 30
/** A layer that does not carry after this is a failure, not a wait. */
const LONGEST_WAIT_S = 1200
/** Nor is a tool waited for longer. */
const LONGEST_TOOL_WAIT_S = 1200
const MOST_BURSTS = 6
const BURST_S = 3
const STIRRED_S = 20

const settle = (carrier: CupState, pace: RecipePace, untilS: number): void => {
  while (carrier.atS < untilS - 1e-9) {
    const step = Math.min(CARRY_CHECK_S, untilS - carrier.atS)
    advanceBatter(carrier.batter, pace, carrier.load, MODES.rest, step, carrier.cooling)
    carrier.atS += step
  }
}

/** Waits until the layer below carries; gives its standing level and what it needed. */
function waitForCarrier(bench: Bench, carrier: CupState, pour: PourJob, index: number) {
  const need = levelThatCarries(pour.dropMm, pour.overSpatula)
  const standing = () => levelOf(carrier.batter, bench.pace, carrier.load)
  const readyAfter = RESTIR_S
  settle(carrier, bench.pace, bench.now + readyAfter)
  const began = bench.now
  while (standing() < need && bench.now - began < LONGEST_WAIT_S) {
    bench.busy('wait', CARRY_CHECK_S, pour.cup, index)
    settle(carrier, bench.pace, bench.now + readyAfter)
  }
  return { level: standing(), need }
}

/** Short bursts, or a while of stirring where no blender is used, bring a cup that is still too thin up to its window. */
function thicken(bench: Bench, i: number, lo: number, index: number): number {
  const { blending, cups, blenderStrength } = bench.job
  const isBlender = blending === 'stick' || blending === 'bursts'
  const how = handling(
    isBlender ? 'stick' : blending,
    blenderPower(Math.max(cups[i]!.massG, 20) / 1000, blenderStrength),
  )
  const burstS = isBlender ? BURST_S : STIRRED_S
  let bursts = 0
  while (bench.level(i) < lo && bursts < MOST_BURSTS) {
    bursts += 1
    bench.busy('blend-cup', burstS + RESTIR_S, i, index)
    bench.advance(i, how, bench.now - RESTIR_S)
    bench.advance(i, MODES.hand, bench.now)
  }
  return bursts
}

/** Soap in the mould: what each cup last gave, standing, without loss of heat. */
type InMould = Map<number, CupState>

/** Levels that stand in the way of a tool. */
function standingFor(bench: Bench, tool: ToolJob, cups: readonly number[], inMould: InMould): [number, number] {
  const levels = cups.map(i => {
    const soap = inMould.get(i)!
    settle(soap, bench.pace, bench.now)
    const level = tool.through === 'pot' ? movingLevel : levelOf
    return level(soap.batter, bench.pace, soap.load)
  })
  return [Math.min(...levels), Math.max(...levels)]
}

/** Uses a tool, after a wait if what it goes through is still too thin. */
function useTool(bench: Bench, tool: ToolJob, index: number, inMould: InMould): ToolRun {
  const last = bench.job.pours[index]!.cup
  const cups = tool.through === 'top' ? [last] : [...inMould.keys()]
  const began = bench.now
  let [lowest, highest] = standingFor(bench, tool, cups, inMould)
  while (lowest < tool.window.lo && highest < tool.window.hi && bench.now - began < LONGEST_TOOL_WAIT_S) {
    bench.busy('wait', CARRY_CHECK_S, null, index)
    ;[lowest, highest] = standingFor(bench, tool, cups, inMould)
  }
  const startS = bench.now
  bench.busy('move', bench.handS(tool.seconds), last, index, tool.hands)
  return { move: tool.move, startS, endS: bench.now, lowest, highest }
}

/** Stirs in the scent that waits for the last moment. */
function scentLast(bench: Bench, i: number, index: number): void {
  if (bench.job.cups[i]!.scent?.moment !== 'last') return
  bench.addScent(i)
  bench.busy('scent', bench.handS(bench.job.times.scent), i, index)
  bench.advance(i, MODES.hand, bench.now)
  bench.now = smoothCup(bench, i, bench.now)
}

/** How deep a pour that is meant to dive goes into what was poured last. */
function diveOf(bench: Bench, pour: PourJob, below: CupState | null): number | null {
  if (!pour.dives || !below) return null
  settle(below, bench.pace, bench.now)
  return diveDepthMm(pour, levelOf(below.batter, bench.pace, below.load))
}

function pourLayer(bench: Bench, index: number, below: CupState | null, inMould: InMould): PourRun {
  const pour = bench.job.pours[index]!
  const i = pour.cup
  if (pour.waitS > 0) bench.busy('wait', pour.waitS, i, index)
  const first = !bench.job.pours.slice(0, index).some(earlier => earlier.cup === i)
  if (first && (bench.job.colourEach || !bench.cups[i])) prepareJustInTime(bench, i)
  const carried = below && pour.isCarried ? waitForCarrier(bench, below, pour, index) : null
  bench.advance(i, bench.waiting, bench.now)
  if (first) scentLast(bench, i, index)
  const stoodLevel = bench.standing(i)
  const bursts = thicken(bench, i, pour.window.lo, index)
  const startS = bench.now
  bench.now += RESTIR_S
  bench.advance(i, MODES.hand, bench.now)
  const startLevel = bench.level(i)
  const diveMm = diveOf(bench, pour, below)
  bench.now += bench.handS(pour.seconds)
  bench.advance(i, MODES.pour, bench.now)
  // Over a spatula the other hand holds it.
  const hands = pour.overSpatula ? 2 : 1
  bench.tasks.push({ kind: 'pour', fromS: startS, toS: bench.now, cup: i, pour: index, hands })
  const cup = bench.cups[i]!
  const run: PourRun = {
    startS,
    endS: bench.now,
    startLevel,
    endLevel: bench.level(i),
    carrierLevel: carried?.level ?? null,
    carrierNeed: carried?.need ?? null,
    bursts,
    stoodLevel,
    diveMm,
    tools: [],
    after: copyOf(cup),
  }
  // The mould holds its heat: soap inside the loaf loses next to none in the time of a pour.
  inMould.delete(i)
  inMould.set(i, { ...copyOf(cup), cooling: null })
  for (const tool of pour.tools) run.tools.push(useTool(bench, tool, index, inMould))
  return run
}

const merged = (tasks: readonly Task[]): Task[] =>
  tasks.reduce<Task[]>((list, task) => {
    const last = list.at(-1)
    const same =
      last && last.kind === task.kind && last.cup === task.cup && last.pour === task.pour && last.hands === task.hands
    if (same && Math.abs(last.toS - task.fromS) < 1e-6) list[list.length - 1] = { ...last, toS: task.toS }
    else list.push(task)
    return list
  }, [])

/**
 * Works a plan through with the hands there are: blend to the level asked for, split, colour, then each pour as soon as the
 * hands are free, the layer below carries, and the cup is not too thin. What waits in a cup rests, or is stirred.
 *
 * @param sampleS longest step between recorded lane points; 0 records no lanes and is quicker
 */
export function runPlan(job: Job, luck: Luck, sampleS = 0): Run {
  const bench = new Bench(job, luck, sampleS)
  if (!job.ownBatters) splitPot(bench)
  const splitS = bench.now
  if (job.colourEach) bench.second = bench.now
  else prepareCups(bench)
  const pours: PourRun[] = []
  const inMould: InMould = new Map()
  for (let index = 0; index < job.pours.length; index += 1) {
    const below = index > 0 ? inMould.get(job.pours[index - 1]!.cup)! : null
    pours.push(pourLayer(bench, index, below, inMould))
  }
  return {
    tasks: merged([...bench.tasks].sort((a, b) => a.fromS - b.fromS || a.toS - b.toS)),
    pours,
    lanes: bench.lanes,
    pot: bench.pot,
    splitS,
    endS: bench.now,
    neverEmulsified: bench.neverEmulsified,
    split: bench.split,
  }
}

/** Seconds after `from` until a cup that is left standing shows more than `level`; at most `mostS`. */
export function secondsUntil(
  level: number,
  from: CupState,
  pace: RecipePace,
  mostS: number,
  levelNow: typeof movingLevel = movingLevel,
): number {
  const how = handling('rest')
  const batter = { ...from.batter }
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
