import type { Plan } from '../../plan/index.ts'
import type { Portions } from '../../portions/index.ts'
import type { Lanes, PouredAs } from '../../batter/schedule/index.ts'
import type { Shelf } from '../../shelf/index.ts'

/** A plan with how each of its pours is as it ends: what a look at its rest needs. */
export interface PouredInputs {
  plan: Plan
  shelf: Shelf
  portions: Portions
  lanes: { pours: readonly PouredAs[] }
}

export interface RestInputs extends PouredInputs {
  lanes: Lanes
}
