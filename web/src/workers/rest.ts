import type { ContrastWay, GelWish, Plan, RestSaid, RestSearch, Shelf } from '@ostler/core'
import { proxy } from 'comlink'
import type { Remote } from 'comlink'
import { Door } from './door.ts'
import type { RestWorker, Told } from './rest.worker.ts'

export type { RestLook, Told } from './rest.worker.ts'

/** Work under way in a worker of its own: `stop` ends it at once. */
export interface Underway {
  done: Promise<void>
  stop: () => void
}

function started(work: (worker: Remote<RestWorker>) => Promise<void>): Underway {
  const door = new Door<RestWorker>(() => new Worker(new URL('./rest.worker.ts', import.meta.url), { type: 'module' }))
  return { done: door.ask(work).finally(() => door.close()), stop: () => door.close() }
}

/** A coarse look at once, then a fine one and more of it; numbers between them say how far it is. */
export const lookAtRest = (plan: Plan, shelf: Shelf, told: (look: Told) => void): Underway =>
  started(worker => worker.look(plan, shelf, proxy(told)))

/** Looks for the simplest change of the rest that does what is wished for. */
export const searchRest = (
  plan: Plan,
  shelf: Shelf,
  wish: Exclude<GelWish, 'any'>,
  told: (state: RestSearch) => void,
): Underway => started(worker => worker.search(plan, shelf, wish, proxy(told)))

/** What is said of a rest in words and numbers, for a sheet. */
export const restSaid = (
  plan: Plan,
  shelf: Shelf,
  told: (said: Pick<RestSaid, 'tasks' | 'result'>) => void,
): Underway => started(async worker => told(await worker.said(plan, shelf)))

/** The least change that makes one cup gel and the others not; null where none that was tried does. */
export function contrastOf(
  plan: Plan,
  shelf: Shelf,
  cupIndex: number,
  told: (way: ContrastWay | null) => void,
): Underway {
  return started(async worker => told(await worker.contrast(plan, shelf, cupIndex)))
}
