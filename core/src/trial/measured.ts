import jStat from 'jstat'
import { MEASURES, reckoned } from './measures.ts'
import type { Measure, MeasureName } from './measures.ts'
import type { DifferenceWord } from './difference.ts'
import { seenSds } from './power.ts'
import type { Direction } from './power.ts'
import { holm } from './holm.ts'
import { TABLE_FREEDOM } from './noise.ts'

/** Numbers read of samples against those of the usual ones: whether they differ, and what may be said of it. */

/** One sample’s readings of one age, reckoned with. */
export interface NumberRead {
  label: string
  values: readonly number[]
}

/** Which way it is expected to go, said before the first reading. */
export type Expectation = 'up' | 'down' | 'any'

const powerWay = (direction: Expectation): Direction => (direction === 'any' ? 'any' : 'known')

export interface NumbersAsked {
  measure: Measure
  blanks: readonly NumberRead[]
  /** What is asked: the makings of each level. */
  levels: readonly { label: string; samples: readonly NumberRead[] }[]
  direction: Expectation
}

export interface NumberDifference {
  label: string
  /** Of the usual ones, and of this level, in the unit of the measure. */
  usual: number
  mean: number
  /** Difference, and where it lies nine times in ten: in its unit, of a ratio as a factor. */
  by: number
  low: number
  high: number
  p: number
  word: DifferenceWord
  /** A difference that would have been seen four times in five, as `by`. */
  wouldSee: number
}

const FAMILY = 0.1
const SURE_FREEDOM = 30
const SURE_P = 0.02
const NINE_IN_TEN = 0.95

const mean = (list: readonly number[]): number => list.reduce((sum, x) => sum + x, 0) / list.length
const own = ({ values }: NumberRead): number => mean(values)

/** Variance of one sample’s mean, by the table. */
const varianceOf = ({ makingSd, readingSd }: Measure, readings: number): number =>
  makingSd ** 2 + readingSd ** 2 / Math.max(1, readings)

/** The table scaled by what samples made alike said. */
function scaled(measure: Measure, groups: readonly (readonly NumberRead[])[]): { s2: number; freedom: number } {
  let [misses, freedom] = [0, TABLE_FREEDOM]
  for (const group of groups.filter(({ length }) => length > 1)) {
    const middle = mean(group.map(own))
    freedom += group.length - 1
    misses += group.reduce((sum, one) => sum + (own(one) - middle) ** 2 / varianceOf(measure, one.values.length), 0)
  }
  return { s2: (TABLE_FREEDOM + misses) / freedom, freedom }
}

const spreadOf = (measure: Measure, samples: readonly NumberRead[]): number =>
  samples.reduce((sum, { values }) => sum + varianceOf(measure, values.length), 0) / samples.length ** 2

/** In the unit of the measure again. */
const told = ({ isRatio }: Measure, x: number): number => (isRatio ? Math.exp(x) : x)

function wordOf(isBelieved: boolean, far: number, matters: number, isSure: boolean): DifferenceWord {
  if (!isBelieved) return far < matters ? 'the same' : 'not told'
  if (far < matters) return 'too little to matter'
  return isSure ? 'different' : 'probably different'
}

/** Every level against the usual samples. Two one-sided tests say “the same”; of a trial without effect at most one in ten says otherwise. */
export function numberDifferences({ measure, blanks, levels, direction }: NumbersAsked): NumberDifference[] {
  const read = levels.filter(({ samples }) => samples.length > 0)
  if (blanks.length === 0 || read.length === 0) return []
  const { s2, freedom } = scaled(measure, [blanks, ...read.map(({ samples }) => samples)])
  const usual = mean(blanks.map(own))
  const ends = jStat.studentt.inv(NINE_IN_TEN, freedom)
  const matters = measure.isRatio ? Math.log1p(measure.matters) : measure.matters
  const found = read.map(({ label, samples }) => {
    const sd = Math.sqrt(s2 * (spreadOf(measure, samples) + spreadOf(measure, blanks)))
    const by = mean(samples.map(own)) - usual
    const tail = 1 - jStat.studentt.cdf(Math.abs(by) / sd, freedom)
    const isRightWay = direction === 'any' || by > 0 === (direction === 'up')
    return { label, samples, by, sd, p: direction === 'any' ? 2 * tail : isRightWay ? tail : 1 - tail }
  })
  const believed = holm(
    found.map(({ p }) => p),
    FAMILY,
  )
  return found.map(({ label, samples, by, sd, p }, i) => {
    const [low, high] = [by - ends * sd, by + ends * sd]
    const isSure = freedom >= SURE_FREEDOM || p * found.length < SURE_P
    return {
      label,
      usual: told(measure, usual),
      mean: told(measure, usual + by),
      p,
      by: told(measure, by),
      low: told(measure, low),
      high: told(measure, high),
      word: wordOf(believed[i]!, Math.max(Math.abs(low), Math.abs(high)), matters, isSure),
      wouldSee: told(measure, seenSds(found.length, samples.length, powerWay(direction)) * sd),
    }
  })
}

/** Least difference that a trial of so many samples will see, before it is made: in its unit, of a ratio as a factor. */
export function leastNumberSeen(
  what: MeasureName,
  { levels, times, blanks, direction }: { levels: number; times: number; blanks: number; direction: Expectation },
): number {
  const measure = MEASURES[what]
  const sd = Math.sqrt(varianceOf(measure, 1) * (1 / times + 1 / Math.max(1, blanks)))
  return told(measure, seenSds(Math.max(1, levels), times, powerWay(direction)) * sd)
}

/** Readings of one sample as they are reckoned with. */
export const readOf = (what: MeasureName, label: string, values: readonly number[]): NumberRead => ({
  label,
  values: values.map(value => reckoned(MEASURES[what], value)),
})
