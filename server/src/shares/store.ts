import { createHash, randomBytes } from 'node:crypto'
import type { ShareAnswer, ShareForm, SharedWhat } from '@ostler/core'
import type { Database } from '../database/connection.ts'
import { liveBatch } from '../database/live-batch.ts'

/** Links by which a batch's design or pour sheet is seen without signing in. */

const hashOf = (token: string): string => createHash('sha256').update(token).digest('base64url')
const MOST_LINKS = 20

/** What a link leads to. */
export interface Shared {
  workshopId: string
  workshop: string
  batchId: string
  what: SharedWhat
  withScents: boolean
  withNotes: boolean
}

export type Made = { ok: true; token: string } | { ok: false; why: 'gone' | 'full' }

/** Of one workshop at a time; a link itself says whose it is, by its hash alone. */
export interface ShareStore {
  /** The token is told once. */
  add(workshopId: string, batchId: string, form: ShareForm, madeBy: string): Promise<Made>
  list(workshopId: string, batchId: string): Promise<ShareAnswer[]>
  remove(workshopId: string, batchId: string, id: string): Promise<boolean>
  find(token: string): Promise<Shared | null>
}

export function shareStore(db: Database): ShareStore {
  const of = (workshopId: string, batchId: string) =>
    db.selectFrom('share').where('workshop_id', '=', workshopId).where('batch_id', '=', batchId)
  return {
    async add(workshopId, batchId, { what, withScents, withNotes = false }, madeBy) {
      if (!(await liveBatch(db, workshopId, batchId).select('id').executeTakeFirst())) return { ok: false, why: 'gone' }
      const { count } = await of(workshopId, batchId)
        .select(eb => eb.fn.countAll<string>().as('count'))
        .executeTakeFirstOrThrow()
      if (Number(count) >= MOST_LINKS) return { ok: false, why: 'full' }
      const token = randomBytes(32).toString('base64url')
      await db
        .insertInto('share')
        .values({
          ...{ token_hash: hashOf(token), workshop_id: workshopId, batch_id: batchId, what, made_by: madeBy },
          ...{ with_scents: withScents, with_notes: withNotes },
        })
        .execute()
      return { ok: true, token }
    },
    async list(workshopId, batchId) {
      const rows = await of(workshopId, batchId)
        .select(['id', 'what', 'with_scents', 'with_notes', 'made_by', 'at'])
        .orderBy('at')
        .execute()
      return rows.map(row => ({
        ...{ id: row.id, what: row.what, withScents: row.with_scents, withNotes: row.with_notes },
        ...{ madeBy: row.made_by, at: row.at.toISOString() },
      }))
    },
    async remove(workshopId, batchId, id) {
      const gone = await db
        .deleteFrom('share')
        .where('workshop_id', '=', workshopId)
        .where('batch_id', '=', batchId)
        .where('id', '=', id)
        .executeTakeFirst()
      return gone.numDeletedRows > 0n
    },
    async find(token) {
      const row = await db
        .selectFrom('share')
        .innerJoin('workshop', 'workshop.id', 'share.workshop_id')
        .innerJoin('batch', join =>
          join.onRef('batch.id', '=', 'share.batch_id').onRef('batch.workshop_id', '=', 'share.workshop_id'),
        )
        .where('token_hash', '=', hashOf(token))
        .where('batch.deleted_at', 'is', null)
        .select([
          ...(['share.workshop_id', 'share.batch_id', 'share.what', 'share.with_scents'] as const),
          'share.with_notes',
          'workshop.name as workshop',
        ])
        .executeTakeFirst()
      if (!row) return null
      const { workshop_id: workshopId, batch_id: batchId, what, workshop } = row
      return { workshopId, batchId, what, withScents: row.with_scents, withNotes: row.with_notes, workshop }
    },
  }
}
