import type { Shelf } from '@ostler/core'
import type { Database } from '../database/connection.ts'

/** The whole shelf of a workshop, each kind in its order. */
export async function shelfOf(db: Database, workshopId: string): Promise<Shelf> {
  const rows = await db
    .selectFrom('shelf_item')
    .where('workshop_id', '=', workshopId)
    .orderBy('kind')
    .orderBy('position')
    .select(['kind', 'item'])
    .execute()
  const of = (kind: keyof Shelf) => rows.filter(row => row.kind === kind).map(row => row.item)
  return {
    oils: of('oils'),
    scents: of('scents'),
    colorants: of('colorants'),
    moulds: of('moulds'),
  } as unknown as Shelf
}
