import type { BenchEvent, RunAnswer } from '@ostler/core'
import { get, set } from 'idb-keyval'

/** A run as this browser keeps it: what came from the server, and what has not gone there yet. */
export interface KeptRun {
  run: RunAnswer
  /** Noted here and not acknowledged, in the order of entry. */
  unsent: BenchEvent[]
  /** What the server's clock is ahead of this device's, ms. */
  aheadMs: number
}

const keyOf = (id: string) => `run ${id}`

/** Null where there is none, or the browser keeps nothing. */
export const keptRun = (id: string): Promise<KeptRun | null> =>
  get<KeptRun>(keyOf(id)).then(
    kept => kept ?? null,
    () => null,
  )

/** @returns whether it is kept */
export const keepRun = (kept: KeptRun): Promise<boolean> =>
  set(keyOf(kept.run.id), kept).then(
    () => true,
    () => false,
  )
