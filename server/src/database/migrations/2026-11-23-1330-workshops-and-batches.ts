import { sql } from 'kysely'
import type { Kysely } from 'kysely'

/** Workshops, their members and sessions, the shelf, and batches as plan documents. */
// oxlint-disable-next-line typescript/no-explicit-any -- a migration sees the tables as they were, not as they are
export async function up(db: Kysely<any>): Promise<void> {
  const statements = [
    sql`create table workshop (
      id uuid primary key default gen_random_uuid(),
      name text not null check (length(name) between 1 and 80),
      mass_unit text not null default 'g' check (mass_unit in ('g', 'oz')),
      temperature_unit text not null default 'C' check (temperature_unit in ('C', 'F')),
      length_unit text not null default 'mm' check (length_unit in ('mm', 'in')),
      is_demo boolean not null default false,
      created_at timestamptz not null default now()
    )`,
    sql`create unique index only_one_demo_workshop on workshop (is_demo) where is_demo`,
    sql`create table member (
      id uuid primary key default gen_random_uuid(),
      workshop_id uuid not null references workshop (id) on delete cascade,
      name text not null check (length(name) between 1 and 80),
      sign_in_name text not null unique check (sign_in_name ~ '^[a-z0-9][a-z0-9.-]{2,39}$'),
      password_hash text not null check (password_hash like '$argon2id$%'),
      created_at timestamptz not null default now(),
      unique (id, workshop_id)
    )`,
    sql`create table session (
      token_hash text primary key,
      member_id uuid not null,
      workshop_id uuid not null,
      created_at timestamptz not null default now(),
      expires_at timestamptz not null,
      foreign key (member_id, workshop_id) references member (id, workshop_id) on delete cascade
    )`,
    sql`create index session_expiry on session (expires_at)`,
    sql`create table shelf_item (
      workshop_id uuid not null references workshop (id) on delete cascade,
      kind text not null check (kind in ('oils', 'scents', 'colorants', 'moulds')),
      id text not null check (id ~ '^[a-z0-9][a-z0-9-]{0,39}$'),
      position integer not null,
      item jsonb not null check (jsonb_typeof(item) = 'object' and item ->> 'id' = id),
      primary key (workshop_id, kind, id)
    )`,
    sql`create table batch (
      id uuid primary key default gen_random_uuid(),
      workshop_id uuid not null references workshop (id) on delete cascade,
      revision integer not null default 1 check (revision > 0),
      plan jsonb not null check (plan ->> 'format' = 'ostler-plan' and length(plan ->> 'name') between 1 and 80),
      created_at timestamptz not null default now(),
      updated_at timestamptz not null default now(),
      deleted_at timestamptz
    )`,
    sql`create index batch_by_workshop on batch (workshop_id, updated_at desc) where deleted_at is null`,
  ]
  for (const statement of statements) await statement.execute(db)
}
