import { sql } from 'kysely'
import type { Kysely } from 'kysely'

/** Rehearsed batches, apart from real ones: what was rehearsed, frozen, how it was set up, and what was done. */
// oxlint-disable-next-line typescript/no-explicit-any -- a migration sees the tables as they were, not as they are
export async function up(db: Kysely<any>): Promise<void> {
  const statements = [
    sql`create table rehearsal (
      id uuid primary key,
      workshop_id uuid not null,
      batch_id uuid,
      lesson text check (length(lesson) between 1 and 40),
      member_id uuid references member (id) on delete set null,
      setting jsonb not null check (pg_column_size(setting) <= 4000),
      plan jsonb not null,
      shelf jsonb not null,
      done jsonb not null check (pg_column_size(done) <= 2000000),
      passed boolean not null default false,
      score integer check (score between 0 and 100),
      revision integer not null default 1 check (revision > 0),
      opened_at timestamptz not null default now(),
      updated_at timestamptz not null default now(),
      check ((batch_id is null) <> (lesson is null)),
      foreign key (batch_id, workshop_id) references batch (id, workshop_id) on delete cascade
    )`,
    sql`create index rehearsal_of_batch on rehearsal (workshop_id, batch_id, opened_at desc)`,
    sql`create index lesson_of_member on rehearsal (workshop_id, member_id) where lesson is not null`,
  ]
  for (const statement of statements) await statement.execute(db)
}
