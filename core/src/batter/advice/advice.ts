import { applyEdit, readPlan } from '../../plan/index.ts'
import type { Plan } from '../../plan/index.ts'
import { missingOils, portionsOf } from '../../portions/index.ts'
import { SURE_RUNS, runInputOf, lanesOf, monteCarlo, withRuns } from '../schedule/index.ts'
import type { Lanes, RunInput } from '../schedule/index.ts'
import type { Shelf } from '../../shelf/index.ts'
import { remediesFor } from './remedies.ts'
import type { Remedy } from './remedies.ts'
import { riskOf } from './risk.ts'
import type { Risk } from './risk.ts'

/** What many runs say: the biggest risk, and the lanes with the same chances. */
export interface Sure {
  risk: Risk
  lanes: Lanes
}

/** What is worked out behind every edit: what many runs say, and the changes that help most. */
export interface Advice {
  /** Null where nothing can be forecast. */
  sure: Sure | null
  remedies: Remedy[]
}

/** What many runs say of an input, in place of what its lanes say by few. Some hundredths of a second. */
export function surelyOf(plan: Plan, shelf: Shelf, input: RunInput, quick: Lanes): Sure {
  const lanes = withRuns(quick, monteCarlo(input, SURE_RUNS))
  return { risk: riskOf(plan, shelf, lanes), lanes }
}

function sureOfPlan(plan: Plan, shelf: Shelf): Sure | null {
  if (!readPlan(plan).ok || missingOils(plan, shelf).length > 0) return null
  const input = runInputOf(plan, portionsOf(plan, shelf), shelf)
  return surelyOf(plan, shelf, input, lanesOf(input))
}

/** The biggest risk by many runs; null where nothing can be forecast. */
export const sureRisk = (plan: Plan, shelf: Shelf): Risk | null => sureOfPlan(plan, shelf)?.risk ?? null

/** A change that many runs do not bear out by so much is not told. */
const BORNE_OUT = 0.01

/** Remedies with the chances of many runs in place of the quick ones: those that stand beside the risk. */
function remediesBorneOut(plan: Plan, shelf: Shelf, before: number): Remedy[] {
  return remediesFor(plan, shelf).flatMap(remedy => {
    const changed = applyEdit(plan, remedy.edit)
    const after = changed.ok ? (sureRisk(changed.plan, shelf)?.chance ?? 0) : 0
    return after - before >= BORNE_OUT ? [{ ...remedy, before, after }] : []
  })
}

/** What many runs say of a plan, and remedies: for a worker. */
export function adviceFor(plan: Plan, shelf: Shelf): Advice {
  const sure = sureOfPlan(plan, shelf)
  return { sure, remedies: sure ? remediesBorneOut(plan, shelf, sure.risk.chance) : [] }
}
