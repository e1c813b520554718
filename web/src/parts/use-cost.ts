import {
  batterWater,
  costReckoned,
  costVariants,
  cureForecast,
  cureKnown,
  recordFold,
  runSheet,
  spent,
  weightsIn,
} from '@ostler/core'
import type { CostReckoned, CostVariant, Plan, Pricing } from '@ostler/core'
import { useQuery } from '@tanstack/react-query'
import { useMemo } from 'react'
import { useParams } from 'react-router'
import { recordQuery } from '../api/client.ts'
import { lotsQuery } from '../api/workshop.ts'
import { useBatch, useForecast, usePlan } from '../plan/context.tsx'
import { useNotedState } from '../run/noted.tsx'
import { useHeatPlan } from './use-heat.ts'
import { fixed } from '../words/index.ts'

/** Cutting, and clearing away, h. Engineering estimate. */
const AFTERWARDS_H = 0.75

/** Money as the workshop writes it, to the hundredth. */
export const showMoney = (amount: number, { currency }: Pick<Pricing, 'currency'>): string =>
  `${fixed(amount, 2)} ${currency}`.trim()

export interface BarCost {
  cost: CostReckoned
  bars: number
  hours: number
  /** It was weighed, and not only planned. */
  isWeighed: boolean
  variants: CostVariant[]
}

/** Bars that are sold when all are cut so many times as thick. */
function barsAt(plan: Plan, times: number, bars: number): number {
  const at = (by: number) =>
    cureForecast({ ...plan, cutting: { ...plan.cutting, barMm: plan.cutting.barMm * by } }, 0.2).bars.count
  const now = at(1)
  return now > 0 ? (bars * at(times)) / now : bars
}

/** The batch as it was cut, or as it is planned; work by the run sheet and the pour. */
export function useCost(pricing: Pricing): BarCost | null {
  const { id = '' } = useParams()
  const plan = usePlan(state => state.plan)
  const { shelf } = useBatch()
  const forecast = useForecast()
  const heat = useHeatPlan()
  const { data: record } = useQuery(recordQuery(id))
  const { data: lots } = useQuery(lotsQuery(id))
  const weighed = useNotedState()?.state.weighed
  return useMemo(() => {
    if (!forecast || !heat) return null
    const { cutCount, yields } = recordFold(record?.entries ?? [])
    const cure = cureForecast(plan, batterWater(plan, forecast.portions, shelf), { known: cureKnown(shelf.evidence) })
    const bars = Math.max(0, (cutCount ?? cure.bars.count) - yields.samples.count)
    const minutes = runSheet(plan, shelf, forecast.portions, heat).busyMin + forecast.lanes.endMin
    const hours = minutes / 60 + AFTERWARDS_H
    const weights = weightsIn(weighed ?? {})
    const stock = spent(plan, shelf, forecast.portions, weights, lots ?? [])
    const facts = { stock, hours, bars, curedG: cure.curedG }
    const cost = costReckoned(facts, pricing)
    const sized = { thinner: barsAt(plan, 0.9, bars), thicker: barsAt(plan, 1.1, bars) }
    const variants = costVariants(facts, pricing, sized)
    return cost && { cost, bars, hours, isWeighed: Object.keys(weights).length > 0, variants }
  }, [forecast, heat, lots, plan, pricing, record, shelf, weighed])
}
