import { safetyMissing } from '@ostler/core'
import { useNoted, useNotedState } from '../run/noted.tsx'

/** What has been ticked as this batch is made ready, by name. */
export function useTicks(): { isDone: (key: string) => boolean; set: (key: string, done: boolean) => void } {
  const { run } = useNoted()
  const ticked = useNotedState()?.state.ticked
  return {
    isDone: key => ticked?.[key] !== undefined,
    set: (key, isDone) => {
      if (isDone) run?.note({ kind: 'tick', item: key })
      else run?.takeBack(event => event.kind === 'tick' && event.item === key)
    },
  }
}

/** All cautions were ticked for this making: only then may the lye be opened. */
export function useSafetyTicked(): boolean {
  const { run } = useNoted()
  const state = useNotedState()?.state
  return run !== null && state !== undefined && safetyMissing(state.ticked, run.nowS()).length === 0
}
