import { sql } from 'kysely'
import type { Kysely } from 'kysely'

/** Names of versions of a batch, links to it, and windows that have it open. */
const ofBatches = () => [
  sql`create table batch_version (
    workshop_id uuid not null references workshop (id) on delete cascade,
    batch_id uuid not null,
    revision integer not null check (revision > 0),
    name text not null check (length(name) between 1 and 80),
    at timestamptz not null default now(),
    primary key (workshop_id, batch_id, revision),
    foreign key (batch_id, workshop_id) references batch (id, workshop_id) on delete cascade
  )`,
  sql`create table share (
    token_hash text primary key,
    id uuid not null default gen_random_uuid() unique,
    workshop_id uuid not null references workshop (id) on delete cascade,
    batch_id uuid not null,
    what text not null check (what in ('design', 'sheet')),
    with_scents boolean not null default false,
    made_by text not null,
    at timestamptz not null default now(),
    foreign key (batch_id, workshop_id) references batch (id, workshop_id) on delete cascade
  )`,
  sql`create index share_of_batch on share (workshop_id, batch_id)`,
  sql`create unlogged table presence (
    workshop_id uuid not null references workshop (id) on delete cascade,
    batch_id uuid not null,
    window_id uuid not null,
    member_id uuid not null,
    seen_at timestamptz not null default now(),
    primary key (workshop_id, batch_id, window_id),
    foreign key (batch_id, workshop_id) references batch (id, workshop_id) on delete cascade,
    foreign key (member_id, workshop_id) references member (id, workshop_id) on delete cascade
  )`,
  sql`create index presence_of_workshop on presence (workshop_id, seen_at)`,
]

/** Members with roles, ways in that work once, sessions told apart, a second step, who did what; names of versions of a batch, links to it. */
// oxlint-disable-next-line typescript/no-explicit-any -- a migration sees the tables as they were, not as they are
export async function up(db: Kysely<any>): Promise<void> {
  const statements = [
    sql`alter table member
      add column role text not null default 'owner' check (role in ('owner', 'maker', 'looker')),
      add column totp_secret text check (totp_secret ~ '^[A-Z2-7]{16,64}$'),
      add column totp_on_at timestamptz,
      add column totp_step bigint not null default 0`,
    sql`alter table session
      add column id uuid not null default gen_random_uuid() unique,
      add column agent text not null default '' check (length(agent) <= 200),
      add column seen_at timestamptz not null default now()`,
    sql`create table way_in (
      token_hash text primary key,
      id uuid not null default gen_random_uuid() unique,
      workshop_id uuid not null references workshop (id) on delete cascade,
      role text check (role in ('owner', 'maker', 'looker')),
      member_id uuid,
      made_by text not null,
      created_at timestamptz not null default now(),
      expires_at timestamptz not null,
      foreign key (member_id, workshop_id) references member (id, workshop_id) on delete cascade,
      check ((role is null) <> (member_id is null))
    )`,
    sql`create table deed (
      workshop_id uuid not null references workshop (id) on delete cascade,
      seq bigint generated always as identity,
      at timestamptz not null default now(),
      member_id uuid,
      member_name text not null,
      what text not null check (length(what) between 1 and 80),
      about text not null default '' check (length(about) <= 200),
      primary key (workshop_id, seq)
    )`,
    ...ofBatches(),
    // Every key to a batch or a member carries the workshop's id: no row can point into another's.
    ...[
      ['evidence', 'batch_id', 'batch', 'cascade'],
      ['batch_change', 'batch_id', 'batch', 'cascade'],
      ['batch_change', 'member_id', 'member', 'set null (member_id)'],
      ['run_event', 'member_id', 'member', 'set null (member_id)'],
      ['record_entry', 'member_id', 'member', 'set null (member_id)'],
      ['rehearsal', 'member_id', 'member', 'set null (member_id)'],
    ].map(([table, column, to, then]) =>
      sql.raw(`alter table ${table} drop constraint ${table}_${column}_fkey,
        add foreign key (${column}, workshop_id) references ${to} (id, workshop_id) on delete ${then}`),
    ),
    // Only ever added to. A workshop that is deleted takes its deeds along: that comes from a trigger of the key, one level deep.
    sql`create function deeds_stay() returns trigger language plpgsql as $$
      begin
        if pg_trigger_depth() > 1 then return old; end if;
        raise exception 'what was done is not changed afterwards';
      end $$`,
    sql`create trigger deeds_stay before update or delete on deed for each row execute function deeds_stay()`,
  ]
  for (const statement of statements) await statement.execute(db)
}
