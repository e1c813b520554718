import { cupsOutlook, fold, followingOf } from '@ostler/core'
import type { BenchEvent, CupOutlook, Following, Plan, Shelf } from '@ostler/core'
import { expose } from 'comlink'

let run: { id: string; following: Following } | null = null

/** Takes over what a run follows: sent once. */
function follow(id: string, plan: Plan, shelf: Shelf): void {
  run = { id, following: followingOf(plan, shelf) }
}

/** Minutes left of the cups after all that was noted; null when this worker does not know the run. */
function outlook(id: string, events: readonly BenchEvent[], r: number): CupOutlook[] | null {
  return run?.id === id ? cupsOutlook(run.following, fold(run.following, events), r) : null
}

const doorway = { follow, outlook }
export type BenchWorker = typeof doorway

expose(doorway)
