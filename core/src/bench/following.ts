import { runInputOf } from '../batter/schedule/index.ts'
import type { RunInput } from '../batter/schedule/index.ts'
import type { Plan } from '../plan/index.ts'
import { portionsOf } from '../portions/index.ts'
import type { Portions } from '../portions/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { weighList } from '../weighing/index.ts'
import type { WeighLine } from '../weighing/index.ts'
import { stepsOf } from './steps.ts'
import type { BenchStep } from './steps.ts'

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

/** What goes into a cup, g: batter from the pot first, then its colours with what they are mixed in, then its scent. */
export interface CupFill {
  /** From the pot, with the scent that is in there by then. */
  drawG: number
  colourG: number
  /** Scent and stabiliser that go into the cup itself. */
  scentG: number
}

/** Scent of the pot or of the oils is in what is drawn. */
function fillsOf(input: RunInput, portions: Portions): CupFill[] {
  return portions.cups.map((portion, i) => {
    const moment = input.cups[i]!.scent?.moment
    const isIn = !input.ownBatters && (moment === 'pot' || moment === 'oils')
    const scentG = portion.scentG + portion.stabiliserG
    return {
      drawG: portion.batterG + (isIn ? scentG : 0),
      colourG: portion.colorantG + portion.mediumG,
      scentG: isIn ? 0 : scentG,
    }
  })
}

/** @throws when an oil of the plan is not on the shelf: such a plan cannot be weighed */
export function followingOf(plan: Plan, shelf: Shelf, portions: Portions = portionsOf(plan, shelf)): Following {
  const input = runInputOf(plan, portions, shelf)
  const lines = weighList(plan, portions, shelf)
  const fills = fillsOf(input, portions)
  return { plan, shelf, portions, input, lines, fills, steps: stepsOf(plan, input, lines, fills) }
}
