import type { Water, WaterBasis } from './recipe-part.ts'

/** The same water told in the four ways makers use. `full` is what a discount is taken from, a share of the oils. */
export interface WaterReadings {
  waterG: number
  shareOfOils: number
  concentration: number
  ratio: number
  discount: number
}

/**
 * Water for a recipe, on any basis. Concentration and ratio count pure NaOH.
 *
 * @param oilsG  all oils, g
 * @param naohG  pure NaOH, g
 * @returns g of water
 * @throws RangeError for a concentration not between 0 and 1
 */
export function waterOf(water: Water, oilsG: number, naohG: number): number {
  switch (water.basis) {
    case 'concentration':
      if (!(water.value > 0 && water.value < 1))
        throw new RangeError(`lye concentration ${water.value} is not between 0 and 1`)
      return (naohG * (1 - water.value)) / water.value
    case 'share':
      return water.value * oilsG
    case 'ratio':
      return water.value * naohG
    case 'discount':
      return water.fullShareOfOils * (1 - water.value) * oilsG
  }
}

/** One amount of water on all four bases. */
export const waterReadings = (
  waterG: number,
  oilsG: number,
  naohG: number,
  fullShareOfOils: number,
): WaterReadings => ({
  waterG,
  shareOfOils: waterG / oilsG,
  concentration: naohG / (naohG + waterG),
  ratio: waterG / naohG,
  discount: 1 - waterG / (fullShareOfOils * oilsG),
})

/** The number of a basis in the readings. */
export function onBasis(readings: WaterReadings, basis: WaterBasis): number {
  switch (basis) {
    case 'concentration':
      return readings.concentration
    case 'share':
      return readings.shareOfOils
    case 'ratio':
      return readings.ratio
    case 'discount':
      return readings.discount
  }
}
