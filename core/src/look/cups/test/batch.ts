import { say } from '../../../quantities/words/index.ts'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { applyEdit, readPlanText } from '../../../plan/index.ts'
import type { Edit, Plan } from '../../../plan/index.ts'
import { portionsOf } from '../../../portions/index.ts'
import { referenceShelf } from '../../../shelf/index.ts'
import { coloursOfPlan } from '../colours.ts'

export const shelf = referenceShelf()

function example(name: string): Plan {
  const read = readPlanText(readFileSync(join(import.meta.dirname, '../../../../../examples', `${name}.json`), 'utf8'))
  if (!read.ok) throw new Error(say(read.problems[0]!.sentence))
  return read.plan
}

/** A vanilla-heavy body, a four-step ladder of one blue, an unscented white for layer and top. */
export const dusk = example('ninth-lock')

export const cupIndex = (plan: Plan, name: string): number => plan.cups.findIndex(cup => cup.name === name)

export function edited(plan: Plan, ...edits: Edit[]): Plan {
  const result = applyEdit(plan, { kind: 'many', edits })
  if (!result.ok) throw new Error(say(result.sentence))
  return result.plan
}

export const worked = (plan: Plan) => {
  const portions = portionsOf(plan, shelf)
  return { portions, colours: coloursOfPlan(plan, portions, shelf) }
}
