/** Cracks, and soap that rises out of its mould: chances from how hot, how fast and how unevenly it gets (E, but for the heat F). */

export interface Heating {
  peakC: number
  /** Steepest rise of the middle before its peak, K/h. */
  riseKPerH: number
  /** How much cooler the top is than the middle at its warmest, K. */
  skinK: number
  /** Water of the wettest batter's mass, and sugar of the sweetest, kg per kg of oils. */
  water: number
  sugar: number
  smallestMm: number
}

const clamp = (x: number, low: number, high: number) => Math.min(high, Math.max(low, x))
const logistic = (x: number) => 1 / (1 + Math.exp(-x))
const CRACKS = { atC: 87, thinK: 4, widthK: 2.5 } as const
const RISES = { atC: 95, widthK: 2 } as const
const THICK_MM = 60

/** What each thing adds, in K of peak. */
export function crackTerms({ peakC, riseKPerH, skinK, water, sugar, smallestMm }: Heating) {
  const thin = 1 - Math.min(1, smallestMm / THICK_MM)
  return {
    heat: peakC - CRACKS.atC - CRACKS.thinK * thin + 0.02 * clamp(riseKPerH - 60, -40, 40),
    skin: 0.12 * clamp(skinK - 10, -20, 15),
    dry: 40 * (0.205 - water),
    sugar: 30 * Math.min(0.05, sugar),
  }
}

const crackAt = (of: Heating): number => {
  const { heat, skin, dry, sugar } = crackTerms(of)
  return logistic((heat + skin + dry + sugar) / CRACKS.widthK)
}

const volcanoAt = ({ peakC, riseKPerH, sugar }: Heating): number =>
  logistic((peakC - RISES.atC + 0.02 * clamp(riseKPerH - 60, -40, 40) + 40 * Math.min(0.05, sugar)) / RISES.widthK)

/** The model's own error of a hot peak as three points with their weights: √3 standard deviations of 1.8 K away. */
export const HOT_ERROR_K = 3.06
const WEIGHTS = [1 / 6, 4 / 6, 1 / 6] as const

const over = (chance: (of: Heating) => number, of: Heating, errorK: number): number =>
  [-errorK, 0, errorK].reduce((sum, k, i) => sum + WEIGHTS[i]! * chance({ ...of, peakC: of.peakC + k }), 0)

/** Chances of a run, with so much error of its peak: the model's own, or all there is around one run. */
export const crackChance = (of: Heating, errorK = HOT_ERROR_K): number => over(crackAt, of, errorK)
export const volcanoChance = (of: Heating, errorK = HOT_ERROR_K): number => over(volcanoAt, of, errorK)

/** What is said of a chance: never nothing, never sure. */
export const saidCrack = (chance: number): number => 0.01 + 0.97 * chance
export const saidVolcano = (chance: number): number => 0.005 + 0.98 * chance
