import { NODES, RunState, SIGHT_ERROR, STOP_SD, WEIGHTS, blendOwn, copyOf, splitPot } from '../batter/schedule/index.ts'
import type { CupState, RunInput } from '../batter/schedule/index.ts'
import type { Following } from './following.ts'
import { handsNow } from './hands.ts'
import type { HandsNow } from './hands.ts'
import { inputMet, potReadC, warmedAs } from './met.ts'
import { MODEL_ERROR, deedsOf, errorOf, replayed } from './replay.ts'
import type { Deed, LevelError, Replayed } from './replay.ts'
import { RestingCup, cupLevel } from './resting.ts'
import type { BenchState } from './state.ts'

/**
 * What a run tells of its batter. The pace of the batter (shared by all cups) and that of each scent (shared by its cups) are unknown;
 * both stand on a grid, every cup is replayed as it was really handled in each node, and what was seen weighs the nodes. No random
 * numbers.
 */

/** A cup in one node: its batter since the last that was done with it, and what is believed of the model's error in it. */
export interface CupNode {
  resting: RestingCup
  error: LevelError
  path: Replayed['path']
}

/** What is believed of a run at a moment. Nodes of the pace by n, nodes of a scent by k; a cup without scent has k = 0 alone. */
export interface Inferred {
  /** Seconds after the lye went in. */
  nowS: number
  /** Weights of the nodes of the pace. */
  shared: readonly number[]
  /** Scents, by the number that cups of one scent share; and for each, weights of its nodes in each node of the pace. */
  groups: readonly number[]
  within: readonly (readonly (readonly number[])[])[]
  /** By cup, n and k; undefined: it is not filled. */
  cups: readonly (readonly (readonly CupNode[])[] | undefined)[]
  /** What lies in the mould: by its pour, n and k. */
  mould: ReadonlyMap<string, readonly (readonly CupState[])[]>
  hands: HandsNow
}

/** Spreads of a scent that are told apart, with their weights. */
export const SCENT_NODES: readonly (readonly [z: number, weight: number])[] = [
  [-1.6, 0.15],
  [-0.6, 0.27],
  [0.3, 0.27],
  [1.2, 0.2],
  [2.2, 0.08],
  [3.6, 0.03],
]

/**
 * How far off the plan blending really stopped, levels, and what is left open of it: the plan's and what was seen, by their errors. No
 * level ends the whipping.
 */
function stopOff(input: RunInput, state: BenchState): { mean: number; sd: number } {
  if (input.whipped) return { mean: 0, sd: 0 }
  const seen = state.potSeen.at(-1)
  if (!seen) return { mean: 0, sd: STOP_SD }
  const [own, look] = [STOP_SD ** 2, SIGHT_ERROR[errorOf(seen)] ** 2 + MODEL_ERROR ** 2]
  return { mean: ((seen.value - input.stopLevel) * own) / (own + look), sd: Math.sqrt((own * look) / (own + look)) }
}

/** What the model may be off by in a cup as it is filled, given how the bowl looked in which it was whipped. */
function errorFilled(input: RunInput, seen: number | null, cup: CupState, stopSd: number): LevelError {
  if (!input.whipped) return { mean: 0, variance: MODEL_ERROR ** 2 + stopSd ** 2 }
  const own = input.levelError ** 2
  if (seen === null) return { mean: 0, variance: own }
  const gain = own / (own + SIGHT_ERROR.eye ** 2)
  return { mean: gain * (seen - cupLevel(cup)), variance: own * (1 - gain) }
}

/** Scent that is in before the batter is divided makes the split another in each of its nodes. */
const isScentedBefore = ({ cups, ownBatters }: RunInput): boolean =>
  cups.some(({ scent }) => (scent?.moment === 'pot' && !ownBatters) || scent?.moment === 'oils')

/** How a run began: what its batters were, as far as is known. */
interface Begun {
  input: RunInput
  /** How far off the plan blending stopped, levels. */
  stop: number
  potC: number | null
  /** Batters of their own: the first cup of each, and when its lye went in, s after the first. */
  lyeInS: readonly (readonly [cup: number, s: number])[]
}

const lyeInsOf = ({ cups }: RunInput, { batters, lyeInAt }: BenchState): (readonly [number, number])[] =>
  cups.flatMap(({ cup }, i) => {
    const at = batters[cup.id]?.lyeInAt
    return at == null ? [] : [[i, at - lyeInAt!] as const]
  })

/** The batter as it was divided, in one node. */
function splitIn({ input, stop, potC, lyeInS }: Begun, rate: number, scentZ: number): RunState {
  const scent = scentZ * input.scentSd
  const run = new RunState(input, { plainRate: rate, scentedRate: rate, scent, stop, hands: 1 }, 0)
  if (input.ownBatters) for (const [i, s] of lyeInS) blendOwn(run, i, s)
  else splitPot(run)
  warmedAs(run, potC)
  return run
}

/** The batter as it was divided, in every node of the pace and of the scents. */
function splitsIn(begun: Begun): RunState[][] {
  const { input } = begun
  return NODES.map(z => {
    const rate = input.rate.mean + z * input.rate.sd
    if (isScentedBefore(input)) return SCENT_NODES.map(([scentZ]) => splitIn(begun, rate, scentZ))
    const one = splitIn(begun, rate, 0)
    return SCENT_NODES.map(([scentZ]) => {
      const variation = { ...one.variation, scent: scentZ * input.scentSd }
      const run = new RunState(input, variation, 0)
      run.cups.push(...one.cups)
      return run
    })
  })
}

/** A cup in one node, with what its looks say of the node and what of it lies in the mould. */
interface Known extends CupNode {
  ln: number
  mould: ReadonlyMap<string, CupState>
}

/** What is kept of a run from one event to the next: what is noted of one cup leaves the others as they were. */
interface Kept {
  splits: { key: string; runs: RunState[][] } | null
  cups: Map<number, { key: string; nodes: Known[][] }>
}
const kept = new WeakMap<Following, Kept>()

interface Filled {
  i: number
  drawnS: number
  deeds: readonly Deed[]
  /** What one bowl looked like, and how far off blending may have stopped, levels. */
  seen: number | null
  stopSd: number
}

function cupIn(run: RunState, { i, drawnS, deeds, seen, stopSd }: Filled): Known {
  const own = new RunState(run.input, run.variation, 0)
  own.cups[i] = copyOf(run.cups[i]!)
  own.cups[i].atS = drawnS
  const { cup, error, ln, mould, path } = replayed(own, i, deeds, errorFilled(run.input, seen, own.cups[i], stopSd))
  return { resting: new RestingCup(cup, run.waiting(i)), error, ln, mould, path }
}

/** Every filled cup in every node. */
function cupsIn(following: Following, state: BenchState): (Known[][] | undefined)[] {
  const input = inputMet(following, state)
  const { mean: stop, sd: stopSd } = stopOff(input, state)
  const potC = potReadC(state)
  const seen = input.whipped && !input.ownBatters ? (state.potSeen.at(-1)?.value ?? null) : null
  const memory: Kept = kept.get(following) ?? { splits: null, cups: new Map() }
  kept.set(following, memory)
  const lyeInS = lyeInsOf(input, state)
  const begun = JSON.stringify([input.whipped?.startC ?? input.mixC, stop, potC, lyeInS])
  if (memory.splits?.key !== begun) memory.splits = { key: begun, runs: splitsIn({ input, stop, potC, lyeInS }) }
  const { runs } = memory.splits
  return input.cups.map((task, i) => {
    const now = state.cups[i]!
    if (now.drawnAt === null || !runs[0]![0]!.cups[i]) return undefined
    const drawnS = now.drawnAt - state.lyeInAt!
    const deeds = deedsOf(input, state, now, state.lyeInAt!)
    const key = JSON.stringify([begun, stopSd, seen, drawnS, deeds])
    const there = memory.cups.get(i)
    if (there?.key === key) return there.nodes
    const filled = { i, drawnS, deeds, seen, stopSd }
    const nodes = runs.map(row => (task.scent ? row : row.slice(0, 1)).map(run => cupIn(run, filled)))
    memory.cups.set(i, { key, nodes })
    return nodes
  })
}

const normalised = (lns: readonly number[]): number[] => {
  const best = Math.max(...lns)
  const weights = lns.map(ln => Math.exp(ln - best))
  const whole = weights.reduce((sum, weight) => sum + weight, 0)
  return weights.map(weight => weight / whole)
}

/** Soap in the mould, by its pour, n and k. */
function mouldOf(cups: readonly (Known[][] | undefined)[]): Map<string, CupState[][]> {
  const mould = new Map<string, CupState[][]>()
  for (const nodes of cups)
    for (const pour of nodes?.[0]![0]!.mould.keys() ?? [])
      mould.set(
        pour,
        nodes!.map(row => row.map(one => one.mould.get(pour)!)),
      )
  return mould
}

/** Everything that is believed of a run so many seconds after the lye went in. */
export function inferred(following: Following, state: BenchState, nowS: number): Inferred {
  const { input } = following
  const groups = [...new Set(input.cups.flatMap(cup => (cup.scent ? [cup.scent.group] : [])))]
  const lnShared = NODES.map((_, n) => Math.log(WEIGHTS[n]!))
  /** By group, node of the pace and node of the scent. */
  const ln = groups.map(() => NODES.map(() => SCENT_NODES.map(([, weight]) => Math.log(weight))))
  const cups = cupsIn(following, state)
  input.cups.forEach(({ scent }, i) =>
    cups[i]?.forEach((row, n) =>
      row.forEach((one, k) => {
        if (scent) ln[groups.indexOf(scent.group)]![n]![k]! += one.ln
        else lnShared[n]! += one.ln
      }),
    ),
  )
  // What the cups of a scent say of the shared pace is summed over what the scent may be.
  const sums = ln.map(list => list.map(row => Math.log(row.reduce((sum, one) => sum + Math.exp(one), 0))))
  const shared = normalised(lnShared.map((one, n) => one + sums.reduce((sum, of) => sum + of[n]!, 0)))
  const hands = handsNow(input, state)
  return { nowS, shared, groups, within: ln.map(list => list.map(normalised)), cups, mould: mouldOf(cups), hands }
}
