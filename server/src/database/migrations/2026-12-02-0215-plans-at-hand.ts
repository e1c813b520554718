import { sql } from 'kysely'
import type { Kysely } from 'kysely'

/** A plan is written over and over while somebody types: it is packed in half the time, and an index that another one covers is kept no more. */
// oxlint-disable-next-line typescript/no-explicit-any -- a migration sees the tables as they were, not as they are
export async function up(db: Kysely<any>): Promise<void> {
  await sql`alter table batch alter column plan set compression lz4`.execute(db)
  await sql`drop index batch_by_workshop`.execute(db)
}
