import { batterWater, cureForecast, cureKnown, yieldReckoned } from '@ostler/core'
import type { RecordState, YieldReckoned } from '@ostler/core'
import { differenceInCalendarDays, parseISO } from 'date-fns'
import { useMemo } from 'react'
import { useBatch, useForecast, usePlan } from '../plan/context.tsx'
import { t } from '../words/index.ts'

/** Where the soap went: what went into pot and cups by the plan, and what is left of soap on the day that it was weighed up. */
export function useYield(state: RecordState): YieldReckoned | null {
  const plan = usePlan(one => one.plan)
  const { shelf } = useBatch()
  const forecast = useForecast()
  const weighedOn = state.entries.findLast(entry => entry.kind === 'yield' && entry.part === 'bars')?.on
  return useMemo(() => {
    if (!forecast || weighedOn === undefined) return null
    const { portions } = forecast
    const cups = portions.cups.reduce((sum, cup) => sum + cup.totalG, 0)
    const inG = Math.max(portions.potG, cups)
    const { curve, freshG } = cureForecast(plan, batterWater(plan, portions, shelf), {
      known: cureKnown(shelf.evidence),
    })
    const day =
      plan.rest.pouredAt === ''
        ? 1
        : Math.max(0, differenceInCalendarDays(parseISO(weighedOn), parseISO(plan.rest.pouredAt)))
    const after = curve.findIndex(point => point.day >= day)
    const [a, b] = [curve[Math.max(0, after - 1)]!, curve[after < 0 ? curve.length - 1 : after]!]
    const massG = b.day === a.day ? b.massG : a.massG + ((b.massG - a.massG) * (day - a.day)) / (b.day - a.day)
    return yieldReckoned(state, inG, Math.min(1, massG / freshG))
  }, [forecast, plan, shelf, state, weighedOn])
}

/** Where it went, line by line, g; what is nothing is left out. */
export const yieldLines = (reckoned: YieldReckoned): { what: string; grams: number }[] =>
  (
    [
      [t('went in'), reckoned.inG],
      [t('bars'), reckoned.barsG],
      [t('ends and trims'), reckoned.endsG],
      [t('samples'), reckoned.samplesG],
      [t('stuck to vessels'), reckoned.stuckG],
      [t('spilt or thrown away'), reckoned.spiltG],
      [t('water that went off by then, about'), reckoned.waterG],
    ] as const
  ).flatMap(([what, grams]) => (grams > 0 ? [{ what, grams }] : []))
