import type { Logger } from 'pino'

/** What is worked out of batches and kept: what they teach, how they look in a list. */
export interface Worked {
  /** Whether anything is to be worked out. */
  hasStale(workshopId: string): Promise<boolean>
  /** Works out some of what has changed; gives of how many batches. */
  workOut(workshopId: string): Promise<number>
}

/** Works such things out off the path of requests: one workshop after the other, each again when it is asked for. */
export interface Learner {
  /** Something may have changed in this workshop. */
  look(workshopId: string): void
  /** Settles when nothing more is to be worked out. */
  idle(): Promise<void>
  /** Begins nothing more, and settles when what is under way is done. */
  stop(): Promise<void>
}

export function learner(kept: Worked, log: Pick<Logger, 'error'>): Learner {
  const waiting = new Set<string>()
  let work: Promise<void> | null = null
  let isStopped = false

  const run = async (): Promise<void> => {
    // Whoever asked is answered first.
    await new Promise(resolve => setImmediate(resolve))
    for (let next = waiting.values().next(); !next.done; next = waiting.values().next()) {
      const id = next.value
      waiting.delete(id)
      try {
        if (!(await kept.hasStale(id))) continue
        await kept.workOut(id)
        if (!isStopped) waiting.add(id)
      } catch (error) {
        // The next look tries again.
        log.error({ err: error }, 'what batches come to was not worked out')
      }
    }
    work = null
  }

  return {
    look(workshopId) {
      if (isStopped) return
      waiting.add(workshopId)
      work ??= run()
    },
    idle: async () => {
      while (work) await work
    },
    stop: async () => {
      isStopped = true
      waiting.clear()
      while (work) await work
    },
  }
}
