import {
  UNSCENTED,
  advanceBatter,
  blendedLevel,
  blenderPower,
  cupCoolingS,
  freshBatter,
  handling,
  loadOf,
  sameBatter,
  whippedBatter,
} from '../trace/index.ts'
import type { Batter, Cooling, Handling, Load, RecipePace, ScentEffect } from '../trace/index.ts'
import type { RunInput } from './run-input.ts'
import { HOLDS } from './splitting.ts'

/** Blending step by step: the batter at every step, made as far as it is asked for. */

/** Blending is given up after so long, s: a stick blender would have burnt out, and so would the hand. */
const LONGEST_S = { stick: 1200, bursts: 3600, whisk: 4 * 3600, hand: 8 * 3600 } as const
/** Steps that the model is good for, s. */
const STEP_S = { stick: 1, bursts: 1, whisk: 5, hand: 5 } as const
/** Fats were clear within the last quarter hour if they meet the lye so much above their clear point, K. */
const MELTED_ABOVE_K = 3

interface Rung {
  batter: Batter
  level: number
}

/** What one batter shows as it is blended on. */
export class Ladder {
  readonly stepS: number
  readonly longestS: number
  readonly #rungs: Rung[]
  readonly #now: Batter
  readonly #how: Handling
  readonly #load: Load
  readonly #cooling: Cooling

  constructor(
    readonly input: RunInput,
    readonly pace: RecipePace,
    massKg: number,
    startC: number,
    scent: ScentEffect,
  ) {
    const { blending } = input
    this.stepS = STEP_S[blending]
    this.longestS = LONGEST_S[blending]
    this.#how = handling(blending, blenderPower(Math.max(massKg, 0.05), input.blenderStrength))
    // The makers' own trace is what stops the blender, so the run's variation acts only afterwards.
    this.#load = loadOf(scent, input.potEffect, input.rate.mean)
    this.#cooling =
      blending === 'hand' || blending === 'whisk' ? { roomC: input.roomC, tauS: cupCoolingS(1000 * massKg) } : null
    this.#now = freshBatter(pace, startC, startC >= pace.clearPointC + MELTED_ABOVE_K)
    this.#rungs = [this.#rung()]
  }

  #rung(): Rung {
    return { batter: sameBatter(this.#now), level: blendedLevel(this.#now, this.pace, this.#load) }
  }

  /** Rung `n`, or the last that there can be. */
  at(n: number): Rung {
    const last = Math.floor(this.longestS / this.stepS)
    const wanted = Math.min(n, last)
    while (this.#rungs.length <= wanted) {
      advanceBatter(this.#now, this.pace, this.#load, this.#how, this.stepS, this.#cooling)
      this.#rungs.push(this.#rung())
    }
    return this.#rungs[wanted]!
  }

  /** The first rung that is enough, and whether any was. */
  first(isEnough: (rung: Rung, s: number) => boolean): { n: number; reached: boolean } {
    const last = Math.floor(this.longestS / this.stepS)
    for (let n = 0; n <= last; n += 1) if (isEnough(this.at(n), n * this.stepS)) return { n, reached: true }
    return { n: last, reached: false }
  }
}

const kept = new WeakMap<RunInput, Map<string, Ladder>>()

/** The ladder of a batter; one without scent in it is the same in every run of an input, and kept. */
export function ladderOf(
  input: RunInput,
  pace: RecipePace,
  massKg: number,
  startC: number,
  scent: ScentEffect,
): Ladder {
  if (scent !== UNSCENTED) return new Ladder(input, pace, massKg, startC, scent)
  const known = kept.get(input) ?? new Map<string, Ladder>()
  kept.set(input, known)
  const key = `${massKg} ${startC} ${input.paces.indexOf(pace)}`
  const made = known.get(key) ?? new Ladder(input, pace, massKg, startC, scent)
  known.set(key, made)
  return made
}

/** How far off the stop is in a run changes the seconds of one who goes by the clock, as ln. */
const CLOCK_OFF = 0.5

/** What ends the blending of a batter in a run whose stop is so far off, levels. */
export function isStopped(
  { stopLevel, stopWhen, blendS, leastS }: RunInput,
  off: number,
): (rung: Rung, s: number) => boolean {
  return ({ level, batter }, s) => {
    if (s < leastS) return false
    if (stopWhen === 'seconds') return s >= blendS * Math.exp(CLOCK_OFF * off)
    return level >= stopLevel + off && (stopWhen === 'level' || batter.emulsion >= HOLDS)
  }
}

/** A whipped batch as its lye is in, and the seconds that it took; no variation, no level: it is given by the creaming. */
export const whipped = (input: RunInput): { batter: Batter; seconds: number } => ({
  batter: whippedBatter(input.pace, input.whipped!.startC),
  seconds: input.whipped!.seconds,
})
