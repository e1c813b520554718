import { sql } from 'kysely'
import type { Kysely } from 'kysely'

/** A rehearsal is watched by a link without signing in, of which only the hash is kept; a script has questions, and their answers count. */
// oxlint-disable-next-line typescript/no-explicit-any -- a migration sees the tables as they were, not as they are
export async function up(db: Kysely<any>): Promise<void> {
  const statements = [
    sql`alter table rehearsal
      drop constraint rehearsal_setting_check,
      add constraint rehearsal_setting_size check (pg_column_size(setting) <= 40000),
      add column watch_hash text unique check (length(watch_hash) = 43),
      add column answered_right integer check (answered_right between 0 and 12)`,
  ]
  for (const statement of statements) await statement.execute(db)
}
