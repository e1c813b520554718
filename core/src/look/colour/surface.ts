import type { Spectrum } from './bands.ts'
import type { Age } from './age.ts'

/** Share of light inside that the surface throws back: 0.35 to 0.50 for an index near 1.47. Engineering estimate. */
const INNER = 0.4

/** Diffuse haze of the face: it grows as soap dries, and is why soap is never blacker than #282828. */
export const haze = ({ days, gel, isPolished = false }: Age): number =>
  (0.02 - 0.014 * Math.exp(-days / 10) - 0.004 * gel * (1 - Math.exp(-days))) * (isPolished ? 0.5 : 1)

/** Reflectance from outside, of absorption to scattering (Kubelka-Munk, with a correction for the surface). */
export function reflectanceOf(k: Spectrum, s: Spectrum, age: Age): number[] {
  const outer = haze(age)
  return k.map((value, i) => {
    const q = value / s[i]!
    const inside = 1 + q - Math.sqrt(q * q + 2 * q)
    return outer + ((1 - outer) * (1 - INNER) * inside) / (1 - INNER * inside)
  })
}

/** K/S of a reflectance: the way back. */
export function ratioOf(reflectance: Spectrum, age: Age): number[] {
  const outer = haze(age)
  return reflectance.map(r => {
    const raw = (r - outer) / ((1 - outer) * (1 - INNER) + INNER * (r - outer))
    const inside = Math.min(0.985, Math.max(0.002, raw))
    return ((1 - inside) * (1 - inside)) / (2 * inside)
  })
}
