import { RESTIR_S, blenderPower, handling } from '../trace/index.ts'
import { HANDS, MODES } from './bench.ts'
import type { Bench } from './bench.ts'

/** Bringing a single cup on: short bursts of the blender, or a while of stirring where none is used. */

const MOST_BURSTS = 6
const BURST_S = 3
const STIRRED_S = 20
/** A cup that is to be blended on by itself may take so many bursts, and no more than this of its time. */
const MOST_FOR_STOP = 200

const stickOf = (bench: Bench, i: number) => {
  const { blending, cups, blenderStrength } = bench.job
  const power = blenderPower(Math.max(cups[i]!.massG, 20) / 1000, blenderStrength)
  return handling(bench.usesBlender ? 'stick' : blending, power)
}

/** Brings a cup that is too thin up to its window before a pour; gives how many bursts it took. */
export function thicken(bench: Bench, i: number, lo: number, index: number): number {
  const how = stickOf(bench, i)
  const burstS = bench.usesBlender ? BURST_S : STIRRED_S
  let bursts = 0
  while (bench.level(i) < lo && bursts < MOST_BURSTS) {
    bursts += 1
    bench.busy('blend-cup', burstS + RESTIR_S, i, index)
    bench.advance(i, how, bench.now - RESTIR_S)
    bench.advance(i, MODES.hand, bench.now)
  }
  return bursts
}

/** Blends a cup on by itself until it shows a level; gives when that is done. */
export function thickenTo(bench: Bench, i: number, level: number, fromS: number): number {
  const how = stickOf(bench, i)
  const stepS = bench.usesBlender ? 1 : STIRRED_S
  let now = fromS
  for (let n = 0; n < MOST_FOR_STOP && bench.level(i) < level; n += 1) {
    now += stepS
    bench.advance(i, how, now)
  }
  if (now > fromS)
    bench.tasks.push({ kind: 'blend-cup', fromS, toS: now, cup: i, pour: null, hands: HANDS['blend-cup'] })
  return now
}
