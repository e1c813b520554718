import type { Trial } from '@ostler/core'

/** What is made of a trial: of the one that is kept by then, should another window have changed it meanwhile. */
export type TrialChange = (trial: Trial) => Trial
