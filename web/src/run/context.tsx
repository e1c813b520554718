import { activeOf, forecast, hexOfCup } from '@ostler/core'
import type { Following } from '@ostler/core'
import { createContext, useContext, useMemo, useSyncExternalStore } from 'react'
import { useColourView } from '../plan/colour-view.ts'
import type { OpenRunState, RunAtHand } from './open-run.ts'

export const OpenRunContext = createContext<RunAtHand | null>(null)

/** The run that is open. */
export function useRun(): RunAtHand {
  const run = useContext(OpenRunContext)
  if (!run) throw new Error('no run is open here')
  return run
}

export function useRunState(): OpenRunState {
  const run = useRun()
  return useSyncExternalStore(run.subscribe, run.get)
}

/** What is followed as things stand: the plan, or what is left of it after plan B was taken. */
export function useFollowed(): Following {
  const run = useRun()
  const { state } = useRunState()
  return activeOf(run.following, state)
}

/** Colours of the cups as the plan has them forecast. */
export function useRunHex(): (cup: string) => string {
  const { following } = useRun()
  const view = useColourView()
  const colours = useMemo(() => {
    const made = forecast(following.plan, following.shelf)
    return made.ok ? made.forecast.colours : null
  }, [following])
  return cup => hexOfCup(following.plan, colours, cup, view)
}
