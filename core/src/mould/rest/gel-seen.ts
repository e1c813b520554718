import type { GelSeen } from '../../plan/index.ts'
import type { FactorReading } from '../../shelf/index.ts'
import { REST_PRIOR } from './prior.ts'
import { workedThrough } from './history.ts'
import type { RestRunInput } from './history.ts'
import { withRefit } from './refit.ts'
import { gelledShareOf } from './run.ts'

/** What a cut face that was looked at says of the heat that a mould loses: it gelled through, in the middle, or not at all. */

/** Losses that are tried, sd of what is expected of them. */
const TRIED = [-2.4, -1.6, -0.8, 0, 0.8, 1.6, 2.4]
/** Shares of the soap from which an eye says that it gelled, and that all of it did; and how sharply it does. Estimates. */
const EYE = { some: 0.06, all: 0.92, sd: 0.05 } as const

const above = (share: number, from: number): number => 1 / (1 + Math.exp(-(share - from) / (EYE.sd * 0.55)))

/** Chance that an eye says so of a face of which so much gelled, 0…1. */
function chanceOf(seen: Exclude<GelSeen, ''>, share: number): number {
  const [some, all] = [above(share, EYE.some), above(share, EYE.all)]
  if (seen === 'none') return 1 - some
  return seen === 'full' ? all : some * (1 - all)
}

/**
 * ln of a factor on the losses that were expected, as the face alone says; null where it says next to nothing, since any losses
 * would have given it. Seven coarse rests are worked through: some tenths of a second.
 */
export function gelSeenReading(input: RestRunInput, seen: Exclude<GelSeen, ''>): FactorReading | null {
  const sd = REST_PRIOR.losses
  const points = TRIED.map(z => {
    const history = workedThrough(withRefit({ ...input, frameS: 0 }, { rate: 1, losses: Math.exp(z * sd) }))
    return { value: z * sd, weight: Math.exp((-z * z) / 2) * Math.max(1e-6, chanceOf(seen, gelledShareOf(history))) }
  })
  const whole = points.reduce((sum, one) => sum + one.weight, 0)
  const mean = points.reduce((sum, one) => sum + one.weight * one.value, 0) / whole
  const variance = points.reduce((sum, one) => sum + one.weight * (one.value - mean) ** 2, 0) / whole
  // The same points say this much of the prior's own spread.
  const priorWhole = TRIED.reduce((sum, z) => sum + Math.exp((-z * z) / 2), 0)
  const priorVariance = TRIED.reduce((sum, z) => sum + Math.exp((-z * z) / 2) * (z * sd) ** 2, 0) / priorWhole
  const precision = 1 / Math.max(variance, 1e-4) - 1 / priorVariance
  return precision < 1 ? null : { value: mean / Math.max(variance, 1e-4) / precision, variance: 1 / precision }
}
