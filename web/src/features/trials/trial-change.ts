import type { Trial } from '@ostler/core'

/** What is made of a trial: of the one that is kept by then, should another window have changed it meanwhile. */
export type TrialChange = (trial: Trial) => Trial

/** A change that is kept, with the batch that the trial is made as if that changed too. */
export interface KeptChange {
  change: TrialChange
  batch?: string | null
}
