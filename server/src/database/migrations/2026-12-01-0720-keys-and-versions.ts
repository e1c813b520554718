import { sql } from 'kysely'
import type { Kysely } from 'kysely'

/** Tables with the columns that tell their rows apart within a workshop. */
const KEYS = {
  member: ['id'],
  batch: ['id'],
  recipe: ['id'],
  recipe_version: ['recipe_id', 'version'],
  design: ['id'],
  trial: ['id'],
  rehearsal: ['id'],
  run: ['id'],
  run_event: ['run_id', 'key'],
  evidence: ['batch_id'],
  batch_change: ['batch_id', 'id'],
  batch_look: ['batch_id'],
  batch_record: ['batch_id'],
  record_entry: ['batch_id', 'key'],
  photo: ['id'],
  lot_use: ['batch_id', 'kind', 'item_id', 'lot_id'],
}

/** Keys to those tables are let go and made again: they lean on an index that goes. */
const POINTED_AT = {
  member: 'member_id_workshop_id_key',
  batch: 'batch_of_workshop',
  recipe: 'recipe_id_workshop_id_key',
  run: 'run_id_workshop_id_key',
}

interface Pointing {
  from: string
  name: string
  says: string
}

/** Rows are told apart by the workshop's id first: what one workshop has stands together, and no id is taken for another. */
// oxlint-disable-next-line typescript/no-explicit-any -- a migration sees the tables as they were, not as they are
async function leadByWorkshop(db: Kysely<any>): Promise<void> {
  const { rows } = await sql<Pointing>`
    select conrelid::regclass::text as from, conname as name, pg_get_constraintdef(oid) as says from pg_constraint
    where contype = 'f' and confrelid::regclass::text = any(${Object.keys(POINTED_AT)}::text[])`.execute(db)
  const each = async (statements: readonly string[]) => {
    for (const statement of statements) await sql.raw(statement).execute(db)
  }
  await each(rows.map(({ from, name }) => `alter table ${from} drop constraint "${name}"`))
  await each(Object.entries(POINTED_AT).map(([table, name]) => `alter table ${table} drop constraint ${name}`))
  await each(
    Object.entries(KEYS).map(
      ([table, columns]) =>
        `alter table ${table} drop constraint ${table}_pkey, add primary key (workshop_id, ${columns.join(', ')})`,
    ),
  )
  await each([
    `alter table batch_change drop constraint batch_change_batch_id_revision_key,
       add unique (workshop_id, batch_id, revision)`,
    ...['run_event_in_order', 'photo_of_batch'].map(name => `drop index ${name}`),
    'create unique index run_event_in_order on run_event (workshop_id, run_id, seq)',
    'create index session_of_member on session (workshop_id, member_id)',
    'create index photo_of_batch on photo (workshop_id, batch_id)',
    // The primary keys begin with the same now.
    ...['evidence_workshop', 'batch_change_by_workshop', 'batch_record_of_workshop'].map(name => `drop index ${name}`),
    ...rows.map(({ from, name, says }) => `alter table ${from} add constraint "${name}" ${says}`),
  ])
}

/** As many versions of one thing are kept. */
const MOST_VERSIONS = 100

const keptVersions = () => [
  sql`create table kept_version (
    workshop_id uuid not null references workshop (id) on delete cascade,
    kind text not null check (kind ~ '^[a-z]{3,20}$'),
    item_id text not null,
    revision integer not null check (revision > 0),
    kept jsonb not null,
    format_version integer not null,
    member_id uuid,
    at timestamptz not null,
    primary key (workshop_id, kind, item_id, revision),
    foreign key (member_id, workshop_id) references member (id, workshop_id) on delete set null (member_id)
  )`,
  ...['shelf_item', 'design'].map(table =>
    sql.raw(`alter table ${table} add column changed_by uuid,
      add foreign key (changed_by, workshop_id) references member (id, workshop_id) on delete set null (changed_by)`),
  ),
  sql`alter table recipe_version add column member_id uuid,
    add foreign key (member_id, workshop_id) references member (id, workshop_id) on delete set null (member_id)`,
  // What stood before is kept with it, where it was changed by something that keeps no versions, such as a lot that was used.
  sql.raw(`create function keep_version(
      of_workshop uuid, of_kind text, of_id text,
      before jsonb, before_version integer, before_revision integer, before_by uuid, before_at timestamptz,
      after jsonb, after_version integer, after_revision integer, after_by uuid
    ) returns void language plpgsql as $$
    begin
      if before is not null then
        insert into kept_version values (of_workshop, of_kind, of_id, before_revision, before, before_version, before_by, before_at)
        on conflict do nothing;
      end if;
      insert into kept_version values (of_workshop, of_kind, of_id, after_revision, after, after_version, after_by, now())
      on conflict do nothing;
      delete from kept_version k where k.workshop_id = of_workshop and k.kind = of_kind and k.item_id = of_id
        and k.revision < (
          select m.revision from kept_version m
          where m.workshop_id = of_workshop and m.kind = of_kind and m.item_id = of_id
          order by m.revision desc offset ${MOST_VERSIONS - 1} limit 1);
    end $$`),
]

/** Things that a workshop begins with have nobody who added them: their first version is kept when they are changed. */
const triggers = () => [
  sql`create function keep_item_version() returns trigger language plpgsql as $$
    begin
      if tg_op = 'INSERT' then
        if new.changed_by is not null then
          perform keep_version(new.workshop_id, new.kind, new.id, null, null, null, null, null,
            new.item, new.format_version, new.revision, new.changed_by);
        end if;
      elsif new.item <> old.item and new.lot_revisions = old.lot_revisions then
        perform keep_version(new.workshop_id, new.kind, new.id,
          old.item, old.format_version, old.revision, old.changed_by, old.updated_at,
          new.item, new.format_version, new.revision, new.changed_by);
      end if;
      return null;
    end $$`,
  sql`create trigger keep_version after insert or update on shelf_item
    for each row execute function keep_item_version()`,
  sql`create function keep_design_version() returns trigger language plpgsql as $$
    begin
      if tg_op = 'DELETE' then
        delete from kept_version
        where workshop_id = old.workshop_id and kind = 'designs' and item_id = old.id::text;
      elsif tg_op = 'INSERT' then
        perform keep_version(new.workshop_id, 'designs', new.id::text, null, null, null, null, null,
          new.design, (new.design ->> 'version')::integer, new.revision, new.changed_by);
      elsif new.design <> old.design then
        perform keep_version(new.workshop_id, 'designs', new.id::text,
          old.design, (old.design ->> 'version')::integer, old.revision, old.changed_by, old.updated_at,
          new.design, (new.design ->> 'version')::integer, new.revision, new.changed_by);
      end if;
      return null;
    end $$`,
  sql`create trigger keep_version after insert or update or delete on design
    for each row execute function keep_design_version()`,
]

/** Primary keys that lead with the workshop's id; versions of what stands on the shelf and of designs, and who made them. */
// oxlint-disable-next-line typescript/no-explicit-any -- a migration sees the tables as they were, not as they are
export async function up(db: Kysely<any>): Promise<void> {
  await leadByWorkshop(db)
  for (const statement of [...keptVersions(), ...triggers()]) await statement.execute(db)
}
