import { BAND_COUNT, deltaE, labOfHex } from './bands.ts'
import type { Spectrum } from './bands.ts'
import { BROWN, CURED, STANDARD_BASE, baseAt } from './base.ts'
import type { BaseTint } from './base.ts'
import type { Age } from './age.ts'
import { colourOfBands } from './appearance.ts'
import { ratioOf } from './surface.ts'
import { smoothestOfHex } from './smoothest.ts'

/** Absorption and scattering of a colorant, per g in a kg of plain batter. */
export interface Pigment {
  k: Spectrum
  s: Spectrum
  /** What it absorbs while alkali is strong, and how long that lasts. */
  fresh: { k: Spectrum; tauDays: number } | null
  /** Share that light takes (below 0: it darkens), and how fast. */
  fade: { share: number; tauDays: number } | null
  /** How far the model stays from its own swatch: above 2 the swatch is brighter than the base can give. */
  offBy: number
}

/** Whites are known directly: k and s per g/kg. Engineering estimates, factor 2. */
const flat = (first: readonly number[], rest: number): Spectrum =>
  Array.from({ length: BAND_COUNT }, (_, i) => first[i] ?? rest)
const white = (k: Spectrum, s: Spectrum): Pigment => ({ k, s, fresh: null, fade: null, offBy: 0 })
export const WHITES = {
  titanium: white(flat([0.02, 0.0012], 0.0006), flat([0.45], 0.6)),
  zinc: white(flat([0.008, 0.0004], 0.0003), flat([], 0.18)),
  kaolin: white(
    BROWN.map(b => 0.0002 + 0.0012 * b),
    flat([], 0.022),
  ),
  pearl: white(flat([], 0.0004), flat([], 0.12)),
} as const satisfies Record<string, Pigment>
export type White = keyof typeof WHITES

export interface SwatchOf {
  hex: string
  doseGPerKg: number
  /** Scattering of its family, per g/kg. */
  scatter: number
  base?: BaseTint
  age?: Age
}

const MOST_SCATTER = 4
const SCATTER_STEPS = 30
const BETTER = 0.05

function absorption({ hex, doseGPerKg, base = STANDARD_BASE, age = CURED }: SwatchOf, scatter: number): number[] {
  const plain = baseAt(base, age)
  const ratio = ratioOf(smoothestOfHex(hex), age)
  return plain.k.map((k, i) => Math.max(0, (ratio[i]! * (plain.s[i]! + scatter * doseGPerKg) - k) / doseGPerKg))
}

/**
 * k and s of a colorant from one swatch in soap: k is what makes the swatch at its dose; s is its family's, raised up to four
 * times where the swatch is brighter than the base could be.
 */
export function absorptionOfSwatch(swatch: SwatchOf): { k: Spectrum; scatter: number; offBy: number } {
  const { base = STANDARD_BASE, age = CURED, doseGPerKg } = swatch
  const plain = baseAt(base, age)
  const wanted = labOfHex(swatch.hex)
  let best = { k: [] as number[], scatter: swatch.scatter, offBy: Infinity }
  for (let step = 0; step <= SCATTER_STEPS; step += 1) {
    const scatter = swatch.scatter * (1 + ((MOST_SCATTER - 1) * step) / SCATTER_STEPS)
    const k = absorption(swatch, scatter)
    const { lab } = colourOfBands(
      plain.k.map((base, i) => base + k[i]! * doseGPerKg),
      plain.s.map(base => base + scatter * doseGPerKg),
      age,
    )
    const offBy = deltaE(lab, wanted)
    if (offBy < best.offBy - BETTER) best = { k, scatter, offBy }
    if (swatch.scatter === 0) break
  }
  return best
}

/** Dry powder seen by itself: k/s from its colour, no base. Doses from it are good to ±50 %. */
export function absorptionOfPowder(hex: string, scatter: number, isPearly: boolean): Spectrum {
  const ratio = ratioOf(smoothestOfHex(hex), CURED)
  const mean = ratio.reduce((sum, q) => sum + q, 0) / ratio.length
  return ratio.map(q => scatter * (isPearly ? q + 0.15 * (mean - q) : q))
}

/** What is left of a colorant in light, 1 at first; below a tenth of itself it does not go. */
const lightLeft = (fade: NonNullable<Pigment['fade']>, days: number, light: number): number =>
  Math.min(1.5, Math.max(0.05, 1 - fade.share * light * (1 - Math.exp(-days / fade.tauDays))))

/** Absorption at an age: the shift in strong alkali passes (sooner where it gels), light takes its share. */
export function absorptionAt(pigment: Pigment, { days, gel, light = 1 }: Age): Spectrum {
  const { fresh, fade } = pigment
  if (!fresh && !fade) return pigment.k
  const kept = fade ? lightLeft(fade, days, light) / lightLeft(fade, 42, 1) : 1
  const early = fresh ? Math.exp(-days / (fresh.tauDays * (1 - 0.5 * gel))) : 0
  return pigment.k.map((k, i) => k * kept * (1 - early) + (fresh?.k[i] ?? 0) * early)
}

export interface ColorantOf extends SwatchOf {
  /** Colour of the same dose while alkali is strong; with `shiftDays` above 0. */
  freshHex?: string
  shiftDays?: number
  fadeShare?: number
  fadeDays?: number
}

/** A colorant from its swatches in soap. Both are read in the same base and age, so they share one scale. */
export function pigmentOf(of: ColorantOf): Pigment {
  const cured = absorptionOfSwatch(of)
  const fresh =
    of.freshHex && of.shiftDays && of.shiftDays > 0
      ? { k: absorption({ ...of, hex: of.freshHex }, cured.scatter), tauDays: of.shiftDays }
      : null
  return {
    k: cured.k,
    s: new Array<number>(BAND_COUNT).fill(cured.scatter),
    fresh,
    fade: of.fadeShare ? { share: of.fadeShare, tauDays: of.fadeDays ?? 60 } : null,
    offBy: cured.offBy,
  }
}
