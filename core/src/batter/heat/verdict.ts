import { celsius, fact, listOf, warmerBy } from '../../quantities/facts/index.ts'
import type { Measure, Words } from '../../quantities/facts/index.ts'
import type { Plan } from '../../plan/index.ts'
import type { MeltResult } from './melt.ts'

/** Whether lye and oils suit each other by the workshop's rule, and what would do. */
export interface TemperatureVerdict {
  isGood: boolean
  sentence: Words
}

interface Meeting {
  lyeC: number
  oilsC: number
  mixC: number
  peakC: number
  melt: MeltResult | null
}

/** To half a degree: a bench thermometer knows no more. */
const c = (value: number): Measure => celsius(Math.round(value * 2) / 2)

function reachable(plan: Plan, { lyeC, oilsC, peakC }: Meeting): Words | null {
  if (lyeC > peakC + 0.5) return fact('heat.lye-only-reaches-less', { c: c(peakC), c2: c(lyeC) })
  if (plan.heat.rule !== 'transfer' && oilsC > plan.heat.meltC + 0.5)
    return fact('heat.oils-would-need-are', { c: c(oilsC), c2: c(plan.heat.meltC) })
  if (plan.heat.rule !== 'transfer' && oilsC < plan.conditions.roomC - 3 && plan.heat.oilsCooling === 'air')
    return fact('heat.oils-would-need-room', { c: c(oilsC), c2: c(plan.conditions.roomC) })
  return null
}

/** Applies the workshop's rule. Where makers differ, each rule stands; the forecast only asks what the mix will be. */
export function verdictOf(plan: Plan, meeting: Meeting): TemperatureVerdict {
  const { gapK, bandLowC, bandHighC, rule } = plan.heat
  const { lyeC, oilsC, mixC, melt } = meeting
  const out = reachable(plan, meeting)
  if (out) return { isGood: false, sentence: out }
  const together = fact('heat.together', { c: c(mixC) })
  if (rule === 'transfer') {
    if (!melt) return { isGood: false, sentence: fact('heat.there-are-no-hard') }
    return { isGood: melt.verdict === 'works', sentence: melt.sentence }
  }
  if (rule === 'gap') {
    const gap = Math.abs(lyeC - oilsC)
    // Where whole degrees would say the same of both, tenths tell them apart.
    const decimals = gap > gapK && gap.toFixed(0) === gapK.toFixed(0) ? 1 : 0
    const far = warmerBy(gap, decimals)
    const within = warmerBy(gapK, 1)
    return gap <= gapK + 0.05
      ? {
          isGood: true,
          sentence: fact('heat.lye-oils-apart-within', { c: c(lyeC), c2: c(oilsC), far, rule: within, together }),
        }
      : {
          isGood: false,
          sentence: fact('heat.lye-oils-are-apart', { c: c(lyeC), c2: c(oilsC), far, rule: within, together }),
        }
  }
  if (rule === 'band') {
    const inside = (t: number) => t >= bandLowC - 0.05 && t <= bandHighC + 0.05
    const outside = [
      !inside(lyeC) && fact('heat.the-lye', { c: c(lyeC) }),
      !inside(oilsC) && fact('heat.the-oils', { c: c(oilsC) }),
    ].filter(Boolean)
    return outside.length === 0
      ? {
          isGood: true,
          sentence: fact('heat.lye-oils-are-within', {
            c: c(lyeC),
            c2: c(oilsC),
            c3: c(bandLowC),
            c4: c(bandHighC),
            together,
          }),
        }
      : {
          isGood: false,
          sentence: fact('heat.outside-your-band', {
            outside: listOf(outside.filter(one => one !== false)),
            c: c(bandLowC),
            c2: c(bandHighC),
            together,
          }),
        }
  }
  return { isGood: true, sentence: fact('heat.lye-oils-give-mix', { c: c(lyeC), c2: c(oilsC), c3: c(mixC) }) }
}
