import { heatPlan, heatReadingsIn } from '@ostler/core'
import type { HeatPlan } from '@ostler/core'
import { useMemo } from 'react'
import { useNotedState } from '../run/noted.tsx'
import { useBatch, useForecast, usePlan } from '../plan/context.tsx'

/** The heat plan of the open batch, with what was read of it; worked out only on the pages that show it. */
export function useHeatPlan(): HeatPlan | null {
  const batch = useBatch()
  const plan = usePlan(state => state.plan)
  const portions = useForecast()?.portions
  const temps = useNotedState()?.state.temps
  return useMemo(
    () => (portions ? heatPlan(plan, batch.shelf, portions, temps && heatReadingsIn(temps)) : null),
    [plan, portions, batch, temps],
  )
}
