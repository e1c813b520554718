import { designOf, findById, seenBy } from '@ostler/core'
import type { Design } from '@ostler/core'
import { useMemo } from 'react'
import { useColourView, useCupHex } from '../../plan/colour-view.ts'
import { useBatch, useForecast, usePlan } from '../../plan/context.tsx'

/** The open batch's design, compiled with the trace that its pours are forecast to have. */
export function useDesign(): Design {
  const plan = usePlan(state => state.plan)
  const pours = useForecast()?.lanes.pours
  return useMemo(() => designOf(plan, pours?.map(pour => (pour.startLevel + pour.endLevel) / 2) ?? []), [plan, pours])
}

/** A colour for each of a design's: the cups as they are looked at, then powders. */
export function useDesignHexes(design: Design): string[] {
  const hexOf = useCupHex()
  const { sight } = useColourView()
  const { shelf } = useBatch()
  return [
    ...design.cups.map(hexOf),
    ...design.pencils.map(id => seenBy(findById(shelf.colorants, id)?.hex ?? '#555555', sight)),
  ]
}
