import type { BenchStep, Struck } from '@ostler/core'

/** Deeds that take their time; what is ticked or switched does not. */
export const TAKES_TIME: readonly BenchStep['kind'][] = [
  'weigh',
  'melt',
  'lye-mix',
  'colour',
  'scent',
  'scent-pot',
  'temp',
]
/** Done as long as a key is held. */
export const HELD: readonly BenchStep['kind'][] = ['draw', 'pour', 'blend']

/** What the hands are at. */
export const WORDS: Partial<Record<BenchStep['kind'], string>> = {
  weigh: 'Weighing',
  melt: 'Melting',
  'lye-mix': 'Stirring the lye in',
  colour: 'Stirring the colour in',
  scent: 'Stirring the scent in',
  'scent-pot': 'Stirring the scent in',
  temp: 'Reading',
}

/** Batter that runs, or a blender that is on, as long as a key is held. */
export interface Held {
  step: BenchStep
  sinceS: number
  /** What ran before, while the same deed was in hand, g. */
  beforeG: number
}

/** So much of what was asked for is enough. */
export const ENOUGH = 0.9
/** From so much of what is asked for on a hand tips less: so much of its flow. */
const SLOWS_FROM = 0.9
const SLOWLY = 0.25
/** Time runs at most so many times as quickly while batter runs by hand. */
export const MOST_WHILE_RUNS = 2

/** What has run after so many seconds, g: towards the end a hand tips less. */
export function ranAfter({ step, beforeG }: Held, gPerS: number, seconds: number): number {
  const nearly = SLOWS_FROM * (step.massG ?? 0)
  const quickS = Math.max(0, nearly - beforeG) / gPerS
  return beforeG + gPerS * (Math.min(seconds, quickS) + SLOWLY * Math.max(0, seconds - quickS))
}

/** How much quicker than life its clock may run. */
export const SPEEDS = [1, 2, 4, 10, 30] as const
export type Speed = (typeof SPEEDS)[number]

/** What the hands are at, or what came in between. */
export interface Busy {
  word: string
  fromS: number
  toS: number
}

export interface RehearsalState {
  speed: Speed
  isPaused: boolean
  busy: Busy | null
  held: Held | null
  /** What ran of a deed whose key was let go too early, g. */
  soFarG: number
  /** What struck and was not acknowledged. */
  told: { struck: Struck; text: string } | null
}
