import type { BatchAnswer, Edit, EditResult, ForecastResult, Plan, Remedy, Shelf } from '@ostler/core'
/** How the open plan stands to what the server has. */
export type SaveState =
  | {
      kind: 'saved'
      at: Date
    }
  | {
      kind: 'saving'
    }
  | {
      kind: 'waiting'
      sentence: string
    }
  | {
      kind: 'signed-out'
    }
  | {
      kind: 'refused'
      sentence: string
    }
  | {
      kind: 'conflict'
      theirs: BatchAnswer
    }
  | {
      kind: 'gone'
    }
export interface OpenBatchState {
  id: string
  plan: Plan
  result: ForecastResult
  /** Null while they are worked out. */
  remedies: readonly Remedy[] | null
  save: SaveState
  canUndo: boolean
  canRedo: boolean
}
/** The batch that is open on screen: edits, undo, forecast, and the way to the server. Lives outside React. */
export declare class OpenBatch {
  #private
  constructor(batch: BatchAnswer, shelf: Shelf)
  /** Starts saving and advising; gives a function that stops it and sends what is unsaved. */
  attach(): () => void
  get shelf(): Shelf
  readonly get: () => OpenBatchState
  readonly subscribe: (listener: () => void) => () => void
  /**
   * Applies an edit, or says where and why not. Edits with the same `merge` key in quick succession (a drag, typing in one
   * field) are one step of undo.
   */
  edit(edit: Edit, merge?: string): EditResult
  undo(): void
  redo(): void
  /** Sends what is unsaved at once, e.g. as the page is hidden. */
  flush(): void
  /** After a conflict: this window's plan goes on top of what was saved meanwhile. */
  keepMine(): void
  /** After a conflict: what was saved meanwhile; this window's plan stays one undo away. */
  takeTheirs(): void
  /** Tries at once to save what is waiting, e.g. after signing in again. */
  retry(): void
}
