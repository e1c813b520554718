import {
  RESTIR_S,
  UNSCENTED,
  blenderPower,
  cupCoolingS,
  freshBatter,
  handling,
  levelOf,
  levelThatCarries,
  movingLevel,
  split,
  stepBatter,
} from '../trace/index.ts'
import type { Batter, HandlingMode, Load, RecipePace } from '../trace/index.ts'
import { Bench, MODES } from './bench.ts'
import type { CupState, Luck, PourRun, Run, Task } from './bench.ts'
import { HAND_TIMES } from './job.ts'
import type { CupJob, Job, PourJob } from './job.ts'
import { prepareCups, prepareJustInTime } from './prepare.ts'

const LONGEST_BLEND_S = 900
const CARRY_CHECK_S = 30
/** A layer that does not carry after this is a failure, not a wait. */
const LONGEST_WAIT_S = 1200
const MOST_BURSTS = 6
const BURST_S = 3

/** Blends by stick until the batter shows the level asked for, for at most a quarter of an hour. */
function blendPot(bench: Bench): { batter: Batter; reached: boolean } {
  const { job, pace } = bench
  const how = handling('stick', blenderPower(Math.max(job.potKg, 0.05), job.blenderStrength))
  // The makers' own trace is what stops the blender, so the run's luck acts only afterwards.
  const load: Load = { scent: UNSCENTED, ...job.potEffect, luck: 0 }
  let batter = freshBatter(pace, job.mixC, job.mixC >= pace.clearPointC + 3)
  let seconds = 0
  const levelNow = () => levelOf({ ...batter, structure: 0 }, pace, load)
  const record = () => {
    if (bench.sampleS > 0) bench.pot.push({ s: seconds, level: levelNow() })
  }
  record()
  const stopLevel = job.stopLevel + (bench.luck.stop ?? 0)
  while (levelNow() < stopLevel && seconds < LONGEST_BLEND_S) {
    batter = stepBatter(batter, pace, load, how, 1)
    seconds += 1
    if (seconds % 5 === 0) record()
  }
  record()
  bench.busy('blend', seconds)
  return { batter, reached: levelNow() >= stopLevel }
}

function splitPot(bench: Bench): boolean {
  const { job } = bench
  const blended = blendPot(bench)
  let batter = blended.batter
  const inPot = (cup: CupJob) => cup.scent?.moment === 'pot'
  const firstInPot = job.cups.find(inPot)
  const plainLoad = (luck: number): Load => ({ scent: UNSCENTED, ...job.potEffect, luck })
  const unscented = plainLoad(bench.luck.plainRate)
  const toBeScented = plainLoad(bench.luck.scentedRate)
  const scented: Load = { ...toBeScented, scent: firstInPot ? bench.scentOf(firstInPot) : UNSCENTED }
  // Plain cups are drawn before scent goes into the pot; they wait as it is stirred in.
  let plain = batter
  if (firstInPot) {
    const hand = handling('hand')
    const stirS = bench.handS(HAND_TIMES.scentIntoPot)
    batter = stepBatter(batter, bench.pace, scented, hand, stirS)
    plain = stepBatter(plain, bench.pace, unscented, MODES.rest, stirS)
    bench.busy('scent-pot', stirS)
  }
  const used = job.cups.filter(cup => cup.massG > 0).length
  const splitS = bench.handS(used * HAND_TIMES.splitPerCup)
  bench.busy('split', splitS)
  job.cups.forEach((cup, i) => {
    const base = !cup.scent ? unscented : inPot(cup) ? scented : toBeScented
    const start = inPot(cup) ? batter : plain
    bench.cups.push({
      batter: split(stepBatter(start, bench.pace, base, MODES.pour, splitS)),
      load: base,
      atS: bench.now,
      cooling: { roomC: job.roomC, tauS: cupCoolingS(cup.massG) },
    })
    bench.record(i)
  })
  return blended.reached
}

const settle = (carrier: CupState, pace: RecipePace, untilS: number): void => {
  while (carrier.atS < untilS - 1e-9) {
    const step = Math.min(CARRY_CHECK_S, untilS - carrier.atS)
    carrier.batter = stepBatter(carrier.batter, pace, carrier.load, MODES.rest, step, carrier.cooling)
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

/** Short stick bursts bring a cup that is still too thin up to its window. */
function thicken(bench: Bench, i: number, lo: number, index: number): number {
  const stick = handling(
    'stick',
    blenderPower(Math.max(bench.job.cups[i]!.massG, 20) / 1000, bench.job.blenderStrength),
  )
  let bursts = 0
  while (bench.level(i) < lo && bursts < MOST_BURSTS) {
    bursts += 1
    bench.busy('blend-cup', BURST_S + RESTIR_S, i, index)
    bench.advance(i, stick, bench.now - RESTIR_S)
    bench.advance(i, MODES.hand, bench.now)
  }
  return bursts
}

function pourLayer(bench: Bench, index: number, below: CupState | null): { run: PourRun; carrier: CupState } {
  const pour = bench.job.pours[index]!
  const i = pour.cup
  if (pour.waitS > 0) bench.busy('wait', pour.waitS, i, index)
  const first = !bench.job.pours.slice(0, index).some(earlier => earlier.cup === i)
  if (first && bench.job.colourEach) prepareJustInTime(bench, i)
  const carried = below && pour.isCarried ? waitForCarrier(bench, below, pour, index) : null
  bench.advance(i, MODES.rest, bench.now)
  if (first && bench.job.cups[i]!.scent?.moment === 'last') {
    bench.addScent(i)
    bench.busy('scent', bench.handS(HAND_TIMES.scentStir), i, index)
    bench.advance(i, MODES.hand, bench.now)
  }
  const bursts = thicken(bench, i, pour.window.lo, index)
  const startS = bench.now
  bench.now += RESTIR_S
  bench.advance(i, MODES.hand, bench.now)
  const startLevel = bench.level(i)
  bench.now += bench.handS(pour.seconds)
  bench.advance(i, MODES.pour, bench.now)
  bench.tasks.push({ kind: 'pour', fromS: startS, toS: bench.now, cup: i, pour: index })
  const cup = bench.cups[i]!
  const run: PourRun = {
    startS,
    endS: bench.now,
    startLevel,
    endLevel: bench.level(i),
    carrierLevel: carried?.level ?? null,
    carrierNeed: carried?.need ?? null,
    bursts,
    after: { ...cup },
  }
  bench.busy('move', bench.handS(pour.movesS), i, index)
  // The mould holds its heat: a layer inside the loaf loses next to none in the time of a pour.
  return { run, carrier: { ...cup, cooling: null } }
}

const merged = (tasks: readonly Task[]): Task[] =>
  tasks.reduce<Task[]>((list, task) => {
    const last = list.at(-1)
    const same = last && last.kind === task.kind && last.cup === task.cup && last.pour === task.pour
    if (same && Math.abs(last.toS - task.fromS) < 1e-6) list[list.length - 1] = { ...last, toS: task.toS }
    else list.push(task)
    return list
  }, [])

/**
 * Works a plan through with one pair of hands: blend to the level asked for, split, colour, then each pour as soon as the
 * hands are free, the layer below carries, and the cup is not too thin. What waits in a cup rests.
 *
 * @param sampleS longest step between recorded lane points; 0 records no lanes and is quicker
 */
export function runPlan(job: Job, luck: Luck, sampleS = 0): Run {
  const bench = new Bench(job, luck, sampleS)
  const reached = splitPot(bench)
  const splitS = bench.now
  if (job.colourEach) bench.second = bench.now
  else prepareCups(bench)
  const pours: PourRun[] = []
  let below: CupState | null = null
  for (let index = 0; index < job.pours.length; index += 1) {
    const { run, carrier } = pourLayer(bench, index, below)
    pours.push(run)
    below = carrier
  }
  return {
    tasks: merged([...bench.tasks].sort((a, b) => a.fromS - b.fromS || a.toS - b.toS)),
    pours,
    lanes: bench.lanes,
    pot: bench.pot,
    splitS,
    endS: bench.now,
    neverEmulsified: !reached,
  }
}

/** Seconds after `from` until a cup that is left standing shows more than `level`; at most `mostS`. */
export function secondsUntil(
  level: number,
  from: CupState,
  pace: RecipePace,
  mostS: number,
  mode: HandlingMode = 'rest',
): number {
  const how = handling(mode)
  let batter = from.batter
  const stepS = 60
  let before = movingLevel(batter, pace, from.load)
  for (let t = 0; t < mostS; t += stepS) {
    batter = stepBatter(batter, pace, from.load, how, stepS, from.cooling)
    const after = movingLevel(batter, pace, from.load)
    if (after > level) return t + (stepS * Math.max(0, level - before)) / Math.max(1e-9, after - before)
    before = after
  }
  return mostS
}
