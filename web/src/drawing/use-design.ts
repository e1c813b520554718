import { colourNames, designOf, findById, kindOfPour, planOfCavity, seenBy } from '@ostler/core'
import type { Design, Plan, Words } from '@ostler/core'
import { useMemo } from 'react'
import { useColourView, useCupHex } from '../plan/colour-view.ts'
import { useBatch, useForecast, usePlan } from '../plan/context.tsx'

/** The newest designs, by everything that they depend on: a change of scent or dose redraws nothing. */
const compiled = new Map<string, Design>()
const MOST_COMPILED = 8

function compiledDesign(plan: Plan, levels: readonly number[]): Design {
  const { mould, score, moves, finish, cutting, cups } = plan
  const key = JSON.stringify([mould, score, moves, finish, cutting, cups.map(cup => cup.id), levels])
  const known = compiled.get(key)
  if (known) return known
  const design = designOf(plan, levels)
  compiled.set(key, design)
  if (compiled.size > MOST_COMPILED) compiled.delete(compiled.keys().next().value!)
  return design
}

/** The plan as the cavity sees it that the chosen pour or tool goes into; the whole plan where all cavities are alike. */
export function useCavityPlan(plan: Plan, chosen: string | null = null): Plan {
  const pour = plan.moves.find(move => move.id === chosen)?.after ?? chosen
  return useMemo(() => planOfCavity(plan, kindOfPour(plan, pour)), [plan, pour])
}

/**
 * The open batch's design, compiled with the trace that its pours are forecast to have; of a mould whose cavities hold
 * different pours, that of the cavity with the chosen one.
 */
export function useDesign(tried: Plan | null = null, chosen: string | null = null): Design {
  const own = usePlan(state => state.plan)
  const plan = useCavityPlan(tried ?? own, chosen)
  const levels = useLevels(plan)
  return useMemo(() => compiledDesign(plan, levels), [plan, levels])
}

/** Differences of trace that no eye sees in a face. */
const LEVEL_STEP = 0.02

/** Trace of each pour as forecast; a score that is only tried keeps what its pours have now. */
export function useLevels(plan: Plan): readonly number[] {
  const pours = useForecast()?.lanes.pours
  return useMemo(() => {
    const known = new Map(pours?.map(pour => [pour.pour, (pour.startLevel + pour.endLevel) / 2]))
    return plan.score.map(pour => Math.round((known.get(pour.id) ?? USUAL_LEVEL) / LEVEL_STEP) * LEVEL_STEP)
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

/** Names of the same colours, for those who hear a picture instead of seeing it. */
export function useDesignNames(design: Design): Words[] {
  const plan = usePlan(state => state.plan)
  const { shelf } = useBatch()
  return colourNames(plan, design, id => findById(shelf.colorants, id)?.name ?? id)
}
