import {
  MODES,
  NODES,
  RunState,
  SIGHT_ERROR,
  STOP_SD,
  WEIGHTS,
  copyOf,
  inTheMould,
  lnLikelihood,
  splitPot,
  stickOf,
} from '../batter/schedule/index.ts'
import type { CupState, RunInput } from '../batter/schedule/index.ts'
import { RESTIR_S, advanceBatter, movingLevel } from '../batter/trace/index.ts'
import type { Handling } from '../batter/trace/index.ts'
import type { Following } from './following.ts'
import type { BenchState, CupNow, Sighting } from './state.ts'

/**
 * What a run tells of its batter. The pace of the batter (shared by all cups) and that of each scent (shared by its cups) are unknown;
 * both stand on a grid, every cup is replayed as it was really handled in each node, and what was seen weighs the nodes. No random
 * numbers.
 */

/** A cup in one node: its batter now, and what is believed of the model's error in it. */
export interface CupNode {
  cup: CupState
  error: LevelError
}

/** What is believed of a run at a moment. Nodes of the pace by n, nodes of a scent by k; a cup without scent has k = 0 alone. */
export interface Inferred {
  /** Weights of the nodes of the pace. */
  shared: readonly number[]
  /** Scents, by the number that cups of one scent share; and for each, weights of its nodes in each node of the pace. */
  groups: readonly number[]
  within: readonly (readonly (readonly number[])[])[]
  /** By cup, n and k. */
  cups: readonly (readonly (readonly (CupNode | undefined)[])[])[]
  /** What lies in the mould: by its pour, n and k. */
  mould: ReadonlyMap<string, readonly (readonly CupState[])[]>
}

/** As long as the forecast's own steps. */
const LONGEST_STEP_S = 120
/** What the model itself may be off by at any one reading, levels. */
const MODEL_ERROR = 0.15
const errorOf = ({ by }: Sighting) => (by === 'drip' ? 'drip' : 'eye')
/** Looks of the same eye so soon after another are not new evidence, s. */
const REPEAT_S = 90

/** Spreads of a scent that are told apart, with their weights. */
export const SCENT_NODES: readonly (readonly [z: number, weight: number])[] = [
  [-1.6, 0.15],
  [-0.6, 0.27],
  [0.3, 0.27],
  [1.2, 0.2],
  [2.2, 0.08],
  [3.6, 0.03],
]

export const advanceCup = (cup: CupState, how: Handling, untilS: number): void => {
  while (cup.atS < untilS - 1e-9) {
    const seconds = Math.min(how.mode === 'stick' ? 1 : LONGEST_STEP_S, untilS - cup.atS)
    advanceBatter(cup.batter, cup.pace, cup.load, how, seconds, cup.cooling)
    cup.atS += seconds
  }
}
export const cupLevel = ({ batter, pace, load }: CupState): number => movingLevel(batter, pace, load)

/** How far off the plan blending really stopped, levels, and what is left open of it: the plan's and what was seen, by their errors. */
function stopOff(input: RunInput, state: BenchState): { mean: number; sd: number } {
  const seen = state.potSeen.at(-1)
  if (!seen) return { mean: 0, sd: STOP_SD }
  const [own, look] = [STOP_SD ** 2, SIGHT_ERROR[errorOf(seen)] ** 2 + MODEL_ERROR ** 2]
  return { mean: ((seen.value - input.stopLevel) * own) / (own + look), sd: Math.sqrt((own * look) / (own + look)) }
}

/** What levels are off by in all cups alike or in one: the model's own error, and that of the stop. */
const levelErrorOf = (input: RunInput, state: BenchState): number => Math.hypot(MODEL_ERROR, stopOff(input, state).sd)

/** What the model's levels are off by in one cup: believed, and its variance. */
export interface LevelError {
  mean: number
  variance: number
}

/** Further off than so many standard deviations, a look pulls no more. */
const PULLS = 1.5

/**
 * A look at a cup in one node: what is believed of the model's error moves towards it, and the node is weighed by how well it explains
 * the look. Looks of the same eye soon after another count for less.
 *
 * @returns ln of the weight
 */
function looked(error: LevelError, { seen, repeats }: { seen: Sighting; repeats: number }, level: number): number {
  const lookVariance = SIGHT_ERROR[errorOf(seen)] ** 2 * (1 + repeats)
  const spread = Math.sqrt(error.variance + lookVariance)
  const off = seen.value - level - error.mean
  const ln = lnLikelihood(seen.value, level + error.mean, spread)
  const gain =
    (error.variance / (error.variance + lookVariance)) * Math.min(1, (PULLS * spread) / Math.max(1e-9, Math.abs(off)))
  error.mean += gain * off
  error.variance *= 1 - gain
  return ln
}

/** What was done with a cup, in order, s after the lye went in. */
type Deed =
  | { s: number; kind: 'colour' | 'scent' }
  | { s: number; kind: 'handled'; how: 'stir' | 'burst'; seconds: number }
  | { s: number; kind: 'poured'; pour: string; fromS: number }
  | { s: number; kind: 'seen'; seen: Sighting; repeats: number }

function deedsOf(input: RunInput, state: BenchState, cup: CupNow, lyeInAt: number): Deed[] {
  const poured = input.pours.flatMap((task): Deed[] => {
    const span = state.pours[task.pour]
    if (!span || input.cups[task.cup]!.cup.id !== cup.cup) return []
    return [{ s: span.toS - lyeInAt, kind: 'poured', pour: task.pour, fromS: span.fromS - lyeInAt }]
  })
  const deeds: Deed[] = [
    ...(cup.colouredAt === null ? [] : [{ s: cup.colouredAt - lyeInAt, kind: 'colour' as const }]),
    ...(cup.scentedAt === null ? [] : [{ s: cup.scentedAt - lyeInAt, kind: 'scent' as const }]),
    ...cup.seen.map((seen, i) => {
      const repeats = cup.seen.filter((one, k) => k < i && seen.r - one.r < REPEAT_S).length
      return { s: seen.r - lyeInAt, kind: 'seen' as const, seen, repeats }
    }),
    ...cup.handled.map(({ r, how, s }) => ({ s: r - lyeInAt, kind: 'handled' as const, how, seconds: s })),
    ...poured,
  ]
  return deeds.sort((a, b) => a.s - b.s)
}

/** A cup that is to be brought to a moment: what was done with it, and what comes of it in the mould. */
interface Replay {
  deeds: readonly Deed[]
  nowS: number
  error: LevelError
  poured: (pour: string, soap: CupState) => void
}

/** Brings a cup from its drawing to now, as it was handled; gives ln of how well it explains what was seen of it. */
function replayed(run: RunState, i: number, { deeds, nowS, error, poured }: Replay): number {
  const { input } = run
  const cup = run.cups[i]!
  const task = input.cups[i]!
  let ln = 0
  const waits = run.waiting(i)
  for (const deed of deeds) {
    if (deed.kind === 'seen') {
      advanceCup(cup, waits, deed.s)
      ln += looked(error, deed, cupLevel(cup))
      continue
    }
    if (deed.kind === 'handled') {
      const fromS = deed.s - deed.seconds - (deed.how === 'burst' ? RESTIR_S : 0)
      advanceCup(cup, waits, fromS)
      if (deed.how === 'burst') advanceCup(cup, stickOf(run, i), fromS + deed.seconds)
      advanceCup(cup, MODES.hand, deed.s)
      continue
    }
    if (deed.kind === 'poured') {
      advanceCup(cup, waits, deed.fromS)
      advanceCup(cup, MODES.hand, Math.min(deed.fromS + RESTIR_S, deed.s))
      advanceCup(cup, MODES.pour, deed.s)
      poured(deed.pour, inTheMould(cup))
      continue
    }
    const seconds = run.handS(deed.kind === 'colour' ? task.colourS : input.times.scent)
    advanceCup(cup, waits, deed.s - seconds)
    if (deed.kind === 'colour') {
      cup.load = { ...cup.load, lnRate: task.lnRate, lnViscosity: task.lnViscosity, lnSwell: task.lnSwell }
      cup.batter.swollenOwn = 0
    } else if (task.scent?.moment !== 'pot' || input.ownBatters) run.addScent(i)
    advanceCup(cup, MODES.hand, deed.s)
  }
  advanceCup(cup, waits, nowS)
  return ln
}

/** Scent that is in before the batter is divided makes the split another in each of its nodes. */
const isScentedBefore = ({ cups }: RunInput): boolean =>
  cups.some(({ scent }) => scent?.moment === 'pot' || scent?.moment === 'oils')

/** The batter as it was split, in one node; cups begin when they were really drawn. */
function splitIn({ input }: Following, state: BenchState, rate: number, scentZ: number): RunState {
  const run = new RunState(input, variationIn(input, state, rate, scentZ), 0)
  splitPot(run)
  run.cups.forEach((cup, i) => {
    const drawn = state.cups[i]!.drawnAt
    if (cup && drawn !== null) cup.atS = drawn - state.lyeInAt!
  })
  return run
}

const variationIn = (input: RunInput, state: BenchState, rate: number, scentZ: number) => ({
  ...{ plainRate: rate, scentedRate: rate, scent: scentZ * input.scentSd, stop: stopOff(input, state).mean },
  hands: 1,
})

/** The same split in every node of the scents, each with cups of its own, where they go in only later. */
function splitsIn(following: Following, state: BenchState, rate: number): RunState[] {
  const { input } = following
  if (isScentedBefore(input)) return SCENT_NODES.map(([scentZ]) => splitIn(following, state, rate, scentZ))
  const one = splitIn(following, state, rate, 0)
  return SCENT_NODES.map(([scentZ]) => {
    const run = new RunState(input, variationIn(input, state, rate, scentZ), 0)
    one.cups.forEach((cup, i) => {
      if (cup) run.cups[i] = copyOf(cup)
    })
    return run
  })
}

const normalised = (lns: readonly number[]): number[] => {
  const best = Math.max(...lns)
  const weights = lns.map(ln => Math.exp(ln - best))
  const whole = weights.reduce((sum, weight) => sum + weight, 0)
  return weights.map(weight => weight / whole)
}

/** Everything that is believed of a run so many seconds after the lye went in. */
export function inferred(following: Following, state: BenchState, nowS: number): Inferred {
  const { input } = following
  const groups = [...new Set(input.cups.flatMap(cup => (cup.scent ? [cup.scent.group] : [])))]
  const lnShared = NODES.map((_, n) => Math.log(WEIGHTS[n]!))
  /** By group, node of the pace and node of the scent. */
  const ln = groups.map(() => NODES.map(() => SCENT_NODES.map(([, weight]) => Math.log(weight))))
  const cups: CupNode[][][] = input.cups.map(() => NODES.map(() => []))
  const mould = new Map<string, CupState[][]>()
  const levelError = levelErrorOf(input, state)
  const deeds = state.cups.map(cup => deedsOf(input, state, cup, state.lyeInAt!))
  NODES.forEach((z, n) => {
    const rate = input.rate.mean + z * input.rate.sd
    splitsIn(following, state, rate).forEach((run, k) => {
      input.cups.forEach((task, i) => {
        const now = state.cups[i]!
        if (now.drawnAt === null || !run.cups[i] || (!task.scent && k > 0)) return
        const error: LevelError = { mean: 0, variance: levelError ** 2 }
        const poured = (pour: string, soap: CupState) => {
          const list = mould.get(pour) ?? NODES.map(() => [])
          list[n]![k] = soap
          mould.set(pour, list)
        }
        const until = Math.max(nowS, now.drawnAt - state.lyeInAt!)
        const explains = replayed(run, i, { deeds: deeds[i]!, nowS: until, error, poured })
        if (task.scent) ln[groups.indexOf(task.scent.group)]![n]![k]! += explains
        else lnShared[n]! += explains
        cups[i]![n]![k] = { cup: run.cups[i], error }
      })
    })
  })
  // What the cups of a scent say of the shared pace is summed over what the scent may be.
  const sums = ln.map(list => list.map(row => Math.log(row.reduce((sum, one) => sum + Math.exp(one), 0))))
  const shared = normalised(lnShared.map((one, n) => one + sums.reduce((sum, of) => sum + of[n]!, 0)))
  return { shared, groups, within: ln.map(list => list.map(normalised)), cups, mould }
}
