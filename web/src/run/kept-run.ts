import type { BenchEvent, RunAnswer } from '@ostler/core'
import { entries, get, set } from 'idb-keyval'
import { t } from '../words/index.ts'

/** A run as this browser keeps it: what came from the server, and what has not gone there yet. */
export interface KeptRun {
  run: RunAnswer
  /** Noted here and not acknowledged, in the order of entry. */
  unsent: BenchEvent[]
  /** What the server's clock is ahead of this device's, ms. */
  aheadMs: number
}

const keyOf = (id: string) => `run ${id}`

/** What comes of it, or something else where the browser keeps nothing. */
async function orElse<T>(act: () => Promise<T>, otherwise: T): Promise<T> {
  try {
    return await act()
  } catch {
    return otherwise
  }
}

/** Null where there is none, or the browser keeps nothing. */
export const keptRun = (id: string): Promise<KeptRun | null> =>
  orElse(async () => (await get<KeptRun>(keyOf(id))) ?? null, null)

/** Runs that this browser keeps and that have not ended, the one that was begun last first. */
export const keptRuns = (): Promise<KeptRun[]> =>
  orElse(async () => {
    const all = await entries<string, KeptRun | string>()
    const runs = all.flatMap(([key, kept]) => (key.startsWith('run ') && typeof kept !== 'string' ? [kept] : []))
    const isOver = ({ run, unsent }: KeptRun) => [...run.events, ...unsent].some(event => event.kind === 'close')
    return runs
      .filter(kept => kept.run.begunAt !== null && !isOver(kept))
      .sort((a, b) => b.run.openedAt.localeCompare(a.run.openedAt))
  }, [])

const lastOf = (batch: string) => t('last run {batch}', { batch })

/** The run of a batch that was open here last; null where none is known. */
export const keptLastRun = (batch: string): Promise<string | null> =>
  orElse(async () => (await get<string>(lastOf(batch))) ?? null, null)

export const keepLastRun = (batch: string, id: string): Promise<void> => orElse(() => set(lastOf(batch), id), undefined)

/** @returns whether it is kept */
export const keepRun = (kept: KeptRun): Promise<boolean> =>
  orElse(() => set(keyOf(kept.run.id), kept).then(() => true), false)
