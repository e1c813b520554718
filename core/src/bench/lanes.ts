import { MOST_AHEAD_S, nodesOf, quantile } from './outlook.ts'
import type { Following } from './following.ts'
import { inferred } from './infer.ts'
import { isFollowed } from './outlook.ts'
import { activeOf } from './plan-b.ts'
import type { BenchState, Sighting } from './state.ts'
import { asScented } from './unscented.ts'

/** Trace of every cup over the run: what it was, as far as it is believed, and what it will be, left as it is. */

export interface BenchLane {
  cup: string
  /** Seconds after the lye went in, and the level that is believed of then. */
  past: { s: number; level: number }[]
  /** From now on: in 1, 5 and 9 of 10 runs it is no thicker. */
  ahead: { s: number; low: number; likely: number; high: number }[]
  seen: (Omit<Sighting, 'r'> & { s: number })[]
  /** Pours of it: when they were done, and between which levels they work. */
  pours: { pour: string; fromS: number | null; toS: number | null; lo: number; hi: number }[]
}

/** Steps of what is to come, s. */
const STEP_S = 60
/** Thicker than this nothing is told apart. */
const THICKEST = 5

/** Lanes of the cups that are filled, as they stand so many seconds after the run was opened. */
export function benchLanes(first: Following, state: BenchState, nowR: number): BenchLane[] {
  const r = Math.max(nowR, state.r)
  const following = asScented(activeOf(first, state), state)
  if (!isFollowed(state)) return []
  const lyeInAt = state.lyeInAt!
  const nowS = r - lyeInAt
  const known = inferred(following, state, nowS)
  return following.input.cups.flatMap((task, i): BenchLane[] => {
    const cup = state.cups[i]!
    const nodes = nodesOf(known, following, i)
    if (nodes.length === 0) return []
    const mine = following.input.pours.filter(pour => pour.cup === i)
    const isEmpty = mine.every(({ pour }) => state.pours[pour] !== undefined)
    const whole = nodes.reduce((sum, { weight }) => sum + weight, 0)
    const path = nodes[0]!.path.map(({ s }, n) => ({
      s,
      level: nodes.reduce((sum, { weight, path: of, error }) => sum + weight * (of[n]!.level + error.mean), 0) / whole,
    }))
    const at = (s: number) => {
      const levels = nodes
        .map(({ resting, error, weight }) => [Math.min(THICKEST, resting.levelAt(s) + error.mean), weight] as const)
        .sort((a, b) => a[0] - b[0])
      const [low, likely, high] = [0.1, 0.5, 0.9].map(share => quantile(levels, share)) as [number, number, number]
      return { s, low, likely, high }
    }
    const steps = isEmpty ? 0 : Math.ceil(MOST_AHEAD_S / STEP_S)
    const ahead = isEmpty ? [] : Array.from({ length: steps + 1 }, (_, n) => at(nowS + n * STEP_S))
    const until = ahead.findIndex(one => one.low >= THICKEST)
    return [
      {
        cup: task.cup.id,
        past: isEmpty ? path : [...path, { s: nowS, level: ahead[0]!.likely }],
        ahead: until < 0 ? ahead : ahead.slice(0, until + 1),
        seen: cup.seen.map(({ r: seenR, ...one }) => ({ ...one, s: seenR - lyeInAt })),
        pours: mine.map(({ pour, window }) => {
          const span = state.pours[pour]
          return {
            pour,
            lo: window.lo,
            hi: window.hi,
            fromS: span ? span.fromS - lyeInAt : null,
            toS: span ? span.toS - lyeInAt : null,
          }
        }),
      },
    ]
  })
}
