/** How doses of a trial are weighed so that the scale’s own step does not decide them. Masses in g, doses in g per kg of batter. */

/** Standard deviation of a weighing, in steps of the scale: rounding and repeating. Engineering estimate. */
export const WEIGHING_STEPS = 0.6
/** A dose may be off by so much, as a share. */
export const MOST_ERROR = 0.05
/** Shares of powder in a slurry that are tried, the strongest first. */
const SLURRIES = [1 / 4, 1 / 10, 1 / 40] as const
/** What settles in a slurry between draws, as a share; what its carrier may be of a sample; steps that its powder is at least. */
const SETTLING = 0.02
const MOST_CARRIER = 0.03
const LEAST_STEPS = 12
/** So much more slurry, and strong batter, is made than goes into the samples. */
const MORE_SLURRY = 1.5
const MORE_STRONG = 1.06
const STRONG_LEFT_G = 3
const STRONG_ERROR = 0.045
/** More strong batter left over than this is a batch, not a trial, g. */
const MOST_LEFT_G = 400
const ROUND_G = 5
/** Samples larger than this are no samples: only a finer scale helps. */
const MOST_SAMPLE_G = 300

export interface Scale {
  /** Its step for powders, and the one that batter is weighed with, g. */
  stepG: number
  batterStepG: number
}

export interface WeighedDose {
  gPerKg: number
  /** Powder in the sample, g. */
  powderG: number
  /** What is weighed in: powder, slurry, or strong batter, g. */
  weighG: number
  /** Plain batter beside it, g. */
  plainG: number
  /** One standard deviation of the dose, as a share of it. */
  error: number
}

export type DoseWeighing =
  | { way: 'direct'; doses: WeighedDose[]; commonError: 0 }
  /** `share` of powder in it; `powderG` and `carrierG` make it. */
  | { way: 'slurry'; share: number; powderG: number; carrierG: number; doses: WeighedDose[]; commonError: number }
  /** `strongG` of batter at the highest dose with `powderG` in it, thinned with plain batter. */
  | { way: 'thinned'; strongG: number; powderG: number; doses: WeighedDose[]; commonError: number }
  /** No way keeps the error: samples would have to be so large, g; null: only a finer scale helps. */
  | { way: 'none'; sampleG: number | null }

const sdOf = (stepG: number): number => WEIGHING_STEPS * stepG
const roundedUp = (g: number): number => ROUND_G * Math.ceil(g / ROUND_G - 1e-9)
const powderIn = (gPerKg: number, sampleG: number): number => (gPerKg * sampleG) / 1000

function direct(doses: readonly number[], sampleG: number, { stepG, batterStepG }: Scale): WeighedDose[] {
  return doses.map(gPerKg => {
    const powderG = powderIn(gPerKg, sampleG)
    const error = Math.hypot(sdOf(stepG) / powderG, sdOf(batterStepG) / sampleG)
    return { gPerKg, powderG, weighG: powderG, plainG: sampleG, error }
  })
}

function slurry(doses: readonly number[], sampleG: number, { stepG }: Scale, share: number): DoseWeighing {
  const allG = doses.reduce((sum, gPerKg) => sum + powderIn(gPerKg, sampleG), 0)
  const powderG = MORE_SLURRY * allG
  const commonError = sdOf(stepG) / powderG
  const weighed = doses.map((gPerKg): WeighedDose => {
    const inSample = powderIn(gPerKg, sampleG)
    const weighG = inSample / share
    const error = Math.hypot(sdOf(stepG) / weighG, commonError, SETTLING)
    return { gPerKg, powderG: inSample, weighG, plainG: sampleG, error }
  })
  return { way: 'slurry', share, powderG, carrierG: powderG / share - powderG, doses: weighed, commonError }
}

/** Whether a slurry brings no more carrier than a sample bears, and its powder can be weighed. */
function slurryFits(of: DoseWeighing, sampleG: number, { stepG }: Scale): boolean {
  if (of.way !== 'slurry') return false
  const most = Math.max(...of.doses.map(({ weighG, powderG }) => weighG - powderG))
  return most <= MOST_CARRIER * sampleG && of.powderG >= LEAST_STEPS * stepG
}

function thinned(doses: readonly number[], sampleG: number, { stepG }: Scale): DoseWeighing {
  const top = Math.max(...doses)
  const partOf = (gPerKg: number) => (sampleG * gPerKg) / top
  const parts = doses.reduce((sum, gPerKg) => sum + partOf(gPerKg), 0)
  const least = (sdOf(stepG) * 1000) / (STRONG_ERROR * top)
  const strongG = roundedUp(Math.max(MORE_STRONG * parts + STRONG_LEFT_G, least))
  const powderG = powderIn(top, strongG)
  const commonError = sdOf(stepG) / powderG
  const weighed = doses.map((gPerKg): WeighedDose => {
    const weighG = partOf(gPerKg)
    const error = Math.hypot(commonError, sdOf(stepG) / weighG)
    return { gPerKg, powderG: powderIn(gPerKg, sampleG), weighG, plainG: sampleG - weighG, error }
  })
  return { way: 'thinned', strongG, powderG, doses: weighed, commonError }
}

/** Strong batter that goes into no sample, g. */
export const leftOver = (of: DoseWeighing): number =>
  of.way === 'thinned' ? of.strongG - of.doses.reduce((sum, one) => sum + one.weighG, 0) : 0

const errorsOf = (of: DoseWeighing): number[] => (of.way === 'none' ? [Infinity] : of.doses.map(one => one.error))
const isGood = (of: DoseWeighing): boolean => Math.max(...errorsOf(of)) <= MOST_ERROR + 1e-9

/**
 * The simplest way of weighing that keeps every dose within 5 %: straight, by a slurry, by a strong batter that is thinned with plain
 * batter; or none.
 *
 * @param doses g per kg of batter, each above 0
 */
export function weighingOf(doses: readonly number[], sampleG: number, scale: Scale): DoseWeighing {
  const straight: DoseWeighing = { way: 'direct', doses: direct(doses, sampleG, scale), commonError: 0 }
  if (doses.length === 0 || isGood(straight)) return straight
  const slurries = SLURRIES.map(share => slurry(doses, sampleG, scale, share))
  const found = slurries.find(one => slurryFits(one, sampleG, scale) && isGood(one))
  if (found) return found
  const thin = thinned(doses, sampleG, scale)
  if (isGood(thin) && leftOver(thin) <= MOST_LEFT_G) return thin
  const neededG = Math.max(sampleG + ROUND_G, (sdOf(scale.stepG) * 1000) / (MOST_ERROR * Math.min(...doses)))
  return { way: 'none', sampleG: neededG <= MOST_SAMPLE_G ? roundedUp(neededG) : null }
}
