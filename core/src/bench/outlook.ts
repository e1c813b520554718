import { THREE, isNeverStopped } from '../batter/schedule/index.ts'
import type { PourTask } from '../batter/schedule/index.ts'
import type { Following } from './following.ts'
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

/** How far it is looked ahead, min. */
const LONGEST_MIN = 45
export const MOST_AHEAD_S = 60 * LONGEST_MIN

interface Node extends CupNode {
  weight: number
}

/** Value below which a share of the weights lies, between neighbours by their middles. */
export function quantile(sorted: readonly (readonly [value: number, weight: number])[], share: number): number {
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
export function nodesOf({ shared, groups, within, cups }: Inferred, following: Following, i: number): Node[] {
  const { scent } = following.input.cups[i]!
  const g = scent ? groups.indexOf(scent.group) : -1
  const nodes = shared.flatMap((weight, n) =>
    (cups[i]?.[n] ?? []).map((node, k): Node => ({
      resting: node.resting,
      error: node.error,
      path: node.path,
      weight: weight * (g < 0 ? 1 : within[g]![n]![k]!),
    })),
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

/** Whether a run can be followed so: not before a cup is filled. */
export const isFollowed = (state: BenchState): boolean =>
  state.lyeInAt !== null && state.cups.some(cup => cup.drawnAt !== null)

/** Minutes left of every cup that is filled and still to be poured. */
export function outlooksOf(following: Following, state: BenchState, known: Inferred): CupOutlook[] {
  const { input } = following
  return input.cups.flatMap((task, i): CupOutlook[] => {
    const pour = input.pours.find(one => one.cup === i && state.pours[one.pour] === undefined)
    const mine = nodesOf(known, following, i)
    if (!pour || mine.length === 0 || state.cups[i]!.isLost || isNeverStopped(task)) return []
    return [outlookOf(task.cup.id, pour, mine, known.nowS)]
  })
}

function outlookOf(cup: string, pour: PourTask, nodes: readonly Node[], nowS: number): CupOutlook {
  const levels = nodes.map(({ resting, error }) => resting.levelAt(nowS) + error.mean)
  const mean = nodes.reduce((sum, { weight }, n) => sum + weight * levels[n]!, 0)
  const variance = nodes.reduce(
    (sum, { weight, error }, n) => sum + weight * ((levels[n]! - mean) ** 2 + error.variance),
    0,
  )
  const { lo, hi } = pour.window
  // The model's own error moves the limits that are crossed.
  const points = nodes.flatMap(({ weight, resting, error }) => {
    const spread = Math.sqrt(error.variance)
    return THREE.map(([z, part]) => {
      const off = error.mean + z * spread
      const [left, opens] = [hi, lo - 0.05].map(limit => resting.passes(limit - off, nowS, MOST_AHEAD_S)) as [
        number,
        number,
      ]
      return { weight: weight * part, left: Math.min(LONGEST_MIN, left / 60), opens: opens / 60 }
    })
  })
  const sorted = points.map(one => [one.left, one.weight] as const).sort((a, b) => a[0] - b[0])
  const opening = points.map(one => [Math.min(LONGEST_MIN, one.opens), one.weight] as const).sort((a, b) => a[0] - b[0])
  return {
    cup,
    pour: pour.pour,
    level: mean,
    sd: Math.sqrt(variance),
    low: quantile(sorted, 0.1),
    likely: quantile(sorted, 0.5),
    high: quantile(sorted, 0.9),
    gone: sorted.reduce((sum, [left, weight]) => (left <= 0 ? sum + weight : sum), 0),
    opensIn: quantile(opening, 0.5),
  }
}
