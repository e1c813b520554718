import type { PastScatter, Plan, Shelf, Trial, TrialSays, WorthTold } from '@ostler/core'
import { Door, tells } from './door.ts'
import type { Asking } from './door.ts'
import type { TrialWorker } from './trial.worker.ts'

const door = new Door<TrialWorker>(() => new Worker(new URL('./trial.worker.ts', import.meta.url), { type: 'module' }))

/** What a trial answers by what was read so far. @param batch that it was made as @param past scatter of earlier trials */
export const answerOfTrial = (
  trial: Trial,
  id: string,
  shelf: Shelf,
  batch: string | null,
  past: PastScatter,
  asking: Asking,
): Promise<TrialSays> => door.ask(worker => worker.answer(trial, id, shelf, batch, past), asking)

/** Which small tests a plan would gain most by; in a worker of its own, so that it can be stopped in the middle. */
export const worthTesting = (plan: Plan, shelf: Shelf, asking: Asking<WorthTold>): Promise<void> =>
  door.askApart(worker => worker.worth(plan, shelf, tells(asking)), asking)
