import jStat from 'jstat'
import { latinNormals } from '../quantities/chance/index.ts'
import { deltaE } from '../look/colour/index.ts'
import type { Lab } from '../look/colour/index.ts'
import { holm } from './holm.ts'
import { CHANNELS, differenceVariance, labOfThree, scaleOf, scatterOf, threeOf } from './noise.ts'
import type { ReadingWay, Scatter } from './noise.ts'
import { leastSeen, timesToSee } from './power.ts'
import type { Direction } from './power.ts'

/** Whether samples differ from the blanks, and what may be said of it. */

/** Colours of one sample’s makings at one age: each the mean of its photographs, the blanks’ mean of each photograph taken off. */
export interface SampleRead {
  label: string
  labs: readonly Lab[]
}

export interface DifferenceAsked {
  blanks: readonly Lab[]
  samples: readonly SampleRead[]
  way: ReadingWay
  /** Photographs of this age. */
  photos: number
  /** ΔE below which a difference does not matter. */
  matters: number
  direction: Direction
  /** What earlier trials of the workshop said of its scatter. */
  past?: Scatter
}

/** What may be said of a sample. */
export type DifferenceWord = 'different' | 'probably different' | 'too little to matter' | 'the same' | 'not told'

export interface Difference {
  label: string
  /** Against the blanks, with one standard deviation each, Lab units. */
  lab: Lab
  sd: Lab
  /** ΔE2000 of the means, and where it lies nine times in ten. */
  deltaE: number
  low: number
  high: number
  p: number
  word: DifferenceWord
  /** A difference in lightness that this trial would have seen, and how often each sample has to be made to see what matters; null: no number does. */
  wouldSee: number
  timesNeeded: number | null
}

/** False differences over all samples of a trial. */
const FAMILY = 0.1
/** Until so many degrees of freedom a difference is only probable, unless it is as unlikely as this. */
const SURE_FREEDOM = 30
const SURE_P = 0.02
const DRAWS = 400
const TAIL = 0.05

const meanOf = (labs: readonly Lab[]): Lab =>
  labOfThree(CHANNELS.map(channel => labs.reduce((sum, lab) => sum + lab[channel], 0) / labs.length))

/** Where ΔE to the blank lies nine times in ten, by draws of the difference. */
function rangeOf(blank: Lab, difference: readonly number[], sds: readonly number[]): { low: number; high: number } {
  const normals = CHANNELS.map((_, c) => latinNormals(c, DRAWS, 17))
  const all = Array.from({ length: DRAWS }, (_, n) => {
    const moved = threeOf(blank).map((x, c) => x + difference[c]! + sds[c]! * normals[c]![n]!)
    return deltaE(blank, labOfThree(moved))
  }).sort((a, b) => a - b)
  return { low: all[Math.round(TAIL * DRAWS)]!, high: all[Math.round((1 - TAIL) * DRAWS)]! }
}

function wordOf(
  isBelieved: boolean,
  high: number,
  sure: { p: number; freedom: number },
  matters: number,
): DifferenceWord {
  if (!isBelieved) return high < matters ? 'the same' : 'not told'
  if (high < matters) return 'too little to matter'
  return sure.freedom >= SURE_FREEDOM || sure.p < SURE_P ? 'different' : 'probably different'
}

/** Every sample against the blanks at one age. Of a trial with no effect at most one in ten says that there is one. */
export function differences(asked: DifferenceAsked): Difference[] {
  const { blanks, samples, way, photos, matters, direction, past } = asked
  const own = scatterOf([blanks, ...samples.map(({ labs }) => labs)], way, photos)
  const { s2, freedom } = scaleOf(own, ...(past ? [past] : []))
  const blank = meanOf(blanks)
  const found = samples.map(({ label, labs }) => {
    const variances = differenceVariance(way, photos, labs.length, blanks.length).map(variance => s2 * variance)
    const difference = threeOf(meanOf(labs)).map((x, c) => x - threeOf(blank)[c]!)
    const f = difference.reduce((sum, d, c) => sum + d ** 2 / variances[c]!, 0) / 3
    const sds = variances.map(Math.sqrt)
    return { label, times: labs.length, difference, sds, p: 1 - jStat.centralF.cdf(f, 3, freedom) }
  })
  const different = holm(
    found.map(({ p }) => p),
    FAMILY,
  )
  return found.map(({ label, times, difference, sds, p }, i) => {
    const { low, high } = rangeOf(blank, difference, sds)
    const design = { way, photos, samples: samples.length, blanks: blanks.length, direction }
    return {
      label,
      lab: labOfThree(difference),
      sd: labOfThree(sds),
      low,
      high,
      p,
      deltaE: deltaE(blank, labOfThree(threeOf(blank).map((x, c) => x + difference[c]!))),
      word: wordOf(different[i]!, high, { p: p * samples.length, freedom }, matters),
      wouldSee: leastSeen({ ...design, times }) * Math.sqrt(s2),
      timesNeeded: timesToSee(matters / Math.sqrt(s2), design),
    }
  })
}
