import type { RestReadings } from '../../shelf/index.ts'
import type { Plan } from '../../plan/index.ts'
import { missingOils, portionsOf } from '../../portions/index.ts'
import { runInputOf, lanesOf } from '../../batter/schedule/index.ts'
import type { Shelf } from '../../shelf/index.ts'
import { REST_PRIOR } from './constants.ts'
import { restRunInputOf } from './plan-rest.ts'
import { refitted } from './refit.ts'
import { rateKey, wrapKey } from './rest-paces.ts'

/** Readings that say next to nothing are not kept, 1/variance. */
const LEAST_PRECISION = 0.5

/** What readings alone say, the prior taken out again; null when that is next to nothing. */
function alone(factor: number, sd: number, priorSd: number): { value: number; variance: number } | null {
  const precision = 1 / (sd * sd) - 1 / (priorSd * priorSd)
  if (precision < LEAST_PRECISION) return null
  return { value: Math.log(factor) / (sd * sd) / precision, variance: 1 / precision }
}

/** What a batch's own thermometer teaches of its mould and recipe; null without readings. Some tenths of a second. */
export function restEvidence(plan: Plan, shelf: Shelf): RestReadings | null {
  const bare = { ...shelf, evidence: [] }
  if (plan.rest.readings.length === 0 || missingOils(plan, bare).length > 0) return null
  const portions = portionsOf(plan, bare)
  const lanes = lanesOf(runInputOf(plan, portions, bare))
  const found = refitted(restRunInputOf({ plan, shelf: bare, portions, lanes }, 'coarse'), plan.rest.readings)
  if (!found) return null
  return {
    wrap: wrapKey(plan),
    rateOf: rateKey(plan),
    rate: alone(found.rate, found.rateSd, REST_PRIOR.rate),
    losses: alone(found.losses, found.lossesSd, REST_PRIOR.losses),
  }
}
