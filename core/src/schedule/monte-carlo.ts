import type { Job } from './job.ts'
import { RATE_SD, beliefOf, verdict } from './lanes.ts'
import type { Belief, Fault } from './lanes.ts'
import { runPlan } from './timetable.ts'
import type { Luck } from './bench.ts'

/** What a job comes to over many runs. */
export interface Runs {
  runs: number
  /** Share of runs in which every pour works, and its standard error. */
  chance: number
  error: number
  /** For every pour, the share of runs in which it fails, by how. */
  pours: Record<Fault, number>[]
}

/** Spread of ln of the times of the hands, and of the trace at which blending stops. Engineering estimates. */
const HANDS_SD = 0.2
const STOP_SD = 0.15
const SKIP = 30

/** Halton's sequence: the same points for every job, so that differences between plans are sharper than either. */
function halton(index: number, base: number): number {
  let value = 0
  let part = 1 / base
  for (let i = index; i > 0; i = Math.floor(i / base)) {
    value += (i % base) * part
    part /= base
  }
  return value
}

/** Inverse of the normal distribution; Acklam's rational approximation, relative error below 1.2e-9. */
export function inverseNormal(p: number): number {
  const a = [
    -39.69683028665376, 220.9460984245205, -275.9285104469687, 138.357751867269, -30.66479806614716, 2.506628277459239,
  ]
  const b = [-54.47609879822406, 161.5858368580409, -155.6989798598866, 66.80131188771972, -13.28068155288572]
  const c = [
    -0.007784894002430293, -0.3223964580411365, -2.400758277161838, -2.549732539343734, 4.374664141464968,
    2.938163982698783,
  ]
  const d = [0.007784695709041462, 0.3224671290700398, 2.445134137142996, 3.754408661907416]
  const row = (list: readonly number[], x: number) => list.reduce((sum, value) => sum * x + value, 0)
  const edge = 0.02425
  if (p < edge) {
    const q = Math.sqrt(-2 * Math.log(p))
    return row(c, q) / (row(d, q) * q + 1)
  }
  if (p > 1 - edge) return -inverseNormal(1 - p)
  const q = p - 0.5
  return (row(a, q * q) * q) / (row(b, q * q) * q * q + 1)
}

/** Luck of run `n` of a job. */
function luckOf(n: number, job: Job, { mean, sd }: Belief): Luck {
  const z = [2, 3, 5, 7].map(base => inverseNormal(halton(n + SKIP, base)))
  const total = Math.hypot(RATE_SD, job.scentSd)
  // What was seen shifts maker and scent by their variances and leaves them that much less free.
  const rate = RATE_SD * (sd * z[0]! + (mean * RATE_SD) / total)
  const scent = job.scentSd > 0 ? job.scentSd * (sd * z[3]! + (mean * job.scentSd) / total) : 0
  return { plainRate: rate, scentedRate: rate, scent, hands: Math.exp(HANDS_SD * z[1]!), stop: STOP_SD * z[2]! }
}

/**
 * Works a job through many times: maker, recipe and run, the scent, the hands and the stop of blending each vary on their own.
 * The same job and count give the same answer.
 *
 * @param count runs; the error falls with their root
 */
export function monteCarlo(job: Job, count: number): Runs {
  const belief = beliefOf(job)
  let sum = 0
  let squares = 0
  const pours = job.pours.map((): Record<Fault, number> => ({ thick: 0, thin: 0, 'not-carried': 0 }))
  for (let n = 1; n <= count; n += 1) {
    const run = runPlan(job, luckOf(n, job, belief))
    let works = run.neverEmulsified ? 0 : 1
    job.pours.forEach((_, i) => {
      const one = verdict(job, run, i)
      works = Math.min(works, one.works)
      pours[i]![one.fault] += (1 - one.works) / count
    })
    sum += works
    squares += works * works
  }
  const chance = sum / count
  const variance = Math.max(0, squares / count - chance * chance)
  return { runs: count, chance, error: Math.sqrt(variance / count), pours }
}
