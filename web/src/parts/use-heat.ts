import { heatPlan } from '@ostler/core'
import type { HeatPlan } from '@ostler/core'
import { useMemo } from 'react'
import { useBatch, useForecast, usePlan } from '../plan/context.tsx'

/** The heat plan of the open batch; worked out only on the pages that show it. */
export function useHeatPlan(): HeatPlan | null {
  const batch = useBatch()
  const plan = usePlan(state => state.plan)
  const portions = useForecast()?.portions
  return useMemo(() => (portions ? heatPlan(plan, batch.shelf, portions) : null), [plan, portions, batch])
}
