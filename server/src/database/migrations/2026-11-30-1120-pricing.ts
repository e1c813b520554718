import { sql } from 'kysely'
import type { Kysely } from 'kysely'

/** How a workshop reckons what its bars cost and are sold for. */
// oxlint-disable-next-line typescript/no-explicit-any -- a migration sees the tables as they were, not as they are
export async function up(db: Kysely<any>): Promise<void> {
  await sql`alter table workshop add column pricing jsonb check (pg_column_size(pricing) <= 1000)`.execute(db)
}
