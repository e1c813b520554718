import { applyEdit, readPlan } from '../../plan/index.ts'
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

/** A change that many runs do not bear out by so much is not told. */
const BORNE_OUT = 0.01

/** Remedies with the chances of many runs in place of the quick ones: those that stand beside the risk. */
function surely(plan: Plan, shelf: Shelf, before: number): Remedy[] {
  return remediesFor(plan, shelf).flatMap(remedy => {
    const changed = applyEdit(plan, remedy.edit)
    const after = changed.ok ? (sureRisk(changed.plan, shelf)?.chance ?? 0) : 0
    return after - before >= BORNE_OUT ? [{ ...remedy, before, after }] : []
  })
}

/** Risk and remedies of a plan: for a worker. */
export function adviceFor(plan: Plan, shelf: Shelf): Advice {
  const risk = sureRisk(plan, shelf)
  return { risk, remedies: risk ? surely(plan, shelf, risk.chance) : [] }
}
