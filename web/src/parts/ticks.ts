import type { EditResult } from '@ostler/core'
import { useBatch, usePlan } from '../plan/context.tsx'
import { SAFETY } from '../ui/safety.ts'

/** What has been ticked in this batch, by name. */
export function useTicks(): { isDone: (key: string) => boolean; set: (key: string, done: boolean) => EditResult } {
  const batch = useBatch()
  const done = usePlan(state => state.plan.preparation.done)
  return {
    isDone: key => done.includes(key),
    set: (key, isDone) => {
      const now = batch.get().plan.preparation.done
      const value = isDone ? [...now.filter(one => one !== key), key] : now.filter(one => one !== key)
      return batch.edit({ kind: 'set', path: ['preparation', 'done'], value })
    },
  }
}

export const safetyKey = (i: number): string => `safety:${i + 1}`

/** All cautions were ticked: only then may the lye be. */
export function useSafetyTicked(): boolean {
  const done = usePlan(state => state.plan.preparation.done)
  return SAFETY.every((_, i) => done.includes(safetyKey(i)))
}
