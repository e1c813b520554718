import { MAX_SEEN } from '../plan/index.ts'
import type { Plan, Seen } from '../plan/index.ts'
import type { BenchState } from './state.ts'

/** What a run tells its plan: when it was poured, so that its rest begins, and what later forecasts learn from. */

/** Looks and seconds of blending that a plan can hold. */
const LONGEST_MIN = 240
const BLENDED_S = { least: 1, most: 3600 } as const

/** When the last pour was done, s of the run; null: nothing is poured. */
export function lastPourAt({ pours }: BenchState): number | null {
  const ends = Object.values(pours).map(span => span.toS)
  return ends.length > 0 ? Math.max(...ends) : null
}

/** Traces that were seen in the cups, the latest that a plan can hold. */
export function seenIn({ cups, lyeInAt }: BenchState): Seen[] {
  if (lyeInAt === null) return []
  const all = cups.flatMap(({ cup, seen }) =>
    seen.map(one => ({
      cup,
      level: one.value,
      by: one.by === 'drip' ? ('drip' as const) : ('eye' as const),
      atMin: Math.round(((one.r - lyeInAt) / 60) * 100) / 100,
    })),
  )
  return all
    .filter(({ atMin }) => atMin >= 0 && atMin <= LONGEST_MIN)
    .sort((a, b) => a.atMin - b.atMin)
    .slice(-MAX_SEEN)
}

/**
 * The plan with what its run told: when it was poured, the traces that were seen, and the seconds of blending. What is known of none stays
 * as it is. Whipped batter tells nothing of how quickly one thickens that is blended.
 *
 * @param clock  what the clock of the workshop showed at a second of the run, like "2026-03-02T14:30"
 */
export function withRun(plan: Plan, state: BenchState, clock: (r: number) => string): Plan {
  const poured = lastPourAt(state)
  const known = new Set(plan.cups.map(cup => cup.id))
  const seen = (plan.whipped ? [] : seenIn(state)).filter(({ cup }) => known.has(cup))
  const blendedS = plan.whipped ? 0 : Math.round(state.blendS)
  return {
    ...plan,
    ...(poured !== null && { rest: { ...plan.rest, pouredAt: clock(poured) } }),
    ...(seen.length > 0 && { seen }),
    ...(blendedS >= BLENDED_S.least && blendedS <= BLENDED_S.most && { blendedS }),
  }
}
