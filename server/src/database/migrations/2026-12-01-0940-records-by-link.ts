import { sql } from 'kysely'
import type { Kysely } from 'kysely'

/** A record can be shown by a link, with what was noted in own words only where that is chosen. */
// oxlint-disable-next-line typescript/no-explicit-any -- a migration sees the tables as they were, not as they are
export async function up(db: Kysely<any>): Promise<void> {
  await sql`alter table share
    drop constraint share_what_check,
    add constraint share_what_check check (what in ('design', 'sheet', 'record')),
    add column with_notes boolean not null default false`.execute(db)
}
