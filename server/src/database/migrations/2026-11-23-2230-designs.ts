import { sql } from 'kysely'
import type { Kysely } from 'kysely'

/** Designs that a workshop keeps, apart from any batch. */
// oxlint-disable-next-line typescript/no-explicit-any -- a migration sees the tables as they were, not as they are
export async function up(db: Kysely<any>): Promise<void> {
  const statements = [
    sql`create table design (
      id uuid primary key default gen_random_uuid(),
      workshop_id uuid not null references workshop (id) on delete cascade,
      revision integer not null default 1 check (revision > 0),
      design jsonb not null check (jsonb_typeof(design) = 'object'),
      created_at timestamptz not null default now(),
      updated_at timestamptz not null default now(),
      deleted_at timestamptz
    )`,
    sql`create unique index design_name on design (workshop_id, lower(design ->> 'name')) where deleted_at is null`,
  ]
  for (const statement of statements) await statement.execute(db)
}
