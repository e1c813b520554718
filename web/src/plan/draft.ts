import { readPlan } from '@ostler/core'
import type { Plan } from '@ostler/core'

/** Edits that the server has not acknowledged yet, kept in this browser through reloads and crashes. */
export interface Draft {
  revision: number
  plan: Plan
}

interface Kept extends Draft {
  tab: string
}

const TAB = Math.random().toString(36).slice(2)
const keyOf = (id: string) => `ostler.draft.${id}`

export function keepDraft(id: string, draft: Draft): void {
  try {
    localStorage.setItem(keyOf(id), JSON.stringify({ ...draft, tab: TAB } satisfies Kept))
  } catch {
    // Storage may be full or forbidden; the edit still is in memory and on its way to the server.
  }
}

/** Drops what this tab kept; another tab's edits stay. */
export function dropDraft(id: string): void {
  const kept = read(id)
  if (kept?.tab === TAB) localStorage.removeItem(keyOf(id))
}

export function draftOf(id: string): Draft | null {
  const kept = read(id)
  if (!kept) return null
  const checked = readPlan(kept.plan)
  return checked.ok && Number.isInteger(kept.revision) ? { revision: kept.revision, plan: checked.plan } : null
}

function read(id: string): Kept | null {
  try {
    return JSON.parse(localStorage.getItem(keyOf(id)) ?? 'null') as Kept | null
  } catch {
    return null
  }
}
