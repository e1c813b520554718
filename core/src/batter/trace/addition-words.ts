import { fact } from '../../quantities/facts/index.ts'
import type { Fact } from '../../quantities/facts/index.ts'
import type { Additive } from '../../shelf/index.ts'

/** What an additive does to the batter at its dose, in words; none where it hardly does anything. */
export function additionWords(additive: Additive, gPerKgOils: number): Fact[] {
  const percent = Math.min(MOST_PERCENT, gPerKgOils / 10)
  const rate = percent * additive.lnRatePerPercent
  const thick = percent * additive.lnViscosityPerPercent
  const isDry = additive.moment !== 'lye' && additive.waterShare < WET
  return [
    ...(rate > FELT ? [fact('quickens')] : rate < -FELT ? [fact('slows')] : []),
    ...(thick > FELT ? [fact(isDry ? 'thickens as it swells' : 'thickens')] : thick < -FELT ? [fact('thins')] : []),
    ...(additive.heat === 'none' ? [] : additive.heat === 'low' ? [fact('warms a little')] : [fact('heats the mould')]),
    ...(isDry && percent >= STIRRED_PERCENT ? [fact('wants more stirring')] : []),
  ]
}

/** ln of a factor that hands notice: a tenth. */
const FELT = 0.1
/** Beyond it the estimates do not hold. */
const MOST_PERCENT = 3
const WET = 0.2
const STIRRED_PERCENT = 1
