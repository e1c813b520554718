import { designOf, findById, seenBy } from '@ostler/core'
import type { Design, Plan } from '@ostler/core'
import { useMemo } from 'react'
import { useColourView, useCupHex } from '../../plan/colour-view.ts'
import { useBatch, useForecast, usePlan } from '../../plan/context.tsx'

/** The open batch's design, compiled with the trace that its pours are forecast to have. */
export function useDesign(tried: Plan | null = null): Design {
  const own = usePlan(state => state.plan)
  const plan = tried ?? own
  const levels = useLevels(plan)
  return useMemo(() => designOf(plan, levels), [plan, levels])
}

/** Trace of each pour as forecast; a score that is only tried keeps what its pours have now. */
export function useLevels(plan: Plan): readonly number[] {
  const pours = useForecast()?.lanes.pours
  return useMemo(() => {
    const known = new Map(pours?.map(pour => [pour.pour, (pour.startLevel + pour.endLevel) / 2]))
    return plan.score.flatMap(pour => known.get(pour.id) ?? [USUAL_LEVEL])
  }, [plan.score, pours])
}

const USUAL_LEVEL = 2.6

/** A colour for each of a design's: the cups as they are looked at, then powders. */
export function useDesignHexes(design: Design): string[] {
  const hexOf = useCupHex()
  const { sight } = useColourView()
  const { shelf } = useBatch()
  return [
    ...design.cups.map(hexOf),
    ...design.pencils.map(id => seenBy(findById(shelf.colorants, id)?.hex ?? '#555555', sight)),
    ...design.embedHexes.map(hex => seenBy(hex, sight)),
  ]
}
