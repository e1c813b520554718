import { Kysely, PostgresDialect } from 'kysely'
import type { LogEvent } from 'kysely'
import pg from 'pg'
import { remembering } from './prepared.ts'
import type { Tables } from './types.ts'

export type Database = Kysely<Tables>

/** A query that takes longer is given up, so that requests do not pile up behind a database that hangs. */
const LONGEST_QUERY_MS = 15_000

/** Opens a pool. @param log is told every query. A database that goes away is reported by the query that meets it, not by ending the process. */
export function connect(url: string, log: (event: LogEvent) => void = () => undefined): Database {
  const pool = new pg.Pool({
    connectionString: url,
    max: 10,
    connectionTimeoutMillis: 5000,
    keepAlive: true,
    query_timeout: LONGEST_QUERY_MS,
    statement_timeout: LONGEST_QUERY_MS,
    idle_in_transaction_session_timeout: LONGEST_QUERY_MS,
  })
  pool.on('error', () => undefined)
  // A client that is checked out when the database is killed tells it by an event of its own.
  pool.on('connect', client => {
    client.on('error', () => undefined)
    remembering(client)
  })
  return new Kysely<Tables>({ dialect: new PostgresDialect({ pool }), log })
}
