import { followingOf, gelLeft, outcomeOf, rehearsedIn } from '@ostler/core'
import type { Gel, Plan, RehearsalDone, RehearsalOutcome, RehearsalSetting, Shelf } from '@ostler/core'
import { expose } from 'comlink'

interface Rehearsed {
  setting: RehearsalSetting
  /** Empty: it is of a batch. */
  lesson: string
  done: RehearsalDone
}

/** What came of a rehearsal, and what could have: many runs of the same batter. */
const worker = {
  gel: (plan: Plan, way: string): Gel => gelLeft(plan, way),
  outcome: (plan: Plan, shelf: Shelf, { setting, lesson, done }: Rehearsed): RehearsalOutcome =>
    outcomeOf(rehearsedIn(followingOf(plan, shelf), lesson, setting), done),
}
export type RehearsalWorker = typeof worker

expose(worker)
