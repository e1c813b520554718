import type { Shelf } from '@ostler/core'
import type { Logger } from 'pino'
import type { EvidenceStore } from './store.ts'

/** Works out what batches teach, off the path of requests: one workshop after the other, each again when it is asked for. */
export interface Learner {
  /** Something may have changed in this workshop. */
  look(workshopId: string): void
  /** Settles when nothing more is to be worked out. */
  idle(): Promise<void>
}

/** Where the shelf of a workshop is had from. */
interface Shelves {
  all(workshopId: string): Promise<{ shelf: Shelf }>
}

export function learner(evidence: EvidenceStore, shelf: Shelves, log: Pick<Logger, 'error'>): Learner {
  const waiting = new Set<string>()
  let work: Promise<void> | null = null

  const run = async (): Promise<void> => {
    // Whoever asked is answered first.
    await new Promise(resolve => setImmediate(resolve))
    for (let next = waiting.values().next(); !next.done; next = waiting.values().next()) {
      const id = next.value
      waiting.delete(id)
      try {
        if (!(await evidence.hasStale(id))) continue
        const whole = await shelf.all(id)
        await evidence.workOut(id, whole.shelf)
        waiting.add(id)
      } catch (error) {
        // The next look tries again.
        log.error({ err: error }, 'evidence was not worked out')
      }
    }
    work = null
  }

  return {
    look(workshopId) {
      waiting.add(workshopId)
      work ??= run()
    },
    idle: async () => {
      while (work) await work
    },
  }
}
