import { MODES, THREE, copyOf, isNeverStopped } from '../batter/schedule/index.ts'
import type { CupState, PourTask } from '../batter/schedule/index.ts'
import type { Handling } from '../batter/trace/index.ts'
import type { Following } from './following.ts'
import { advanceCup, cupLevel } from './infer.ts'
import type { CupNode, Inferred } from './infer.ts'
import type { BenchState } from './state.ts'

/** How long each cup can still be poured. */

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

interface Node extends CupNode {
  weight: number
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
  const levels = [cupLevel(ahead)]
  for (let n = 1; n < MOMENTS.length && levels[n - 1]! <= most; n += 1) {
    advanceCup(ahead, waits, cup.atS + MOMENTS[n]!)
    levels.push(cupLevel(ahead))
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
/** Nodes that weigh less together say nothing of a band of four fifths. */
const WEIGHS_NOTHING = 0.01

/** A cup in every node that counts, with the weight of the node. */
function nodesOf({ shared, groups, within, cups }: Inferred, following: Following, i: number): Node[] {
  const { scent } = following.input.cups[i]!
  const g = scent ? groups.indexOf(scent.group) : -1
  const nodes = shared.flatMap((weight, n) =>
    cups[i]![n]!.flatMap((node, k): Node[] =>
      node ? [{ ...node, weight: weight * (g < 0 ? 1 : within[g]![n]![k]!) }] : [],
    ),
  )
  let left = 1
  return nodes
    .sort((a, b) => b.weight - a.weight)
    .filter(({ weight }) => {
      const counts = left > WEIGHS_NOTHING
      left -= weight
      return counts
    })
}

/** Whether a run can be followed so: not before a cup is filled, nor whipped batches and batters of their own. */
export const isFollowed = ({ input }: Following, state: BenchState): boolean =>
  state.lyeInAt !== null && !input.whipped && !input.ownBatters && state.cups.some(cup => cup.drawnAt !== null)

/** Minutes left of every cup that is filled and still to be poured. */
export function outlooksOf(following: Following, state: BenchState, known: Inferred): CupOutlook[] {
  const { input } = following
  return input.cups.flatMap((task, i): CupOutlook[] => {
    const pour = input.pours.find(one => one.cup === i && state.pours[one.pour] === undefined)
    const mine = nodesOf(known, following, i)
    if (!pour || mine.length === 0 || state.cups[i]!.isLost || isNeverStopped(task)) return []
    return [outlookOf(task.cup.id, pour, mine, input.waiting === 'stir' ? MODES.pour : MODES.rest)]
  })
}

function outlookOf(cup: string, pour: PourTask, nodes: readonly Node[], waits: Handling): CupOutlook {
  const levels = nodes.map(node => cupLevel(node.cup) + node.error.mean)
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
