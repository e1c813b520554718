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

/** How long nothing more may come of a workshop before it is worked out, and how long it waits at most, ms. */
export interface Calm {
  calmMs: number
  mostMs: number
}
const AT_ONCE: Calm = { calmMs: 0, mostMs: 0 }
/** Of what changes with every save: who goes on typing is not kept waiting by what the typing teaches. */
export const AS_SAVES_CEASE: Calm = { calmMs: 300, mostMs: 3000 }

export function learner(kept: Worked, log: Pick<Logger, 'error'>, { calmMs, mostMs }: Calm = AT_ONCE): Learner {
  /** Of each workshop when it was asked for first, and when it is to be worked out, ms. */
  const waiting = new Map<string, { firstMs: number; dueMs: number }>()
  let work: Promise<void> | null = null
  let isStopped = false
  let wake = (): void => undefined

  const due = async (): Promise<string | undefined> => {
    for (;;) {
      // Whoever asked is answered first.
      await new Promise(resolve => setImmediate(resolve))
      const [next] = [...waiting].sort(([, a], [, b]) => a.dueMs - b.dueMs)
      if (!next) return undefined
      const [id, { dueMs }] = next
      const leftMs = dueMs - Date.now()
      if (leftMs <= 0) return id
      await new Promise<void>(resolve => {
        wake = resolve
        setTimeout(resolve, leftMs).unref()
      })
    }
  }

  const run = async (): Promise<void> => {
    for (let id = await due(); id !== undefined; id = await due()) {
      waiting.delete(id)
      try {
        if (!(await kept.hasStale(id))) continue
        await kept.workOut(id)
        if (!isStopped && !waiting.has(id)) waiting.set(id, { firstMs: 0, dueMs: 0 })
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
      const nowMs = Date.now()
      const firstMs = waiting.get(workshopId)?.firstMs ?? nowMs
      waiting.set(workshopId, { firstMs, dueMs: Math.min(firstMs + mostMs, nowMs + calmMs) })
      work ??= run()
    },
    idle: async () => {
      while (work) await work
    },
    stop: async () => {
      isStopped = true
      waiting.clear()
      wake()
      while (work) await work
    },
  }
}
