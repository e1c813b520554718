import type { Job } from './job.ts'
import type { Luck, Run } from './bench.ts'
import { runPlan } from './timetable.ts'
import { MODEL_ERROR, levelAt } from './reading.ts'

/** Luck at which the forecast is worked through, in standard deviations, with normal weights. */
export const NODES = [-2.4, -1.8, -1.2, -0.6, 0, 0.6, 1.2, 1.8, 2.4] as const
export const WEIGHTS: readonly number[] = (() => {
  const heights = NODES.map(z => Math.exp((-z * z) / 2))
  const sum = heights.reduce((a, b) => a + b, 0)
  return heights.map(h => h / sum)
})()

/**
 * How far off the stop of blending is in each of those runs, in standard deviations: turned about, so that it goes neither
 * with the luck nor against it.
 */
export const STOPS_OFF = [0.9, -1.1, 1.2, -0.8, 0, 0.8, -1.2, 1.1, -0.9] as const

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
 * Luck of the most likely run whose total deviation is z standard deviations: maker and scent share it by their variances.
 */
export function luckAt(z: number, job: Job): Luck {
  const { mean, sd } = job.rate
  const total = Math.hypot(sd, job.scentSd)
  return {
    plainRate: mean + z * sd,
    scentedRate: mean + (z * sd * sd) / total,
    scent: (z * job.scentSd * job.scentSd) / total,
  }
}

/** Where the luck of a job lies, in standard deviations: at nothing and one, until something is seen of it. */
export interface Belief {
  mean: number
  sd: number
}

/** A sighting's own error beside the model's, in trace levels: a level named by eye. */
export const SIGHT_ERROR = 0.25
/** Degrees of freedom of the likelihood: one wild sighting does not turn the forecast over. */
const TAIL = 4
/** Longest step between recorded points of a run that is held against what was seen, s. */
export const SAMPLE_S = 30

/** How well a run explains what was seen in it, up to a constant factor. */
export function likelihood(run: Run, seen: Job['seen']): number {
  const spread = Math.hypot(SIGHT_ERROR, MODEL_ERROR)
  return seen.reduce((product, { cup, s, level }) => {
    const lane = run.lanes[cup] ?? []
    if (lane.length === 0) return product
    const off = (level - levelAt(lane, s)) / spread
    return product * Math.pow(1 + (off * off) / TAIL, -(TAIL + 1) / 2)
  }, 1)
}

/** What sightings of trace say of the luck: a grid of nine, weighed by how well each explains them. */
export function beliefOf(job: Job): Belief {
  if (job.seen.length === 0) return { mean: 0, sd: 1 }
  const weights = NODES.map((z, n) => WEIGHTS[n]! * likelihood(runPlan(job, luckAt(z, job), SAMPLE_S), job.seen))
  const whole = weights.reduce((sum, weight) => sum + weight, 0)
  if (!(whole > 0)) return { mean: 0, sd: 1 }
  const mean = weights.reduce((sum, weight, n) => sum + (weight / whole) * NODES[n]!, 0)
  const variance = weights.reduce((sum, weight, n) => sum + (weight / whole) * (NODES[n]! - mean) ** 2, 0)
  return { mean, sd: Math.max(0.2, Math.sqrt(variance)) }
}

/** Luck so many standard deviations from what is believed. */
export const believed = (job: Job, { mean, sd }: Belief, z: number): Luck => luckAt(mean + sd * z, job)
