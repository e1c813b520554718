import type { Aim, Freedom, Plan, PlanBOffer, PlanBOutlook, SearchState, Shelf, Slope } from '@ostler/core'
import { proxy } from 'comlink'
import { Door } from './door.ts'
import type { SearchWorker } from './search.worker.ts'

const opened = () =>
  new Door<SearchWorker>(() => new Worker(new URL('./search.worker.ts', import.meta.url), { type: 'module' }))

/** A search under way: `done` settles when it is through; `stop` ends it at once. */
export interface Searching {
  done: Promise<void>
  stop: () => void
}

/** Looks for the best plan in a worker of its own, so that it can be stopped in the middle. */
export function searchInWorker(
  plan: Plan,
  shelf: Shelf,
  free: readonly Freedom[],
  aim: Aim,
  told: (state: SearchState) => void,
): Searching {
  const door = opened()
  const done = door.ask(worker => worker.search(plan, shelf, [...free], aim, proxy(told))).finally(() => door.close())
  return { done, stop: () => door.close() }
}

/** One worker that stays, for short questions. */
const lasting = opened()

/** How every lever acts on a plan. */
export const slopesInWorker = (plan: Plan, shelf: Shelf): Promise<Slope[]> =>
  lasting.ask(worker => worker.slopesOf(plan, shelf))

/** The plans B that a design has a use for, and what each is worth. */
export const planBOffersInWorker = (plan: Plan, shelf: Shelf): Promise<PlanBOffer[]> =>
  lasting.ask(worker => worker.planBOffers(plan, shelf))

/** How often the plan's own plan B is called for, and what it is worth then. */
export const planBOutlookInWorker = (plan: Plan, shelf: Shelf): Promise<PlanBOutlook | null> =>
  lasting.ask(worker => worker.planBOutlook(plan, shelf))
