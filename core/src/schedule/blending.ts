import {
  UNSCENTED,
  advanceBatter,
  blendedLevel,
  blenderPower,
  cupCoolingS,
  falseLift,
  freshBatter,
  handling,
  split,
  stepBatter,
} from '../trace/index.ts'
import type { Batter, Load, ScentEffect } from '../trace/index.ts'
import { HANDS, MODES } from './bench.ts'
import type { Bench } from './bench.ts'
import type { CupJob } from './job.ts'
import { superfatOffsets } from './splitting.ts'

/** Blending and splitting: from lye and oils to cups of batter. */

/** Blending is given up after so long, s: a stick blender would have burnt out. */
const LONGEST_BLEND_S = { stick: 900, bursts: 1800, whisk: 3600, hand: 3600 } as const
/** Steps that the model is good for, s. */
const STEP_S = { stick: 1, bursts: 1, whisk: 5, hand: 5 } as const

interface Blended {
  batter: Batter
  seconds: number
  reached: boolean
}

/** Blends, in the maker's way, until the batter shows the level asked for. */
function blend(
  bench: Bench,
  massKg: number,
  startC: number,
  scent: ScentEffect,
  record?: (s: number, level: number) => void,
): Blended {
  const { job, pace } = bench
  const { blending } = job
  const how = handling(blending, blenderPower(Math.max(massKg, 0.05), job.blenderStrength))
  const stepS = STEP_S[blending]
  // The makers' own trace is what stops the blender, so the run's luck acts only afterwards.
  const load: Load = { scent, ...job.potEffect, luck: job.rate.mean }
  const batter = freshBatter(pace, startC, startC >= pace.clearPointC + 3)
  let seconds = 0
  const levelNow = () => blendedLevel(batter, pace, load)
  let level = levelNow()
  record?.(0, level)
  const stopLevel = job.stopLevel + (bench.luck.stop ?? 0)
  while (level < stopLevel && seconds < LONGEST_BLEND_S[blending]) {
    advanceBatter(batter, pace, load, how, stepS)
    seconds += stepS
    level = levelNow()
    if (seconds % 5 === 0) record?.(seconds, level)
  }
  record?.(seconds, level)
  return { batter, seconds, reached: level >= stopLevel }
}

function noteBlend(bench: Bench, { batter, reached }: Blended): void {
  const load: Load = { scent: UNSCENTED, ...bench.job.potEffect, luck: 0 }
  bench.neverEmulsified ||= !reached
  bench.split.emulsion = Math.min(bench.split.emulsion, batter.emulsion)
  bench.split.falseLift = Math.max(bench.split.falseLift, falseLift({ ...batter, structure: 0 }, bench.pace, load))
}

const inPot = (cup: CupJob) => cup.scent?.moment === 'pot'
const inOils = (cup: CupJob) => cup.scent?.moment === 'oils'

/** What a cup carries before its colour goes in. */
export const loadBefore = (bench: Bench, cup: CupJob): Load => ({
  scent: inOils(cup) ? bench.scentOf(cup) : UNSCENTED,
  ...bench.job.potEffect,
  luck: cup.scent ? bench.luck.scentedRate : bench.luck.plainRate,
})

/** Blends the one pot, with the scent that is in its oils. */
export function blendPot(bench: Bench, record?: (s: number, level: number) => void): Blended {
  const { job } = bench
  const scented = job.cups.find(inOils)
  return blend(bench, job.potKg, job.mixC, scented ? bench.scentOf(scented) : UNSCENTED, record)
}

/** Blends one pot and splits it: plain cups are drawn before scent goes into the pot. */
export function splitPot(bench: Bench): void {
  const { job } = bench
  const blended = blendPot(bench, (s, level) => {
    if (bench.sampleS > 0) bench.pot.push({ s, level })
  })
  bench.busy('blend', blended.seconds)
  noteBlend(bench, blended)
  let batter = blended.batter
  const firstInPot = job.cups.find(inPot)
  const scented: Load | null = firstInPot
    ? { ...loadBefore(bench, firstInPot), scent: bench.scentOf(firstInPot) }
    : null
  let plain = batter
  if (scented) {
    const stirS = bench.handS(job.times['scent-pot'])
    batter = stepBatter(batter, bench.pace, scented, MODES.hand, stirS)
    plain = stepBatter(
      plain,
      bench.pace,
      { ...scented, scent: UNSCENTED, luck: bench.luck.plainRate },
      MODES.rest,
      stirS,
    )
    bench.busy('scent-pot', stirS)
    if (bench.luck.rices && firstInPot!.scent!.ricing > 0) batter = smoothed(bench, batter, scented)
  }
  const used = job.cups.filter(cup => cup.massG > 0)
  const splitS = bench.handS(used.length * job.times.split)
  bench.busy('split', splitS)
  const offsets = superfatOffsets(blended.batter.emulsion, splitS, used.length)
  let drawn = 0
  job.cups.forEach((cup, i) => {
    const isScented = inPot(cup) && scented
    const load = isScented ? scented : loadBefore(bench, cup)
    bench.cups[i] = {
      batter: split(stepBatter(isScented ? batter : plain, bench.pace, load, MODES.pour, splitS)),
      load,
      atS: bench.now,
      cooling: { roomC: job.roomC, tauS: cupCoolingS(cup.massG) },
    }
    bench.split.superfatOff[i] = cup.massG > 0 ? offsets[drawn++]! : 0
    bench.record(i)
  })
}

/** Seconds of stick blending that make a riced batter smooth again. Makers' rule. */
const SMOOTH_S = 15

const stickFor = (bench: Bench, massKg: number) =>
  handling('stick', blenderPower(Math.max(massKg, 0.02), bench.job.blenderStrength))

function smoothed(bench: Bench, batter: Batter, load: Load): Batter {
  const how = stickFor(bench, bench.job.potKg)
  bench.busy('smooth', SMOOTH_S)
  const now = { ...batter }
  for (let s = 0; s < SMOOTH_S; s += 1) advanceBatter(now, bench.pace, load, how, 1)
  return now
}

/** Blends the lumps out of a cup, if this run's scent makes any; gives when that is done. */
export function smoothCup(bench: Bench, i: number, fromS: number): number {
  const { scent, massG } = bench.job.cups[i]!
  if (!bench.luck.rices || !scent || scent.ricing === 0) return fromS
  bench.tasks.push({ kind: 'smooth', fromS, toS: fromS + SMOOTH_S, cup: i, pour: null, hands: HANDS.smooth })
  bench.advance(i, stickFor(bench, massG / 1000), fromS + SMOOTH_S)
  return fromS + SMOOTH_S
}

/**
 * A batter of its own for one cup: lye into its oils, which have cooled as they waited, and blended. Scent that was meant for
 * the pot goes in with its colour.
 *
 * @returns when it is blended, s
 */
export function blendOwn(bench: Bench, i: number, fromS: number): number {
  const { job } = bench
  const cup = job.cups[i]!
  const tauS = cupCoolingS(cup.massG)
  const startC = job.roomC + (job.mixC - job.roomC) * Math.exp(-fromS / tauS)
  const blended = blend(bench, cup.massG / 1000, startC, loadBefore(bench, cup).scent)
  noteBlend(bench, blended)
  const toS = fromS + bench.handS(job.times['own-lye']) + blended.seconds
  bench.tasks.push({ kind: 'blend', fromS, toS, cup: i, pour: null, hands: HANDS.blend })
  bench.cups[i] = {
    batter: split(blended.batter),
    load: loadBefore(bench, cup),
    atS: toS,
    cooling: { roomC: job.roomC, tauS },
  }
  bench.split.superfatOff[i] = 0
  bench.record(i)
  return toS
}
