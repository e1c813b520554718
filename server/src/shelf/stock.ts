import { referenceShelf, shelfKinds } from '@ostler/core'
import type { Transaction } from 'kysely'
import type { Database } from '../database/connection.ts'
import type { Tables } from '../database/types.ts'

/** Puts the starting values on a workshop's shelf; what stands there already stays. */
export async function stock(tx: Transaction<Tables>, workshopId: string): Promise<void> {
  const shelf = referenceShelf()
  const rows = shelfKinds.flatMap(kind =>
    shelf[kind].map(item => ({ workshop_id: workshopId, kind, id: item.id, item: JSON.stringify(item) })),
  )
  await tx
    .insertInto('shelf_item')
    .values(rows)
    .onConflict(conflict => conflict.columns(['workshop_id', 'kind', 'id']).doNothing())
    .execute()
  await tx.updateTable('workshop').set({ stocked: true }).where('id', '=', workshopId).execute()
}

/** Stocks every workshop that a migration has left without a shelf. */
export async function stockAll(db: Database): Promise<void> {
  const bare = await db.selectFrom('workshop').where('stocked', '=', false).select('id').execute()
  for (const { id } of bare) await db.transaction().execute(tx => stock(tx, id))
}
