/** How much batter a trial needs. */

/** What clings in a small cup, g, by the mass that it holds; engineering estimate. */
export const clingInSample = (massG: number): number => 0.22 * massG ** (2 / 3)

/** What is lost beside what clings: as a share, and in the pot, g. Batches are rounded up to so much, g. */
const LOSS = { share: 1.02, potG: 8, roundG: 5 } as const
/** Less than this no stick blender reaches into, g. */
export const LEAST_BATCH_G = 400
/** Spare batter that is so much of a sample is worth a repeat. */
const WORTH_A_REPEAT = 0.6

export interface TrialSize {
  samplesG: number
  clingG: number
  /** What is needed at least, and what is made, g. */
  needG: number
  batchG: number
  /** What is left when every sample is filled, g. */
  spareG: number
  /** It is less than a stick blender can reach into. */
  isTooSmall: boolean
  /** One repeat more would be filled. */
  hasRoomForRepeat: boolean
}

/** @param count samples, blanks and repeats together @param alsoG what a strong batter takes beside them, g */
export function trialSize(count: number, sampleG: number, alsoG = 0): TrialSize {
  const samplesG = count * sampleG
  const clingG = count * clingInSample(sampleG)
  const needG = (samplesG + clingG + alsoG) * LOSS.share + LOSS.potG
  const batchG = LOSS.roundG * Math.ceil(needG / LOSS.roundG - 1e-9)
  const spareG = batchG - needG
  return {
    samplesG,
    clingG,
    needG,
    batchG,
    spareG,
    isTooSmall: batchG < LEAST_BATCH_G,
    hasRoomForRepeat: spareG >= WORTH_A_REPEAT * sampleG,
  }
}
