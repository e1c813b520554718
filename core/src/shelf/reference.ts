import { REFERENCE_OILS } from './oils.ts'
import type { Colorant, Medium, MouldShape, Scent, Shelf } from './types.ts'

/** Invented scents of a made-up workshop. All their numbers are illustrative. */
const SCENTS: readonly Scent[] = [
  {
    id: 'tin-roof-rain',
    name: 'Tin Roof Rain',
    acceleration: 'none',
    ownRuns: 4,
    limitShareOfOils: 0.04,
    usualShareOfOils: 0.025,
    ricing: 'none',
    note: 'Behaves. Fades a little in the cure.',
  },
  {
    id: 'quiet-linen',
    name: 'Quiet Linen',
    acceleration: 'none',
    ownRuns: 2,
    limitShareOfOils: 0.05,
    usualShareOfOils: 0.03,
    ricing: 'none',
    note: 'Gives plenty of time.',
  },
  {
    id: 'moss-cathedral',
    name: 'Moss Cathedral',
    acceleration: 'mild',
    ownRuns: 3,
    limitShareOfOils: 0.04,
    usualShareOfOils: 0.025,
    ricing: 'none',
    note: 'A little quicker than unscented.',
  },
  {
    id: 'saltmarsh-glass',
    name: 'Saltmarsh Glass',
    acceleration: 'mild',
    ownRuns: 0,
    limitShareOfOils: 0.05,
    usualShareOfOils: 0.03,
    ricing: 'low',
    note: 'Untested here; the supplier says it behaves.',
  },
  {
    id: 'violet-tinplate',
    name: 'Violet Tinplate',
    acceleration: 'moderate',
    ownRuns: 1,
    limitShareOfOils: 0.04,
    usualShareOfOils: 0.025,
    ricing: 'low',
    note: 'Keep the design simple or the batter cool.',
  },
  {
    id: 'attic-rosebox',
    name: 'Attic Rosebox',
    acceleration: 'strong',
    ownRuns: 1,
    limitShareOfOils: 0.04,
    usualShareOfOils: 0.025,
    ricing: 'medium',
    note: 'Thickens within minutes and sets when it stands still.',
  },
  {
    id: 'lily-of-nowhere',
    name: 'Lily of Nowhere',
    acceleration: 'seizes',
    ownRuns: 0,
    limitShareOfOils: 0.03,
    usualShareOfOils: 0.015,
    ricing: 'medium',
    note: 'Known to seize. Plain single-colour soap only.',
  },
]

type ColorantRow = [
  id: string,
  name: string,
  hex: string,
  dose: number,
  max: number,
  medium: Medium,
  ratio: number,
  lnRate: number,
  lnViscosity: number,
]

/**
 * Pace effects are engineering estimates per 1 % of oil mass: titanium dioxide in water +0.05 and +0.06, clay +0.03 and
 * +0.12, charcoal +0.06 on viscosity; micas and oxides only through their medium.
 */
const COLORANTS: readonly ColorantRow[] = [
  ['titanium-white', 'Titanium dioxide, water-dispersible', '#f7f5ef', 4, 8, 'water', 2, 0.05, 0.06],
  ['charcoal', 'Activated charcoal', '#3f4042', 5, 12, 'oil', 3, 0, 0.06],
  ['red-oxide', 'Red iron oxide', '#a6432f', 3, 6, 'oil', 2, 0, 0],
  ['yellow-oxide', 'Yellow iron oxide', '#cf9b3a', 3, 6, 'oil', 3, 0, 0],
  ['brown-oxide', 'Brown iron oxide', '#7a4a33', 3, 6, 'oil', 2, 0, 0],
  ['chrome-green', 'Chromium oxide green', '#6f8b5c', 4, 8, 'oil', 2, 0, 0],
  ['hydrated-green', 'Hydrated chromium green', '#3e8f82', 4, 8, 'oil', 2.5, 0, 0],
  ['ultramarine-blue', 'Ultramarine blue', '#5b74be', 4, 8, 'oil', 2, 0, 0],
  ['ultramarine-violet', 'Ultramarine violet', '#8d7db5', 5, 10, 'oil', 2, 0, 0],
  ['rose-clay', 'Rose clay', '#d5a69a', 12, 25, 'water', 2, 0.03, 0.12],
  ['yellow-clay', 'Yellow clay', '#d9bc82', 12, 25, 'water', 2, 0.03, 0.12],
  ['mica-teal', 'Mica, teal', '#3c9a9e', 5, 10, 'oil', 2, 0, 0],
  ['mica-deep-blue', 'Mica, deep blue', '#3a5fa6', 5, 10, 'oil', 2, 0, 0],
  ['mica-copper', 'Mica, copper', '#b0663f', 5, 10, 'oil', 2, 0, 0],
  ['mica-rose', 'Mica, rose', '#b9445a', 5, 10, 'oil', 2, 0, 0],
]

const asColorant = (row: ColorantRow): Colorant => ({
  id: row[0],
  name: row[1],
  hex: row[2],
  referenceDoseGPerKg: row[3],
  usualMaxGPerKg: row[4],
  medium: row[5],
  mediumRatio: row[6],
  lnRatePerPercent: row[7],
  lnViscosityPerPercent: row[8],
  dusty: true,
})

const MOULDS: readonly MouldShape[] = [
  { id: 'loaf-tester', name: 'Small test loaf', innerLengthMm: 110, innerWidthMm: 60, innerHeightMm: 65 },
  { id: 'loaf-1kg', name: 'Silicone loaf, about 1 kg', innerLengthMm: 230, innerWidthMm: 75, innerHeightMm: 70 },
  { id: 'loaf-1500', name: 'Wooden loaf, about 1.5 kg', innerLengthMm: 300, innerWidthMm: 75, innerHeightMm: 75 },
  { id: 'loaf-tall', name: 'Tall narrow loaf', innerLengthMm: 250, innerWidthMm: 60, innerHeightMm: 100 },
  { id: 'loaf-3kg', name: 'Wooden loaf, about 3 kg', innerLengthMm: 400, innerWidthMm: 90, innerHeightMm: 90 },
]

/** What a new workshop starts with. */
export const REFERENCE_SHELF: Shelf = {
  oils: REFERENCE_OILS,
  scents: SCENTS,
  colorants: COLORANTS.map(asColorant),
  moulds: MOULDS,
}
