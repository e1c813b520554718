import type { RunInput } from './run-input.ts'
import type { Variation } from './run-state.ts'

/** Variation at which the forecast is worked through, in standard deviations, with normal weights. */
export const NODES = [-2.4, -1.8, -1.2, -0.6, 0, 0.6, 1.2, 1.8, 2.4] as const
export const WEIGHTS: readonly number[] = (() => {
  const heights = NODES.map(z => Math.exp((-z * z) / 2))
  const sum = heights.reduce((a, b) => a + b, 0)
  return heights.map(h => h / sum)
})()

/**
 * How far off the stop of blending and the pace of the hands are in each of those runs, in standard deviations: turned about,
 * so that they go neither with the variation nor with each other.
 */
export const STOPS_OFF = [0.9, -1.1, 1.2, -0.8, 0, 0.8, -1.2, 1.1, -0.9] as const
export const HANDS_OFF = [-0.6, 0.9, -1.1, 1.2, 0, -1.2, 1.1, -0.9, 0.6] as const

/** Three points that stand for a normal spread: Gauss and Hermite. */
export const THREE: readonly (readonly [z: number, weight: number])[] = [
  [-Math.sqrt(3), 1 / 6],
  [0, 2 / 3],
  [Math.sqrt(3), 1 / 6],
]

/** Spread of ln of the times of the hands, and of the trace at which blending stops. Engineering estimates. */
export const HANDS_SD = 0.2
export const STOP_SD = 0.15

/**
 * Variation of the most likely run whose total deviation is z standard deviations: maker and scent share it by their variances. Hands
 * and stop are as planned, and said: who makes them others then has the same kind of object.
 */
export function variationAt(z: number, input: RunInput): Variation {
  const { mean, sd } = input.rate
  const total = Math.hypot(sd, input.scentSd)
  return {
    plainRate: mean + z * sd,
    scentedRate: mean + (z * sd * sd) / total,
    scent: (z * input.scentSd * input.scentSd) / total,
    hands: 1,
    stop: 0,
    rices: false,
  }
}

/** Where the variation of an input lies, in standard deviations: at nothing and one, until something is seen of it. */
export interface Belief {
  mean: number
  sd: number
  /** It has set, and nothing that is known of it explains that. */
  unexplained?: boolean
}

/** Variation so many standard deviations from what is believed. */
export const believed = (input: RunInput, { mean, sd }: Belief, z: number): Variation =>
  variationAt(mean + sd * z, input)
