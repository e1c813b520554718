import type { Plan } from '@ostler/core'
import { LRUCache } from 'lru-cache'

/** A plan as this process wrote it, and which writing of its batch that was. */
export interface LatestPlan {
  plan: Plan
  revision: number
  /** The database's own time of it, to the microsecond. */
  writtenAt: string
}

export interface LatestPlans {
  of(workshopId: string, id: string): LatestPlan | undefined
  keep(workshopId: string, id: string, plan: LatestPlan): void
}

const MOST_KEPT = 300

/**
 * Plans that were written last: who goes on typing has the next change made on them without reading the plan again. None of them is
 * trusted: the database takes what was made of one only if that very writing still stands there.
 */
export function latestPlans(): LatestPlans {
  const kept = new LRUCache<string, LatestPlan>({ max: MOST_KEPT })
  const key = (workshopId: string, id: string) => `${workshopId}/${id}`
  return {
    of: (workshopId, id) => kept.get(key(workshopId, id)),
    keep: (workshopId, id, plan) => void kept.set(key(workshopId, id), plan),
  }
}
