import { batterWater, cureForecast, cureKnown } from '@ostler/core'
import { useMemo } from 'react'
import { useBatch, useForecast, usePlan } from '../../plan/context.tsx'

/** How the bars dry, with what was weighed of them; null where there is no forecast. */
export function useCure(): ReturnType<typeof cureForecast> | null {
  const plan = usePlan(one => one.plan)
  const { shelf } = useBatch()
  const forecast = useForecast()
  return useMemo(
    () =>
      forecast
        ? cureForecast(plan, batterWater(plan, forecast.portions, shelf), { known: cureKnown(shelf.evidence) })
        : null,
    [forecast, plan, shelf],
  )
}
