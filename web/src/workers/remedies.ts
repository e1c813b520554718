import type { Plan, Remedy, Shelf } from '@ostler/core'
import { Door } from './door.ts'
import type { RemediesWorker } from './remedies.worker.ts'

const door = new Door<RemediesWorker>(
  () => new Worker(new URL('./remedies.worker.ts', import.meta.url), { type: 'module' }),
)

/** The changes that help most, worked out off the main thread. */
export const remediesInWorker = (plan: Plan, shelf: Shelf): Promise<Remedy[]> =>
  door.ask(worker => worker.remediesFor(plan, shelf))
