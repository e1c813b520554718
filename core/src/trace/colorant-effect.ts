import type { Medium } from '../shelf/index.ts'

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

/**
 * What a dispersed colorant does to a portion: added to ln(rate) and ln(viscosity). Oil thins, water and glycerine thin
 * less and slow a little. Engineering estimates.
 */
export function colorantEffect(dose: ColorantDose): { lnRate: number; lnViscosity: number } {
  const percent = Math.min(POWDER_CAP_PERCENT, dose.powderShareOfOils * 100)
  const lnRate = percent * dose.lnRatePerPercent
  const lnViscosity = percent * dose.lnViscosityPerPercent
  if (dose.medium === 'oil') {
    return { lnRate, lnViscosity: lnViscosity - 4 * Math.min(OIL_CAP, dose.mediumShareOfPortion) }
  }
  if (dose.medium === 'none') return { lnRate, lnViscosity }
  const water = Math.min(WATER_CAP, dose.mediumShareOfPortion)
  return { lnRate: lnRate - 3 * water, lnViscosity: lnViscosity - 2 * water }
}
