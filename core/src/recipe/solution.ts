/**
 * Properties of NaOH solution: handbook values, good from 20 to 50 % NaOH and 0 to 115 °C. `w` is the mass fraction of NaOH.
 */

/** Through the points, constant beyond both ends. */
export function through(xs: readonly number[], ys: readonly number[], x: number): number {
  if (x <= xs[0]!) return ys[0]!
  for (let i = 1; i < xs.length; i += 1) {
    const right = xs[i]!
    if (x <= right) {
      const left = xs[i - 1]!
      return ys[i - 1]! + ((x - left) / (right - left)) * (ys[i]! - ys[i - 1]!)
    }
  }
  return ys.at(-1)!
}

const W = [0, 0.1, 0.2, 0.3, 0.4, 0.5]
const CP = [4.18, 3.77, 3.6, 3.5, 3.38, 3.23]

/** Specific heat, kJ/(kg·K). */
export const lyeHeatCapacity = (w: number, c: number): number => through(W, CP, w) * (1 + 0.0006 * (c - 20))

/** Density, kg/m³. */
export const lyeDensity = (w: number, c: number): number =>
  1000 * (1 + 1.11 * w - 0.06 * w * w) * (1 - (c - 20) * (3e-4 + 9e-4 * Math.min(w, 0.4)))

/** How readily water leaves it, 1 for pure water. */
export const waterActivity = (w: number): number => Math.max(0.05, 1 - 0.85 * w - 2.2 * w * w)

/** Pressure of water vapour over pure water, kPa. */
export const vapourPressure = (c: number): number => 0.61078 * Math.exp((17.27 * c) / (c + 237.3))

const LN_R = [2.5, 3, 3.5, 4, 4.5, 5, 6, 7, 8, 10, 15, 20, 100, 1000].map(Math.log)
const HEAT = [26.5, 30.5, 33.6, 36.05, 38, 39.35, 41.35, 42.6, 43.4, 44.1, 44.4, 44.45, 44.3, 44.4]

/** Integral heat of solution at 25 °C, kJ given off per mol NaOH, for `r` mol of water per mol NaOH. */
export const heatOfSolution = (r: number): number => through(LN_R, HEAT, Math.log(Math.max(r, 1e-9)))
