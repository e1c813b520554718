import { EventEmitter } from 'node:events'
import pg from 'pg'
import type { Logger } from 'pino'

/** The channel of the database on which a run is named that something was added to: all servers on one database hear it. */
export const CHANNEL = 'run_event'

/** After the line to the database broke it is tried again, ms. */
const RETRY_MS = 1000

/** Tells who listens that something was added to a run, by whichever server process. */
export interface RunFeed {
  /** Calls back on every addition, and when some may have been missed; gives a function that ends it. */
  listen(runId: string, heard: () => void): () => void
  close(): Promise<void>
}

/** A line of its own to the database, opened when the first listens and opened again whenever it breaks. */
export function runFeed(databaseUrl: string, log: Pick<Logger, 'warn'>): RunFeed {
  const heard = new EventEmitter().setMaxListeners(0)
  let client: pg.Client | null = null
  let isClosed = false

  const connect = async (): Promise<void> => {
    if (client || isClosed) return
    const own = new pg.Client({ connectionString: databaseUrl, keepAlive: true })
    client = own
    const lost = (error?: Error) => {
      if (client !== own) return
      client = null
      if (isClosed) return
      if (error) log.warn({ err: error }, 'the line that tells of runs broke')
      setTimeout(() => void connect(), RETRY_MS).unref()
    }
    own.on('error', lost)
    own.on('end', () => lost())
    own.on('notification', ({ payload }) => payload && heard.emit(payload))
    try {
      await own.connect()
      await own.query(`listen ${CHANNEL}`)
      // What came in while nobody listened is asked for.
      for (const name of heard.eventNames()) heard.emit(name)
    } catch (error) {
      await own.end().catch(() => undefined)
      lost(error as Error)
    }
  }

  return {
    listen(runId, callback) {
      heard.on(runId, callback)
      void connect()
      return () => heard.off(runId, callback)
    },
    async close() {
      isClosed = true
      await client?.end().catch(() => undefined)
    },
  }
}
