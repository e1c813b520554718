import type { Aim, Freedom, Plan, PlanBOffer, PlanBOutlook, SearchState, Shelf, Slope } from '@ostler/core'
import { Door, tells } from './door.ts'
import type { Asking } from './door.ts'
import type { SearchWorker } from './search.worker.ts'

const door = new Door<SearchWorker>(
  () => new Worker(new URL('./search.worker.ts', import.meta.url), { type: 'module' }),
)

/** Looks for the best plan in a worker of its own, so that it can be stopped in the middle; tells of every step. */
export const bestPlans = (
  plan: Plan,
  shelf: Shelf,
  free: readonly Freedom[],
  aim: Aim,
  asking: Asking<SearchState>,
): Promise<void> => door.askApart(worker => worker.search(plan, shelf, [...free], aim, tells(asking)), asking)

/** How every lever acts on a plan. */
export const slopesOf = (plan: Plan, shelf: Shelf, asking: Asking): Promise<Slope[]> =>
  door.ask(worker => worker.slopesOf(plan, shelf), asking)

/** The plans B that a design has a use for, and what each is worth. */
export const planBOffers = (plan: Plan, shelf: Shelf, asking: Asking): Promise<PlanBOffer[]> =>
  door.ask(worker => worker.planBOffers(plan, shelf), asking)

/** How often the plan's own plan B is called for, and what it is worth then. */
export const planBOutlook = (plan: Plan, shelf: Shelf, asking: Asking): Promise<PlanBOutlook | null> =>
  door.ask(worker => worker.planBOutlook(plan, shelf), asking)
