import type { Age } from './age.ts'
import { WAVELENGTHS } from './bands.ts'
import type { Spectrum } from './bands.ts'
import { ratioOf } from './surface.ts'
import { smoothestOfHex } from './smoothest.ts'

/**
 * What tints plain soap: carotenoids and chlorophyll bleach, browns stay; scattering makes it pale. Dimensionless, in units of
 * the scattering of the standard white base at 550 nm, ungelled, at 42 days. Engineering estimates, ±40 %.
 */
export interface BaseTint {
  carotene: number
  chlorophyll: number
  brown: number
  /** Brown that grows with gel: milk (once more when gelled) and sugar (twice more). */
  milkBrown: number
  sugarBrown: number
  scatter: number
  /** A photographed plain bar that stands for the calculated tint. */
  swatch: { hex: string; days: number; gel: number } | null
}

/** The standard white base: what library swatches lie in. */
export const STANDARD_BASE: BaseTint = {
  carotene: 0.02,
  chlorophyll: 0,
  brown: 0.001,
  milkBrown: 0,
  sugarBrown: 0,
  scatter: 1,
  swatch: null,
}

export const CURED: Age = { days: 42, gel: 0 }

const CAROTENE: Spectrum = [0.75, 1, 0.95, 0.75, 0.3, 0.07, 0.015, 0, 0, 0, 0, 0]
const CHLOROPHYLL: Spectrum = [1, 0.8, 0.35, 0.08, 0.08, 0.07, 0.05, 0.08, 0.12, 0.15, 0.45, 0.2]
/** Brown absorbs ever less towards red. */
export const BROWN: Spectrum = WAVELENGTHS.map(nm => Math.exp(-(nm - 412.5) / 75))
const SCATTER: Spectrum = WAVELENGTHS.map(nm => Math.sqrt(550 / nm))
const RESIDUE = 0.0035

const left = (loss: number, days: number, tauDays: number, light: number): number =>
  1 - Math.min(0.95, loss * light * (1 - Math.exp(-days / tauDays)))

const carotene = (days: number, light = 1): number => left(0.45, days, 20, light)
const chlorophyll = (days: number, light = 1): number => left(0.5, days, 14, light)
const CAROTENE_CURED = carotene(42)
const CHLOROPHYLL_CURED = chlorophyll(42)

/** Soap grows opaque as it sets and dries paler; gelled it stays more translucent, so colours look deeper. */
export function opacity({ days, gel }: Age): number {
  const set = Math.exp(-days / 0.7)
  const dry = Math.exp(-days / 14)
  return (1 - gel) * (1 - 0.28 * set - 0.1 * dry) + gel * (0.62 - 0.1 * dry + 0.1 * set)
}

/** Absorption and scattering of plain soap at an age. */
export interface BaseAt {
  k: Spectrum
  s: Spectrum
}

function tinted(base: BaseTint, age: Age): BaseAt {
  const { days, gel, light = 1 } = age
  const c = (base.carotene * carotene(days, light)) / CAROTENE_CURED
  const h = (base.chlorophyll * chlorophyll(days, light)) / CHLOROPHYLL_CURED
  const b =
    base.brown + base.milkBrown * (1 + gel) + base.sugarBrown * (1 + 2 * gel) + 0.006 * gel * (1 - Math.exp(-2 * days))
  const scatter = base.scatter * opacity(age)
  return {
    k: WAVELENGTHS.map((_, i) => RESIDUE + c * CAROTENE[i]! + h * CHLOROPHYLL[i]! + b * BROWN[i]!),
    s: SCATTER.map(s => scatter * s),
  }
}

/** K and S of plain soap; a photographed swatch moves K by what it differs from the calculation at its own age. */
export function baseAt(base: BaseTint, age: Age): BaseAt {
  const now = tinted(base, age)
  if (!base.swatch) return now
  const then: Age = { days: base.swatch.days, gel: base.swatch.gel }
  const calculated = tinted(base, then)
  const ratio = ratioOf(smoothestOfHex(base.swatch.hex), then)
  return { k: now.k.map((k, i) => Math.max(0, k + ratio[i]! * calculated.s[i]! - calculated.k[i]!)), s: now.s }
}
