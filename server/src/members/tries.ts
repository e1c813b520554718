import { sql } from 'kysely'
import type { Database } from '../database/connection.ts'

const WINDOW_MS = 15 * 60 * 1000

/** Wrong tries to sign in, kept in the database: a restart forgets none of them. */
export interface SignInTries {
  /** Wrong tries of the last quarter of an hour under each key, most first asked for first. */
  counts(keys: readonly string[], now: Date): Promise<number[]>
  add(keys: readonly string[], now: Date): Promise<void>
  /** After a right password. */
  forget(key: string): Promise<void>
  /** Takes back one try of that moment, which was no wrong one; the others under its key stand. */
  takeBack(key: string, at: Date): Promise<void>
}

export function signInTries(db: Database): SignInTries {
  const since = (now: Date) => new Date(now.getTime() - WINDOW_MS)
  return {
    async counts(keys, now) {
      const rows = await db
        .selectFrom('sign_in_try')
        .where('key', 'in', [...keys])
        .where('at', '>', since(now))
        .groupBy('key')
        .select(eb => ['key', eb.fn.countAll<string>().as('count')])
        .execute()
      return keys.map(key => Number(rows.find(row => row.key === key)?.count ?? 0))
    },
    async add(keys, now) {
      await db.deleteFrom('sign_in_try').where('at', '<', since(now)).execute()
      await db
        .insertInto('sign_in_try')
        .values(keys.map(key => ({ key, at: now })))
        .execute()
    },
    async takeBack(key, at) {
      const one = sql`(select ctid from sign_in_try where key = ${key} and at = ${at} limit 1)`
      await sql`delete from sign_in_try where ctid = ${one}`.execute(db)
    },
    async forget(key) {
      await db.deleteFrom('sign_in_try').where('key', '=', key).execute()
    },
  }
}
