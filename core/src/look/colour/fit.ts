import type { Lab, Spectrum } from './bands.ts'
import type { BaseTint } from './base.ts'
import type { Age } from './age.ts'
import { inverseDiagonal, solveSymmetric } from './linear-system.ts'
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
const PRIOR = [0.7, 0.7, 0.7, 0.5]
/** A plant colour is fitted in its settled state only. */
export const SETTLED_DAYS = 28

type Four = readonly number[]

function corrected(pigment: Pigment, p: Four): Pigment {
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
  const now = corrected(pigment, p)
  const rows = seen.flatMap(one => {
    const { lab } = mixed(one.base, [{ pigment: now, gPerKg: one.gPerKg }, ...one.others], one.age)
    return [(lab.l - one.lab.l) / NOISE, (lab.a - one.lab.a) / NOISE, (lab.b - one.lab.b) / NOISE]
  })
  return [...rows, ...p.map((value, j) => value / PRIOR[j]!)]
}

const squares = (rows: readonly number[]): number => rows.reduce((sum, row) => sum + row * row, 0)

function normal(pigment: Pigment, seen: readonly Observation[], p: Four) {
  const rows = misses(pigment, seen, p)
  const step = 1e-4
  const columns = p.map((_, j) => {
    const up = misses(
      pigment,
      seen,
      p.map((value, i) => (i === j ? value + step : value)),
    )
    return up.map((value, n) => (value - rows[n]!) / step)
  })
  const matrix = columns.map(a => columns.map(b => a.reduce((sum, x, n) => sum + x * b[n]!, 0)))
  const gradient = columns.map(column => column.reduce((sum, x, n) => sum + x * rows[n]!, 0))
  return { matrix, gradient }
}

/**
 * Fits a colorant to swatches of one's own, always from its original values, by damped Gauss-Newton. A dose series in one base
 * leaves scattering almost unknown: a swatch with titanium dioxide, or a very strong one, tells it.
 */
export function fitPigment(pigment: Pigment, seen: readonly Observation[]): Fit {
  let p = [0, 0, 0, 0]
  let damping = 1e-3
  let cost = squares(misses(pigment, seen, p))
  for (let step = 0; step < 60; step += 1) {
    const { matrix, gradient } = normal(pigment, seen, p)
    const damped = matrix.map((row, i) => row.map((x, j) => (i === j ? x * (1 + damping) : x)))
    const move = solveSymmetric(
      damped,
      gradient.map(g => -g),
    )
    if (!move) break
    const next = p.map((value, j) => value + move[j]!)
    const nextCost = squares(misses(pigment, seen, next))
    if (nextCost < cost) {
      p = next
      cost = nextCost
      damping *= 0.3
      if (Math.max(...move.map(Math.abs)) < 1e-7) break
    } else {
      damping *= 5
      if (damping > 1e8) break
    }
  }
  const { matrix } = normal(pigment, seen, p)
  const variance = inverseDiagonal(matrix) ?? PRIOR.map(sd => sd * sd)
  const sd = variance.map(Math.sqrt) as unknown as Fit['sd']
  return { blue: p[0]!, green: p[1]!, red: p[2]!, scatter: p[3]!, sd, pigment: corrected(pigment, p) }
}
