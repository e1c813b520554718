import { MOST_EVENTS, readPlan } from '@ostler/core'
import type { BenchEvent, RunAnswer, RunEvents, RunSummary } from '@ostler/core'
import { sql } from 'kysely'
import type { Database } from '../database/connection.ts'
import type { Shelves } from '../shelf/store.ts'
import { CHANNEL } from './feed.ts'

/** Runs of one workshop at a time: no query goes without its id. Events are only ever added. */
export interface RunStore {
  /** Begins a run of a batch under an id that the asker gives: sent twice it is begun once. Null: there is no such batch. */
  open(workshopId: string, batchId: string, id: string): Promise<'opened' | 'there' | null>
  list(workshopId: string, batchId: string): Promise<RunSummary[]>
  has(workshopId: string, id: string): Promise<boolean>
  get(workshopId: string, id: string): Promise<Omit<RunAnswer, 'now'> | null>
  /** Adds what is not there yet, by its key; gives how far the run goes now. Null: no such run. 'full': it takes no more. */
  add(
    sender: { workshopId: string; memberId: string },
    id: string,
    events: readonly BenchEvent[],
  ): Promise<number | 'full' | null>
  /** What came in after a place in the order of arrival. */
  after(workshopId: string, id: string, seq: number): Promise<RunEvents>
}

const MOST_RUNS = 200

const ofWorkshop = (db: Database, workshopId: string, id: string) =>
  db.selectFrom('run').where('workshop_id', '=', workshopId).where('id', '=', id)

const lastSeq = (rows: readonly { seq: string }[], otherwise: number): number => Number(rows.at(-1)?.seq ?? otherwise)

async function eventsAfter(db: Database, workshopId: string, id: string, seq: number): Promise<RunEvents> {
  const rows = await db
    .selectFrom('run_event')
    .where('workshop_id', '=', workshopId)
    .where('run_id', '=', id)
    .where(sql<boolean>`seq > ${seq}`)
    .orderBy('seq')
    .select(['event', 'seq'])
    .execute()
  return { events: rows.map(row => row.event), seq: lastSeq(rows, seq) }
}

async function opened(db: Database, shelves: Shelves, workshopId: string, batchId: string, id: string) {
  const batch = await db
    .selectFrom('batch')
    .where('workshop_id', '=', workshopId)
    .where('id', '=', batchId)
    .where('deleted_at', 'is', null)
    .select('plan')
    .executeTakeFirst()
  const read = batch && readPlan(batch.plan)
  if (!read?.ok) return null
  const { shelf } = await shelves.all(workshopId)
  const added = await db
    .insertInto('run')
    .values({
      ...{ id, workshop_id: workshopId, batch_id: batchId },
      ...{ plan: JSON.stringify(read.plan), shelf: JSON.stringify(shelf) },
    })
    .onConflict(conflict => conflict.column('id').doNothing())
    .returning('id')
    .executeTakeFirst()
  if (added) return 'opened' as const
  const there = await ofWorkshop(db, workshopId, id).where('batch_id', '=', batchId).select('id').executeTakeFirst()
  return there ? ('there' as const) : null
}

async function listed(db: Database, workshopId: string, batchId: string): Promise<RunSummary[]> {
  const rows = await db
    .selectFrom('run')
    .leftJoin('run_event as event', 'event.run_id', 'run.id')
    .where('run.workshop_id', '=', workshopId)
    .where('run.batch_id', '=', batchId)
    .groupBy(['run.id', 'run.opened_at'])
    .orderBy('run.opened_at', 'desc')
    .limit(MOST_RUNS)
    .select([
      'run.id',
      'run.opened_at',
      sql<string>`count(event.key)`.as('count'),
      sql<string | null>`max(event.event ->> 'how') filter (where event.event ->> 'kind' = 'close')`.as('closed'),
    ])
    .execute()
  return rows.map(row => ({
    ...{ id: row.id, openedAt: row.opened_at.toISOString(), count: Number(row.count), closed: row.closed },
  }))
}

type Added = number | 'full' | null

async function added(
  db: Database,
  { workshopId, memberId }: { workshopId: string; memberId: string },
  id: string,
  events: readonly BenchEvent[],
): Promise<Added> {
  return db.transaction().execute(async (tx): Promise<Added> => {
    // One after the other: what has a later place in the order is never seen before what has an earlier one.
    const held = await ofWorkshop(tx, workshopId, id).select('id').forUpdate().executeTakeFirst()
    if (!held) return null
    const { count, seq } = await tx
      .selectFrom('run_event')
      .where('run_id', '=', id)
      .select([sql<string>`count(*)`.as('count'), sql<string>`coalesce(max(seq), 0)`.as('seq')])
      .executeTakeFirstOrThrow()
    if (events.length === 0) return Number(seq)
    if (Number(count) + events.length > MOST_EVENTS) return 'full'
    const rows = events.map(event => ({
      ...{ run_id: id, workshop_id: workshopId, key: event.key, member_id: memberId },
      event: JSON.stringify(event),
    }))
    const fresh = await tx
      .insertInto('run_event')
      .values(rows)
      .onConflict(conflict => conflict.columns(['run_id', 'key']).doNothing())
      .returning('seq')
      .execute()
    if (fresh.length === 0) return Number(seq)
    await sql`select pg_notify(${CHANNEL}, ${id})`.execute(tx)
    return Math.max(...fresh.map(row => Number(row.seq)))
  })
}

export const runStore = (db: Database, shelves: Shelves): RunStore => ({
  open: (workshopId, batchId, id) => opened(db, shelves, workshopId, batchId, id),
  list: (workshopId, batchId) => listed(db, workshopId, batchId),
  async has(workshopId, id) {
    return (await ofWorkshop(db, workshopId, id).select('id').executeTakeFirst()) !== undefined
  },
  async get(workshopId, id) {
    const run = await ofWorkshop(db, workshopId, id)
      .select(['batch_id', 'opened_at', 'plan', 'shelf'])
      .executeTakeFirst()
    if (!run) return null
    const { batch_id: batch, opened_at, plan, shelf } = run
    const read = readPlan(plan)
    if (!read.ok) return null
    return {
      id,
      batch,
      openedAt: opened_at.toISOString(),
      plan: read.plan,
      shelf,
      ...(await eventsAfter(db, workshopId, id, 0)),
    }
  },
  add: (sender, id, events) => added(db, sender, id, events),
  after: (workshopId, id, seq) => eventsAfter(db, workshopId, id, seq),
})
