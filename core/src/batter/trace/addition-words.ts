import type { Additive } from '../../shelf/index.ts'

/** What an additive does to the batter at its dose, in words; none where it hardly does anything. */
export function additionWords(additive: Additive, gPerKgOils: number): string[] {
  const percent = Math.min(MOST_PERCENT, gPerKgOils / 10)
  const rate = percent * additive.lnRatePerPercent
  const thick = percent * additive.lnViscosityPerPercent
  const isDry = additive.moment !== 'lye' && additive.waterShare < WET
  return [
    ...(rate > FELT ? ['quickens'] : rate < -FELT ? ['slows'] : []),
    ...(thick > FELT ? [isDry ? 'thickens as it swells' : 'thickens'] : thick < -FELT ? ['thins'] : []),
    ...(additive.heat === 'none' ? [] : additive.heat === 'low' ? ['warms a little'] : ['heats the mould']),
    ...(isDry && percent >= STIRRED_PERCENT ? ['wants more stirring'] : []),
  ]
}

/** ln of a factor that hands notice: a tenth. */
const FELT = 0.1
/** Beyond it the estimates do not hold. */
const MOST_PERCENT = 3
const WET = 0.2
const STIRRED_PERCENT = 1
