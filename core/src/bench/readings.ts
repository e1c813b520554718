import type { Reading } from './state.ts'

/** A reading of lye or oils is taken for what met so long before, s. */
const MET_WITHIN_S = 900

/** The last reading before a second of the run, unless it is too old by then. */
export function lastWithin(readings: readonly Reading[], r: number, within: number = MET_WITHIN_S): number | null {
  const last = readings.findLast(one => one.r <= r)
  return last && r - last.r <= within ? last.value : null
}
