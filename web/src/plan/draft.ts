import { planChanges, readChanges, readPlan } from '@ostler/core'
import type { Change, Plan } from '@ostler/core'
import { keysOf, lastingStore, readJson, removeKey, writeJson } from '../kept/storage.ts'
import { WINDOW, livingWindows } from './windows.ts'

/** Changes that the server has not acknowledged yet, kept in this browser through reloads and crashes: one list for each window. */
export interface Draft {
  revision: number
  /** On the plan of that revision. */
  changes: readonly Change[]
}

/** A draft with the place it is kept in; one of an older Ostler is the whole plan as it was typed. */
export interface KeptDraft {
  key: string
  at: number
  revision: number
  changes: readonly Change[] | null
  plan: Plan | null
}

interface Kept {
  revision?: unknown
  changes?: unknown
  plan?: unknown
  at?: number
}

const prefixOf = (id: string) => `ostler.draft.${id}`
const keyOf = (id: string, window = WINDOW) => `${prefixOf(id)}.${window}`

/** @returns whether it is kept: storage may be full or forbidden */
export const keepDraft = (id: string, draft: Draft): boolean =>
  writeJson(lastingStore(), keyOf(id), { ...draft, at: Date.now() })

/** Drops what this window kept; another window's edits stay. */
export const dropDraft = (id: string): void => removeKey(lastingStore(), keyOf(id))

/** Drops a draft that was taken up from a window that is gone. */
export const dropKept = ({ key }: KeptDraft): void => removeKey(lastingStore(), key)

function read(key: string): KeptDraft | null {
  const kept = readJson<Kept>(lastingStore(), key)
  if (!kept || typeof kept !== 'object' || !Number.isInteger(kept.revision)) return null
  const about = { key, revision: kept.revision as number, at: kept.at ?? 0 }
  const changes = readChanges(kept.changes)
  if (changes) return { ...about, changes, plan: null }
  const checked = readPlan(kept.plan)
  return checked.ok ? { ...about, changes: null, plan: checked.plan } : null
}

/** What a draft changes in the plan that it was made on, where that is `base`. */
export const draftChanges = ({ changes, plan }: KeptDraft, base: Plan): readonly Change[] =>
  changes ?? (plan ? planChanges(base, plan) : [])

export const ownDraft = (id: string): KeptDraft | null => read(keyOf(id))

/** What this window kept of a batch, or else the newest draft of a window that is gone; null without. */
export async function draftToTakeUp(id: string): Promise<KeptDraft | null> {
  const own = ownDraft(id)
  if (own) return own
  const living = await livingWindows().catch(() => new Set([WINDOW]))
  const prefix = prefixOf(id)
  const left = keysOf(lastingStore())
    .filter(key => key === prefix || key.startsWith(`${prefix}.`))
    .filter(key => !living.has(key.slice(prefix.length + 1)))
    .flatMap(key => read(key) ?? [])
  return left.sort((a, b) => b.at - a.at)[0] ?? null
}
