import type { Color } from 'culori'
import { differenceCiede2000, modeLab65, modeRgb, parse, useMode } from 'culori/fn'

/** Twelve bands of 25 nm, centres 412.5 to 687.5 nm. A spectrum is one number for each. */
export type Spectrum = readonly number[]
export const BAND_COUNT = 12
export const WAVELENGTHS: Spectrum = Array.from({ length: BAND_COUNT }, (_, i) => 412.5 + 25 * i)

useMode(modeRgb)
useMode(modeLab65)

/**
 * Reflectance to linear sRGB: CIE 1931 2° observer × D65, summed over each band, through the matrix of IEC 61966-2-1; each row
 * scaled to sum to 1, so that a flat spectrum is grey.
 */
const TO_RED = [
  0.014095, 0.04693, -0.008291, -0.110237, -0.207243, -0.143341, 0.130895, 0.429663, 0.491764, 0.26091, 0.079448,
  0.015407,
]
const TO_GREEN = [
  -0.012533, -0.047156, -0.015024, 0.090598, 0.256761, 0.365778, 0.28479, 0.112795, -0.005326, -0.020985, -0.008052,
  -0.001646,
]
const TO_BLUE = [
  0.091116, 0.404555, 0.444312, 0.157208, 0.011476, -0.035701, -0.037606, -0.022714, -0.009274, -0.002663, -0.000603,
  -0.000106,
]
export const TO_SCREEN: readonly Spectrum[] = [TO_RED, TO_GREEN, TO_BLUE]

/** Linear sRGB, 0 to 1 on the screen; colours outside the screen's reach lie beyond. */
export type Linear = readonly [number, number, number]

export interface Lab {
  l: number
  a: number
  b: number
}

export function linearOf(reflectance: Spectrum): Linear {
  let r = 0
  let g = 0
  let b = 0
  for (let i = 0; i < BAND_COUNT; i += 1) {
    const value = reflectance[i]!
    r += TO_RED[i]! * value
    g += TO_GREEN[i]! * value
    b += TO_BLUE[i]! * value
  }
  return [r, g, b]
}

const toCurve = (x: number): number => (x <= 0.0031308 ? 12.92 * x : 1.055 * Math.pow(x, 1 / 2.4) - 0.055)
const fromCurve = (x: number): number => (x <= 0.04045 ? x / 12.92 : Math.pow((x + 0.055) / 1.055, 2.4))
const clipped = (x: number): number => Math.min(1, Math.max(0, x))

const byte = (x: number): string =>
  Math.round(toCurve(clipped(x)) * 255)
    .toString(16)
    .padStart(2, '0')

/** "#4a62b0" of a linear colour, clipped to what a screen shows. */
export const hexOfLinear = ([r, g, b]: Linear): string => `#${byte(r)}${byte(g)}${byte(b)}`

/** A channel was clipped by more than a hundredth: the screen cannot show this colour. */
export const isOffScreen = (linear: Linear): boolean => linear.some(x => x < -0.01 || x > 1.01)

/** Linear colour of "#4a62b0". @throws when the text is no colour */
export function linearOfHex(hex: string): Linear {
  const colour = parse(hex)
  if (!colour || colour.mode !== 'rgb') throw new Error(`“${hex}” is no colour`)
  return [fromCurve(colour.r), fromCurve(colour.g), fromCurve(colour.b)]
}

/** White of D65 (x 0.3127, y 0.3290), Y = 1. */
const WHITE_X = 0.3127 / 0.329
const WHITE_Z = (1 - 0.3127 - 0.329) / 0.329
const cubeRoot = (t: number): number => (t > 216 / 24389 ? Math.cbrt(t) : (t * 24389) / 27 / 116 + 16 / 116)

/** CIELAB (D65) of linear sRGB, unclipped. */
export function labOfLinear([r, g, b]: Linear): Lab {
  const x = cubeRoot((0.4123907993 * r + 0.3575843394 * g + 0.1804807884 * b) / WHITE_X)
  const y = cubeRoot(0.2126390059 * r + 0.7151686788 * g + 0.0721923154 * b)
  const z = cubeRoot((0.0193308187 * r + 0.1191947798 * g + 0.9505321522 * b) / WHITE_Z)
  return { l: 116 * y - 16, a: 500 * (x - y), b: 200 * (y - z) }
}

/** Linear sRGB of CIELAB (D65). */
export function linearOfLab({ l, a, b }: Lab): Linear {
  const fy = (l + 16) / 116
  const cube = (f: number) => (f > 6 / 29 ? f * f * f : (116 * f - 16) * (27 / 24389))
  const x = cube(fy + a / 500) * WHITE_X
  const y = cube(fy)
  const z = cube(fy - b / 200) * WHITE_Z
  return [
    3.2409699419 * x - 1.5373831776 * y - 0.4986107603 * z,
    -0.9692436363 * x + 1.8759675015 * y + 0.0415550574 * z,
    0.0556300797 * x - 0.2039769589 * y + 1.0569715142 * z,
  ]
}

export const labOfHex = (hex: string): Lab => labOfLinear(linearOfHex(hex))

const ciede2000 = differenceCiede2000()
const asColour = ({ l, a, b }: Lab): Color => ({ mode: 'lab65', l, a, b })

/** How different two colours look: CIEDE2000. Under 1 nobody sees it; 2.5 is a small step; 5 is plain. */
export const deltaE = (one: Lab, other: Lab): number => ciede2000(asColour(one), asColour(other))
