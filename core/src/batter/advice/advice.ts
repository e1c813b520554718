import { readPlan } from '../../plan/index.ts'
import type { Plan } from '../../plan/index.ts'
import { missingOils, portionsOf } from '../../portions/index.ts'
import { SURE_RUNS, runInputOf, lanesOf, monteCarlo, withRuns } from '../schedule/index.ts'
import type { Shelf } from '../../shelf/index.ts'
import { remediesFor } from './remedies.ts'
import type { Remedy } from './remedies.ts'
import { riskOf } from './risk.ts'
import type { Risk } from './risk.ts'

/** What is worked out behind every edit: the risk by many runs, and the changes that help most. */
export interface Advice {
  /** Null where nothing can be forecast. */
  risk: Risk | null
  remedies: Remedy[]
}

/** The biggest risk by many runs. Some tenths of a second at most. */
export function sureRisk(plan: Plan, shelf: Shelf): Risk | null {
  if (!readPlan(plan).ok || missingOils(plan, shelf).length > 0) return null
  const input = runInputOf(plan, portionsOf(plan, shelf), shelf)
  return riskOf(plan, shelf, withRuns(lanesOf(input), monteCarlo(input, SURE_RUNS)))
}

/** Risk and remedies of a plan: for a worker. */
export const adviceFor = (plan: Plan, shelf: Shelf): Advice => ({
  risk: sureRisk(plan, shelf),
  remedies: remediesFor(plan, shelf),
})
