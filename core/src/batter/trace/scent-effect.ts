import type { AccelerationClass } from '../../shelf/index.ts'

/** Prior mean and spread of ln(rate factor) at 3 % of oils. Engineering estimates; mild and strong were fitted. */
export const SCENT_PRIORS: Record<AccelerationClass, { mean: number; sd: number }> = {
  slows: { mean: -0.3, sd: 0.25 },
  none: { mean: 0, sd: 0.25 },
  mild: { mean: 0.27, sd: 0.3 },
  moderate: { mean: 0.6, sd: 0.35 },
  strong: { mean: 1.05, sd: 0.35 },
  seizes: { mean: 2.6, sd: 0.5 },
  // Nobody has told: plan for the worse half. The classes by how common they are (.05 .45 .28 .13 .07 .02) have a mean of .26
  // and a spread of .55; half a spread is added on purpose, so that it is planned for as one of the quicker half.
  unknown: { mean: 0.54, sd: 0.6 },
}

/** Where one class ends and the next begins, by ln(rate factor). */
const CLASS_ENDS: readonly (readonly [below: number, name: AccelerationClass])[] = [
  [-0.15, 'slows'],
  [0.135, 'none'],
  [0.435, 'mild'],
  [0.825, 'moderate'],
  [1.825, 'strong'],
]

/** The class that a learned ln(rate factor) falls into. */
export const classOf = (f: number): AccelerationClass => CLASS_ENDS.find(([below]) => f < below)?.[1] ?? 'seizes'

const REFERENCE_G_PER_KG = 30

/** ln(rate factor) at a dose in g per kg of oil, from that at 30 g/kg. */
export const atDose = (f: number, doseGPerKg: number): number =>
  f > 0
    ? f * Math.min(1.5, Math.pow(doseGPerKg / REFERENCE_G_PER_KG, 0.8))
    : f * Math.min(1, doseGPerKg / REFERENCE_G_PER_KG)

const F_POINTS = [-0.3, 0, 0.27, 0.6, 1.05, 2.6] as const
const GAIN = [0.8, 1, 1.2, 2.5, 7.2, 8.5] as const
const BUILD = [0.8, 1, 1.3, 3, 10, 12] as const
const JUMP = [0, 0, 0, 0.1, 0.4, 4] as const

/** Piecewise-linear through the points, constant beyond both ends. */
function through(ys: readonly number[], x: number): number {
  if (x <= F_POINTS[0]) return ys[0]!
  for (let i = 1; i < F_POINTS.length; i += 1) {
    const right = F_POINTS[i]!
    if (x <= right) {
      const left = F_POINTS[i - 1]!
      return ys[i - 1]! + ((x - left) / (right - left)) * (ys[i]! - ys[i - 1]!)
    }
  }
  return ys[ys.length - 1]!
}

export interface ScentEffect {
  /** Added to ln(rate). */
  lnRate: number
  /** Gain on the rest structure. */
  gain: number
  /** Speed-up of the build of rest structure. */
  build: number
  /** Jump of ln(viscosity) as it goes in; what is above 0.4 is there only while the batter stands. */
  jump: number
}

/** All effects of a scent follow from its ln(rate factor) at the dose used. */
export const scentEffect = (f: number): ScentEffect => ({
  lnRate: f,
  gain: through(GAIN, f),
  build: through(BUILD, f),
  jump: through(JUMP, f),
})

export const UNSCENTED: ScentEffect = scentEffect(0)
