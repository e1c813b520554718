import { NAOH_PER_KOH } from '../quantities/constants/index.ts'

/** Lye and water from oils. All masses in g, all shares from 0 to 1. */

/** An oil's share of the oils with its saponification value, mg KOH per g. */
export interface WeighedOil {
  massG: number
  sapKohMgPerG: number
}

/** Pure NaOH that would turn all of the oils into soap, g. */
export const lyeDemand = (oils: readonly WeighedOil[]): number =>
  oils.reduce((sum, oil) => sum + (oil.massG * oil.sapKohMgPerG * NAOH_PER_KOH) / 1000, 0)

/**
 * Lye to weigh so that `superfatShare` of the oils stays unsaponified.
 *
 * @param purityShare NaOH in the lye as bought, above 0 and up to 1
 * @returns g of lye as bought, not rounded
 * @throws RangeError for a purity out of range: plans are checked before
 */
export function lyeMass(oils: readonly WeighedOil[], superfatShare: number, purityShare: number): number {
  if (!(purityShare > 0 && purityShare <= 1))
    throw new RangeError(`lye purity ${purityShare} is not above 0 and up to 1`)
  return (lyeDemand(oils) * (1 - superfatShare)) / purityShare
}

/** Superfat that a given mass of lye leaves. Negative means free lye. */
export const superfatOf = (oils: readonly WeighedOil[], lyeG: number, purityShare: number): number =>
  1 - (lyeG * purityShare) / lyeDemand(oils)
