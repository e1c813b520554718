import type { Plan } from '../plan/index.ts'
import { unitBatter } from '../recipe/index.ts'
import type { Shelf } from '../shelf/index.ts'
import type { Portions } from './portions.ts'

/**
 * Plain water to weigh as ice, g. The plan says how much of the liquid is frozen when the lye goes in; milk and juice used
 * as slush count first.
 */
export function plainIceG(plan: Plan, shelf: Shelf, portions: Portions): number {
  const unit = unitBatter(plan.recipe, shelf)
  const wantedG = plan.heat.iceShare * unit.waterForLyeG * portions.oilG
  const slushG = unit.liquids.reduce(
    (sum, { part, liquid, waterG }) => (part.moment === 'lye' && liquid.useFrozen ? sum + waterG * portions.oilG : sum),
    0,
  )
  return Math.min(portions.waterG, Math.max(0, wantedG - slushG))
}
