import { PLAN_VERSION, readChanges, writePlan } from '@ostler/core'
import type { Plan } from '@ostler/core'
import { History } from './history.ts'
import { readJson, removeKey, sessionStore, writeJson } from '../kept/storage.ts'

/** Steps of undo of a batch, kept in this window while it looks elsewhere or reloads. */
interface KeptUndo {
  version: number
  /** The plan that they lead away from. */
  now: string
  past: unknown[]
  future: unknown[]
}

/** So many steps each way, and fewer where the storage has no room for them. */
const STEPS = [200, 30, 5]
const keyOf = (id: string) => `ostler.undo.${id}`

export function keepUndo(id: string, plan: Plan, { past, future }: History): void {
  if (past.length + future.length === 0) return removeKey(sessionStore(), keyOf(id))
  for (const steps of STEPS) {
    const kept: KeptUndo = {
      ...{ version: PLAN_VERSION, now: writePlan(plan) },
      ...{ past: past.slice(-steps), future: future.slice(-steps) },
    }
    if (writeJson(sessionStore(), keyOf(id), kept)) return
  }
}

/** The steps that lead away from just this plan; none otherwise. */
export function keptUndo(id: string, plan: Plan): History {
  const kept = readJson<KeptUndo>(sessionStore(), keyOf(id))
  if (!kept || kept.version !== PLAN_VERSION || kept.now !== writePlan(plan)) return new History()
  const steps = (list: unknown) => (Array.isArray(list) ? list.flatMap(one => [readChanges(one) ?? []]) : [])
  return new History(steps(kept.past), steps(kept.future))
}
