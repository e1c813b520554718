import { PIGMENT_PRIOR, STANDARD_BASE, correctedPigment, deltaE, lowerOf, mixed } from '../look/colour/index.ts'
import type { BaseTint, Pigment } from '../look/colour/index.ts'
import { latinNormals } from '../quantities/chance/index.ts'
import { doseCurve } from './curve.ts'
import type { CurveReading } from './curve.ts'

/** How far off a colour is to be expected, and what samples of it would leave of that. */

const DRAWS = 400
const CURED = { days: 42, gel: 0 }

/** Expected ΔE of a dose against its forecast, by draws of what is not known of its pigment. @param lower of its covariance */
function expectedDeltaE(
  pigment: Pigment,
  lower: readonly (readonly number[])[],
  gPerKg: number,
  base: BaseTint,
): number {
  const normals = PIGMENT_PRIOR.map((_, j) => latinNormals(j, DRAWS, 23))
  const { lab } = mixed(base, [{ pigment, gPerKg }], CURED)
  let sum = 0
  for (let n = 0; n < DRAWS; n += 1) {
    const p = lower.map(row => row.reduce((all, x, j) => all + x * normals[j]![n]!, 0))
    sum += deltaE(lab, mixed(base, [{ pigment: correctedPigment(pigment, p), gPerKg }], CURED).lab)
  }
  return sum / DRAWS
}

/** Readings that samples at these doses would bring, as forecast, each with a blank in one photograph. */
function wouldRead(pigment: Pigment, doses: readonly number[], base: BaseTint): CurveReading[] {
  return [0, 0, ...doses].map((gPerKg, i) => ({
    sample: `s${i}`,
    photo: 'one',
    way: 'photo' as const,
    gPerKg,
    whiteGPerKg: 0,
    base,
    age: CURED,
    lab: mixed(base, [{ pigment, gPerKg }], CURED).lab,
  }))
}

export interface ColourWorth {
  before: number
  after: number
}

/**
 * Expected ΔE of a colorant at its dose, now and after so many samples.
 *
 * @param known readings that there are already @param doses of samples that would be made, g per kg
 */
export function colourWorth(
  pigment: Pigment,
  gPerKg: number,
  doses: readonly number[],
  known: readonly CurveReading[] = [],
  base: BaseTint = STANDARD_BASE,
): ColourWorth {
  const lowerFor = (readings: readonly CurveReading[]) =>
    readings.length === 0
      ? PIGMENT_PRIOR.map((sd, i) => PIGMENT_PRIOR.map((_, j) => (i === j ? sd : 0)))
      : (lowerOf(doseCurve(pigment, readings).covariance.map(row => [...row])) ?? [])
  return {
    before: expectedDeltaE(pigment, lowerFor(known), gPerKg, base),
    after: expectedDeltaE(pigment, lowerFor([...known, ...wouldRead(pigment, doses, base)]), gPerKg, base),
  }
}
