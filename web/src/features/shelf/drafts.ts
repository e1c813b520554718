import type { ShelfItem } from '@ostler/core'

/** What was typed for an item and not saved yet: the texts of its fields, its lots and parts. */
export interface ItemDraft {
  item: ShelfItem
  /** Texts that cannot be read yet, by field. */
  typed: Record<string, string>
  revision: number
}

const drafts = new Map<string, ItemDraft>()

/** Keeps half-done changes while one looks at other items. */
export const itemDrafts = {
  get: (key: string): ItemDraft | undefined => drafts.get(key),
  keep(key: string, draft: ItemDraft): void {
    drafts.set(key, draft)
    addEventListener('beforeunload', warn)
  },
  drop(key: string): void {
    drafts.delete(key)
    if (drafts.size === 0) removeEventListener('beforeunload', warn)
  },
}

function warn(event: BeforeUnloadEvent): void {
  event.preventDefault()
}
