import { sql } from 'kysely'
import type { Kysely } from 'kysely'

/** How often what a batch teaches has come out otherwise: lists are looked at anew for that, and not for every save. */
// oxlint-disable-next-line typescript/no-explicit-any -- a migration sees the tables as they were, not as they are
export async function up(db: Kysely<any>): Promise<void> {
  await sql`alter table evidence add column taught integer not null default 1 check (taught > 0)`.execute(db)
}
