import { planBOffers, planBOutlook, searchPlans, slopesOf } from '@ostler/core'
import type { Aim, Freedom, Plan, SearchState, Shelf } from '@ostler/core'
import { expose } from 'comlink'

/** Runs the search through, telling of every step; between steps it lets messages in. */
async function search(
  plan: Plan,
  shelf: Shelf,
  free: readonly Freedom[],
  aim: Aim,
  told: (state: SearchState) => void,
): Promise<void> {
  for (const state of searchPlans(plan, shelf, { free: new Set(free), aim })) {
    told(state)
    await new Promise(resolve => setTimeout(resolve))
  }
}

const doorway = { search, slopesOf, planBOffers, planBOutlook }
export type SearchWorker = typeof doorway

expose(doorway)
