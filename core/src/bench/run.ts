import { problemsIn, tidied } from '../document/fields/index.ts'
import type { Problem } from '../document/fields/index.ts'
import { opened } from '../document/kept/index.ts'
import type { Kind, Opened } from '../document/kept/index.ts'
import { fact } from '../quantities/facts/index.ts'
import { readPlan } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import { BenchEvent, BenchRun, MOST_EVENTS, RUN_VERSION } from './event.ts'

const RUN: Kind<BenchRun> = {
  format: 'ostler-run',
  version: RUN_VERSION,
  steps: {},
  says: {
    noObject: fact('bench.run-no-object'),
    otherFormat: fact('bench.run-other-format'),
    tooDeep: fact('bench.run-too-deep'),
    newer: version => fact('bench.run-newer', { version: String(version) }),
  },
  tameness: { depth: 12, values: MOST_EVENTS * 40 },
  read(document) {
    // The plan inside is of its own version, which may be older.
    const plan = readPlan(document['plan'])
    if (!plan.ok) return { ok: false, problems: plan.problems.map(one => ({ ...one, path: `plan.${one.path}` })) }
    const events = readEvents(document['events'])
    if (!events.ok) return events
    const problems = problemsIn(BenchRun, { ...document, plan: plan.plan, events: events.events })
    if (problems.length > 0) return { ok: false, problems }
    const run = tidied(BenchRun, { ...document, plan: plan.plan, events: events.events } as BenchRun)
    return { ok: true, value: run }
  },
}

/** Opens a run document of any version. Never throws. */
export const openedRun = (value: unknown): Opened<BenchRun> => opened(RUN, value)

export type EventsRead = { ok: true; events: BenchEvent[] } | { ok: false; problems: Problem[] }

/** Events that came from outside, as they are kept: in their order, with nothing else in them. */
export function readEvents(value: unknown): EventsRead {
  if (!Array.isArray(value) || value.length > MOST_EVENTS)
    return { ok: false, problems: [{ path: 'events', value: '', sentence: fact('bench.events-no-list') }] }
  const problems = value.flatMap((event: unknown, i): Problem[] =>
    problemsIn(BenchEvent, event).map(one => ({ ...one, path: `events[${i}]${one.path ? `.${one.path}` : ''}` })),
  )
  if (problems.length > 0) return { ok: false, problems }
  return { ok: true, events: value.map(event => tidied(BenchEvent, event as BenchEvent)) }
}

/** A run as it is written to a file: everything that was noted, taken back and corrected, in the order of entry. */
export const runDocument = (id: string, openedAt: string, plan: Plan, events: readonly BenchEvent[]): BenchRun => ({
  format: 'ostler-run',
  version: RUN_VERSION,
  id,
  openedAt,
  plan,
  events: [...events],
})
