import { BAND_COUNT, TO_SCREEN, linearOfHex } from './bands.ts'
import type { Linear, Spectrum } from './bands.ts'
import { solveSymmetric } from './linear-system.ts'

const LOW = 0.004
const HIGH = 0.97
const PENALTIES = [1e2, 1e4, 1e6, 1e8]
const MOST_STEPS = 60
const LONGEST_MOVE = 3

const reflectanceOf = (z: readonly number[]): number[] => z.map(x => 1 / (1 + Math.exp(-x)))

function misses(reflectance: readonly number[], wanted: Linear): number[] {
  return TO_SCREEN.map((row, c) => row.reduce((sum, t, i) => sum + t * reflectance[i]!, 0) - wanted[c]!)
}

function costOf(z: readonly number[], wanted: Linear, penalty: number): number {
  let rough = 0
  for (let i = 0; i + 1 < BAND_COUNT; i += 1) rough += (z[i + 1]! - z[i]!) ** 2
  return rough + penalty * misses(reflectanceOf(z), wanted).reduce((sum, miss) => sum + miss * miss, 0)
}

/** Gauss-Newton matrix and gradient of the cost. */
function slopes(z: readonly number[], wanted: Linear, penalty: number) {
  const reflectance = reflectanceOf(z)
  const miss = misses(reflectance, wanted)
  const jacobian = TO_SCREEN.map(row => row.map((t, i) => t * reflectance[i]! * (1 - reflectance[i]!)))
  const matrix = Array.from({ length: BAND_COUNT }, (_, i) =>
    Array.from({ length: BAND_COUNT }, (_, j) => {
      const chain = i === j ? (i === 0 || i === BAND_COUNT - 1 ? 1 : 2) : Math.abs(i - j) === 1 ? -1 : 0
      return chain + penalty * jacobian.reduce((sum, row) => sum + row[i]! * row[j]!, 0)
    }),
  )
  const gradient = Array.from({ length: BAND_COUNT }, (_, i) => {
    const left = i > 0 ? z[i]! - z[i - 1]! : 0
    const right = i < BAND_COUNT - 1 ? z[i]! - z[i + 1]! : 0
    return left + right + penalty * jacobian.reduce((sum, row, c) => sum + row[i]! * miss[c]!, 0)
  })
  return { matrix, gradient }
}

/**
 * The smoothest reflectance, 0 to 1 in twelve bands, that shows a colour: it minimises the squared steps of logit(R) with
 * T R = colour, by a rising penalty and Levenberg-Marquardt. Channels are held to 0.004..0.97 first.
 */
export function smoothest(linear: Linear): Spectrum {
  const wanted = linear.map(x => Math.min(HIGH, Math.max(LOW, x))) as unknown as Linear
  const mean = (wanted[0] + wanted[1] + wanted[2]) / 3
  let z: number[] = new Array<number>(BAND_COUNT).fill(Math.log(mean / (1 - mean)))
  for (const penalty of PENALTIES) {
    let damping = 1e-3
    let cost = costOf(z, wanted, penalty)
    for (let step = 0; step < MOST_STEPS; step += 1) {
      const { matrix, gradient } = slopes(z, wanted, penalty)
      matrix.forEach((row, i) => (row[i]! += damping))
      const move = solveSymmetric(
        matrix,
        gradient.map(g => -g),
      )
      if (!move) {
        damping *= 5
        continue
      }
      const held = move.map(d => Math.min(LONGEST_MOVE, Math.max(-LONGEST_MOVE, d)))
      const next = z.map((x, i) => x + held[i]!)
      const nextCost = costOf(next, wanted, penalty)
      if (nextCost < cost) {
        z = next
        cost = nextCost
        damping *= 0.3
      } else damping *= 5
      if (Math.max(...held.map(Math.abs)) < 1e-7) break
    }
  }
  return reflectanceOf(z)
}

/** Colours come from a few swatches again and again. */
const KNOWN = new Map<string, Spectrum>()
const MOST_KNOWN = 2000

export function smoothestOfHex(hex: string): Spectrum {
  const known = KNOWN.get(hex)
  if (known) return known
  if (KNOWN.size >= MOST_KNOWN) KNOWN.clear()
  const found = smoothest(linearOfHex(hex))
  KNOWN.set(hex, found)
  return found
}
