import { celsius, fact, keepingZeros, plain } from '../../quantities/facts/index.ts'
import type { Words } from '../../quantities/facts/index.ts'
import { lyeHeatCapacity } from '../../recipe/index.ts'
import type { OilInRecipe } from '../../recipe/index.ts'
import { isFattyAcid, isHard } from '../../shelf/index.ts'
import { clearPoint, latentHeat, solidParts, solidShare } from '../trace/index.ts'
import { OIL_HEAT_CAPACITY } from './cooling.ts'

export interface MeltResult {
  verdict: 'works' | 'marginal' | 'no'
  /** After the hard fats have taken the lye's heat, °C. */
  firstC: number
  /** Solid left then, share of the hard fats. */
  solidLeft: number
  clearC: number
  /** After the liquid oils, °C. */
  finalC: number
  sentence: Words
}

const LOSS = 0.06
const MARGIN_K = 4

/** Root of a falling function between `low` and `high`. */
function bisect(low: number, high: number, isTooLow: (c: number) => boolean): number {
  let [a, b] = [low, high]
  for (let i = 0; i < 60; i += 1) {
    const mid = (a + b) / 2
    if (isTooLow(mid)) a = mid
    else b = mid
  }
  return (a + b) / 2
}

const within = (oils: readonly OilInRecipe[]): OilInRecipe[] => {
  const whole = oils.reduce((sum, part) => sum + part.share, 0)
  return whole > 0 ? oils.map(part => ({ ...part, share: part.share / whole })) : []
}

function sentenceOf(result: Omit<MeltResult, 'sentence'>, stubborn: boolean): Words {
  const at = fact('heat.clear-at', {
    firstC: keepingZeros(celsius(result.firstC, 0)),
    clearC: keepingZeros(celsius(result.clearC, 0)),
  })
  if (result.verdict === 'works')
    return fact('heat.lyes-heat-melts-hard', { at, finalC: keepingZeros(celsius(result.finalC, 0)) })
  if (stubborn) return fact('heat.wax-stearic-acid-melt')
  if (result.verdict === 'marginal') return fact('heat.only-just-melts-hard', { at })
  return fact('heat.lye-has-not-heat', { at, solidLeft: keepingZeros(plain(result.solidLeft * 100, 0)) })
}

/** Beeswax melts at 62 to 65 °C, mixed stearic acid at 54 to 57 °C (handbooks): with a little to spare, °C. */
const WAX_FROM_C = 66
const ACID_FROM_C = 58

/**
 * Does hot lye melt the hard fats? They take its heat first, the liquid oils follow. Heat of reaction, one to three degrees,
 * is left out to be on the safe side.
 *
 * @param oils     all oils with their shares; at room warmth
 * @param oilsKg   all oils, kg
 * @returns null without hard fats
 */
export function hotLyeMelt(
  oils: readonly OilInRecipe[],
  oilsKg: number,
  lyeKg: number,
  w: number,
  lyeC: number,
  roomC: number,
): MeltResult | null {
  const hard = oils.filter(part => isHard(part.oil))
  const hardShare = hard.reduce((sum, part) => sum + part.share, 0)
  if (hardShare === 0) return null
  const hardParts = solidParts(within(hard))
  const allParts = solidParts(oils)
  const hardKg = oilsKg * hardShare
  const liquidKg = oilsKg - hardKg
  const lyeHeat = lyeKg * lyeHeatCapacity(w, 60)
  const firstC = bisect(roomC, lyeC, c => {
    const given = lyeHeat * (lyeC - c) * (1 - LOSS)
    const taken =
      OIL_HEAT_CAPACITY * hardKg * (c - roomC) + hardKg * (latentHeat(hardParts, roomC) - latentHeat(hardParts, c))
    return given > taken
  })
  const finalC = bisect(roomC, firstC, c => {
    const given = (lyeHeat + OIL_HEAT_CAPACITY * hardKg) * (firstC - c)
    const taken =
      OIL_HEAT_CAPACITY * liquidKg * (c - roomC) +
      hardKg * latentHeat(hardParts, firstC) -
      oilsKg * latentHeat(allParts, c)
    return given > taken
  })
  const solidLeft = solidShare(hardParts, firstC)
  const clearC = clearPoint(hardParts)
  const stubborn = hard.some(
    ({ oil }) => (oil.solidWax > 0.5 && firstC < WAX_FROM_C) || (isFattyAcid(oil) && firstC < ACID_FROM_C),
  )
  const verdict = stubborn
    ? 'no'
    : solidLeft < 0.005 && firstC >= clearC + MARGIN_K
      ? 'works'
      : solidLeft < 0.02
        ? 'marginal'
        : 'no'
  const result = { verdict, firstC, solidLeft, clearC, finalC } as const
  return { ...result, sentence: sentenceOf(result, stubborn) }
}
