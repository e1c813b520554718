import type { RunInput } from './run-input.ts'
import { latinColumn, latinNormals } from '../../quantities/chance/index.ts'
import { HANDS_SD, STOP_SD } from './variation.ts'
import type { Belief } from './variation.ts'
import { ricingShare } from './chances.ts'
import { beliefOf } from './sightings.ts'
import { judge, splitVerdict } from './verdict.ts'
import type { Fault, Verdict } from './verdict.ts'
import { runPlan } from './timetable.ts'
import type { Variation, Run } from './run-state.ts'

/** What an input comes to over many runs. */
export interface Runs {
  runs: number
  /** Share of runs in which every pour works, and its standard error. */
  chance: number
  error: number
  /** For every pour with its tools, the share of runs in which it fails, by how. */
  pours: Partial<Record<Fault, number>>[]
  /** How often each pour works by itself, and each of its tools. */
  pourChances: number[]
  toolChances: number[][]
  /** Share of runs in which the batter itself is not sound. */
  split: number
}

/** Dimensions of the draws. */
const RATE = 0
const HANDS = 1
const STOP = 2
const LUMPS = 3
const SCENTS = 4

/**
 * Variation of run `n` of `count` of an input: the same for inputs of the same cups, so that plans can be held against each other run by
 * run. A Latin hypercube: every dimension is spread evenly, and none goes with another.
 */
export function variationOf(n: number, count: number, input: RunInput, { mean, sd }: Belief): Variation {
  const z = (dimension: number) => latinNormals(dimension, count)[n]!
  const rateSd = input.rate.sd
  const total = Math.hypot(rateSd, input.scentSd)
  // What was seen shifts maker and scent by their variances and leaves them that much less free.
  const rate = input.rate.mean + rateSd * (sd * z(RATE) + (mean * rateSd) / total)
  const groups = Math.max(0, ...input.cups.map(cup => (cup.scent ? cup.scent.group + 1 : 0)))
  const scents = Array.from(
    { length: groups },
    (_, group) => input.scentSd * (sd * z(SCENTS + group) + (mean * input.scentSd) / total),
  )
  return {
    plainRate: rate,
    scentedRate: rate,
    scent: scents[0] ?? 0,
    scents,
    hands: Math.exp(HANDS_SD * z(HANDS)),
    stop: STOP_SD * z(STOP),
    rices: latinColumn(LUMPS, count)[n]! < ricingShare(input),
  }
}

/** One run, and how likely it works, split and all. */
export function runWorks(input: RunInput, variation: Variation): { run: Run; works: number } {
  const run = runPlan(input, variation)
  return { run, works: judge(input, run).works * splitVerdict(input, run.split).works }
}

/**
 * Works an input through many times: maker, recipe and run, the scent, the hands and the stop of blending each vary on their own.
 * The same input and count give the same answer.
 *
 * @param count runs; the error falls with their root
 */
export function monteCarlo(input: RunInput, count: number): Runs {
  const belief = beliefOf(input)
  let sum = 0
  let squares = 0
  let split = 0
  const pours = input.pours.map((): Partial<Record<Fault, number>> => ({}))
  const pourChances = input.pours.map(() => 0)
  const toolChances = input.pours.map(pour => pour.tools.map(() => 0))
  const note = (i: number, { fault, works }: Verdict) => {
    if (works < 1) pours[i]![fault] = (pours[i]![fault] ?? 0) + (1 - works) / count
  }
  for (let n = 0; n < count; n += 1) {
    const run = runPlan(input, variationOf(n, count, input, belief))
    const judged = judge(input, run)
    const sound = splitVerdict(input, run.split).works
    split += (1 - sound) / count
    judged.pours.forEach((one, i) => {
      note(i, one)
      pourChances[i]! += one.works / count
    })
    judged.tools.forEach((list, i) =>
      list.forEach((one, k) => {
        note(i, one)
        toolChances[i]![k]! += one.works / count
      }),
    )
    const works = judged.works * sound
    sum += works
    squares += works * works
  }
  const chance = sum / count
  const variance = Math.max(0, squares / count - chance * chance)
  return { runs: count, chance, error: Math.sqrt(variance / count), pours, pourChances, toolChances, split }
}
