import type { Plan } from '@ostler/core'
/** Edits that the server has not acknowledged yet, kept in this browser through reloads and crashes. */
export interface Draft {
  revision: number
  plan: Plan
}
export declare function keepDraft(id: string, draft: Draft): void
/** Drops what this tab kept; another tab's edits stay. */
export declare function dropDraft(id: string): void
export declare function draftOf(id: string): Draft | null
