import {
  MODES,
  NODES,
  RunState,
  SIGHT_ERROR,
  STOP_SD,
  THREE,
  WEIGHTS,
  copyOf,
  isNeverStopped,
  lnLikelihood,
  splitPot,
} from '../batter/schedule/index.ts'
import type { CupState, PourTask, RunInput } from '../batter/schedule/index.ts'
import { advanceBatter, movingLevel } from '../batter/trace/index.ts'
import type { Handling } from '../batter/trace/index.ts'
import type { Following } from './following.ts'
import type { BenchState, CupNow, Sighting } from './state.ts'

/**
 * How long each cup can still be poured, from the plan and from what was seen. The pace of the batter (shared by all cups) and that of
 * each scent (shared by its cups) are unknown; both stand on a grid, every cup is replayed as it was really handled in each node, and
 * what was seen weighs the nodes. No random numbers.
 */

/** Minutes that a cup's trace stays within its next pour's window, left as it is from now on. */
export interface CupOutlook {
  cup: string
  pour: string
  /** Trace now: mean and spread, levels. */
  level: number
  sd: number
  /** In 9, 5 and 1 of 10 runs it stays at least so long, min; 45: longer than that. */
  low: number
  likely: number
  high: number
  /** Chance that it is past the window already. */
  gone: number
  /** Minutes until it is thick enough for the pour, likely; 0: it is. */
  opensIn: number
}

/** How far it is looked ahead, s, and in which steps: finely at first, where it matters. */
const AHEAD: readonly (readonly [untilS: number, stepS: number])[] = [
  [180, 20],
  [600, 60],
  [2700, 120],
]
const LONGEST_MIN = 45
/** As long as the forecast's own steps. */
const LONGEST_STEP_S = 120
/** What the model itself may be off by at any one reading, levels. */
const MODEL_ERROR = 0.15
const errorOf = ({ by }: Sighting) => (by === 'drip' ? 'drip' : 'eye')
/** Looks of the same eye so soon after another are not new evidence, s. */
const REPEAT_S = 90

interface Node {
  weight: number
  cup: CupState
  error: LevelError
}

/** Spreads of a scent that are told apart, with their weights. */
const SCENT_NODES: readonly (readonly [z: number, weight: number])[] = [
  [-1.6, 0.15],
  [-0.6, 0.27],
  [0.3, 0.27],
  [1.2, 0.2],
  [2.2, 0.08],
  [3.6, 0.03],
]
const PLAIN: readonly (readonly [z: number, weight: number])[] = [[0, 1]]

const advance = (cup: CupState, how: Handling, untilS: number): void => {
  while (cup.atS < untilS - 1e-9) {
    const seconds = Math.min(LONGEST_STEP_S, untilS - cup.atS)
    advanceBatter(cup.batter, cup.pace, cup.load, how, seconds, cup.cooling)
    cup.atS += seconds
  }
}
const levelOf = ({ batter, pace, load }: CupState): number => movingLevel(batter, pace, load)

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
interface LevelError {
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
type Deed = { s: number; kind: 'colour' | 'scent' } | { s: number; kind: 'seen'; seen: Sighting; repeats: number }

function deedsOf(cup: CupNow, lyeInAt: number): Deed[] {
  const deeds: Deed[] = [
    ...(cup.colouredAt === null ? [] : [{ s: cup.colouredAt - lyeInAt, kind: 'colour' as const }]),
    ...(cup.scentedAt === null ? [] : [{ s: cup.scentedAt - lyeInAt, kind: 'scent' as const }]),
    ...cup.seen.map((seen, i) => {
      const repeats = cup.seen.filter((one, k) => k < i && seen.r - one.r < REPEAT_S).length
      return { s: seen.r - lyeInAt, kind: 'seen' as const, seen, repeats }
    }),
  ]
  return deeds.sort((a, b) => a.s - b.s)
}

/** Brings a cup from its drawing to now, as it was handled; gives ln of how well it explains what was seen of it. */
function replayed(run: RunState, i: number, deeds: readonly Deed[], nowS: number, error: LevelError): number {
  const { input } = run
  const cup = run.cups[i]!
  const task = input.cups[i]!
  let ln = 0
  const waits = run.waiting(i)
  for (const deed of deeds) {
    if (deed.kind === 'seen') {
      advance(cup, waits, deed.s)
      ln += looked(error, deed, levelOf(cup))
      continue
    }
    const seconds = run.handS(deed.kind === 'colour' ? task.colourS : input.times.scent)
    advance(cup, waits, deed.s - seconds)
    if (deed.kind === 'colour') {
      cup.load = { ...cup.load, lnRate: task.lnRate, lnViscosity: task.lnViscosity, lnSwell: task.lnSwell }
      cup.batter.swollenOwn = 0
    } else if (task.scent?.moment !== 'pot' || input.ownBatters) run.addScent(i)
    advance(cup, MODES.hand, deed.s)
  }
  advance(cup, waits, nowS)
  return ln
}

/** The batter as it was split, in one node; cups begin when they were really drawn. */
function splitIn(following: Following, state: BenchState, rate: number, scentZ: number): RunState {
  const { input } = following
  const variation = {
    ...{ plainRate: rate, scentedRate: rate, scent: scentZ * input.scentSd, stop: stopOff(input, state).mean },
    hands: 1,
  }
  const run = new RunState(input, variation, 0)
  splitPot(run)
  run.cups.forEach((cup, i) => {
    const drawn = state.cups[i]!.drawnAt
    if (cup && drawn !== null) cup.atS = drawn - state.lyeInAt!
  })
  return run
}

/** Moments that are looked at ahead, s. */
const MOMENTS: readonly number[] = (() => {
  const moments = [0]
  for (const [untilS, stepS] of AHEAD) while (moments.at(-1)! < untilS) moments.push(moments.at(-1)! + stepS)
  return moments
})()

/** Levels of a cup that is left as it is, at those moments, until it is above a level. */
function levelsAhead(cup: CupState, waits: Handling, most: number): number[] {
  const ahead = copyOf(cup)
  const levels = [levelOf(ahead)]
  for (let n = 1; n < MOMENTS.length && levels[n - 1]! <= most; n += 1) {
    advance(ahead, waits, cup.atS + MOMENTS[n]!)
    levels.push(levelOf(ahead))
  }
  return levels
}

/** Seconds until levels pass a limit: 0 when they are past it, Infinity when they do not. */
function passes(levels: readonly number[], limit: number): number {
  const n = levels.findIndex(level => level >= limit)
  if (n <= 0) return n < 0 ? Infinity : 0
  const [before, after] = [levels[n - 1]!, levels[n]!]
  return MOMENTS[n - 1]! + ((MOMENTS[n]! - MOMENTS[n - 1]!) * (limit - before)) / Math.max(1e-9, after - before)
}

/** Value below which a share of the weights lies, between neighbours by their middles. */
function quantile(sorted: readonly (readonly [value: number, weight: number])[], share: number): number {
  const whole = sorted.reduce((sum, [, weight]) => sum + weight, 0)
  let below = 0
  let last: readonly [number, number] | null = null
  for (const [value, weight] of sorted) {
    const middle = (below + weight / 2) / whole
    if (middle >= share) {
      if (!last || middle === last[1]) return value
      return last[0] + ((value - last[0]) * (share - last[1])) / (middle - last[1])
    }
    last = [value, middle]
    below += weight
  }
  return last?.[0] ?? 0
}

const normalised = (lns: readonly number[]): number[] => {
  const best = Math.max(...lns)
  const weights = lns.map(ln => Math.exp(ln - best))
  const whole = weights.reduce((sum, weight) => sum + weight, 0)
  return weights.map(weight => weight / whole)
}

/** Every cup with batter in it that is still to be poured, in every node, with the weight that is left to the node. */
function nodesOf(following: Following, state: BenchState, nowS: number): Node[][] {
  const { input } = following
  const groups = [...new Set(input.cups.map(cup => cup.scent?.group ?? -1))]
  const lnShared = NODES.map((_, n) => Math.log(WEIGHTS[n]!))
  /** By group, node of the rate and node of the scent. */
  const ln = groups.map(() => NODES.map(() => SCENT_NODES.map(([, weight]) => Math.log(weight))))
  const cups: Omit<Node, 'weight'>[][][] = input.cups.map(() => NODES.map(() => []))
  const levelError = levelErrorOf(input, state)
  const deeds = state.cups.map(cup => deedsOf(cup, state.lyeInAt!))
  NODES.forEach((z, n) => {
    const rate = input.rate.mean + z * input.rate.sd
    SCENT_NODES.forEach(([scentZ], k) => {
      const run = splitIn(following, state, rate, scentZ)
      input.cups.forEach((task, i) => {
        const now = state.cups[i]!
        if (now.drawnAt === null || !run.cups[i] || (!task.scent && k > 0)) return
        const error: LevelError = { mean: 0, variance: levelError ** 2 }
        const explains = replayed(run, i, deeds[i]!, Math.max(nowS, now.drawnAt - state.lyeInAt!), error)
        if (task.scent) ln[groups.indexOf(task.scent.group)]![n]![k]! += explains
        else lnShared[n]! += explains
        cups[i]![n]![k] = { cup: run.cups[i], error }
      })
    })
  })
  // What the cups of a scent say of the shared pace is summed over what the scent may be.
  const sums = ln.map(list => list.map(row => Math.log(row.reduce((sum, one) => sum + Math.exp(one), 0))))
  const scented = groups.map((group, g) => ({ group, g })).filter(({ group }) => group >= 0)
  const shared = normalised(lnShared.map((one, n) => one + scented.reduce((sum, { g }) => sum + sums[g]![n]!, 0)))
  return input.cups.map((task, i) =>
    NODES.flatMap((_, n) => {
      const row = task.scent ? normalised(ln[groups.indexOf(task.scent.group)]![n]!) : PLAIN.map(([, weight]) => weight)
      return row.flatMap((weight, k): Node[] => {
        const one = cups[i]![n]![k]
        return one ? [{ weight: weight * shared[n]!, ...one }] : []
      })
    }),
  )
}

/**
 * Minutes left of every cup that is filled and still to be poured. Empty before the lye is in, for whipped batches and for batters of
 * their own, which are not followed so.
 *
 * @param r second of the run
 */
export function cupsOutlook(following: Following, state: BenchState, r: number): CupOutlook[] {
  const { input } = following
  if (state.lyeInAt === null || input.whipped || input.ownBatters) return []
  if (!state.cups.some(cup => cup.drawnAt !== null)) return []
  const nodes = nodesOf(following, state, r - state.lyeInAt)
  return input.cups.flatMap((task, i): CupOutlook[] => {
    const pour = input.pours.find(one => one.cup === i && state.pours[one.pour] === undefined)
    const mine = nodes[i]!
    if (!pour || mine.length === 0 || state.cups[i]!.isLost || isNeverStopped(task)) return []
    return [outlookOf(task.cup.id, pour, mine, input.waiting === 'stir' ? MODES.pour : MODES.rest)]
  })
}

function outlookOf(cup: string, pour: PourTask, nodes: readonly Node[], waits: Handling): CupOutlook {
  const levels = nodes.map(node => levelOf(node.cup) + node.error.mean)
  const mean = nodes.reduce((sum, { weight }, n) => sum + weight * levels[n]!, 0)
  const variance = nodes.reduce(
    (sum, { weight, error }, n) => sum + weight * ((levels[n]! - mean) ** 2 + error.variance),
    0,
  )
  const { lo, hi } = pour.window
  // The model's own error moves the limits that are crossed.
  const points = nodes.flatMap(({ weight, cup: at, error }) => {
    const spread = Math.sqrt(error.variance)
    const ahead = levelsAhead(at, waits, hi - error.mean + Math.sqrt(3) * spread)
    return THREE.map(([z, part]) => {
      const off = error.mean + z * spread
      const [left, opens] = [passes(ahead, hi - off), passes(ahead, lo - 0.05 - off)]
      return { weight: weight * part, left: Math.min(LONGEST_MIN, left / 60), opens: opens / 60 }
    })
  })
  const sorted = points.map(one => [one.left, one.weight] as const).sort((a, b) => a[0] - b[0])
  const opening = points.map(one => [Math.min(LONGEST_MIN, one.opens), one.weight] as const).sort((a, b) => a[0] - b[0])
  return {
    ...{ cup, pour: pour.pour, level: mean, sd: Math.sqrt(variance) },
    low: quantile(sorted, 0.1),
    likely: quantile(sorted, 0.5),
    high: quantile(sorted, 0.9),
    gone: sorted.reduce((sum, [left, weight]) => (left <= 0 ? sum + weight : sum), 0),
    opensIn: quantile(opening, 0.5),
  }
}
