import type { AskedQuestion, BenchEvent, BenchStep, Struck } from '@ostler/core'
import { t } from '../words/index.ts'

/** Deeds that take their time; what is ticked or switched does not. */
export const TAKES_TIME: readonly BenchStep['kind'][] = ['weigh', 'melt', 'lye-mix', 'colour', 'scent', 'scent-pot']
/** Done as long as a key is held. */
export const HELD: readonly BenchStep['kind'][] = ['draw', 'pour', 'blend', 'temp']

/** What the hands are at. */
export const WORDS: Partial<Record<BenchStep['kind'], string>> = {
  weigh: t('Weighing'),
  melt: t('Melting'),
  'lye-mix': t('Stirring the lye in'),
  colour: t('Stirring the colour in'),
  scent: t('Stirring the scent in'),
  'scent-pot': t('Stirring the scent in'),
}

/** Batter that runs, or a blender that is on, as long as a key is held. */
export interface Held {
  step: BenchStep
  sinceS: number
  /** What ran before, while the same deed was in hand, g. */
  beforeG: number
  /** How quickly it runs, g a second, and how much there is, g. */
  gPerS: number
  mostG: number
}

/** Batter that runs, beside a blender or a probe. */
export const isRunning = ({ step: { kind } }: Held): boolean => kind === 'draw' || kind === 'pour'

/** So much of what was asked for is enough. */
export const ENOUGH = 0.9
/** From so much of what is asked for on a hand tips less: so much of its flow. */
const SLOWS_FROM = 0.9
const SLOWLY = 0.25
/** Time runs at most so many times as quickly while batter runs by hand. */
const MOST_WHILE_RUNS = 2

/** What has run by a second of the run, g: towards the end a hand tips less. */
export function ranBy({ step, sinceS, beforeG, gPerS, mostG }: Held, nowS: number): number {
  const seconds = nowS - sinceS
  const nearly = SLOWS_FROM * (step.massG ?? 0)
  const quickS = Math.max(0, nearly - beforeG) / gPerS
  const ran = beforeG + gPerS * (Math.min(seconds, quickS) + SLOWLY * Math.max(0, seconds - quickS))
  return Math.min(ran, mostG)
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
  /** A number that is about to be typed in as it was heard. */
  heard: { about: Pick<BenchEvent, 'kind'> & Partial<BenchEvent>; text: string } | null
  /** A question that the clock waits for, with its answer. */
  asked: { question: AskedQuestion; answer: string | null } | null
  /** The bench asks something, or says that time runs out: the clock runs as in life. */
  isSlowed: boolean
  /** Said of what was looked at last. */
  said: string
}

/** Paused, with nothing in hand and nothing to be read. */
export const IDLE: Omit<RehearsalState, 'speed' | 'isSlowed'> = {
  ...{ isPaused: true, busy: null, held: null, soFarG: 0, told: null, heard: null, asked: null, said: '' },
}

/**
 * How many times as quickly as life the clock runs: what is asked and what struck is read in real time, and nobody lets go in time of
 * what runs ten times as quickly.
 */
export function timesOf({ speed, held, told, heard, isSlowed }: RehearsalState): number {
  if (told !== null || heard !== null || isSlowed) return 1
  return held && isRunning(held) ? Math.min(speed, MOST_WHILE_RUNS) : speed
}

/** Hands are at something, or something has to be answered before they go on. */
export const isTaken = ({ busy, held, asked, heard }: RehearsalState): boolean =>
  busy !== null || held !== null || asked !== null || heard !== null
