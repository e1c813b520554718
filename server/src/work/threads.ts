import { fileURLToPath } from 'node:url'
import { Piscina } from 'piscina'
import type { Logger } from 'pino'
import type { Work } from './work.ts'

/** A thread that has had nothing to do for so long is let go, ms. */
const IDLE_MS = 20_000

/** Works things out in a thread beside the one that answers requests, one after the other. */
export function workInThread(log: Pick<Logger, 'error'>): Work {
  const pool = new Piscina({
    filename: fileURLToPath(new URL('./thread.js', import.meta.url)),
    ...{ minThreads: 0, maxThreads: 1, idleTimeout: IDLE_MS, execArgv: [] },
  })
  // A thread that breaks between two questions must not take the server with it.
  pool.on('error', (error: unknown) => log.error({ err: error }, 'the thread for what takes long broke'))
  return {
    look: task => pool.run(task, { name: 'look' }) as ReturnType<Work['look']>,
    evidence: task => pool.run(task, { name: 'evidence' }) as ReturnType<Work['evidence']>,
  }
}
