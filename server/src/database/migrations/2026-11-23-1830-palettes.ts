import { sql } from 'kysely'
import type { Kysely } from 'kysely'

/** Palettes stand on the shelf, and every workshop is given the starting items that came since (`stocked`). */
// oxlint-disable-next-line typescript/no-explicit-any -- a migration sees the tables as they were, not as they are
export async function up(db: Kysely<any>): Promise<void> {
  const statements = [
    sql`alter table shelf_item drop constraint shelf_item_kind_check`,
    sql`alter table shelf_item
      add constraint shelf_item_kind_check check (kind in
        ('oils', 'liquids', 'additives', 'scents', 'colorants', 'palettes', 'moulds', 'vessels', 'tools'))`,
    sql`update workshop set stocked = false`,
  ]
  for (const statement of statements) await statement.execute(db)
}
