import type { Gel, Plan, RehearsalAnswer, RehearsalOutcome } from '@ostler/core'
import { Door } from './door.ts'
import type { Asking } from './door.ts'
import type { RehearsalWorker } from './rehearsal.worker.ts'

const door = new Door<RehearsalWorker>(
  () => new Worker(new URL('./rehearsal.worker.ts', import.meta.url), { type: 'module' }),
)

/** What a way for the rest makes of a plan. */
export const gelOfWay = (plan: Plan, way: string): Promise<Gel> => door.ask(worker => worker.gel(plan, way), {})

/** What came of a rehearsal, with the best that could have been made of its batter. */
export const outcomeOfRehearsal = (
  { plan, shelf, setting, lesson, done }: RehearsalAnswer,
  asking: Asking,
): Promise<RehearsalOutcome> => door.askApart(worker => worker.outcome(plan, shelf, { setting, lesson, done }), asking)
