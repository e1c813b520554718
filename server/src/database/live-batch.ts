import type { Transaction } from 'kysely'
import type { Database } from './connection.ts'
import type { Tables } from './types.ts'

/** A batch of a workshop that is not in the bin: every question about one begins here. */
export const liveBatch = (db: Database | Transaction<Tables>, workshopId: string, id: string) =>
  db.selectFrom('batch').where('workshop_id', '=', workshopId).where('id', '=', id).where('deleted_at', 'is', null)
