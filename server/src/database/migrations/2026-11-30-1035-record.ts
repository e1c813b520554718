import { sql } from 'kysely'
import type { Kysely } from 'kysely'

/** What came of batches: entries that are only added to, how each batch stands after them, photographs, and the calendar's address. */
// oxlint-disable-next-line typescript/no-explicit-any -- a migration sees the tables as they were, not as they are
export async function up(db: Kysely<any>): Promise<void> {
  const statements = [
    sql`create table record_entry (
      batch_id uuid not null,
      workshop_id uuid not null,
      key text not null check (length(key) between 1 and 64),
      seq bigint generated always as identity,
      entry jsonb not null check (pg_column_size(entry) <= 8000),
      member_id uuid references member (id) on delete set null,
      received_at timestamptz not null default now(),
      primary key (batch_id, key),
      foreign key (batch_id, workshop_id) references batch (id, workshop_id) on delete cascade
    )`,
    sql`create function record_entry_stays() returns trigger language plpgsql as $$
      begin raise exception 'entries of a record are only added to'; end $$`,
    sql`create trigger record_entry_is_not_changed before update of key, seq, entry on record_entry
      for each row execute function record_entry_stays()`,
    // What all entries of a batch come to: worked out anew with every entry.
    sql`create table batch_record (
      batch_id uuid primary key,
      workshop_id uuid not null,
      unmoulded_at text check (length(unmoulded_at) <= 16),
      cut_at text check (length(cut_at) <= 16),
      cut_count integer check (cut_count >= 0),
      gone_count integer not null default 0 check (gone_count >= 0),
      turned_at text check (length(turned_at) <= 16),
      place text not null default '' check (length(place) <= 1000),
      signs text[] not null default '{}',
      foreign key (batch_id, workshop_id) references batch (id, workshop_id) on delete cascade
    )`,
    sql`create index batch_record_of_workshop on batch_record (workshop_id)`,
    sql`create table photo (
      id uuid primary key,
      batch_id uuid not null,
      workshop_id uuid not null,
      small bytea not null check (octet_length(small) between 1 and 400000),
      large bytea not null check (octet_length(large) between 1 and 8000000),
      width integer not null check (width > 0),
      height integer not null check (height > 0),
      created_at timestamptz not null default now(),
      foreign key (batch_id, workshop_id) references batch (id, workshop_id) on delete cascade
    )`,
    sql`create index photo_of_batch on photo (batch_id)`,
    sql`alter table batch_look add column course jsonb check (pg_column_size(course) <= 2000)`,
    sql`alter table workshop add column calendar_token text unique check (length(calendar_token) >= 32)`,
  ]
  for (const statement of statements) await statement.execute(db)
}
