import { fileURLToPath } from 'node:url'
import { Piscina } from 'piscina'
import type { Logger } from 'pino'
import type { Work } from './work.ts'

/** Works things out in a thread beside the one that answers requests, one after the other. */
export function workInThread(log: Pick<Logger, 'error'>): Work {
  const pool = new Piscina({
    filename: fileURLToPath(new URL('./thread.js', import.meta.url)),
    // It is there from the start: what a batch teaches is wanted as soon as it is saved.
    ...{ minThreads: 1, maxThreads: 1, execArgv: [] },
  })
  // A thread that breaks between two questions must not take the server with it.
  pool.on('error', (error: unknown) => log.error({ err: error }, 'the thread for what takes long broke'))
  return {
    look: task => pool.run(task, { name: 'look' }) as ReturnType<Work['look']>,
    evidence: task => pool.run(task, { name: 'evidence' }) as ReturnType<Work['evidence']>,
    sheet: task => pool.run(task, { name: 'sheet' }) as ReturnType<Work['sheet']>,
    run: task => pool.run(task, { name: 'run' }) as ReturnType<Work['run']>,
  }
}
