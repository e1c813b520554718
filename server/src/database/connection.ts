import { Kysely, PostgresDialect } from 'kysely'
import pg from 'pg'
import type { Tables } from './types.ts'

export type Database = Kysely<Tables>

/** Opens a pool. A database that goes away is reported by the query that meets it, not by ending the process. */
export function connect(url: string): Database {
  const pool = new pg.Pool({ connectionString: url, max: 10, connectionTimeoutMillis: 5000, keepAlive: true })
  pool.on('error', () => undefined)
  return new Kysely<Tables>({ dialect: new PostgresDialect({ pool }) })
}
