import { sql } from 'kysely'
import type { Kysely } from 'kysely'

/** What the list shows of a batch, worked out once for each change of it or of the shelf: how much, whether there is time, a picture. */
// oxlint-disable-next-line typescript/no-explicit-any -- a migration sees the tables as they were, not as they are
export async function up(db: Kysely<any>): Promise<void> {
  const statements = [
    sql`alter table batch add constraint batch_of_workshop unique (id, workshop_id)`,
    sql`create table batch_look (
      batch_id uuid primary key,
      workshop_id uuid not null,
      batch_revision integer not null check (batch_revision > 0),
      shelf_stamp text not null check (length(shelf_stamp) <= 200),
      model_version integer not null check (model_version > 0),
      state text check (state in ('calm', 'tight', 'trouble')),
      pot_g double precision check (pot_g >= 0),
      scent text check (length(scent) <= 400),
      face bytea check (octet_length(face) <= 200000),
      made_at timestamptz not null default now(),
      foreign key (batch_id, workshop_id) references batch (id, workshop_id) on delete cascade
    )`,
    sql`create index batch_by_change on batch (workshop_id, updated_at desc, id desc) where deleted_at is null`,
  ]
  for (const statement of statements) await statement.execute(db)
}
