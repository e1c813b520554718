import { GELS, COLOUR_VISIONS, STAGES, hexOfCup, seenBy } from '@ostler/core'
import type { ColourForecast, Gelled, Plan, ColourVision, Stage } from '@ostler/core'
import { useSyncExternalStore } from 'react'
import { useForecast, usePlan } from './context.tsx'
import { lastingStore, readJson, writeJson } from '../kept/storage.ts'

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

/** Each cup's colour as it is looked at: the forecast one, or the wished one until there is a forecast. */
export const cupHex = (plan: Plan, colours: ColourForecast | null, view: ColourView, cup: string): string =>
  seenBy(hexOfCup(plan, colours, cup, view), view.sight)

/** Colours of the open batch's cups. */
export function useCupHex(): (cup: string) => string {
  const view = useColourView()
  const plan = usePlan(state => state.plan)
  const colours = useForecast()?.colours ?? null
  return cup => cupHex(plan, colours, view, cup)
}
