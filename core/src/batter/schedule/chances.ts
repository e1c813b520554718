import type { Run, SplitRun } from './run-state.ts'
import { RunState } from './run-state.ts'
import { blendOwn, splitPot } from './blending.ts'
import type { RunInput } from './run-input.ts'
import { HANDS_OFF, HANDS_SD, NODES, STOPS_OFF, STOP_SD, THREE, WEIGHTS, believed, variationAt } from './variation.ts'
import type { Belief } from './variation.ts'
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

/** Only the blending and the split of an input, with the stop so far off. */
function splitAlone(input: RunInput, stop: number): SplitRun {
  const state = new RunState(input, { ...variationAt(0, input), stop }, 0)
  if (input.ownBatters) {
    let now = 0
    input.cups.forEach((cup, i) => {
      if (cup.massG > 0 && !state.cups[i]) now = blendOwn(state, i, now)
    })
  } else splitPot(state)
  return state.split
}

/** Three stops of blending that stand for all: early, as planned, late. */
const splitsOf = (input: RunInput, planned: SplitRun): Weighed<SplitRun>[] =>
  THREE.map(([z, weight]) => ({ weight, value: z === 0 ? planned : splitAlone(input, z * STOP_SD) }))

/** Chance that the scent of an input makes lumps in a run. */
export const ricingShare = (input: RunInput): number =>
  Math.max(0, ...input.cups.map(cup => (cup.massG > 0 ? (cup.scent?.ricing ?? 0) : 0)))

/** All that can be said of an input from runs that stand for its variation. `median`: the run with no variation either way, where it is at hand. */
export function chancesOf(input: RunInput, belief: Belief, median?: Run, planned = splitAlone(input, 0)): Chances {
  const runs = NODES.map((z, n) =>
    z === 0 && median
      ? median
      : runPlan(input, {
          ...believed(input, belief, z),
          stop: STOP_SD * STOPS_OFF[n]!,
          hands: Math.exp(HANDS_SD * HANDS_OFF[n]!),
        }),
  )
  const emulsified = runs[0]!.neverEmulsified ? 0 : 1
  const splits = splitsOf(input, planned)
  const split = tally(splits.map(({ weight, value }) => ({ weight, value: splitVerdict(input, value) })))
  const lean = splits.reduce((sum, { weight, value }) => sum + weight * leanVerdict(input, value).works, 0)
  const emulsion = splits.reduce((sum, { weight, value }) => sum + weight * soundChance(value.emulsion), 0)
  const share = ricingShare(input)
  const judged: Weighed<RunVerdict>[] = runs.map((run, n) => ({ weight: WEIGHTS[n]!, value: judge(input, run) }))
  const wholeOf = (list: readonly Weighed<RunVerdict>[]) =>
    emulsified * split.chance * list.reduce((sum, { weight, value }) => sum + weight * value.works, 0)
  let whole = wholeOf(judged)
  let all = judged
  let ricing: Chances['ricing'] = null
  if (share >= RARELY) {
    const riced = THREE.map(([z, weight]) => ({
      weight,
      value: judge(input, runPlan(input, { ...believed(input, belief, z), rices: true })),
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
    pours: input.pours.map((_, i) => of(one => one.pours[i]!)),
    tools: input.pours.map((pour, i) => pour.tools.map((_, n) => of(one => one.tools[i]![n]!))),
  }
}

/** Chance that a whole input works: the quick form, for comparing plans. */
export const chanceOf = (input: RunInput, belief: Belief = beliefOf(input)): number => chancesOf(input, belief).whole

/** The split of an input as planned, and as it is when blending stops early, once in ten times. */
export const plannedSplit = (input: RunInput): SplitRun => splitAlone(input, 0)
export const earlySplit = (input: RunInput): SplitRun => splitAlone(input, -1.2816 * STOP_SD)
