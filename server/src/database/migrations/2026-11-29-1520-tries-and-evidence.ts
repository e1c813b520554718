import { sql } from 'kysely'
import type { Kysely } from 'kysely'

/** Wrong tries to sign in; and under which edition of the models a batch's evidence was worked out. */
// oxlint-disable-next-line typescript/no-explicit-any -- a migration sees the tables as they were, not as they are
export async function up(db: Kysely<any>): Promise<void> {
  const statements = [
    sql`create table sign_in_try (
      key text not null check (length(key) between 1 and 300),
      at timestamptz not null
    )`,
    sql`create index sign_in_try_by_key on sign_in_try (key, at)`,
    sql`create index sign_in_try_by_age on sign_in_try (at)`,
    sql`alter table evidence add column model_version integer not null default 1 check (model_version > 0)`,
    sql`alter table evidence add column is_readable boolean not null default true`,
  ]
  for (const statement of statements) await statement.execute(db)
}
