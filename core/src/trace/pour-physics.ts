import { levelOfYield } from './scale.ts'

/**
 * Whether batter poured from a height breaks through what lies beneath: momentum against the bearing strength of a
 * yield-stress fluid. The form is reasoned, the coefficients are estimates.
 */
const LIP_SPEED = 0.2
const GRAVITY = 9.81
const DENSITY = 1000
/** Share of the speed left when the stream runs over a spatula. */
const OVER_SPATULA = 0.35
/** Plastic bearing factor, and the strength over momentum at which a layer carries. */
const BEARING = 5.7
const CARRIES = 1.3

/** Speed in m/s of a stream after `dropMm`. */
export const streamSpeed = (dropMm: number, overSpatula: boolean): number =>
  (overSpatula ? OVER_SPATULA : 1) * Math.sqrt(LIP_SPEED * LIP_SPEED + (2 * GRAVITY * dropMm) / 1000)

/** Standing level that a lower layer needs so that the next does not break through; 5.01 = cannot be reached. */
export function levelThatCarries(dropMm: number, overSpatula: boolean): number {
  const speed = streamSpeed(dropMm, overSpatula)
  return levelOfYield((CARRIES * 0.5 * DENSITY * speed * speed) / BEARING)
}
