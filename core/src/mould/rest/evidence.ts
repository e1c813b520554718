import type { RestReadings } from '../../shelf/index.ts'
import type { Plan } from '../../plan/index.ts'
import { missingOils, portionsOf } from '../../portions/index.ts'
import { runInputOf, lanesOf } from '../../batter/schedule/index.ts'
import type { Shelf } from '../../shelf/index.ts'
import { REST_PRIOR } from './prior.ts'
import { restRunInputOf } from './plan-rest.ts'
import { gelSeenReading } from './gel-seen.ts'
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

/** What a batch's own thermometer, or its face at the cut, teaches of its mould and recipe; null without either. Some tenths of a second. */
export function restEvidence(plan: Plan, shelf: Shelf): RestReadings | null {
  const bare = { ...shelf, evidence: [] }
  const { readings, gelSeen } = plan.rest
  if ((readings.length === 0 && gelSeen === '') || missingOils(plan, bare).length > 0) return null
  const portions = portionsOf(plan, bare)
  const lanes = lanesOf(runInputOf(plan, portions, bare))
  const input = restRunInputOf({ plan, shelf: bare, portions, lanes }, 'coarse')
  const of = { wrap: wrapKey(plan), rateOf: rateKey(plan) }
  // A thermometer says all that the face could, and more.
  if (readings.length === 0 && gelSeen !== '') {
    const losses = gelSeenReading(input, gelSeen)
    return losses && { ...of, rate: null, losses }
  }
  const found = refitted(input, readings)
  if (!found) return null
  return {
    ...of,
    rate: alone(found.rate, found.rateSd, REST_PRIOR.rate),
    losses: alone(found.losses, found.lossesSd, REST_PRIOR.losses),
  }
}
