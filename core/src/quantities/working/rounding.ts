/** Guards against 0.1 + 0.2: a value this close to a step counts as on it. */
const SLACK = 1e-6

const clean = (value: number): number => Number(value.toFixed(6))

/** Rounds down to a whole number of scale steps: for lye and capped scents. */
export const roundDown = (g: number, stepG: number): number => clean(Math.floor(g / stepG + SLACK) * stepG)

/** Rounds to the nearest scale step. */
export const roundNearest = (g: number, stepG: number): number => clean(Math.round(g / stepG) * stepG)

/**
 * Rounds parts to the scale so that they add up to `totalG` exactly: the largest part takes the remainder.
 *
 * @param partsG   exact masses, none negative
 * @param totalG   what they must add up to, e.g. the pot
 * @returns masses in the order given; all but the largest are whole steps
 */
export function roundToTotal(partsG: readonly number[], totalG: number, stepG: number): number[] {
  const rounded = partsG.map(g => roundNearest(g, stepG))
  const largest = partsG.reduce((best, g, i) => (g > partsG[best]! ? i : best), 0)
  const others = rounded.reduce((sum, g, i) => (i === largest ? sum : sum + g), 0)
  return rounded.map((g, i) => (i === largest ? clean(totalG - others) : g))
}
