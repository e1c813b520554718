import type { Following } from './following.ts'
import type { BenchState } from './state.ts'

/**
 * A look tells most shortly before a pour, and of the next two cups: that is when a call to do otherwise still comes in time. Right after
 * scent or colour the trace has not moved yet, and a look of a moment ago is no news, s.
 */
const NEXT_CUPS = 2
export const MOVES_AFTER_S = 20
const NEWS_FOR_S = 120
/** Whipped batter stands by its fats, which set slowly. */
const WHIPPED_NEWS_FOR_S = 900

/** Cups that should be looked at now, what is poured next first. @param r second of the run */
export function looksDue({ input, plan }: Following, state: BenchState, r: number): string[] {
  if (state.splitAt === null || state.closed !== null) return []
  const newsFor = plan.whipped ? WHIPPED_NEWS_FOR_S : NEWS_FOR_S
  const open = input.pours.filter(pour => state.pours[pour.pour] === undefined && state.pouring?.pour !== pour.pour)
  const next = [...new Set(open.map(pour => pour.cup))].slice(0, NEXT_CUPS)
  return next.flatMap(i => {
    const task = input.cups[i]!
    const cup = state.cups[i]!
    const lacks =
      (task.colourS > 0 && cup.colouredAt === null) ||
      (task.scent !== null && task.scent.moment === 'with-colour' && cup.scentedAt === null)
    if (cup.drawnAt === null || cup.isLost || lacks) return []
    const handled = Math.max(cup.drawnAt, cup.colouredAt ?? 0, cup.scentedAt ?? 0)
    const seen = cup.seen.at(-1)?.r ?? -Infinity
    return r - handled >= MOVES_AFTER_S && r - seen >= newsFor ? [cup.cup] : []
  })
}
