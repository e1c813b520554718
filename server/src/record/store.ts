import { MOST_ENTRIES, recordFold } from '@ostler/core'
import type { PhotoAnswer, RecordAnswer, RecordEntry } from '@ostler/core'
import { sql } from 'kysely'
import type { Transaction } from 'kysely'
import type { Database } from '../database/connection.ts'
import type { Tables } from '../database/types.ts'
import type { Jpeg } from './photo.ts'

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
  photo(workshopId: string, id: string, size: 'small' | 'large'): Promise<Buffer | null>
}

const MOST_PHOTOS = 200

const batchOf = (db: Database | Transaction<Tables>, workshopId: string, id: string) =>
  db
    .selectFrom('batch')
    .where('workshop_id', '=', workshopId)
    .where('id', '=', id)
    .where('deleted_at', 'is', null)
    .select('id')

const entriesOf = async (db: Database | Transaction<Tables>, workshopId: string, batchId: string) =>
  (
    await db
      .selectFrom('record_entry')
      .where('workshop_id', '=', workshopId)
      .where('batch_id', '=', batchId)
      .orderBy('seq')
      .select('entry')
      .execute()
  ).map(row => row.entry)

async function added(
  tx: Transaction<Tables>,
  { workshopId, memberId }: Sender,
  batchId: string,
  entries: readonly RecordEntry[],
): Promise<'kept' | 'full' | null> {
  // One after the other: what a batch comes to is worked out of all of its entries.
  const batch = await batchOf(tx, workshopId, batchId).forUpdate().executeTakeFirst()
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
      .onConflict(conflict => conflict.columns(['batch_id', 'key']).doNothing())
      .execute()
  const state = recordFold(await entriesOf(tx, workshopId, batchId))
  const now = {
    ...{ unmoulded_at: state.unmouldedAt, cut_at: state.cutAt, cut_count: state.cutCount },
    ...{ gone_count: state.goneCount, turned_at: state.turnedAt, place: state.place },
    signs: state.signs.flatMap(({ sign, grade }) => (sign !== undefined && grade !== 0 ? [sign] : [])),
  }
  await tx
    .insertInto('batch_record')
    .values({ batch_id: batchId, workshop_id: workshopId, ...now })
    .onConflict(conflict => conflict.column('batch_id').doUpdateSet(now))
    .execute()
  return 'kept'
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
          .onConflict(conflict => conflict.column('id').doNothing())
          .execute()
        return 'kept'
      }),
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
