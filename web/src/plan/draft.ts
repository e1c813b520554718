import { readPlan } from '@ostler/core'
import type { Plan } from '@ostler/core'
import { keysOf, lastingStore, readJson, removeKey, writeJson } from './storage.ts'
import { WINDOW, livingWindows } from './windows.ts'

/** Edits that the server has not acknowledged yet, kept in this browser through reloads and crashes: one for each window. */
export interface Draft {
  revision: number
  plan: Plan
}

/** A draft with the place it is kept in. */
export interface KeptDraft extends Draft {
  key: string
  at: number
}

interface Kept extends Draft {
  at?: number
}

const prefixOf = (id: string) => `ostler.draft.${id}`
const keyOf = (id: string, window = WINDOW) => `${prefixOf(id)}.${window}`

/** @returns whether it is kept: storage may be full or forbidden */
export const keepDraft = (id: string, draft: Draft): boolean =>
  writeJson(lastingStore(), keyOf(id), { ...draft, at: Date.now() } satisfies Kept)

/** Drops what this window kept; another window's edits stay. */
export const dropDraft = (id: string): void => removeKey(lastingStore(), keyOf(id))

/** Drops a draft that was taken up from a window that is gone. */
export const dropKept = ({ key }: KeptDraft): void => removeKey(lastingStore(), key)

function read(key: string): KeptDraft | null {
  const kept = readJson<Kept>(lastingStore(), key)
  if (!kept || typeof kept !== 'object') return null
  const checked = readPlan(kept.plan)
  if (!checked.ok || !Number.isInteger(kept.revision)) return null
  return { key, revision: kept.revision, plan: checked.plan, at: kept.at ?? 0 }
}

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
