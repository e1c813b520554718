import type { Aim, Freedom, Plan, SearchState, Shelf, Slope } from '@ostler/core'
import { proxy, wrap } from 'comlink'
import type { Remote } from 'comlink'
import type { SearchWorker } from './search.worker.ts'

const started = () => new Worker(new URL('./search.worker.ts', import.meta.url), { type: 'module' })

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
  const worker = started()
  const done = wrap<SearchWorker>(worker)
    .search(plan, shelf, [...free], aim, proxy(told))
    .finally(() => worker.terminate())
  return { done, stop: () => worker.terminate() }
}

let slopes: Remote<SearchWorker> | undefined

/** How every lever acts on a plan. */
export function slopesInWorker(plan: Plan, shelf: Shelf): Promise<Slope[]> {
  slopes ??= wrap<SearchWorker>(started())
  return slopes.slopesOf(plan, shelf)
}
