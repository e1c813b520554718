/**
 * Saponification of soap that stands: in the mould, and in a cup that has set. One law and one set of constants for both, so
 * that no heat is made twice at the seam. H handbook, F fitted to what makers report, E engineering estimate.
 */

const GAS_CONSTANT = 8.314
const ZERO_C = 273.15
/** Rate of a nominal batter at 60 °C, 1/s, and activation energy, J/mol (F). */
const RATE_60C = 7.92 / 3600
const ACTIVATION = 57_000
const T_60C = 60 + ZERO_C
/** The rate at which stuff has to reach each other: nothing goes quicker, 1/s (F, E). */
export const REACH_RATE = 30 / 3600
/** Start of the self-hastening reaction (F). */
export const SEED = 0.06

/** Rate of a nominal batter at `c` °C, 1/s, before the limit of reach; soap that is frozen hardly reacts (E). */
export function standingRate(c: number): number {
  const freezing = 1 + Math.exp(-(c - 2) / 4)
  return (RATE_60C * Math.exp((-ACTIVATION / GAS_CONSTANT) * (1 / (c + ZERO_C) - 1 / T_60C))) / freezing
}

/** A rate as the limit of reach leaves it, 1/s. */
export const withinReach = (rate: number): number => rate / (1 + rate / REACH_RATE)

/** What a batter is made of; fatty acids as shares of the oils. */
export interface Quick {
  short: number
  long: number
  poly: number
  ricinoleic: number
  lyeConcentration: number
  /** Reducing sugar, kg per kg of oils. */
  sugar: number
}

/** Lauric share at which a batter is ordinary, and how its effect levels off above (F: one kind of observation). */
const LAURIC = { usual: 0.24, slope: 1.5, most: 1.25, over: 0.12 } as const

/** ln of what lauric acids do to the rate. */
export function lauricEffect(short: number): number {
  const more = short - LAURIC.usual
  return more <= 0 ? LAURIC.slope * more : LAURIC.most * (1 - Math.exp(-more / LAURIC.over))
}

/** How much quicker than a nominal batter it reacts by what it is made of, scent and emulsion apart (E). */
export const quicknessOf = ({ short, long, poly, ricinoleic, lyeConcentration, sugar }: Quick): number =>
  Math.exp(lauricEffect(short) + 0.3 * (long - 0.25) - 0.3 * (poly - 0.1) + ricinoleic) *
  Math.sqrt(lyeConcentration / 0.32) *
  (1 + 8 * sugar)

/** A scent quickens the bulk less than it thickens (E). */
export const accelerationOf = (lnRate: number): number => Math.exp(0.7 * Math.min(2, Math.max(-0.5, lnRate)))

/** A coarse emulsion reacts more slowly: 0.4 to 1 (E). */
export function emulsionEffect(emulsion: number): number {
  const fine = Math.min(1, emulsion / 0.9)
  return 0.4 + 0.6 * fine * fine
}

/** Most that may have reacted as it is poured. */
const MOST_POURED = 0.9
/** What the law of stirred batter leaves out of the first minutes, and where it has faded (E). */
const FIRST = { share: 0.03, fades: 0.05 } as const

/** Conversion with which soap goes on in the mould, from that of the batter, 0…1: never less. */
export const convertedInMould = (converted: number): number =>
  Math.min(MOST_POURED, converted + FIRST.share * Math.exp(-converted / FIRST.fades))

/** Conversion per second of soap that stands, with what it is made of as one factor on the rate. */
export function standingPace(converted: number, c: number, quickness: number, superfatShare: number): number {
  const rate = withinReach(quickness * standingRate(c))
  return rate * (SEED + converted) * (1 - converted) * (1 - (1 - superfatShare) * converted)
}
