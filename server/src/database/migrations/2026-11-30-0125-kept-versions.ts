import { sql } from 'kysely'
import type { Kysely } from 'kysely'

/** Recipes and items of the shelf say in which version of their form they were kept, as plans and designs do by themselves. */
// oxlint-disable-next-line typescript/no-explicit-any -- a migration sees the tables as they were, not as they are
export async function up(db: Kysely<any>): Promise<void> {
  const statements = [
    sql`alter table recipe_version add column format_version integer not null default 1 check (format_version > 0)`,
    sql`alter table shelf_item add column format_version integer not null default 1 check (format_version > 0)`,
  ]
  for (const statement of statements) await statement.execute(db)
}
