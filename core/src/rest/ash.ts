import type { Plan } from '../plan/index.ts'
import type { RestResult } from './verdict.ts'

/** How readily the top ashes: 0 to 1, ordinal only, and what makes it so. All of it engineering estimates. */
export interface Ash {
  index: number
  word: 'hardly any' | 'some' | 'likely'
  reasons: string[]
}

/** Air that reaches the top in the first day. */
const AIR = { open: 1, film: 0.3, lid: 0.6 } as const
const WATER = { from: 0.16, span: 0.08 }
const COOL_C = 32
const THIN_STOP = 1.4
const MIST_LEAVES = 0.5
const clamp01 = (x: number) => Math.min(1, Math.max(0, x))

/**
 * Ash is lye at the surface that meets the air before it is bound: more of it with much water, a cool pour, a batter that was
 * hardly emulsified, and a top that does not gel; less under a cover or a mist.
 *
 * @param waterShare of the batter's mass
 * @param topC       warmth of the last pour, °C
 */
export function ashOf(plan: Plan, result: Pick<RestResult, 'topShare'>, waterShare: number, topC: number): Ash {
  const { steps, mist } = plan.rest
  const isHeated = steps.some(step => step.place === 'oven' || step.place === 'mat')
  const cover = steps[0]!.cover
  const reasons: string[] = []
  const wet = clamp01((waterShare - WATER.from) / WATER.span)
  let index = 0.25 + 0.5 * wet
  if (wet > 0.5) reasons.push('much water')
  if (topC < COOL_C) {
    index += 0.15
    reasons.push('a cool pour')
  }
  if (plan.conditions.stopLevel < THIN_STOP) {
    index += 0.15
    reasons.push('blended to no more than an emulsion')
  }
  index *= 1 - 0.7 * result.topShare
  if (result.topShare < 0.1) reasons.push('a top that does not gel')
  index *= AIR[cover]
  if (cover === 'open') reasons.push('nothing over it')
  if (mist && !isHeated) index *= MIST_LEAVES
  index = clamp01(index)
  return { index, word: index < 0.25 ? 'hardly any' : index < 0.55 ? 'some' : 'likely', reasons }
}
