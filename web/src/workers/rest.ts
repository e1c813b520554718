import type { GelWish, Plan, RestSearch, Shelf } from '@ostler/core'
import { proxy, wrap } from 'comlink'
import type { RestLook, RestWorker } from './rest.worker.ts'

export type { RestLook } from './rest.worker.ts'

/** Work under way in a worker of its own: `stop` ends it at once. */
export interface Working {
  done: Promise<void>
  stop: () => void
}

function started(work: (worker: ReturnType<typeof wrap<RestWorker>>) => Promise<void>): Working {
  const worker = new Worker(new URL('./rest.worker.ts', import.meta.url), { type: 'module' })
  return { done: work(wrap<RestWorker>(worker)).finally(() => worker.terminate()), stop: () => worker.terminate() }
}

/** A coarse look at once, then a fine one; numbers between them say how far it is. */
export const lookAtRest = (plan: Plan, shelf: Shelf, told: (look: RestLook | number) => void): Working =>
  started(worker => worker.look(plan, shelf, proxy(told)))

/** Looks for the simplest change of the rest that does what is wished for. */
export const searchRest = (
  plan: Plan,
  shelf: Shelf,
  wish: Exclude<GelWish, 'any'>,
  told: (state: RestSearch) => void,
): Working => started(worker => worker.search(plan, shelf, wish, proxy(told)))
