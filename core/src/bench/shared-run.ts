import { sharedPlan, sharedShelf } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import type { Shelf } from '../shelf/index.ts'
import type { BenchEvent } from './event.ts'
import { fold } from './fold.ts'
import { followingOf } from './following.ts'
import { recordOf } from './record.ts'
import type { RunRecord } from './record.ts'
import { settle } from './settle.ts'
import type { BenchState } from './state.ts'

/** A cup by its name and its colour, "#rrggbb". */
export interface CupShown {
  id: string
  name: string
  hex: string
}

/** A run as a sheet shows it: what really happened beside what was planned. */
export interface RunShown {
  closed: BenchState['closed']
  /** Seconds of the run at which the lye went in; null: not yet. */
  lyeInAt: number | null
  isWhipped: boolean
  record: Omit<RunRecord, 'actual'>
  /** Of the batter with the least superfat, as weighed; shares. */
  leanest: Pick<RunRecord['actual']['leanest'], 'superfat' | 'concentration'>
  cups: CupShown[]
}

/** Everything that a sheet shows of a run. @param hexOf colour of a cup by its id */
export function runShown(
  plan: Plan,
  state: BenchState,
  { actual, ...record }: RunRecord,
  hexOf: (cup: string) => string,
): RunShown {
  const { superfat, concentration } = actual.leanest
  return {
    closed: state.closed,
    lyeInAt: state.lyeInAt,
    isWhipped: plan.whipped !== null,
    record,
    leanest: { superfat, concentration },
    cups: plan.cups.map(({ id, name }) => ({ id, name, hex: hexOf(id) })),
  }
}

/** What a link to a record shows beyond the usual. */
export interface SharedWith {
  withScents: boolean
  withNotes: boolean
}

/** What is left out of a record outside the workshop: what it was taken from, scents and notes unless they are chosen. */
function withoutInside(record: RunRecord, { withScents, withNotes }: SharedWith): RunRecord {
  return {
    ...record,
    weights: record.weights
      .filter(({ line }) => withScents || line.kind !== 'scent')
      .map(({ line, massG }) => ({ line: { ...line, item: null }, massG })),
    told: record.told
      .filter(({ kind }) => withNotes || kind !== 'note')
      .map(one => (withNotes ? one : { ...one, text: '' })),
  }
}

/**
 * A run as it may be seen outside the workshop. @param hexOf colour of a cup, of the plan and the shelf that go outside.
 * @throws where the plan cannot be reckoned with this shelf
 */
export function sharedRun(
  run: { plan: Plan; shelf: Shelf; events: readonly BenchEvent[] },
  choice: SharedWith,
  hexOf: (plan: Plan, shelf: Shelf) => (cup: string) => string,
): RunShown {
  const plan = sharedPlan(run.plan)
  const shelf = sharedShelf(run.shelf, plan, choice.withScents)
  const following = followingOf(plan, shelf)
  const state = fold(following, run.events)
  const record = withoutInside(recordOf(following, state, settle(run.events)), choice)
  return runShown(plan, state, record, hexOf(plan, shelf))
}
