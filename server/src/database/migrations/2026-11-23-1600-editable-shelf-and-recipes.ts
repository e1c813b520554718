import { sql } from 'kysely'
import type { Kysely } from 'kysely'

/**
 * The shelf becomes the workshop's own: more kinds, a revision for each item, rules. Until now nobody could change it, so
 * its rows are dropped and every workshop is stocked anew at the next start (`stocked`). Recipes are saved with versions.
 */
// oxlint-disable-next-line typescript/no-explicit-any -- a migration sees the tables as they were, not as they are
export async function up(db: Kysely<any>): Promise<void> {
  const statements = [
    sql`delete from shelf_item`,
    sql`alter table shelf_item drop constraint shelf_item_kind_check`,
    sql`alter table shelf_item drop column position`,
    sql`alter table shelf_item
      add constraint shelf_item_kind_check check (kind in
        ('oils', 'liquids', 'additives', 'scents', 'colorants', 'moulds', 'vessels', 'tools')),
      add column revision integer not null default 1 check (revision > 0),
      add column updated_at timestamptz not null default now()`,
    sql`alter table workshop
      add column stocked boolean not null default false,
      add column rules jsonb not null default '[{"tag": "not-cosmetic", "weight": "never"}]'
        check (jsonb_typeof(rules) = 'array')`,
    sql`create table recipe (
      id uuid primary key default gen_random_uuid(),
      workshop_id uuid not null references workshop (id) on delete cascade,
      name text not null check (length(name) between 1 and 80),
      deleted_at timestamptz,
      created_at timestamptz not null default now(),
      unique (id, workshop_id)
    )`,
    sql`create unique index recipe_name on recipe (workshop_id, lower(name)) where deleted_at is null`,
    sql`create table recipe_version (
      recipe_id uuid not null,
      workshop_id uuid not null,
      version integer not null check (version > 0),
      reason text not null check (length(reason) <= 300),
      recipe jsonb not null check (jsonb_typeof(recipe) = 'object'),
      made_at timestamptz not null default now(),
      primary key (recipe_id, version),
      foreign key (recipe_id, workshop_id) references recipe (id, workshop_id) on delete cascade
    )`,
  ]
  for (const statement of statements) await statement.execute(db)
}
