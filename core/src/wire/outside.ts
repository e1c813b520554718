import type { RunShown } from '../bench/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import type { RecordAnswer } from './answers.ts'
import type { SharedWhat } from './forms.ts'

/** What leaves a workshop, by a link or as a file, and what comes in. */

/** A link to a batch; the link itself is told once. */
export interface ShareAnswer {
  id: string
  what: SharedWhat
  withScents: boolean
  withNotes: boolean
  madeBy: string
  at: string
}

/** What a link to a batch shows, to whoever has it. */
export interface SharedAnswer {
  what: SharedWhat
  workshop: string
  name: string
}

/** What a link to a record shows: how the batch was made, and what came of it. */
export interface SharedRecordAnswer extends RecordAnswer {
  /** "2026-03-02" or with the hour; empty: not poured yet. */
  pouredAt: string
  run: (RunShown & { begunAt: string }) | null
}

export type TakenKind = 'shelf' | 'recipes' | 'designs' | 'trials' | 'batches' | 'runs' | 'photos'

/** What came of a workshop's file: of each kind how many were taken in, and how many stood here already; and what was not. */
export type TakenIn = Record<TakenKind, [taken: number, there: number]> & {
  refused: { name: string; sentence: Words }[]
}
