import type { Run, SplitRun } from './bench.ts'
import { Bench } from './bench.ts'
import { blendOwn, splitPot } from './blending.ts'
import type { Job } from './run-input.ts'
import { HANDS_OFF, HANDS_SD, NODES, STOPS_OFF, STOP_SD, THREE, WEIGHTS, believed, luckAt } from './luck.ts'
import type { Belief } from './luck.ts'
import { beliefOf } from './sightings.ts'
import { runPlan } from './timetable.ts'
import { soundChance } from './splitting.ts'
import { judge, leanVerdict, splitVerdict } from './verdict.ts'
import type { Fault, RunVerdict, Verdict } from './verdict.ts'

/** A thing's chance over all runs, and what goes wrong with it most often, if anything does. */
export interface Chance {
  chance: number
  fault: Fault | null
}

export interface Chances {
  whole: number
  /** Of a sound split, whatever the pours do. */
  split: Chance
  /** Chance that no cup is left short of fat: a matter of safety, told apart from looks. */
  lean: number
  /** Chance that the emulsion holds. */
  emulsion: number
  pours: Chance[]
  /** For each pour, its tools. */
  tools: Chance[][]
  /** Chance that the scent makes lumps, and of the whole when it does; null where that is not looked at. */
  ricing: { share: number; whole: number } | null
  /** When the median run is done, s. */
  endS: number
}

/** A fault that takes less than this away is not named. */
const WORTH_NAMING = 0.02
/** A scent that rices more rarely than this is worked through without. */
const RARELY = 0.02

interface Weighed<T> {
  weight: number
  value: T
}

function tally(list: readonly Weighed<Verdict>[]): Chance {
  const lost = new Map<Fault, number>()
  let chance = 0
  for (const { weight, value } of list) {
    chance += weight * value.works
    lost.set(value.fault, (lost.get(value.fault) ?? 0) + weight * (1 - value.works))
  }
  const [fault, share] = [...lost].reduce((a, b) => (b[1] > a[1] ? b : a))
  return { chance, fault: share > WORTH_NAMING ? fault : null }
}

/** Only the blending and the split of a job, with the stop so far off. */
function splitAlone(job: Job, stop: number): SplitRun {
  const bench = new Bench(job, { ...luckAt(0, job), stop }, 0)
  if (job.ownBatters) {
    let now = 0
    job.cups.forEach((cup, i) => {
      if (cup.massG > 0 && !bench.cups[i]) now = blendOwn(bench, i, now)
    })
  } else splitPot(bench)
  return bench.split
}

/** Three stops of blending that stand for all: early, as planned, late. */
const splitsOf = (job: Job, planned: SplitRun): Weighed<SplitRun>[] =>
  THREE.map(([z, weight]) => ({ weight, value: z === 0 ? planned : splitAlone(job, z * STOP_SD) }))

/** Chance that the scent of a job makes lumps in a run. */
export const ricingShare = (job: Job): number =>
  Math.max(0, ...job.cups.map(cup => (cup.massG > 0 ? (cup.scent?.ricing ?? 0) : 0)))

/** All that can be said of a job from runs that stand for its luck. `median`: the run with no luck either way, where it is at hand. */
export function chancesOf(job: Job, belief: Belief, median?: Run, planned = splitAlone(job, 0)): Chances {
  const runs = NODES.map((z, n) =>
    z === 0 && median
      ? median
      : runPlan(job, {
          ...believed(job, belief, z),
          stop: STOP_SD * STOPS_OFF[n]!,
          hands: Math.exp(HANDS_SD * HANDS_OFF[n]!),
        }),
  )
  const emulsified = runs[0]!.neverEmulsified ? 0 : 1
  const splits = splitsOf(job, planned)
  const split = tally(splits.map(({ weight, value }) => ({ weight, value: splitVerdict(job, value) })))
  const lean = splits.reduce((sum, { weight, value }) => sum + weight * leanVerdict(job, value).works, 0)
  const emulsion = splits.reduce((sum, { weight, value }) => sum + weight * soundChance(value.emulsion), 0)
  const share = ricingShare(job)
  const judged: Weighed<RunVerdict>[] = runs.map((run, n) => ({ weight: WEIGHTS[n]!, value: judge(job, run) }))
  const wholeOf = (list: readonly Weighed<RunVerdict>[]) =>
    emulsified * split.chance * list.reduce((sum, { weight, value }) => sum + weight * value.works, 0)
  let whole = wholeOf(judged)
  let all = judged
  let ricing: Chances['ricing'] = null
  if (share >= RARELY) {
    const riced = THREE.map(([z, weight]) => ({
      weight,
      value: judge(job, runPlan(job, { ...believed(job, belief, z), rices: true })),
    }))
    ricing = { share, whole: wholeOf(riced) }
    whole = (1 - share) * whole + share * ricing.whole
    const shared = (list: readonly Weighed<RunVerdict>[], by: number) =>
      list.map(({ weight, value }) => ({ weight: weight * by, value }))
    all = [...shared(judged, 1 - share), ...shared(riced, share)]
  }
  const of = (pick: (one: RunVerdict) => Verdict): Chance => {
    const one = tally(all.map(({ weight, value }) => ({ weight, value: pick(value) })))
    return { ...one, chance: emulsified * one.chance }
  }
  return {
    whole,
    endS: runs[NODES.indexOf(0)]!.endS,
    split,
    lean,
    emulsion,
    ricing,
    pours: job.pours.map((_, i) => of(one => one.pours[i]!)),
    tools: job.pours.map((pour, i) => pour.tools.map((_, n) => of(one => one.tools[i]![n]!))),
  }
}

/** Chance that a whole job works: the quick form, for comparing plans. */
export const chanceOf = (job: Job, belief: Belief = beliefOf(job)): number => chancesOf(job, belief).whole

/** The split of a job as planned, and as it is when blending stops early, once in ten times. */
export const plannedSplit = (job: Job): SplitRun => splitAlone(job, 0)
export const earlySplit = (job: Job): SplitRun => splitAlone(job, -1.2816 * STOP_SD)
