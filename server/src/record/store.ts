import { MOST_ENTRIES, NEXT_ABOUT, concerning, readPlan, sharedBy } from '@ostler/core'
import type { LessonAnswer, PhotoAnswer, RecordAnswer, RecordEntry } from '@ostler/core'
import { sql } from 'kysely'
import type { Transaction } from 'kysely'
import { liveBatch } from '../database/live-batch.ts'
import type { Database } from '../database/connection.ts'
import type { Tables } from '../database/types.ts'
import type { Jpeg } from './photo.ts'
import { entriesOf, weighUp } from './weigh-up.ts'

export interface Sender {
  workshopId: string
  memberId: string
}

/** Records of one workshop at a time: no query goes without its id. Entries are only ever added. */
export interface RecordStore {
  /** What came of a batch. Null: there is no such batch. */
  get(workshopId: string, batchId: string): Promise<RecordAnswer | null>
  /** Adds what is not there yet, by its key. 'full': it takes no more. */
  add(sender: Sender, batchId: string, entries: readonly RecordEntry[]): Promise<'kept' | 'full' | null>
  /** Keeps a photograph in two sizes under an id that the asker gives: sent twice it is kept once. */
  addPhoto(workshopId: string, batchId: string, id: string, small: Jpeg, large: Jpeg): Promise<'kept' | 'full' | null>
  /** What was learned from other batches that concerns this one. Null: there is no such batch. */
  lessons(workshopId: string, batchId: string): Promise<LessonAnswer[] | null>
  photo(workshopId: string, id: string, size: 'small' | 'large'): Promise<Buffer | null>
}

const MOST_PHOTOS = 200
const MOST_LESSONS = 100

const batchOf = (db: Database | Transaction<Tables>, workshopId: string, id: string) =>
  liveBatch(db, workshopId, id).select('id')

async function added(
  tx: Transaction<Tables>,
  { workshopId, memberId }: Sender,
  batchId: string,
  entries: readonly RecordEntry[],
): Promise<'kept' | 'full' | null> {
  // One after the other: what a batch comes to is worked out of all of its entries.
  const batch = await batchOf(tx, workshopId, batchId).select('batch.poured_at').forUpdate().executeTakeFirst()
  if (!batch) return null
  const before = await entriesOf(tx, workshopId, batchId)
  if (before.length + entries.length > MOST_ENTRIES) return 'full'
  if (entries.length > 0)
    await tx
      .insertInto('record_entry')
      .values(
        entries.map(entry => ({
          ...{ batch_id: batchId, workshop_id: workshopId, key: entry.key, member_id: memberId },
          entry: JSON.stringify(entry),
        })),
      )
      .onConflict(conflict => conflict.columns(['workshop_id', 'batch_id', 'key']).doNothing())
      .execute()
  await weighUp(tx, workshopId, { id: batchId, pouredAt: batch.poured_at })
  return 'kept'
}

/** What was kept of other batches for the next time, of those that share something with this plan. */
async function lessonsFor(db: Database, workshopId: string, batchId: string): Promise<LessonAnswer[] | null> {
  const own = await batchOf(db, workshopId, batchId).select('plan').executeTakeFirst()
  if (!own) return null
  const read = readPlan(own.plan)
  if (!read.ok) return []
  const rows = await db
    .selectFrom('record_entry as kept')
    .innerJoin('batch', join =>
      join.onRef('batch.id', '=', 'kept.batch_id').onRef('batch.workshop_id', '=', 'kept.workshop_id'),
    )
    .where('kept.workshop_id', '=', workshopId)
    .where('batch.id', '!=', batchId)
    .where('batch.deleted_at', 'is', null)
    .where(sql<boolean>`kept.entry ->> 'kind' = 'next'`)
    .where(
      sql<boolean>`not exists (select 1 from record_entry as undo where undo.workshop_id = kept.workshop_id and undo.batch_id = kept.batch_id
        and undo.entry ->> 'kind' = 'undo' and undo.entry ->> 'of' = kept.key)`,
    )
    .orderBy('kept.received_at', 'desc')
    .limit(MOST_LESSONS)
    .select(['kept.key', 'kept.entry', 'batch.id', 'batch.name', 'batch.plan'])
    .execute()
  return concerning(
    rows.flatMap(({ key, entry, id, name, plan }): LessonAnswer[] => {
      const other = readPlan(plan)
      if (!other.ok) return []
      const { on, text = '', cause } = entry
      const keys = cause === undefined ? undefined : NEXT_ABOUT.get(cause)?.keys
      const shares = sharedBy(read.plan, other.plan).filter(one => keys?.includes(one) ?? true)
      const about = { cause: cause ?? null, isForAll: keys?.includes('workshop') === true }
      return [{ key, batch: id, name, on, text, shares, ...about }]
    }),
  )
}

export function recordStore(db: Database): RecordStore {
  return {
    async get(workshopId, batchId) {
      if (!(await batchOf(db, workshopId, batchId).executeTakeFirst())) return null
      const photos = await db
        .selectFrom('photo')
        .where('workshop_id', '=', workshopId)
        .where('batch_id', '=', batchId)
        .orderBy('created_at')
        .select(['id', 'width', 'height'])
        .execute()
      return {
        entries: await entriesOf(db, workshopId, batchId),
        photos: photos.map((row): PhotoAnswer => ({ id: row.id, width: row.width, height: row.height })),
      }
    },
    add: (sender, batchId, entries) => db.transaction().execute(tx => added(tx, sender, batchId, entries)),
    addPhoto: (workshopId, batchId, id, small, large) =>
      db.transaction().execute(async tx => {
        if (!(await batchOf(tx, workshopId, batchId).forUpdate().executeTakeFirst())) return null
        const { count } = await tx
          .selectFrom('photo')
          .where('workshop_id', '=', workshopId)
          .where('batch_id', '=', batchId)
          .select(sql<string>`count(*)`.as('count'))
          .executeTakeFirstOrThrow()
        if (Number(count) >= MOST_PHOTOS) return 'full'
        await tx
          .insertInto('photo')
          .values({
            ...{ id, batch_id: batchId, workshop_id: workshopId, small: small.data, large: large.data },
            ...{ width: large.width, height: large.height },
          })
          .onConflict(conflict => conflict.columns(['workshop_id', 'id']).doNothing())
          .execute()
        return 'kept'
      }),
    lessons: (workshopId, batchId) => lessonsFor(db, workshopId, batchId),
    async photo(workshopId, id, size) {
      const row = await db
        .selectFrom('photo')
        .where('workshop_id', '=', workshopId)
        .where('id', '=', id)
        .select(size)
        .executeTakeFirst()
      return (row as Partial<Record<'small' | 'large', Buffer>> | undefined)?.[size] ?? null
    },
  }
}
