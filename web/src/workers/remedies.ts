import type { Plan, Remedy, Shelf } from '@ostler/core'
import { wrap } from 'comlink'
import type { Remote } from 'comlink'
import type { RemediesWorker } from './remedies.worker.ts'

let worker: Remote<RemediesWorker> | undefined

/** The changes that help most, worked out off the main thread. */
export function remediesInWorker(plan: Plan, shelf: Shelf): Promise<Remedy[]> {
  worker ??= wrap<RemediesWorker>(new Worker(new URL('./remedies.worker.ts', import.meta.url), { type: 'module' }))
  return worker.remediesFor(plan, shelf)
}
