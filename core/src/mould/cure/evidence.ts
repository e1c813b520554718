import type { Plan } from '../../plan/index.ts'
import type { CureReadings, Evidence, FactorReading } from '../../shelf/index.ts'
import { cutForecast } from './cut.ts'
import { checkedCure } from './doubts.ts'
import { expectedDrying } from './drying.ts'
import type { Drying } from './drying.ts'
import { CURE_PRIOR } from './weigh-ins.ts'

/** What the weigh-ins of one batch teach of the next: how much bars lose on this rack, and how quickly. */

/** Readings that say next to nothing are not kept, 1/variance. */
const LEAST_PRECISION = 4
/** Of what is not known of a cure, the part that all batches of a workshop share: its rack, its air, its scale. An estimate. */
const SHARED = 0.6

/** What weigh-ins alone say, the prior taken out again; null when that is next to nothing. */
function alone(value: number, variance: number, priorSd: number): FactorReading | null {
  const precision = 1 / variance - 1 / priorSd ** 2
  return precision < LEAST_PRECISION ? null : { value: value / variance / precision, variance: 1 / precision }
}

/** What the weigh-ins of a batch teach; null where they say next to nothing. @param waterShare of the batter's mass */
export function cureEvidence(plan: Plan, waterShare: number): CureReadings | null {
  const { rack, weighIns } = plan.rest
  if (weighIns.length === 0) return null
  const { bars } = cutForecast(plan)
  const expected = expectedDrying(bars, waterShare, rack)
  const { drying, covariance } = checkedCure(expected, bars.massG, weighIns, plan.conditions.scaleStepG).fit
  const loss = alone(Math.log(drying.loss / expected.loss), covariance[1]![1]!, CURE_PRIOR.loss)
  const time = alone(Math.log(drying.tauDays / expected.tauDays), covariance[2]![2]!, CURE_PRIOR.tau)
  return loss || time ? { loss, time } : null
}

/** ln of a factor as it is believed before a batch is weighed: mean and spread. */
export interface Believed {
  mean: number
  sd: number
}

/** What is known of the cure of a workshop's bars, from so many of its batches. */
export interface CureKnown {
  loss: Believed
  time: Believed
  batches: number
}

export const NOTHING_KNOWN: CureKnown = {
  loss: { mean: 0, sd: CURE_PRIOR.loss },
  time: { mean: 0, sd: CURE_PRIOR.tau },
  batches: 0,
}

/**
 * Normal laws: batches share a part of what is not known, and each differs by the rest. Readings of that shared part are weighed by
 * their precision; a further batch keeps the part that is its own.
 */
function believed(readings: readonly FactorReading[], priorSd: number): Believed {
  const [shared, own] = [SHARED * priorSd ** 2, (1 - SHARED) * priorSd ** 2]
  let precision = 1 / shared
  let sum = 0
  for (const { value, variance } of readings) {
    const weight = 1 / (variance + own)
    precision += weight
    sum += weight * value
  }
  return { mean: sum / precision, sd: Math.sqrt(1 / precision + own) }
}

/** What the batches of a workshop, as far as they count, teach of the next one's cure. */
export function cureKnown(evidence: readonly Evidence[]): CureKnown {
  const telling = evidence.filter(one => one.counts && one.cure)
  if (telling.length === 0) return NOTHING_KNOWN
  const of = (key: keyof CureReadings) => telling.flatMap(({ cure }) => (cure?.[key] ? [cure[key]] : []))
  return {
    loss: believed(of('loss'), CURE_PRIOR.loss),
    time: believed(of('time'), CURE_PRIOR.tau),
    batches: telling.length,
  }
}

/** A drying as it is expected with what is known. */
export const knownDrying = ({ loss, tauDays }: Drying, known: CureKnown): Drying => ({
  loss: loss * Math.exp(known.loss.mean),
  tauDays: tauDays * Math.exp(known.time.mean),
})
