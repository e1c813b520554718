import type { Job } from './job.ts'
import { halton, inverseNormal } from './halton.ts'
import { HANDS_SD, STOP_SD, beliefOf } from './luck.ts'
import type { Belief } from './luck.ts'
import { ricingShare } from './chances.ts'
import { judge, splitVerdict } from './verdict.ts'
import type { Fault, Verdict } from './verdict.ts'
import { runPlan } from './timetable.ts'
import type { Luck, Run } from './bench.ts'

/** What a job comes to over many runs. */
export interface Runs {
  runs: number
  /** Share of runs in which every pour works, and its standard error. */
  chance: number
  error: number
  /** For every pour, the share of runs in which it fails, by how. */
  pours: Partial<Record<Fault, number>>[]
  /** Share of runs that fail at the split. */
  split: number
}

const SKIP = 30
/** Bases of the sequence for the luck of each scent, and for lumps: primes that nothing else takes. */
const SCENT_BASES = [7, 13, 17, 19, 23, 29, 31, 37, 41, 43, 47, 53]
const RICES_BASE = 11

/** Luck of run `n` of a job: the same for jobs of the same cups, so that plans can be held against each other run by run. */
export function luckOf(n: number, job: Job, { mean, sd }: Belief): Luck {
  const draw = (base: number) => inverseNormal(halton(n + SKIP, base))
  const z = [2, 3, 5].map(draw)
  const rateSd = job.rate.sd
  const total = Math.hypot(rateSd, job.scentSd)
  // What was seen shifts maker and scent by their variances and leaves them that much less free.
  const rate = job.rate.mean + rateSd * (sd * z[0]! + (mean * rateSd) / total)
  const groups = Math.max(0, ...job.cups.map(cup => (cup.scent ? cup.scent.group + 1 : 0)))
  const scents = SCENT_BASES.slice(0, groups).map(
    base => job.scentSd * (sd * draw(base) + (mean * job.scentSd) / total),
  )
  const rices = halton(n + SKIP, RICES_BASE) < ricingShare(job)
  return {
    plainRate: rate,
    scentedRate: rate,
    scent: scents[0] ?? 0,
    scents,
    hands: Math.exp(HANDS_SD * z[1]!),
    stop: STOP_SD * z[2]!,
    rices,
  }
}

/** One run, and how likely it works, split and all. */
export function runWorks(job: Job, luck: Luck): { run: Run; works: number } {
  const run = runPlan(job, luck)
  return { run, works: Math.min(judge(job, run).works, splitVerdict(job, run.split).works) }
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
  let split = 0
  const pours = job.pours.map((): Partial<Record<Fault, number>> => ({}))
  const note = (i: number, { fault, works }: Verdict) => {
    if (works < 1) pours[i]![fault] = (pours[i]![fault] ?? 0) + (1 - works) / count
  }
  for (let n = 1; n <= count; n += 1) {
    const run = runPlan(job, luckOf(n, job, belief))
    const judged = judge(job, run)
    const sound = splitVerdict(job, run.split).works
    split += (1 - sound) / count
    judged.pours.forEach((one, i) => note(i, one))
    judged.tools.forEach((list, i) => list.forEach(one => note(i, one)))
    const works = Math.min(judged.works, sound)
    sum += works
    squares += works * works
  }
  const chance = sum / count
  const variance = Math.max(0, squares / count - chance * chance)
  return { runs: count, chance, error: Math.sqrt(variance / count), pours, split }
}
