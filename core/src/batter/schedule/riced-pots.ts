/** How likely a scent rices, by pots of cups that were made with it. */

/** Grains are seen when they are there, and when they are not, with these chances. */
const SEEN = { there: 0.9, notThere: 0.03 } as const
/** The chance of a class of scents counts as so many pots. */
const PRIOR_POTS = 4
/** Cups of one pot are not independent: each beside the first counts half as much, and less. */
const TOGETHER = 0.5
/** Small chances need a fine grid. */
const POINTS = 600
const BEND = 12
const UPPER = 0.9

export interface RicedPot {
  cups: number
  riced: number
}

export interface RicingKnown {
  /** Chance that a pot rices, and what it is below nine times in ten. */
  mean: number
  upper: number
}

const cupsCounted = (cups: number): number => cups / (1 + TOGETHER * (cups - 1))

/** @param classChance what is usual for scents of its class, 0…1 */
export function ricingKnown(classChance: number, pots: readonly RicedPot[]): RicingKnown {
  const [a, b] = [PRIOR_POTS * classChance, PRIOR_POTS * (1 - classChance)]
  const grid = Array.from({ length: POINTS }, (_, i) => {
    const x = (i + 0.5) / POINTS
    const p = x ** BEND
    const seen = SEEN.there * p + SEEN.notThere * (1 - p)
    const likely = pots.reduce((sum, { cups, riced }) => {
      const share = riced / cups
      return sum + cupsCounted(cups) * (share * Math.log(seen) + (1 - share) * Math.log(1 - seen))
    }, 0)
    // Width of the step in p, as the grid is bent.
    const width = BEND * x ** (BEND - 1)
    return { p, weight: Math.exp((a - 1) * Math.log(p) + (b - 1) * Math.log1p(-p) + likely) * width }
  })
  const whole = grid.reduce((sum, { weight }) => sum + weight, 0)
  let below = 0
  const upper = grid.find(({ weight }) => (below += weight / whole) >= UPPER)
  return { mean: grid.reduce((sum, { p, weight }) => sum + p * weight, 0) / whole, upper: upper?.p ?? 1 }
}
