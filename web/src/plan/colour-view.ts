import { GELS, COLOUR_VISIONS, STAGES, gelOf, seenBy } from '@ostler/core'
import type { ColourForecast, Gelled, Plan, ColourVision, Stage } from '@ostler/core'
import { useSyncExternalStore } from 'react'
import { useForecast, usePlan } from './context.tsx'
import { lastingStore, readJson, writeJson } from './storage.ts'

/** At which stage soap is looked at, gelled or not, and with whose eyes. Kept in this browser for all batches. */
export interface ColourView {
  stage: Stage
  /** Null: as the plan reckons. */
  gelled: Gelled | null
  sight: ColourVision
}

const KEY = 'ostler-colour-view'
const START: ColourView = { stage: 'cured', gelled: null, sight: 'full' }

function stored(): ColourView {
  const { stage, gelled, sight } = readJson<Partial<ColourView>>(lastingStore(), KEY) ?? {}
  return {
    stage: stage && stage in STAGES ? stage : START.stage,
    gelled: gelled && gelled in GELS ? gelled : null,
    sight: sight && sight in COLOUR_VISIONS ? sight : START.sight,
  }
}

let view: ColourView | undefined
const listeners = new Set<() => void>()
const current = (): ColourView => (view ??= stored())

export function setColourView(part: Partial<ColourView>): void {
  view = { ...current(), ...part }
  // A full or forbidden store only forgets the view.
  writeJson(lastingStore(), KEY, view)
  for (const listener of listeners) listener()
}

function subscribe(listener: () => void): () => void {
  listeners.add(listener)
  return () => listeners.delete(listener)
}

export const useColourView = (): ColourView => useSyncExternalStore(subscribe, current)

/** Where no forecast stands yet and nothing was wished for. */
const UNKNOWN = '#bdb6a6'

/** Each cup's colour as it is looked at: the forecast one, or the wished one until there is a forecast. */
export function cupHex(plan: Plan, colours: ColourForecast | null, view: ColourView, cup: string): string {
  const planned = plan.cups.find(one => one.id === cup)
  // Without any colorant yet a cup shows what is wished of it.
  if (planned?.wish && planned.colorants.length === 0 && plan.potColorants.length === 0)
    return seenBy(planned.wish, view.sight)
  const found = colours?.cups.find(one => one.cup === cup)
  const gelled = view.gelled ?? found?.gelled ?? gelOf(plan)
  const hex = found?.stages[view.stage][gelled].hex ?? planned?.wish ?? UNKNOWN
  return seenBy(hex, view.sight)
}

/** Colours of the open batch's cups. */
export function useCupHex(): (cup: string) => string {
  const view = useColourView()
  const plan = usePlan(state => state.plan)
  const colours = useForecast()?.colours ?? null
  return cup => cupHex(plan, colours, view, cup)
}
