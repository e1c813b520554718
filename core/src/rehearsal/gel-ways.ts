import { forecast } from '../forecast/index.ts'
import { restOutlook } from '../mould/rest/index.ts'
import type { Plan } from '../plan/index.ts'
import { referenceShelf } from '../shelf/index.ts'

/** Ways to leave a mould, and what each makes of it. */

export interface NightWay {
  key: string
  words: string
  changes: Partial<Plan['rest']['steps'][number]>
}

export const REST_WAYS: readonly NightWay[] = [
  { key: 'cold', words: 'Into the refrigerator, under film', changes: { place: 'refrigerator' } },
  { key: 'bench', words: 'On the bench, under film', changes: {} },
  { key: 'wrapped', words: 'Wrapped in towels', changes: { towels: { top: 2, sides: 2, below: 1 } } },
]

/** How likely a mould gels nowhere, in part (a ring shows), or through; 0…1. */
export interface Gel {
  none: number
  partial: number
  full: number
}

/** What a way makes of a plan's rest, by the model of the rest. Some tenths of a second. @throws where the plan cannot be forecast */
export function gelLeft(plan: Plan, key: string): Gel {
  const way = REST_WAYS.find(one => one.key === key)
  if (!way) throw new Error(`no way of resting: ${key}`)
  const shelf = referenceShelf()
  const rested = { ...plan, rest: { ...plan.rest, steps: [{ ...plan.rest.steps[0]!, ...way.changes }] } }
  const made = forecast(rested, shelf)
  if (!made.ok) throw new Error('this plan cannot be forecast')
  const { portions, lanes } = made.forecast
  return restOutlook({ plan: rested, shelf, portions, lanes }).numbers.gel
}
