import { sql } from 'kysely'
import type { Kysely } from 'kysely'

/** Lots that went into batches, how labels and the rack are laid out, and what batches are sorted by. */
// oxlint-disable-next-line typescript/no-explicit-any -- a migration sees the tables as they were, not as they are
export async function up(db: Kysely<any>): Promise<void> {
  const statements = [
    // The mark is kept: a lot may be taken off the shelf, and is still in its soap.
    sql`create table lot_use (
      batch_id uuid not null,
      workshop_id uuid not null,
      kind text not null check (length(kind) <= 20),
      item_id text not null check (length(item_id) <= 40),
      lot_id text not null check (length(lot_id) <= 40),
      mark text not null check (length(mark) <= 60),
      mass_g double precision not null check (mass_g > 0 and mass_g <= 200000),
      taken_g double precision not null check (taken_g >= 0 and taken_g <= mass_g),
      booked_at timestamptz not null default now(),
      primary key (batch_id, kind, item_id, lot_id),
      foreign key (batch_id, workshop_id) references batch (id, workshop_id) on delete cascade
    )`,
    sql`create index lot_use_of_item on lot_use (workshop_id, kind, item_id)`,
    // Revisions that changed nothing but what is left in lots: forecasts need not be made anew for them.
    sql`alter table shelf_item add column lot_revisions integer not null default 0`,
    sql`alter table workshop add column labelling jsonb check (pg_column_size(labelling) <= 4000)`,
    sql`alter table workshop add column rack jsonb check (pg_column_size(rack) <= 16000)`,
    sql`alter table batch add column tags text[] not null default '{}' check (cardinality(tags) <= 12)`,
    sql`alter table batch add column archived_at timestamptz`,
    sql`create index batch_with_tags on batch using gin (tags) where deleted_at is null`,
  ]
  for (const statement of statements) await statement.execute(db)
}
