import type { Medium } from '../../shelf/index.ts'

export interface ColorantDose {
  /** Powder, g per g of oils in the portion. */
  powderShareOfOils: number
  /** Medium, g per g of the portion. */
  mediumShareOfPortion: number
  medium: Medium
  lnRatePerPercent: number
  lnViscosityPerPercent: number
}

/** Beyond these the estimates do not hold, so the effect stops growing. */
const POWDER_CAP_PERCENT = 3
const OIL_CAP = 0.08
const WATER_CAP = 0.05

/** A powder's ln(viscosity): what acts at once, dry or in oil, and in water; the rest comes as it swells. Engineering estimates. */
export const AT_ONCE = { dry: 0.25, water: 0.7 } as const
/** A powder that thickens also quickens by so much of it, or it would seem to slow a batter that is blended less for it (fitted). */
export const QUICKENS = 0.6

/** ln(rate) and ln(viscosity) of a powder, part of which swells. */
export function powderEffect(lnRate: number, lnViscosity: number, isWet: boolean): BatterEffect {
  if (lnViscosity <= 0) return { lnRate, lnViscosity, lnSwell: 0 }
  const now = isWet ? AT_ONCE.water : AT_ONCE.dry
  return {
    lnRate: isWet ? lnRate : Math.max(lnRate, QUICKENS * lnViscosity),
    lnViscosity: now * lnViscosity,
    lnSwell: (1 - now) * lnViscosity,
  }
}

/** What something does to a batter: added to ln(rate), to ln(viscosity) at once, and to ln(viscosity) as it swells. */
export interface BatterEffect {
  lnRate: number
  lnViscosity: number
  lnSwell: number
}

export const NO_EFFECT: BatterEffect = { lnRate: 0, lnViscosity: 0, lnSwell: 0 }

/** Effects one beside the other. */
export const allEffects = (effects: readonly BatterEffect[]): BatterEffect =>
  effects.reduce(
    (sum, one) => ({
      lnRate: sum.lnRate + one.lnRate,
      lnViscosity: sum.lnViscosity + one.lnViscosity,
      lnSwell: sum.lnSwell + one.lnSwell,
    }),
    NO_EFFECT,
  )

/**
 * What a dispersed colorant does to a portion. Oil thins, water and glycerine thin
 * less and slow a little. Engineering estimates.
 */
export function colorantEffect(dose: ColorantDose): BatterEffect {
  const percent = Math.min(POWDER_CAP_PERCENT, dose.powderShareOfOils * 100)
  const isWet = dose.medium !== 'oil' && dose.medium !== 'none'
  const powder = powderEffect(percent * dose.lnRatePerPercent, percent * dose.lnViscosityPerPercent, isWet)
  if (dose.medium === 'none') return powder
  if (dose.medium === 'oil') {
    return { ...powder, lnViscosity: powder.lnViscosity - 4 * Math.min(OIL_CAP, dose.mediumShareOfPortion) }
  }
  const water = Math.min(WATER_CAP, dose.mediumShareOfPortion)
  return {
    ...powder,
    lnRate: powder.lnRate - 3 * water,
    lnViscosity: powder.lnViscosity - 2 * water,
  }
}
