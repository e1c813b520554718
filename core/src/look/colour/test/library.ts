import { WHITES, pigmentOf } from '../index.ts'
import type { Pigment } from '../index.ts'

/** Typical colorants with the values that the reference cases were worked out for. */
const plain = (hex: string, doseGPerKg: number, scatter: number): Pigment => pigmentOf({ hex, doseGPerKg, scatter })

const plant = (
  hex: string,
  doseGPerKg: number,
  freshHex: string,
  shiftDays: number,
  fadeShare: number,
  fadeDays: number,
): Pigment => pigmentOf({ hex, doseGPerKg, scatter: 0.004, freshHex, shiftDays, fadeShare, fadeDays })

export const library = {
  ultramarine: plain('#4a62b0', 4, 0.03),
  micaYellow: plain('#f0d050', 4, 0.06),
  micaBlue: plain('#3f74b8', 4, 0.06),
  micaRed: plain('#b5303a', 4, 0.06),
  oxideYellow: plain('#dba94a', 2, 0.1),
  oxideRed: plain('#a8503f', 2, 0.1),
  charcoal: plain('#454444', 3, 0.02),
  turmeric: plant('#e8b04a', 2, '#d4702c', 7, 0.35, 90),
  spirulina: plant('#93a873', 4, '#4f7d5a', 5, 0.45, 60),
  titanium: WHITES.titanium,
}
