import { benchOutlook, fold, followingOf } from '@ostler/core'
import type { BenchEvent, BenchOutlook, Following, Plan, Shelf } from '@ostler/core'
import { expose } from 'comlink'

let run: { id: string; following: Following } | null = null

/** Takes over what a run follows: sent once. */
function follow(id: string, plan: Plan, shelf: Shelf): void {
  run = { id, following: followingOf(plan, shelf) }
}

/** How a run stands after all that was noted, all ways on or only the plan and plan B; null when this worker does not know the run. */
function outlook(id: string, events: readonly BenchEvent[], r: number, all: boolean): BenchOutlook | null {
  return run?.id === id ? benchOutlook(run.following, fold(run.following, events), r, all) : null
}

const doorway = { follow, outlook }
export type BenchWorker = typeof doorway

expose(doorway)
