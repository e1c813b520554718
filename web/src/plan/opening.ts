import { changedParts, differingParts, withChanges } from '@ostler/core'
import type { BatchAnswer, Plan, Words } from '@ostler/core'
import { draftChanges } from './draft.ts'
import type { KeptDraft } from './draft.ts'
import type { SaveState } from './save-state.ts'

/** The plan to open with: what was saved, with a draft on top of it where that fits what others made of it meanwhile. */
export function openingOf(batch: BatchAnswer, saved: Plan, draft: KeptDraft | null): { plan: Plan; save: SaveState } {
  const conflict = (parts: readonly Words[]): SaveState => ({ kind: 'conflict', theirs: batch, parts })
  if (!draft) return { plan: saved, save: { kind: 'saved', at: new Date(batch.updatedAt) } }
  const { plan: whole } = draft
  if (whole && draft.revision < batch.revision) return { plan: whole, save: conflict(differingParts(whole, saved)) }
  const changes = draftChanges(draft, saved)
  const made = withChanges(saved, changes)
  if (made.ok && made.met.length === 0) return { plan: made.plan, save: { kind: 'saving' } }
  const forced = withChanges(saved, changes, { force: true })
  const met = made.met.length > 0 ? made.met.map(one => one.change) : changes
  return { plan: forced.ok ? forced.plan : saved, save: conflict(changedParts(met, saved)) }
}
