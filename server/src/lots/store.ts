import { bookLots } from '@ostler/core'
import type { LotBatch, LotBooking, LotTaking, LotUse, ShelfItem, ShelfKind, ShortLot } from '@ostler/core'
import { sql } from 'kysely'
import type { Transaction } from 'kysely'
import { liveBatch } from '../database/live-batch.ts'
import type { Database } from '../database/connection.ts'
import type { Tables } from '../database/types.ts'

/** Booked; or what lots do not hold; or a thing that is not there any more. Null: there is no such batch. */
export type BookResult =
  | { ok: true; uses: LotUse[] }
  | { ok: false; short: ShortLot[] }
  | { ok: false; lost: string }
  | null

/** Which lots went into which batches, of one workshop at a time. */
export interface LotStore {
  /** Null: there is no such batch. */
  ofBatch(workshopId: string, batchId: string): Promise<LotUse[] | null>
  /** All that a batch took, instead of what it was said to have taken before: sent twice it is taken once. */
  book(workshopId: string, batchId: string, booking: LotBooking): Promise<BookResult>
  /** Batches that hold a thing of the shelf, the latest first; those that were deleted since hold it still. */
  holding(workshopId: string, kind: ShelfKind, itemId: string): Promise<LotBatch[]>
}

/** Takes a transaction back. */
class Refused extends Error {
  constructor(readonly result: Exclude<BookResult, null>) {
    super('refused')
  }
}

async function usesOf(db: Database | Transaction<Tables>, workshopId: string, batchId: string): Promise<LotUse[]> {
  const rows = await db
    .selectFrom('lot_use')
    .where('workshop_id', '=', workshopId)
    .where('batch_id', '=', batchId)
    .orderBy('kind')
    .orderBy('item_id')
    .orderBy('lot_id')
    .select(['kind', 'item_id', 'lot_id', 'mark', 'mass_g', 'taken_g'])
    .execute()
  return rows.map(row => ({
    ...{ kind: row.kind, item: row.item_id, lot: row.lot_id, mark: row.mark },
    ...{ massG: row.mass_g, takenG: row.taken_g },
  }))
}

const thingOf = ({ kind, item }: Pick<LotTaking, 'kind' | 'item'>): string => `${kind} ${item}`

/** Takes of one lot that are said in two lines are one. */
function summed(takes: readonly LotTaking[]): { lot: string; massG: number }[] {
  const sums = new Map<string, number>()
  for (const { lot, massG } of takes) sums.set(lot, (sums.get(lot) ?? 0) + massG)
  return [...sums].map(([lot, massG]) => ({ lot, massG }))
}

interface Thing {
  kind: ShelfKind
  item: string
  before: readonly LotUse[]
  takes: readonly LotTaking[]
}

/** One thing of the shelf, its lots counted anew; gives what stands booked of it. */
async function bookThing(
  tx: Transaction<Tables>,
  workshopId: string,
  { kind, item, before, takes }: Thing,
  short: ShortLot[],
): Promise<LotUse[]> {
  const row = await tx
    .selectFrom('shelf_item')
    .where('workshop_id', '=', workshopId)
    .where('kind', '=', kind)
    .where('id', '=', item)
    .select(['item', 'revision'])
    .forUpdate()
    .executeTakeFirst()
  const { lots = [], name = item } = (row?.item ?? {}) as Partial<ShelfItem>
  const booked = bookLots(lots, before, summed(takes))
  if (!booked) throw new Refused({ ok: false, lost: name })
  short.push(...booked.short.map(one => ({ kind, item, ...one })))
  if (row && JSON.stringify(booked.lots) !== JSON.stringify(lots))
    await tx
      .updateTable('shelf_item')
      .set({
        item: sql`jsonb_set(item, '{lots}', ${JSON.stringify(booked.lots)}::jsonb)`,
        ...{ revision: row.revision + 1, lot_revisions: sql`lot_revisions + 1`, updated_at: sql`now()` },
        changed_by: null,
      })
      .where('workshop_id', '=', workshopId)
      .where('kind', '=', kind)
      .where('id', '=', item)
      .execute()
  return booked.uses.map(use => ({ kind, item, ...use }))
}

async function booked(
  tx: Transaction<Tables>,
  workshopId: string,
  batchId: string,
  { takes, evenIfShort }: LotBooking,
): Promise<BookResult> {
  const batch = await liveBatch(tx, workshopId, batchId).select('id').forUpdate().executeTakeFirst()
  if (!batch) return null
  const before = await usesOf(tx, workshopId, batchId)
  // In one order for everybody: two bookings never wait for each other.
  const things = [...new Set([...before, ...takes].map(thingOf))].sort()
  const uses: LotUse[] = []
  const short: ShortLot[] = []
  for (const thing of things) {
    const [kind, item] = thing.split(' ') as [ShelfKind, string]
    const mine = <T extends Pick<LotTaking, 'kind' | 'item'>>(list: readonly T[]) =>
      list.filter(one => thingOf(one) === thing)
    uses.push(...(await bookThing(tx, workshopId, { kind, item, before: mine(before), takes: mine(takes) }, short)))
  }
  if (short.length > 0 && !evenIfShort) throw new Refused({ ok: false, short })
  await tx.deleteFrom('lot_use').where('workshop_id', '=', workshopId).where('batch_id', '=', batchId).execute()
  if (uses.length > 0)
    await tx
      .insertInto('lot_use')
      .values(
        uses.map(use => ({
          ...{ batch_id: batchId, workshop_id: workshopId, kind: use.kind, item_id: use.item, lot_id: use.lot },
          ...{ mark: use.mark, mass_g: use.massG, taken_g: Math.min(use.takenG, use.massG) },
        })),
      )
      .execute()
  return { ok: true, uses: await usesOf(tx, workshopId, batchId) }
}

async function batchesHolding(db: Database, workshopId: string, kind: ShelfKind, item: string): Promise<LotBatch[]> {
  const rows = await db
    .selectFrom('lot_use as use')
    .innerJoin('batch', join =>
      join.onRef('batch.id', '=', 'use.batch_id').onRef('batch.workshop_id', '=', 'use.workshop_id'),
    )
    .where('use.workshop_id', '=', workshopId)
    .where('use.kind', '=', kind)
    .where('use.item_id', '=', item)
    .orderBy('batch.poured_at', 'desc')
    .orderBy('batch.id')
    .select(['batch.id', 'batch.name', 'batch.poured_at', 'batch.deleted_at', 'use.lot_id', 'use.mark', 'use.mass_g'])
    .execute()
  return rows.map(row => ({
    ...{ batch: row.id, name: row.name, pouredAt: row.poured_at, isDeleted: row.deleted_at !== null },
    ...{ lot: row.lot_id, mark: row.mark, massG: row.mass_g },
  }))
}

export const lotStore = (db: Database): LotStore => ({
  async ofBatch(workshopId, batchId) {
    const batch = await liveBatch(db, workshopId, batchId).select('id').executeTakeFirst()
    return batch ? usesOf(db, workshopId, batchId) : null
  },
  async book(workshopId, batchId, booking) {
    try {
      return await db.transaction().execute(tx => booked(tx, workshopId, batchId, booking))
    } catch (error) {
      if (error instanceof Refused) return error.result
      throw error
    }
  },
  holding: (workshopId, kind, item) => batchesHolding(db, workshopId, kind, item),
})
