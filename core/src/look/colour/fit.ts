import type { Lab, Spectrum } from './bands.ts'
import type { BaseTint } from './base.ts'
import type { Age } from './age.ts'
import { leastSquares } from './least-squares.ts'
import { inverseDiagonal } from './linear-system.ts'
import { mixed } from './mix.ts'
import type { Dose } from './mix.ts'
import type { Pigment } from './pigment.ts'

/** A swatch of one's own: what was in it, how old it was, and the colour measured. */
export interface Observation {
  gPerKg: number
  others: readonly Dose[]
  base: BaseTint
  age: Age
  lab: Lab
}

/** Corrections to a colorant: ln of absorption in blue, green and red, and ln of scattering. */
export interface Fit {
  blue: number
  green: number
  red: number
  scatter: number
  /** Standard deviations of the four, after the swatches. */
  sd: readonly [number, number, number, number]
  pigment: Pigment
}

const BLUE: Spectrum = [1, 1, 0.75, 0.5, 0.25, 0, 0, 0, 0, 0, 0, 0]
const GREEN: Spectrum = [0, 0, 0.25, 0.5, 0.75, 1, 0.75, 0.5, 0.25, 0, 0, 0]
const RED: Spectrum = [0, 0, 0, 0, 0, 0, 0.25, 0.5, 0.75, 1, 1, 1]

/** What a photograph is off by, Lab units; and how far a colorant may lie from its start, as sd of ln. Estimates. */
const NOISE = 2
export const PIGMENT_PRIOR = [0.7, 0.7, 0.7, 0.5]
/** A plant colour is fitted in its settled state only. */
export const SETTLED_DAYS = 28

type Four = readonly number[]

/** A colorant with ln of its absorption in blue, green and red, and of its scattering, moved by so much. */
export function correctedPigment(pigment: Pigment, p: Four): Pigment {
  const [blue = 0, green = 0, red = 0, scatter = 0] = p
  const factor = BLUE.map((phi, i) => Math.exp(blue * phi + green * GREEN[i]! + red * RED[i]!))
  return {
    ...pigment,
    k: pigment.k.map((k, i) => Math.max(k, 1e-5) * factor[i]!),
    s: pigment.s.map(s => s * Math.exp(scatter)),
    fresh: pigment.fresh && { ...pigment.fresh, k: pigment.fresh.k.map((k, i) => k * factor[i]!) },
  }
}

/** Misses of all swatches and of the prior, each in standard deviations. */
function misses(pigment: Pigment, seen: readonly Observation[], p: Four): number[] {
  const now = correctedPigment(pigment, p)
  const rows = seen.flatMap(one => {
    const { lab } = mixed(one.base, [{ pigment: now, gPerKg: one.gPerKg }, ...one.others], one.age)
    return [(lab.l - one.lab.l) / NOISE, (lab.a - one.lab.a) / NOISE, (lab.b - one.lab.b) / NOISE]
  })
  return [...rows, ...p.map((value, j) => value / PIGMENT_PRIOR[j]!)]
}

/**
 * Fits a colorant to swatches of one's own, always from its original values, by damped Gauss-Newton. A dose series in one base
 * leaves scattering almost unknown: a swatch with titanium dioxide, or a very strong one, tells it.
 */
export function fitPigment(pigment: Pigment, seen: readonly Observation[]): Fit {
  const { p, matrix } = leastSquares(values => misses(pigment, seen, values), [0, 0, 0, 0])
  const variance = inverseDiagonal(matrix) ?? PIGMENT_PRIOR.map(sd => sd * sd)
  const sd = variance.map(Math.sqrt) as unknown as Fit['sd']
  return { blue: p[0]!, green: p[1]!, red: p[2]!, scatter: p[3]!, sd, pigment: correctedPigment(pigment, p) }
}
