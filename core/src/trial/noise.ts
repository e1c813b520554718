import type { Lab } from '../look/colour/index.ts'

/** How far a reading of a trial is off, and how far samples made alike lie apart. Lab units; engineering estimates. */

/** Ways in which a colour is read. */
export const WAYS = {
  photo: 'from a photograph',
  eye: 'by eye against swatches',
  meter: 'typed in from a meter',
} as const
export type ReadingWay = keyof typeof WAYS

export type ThreeSd = readonly [l: number, a: number, b: number]

/** Common to all of one photograph (or one look), and of one sample in it; sd of L, a and b. */
const READING: Readonly<Record<ReadingWay, { common: ThreeSd; patch: ThreeSd }>> = {
  photo: { common: [1.6, 1, 1.3], patch: [0.8, 0.5, 0.7] },
  eye: { common: [1, 0.8, 0.8], patch: [2.5, 2, 2.5] },
  meter: { common: [0.3, 0.2, 0.3], patch: [0.25, 0.15, 0.2] },
}
/** Weighing, mixing, the face: what stays with a sample at all its ages. */
export const MAKING: ThreeSd = [0.9, 0.5, 0.7]
/** The table above counts as so many degrees of freedom beside a workshop’s own repeats. */
export const TABLE_FREEDOM = 12

export const CHANNELS = ['l', 'a', 'b'] as const
export const labOfThree = ([l, a, b]: readonly number[]): Lab => ({ l: l!, a: a!, b: b! })
export const threeOf = ({ l, a, b }: Lab): readonly [number, number, number] => [l, a, b]

export const commonSd = (way: ReadingWay): ThreeSd => READING[way].common
export const patchSd = (way: ReadingWay): ThreeSd => READING[way].patch

/** Variance of one sample’s mean over so many photographs, a channel, beside what is common to each photograph. */
export const sampleVariance = (way: ReadingWay, photos: number): ThreeSd =>
  MAKING.map((making, c) => making ** 2 + patchSd(way)[c]! ** 2 / photos) as unknown as ThreeSd

/** Variance of a difference between the mean of so many samples and of so many blanks. */
export const differenceVariance = (way: ReadingWay, photos: number, samples: number, blanks: number): ThreeSd =>
  sampleVariance(way, photos).map(variance => variance * (1 / samples + 1 / blanks)) as unknown as ThreeSd

/** What repeats said of the scatter: squared misses in units of the table, and the degrees of freedom they had. */
export interface Scatter {
  misses: number
  freedom: number
}

/** The table scaled by what repeats have said, of this trial and of those before: a factor on variances, and its degrees of freedom. */
export function scaleOf(...scatters: readonly Scatter[]): { s2: number; freedom: number } {
  const misses = scatters.reduce((sum, one) => sum + one.misses, 0)
  const freedom = TABLE_FREEDOM + scatters.reduce((sum, one) => sum + one.freedom, 0)
  return { s2: (TABLE_FREEDOM + misses) / freedom, freedom }
}

/** Scatter of repeats made alike: of each group its own mean is the middle. @param groups means of single samples, by group */
export function scatterOf(groups: readonly (readonly Lab[])[], way: ReadingWay, photos: number): Scatter {
  const variance = sampleVariance(way, photos)
  let [misses, freedom] = [0, 0]
  for (const group of groups.filter(({ length }) => length > 1)) {
    freedom += 3 * (group.length - 1)
    CHANNELS.forEach((channel, c) => {
      const mean = group.reduce((sum, lab) => sum + lab[channel], 0) / group.length
      misses += group.reduce((sum, lab) => sum + (lab[channel] - mean) ** 2, 0) / variance[c]!
    })
  }
  return { misses, freedom }
}
