import type { Advice, Plan, Shelf } from '@ostler/core'
import { Door } from './door.ts'
import type { RemediesWorker } from './remedies.worker.ts'

const door = new Door<RemediesWorker>(
  () => new Worker(new URL('./remedies.worker.ts', import.meta.url), { type: 'module' }),
)

/** The risk by many runs and the changes that help most, worked out off the main thread. */
export const adviceOf = (plan: Plan, shelf: Shelf): Promise<Advice> => door.ask(worker => worker.adviceFor(plan, shelf))
