/** What the workshop owns, as the calculations need it. Every value is a starting value: a supplier's document wins. */

/** Mass fractions of the five fatty-acid groups that set the pace of a batter; they need not sum to 1. */
export interface FattyGroups {
  /** C8–C14 saturated: caprylic, capric, lauric, myristic. */
  shortSaturated: number
  /** Palmitic and stearic. */
  longSaturated: number
  /** Oleic and other mono-unsaturated. */
  oleic: number
  ricinoleic: number
  /** Linoleic and linolenic. */
  polyunsaturated: number
}

/** Fractions of a fat that crystallise as each of five model components; the rest stays liquid. */
export interface SolidFatParts {
  triSaturated: number
  sus: number
  lauricHigh: number
  lauricLow: number
  wax: number
}

export interface Oil {
  id: string
  name: string
  /** Saponification value, mg KOH per g of oil, with the usual low and high. */
  sapKohMgPerG: number
  sapKohLowMgPerG: number
  sapKohHighMgPerG: number
  fatty: FattyGroups
  /** Free fatty acid, mass fraction: soap at first contact. */
  freeAcidShare: number
  /** Extra quickness, natural log of the rate, for minor components. */
  quickness: number
  solid: SolidFatParts
}

export type AccelerationClass = 'slows' | 'none' | 'mild' | 'moderate' | 'strong' | 'seizes'

export interface Scent {
  id: string
  name: string
  acceleration: AccelerationClass
  /** Batches of this workshop behind the class; 0 = supplier's word only. */
  ownRuns: number
  /** Stand-in for the supplier's limit, share of the oils. */
  limitShareOfOils: number
  usualShareOfOils: number
  ricing: 'none' | 'low' | 'medium' | 'high'
  note: string
}

export type Medium = 'oil' | 'water' | 'glycerin' | 'alcohol' | 'none'

export interface Colorant {
  id: string
  name: string
  /** Impression of the colour at the reference dose in a white base, sRGB. */
  hex: string
  referenceDoseGPerKg: number
  usualMaxGPerKg: number
  medium: Medium
  /** Grams of medium to one gram of powder. */
  mediumRatio: number
  /** Added to ln(rate) and ln(viscosity) for each 1 % of the oil mass. */
  lnRatePerPercent: number
  lnViscosityPerPercent: number
  /** Wear a dust mask while it is dry. */
  dusty: boolean
}

export interface MouldShape {
  id: string
  name: string
  innerLengthMm: number
  innerWidthMm: number
  innerHeightMm: number
}

export interface Shelf {
  oils: readonly Oil[]
  scents: readonly Scent[]
  colorants: readonly Colorant[]
  moulds: readonly MouldShape[]
}

export type ShelfKind = keyof Shelf

export const findById = <T extends { id: string }>(items: readonly T[], id: string): T | undefined =>
  items.find(item => item.id === id)
