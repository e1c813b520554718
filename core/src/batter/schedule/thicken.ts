import { RESTIR_S, blenderPower, handling } from '../trace/index.ts'
import { HANDS, MODES } from './run-state.ts'
import type { RunState } from './run-state.ts'

/** Bringing a single cup on: short bursts of the blender, or a while of stirring where none is used. */

const MOST_BURSTS = 6
const BURST_S = 3
const STIRRED_S = 20
/** A cup that is to be blended on by itself may take so many bursts, and no more than this of its time. */
const MOST_FOR_STOP = 200

/** The blender, or whatever is used instead, in one cup. */
export const stickOf = (state: RunState, i: number) => {
  const { blending, cups, blenderStrength } = state.input
  const power = blenderPower(Math.max(cups[i]!.massG, 20) / 1000, blenderStrength)
  return handling(state.usesBlender ? 'stick' : blending, power)
}

/** Brings a cup that is too thin up to its window before a pour; gives how many bursts it took. */
export function thicken(state: RunState, i: number, lo: number, index: number): number {
  const how = stickOf(state, i)
  const burstS = state.usesBlender ? BURST_S : STIRRED_S
  let bursts = 0
  while (state.level(i) < lo && bursts < MOST_BURSTS) {
    bursts += 1
    state.busy('blend-cup', burstS + RESTIR_S, i, index)
    state.advance(i, how, state.now - RESTIR_S)
    state.advance(i, MODES.hand, state.now)
  }
  return bursts
}

/** Blends a cup on by itself until it shows a level; gives when that is done. */
export function thickenTo(state: RunState, i: number, level: number, fromS: number): number {
  const how = stickOf(state, i)
  const stepS = state.usesBlender ? 1 : STIRRED_S
  let now = fromS
  for (let n = 0; n < MOST_FOR_STOP && state.level(i) < level; n += 1) {
    now += stepS
    state.advance(i, how, now)
  }
  if (now > fromS)
    state.tasks.push({ kind: 'blend-cup', fromS, toS: now, cup: i, pour: null, hands: HANDS['blend-cup'] })
  return now
}
