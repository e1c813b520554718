import type { Plan } from '../../plan/index.ts'
import type { Portions } from '../../portions/index.ts'
import type { Lanes } from '../../batter/schedule/index.ts'
import type { Shelf } from '../../shelf/index.ts'

export interface RestInputs {
  plan: Plan
  shelf: Shelf
  portions: Portions
  lanes: Lanes
}
