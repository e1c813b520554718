import {
  UNSCENTED,
  advanceBatter,
  blenderPower,
  cupCoolingS,
  falseLift,
  handling,
  split,
  stepBatter,
} from '../trace/index.ts'
import type { Batter, Load, RecipePace } from '../trace/index.ts'
import { HANDS, MODES, isNeverStopped } from './bench.ts'
import type { Bench } from './bench.ts'
import type { CupJob, Job } from './run-input.ts'
import { isStopped, ladderOf, whipped } from './ladder.ts'
import { drawnOffset, superfatOffsets } from './splitting.ts'

/** Blending and dividing: from lye and oils to cups of batter. */

interface Blended {
  batter: Batter
  seconds: number
  reached: boolean
  /** What cups hold that were filled on the way, by their index. */
  drawn: Map<number, { batter: Batter; s: number }>
}

const inPot = (cup: CupJob) => cup.scent?.moment === 'pot'
const inOils = (cup: CupJob) => cup.scent?.moment === 'oils'

/** What a cup carries before its colour goes in. */
export const loadBefore = (bench: Bench, cup: CupJob): Load => ({
  scent: inOils(cup) ? bench.scentOf(cup) : UNSCENTED,
  ...bench.job.potEffect,
  luck: cup.scent ? bench.luck.scentedRate : bench.luck.plainRate,
})

/** Blends, in the maker's way, until it is enough; fills on the way what is to be filled on the way. */
function blend(bench: Bench, pace: RecipePace, massKg: number, startC: number, cups: readonly number[]): Blended {
  const { job } = bench
  if (job.whipped) return { ...whipped(job), reached: true, drawn: new Map() }
  const scented = cups.map(i => job.cups[i]!).find(inOils)
  const ladder = ladderOf(job, pace, massKg, startC, scented ? bench.scentOf(scented) : UNSCENTED)
  const { n, reached } = ladder.first(isStopped(job, bench.luck.stop ?? 0))
  const drawn: Blended['drawn'] = new Map()
  for (const i of cups) {
    const { draw, massG } = job.cups[i]!
    if (!draw || massG === 0) continue
    const at = ladder.first(({ level }, s) => (draw.by === 'seconds' ? s >= draw.value : level >= draw.value)).n
    // What is to be drawn later than the pot is stopped is drawn with the others.
    if (at < n) drawn.set(i, { batter: { ...ladder.at(at).batter }, s: at * ladder.stepS })
  }
  return { batter: { ...ladder.at(n).batter }, seconds: n * ladder.stepS, reached, drawn }
}

/** Level of the pot as it is blended, every few seconds, for the picture. */
function recordPot(bench: Bench, massKg: number, seconds: number): void {
  const { job } = bench
  if (bench.sampleS === 0 || job.whipped) return
  const scented = job.cups.find(inOils)
  const ladder = ladderOf(job, job.pace, massKg, job.mixC, scented ? bench.scentOf(scented) : UNSCENTED)
  const everyS = Math.max(5, Math.ceil(seconds / 60))
  for (let s = 0; s < seconds; s += everyS) bench.pot.push({ s, level: ladder.at(Math.floor(s / ladder.stepS)).level })
  bench.pot.push({ s: seconds, level: ladder.at(Math.round(seconds / ladder.stepS)).level })
}

function noteBlend(bench: Bench, pace: RecipePace, { batter, reached, drawn }: Blended): void {
  const load: Load = { scent: UNSCENTED, ...bench.job.potEffect, luck: 0 }
  bench.neverEmulsified ||= !reached
  const { split: so } = bench
  so.potEmulsion = Math.min(so.potEmulsion, batter.emulsion)
  so.emulsion = Math.min(so.emulsion, batter.emulsion, ...[...drawn.values()].map(one => one.batter.emulsion))
  if (!bench.job.whipped) so.falseLift = Math.max(so.falseLift, falseLift({ ...batter, structure: 0 }, pace, load))
}

/** Blends the one pot. */
export const blendPot = (bench: Bench): Blended => {
  const { job } = bench
  return blend(bench, job.pace, job.potKg, job.mixC, [...job.cups.keys()])
}

/** Scent that goes into a pot, by hand or in two short bursts; gives the batter and when it is in. */
function scentIn(bench: Bench, batter: Batter, pace: RecipePace, load: Load, massKg: number, cup: CupJob): Batter {
  const how = stickFor(bench, massKg)
  if (cup.scent!.how === 'bursts' && bench.usesBlender) {
    const now = { ...batter }
    for (const s of burstSteps(bench)) advanceBatter(now, pace, load, s.isBlender ? how : MODES.hand, s.seconds)
    bench.busy('scent-pot', bench.burstsS)
    return now
  }
  const stirS = bench.handS(bench.job.times['scent-pot'])
  bench.busy('scent-pot', stirS)
  return stepBatter(batter, pace, load, MODES.hand, stirS)
}

/** Two bursts of two seconds with the spoon between: what is worked into a batter instead of a long stir. */
const BURSTS = { on: 2, between: 3 } as const
function* burstSteps(bench: Bench): Generator<{ isBlender: boolean; seconds: number }> {
  for (let n = 0; n < 2; n += 1) {
    for (let s = 0; s < BURSTS.on; s += 1) yield { isBlender: true, seconds: 1 }
    yield { isBlender: false, seconds: bench.burstsS / 2 - BURSTS.on }
  }
}

/** Works a scent into a cup in bursts; gives when it is in. */
export function burstScent(bench: Bench, i: number, fromS: number): number {
  const how = stickFor(bench, bench.job.cups[i]!.massG / 1000)
  let now = fromS
  for (const { isBlender, seconds } of burstSteps(bench)) {
    now += seconds
    bench.advance(i, isBlender ? how : MODES.hand, now)
  }
  return now
}

/** Divides a batter among cups; those that were filled on the way have stood since. */
function divide(
  bench: Bench,
  cups: readonly number[],
  blended: Blended,
  from: { plain: Batter; scented: Batter },
  scented: Load | null,
  pace: RecipePace,
  beganS: number,
): void {
  const { job } = bench
  const used = cups.filter(i => job.cups[i]!.massG > 0)
  const late = used.filter(i => !blended.drawn.has(i) && !isNeverStopped(job.cups[i]!))
  const splitS = bench.handS(late.length * job.times.split)
  if (used.length > 1 || !job.ownBatters) bench.busy('split', splitS)
  const offsets = superfatOffsets(blended.batter.emulsion, splitS, late.length)
  for (const i of cups) {
    const cup = job.cups[i]!
    const isScented = inPot(cup) && scented
    const load = isScented ? scented : loadBefore(bench, cup)
    const cooling = { roomC: job.roomC, tauS: cupCoolingS(cup.massG) }
    const early = blended.drawn.get(i)
    const own = isScented ? from.scented : from.plain
    const batter = early
      ? split(early.batter)
      : isNeverStopped(cup)
        ? stepBatter(own, pace, load, MODES.pour, splitS)
        : split(stepBatter(own, pace, load, MODES.pour, splitS))
    bench.cups[i] = { batter, pace, load, atS: early ? beganS + early.s : bench.now, cooling }
    const at = late.indexOf(i)
    bench.split.superfatOff[i] = early ? drawnOffset(early.batter.emulsion) : at < 0 ? 0 : offsets[at]!
    bench.record(i)
    if (early) bench.advance(i, MODES.rest, bench.now)
  }
}

/** Blends one pot and splits it: plain cups are drawn before scent goes into the pot. */
export function splitPot(bench: Bench): void {
  const { job } = bench
  const blended = blendPot(bench)
  recordPot(bench, job.potKg, blended.seconds)
  const drawS = bench.handS(blended.drawn.size * job.times.split)
  bench.busy('blend', blended.seconds)
  if (drawS > 0) bench.busy('split', drawS)
  noteBlend(bench, job.pace, blended)
  const firstInPot = job.cups.find(inPot)
  const load: Load | null = firstInPot ? { ...loadBefore(bench, firstInPot), scent: bench.scentOf(firstInPot) } : null
  let scented = blended.batter
  let plain = blended.batter
  if (load) {
    const beganS = bench.now
    scented = scentIn(bench, scented, job.pace, load, job.potKg, firstInPot!)
    const drawn = { ...load, scent: UNSCENTED, luck: bench.luck.plainRate }
    plain = stepBatter(plain, job.pace, drawn, MODES.rest, bench.now - beganS)
    if (bench.luck.rices && firstInPot!.scent!.ricing > 0) scented = smoothed(bench, scented, load)
  }
  divide(bench, [...job.cups.keys()], blended, { plain, scented }, load, job.pace, 0)
}

/** Seconds of stick blending that make a riced batter smooth again, of 1.5 kg. Makers' rule. */
const SMOOTH_S = 15
const smoothS = (massKg: number): number => SMOOTH_S / Math.max(1, blenderPower(Math.max(massKg, 0.02), 1))

const stickFor = (bench: Bench, massKg: number) =>
  handling('stick', blenderPower(Math.max(massKg, 0.02), bench.job.blenderStrength))

function smoothed(bench: Bench, batter: Batter, load: Load): Batter {
  const { potKg, pace } = bench.job
  const how = stickFor(bench, potKg)
  const seconds = smoothS(potKg)
  bench.busy('smooth', seconds)
  const now = { ...batter }
  for (let s = 0; s < seconds; s += 1) advanceBatter(now, pace, load, how, Math.min(1, seconds - s))
  return now
}

/** Blends the lumps out of a cup, if this run's scent makes any; gives when that is done. */
export function smoothCup(bench: Bench, i: number, fromS: number): number {
  const { scent, massG } = bench.job.cups[i]!
  if (!bench.luck.rices || !scent || scent.ricing === 0) return fromS
  const toS = fromS + smoothS(massG / 1000)
  bench.tasks.push({ kind: 'smooth', fromS, toS, cup: i, pour: null, hands: HANDS.smooth })
  bench.advance(i, stickFor(bench, massG / 1000), toS)
  return toS
}

/** Seconds for which what is poured without a stop is blended while its scent goes in, and for which the blender is lifted out. */
const NEVER_STOP = { blendS: 10, liftS: 3 } as const

/** Blends the scent into what is poured without a stop; gives when the pour can start. */
export function blendOn(bench: Bench, i: number, fromS: number): number {
  const { massG } = bench.job.cups[i]!
  bench.addScent(i)
  const blendedS = fromS + bench.handS(NEVER_STOP.blendS)
  bench.advance(i, stickFor(bench, massG / 1000), blendedS)
  bench.advance(i, MODES.stream, blendedS + NEVER_STOP.liftS)
  return blendedS + NEVER_STOP.liftS
}

/** Cups that share a batter of their own with one. */
const batchOf = ({ cups }: Job, i: number): number[] =>
  cups[i]!.batch === '' ? [i] : cups.flatMap((cup, k) => (cup.batch === cups[i]!.batch && cup.massG > 0 ? [k] : []))

/**
 * A batter of its own for one cup, or for those that share it: lye into its oils, which have cooled as they waited, and
 * blended; then divided. Scent that was meant for the pot goes in with its colour.
 *
 * @returns when it is blended and divided, s
 */
export function blendOwn(bench: Bench, i: number, fromS: number): number {
  const { job } = bench
  const cups = batchOf(job, i)
  const massG = cups.reduce((sum, k) => sum + job.cups[k]!.massG, 0)
  const { pace } = job.cups[i]!
  const tauS = cupCoolingS(massG)
  const startC = job.roomC + (job.mixC - job.roomC) * Math.exp(-fromS / tauS)
  const blended = blend(bench, pace, massG / 1000, startC, cups)
  noteBlend(bench, pace, blended)
  const lyeInS = fromS + bench.handS(job.times['own-lye'])
  const toS = lyeInS + blended.seconds
  bench.tasks.push({ kind: 'blend', fromS, toS, cup: i, pour: null, hands: HANDS.blend })
  const kept = bench.now
  bench.now = toS
  divide(bench, cups, blended, { plain: blended.batter, scented: blended.batter }, null, pace, lyeInS)
  const doneS = bench.now
  bench.now = kept
  return doneS
}
