import { sql } from 'kysely'
import type { Kysely } from 'kysely'

/** Trials that a workshop makes: their documents, and the batch that each is made as. */
// oxlint-disable-next-line typescript/no-explicit-any -- a migration sees the tables as they were, not as they are
export async function up(db: Kysely<any>): Promise<void> {
  const statements = [
    sql`create table trial (
      id uuid primary key,
      workshop_id uuid not null references workshop (id) on delete cascade,
      batch_id uuid,
      revision integer not null default 1 check (revision > 0),
      document jsonb not null check (jsonb_typeof(document) = 'object' and pg_column_size(document) <= 400000),
      created_at timestamptz not null default now(),
      updated_at timestamptz not null default now(),
      deleted_at timestamptz,
      foreign key (batch_id, workshop_id) references batch (id, workshop_id) on delete set null (batch_id)
    )`,
    sql`create index trial_of_workshop on trial (workshop_id, created_at desc) where deleted_at is null`,
  ]
  for (const statement of statements) await statement.execute(db)
}
