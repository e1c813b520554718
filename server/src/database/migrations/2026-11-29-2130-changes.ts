import { sql } from 'kysely'
import type { Kysely } from 'kysely'

/** What was changed in a batch, when and by whom: so that a change sent twice is made once, and for its history. */
// oxlint-disable-next-line typescript/no-explicit-any -- a migration sees the tables as they were, not as they are
export async function up(db: Kysely<any>): Promise<void> {
  const statements = [
    sql`create table batch_change (
      batch_id uuid not null references batch (id) on delete cascade,
      id uuid not null,
      workshop_id uuid not null references workshop (id) on delete cascade,
      member_id uuid references member (id) on delete set null,
      revision integer not null check (revision > 1),
      changes jsonb not null check (jsonb_typeof(changes) = 'array'),
      made_at timestamptz not null default now(),
      primary key (batch_id, id),
      unique (batch_id, revision)
    )`,
    sql`create index batch_change_by_workshop on batch_change (workshop_id)`,
  ]
  for (const statement of statements) await statement.execute(db)
}
