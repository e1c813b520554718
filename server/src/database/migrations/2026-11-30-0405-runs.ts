import { sql } from 'kysely'
import type { Kysely } from 'kysely'

/** A batch as it is made: what the run follows, frozen, and all that was noted, which is only ever added to. */
// oxlint-disable-next-line typescript/no-explicit-any -- a migration sees the tables as they were, not as they are
export async function up(db: Kysely<any>): Promise<void> {
  const statements = [
    sql`create table run (
      id uuid primary key default gen_random_uuid(),
      workshop_id uuid not null,
      batch_id uuid not null,
      plan jsonb not null,
      shelf jsonb not null,
      opened_at timestamptz not null default now(),
      unique (id, workshop_id),
      foreign key (batch_id, workshop_id) references batch (id, workshop_id) on delete cascade
    )`,
    sql`create index run_of_batch on run (workshop_id, batch_id, opened_at desc)`,
    sql`create table run_event (
      run_id uuid not null,
      workshop_id uuid not null,
      key text not null check (length(key) between 1 and 64),
      seq bigint generated always as identity,
      event jsonb not null check (pg_column_size(event) <= 8000),
      member_id uuid references member (id) on delete set null,
      received_at timestamptz not null default now(),
      primary key (run_id, key),
      foreign key (run_id, workshop_id) references run (id, workshop_id) on delete cascade
    )`,
    sql`create unique index run_event_in_order on run_event (run_id, seq)`,
    // What was noted stays as it was noted: it is taken back or corrected by a further event.
    sql`create function run_event_stays() returns trigger language plpgsql as $$
      begin raise exception 'events of a run are only added to'; end $$`,
    sql`create trigger run_event_is_not_changed before update of key, seq, event on run_event
      for each row execute function run_event_stays()`,
  ]
  for (const statement of statements) await statement.execute(db)
}
