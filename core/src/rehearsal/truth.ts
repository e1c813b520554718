import { STOP_SD, HANDS_SD } from '../batter/schedule/index.ts'
import type { RunInput } from '../batter/schedule/index.ts'
import type { Following } from '../bench/index.ts'
import { evenly, normally } from './luck.ts'

/** What a rehearsed batter really is: drawn once, and not told to those who work with it. */
export interface Truth {
  /** ln of the rate. */
  rate: number
  /** By group of cups with one scent: its deviation, as a run's variation has it. */
  scents: readonly number[]
  /** A scent that may make lumps does. */
  rices: boolean
  /** How far off the trace at which the blender is stopped by eye, levels. */
  stop: number
  /** Times of the hands against the planned. */
  hands: number
  /** What the model is off by in each cup, levels. */
  cups: readonly number[]
  /** Warmer than what was read says, K. */
  mixK: number
  roomK: number
  probeK: number
  /** Strength of the blender against the planned. */
  blender: number
  /** Emulsion is slower to come than it looks, as a factor on what is reached; 1: as it looks. */
  emulsion: number
  /** Of the batter that was weighed out so much comes out of the pot. */
  potShare: number
  /** Lye is clear only so long after it was mixed, s. */
  clearS: number
  /** Trace goes on after the blender is off, as if it had run for so many seconds more. */
  overrunS: number
}

/** Spreads that nothing else gives. Engineering estimates. */
const SD = { mixK: 1.5, roomK: 1.5, probeK: 0.5, blender: 0.3, model: 0.15 } as const
/** Lye is usually clear after a minute. */
const CLEAR_S = 60

/** How widely a truth is drawn: 1 as the forecast believes it to vary. */
export function truthOf({ input }: Following, seed: number, spread = 1): Truth {
  const z = (name: string) => spread * normally(seed, name)
  const groups = Math.max(0, ...input.cups.map(({ scent }) => (scent ? scent.group + 1 : 0)))
  const ricing = Math.max(0, ...input.cups.map(({ scent }) => scent?.ricing ?? 0))
  return {
    rate: input.rate.mean + z('rate') * input.rate.sd,
    scents: Array.from({ length: groups }, (_, g) => z(`scent ${g}`) * input.scentSd),
    rices: evenly(seed, 'ricing') < ricing * Math.min(1, spread),
    stop: z('stop') * STOP_SD,
    hands: Math.exp(z('hands') * HANDS_SD),
    cups: input.cups.map((_, i) => z(`cup ${i}`) * SD.model),
    mixK: z('mix') * SD.mixK,
    roomK: z('room') * SD.roomK,
    probeK: z('probe') * SD.probeK,
    blender: Math.exp(z('blender') * SD.blender),
    emulsion: 1,
    potShare: 1,
    clearS: CLEAR_S,
    overrunS: 0,
  }
}

/** A scent so much quicker, ln of the rate, as a deviation of its group. */
export const scentsQuicker = (truth: Truth, { cups, scentSd }: RunInput, by: number): readonly number[] =>
  truth.scents.map((deviation, g) => {
    const sd = cups.find(({ scent }) => scent?.group === g)?.scent?.sd ?? 0
    return deviation + (sd > 0 ? (by * scentSd) / sd : by)
  })
