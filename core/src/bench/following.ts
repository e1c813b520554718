import { runInputOf } from '../batter/schedule/index.ts'
import type { RunInput } from '../batter/schedule/index.ts'
import type { Plan } from '../plan/index.ts'
import { portionsOf } from '../portions/index.ts'
import type { Portions } from '../portions/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { weighList } from '../weighing/index.ts'
import type { WeighLine } from '../weighing/index.ts'
import { fillsOf } from './fill.ts'
import type { CupFill } from './fill.ts'
import { stepsOf } from './steps.ts'
import type { BenchStep } from './step.ts'

/** What a run follows: the plan as it was frozen, with all that is counted from it once. */
export interface Following {
  plan: Plan
  shelf: Shelf
  portions: Portions
  input: RunInput
  lines: readonly WeighLine[]
  steps: readonly BenchStep[]
  /** What each cup is filled with, in their order. */
  fills: readonly CupFill[]
}

/** @throws when an oil of the plan is not on the shelf: such a plan cannot be weighed */
export function followingOf(plan: Plan, shelf: Shelf, portions: Portions = portionsOf(plan, shelf)): Following {
  const input = runInputOf(plan, portions, shelf)
  const lines = weighList(plan, portions, shelf)
  const fills = fillsOf(input, portions)
  return { plan, shelf, portions, input, lines, fills, steps: stepsOf(plan, input, lines, fills) }
}
