import { say } from '../../../quantities/words/index.ts'
import { readFileSync } from 'node:fs'
import { forecast } from '../../../forecast/index.ts'
import { readPlanText, restStep } from '../../../plan/index.ts'
import type { Plan, RestStep } from '../../../plan/index.ts'
import { referenceShelf } from '../../../shelf/index.ts'
import type { Shelf } from '../../../shelf/index.ts'
import type { RestInputs } from '../rest-inputs.ts'

/** Plans of the examples, and what their rest needs. */

export const shelf = referenceShelf()

export const example = (name: string): Plan => {
  const read = readPlanText(readFileSync(new URL(`../../../../../examples/${name}.json`, import.meta.url), 'utf8'))
  if (!read.ok) throw new Error(name)
  return read.plan
}

export const inputsOf = (plan: Plan, on: Shelf = shelf): RestInputs => {
  const made = forecast(plan, on)
  if (!made.ok) throw new Error(say(made.sentence))
  return { plan, shelf: on, portions: made.forecast.portions, lanes: made.forecast.lanes }
}

export const resting = (plan: Plan, ...steps: Partial<RestStep>[]): Plan => ({
  ...plan,
  rest: { ...plan.rest, steps: steps.map(restStep) },
})

export const warmed = (plan: Plan, mixC: number): Plan => ({ ...plan, conditions: { ...plan.conditions, mixC } })
