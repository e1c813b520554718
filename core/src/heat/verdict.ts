import type { Plan } from '../plan/index.ts'
import { kelvins, sayDifference } from '../units/index.ts'
import type { MeltResult } from './melt.ts'

/** Whether lye and oils suit each other by the workshop's rule, and what would do. */
export interface TemperatureVerdict {
  isGood: boolean
  sentence: string
}

interface Meeting {
  lyeC: number
  oilsC: number
  mixC: number
  peakC: number
  melt: MeltResult | null
}

/** To half a degree: a bench thermometer knows no more. */
const c = (value: number): string => `${Math.round(value * 2) / 2} °C`

function reachable(plan: Plan, { lyeC, oilsC, peakC }: Meeting): string | null {
  if (lyeC > peakC + 0.5) return `The lye only reaches ${c(peakC)} (less ice, or warmer water), not ${c(lyeC)}.`
  if (plan.heat.rule !== 'transfer' && oilsC > plan.heat.meltC + 0.5)
    return `The oils would need ${c(oilsC)} and are melted to ${c(plan.heat.meltC)}. Melt them warmer, or take the lye warmer.`
  if (plan.heat.rule !== 'transfer' && oilsC < plan.conditions.roomC - 3 && plan.heat.oilsCooling === 'air')
    return `The oils would need ${c(oilsC)} in a room of ${c(plan.conditions.roomC)}: cool them in a bath, or take cooler lye.`
  return null
}

/** Applies the workshop's rule. Where makers differ, each rule stands; the forecast only asks what the mix will be. */
export function verdictOf(plan: Plan, meeting: Meeting): TemperatureVerdict {
  const { gapK, bandLowC, bandHighC, rule } = plan.heat
  const { lyeC, oilsC, mixC, melt } = meeting
  const out = reachable(plan, meeting)
  if (out) return { isGood: false, sentence: out }
  const together = `together ${c(mixC)}`
  if (rule === 'transfer') {
    if (!melt) return { isGood: false, sentence: 'There are no hard fats for the hot lye to melt.' }
    return { isGood: melt.verdict === 'works', sentence: melt.sentence }
  }
  if (rule === 'gap') {
    const gap = kelvins(Math.abs(lyeC - oilsC))
    // Where whole degrees would say the same of both, tenths tell them apart.
    const decimals = gap > gapK && gap.toFixed(0) === gapK.toFixed(0) ? 1 : 0
    const far = sayDifference(gap, decimals)
    const rule = sayDifference(kelvins(gapK), 1)
    return gap <= gapK + 0.05
      ? {
          isGood: true,
          sentence: `Lye ${c(lyeC)}, oils ${c(oilsC)}: ${far} apart, within ${rule}; ${together}.`,
        }
      : {
          isGood: false,
          sentence: `Lye ${c(lyeC)} and oils ${c(oilsC)} are ${far} apart, more than your ${rule}; ${together}.`,
        }
  }
  if (rule === 'band') {
    const inside = (t: number) => t >= bandLowC - 0.05 && t <= bandHighC + 0.05
    const outside = [!inside(lyeC) && `the lye (${c(lyeC)})`, !inside(oilsC) && `the oils (${c(oilsC)})`].filter(
      Boolean,
    )
    return outside.length === 0
      ? {
          isGood: true,
          sentence: `Lye ${c(lyeC)} and oils ${c(oilsC)} are within ${c(bandLowC)} to ${c(bandHighC)}; ${together}.`,
        }
      : {
          isGood: false,
          sentence: `${outside.join(' and ')} outside your band of ${c(bandLowC)} to ${c(bandHighC)}; ${together}.`,
        }
  }
  return { isGood: true, sentence: `Lye ${c(lyeC)} and oils ${c(oilsC)} give ${c(mixC)}, the mix you plan with.` }
}
