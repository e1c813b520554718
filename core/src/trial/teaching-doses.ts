import { PIGMENT_PRIOR, WHITES, correctedPigment, inverseOf, lowerOf, mixed } from '../look/colour/index.ts'
import type { Age, BaseTint, Pigment } from '../look/colour/index.ts'
import { CHANNELS, MAKING, commonSd, patchSd, threeOf } from './noise.ts'
import type { ReadingWay } from './noise.ts'

/** Doses that teach most of a colorant: those whose readings leave the least room for what is not known of it. */

export interface TeachingDose {
  gPerKg: number
  whiteGPerKg: number
}

/** Doses that are thought of, as shares of the highest; each without and with white. */
const SHARES = [1 / 24, 1 / 12, 1 / 6, 1 / 4, 1 / 3, 1 / 2, 1] as const
const WHITE_GPERKG = 4
/** The colorant may be another than is thought: worked through as it is, and stronger and weaker by so much, ln. */
const MAY_BE = [0, 0.5, -0.5] as const
const STEP = 1e-3
const MOST_ROUNDS = 20

type Matrix = number[][]

const prior = (): Matrix => PIGMENT_PRIOR.map((sd, i) => PIGMENT_PRIOR.map((_, j) => (i === j ? 1 / sd ** 2 : 0)))

/** Slopes of a dose’s colour on what is not known: a row for each, L, a and b in it. */
function slopesOf(pigment: Pigment, dose: TeachingDose, base: BaseTint, age: Age): Matrix {
  const labOf = (p: readonly number[]): readonly number[] => {
    const doses = [
      { pigment: correctedPigment(pigment, p), gPerKg: dose.gPerKg },
      { pigment: WHITES.titanium, gPerKg: dose.whiteGPerKg },
    ]
    return threeOf(mixed(base, doses, age).lab)
  }
  const now = labOf(PIGMENT_PRIOR.map(() => 0))
  return PIGMENT_PRIOR.map((_, j) =>
    labOf(PIGMENT_PRIOR.map((__, i) => (i === j ? STEP : 0))).map((x, c) => (x - now[c]!) / STEP),
  )
}

/** A blank beside them takes much of what a photograph is off by away. */
const BLANKS = 1

/** Precision of what is not known once samples with these slopes are read in one photograph with their blanks. */
function precisionOf(slopes: readonly Matrix[], way: ReadingWay): Matrix {
  const matrix = prior()
  CHANNELS.forEach((_, c) => {
    const own = MAKING[c]! ** 2 + patchSd(way)[c]! ** 2
    const common = 1 / (1 / commonSd(way)[c]! ** 2 + BLANKS / own)
    const shared = 1 / common + slopes.length / own
    const total = PIGMENT_PRIOR.map((__, i) => slopes.reduce((sum, one) => sum + one[i]![c]! / own, 0))
    matrix.forEach((row, i) =>
      row.forEach((__, j) => {
        row[j]! += slopes.reduce((sum, one) => sum + (one[i]![c]! * one[j]![c]!) / own, 0)
        row[j]! -= (total[i]! * total[j]!) / shared
      }),
    )
  })
  return matrix
}

const lnDet = (matrix: Matrix): number =>
  (lowerOf(matrix) ?? []).reduce((all, row, i) => all + 2 * Math.log(row[i]!), 0)

interface Candidate extends TeachingDose {
  /** By what the colorant may be. */
  slopes: Matrix[]
}

const worthOf = (chosen: readonly Candidate[], way: ReadingWay): number =>
  MAY_BE.reduce<number>(
    (all, _, k) =>
      all +
      lnDet(
        precisionOf(
          chosen.map(({ slopes }) => slopes[k]!),
          way,
        ),
      ),
    0,
  )

/** The best of single exchanges, again and again, from the doses that are best one after the other. */
function exchanged(candidates: readonly Candidate[], count: number, way: ReadingWay): Candidate[] {
  const worth = (list: readonly Candidate[]): number => worthOf(list, way)
  let chosen: Candidate[] = []
  const bestWith = (others: readonly Candidate[]): Candidate =>
    candidates.reduce((best, one) => (worth([...others, one]) > worth([...others, best]) + 1e-9 ? one : best))
  for (let n = 0; n < count; n += 1) chosen = [...chosen, bestWith(chosen)]
  for (let round = 0; round < MOST_ROUNDS; round += 1) {
    const before = worth(chosen)
    chosen = chosen.reduce((all, _, i) => {
      const others = all.filter((__, j) => j !== i)
      return [...others.slice(0, i), bestWith(others), ...others.slice(i)]
    }, chosen)
    if (worth(chosen) <= before + 1e-9) break
  }
  return chosen
}

/**
 * @param most highest dose, g per kg of batter @param count of samples
 * @returns doses, the palest first, with the standard deviations that they leave of ln of absorption in blue, green and red and of scattering
 */
export function teachingDoses(
  pigment: Pigment,
  base: BaseTint,
  age: Age,
  most: number,
  count: number,
  way: ReadingWay = 'photo',
): { doses: TeachingDose[]; sd: number[] } {
  const candidates = SHARES.flatMap(share =>
    [0, WHITE_GPERKG].map((whiteGPerKg): Candidate => {
      const dose = { gPerKg: share * most, whiteGPerKg }
      const slopes = MAY_BE.map(by => slopesOf(correctedPigment(pigment, [by, by, by, 0]), dose, base, age))
      return { ...dose, slopes }
    }),
  )
  const chosen = exchanged(candidates, count, way)
  const left =
    inverseOf(
      precisionOf(
        chosen.map(({ slopes }) => slopes[0]!),
        way,
      ),
    ) ?? []
  return {
    doses: chosen
      .map(({ gPerKg, whiteGPerKg }) => ({ gPerKg, whiteGPerKg }))
      .sort((a, b) => a.gPerKg - b.gPerKg || a.whiteGPerKg - b.whiteGPerKg),
    sd: left.map((row, i) => Math.sqrt(row[i]!)),
  }
}
