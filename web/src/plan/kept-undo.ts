import { PLAN_VERSION, writePlan } from '@ostler/core'
import type { Plan } from '@ostler/core'
import { readJson, removeKey, sessionStore, writeJson } from './storage.ts'

/** Steps of undo of a batch, kept in this window while it looks elsewhere or reloads. */
interface KeptUndo {
  version: number
  /** The plan that they lead away from. */
  now: string
  past: Plan[]
  future: Plan[]
}

/** So many steps each way, and fewer where the storage has no room for them. */
const STEPS = [30, 8, 2]
const keyOf = (id: string) => `ostler.undo.${id}`

export function keepUndo(id: string, plan: Plan, past: readonly Plan[], future: readonly Plan[]): void {
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
export function keptUndo(id: string, plan: Plan): { past: Plan[]; future: Plan[] } {
  const kept = readJson<KeptUndo>(sessionStore(), keyOf(id))
  if (!kept || kept.version !== PLAN_VERSION || kept.now !== writePlan(plan)) return { past: [], future: [] }
  return { past: kept.past, future: kept.future }
}
