import { sql } from 'kysely'
import type { Kysely } from 'kysely'

/** Times of the hands that a workshop has measured for itself. */
// oxlint-disable-next-line typescript/no-explicit-any -- a migration sees the tables as they were, not as they are
export async function up(db: Kysely<any>): Promise<void> {
  await sql`alter table workshop
    add column times jsonb not null default '[]' check (jsonb_typeof(times) = 'array')`.execute(db)
}
