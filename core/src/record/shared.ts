import { heldEntries } from './fold.ts'
import type { EntryKind, RecordEntry } from './entry.ts'

/** What anybody may see of what came of a batch: how it went, how it looks. Where bars lie and how they left is the workshop's own. */
const SEEN_OUTSIDE: ReadonlySet<EntryKind> = new Set(['unmoulded', 'cut', 'sign', 'graded', 'photo'])
const IN_OWN_WORDS: ReadonlySet<EntryKind> = new Set(['note', 'next'])

/** Entries as they may be seen outside: without who saw it; own words only where they are chosen. */
export function sharedEntries(entries: readonly RecordEntry[], withNotes: boolean): RecordEntry[] {
  return heldEntries(entries)
    .filter(({ kind }) => SEEN_OUTSIDE.has(kind) || (withNotes && IN_OWN_WORDS.has(kind)))
    .map(({ person: _, text, ...entry }) => ({ ...entry, ...(withNotes && text !== undefined && { text }) }))
}
