import type { RecordState } from './fold.ts'

/** Where the soap of a batch went, g. */
export interface YieldReckoned {
  inG: number
  barsG: number
  endsG: number
  samplesG: number
  stuckG: number
  spiltG: number
  /** Water that went off until it was weighed up. */
  waterG: number
  /** What is not accounted for; below 0: more was weighed than went in. */
  gapG: number
  gapShare: number
  /** Far enough off to be looked into. */
  isOff: boolean
}

/** From here on a gap is worth explaining, as a share of what went in. A maker's rule: 2 to 3 %. */
const WORTH = 0.025

/**
 * What went into the mould against what came out of it: bars, ends, samples, what stuck and what was spilt, and the water that went off.
 *
 * @param inG everything that was weighed into the pot and the cups
 * @param leftShare what is left of soap's weight on the day it was weighed up, 0…1
 * @returns null before any bars were weighed
 */
export function yieldReckoned(
  { yields: { bars, ends, samples, stuck, spilt } }: Pick<RecordState, 'yields'>,
  inG: number,
  leftShare: number,
): YieldReckoned | null {
  if (!(bars.massG > 0) || !(inG > 0)) return null
  const dried = bars.massG + ends.massG + samples.massG
  // What stuck or was spilt had its water still.
  const waterG = leftShare > 0 ? dried / leftShare - dried : 0
  const gapG = inG - dried - stuck.massG - spilt.massG - waterG
  return {
    inG,
    barsG: bars.massG,
    endsG: ends.massG,
    samplesG: samples.massG,
    stuckG: stuck.massG,
    spiltG: spilt.massG,
    waterG,
    gapG,
    gapShare: gapG / inG,
    isOff: Math.abs(gapG) > WORTH * inG,
  }
}
