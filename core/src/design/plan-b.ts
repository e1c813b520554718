import { TOP_WAYS, cupShares, freshId, startingShape } from '../plan/index.ts'
import type { Plan, PlanB } from '../plan/index.ts'

/** Trace at which streams and tools stop working and heaps begin to stand. */
const TOO_THICK = 3

/**
 * A first plan B for a score: the same cups with the same weights, but spooned one on another, which thick batter can do. What
 * stands on the top stays; tools are left out.
 */
export function firstPlanB(plan: Plan): PlanB {
  const shares = cupShares(plan)
  const order = [...new Set(plan.score.map(pour => pour.cup))]
  const tops = plan.score.filter(pour => TOP_WAYS.includes(pour.shape.way))
  const topShare = (cup: string) => tops.reduce((sum, pour) => (pour.cup === cup ? sum + pour.share : sum), 0)
  const first = plan.score[0]!
  const heaps = order.flatMap(cup => {
    const share = shares[plan.cups.findIndex(one => one.id === cup)]! - topShare(cup)
    if (share <= 1e-6) return []
    return [
      {
        ...first,
        cup,
        share: Number(share.toFixed(6)),
        waitMin: 0,
        window: null,
        shape: { ...startingShape(), way: 'spoon' as const },
      },
    ]
  })
  const score: Plan['score'] = []
  for (const pour of [...heaps, ...tops]) score.push({ ...pour, id: freshId('heap', score), together: 'no' })
  const isSwirled = plan.moves.some(move => !move.off)
  const before = isSwirled ? plan.moves.find(move => !move.off)!.after : (plan.score[1] ?? first).id
  return {
    name: 'Spooned, when it thickens',
    trigger: 'thick',
    before,
    level: TOO_THICK,
    inUse: false,
    score,
    moves: [],
  }
}

/** Cups that plan B pours more or less of than the first score does, by more than a hundredth of the soap. */
export function planBDiffers(plan: Plan): string[] {
  const { planB } = plan
  if (!planB) return []
  const now = cupShares(plan)
  const then = cupShares({ ...plan, score: planB.score })
  return plan.cups.filter((_, i) => Math.abs(now[i]! - then[i]!) > 0.01).map(cup => cup.name)
}
