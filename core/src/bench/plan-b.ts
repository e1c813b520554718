import { firstPlanB } from '../design/index.ts'
import type { PourTask } from '../batter/schedule/index.ts'
import type { Plan, PlanB } from '../plan/index.ts'
import { followingOf } from './following.ts'
import type { Following } from './following.ts'
import { inCup } from './state.ts'
import type { BenchState } from './state.ts'
import { stepsOf } from './steps.ts'

/** The rest of a run after plan B was taken: what is in the mould stays, what is in the cups is shared by the second score. */

/** Less than this stays in the cup, g. */
const LEAST_G = 10
const LEAST_S = 2

/** The plan's own second score, or else heaps from a spoon; null where the design has no use for either. */
export const planBOf = (plan: Plan): PlanB | null => plan.planB ?? firstPlanB(plan, 'spooned')

/** Pours and moves of the second score under names of their own, after those of the first. */
const named = (id: string): string => `b.${id}`
function secondPlan(plan: Plan, planB: PlanB): Plan {
  const moves = planB.moves.map(move => ({ ...move, id: named(move.id), after: named(move.after) }))
  return {
    ...plan,
    score: planB.score.map(pour => ({ ...pour, id: named(pour.id) })),
    moves: [...plan.moves, ...moves],
    planB: null,
  }
}

type Taken = NonNullable<BenchState['planB']>

/** Plan B, were it taken at a second of the run. */
export function takenNow(state: BenchState, r: number): Taken {
  const filled = state.cups.filter(cup => cup.drawnG !== null && !cup.isLost)
  const leftG = Object.fromEntries(filled.map(cup => [cup.cup, Math.max(0, inCup(cup))]))
  return { r, poured: Object.keys(state.pours), leftG }
}

/** Pours of the second score with the batter that there is for them; those of cups that are empty drop out. */
function sharedOut(pours: readonly PourTask[], following: Following, { leftG }: Taken): (PourTask | null)[] {
  const planned = new Map<number, number>()
  for (const { cup, massG } of pours) planned.set(cup, (planned.get(cup) ?? 0) + massG)
  return pours.map(pour => {
    const left = leftG[following.input.cups[pour.cup]!.cup.id]
    // A cup that was not filled yet is filled for the second score.
    const times = left === undefined ? 1 : left / planned.get(pour.cup)!
    const massG = pour.massG * times
    return massG < LEAST_G ? null : { ...pour, massG, seconds: Math.max(LEAST_S, pour.seconds * times) }
  })
}

function afterTaking(first: Following, planB: PlanB, taken: Taken): Following {
  const plan = secondPlan(first.plan, planB)
  const second = followingOf(plan, first.shelf)
  const done = first.input.pours.filter(({ pour }) => taken.poured.includes(pour)).map(pour => ({ ...pour, tools: [] }))
  const shared = sharedOut(second.input.pours, second, taken)
  const places = new Map<number, number>()
  for (const [i, pour] of shared.entries()) if (pour) places.set(i, done.length + places.size)
  const rest = shared.flatMap((pour): PourTask[] =>
    pour ? [{ ...pour, below: [...done.keys(), ...pour.below.flatMap(k => places.get(k) ?? [])] }] : [],
  )
  const input = { ...second.input, pours: [...done, ...rest] }
  const steps = stepsOf(plan, { ...input, pours: rest }, first.lines, second.fills)
  return { ...second, lines: first.lines, input, steps }
}

const known = new WeakMap<Following, Map<string, Following>>()

/** What a run follows as things stand: the plan, or what is left of it after plan B was taken. */
export function activeOf(following: Following, { planB: taken }: Pick<BenchState, 'planB'>): Following {
  const planB = taken && planBOf(following.plan)
  if (!planB) return following
  const made = known.get(following) ?? new Map<string, Following>()
  known.set(following, made)
  // When it was taken changes nothing of what there is for it.
  const key = JSON.stringify([taken.poured, taken.leftG])
  const there = made.get(key) ?? afterTaking(following, planB, taken)
  made.set(key, there)
  return there
}
