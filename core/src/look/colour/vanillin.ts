import { WAVELENGTHS } from './bands.ts'
import type { Spectrum } from './bands.ts'

/** What browns by its scent. Masses in g per kg of batter. */
export interface Browning {
  vanillinGPerKg: number
  stabiliserGPerKg: number
  /** How much more strongly than usual its vanillin acts, how much later, and the odds of being held back: ln of factors; 0 left out. */
  deeper?: number
  later?: number
  held?: number
}

const SHAPE: Spectrum = WAVELENGTHS.map(nm => Math.exp(-(nm - 412.5) / 70))
/** Depth of the colour: set so that 20 g/kg of a 10 % vanillin scent turns brown. Engineering estimate, ±50 %. */
const DEPTH = 4.5
const CLOSED_RATE = 0.3

/** Days that count: air speeds browning more than threefold. */
export const browningDays = (days: number, cutDay: number): number =>
  CLOSED_RATE * Math.min(days, cutDay) + Math.max(0, days - cutDay)

/** The same for a face that has lain open from the start. */
export const openDays = (days: number): number => days

/** Best case: a stabiliser keeps 70 % back in cold process. */
export function stabiliserHolds({ vanillinGPerKg, stabiliserGPerKg, held = 0 }: Browning): number {
  if (!(vanillinGPerKg > 0) || !(stabiliserGPerKg > 0)) return 0
  const usual = 0.7 * (1 - Math.exp(-1.5 * (stabiliserGPerKg / (10 * vanillinGPerKg))))
  const odds = (usual / (1 - usual)) * Math.exp(held)
  return odds / (1 + odds)
}

/**
 * Absorption that vanillin adds, after so many days that count.
 *
 * Order of magnitude: 20 g/kg scent of 0.5 % vanillin ivory, 1 % cream, 2 % beige, 5 % tan, 10 % brown, 20 % chocolate.
 */
export function browningAt(browning: Browning, countedDays: number): Spectrum | null {
  const { vanillinGPerKg, stabiliserGPerKg, deeper = 0, later = 0 } = browning
  if (!(vanillinGPerKg > 0) || !(countedDays > 0)) return null
  const q = stabiliserGPerKg / (10 * vanillinGPerKg)
  const tau = 12 * (1 + 2 * Math.min(1, q))
  const done = 1 - Math.exp(-Math.pow((countedDays * Math.exp(-later)) / tau, 0.8))
  const depth = DEPTH * Math.pow((1 - stabiliserHolds(browning)) * vanillinGPerKg * Math.exp(deeper), 1.5) * done
  return SHAPE.map(shape => depth * shape)
}
