import {
  RESTIR_S,
  advanceBatter,
  diveDepthMm,
  handling,
  levelOf,
  levelThatCarries,
  movingLevel,
} from '../trace/index.ts'
import { Bench, MODES, copyOf } from './bench.ts'
import type { CupState, Luck, PourRun, Run, Task, ToolRun } from './bench.ts'
import { blendOn, burstScent, smoothCup, splitPot } from './blending.ts'
import { thicken } from './thicken.ts'
import type { Job, PourJob, ToolJob } from './run-input.ts'
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
function waitForCarrier(bench: Bench, carrier: CupState, pour: PourJob, index: number) {
  const need = Math.max(pour.leastBelow, levelThatCarries(pour.dropMm, pour.overSpatula))
  const standing = () => levelOf(carrier.batter, carrier.pace, carrier.load)
  const readyAfter = RESTIR_S
  settle(carrier, bench.now + readyAfter)
  const began = bench.now
  while (standing() < need && bench.now - began < LONGEST_WAIT_S) {
    bench.busy('wait', CARRY_CHECK_S, pour.cup, index)
    settle(carrier, bench.now + readyAfter)
  }
  return { level: standing(), need }
}

/** Soap in the mould: what each pour gave, standing, without loss of heat. */
type InMould = Map<number, CupState>

/** Levels that stand in the way of a tool. */
function standingFor(bench: Bench, tool: ToolJob, pours: readonly number[], inMould: InMould): [number, number] {
  const levels = pours.map(i => {
    const soap = inMould.get(i)!
    settle(soap, bench.now)
    const level = tool.through === 'pot' ? movingLevel : levelOf
    return level(soap.batter, soap.pace, soap.load)
  })
  return [Math.min(...levels), Math.max(...levels)]
}

/** Uses a tool, after a wait if what it goes through is still too thin. */
function useTool(bench: Bench, tool: ToolJob, index: number, inMould: InMould): ToolRun {
  const { cup: last, below } = bench.job.pours[index]!
  // Of one cup that was poured twice, what went in later is as it is now.
  const lying = new Map([...below, index].map(k => [bench.job.pours[k]!.cup, k]))
  const pours = tool.through === 'top' ? [index] : [...lying.values()]
  const began = bench.now
  let [lowest, highest] = standingFor(bench, tool, pours, inMould)
  // What comes apart does not thicken by waiting.
  const holds = pours.every(k => inMould.get(k)!.batter.emulsion >= BREAKS_BELOW)
  while (holds && lowest < tool.window.lo && highest < tool.window.hi && bench.now - began < LONGEST_TOOL_WAIT_S) {
    bench.busy('wait', CARRY_CHECK_S, null, index)
    ;[lowest, highest] = standingFor(bench, tool, pours, inMould)
  }
  const startS = bench.now
  bench.busy('move', bench.handS(tool.seconds), last, index, tool.hands)
  return { move: tool.move, startS, endS: bench.now, lowest, highest }
}

/** Works in the scent that waits for the last moment. */
function scentLast(bench: Bench, i: number, index: number): void {
  const { scent } = bench.job.cups[i]!
  if (scent?.moment !== 'last') return
  bench.addScent(i)
  if (scent.how === 'bursts' && bench.usesBlender) {
    const fromS = bench.now
    bench.now = burstScent(bench, i, fromS)
    bench.tasks.push({ kind: 'scent', fromS, toS: bench.now, cup: i, pour: index, hands: 2 })
  } else {
    bench.busy('scent', bench.handS(bench.job.times.scent), i, index)
    bench.advance(i, MODES.hand, bench.now)
  }
  bench.now = smoothCup(bench, i, bench.now)
}

/** How deep a stream goes into what was poured last, mm: at most through all that lies there. */
function diveOf(bench: Bench, pour: PourJob, below: CupState | null): number | null {
  if (!pour.depth || !below) return null
  settle(below, bench.now)
  return Math.min(pour.belowMm, diveDepthMm(pour, levelOf(below.batter, below.pace, below.load)))
}

/** What is blended with its scent and poured from the pot at once, never standing. */
function pourOn(bench: Bench, index: number): Omit<PourRun, 'tools' | 'after'> {
  const pour = bench.job.pours[index]!
  const i = pour.cup
  const stoodLevel = bench.standing(i)
  const blendsS = bench.now
  bench.now = blendOn(bench, i, blendsS)
  bench.tasks.push({ kind: 'scent', fromS: blendsS, toS: bench.now, cup: i, pour: index, hands: 2 })
  const startS = bench.now
  const startLevel = bench.standing(i)
  bench.now += pour.seconds * (bench.luck.hands ?? 1)
  bench.advance(i, MODES.stream, bench.now)
  bench.tasks.push({ kind: 'pour', fromS: startS, toS: bench.now, cup: i, pour: index, hands: 2 })
  return {
    ...{ startS, endS: bench.now, startLevel, endLevel: bench.standing(i), carrierLevel: null, carrierNeed: null },
    ...{ bursts: 0, stoodLevel, diveMm: null },
  }
}

/** A pour of a stirred cup, brought on before if it is too thin. */
function pourStirred(bench: Bench, index: number, below: CupState | null): Omit<PourRun, 'tools' | 'after'> {
  const pour = bench.job.pours[index]!
  const i = pour.cup
  const first = !bench.job.pours.slice(0, index).some(earlier => earlier.cup === i)
  const carried = below && pour.isCarried ? waitForCarrier(bench, below, pour, index) : null
  bench.advance(i, bench.waiting(i), bench.now)
  if (first) scentLast(bench, i, index)
  const stoodLevel = bench.standing(i)
  const bursts = bench.job.whipped ? 0 : thicken(bench, i, pour.window.lo, index)
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
  return {
    ...{ startS, endS: bench.now, startLevel, endLevel: bench.level(i) },
    ...{ carrierLevel: carried?.level ?? null, carrierNeed: carried?.need ?? null, bursts, stoodLevel, diveMm },
  }
}

function pourLayer(bench: Bench, index: number, inMould: InMould): PourRun {
  const pour = bench.job.pours[index]!
  const i = pour.cup
  const lowest = pour.below.at(-1)
  const below = lowest === undefined ? null : inMould.get(lowest)!
  if (pour.waitS > 0) bench.busy('wait', pour.waitS, i, index)
  const first = !bench.job.pours.slice(0, index).some(earlier => earlier.cup === i)
  if (first && (bench.job.colourEach || !bench.cups[i])) prepareJustInTime(bench, i)
  bench.advance(i, bench.waiting(i), bench.now)
  const poured = pour.neverStops ? pourOn(bench, index) : pourStirred(bench, index, below)
  const cup = bench.cups[i]!
  const run: PourRun = { ...poured, tools: [], after: copyOf(cup) }
  // The mould holds its heat: soap inside the loaf loses next to none in the time of a pour.
  inMould.set(index, { ...copyOf(cup), cooling: null })
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
    pours.push(pourLayer(bench, index, inMould))
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
  mostS: number,
  levelNow: typeof movingLevel = movingLevel,
): number {
  const how = handling('rest')
  const { pace } = from
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
