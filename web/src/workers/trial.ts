import type { AgeRead, ColorantAnswer, Shelf, Trial } from '@ostler/core'
import { Door } from './door.ts'
import type { Asking } from './door.ts'
import type { TrialWorker } from './trial.worker.ts'

const door = new Door<TrialWorker>(() => new Worker(new URL('./trial.worker.ts', import.meta.url), { type: 'module' }))

/** What a trial answers by what was read so far. */
export const answerOfTrial = (
  trial: Trial,
  id: string,
  shelf: Shelf,
  asking: Asking,
): Promise<{ ages: AgeRead[]; colorants: ColorantAnswer[] }> =>
  door.ask(worker => worker.answer(trial, id, shelf), asking)
