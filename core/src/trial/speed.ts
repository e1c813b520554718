import { MODES, STOP_SD } from '../batter/schedule/index.ts'
import {
  NO_EFFECT,
  UNSCENTED,
  advanceBatter,
  batterPace,
  blendedLevel,
  blenderPower,
  cupCoolingS,
  freshBatter,
  handling,
  loadOf,
  movingLevel,
  scentEffect,
  split,
} from '../batter/trace/index.ts'
import type { RecipePace } from '../batter/trace/index.ts'
import { unitBatter } from '../recipe/index.ts'
import type { Recipe } from '../recipe/index.ts'
import { apartFrom } from '../shelf/index.ts'
import type { Shelf } from '../shelf/index.ts'
import type { Believed, Expected } from './posterior.ts'

/** How a scent quickens a batter, by a scented cup beside a plain one of the same pot: maker, recipe, run and stop are the same in both. */

/** A batter as its cups meet it. */
export interface PairBatter {
  pace: RecipePace
  mixC: number
  roomC: number
  stopLevel: number
  potKg: number
  cupG: number
}

/** Trace of both cups at one moment after the batter was divided. */
export interface PairRead {
  minutes: number
  plain: number
  scented: number
  /** Of one look, levels; left out: by its drip. */
  sd?: number
}

/** Minutes at which the cups are looked at: late looks tell most. */
export const PAIR_MINUTES = [2, 5, 8, 12] as const

/** What a cup lies off by as long as it lasts, and one look: by its drip. Levels. */
const CUP_SD = 0.15
const LOOK_SD = 0.15
/** From here on a batter has set: how much more is not told apart. */
const SET = 4.9
const STEP_S = 5
const STIRRED_S = 20
const MELTED_ABOVE_K = 3
const LONGEST_BLEND_S = 900

/** The batter of a recipe as a trial makes it. */
export function pairBatter(
  recipe: Recipe,
  shelf: Shelf,
  about: Pick<PairBatter, 'mixC' | 'roomC' | 'stopLevel' | 'cupG'>,
): PairBatter {
  return { pace: batterPace(unitBatter(recipe, shelf)), potKg: Math.max(0.2, (2 * about.cupG) / 1000), ...about }
}

/** A pot blended to its stop, u off its usual pace. */
function blended({ pace, mixC, potKg, stopLevel }: PairBatter, u: number, stop: number) {
  const load = loadOf(UNSCENTED, NO_EFFECT, u)
  const how = handling('stick', blenderPower(potKg, 1))
  const pot = freshBatter(pace, mixC, mixC >= pace.clearPointC + MELTED_ABOVE_K)
  for (let s = 0; s < LONGEST_BLEND_S && blendedLevel(pot, pace, load) < stopLevel + stop; s += 1)
    advanceBatter(pot, pace, load, how, 1)
  return pot
}

/** Levels of a stirred cup at minutes that go up, f the ln of its scent's rate factor at its dose. */
function levelsIn(
  batter: PairBatter,
  pot: ReturnType<typeof blended>,
  u: number,
  f: number,
  minutes: readonly number[],
) {
  const { pace, roomC, cupG } = batter
  const load = loadOf(f === 0 ? UNSCENTED : scentEffect(f), NO_EFFECT, u)
  const cooling = { roomC, tauS: cupCoolingS(cupG) }
  const cup = split(pot)
  const levels: number[] = []
  let s = 0
  for (const minute of minutes) {
    while (s < minute * 60 - 1e-6) {
      const step = Math.min(STEP_S, minute * 60 - s)
      advanceBatter(cup, pace, load, s < STIRRED_S ? MODES.hand : MODES.rest, step, cooling)
      s += step
    }
    levels.push(movingLevel(cup, pace, load))
  }
  return levels
}

/** Levels of a cup whose scent quickens by f, u off the usual pace of the batter. */
export const cupLevels = (batter: PairBatter, u: number, f: number, minutes: readonly number[], stop = 0): number[] =>
  levelsIn(batter, blended(batter, u, stop), u, f, minutes)

/** ln of how well levels explain readings of one cup that is off by one and the same amount throughout. */
function lnCup(reads: readonly { seen: number; shown: number; sd: number }[]): number {
  let [sum, squares, precision] = [0, 0, 0]
  for (const { seen, shown, sd } of reads) {
    const miss = Math.min(seen, SET) - Math.min(shown, SET)
    const weight = 1 / sd ** 2
    sum += weight * miss
    squares += weight * miss * miss
    precision += weight
  }
  const lasting = CUP_SD ** 2
  return -(squares - (lasting * sum * sum) / (1 + precision * lasting)) / 2
}

const U_POINTS = 13
const F_POINTS = 25
const REACH = 2.4
const F_REACH = 3.2
const STOPS = [-Math.sqrt(3), 0, Math.sqrt(3)] as const
const STOP_WEIGHTS = [1 / 6, 2 / 3, 1 / 6] as const

const along = (points: number, reach: number): number[] =>
  Array.from({ length: points }, (_, i) => reach * ((2 * i) / (points - 1) - 1))

/** What is expected of a batter's own pace, and of the scent at its dose, ln of factors. */
export interface PairExpected {
  plain: Expected
  scent: Expected
}

/** What a pair said of its scent: believed with what was expected, and apart from it. */
export interface PairSaid {
  expected: Expected
  believed: Believed
  found: { value: number; sd: number } | null
}

/**
 * A scent's pace by its cups, every pair of one pot. Exact on a grid of the batter's pace, the scent's and the stop of blending.
 *
 * @param pairs of each pair its readings, by minutes; both cups at the same minute @param withPlain without it the scented cups stand alone
 */
export function pairSaid(
  batter: PairBatter,
  expected: PairExpected,
  pairs: readonly (readonly PairRead[])[],
  withPlain = true,
): PairSaid {
  const minutes = [...new Set(pairs.flat().map(one => one.minutes))].sort((a, b) => a - b)
  const fs = along(F_POINTS, F_REACH).map(z => expected.scent.mean + z * expected.scent.sd)
  const prior = along(F_POINTS, F_REACH).map(z => -(z * z) / 2)
  const weights = fs.map(() => 0)
  const points: { i: number; ln: number }[] = []
  const ofCups = (which: 'plain' | 'scented', levels: readonly number[]): number =>
    pairs.reduce(
      (sum, reads) =>
        sum +
        lnCup(
          reads.map(one => {
            const shown = levels[minutes.indexOf(one.minutes)]!
            return { seen: one[which], shown, sd: one.sd ?? LOOK_SD }
          }),
        ),
      0,
    )
  for (const z of along(U_POINTS, REACH))
    STOPS.forEach((stop, s) => {
      const u = expected.plain.mean + z * expected.plain.sd
      const pot = blended(batter, u, stop * STOP_SD)
      const plain = levelsIn(batter, pot, u, 0, minutes)
      const common = -(z * z) / 2 + Math.log(STOP_WEIGHTS[s]!)
      const ofPlain = withPlain ? ofCups('plain', plain) : 0
      fs.forEach((f, i) => {
        const levels = levelsIn(batter, pot, u, f, minutes)
        points.push({ i, ln: common + prior[i]! + ofPlain + ofCups('scented', levels) })
      })
    })
  const most = points.reduce((best, one) => Math.max(best, one.ln), -Infinity)
  for (const one of points) weights[one.i]! += Math.exp(one.ln - most)
  const whole = weights.reduce((sum, weight) => sum + weight, 0)
  const mean = fs.reduce((sum, f, i) => sum + (weights[i]! * f) / whole, 0)
  const sd = Math.sqrt(fs.reduce((sum, f, i) => sum + (weights[i]! * (f - mean) ** 2) / whole, 1e-6))
  const believed = { mean, sd }
  return { expected: expected.scent, believed, found: apartFrom(expected.scent, believed) }
}

/** The slope itself depends on the unknown rate: so much wider is what a pair leaves. */
const SLOPE_UNKNOWN = 1.5
/** Maker, recipe and run that a plain cup would have cancelled, ln of the rate. */
const UNCANCELLED = 0.25 ** 2 + 0.2 ** 2 + 0.15 ** 2

/** What readings at given slopes will be worth, before any is made. */
export interface PairWorth {
  /** Variance of ln(rate factor) that a pair leaves by itself, and a scented cup alone. */
  pair: number
  alone: number
  /** Weight of each reading. */
  weights: number[]
}

/** @param slopes of the level on ln(rate) at each reading @param lookSd of one reading, levels */
export function worthOfSlopes(slopes: readonly number[], lookSd = LOOK_SD): PairWorth {
  const n = slopes.length
  const sum = slopes.reduce((a, b) => a + b, 0)
  const squares = slopes.reduce((a, b) => a + b * b, 0)
  const told = (lasting: number): number =>
    (squares - (lasting * sum * sum) / (lookSd ** 2 + n * lasting)) / lookSd ** 2
  const lasting = CUP_SD ** 2
  const raw = slopes.map(b => b - (lasting * sum) / (lookSd ** 2 + n * lasting))
  const scale = raw.reduce((all, w, i) => all + w * slopes[i]!, 0)
  return {
    pair: (SLOPE_UNKNOWN * 2) / told(lasting),
    // Alone, what the model is off by in the cup does not cancel either.
    alone: 1 / told(2 * lasting) + UNCANCELLED,
    weights: raw.map(w => w / scale),
  }
}

const NUDGE = 0.1

/** Slopes of the level on ln(rate factor) at the minutes of a pair. */
export function pairSlopes(batter: PairBatter, f: number, minutes: readonly number[] = PAIR_MINUTES): number[] {
  const pot = blended(batter, 0, 0)
  const [low, high] = [f - NUDGE, f + NUDGE].map(at => levelsIn(batter, pot, 0, at, minutes))
  return minutes.map((_, i) => Math.max(0.05, (Math.min(SET, high![i]!) - Math.min(SET, low![i]!)) / (2 * NUDGE)))
}
