import type { ContrastWay, GelWish, Plan, RestSearch, Shelf } from '@ostler/core'
import { Door, tells } from './door.ts'
import type { Asking } from './door.ts'
import type { RestWorker, RestWords, Told } from './rest.worker.ts'

export type { RestLook, RestWords, Told } from './rest.worker.ts'

const door = new Door<RestWorker>(() => new Worker(new URL('./rest.worker.ts', import.meta.url), { type: 'module' }))

/** Tells a coarse look at once, then a fine one and more of it; numbers between them say how far it is. */
export const lookAtRest = (plan: Plan, shelf: Shelf, asking: Asking<Told>): Promise<void> =>
  door.askApart(worker => worker.look(plan, shelf, tells(asking)), asking)

/** Looks for the simplest change of the rest that does what is wished for, telling of every step. */
export const searchRest = (
  plan: Plan,
  shelf: Shelf,
  wish: Exclude<GelWish, 'any'>,
  asking: Asking<RestSearch>,
): Promise<void> => door.askApart(worker => worker.search(plan, shelf, wish, tells(asking)), asking)

/** What is said of a rest in words and numbers, for a sheet. */
export const restSaid = (plan: Plan, shelf: Shelf, asking: Asking): Promise<RestWords> =>
  door.askApart(worker => worker.said(plan, shelf), asking)

/** The least change that makes one cup gel and the others not; null where none that was tried does. */
export const contrastOf = (plan: Plan, shelf: Shelf, cupIndex: number, asking: Asking): Promise<ContrastWay | null> =>
  door.askApart(worker => worker.contrast(plan, shelf, cupIndex), asking)
