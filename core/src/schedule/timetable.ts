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
  scentEffect,
  split,
  stepBatter,
} from '../trace/index.ts'
import type { Batter, Cooling, Handling, HandlingMode, Load, RecipePace, ScentEffect } from '../trace/index.ts'
import { HAND_TIMES } from './job.ts'
import type { CupJob, Job, PourJob } from './job.ts'

/** What the hands do, s from the moment lye meets oil. */
export interface Task {
  kind: 'blend' | 'scent-pot' | 'split' | 'colour' | 'scent' | 'blend-cup' | 'wait' | 'pour' | 'move'
  fromS: number
  toS: number
  /** Index of the cup, or null for the pot. */
  cup: number | null
  /** Index of the pour it is for, or null. */
  pour: number | null
}

interface PourRun {
  startS: number
  endS: number
  /** Moving level of the cup when the pour starts and ends. */
  startLevel: number
  endLevel: number
  /** Standing level of the layer below at that moment and what it needed; null on the floor. */
  carrierLevel: number | null
  carrierNeed: number | null
  /** Stick bursts that thickened the cup first. */
  bursts: number
  /** The cup when the pour ends, with what is left in it. */
  after: CupState
}

export interface LanePoint {
  s: number
  /** Level a stirred cup would show. */
  level: number
}

/** One execution of a plan with a given luck. */
export interface Run {
  tasks: Task[]
  pours: PourRun[]
  /** For each cup, moving level from the split to its last pour; empty unless recorded. */
  lanes: LanePoint[][]
  /** The whole pot before the split. */
  pot: LanePoint[]
  splitS: number
  endS: number
  /** Blending never reached the level asked for. */
  neverEmulsified: boolean
}

export interface CupState {
  batter: Batter
  load: Load
  atS: number
  cooling: Cooling
}

/** How far a run lies from the median, in ln of the rate: the same for all cups, but shared with the scent where there is one. */
export interface Luck {
  plainRate: number
  scentedRate: number
  scent: number
  /** Hands slower or quicker than planned, as a factor on all their times; 1 unless given. */
  hands?: number
  /** How far off the trace is at which blending really stops; 0 unless given. */
  stop?: number
}

const LONGEST_BLEND_S = 900
const CARRY_CHECK_S = 30
/** A layer that does not carry after this is a failure, not a wait. */
const LONGEST_WAIT_S = 1200
const MOST_BURSTS = 6
const BURST_S = 3
const LONGEST_STEP_S = 120

class Bench {
  now = 0
  readonly tasks: Task[] = []
  readonly lanes: LanePoint[][]
  readonly pot: LanePoint[] = []
  readonly cups: CupState[] = []

  constructor(
    readonly job: Job,
    readonly luck: Luck,
    /** Longest step between recorded points, s; 0 records nothing. */
    readonly sampleS: number,
  ) {
    this.lanes = job.cups.map(() => [])
  }

  get pace(): RecipePace {
    return this.job.pace
  }

  /** What the hands take for a task of so many usual seconds. */
  handS(seconds: number): number {
    return seconds * this.job.handPace * (this.luck.hands ?? 1)
  }

  /** When the second pair of hands is free, s. */
  second = 0

  /** Uses the hands for `seconds`. */
  busy(kind: Task['kind'], seconds: number, cup: number | null = null, pour: number | null = null): void {
    if (seconds > 0) this.tasks.push({ kind, fromS: this.now, toS: this.now + seconds, cup, pour })
    this.now += seconds
  }

  /** Brings a cup from when it was last touched up to `untilS` in one way of handling. */
  advance(i: number, how: Handling, untilS: number): void {
    const cup = this.cups[i]!
    const longest = this.sampleS > 0 ? Math.min(this.sampleS, LONGEST_STEP_S) : LONGEST_STEP_S
    while (cup.atS < untilS - 1e-9) {
      const step = Math.min(how.mode === 'stick' ? 1 : longest, untilS - cup.atS)
      cup.batter = stepBatter(cup.batter, this.pace, cup.load, how, step, cup.cooling)
      cup.atS += step
      this.record(i)
    }
  }

  record(i: number): void {
    if (this.sampleS === 0) return
    const cup = this.cups[i]!
    this.lanes[i]!.push({ s: cup.atS, level: movingLevel(cup.batter, this.pace, cup.load) })
  }

  addScent(i: number): void {
    const cup = this.cups[i]!
    cup.load = { ...cup.load, scent: this.scentOf(this.job.cups[i]!) }
  }

  /** A cup's scent in this run: the better it is known, the less luck has to do with it. */
  scentOf({ scent }: CupJob): ScentEffect {
    if (!scent) return UNSCENTED
    return scentEffect(scent.lnRate + this.luck.scent * (this.job.scentSd > 0 ? scent.sd / this.job.scentSd : 1))
  }

  level(i: number): number {
    return movingLevel(this.cups[i]!.batter, this.pace, this.cups[i]!.load)
  }
}

const MODES: Record<'rest' | 'hand' | 'pour', Handling> = {
  rest: handling('rest'),
  hand: handling('hand'),
  pour: handling('now-and-then'),
}

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

/** Unscented cups first, then in the order they are poured: what stays calm may wait. */
function preparationOrder(job: Job): number[] {
  const firstPour = (i: number) => {
    const at = job.pours.findIndex(pour => pour.cup === i)
    return at < 0 ? Infinity : at
  }
  const early = (cup: CupJob) => (cup.scent?.moment === 'with-colour' ? 1 : 0)
  return job.cups
    .map((_, i) => i)
    .filter(i => job.cups[i]!.massG > 0)
    .sort((a, b) => early(job.cups[a]!) - early(job.cups[b]!) || firstPour(a) - firstPour(b))
}

/** Colour, and scent that goes in with it, by whichever hands are free from `fromS` on; gives when they are done. */
function prepareCup(bench: Bench, i: number, fromS: number): number {
  const cup = bench.job.cups[i]!
  const addsScent = cup.scent?.moment === 'with-colour'
  let now = fromS
  if (cup.colourS === 0 && !addsScent) return now
  const work = (kind: 'colour' | 'scent', seconds: number) => {
    if (seconds > 0) bench.tasks.push({ kind, fromS: now, toS: now + seconds, cup: i, pour: null })
    now += seconds
    bench.advance(i, MODES.hand, now)
  }
  bench.advance(i, MODES.rest, now)
  bench.cups[i]!.load = { ...bench.cups[i]!.load, lnRate: cup.lnRate, lnViscosity: cup.lnViscosity }
  work('colour', bench.handS(cup.colourS))
  if (addsScent) {
    bench.addScent(i)
    work('scent', bench.handS(HAND_TIMES.scentStir))
  }
  return now
}

/** All cups before the first pour: one after another, or two at a time when two people work. */
function prepareCups(bench: Bench): void {
  bench.second = bench.now
  for (const i of preparationOrder(bench.job)) {
    const isSecond = bench.job.people === 2 && bench.second <= bench.now
    const done = prepareCup(bench, i, isSecond ? bench.second : bench.now)
    if (isSecond) bench.second = done
    else bench.now = done
  }
  bench.now = Math.max(bench.now, bench.second)
}

/** A cup's colour right before its first pour; with two people the second has begun while the first still poured. */
function prepareJustInTime(bench: Bench, i: number): void {
  if (bench.job.people === 1) {
    bench.now = prepareCup(bench, i, bench.now)
    return
  }
  bench.second = prepareCup(bench, i, Math.max(bench.second, bench.cups[i]!.atS))
  bench.now = Math.max(bench.now, bench.second)
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
