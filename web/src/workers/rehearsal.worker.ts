import { followingOf, outcomeOf, rehearsalOf } from '@ostler/core'
import type { Plan, RehearsalDone, RehearsalOutcome, RehearsalSetting, Shelf } from '@ostler/core'
import { expose } from 'comlink'

/** What came of a rehearsal, and what could have: many runs of the same batter. */
const worker = {
  outcome: (plan: Plan, shelf: Shelf, setting: RehearsalSetting, done: RehearsalDone): RehearsalOutcome =>
    outcomeOf(rehearsalOf(followingOf(plan, shelf), setting), done),
}
export type RehearsalWorker = typeof worker

expose(worker)
