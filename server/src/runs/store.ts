import { MOST_EVENTS, readPlan, wholeShelf } from '@ostler/core'
import type { BenchEvent, BenchRun, NotedAnswer, RunAnswer, RunEvents, RunOutcome, RunSummary } from '@ostler/core'
import { sql } from 'kysely'
import type { Transaction } from 'kysely'
import { liveBatch } from '../database/live-batch.ts'
import type { Database } from '../database/connection.ts'
import type { Tables } from '../database/types.ts'
import { weighUp } from '../record/weigh-up.ts'
import type { Shelves } from '../shelf/store.ts'
import { addEvents } from './adding.ts'

/** A batch that is made ready: the id that it would have, whether it is begun anew, and when it was. */
export interface MadeReady {
  id: string
  isAnew: boolean
  openedAt?: Date | undefined
}

/** Runs of one workshop at a time: no query goes without its id. Events are only ever added. */
export interface RunStore {
  /** Begins a run of a batch under an id that the asker gives: sent twice it is begun once. Null: there is no such batch. */
  begin(workshopId: string, batchId: string, id: string): Promise<'opened' | 'there' | null>
  /** What was noted of the batch that is made ready or was made last. Null: there is no such batch. */
  noted(workshopId: string, batchId: string, asked: MadeReady): Promise<Omit<NotedAnswer, 'now'> | null>
  /** Takes a run in that was kept as a file, under its own id. 'there': it is here already. Null: there is no such batch. */
  bringIn(workshopId: string, batchId: string, run: BenchRun): Promise<'opened' | 'there' | null>
  list(workshopId: string, batchId: string): Promise<RunSummary[]>
  /** What came of the runs whose makers said so, the latest first. */
  outcomes(workshopId: string): Promise<RunOutcome[]>
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
const MOST_OUTCOMES = 1000
/** Rows that go in one statement. */
const MOST_AT_ONCE = 1000

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

/** The plan of a batch as it stands, and the shelf; null where there is none, or it cannot be read. */
async function frozen(db: Database, shelves: Shelves, workshopId: string, batchId: string) {
  const batch = await liveBatch(db, workshopId, batchId).select('plan').executeTakeFirst()
  const read = batch && readPlan(batch.plan)
  if (!read?.ok) return null
  const { shelf } = await shelves.all(workshopId)
  return { plan: JSON.stringify(read.plan), shelf: JSON.stringify(shelf) }
}

const isOf = (batchId: string) => (run: { batch_id: string } | undefined) => run?.batch_id === batchId

/** A run that was made ready begins; one that is not there is begun at once. */
async function begun(db: Database, shelves: Shelves, workshopId: string, batchId: string, id: string, now: Date) {
  const there = await ofWorkshop(db, workshopId, id).select(['batch_id', 'begun_at', 'opened_at']).executeTakeFirst()
  if (there && !isOf(batchId)(there)) return null
  if (there?.begun_at) return 'there' as const
  const follows = await frozen(db, shelves, workshopId, batchId)
  if (!follows) return null
  return db.transaction().execute(async tx => {
    const done = there
      ? await tx
          .updateTable('run')
          .set({ ...follows, begun_at: now })
          .where('workshop_id', '=', workshopId)
          .where('id', '=', id)
          .where('begun_at', 'is', null)
          .returning('opened_at')
          .executeTakeFirst()
      : await tx
          .insertInto('run')
          .values({ ...{ id, workshop_id: workshopId, batch_id: batchId, begun_at: now, opened_at: now }, ...follows })
          .onConflict(conflict => conflict.columns(['workshop_id', 'id']).doNothing())
          .returning('opened_at')
          .executeTakeFirst()
    if (done) {
      const r = Math.max(0, Math.round((now.getTime() - done.opened_at.getTime()) / 100) / 10)
      const event = { key: 'begin:1', kind: 'open', r, noted: r, at: now.toISOString(), source: 'hand' } as const
      await addEvents(tx, { workshopId, memberId: null }, id, [event])
      return 'opened' as const
    }
    const other = await ofWorkshop(tx, workshopId, id).select('batch_id').executeTakeFirst()
    return isOf(batchId)(other) ? ('there' as const) : null
  })
}

/** What was noted of the batch that is made ready or was made last; opened where there is nothing, or where it is begun anew. */
async function noted(
  db: Database,
  workshopId: string,
  batchId: string,
  { id, isAnew, openedAt }: MadeReady,
): Promise<Omit<NotedAnswer, 'now'> | null> {
  return db.transaction().execute(async tx => {
    const batch = await liveBatch(tx, workshopId, batchId).select('id').forUpdate().executeTakeFirst()
    if (!batch) return null
    const ofBatch = tx.selectFrom('run').where('workshop_id', '=', workshopId).where('batch_id', '=', batchId)
    const columns = ['id', 'opened_at', 'begun_at'] as const
    const last = isAnew
      ? await ofBatch.where('id', '=', id).select(columns).executeTakeFirst()
      : await ofBatch.orderBy('opened_at', 'desc').orderBy('id').limit(1).select(columns).executeTakeFirst()
    const run =
      last ??
      (await tx
        .insertInto('run')
        .values({
          ...{ id, workshop_id: workshopId, batch_id: batchId, plan: null, shelf: null },
          ...(openedAt && { opened_at: openedAt }),
        })
        .onConflict(conflict => conflict.columns(['workshop_id', 'id']).doNothing())
        .returning(columns)
        .executeTakeFirst())
    if (!run) return null
    return {
      ...{ id: run.id, batch: batchId, openedAt: run.opened_at.toISOString() },
      begunAt: run.begun_at?.toISOString() ?? null,
      ...(await eventsAfter(tx, workshopId, run.id, 0)),
    }
  })
}

async function listed(db: Database, workshopId: string, batchId: string): Promise<RunSummary[]> {
  const rows = await db
    .selectFrom('run')
    .leftJoin('run_event as event', join =>
      join.onRef('event.run_id', '=', 'run.id').onRef('event.workshop_id', '=', 'run.workshop_id'),
    )
    .where('run.workshop_id', '=', workshopId)
    .where('run.batch_id', '=', batchId)
    .groupBy(['run.id', 'run.opened_at', 'run.begun_at'])
    .orderBy('run.opened_at', 'desc')
    .limit(MOST_RUNS)
    .select([
      'run.id',
      'run.opened_at',
      'run.begun_at',
      sql<string>`count(event.key)`.as('count'),
      sql<string | null>`max(event.event ->> 'how') filter (where event.event ->> 'kind' = 'close')`.as('closed'),
    ])
    .execute()
  return rows.map(row => ({
    ...{ id: row.id, openedAt: row.opened_at.toISOString(), begunAt: row.begun_at?.toISOString() ?? null },
    ...{ count: Number(row.count), closed: row.closed },
  }))
}

/** The last that was said of each run, unless it was taken back. */
async function outcomesOf(db: Database, workshopId: string): Promise<RunOutcome[]> {
  const rows = await db
    .selectFrom('run_event as event')
    .innerJoin('run', join =>
      join.onRef('run.id', '=', 'event.run_id').onRef('run.workshop_id', '=', 'event.workshop_id'),
    )
    .where('event.workshop_id', '=', workshopId)
    .where(sql<boolean>`event.event ->> 'kind' = 'outcome'`)
    .where(
      sql<boolean>`not exists (select 1 from run_event as undo where undo.workshop_id = event.workshop_id and undo.run_id = event.run_id
        and undo.event ->> 'kind' = 'undo' and undo.event ->> 'of' = event.key)`,
    )
    .distinctOn('event.run_id')
    .orderBy('event.run_id')
    .orderBy('event.seq', 'desc')
    .select(['run.id', 'run.batch_id', 'run.opened_at', 'run.begun_at', 'event.event'])
    .select(sql<string>`coalesce(run.plan ->> 'name', '')`.as('name'))
    .execute()
  return rows
    .map((row): RunOutcome => ({
      ...{ run: row.id, batch: row.batch_id, name: row.name },
      begunAt: (row.begun_at ?? row.opened_at).toISOString(),
      said: row.event.amount === undefined ? null : row.event.amount / 100,
      cameTrue: row.event.how === 'as-planned',
    }))
    .sort((a, b) => b.begunAt.localeCompare(a.begunAt))
    .slice(0, MOST_OUTCOMES)
}

/** Events that may hold a batch's bars back. */
const WEIGHS = new Set<BenchEvent['kind']>(['wrong', 'undo', 'correct'])

async function weighedUp(tx: Transaction<Tables>, workshopId: string, batchId: string): Promise<void> {
  const batch = await liveBatch(tx, workshopId, batchId).select('poured_at').forUpdate().executeTakeFirst()
  if (batch) await weighUp(tx, workshopId, { id: batchId, pouredAt: batch.poured_at })
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
    const held = await ofWorkshop(tx, workshopId, id).select('batch_id').forUpdate().executeTakeFirst()
    if (!held) return null
    const { count, seq } = await tx
      .selectFrom('run_event')
      .where('workshop_id', '=', workshopId)
      .where('run_id', '=', id)
      .select([sql<string>`count(*)`.as('count'), sql<string>`coalesce(max(seq), 0)`.as('seq')])
      .executeTakeFirstOrThrow()
    if (events.length === 0) return Number(seq)
    if (Number(count) + events.length > MOST_EVENTS) return 'full'
    const last = (await addEvents(tx, { workshopId, memberId }, id, events)) ?? Number(seq)
    if (events.some(({ kind }) => WEIGHS.has(kind))) await weighedUp(tx, workshopId, held.batch_id)
    return last
  })
}

/** A run from a file: what it followed, frozen, and all that was noted; nothing of it is told twice. */
async function broughtIn(db: Database, shelves: Shelves, workshopId: string, batchId: string, run: BenchRun) {
  const follows = await frozen(db, shelves, workshopId, batchId)
  if (!follows) return null
  const openedAt = new Date(run.openedAt)
  const began = run.events.find(event => event.kind === 'open')
  const values = {
    ...{ id: run.id, workshop_id: workshopId, batch_id: batchId, opened_at: openedAt },
    begun_at: new Date(openedAt.getTime() + (began?.r ?? 0) * 1000),
    ...{ plan: JSON.stringify(run.plan), shelf: follows.shelf },
  }
  return db.transaction().execute(async tx => {
    const added = await tx
      .insertInto('run')
      .values(values)
      .onConflict(conflict => conflict.columns(['workshop_id', 'id']).doNothing())
      .returning('id')
      .executeTakeFirst()
    if (!added) return 'there' as const
    for (let from = 0; from < run.events.length; from += MOST_AT_ONCE)
      await addEvents(tx, { workshopId, memberId: null }, run.id, run.events.slice(from, from + MOST_AT_ONCE))
    await weighedUp(tx, workshopId, batchId)
    return 'opened' as const
  })
}

export const runStore = (db: Database, shelves: Shelves, now: () => Date): RunStore => ({
  begin: (workshopId, batchId, id) => begun(db, shelves, workshopId, batchId, id, now()),
  noted: (workshopId, batchId, asked) => noted(db, workshopId, batchId, asked),
  bringIn: (workshopId, batchId, run) => broughtIn(db, shelves, workshopId, batchId, run),
  list: (workshopId, batchId) => listed(db, workshopId, batchId),
  outcomes: workshopId => outcomesOf(db, workshopId),
  async has(workshopId, id) {
    return (await ofWorkshop(db, workshopId, id).select('id').executeTakeFirst()) !== undefined
  },
  async get(workshopId, id) {
    const run = await ofWorkshop(db, workshopId, id)
      .select(['batch_id', 'opened_at', 'begun_at', 'plan', 'shelf'])
      .executeTakeFirst()
    if (!run?.plan || !run.shelf) return null
    const { batch_id: batch, opened_at, begun_at, plan, shelf } = run
    const read = readPlan(plan)
    if (!read.ok) return null
    return {
      id,
      batch,
      openedAt: opened_at.toISOString(),
      begunAt: begun_at?.toISOString() ?? null,
      plan: read.plan,
      shelf: wholeShelf(shelf),
      ...(await eventsAfter(db, workshopId, id, 0)),
    }
  },
  add: (sender, id, events) => added(db, sender, id, events),
  after: (workshopId, id, seq) => eventsAfter(db, workshopId, id, seq),
})
