import { sql } from 'kysely'
import type { Kysely } from 'kysely'

/** A run is opened as its batch is made ready; it begins, and its plan is frozen, when it goes to the bench. */
// oxlint-disable-next-line typescript/no-explicit-any -- a migration sees the tables as they were, not as they are
export async function up(db: Kysely<any>): Promise<void> {
  const statements = [
    sql`alter table run add column begun_at timestamptz`,
    sql`update run set begun_at = opened_at`,
    sql`alter table run alter column plan drop not null, alter column shelf drop not null`,
    sql`alter table run add constraint run_begins_with_plan
      check ((begun_at is null) = (plan is null) and (plan is null) = (shelf is null))`,
  ]
  for (const statement of statements) await statement.execute(db)
}
