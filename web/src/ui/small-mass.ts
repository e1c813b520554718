import { massNumber } from '@ostler/core'
import type { UnitHabits } from '@ostler/core'

const FINEST_G = 0.01

/** A weighed dose without its unit; one that the scale would round away is shown as finely as it is, never as nothing. */
export function smallMass(weighedG: number, exactG: number, habits: UnitHabits, stepG: number): string {
  if (exactG <= 0) return '–'
  return weighedG > 0 ? massNumber(weighedG, habits, stepG) : massNumber(exactG, habits, FINEST_G)
}
