import type { BatchAnswer, Words } from '@ostler/core'

/** How the open plan stands to what the server has. */
export type SaveState =
  | { kind: 'saved'; at: Date }
  | { kind: 'saving' }
  | { kind: 'waiting'; sentence: string }
  | { kind: 'signed-out' }
  | { kind: 'refused'; sentence: string }
  /** `parts`: what both have changed, in words. */
  | { kind: 'conflict'; theirs: BatchAnswer; parts: readonly Words[] }
  | { kind: 'gone' }
