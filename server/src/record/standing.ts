import type { Due, DueFacts, Lot, RackBatch, StockFacts } from '@ostler/core'
import {
  USUAL_RACK,
  dayAfter,
  daysBetween,
  dueOf,
  inOrder,
  isHeld,
  lifeOf,
  readTrial,
  stockDues,
  trialDue,
} from '@ostler/core'
import { sql } from 'kysely'
import type { Database } from '../database/connection.ts'
import { isBegun } from './life.ts'

/** How the batches of a workshop stand: how far each has come, what is due of it, where its bars lie. */

/** Batches that are looked through for one answer. */
const MOST = 5000

const rowsOf = (db: Database, workshopId: string) =>
  db
    .selectFrom('batch')
    .leftJoin('batch_look as look', join =>
      join.onRef('look.batch_id', '=', 'batch.id').onRef('look.workshop_id', '=', 'batch.workshop_id'),
    )
    .leftJoin('batch_record as record', join =>
      join.onRef('record.batch_id', '=', 'batch.id').onRef('record.workshop_id', '=', 'batch.workshop_id'),
    )
    .where('batch.workshop_id', '=', workshopId)
    .where('batch.deleted_at', 'is', null)
    .where('batch.archived_at', 'is', null)
    .orderBy('batch.updated_at', 'desc')
    .limit(MOST)
    .select(['batch.id', 'batch.name', 'batch.poured_at', 'batch.wanted_on', 'batch.weigh_days'])
    .select(['look.state', 'look.course', 'look.made_at'])
    .select(['record.unmoulded_at', 'record.cut_at', 'record.cut_count', 'record.gone_count', 'record.turned_at'])
    .select(['record.place', 'record.signs', 'record.fitness'])
    .select(isBegun.as('is_begun'))
    .execute()

type Row = Awaited<ReturnType<typeof rowsOf>>[number]

const weighedDay = ({ weigh_days }: Row): number | null => (weigh_days.length > 0 ? Math.max(...weigh_days) : null)

const factsOf = (row: Row, turnDays: number): DueFacts => ({
  turnDays,
  isHeld: isHeld(row.fitness ?? 'fit'),
  ...{ id: row.id, name: row.name, isPlanned: row.state !== null, isBegun: row.is_begun },
  ...{ pouredAt: row.poured_at === '' ? null : row.poured_at, wantedOn: row.wanted_on },
  ...{ unmouldedAt: row.unmoulded_at, cutAt: row.cut_at, turnedAt: row.turned_at, weighedDay: weighedDay(row) },
  ...{ cutCount: row.cut_count, goneCount: row.gone_count ?? 0 },
  ...{ readyDay: row.course?.readyDay ?? null, unmouldH: row.course?.unmouldH ?? null },
  aheadDays: row.course?.aheadDays ?? 0,
})

async function turnDaysOf(db: Database, workshopId: string): Promise<number> {
  const row = await db.selectFrom('workshop').where('id', '=', workshopId).select('rack').executeTakeFirst()
  return (row?.rack ?? USUAL_RACK).turnDays
}

/** Of the shelf, what has lots and is in use. */
async function stockOf(db: Database, workshopId: string): Promise<StockFacts[]> {
  const rows = await db
    .selectFrom('shelf_item')
    .where('workshop_id', '=', workshopId)
    .where(sql<boolean>`jsonb_array_length(item -> 'lots') > 0`)
    .where(sql<boolean>`(item ->> 'archived')::boolean is not true`)
    .select(['kind', 'id'])
    .select([
      sql<string>`item ->> 'name'`.as('name'),
      sql<Lot[]>`item -> 'lots'`.as('lots'),
      sql<number>`coalesce((item ->> 'reorderAtG')::float, 0)`.as('reorder'),
    ])
    .execute()
  return rows.map(({ kind, id, name, lots, reorder }) => ({ kind, id, name, lots, reorderAtG: reorder }))
}

/** What is to be looked at of trials. */
async function trialDuesOf(db: Database, workshopId: string): Promise<Due[]> {
  const rows = await db
    .selectFrom('trial')
    .where('workshop_id', '=', workshopId)
    .where('deleted_at', 'is', null)
    .where(sql<boolean>`document ->> 'pouredOn' <> '' and document ->> 'takenOn' = ''`)
    .select(['id', 'document'])
    .limit(MOST)
    .execute()
  return rows.flatMap(row => {
    const read = readTrial(row.document)
    return read.ok ? trialDue(row.id, read.trial) : []
  })
}

/** What is due of all batches, of trials and of the shelf, the earliest first. @param today of the workshop, like "2026-03-02" */
export async function duesOf(db: Database, workshopId: string, today: string): Promise<Due[]> {
  const rows = await rowsOf(db, workshopId)
  const turnDays = await turnDaysOf(db, workshopId)
  const stock = await stockOf(db, workshopId)
  return inOrder([
    ...rows.flatMap(row => dueOf(factsOf(row, turnDays), today)),
    ...stock.flatMap(one => stockDues(one, today)),
    ...(await trialDuesOf(db, workshopId)),
  ])
}

/** Bars on the rack and ready, those that are ready first, then by when they will be. */
export async function rackOf(db: Database, workshopId: string, today: string): Promise<RackBatch[]> {
  const rows = await rowsOf(db, workshopId)
  const turnDays = await turnDaysOf(db, workshopId)
  return rows
    .flatMap((row): RackBatch[] => {
      const facts = factsOf(row, turnDays)
      const life = lifeOf(facts, today)
      if ((life !== 'curing' && life !== 'ready') || facts.pouredAt === null) return []
      const { course } = row
      const bars = facts.cutCount ?? course?.bars ?? null
      return [
        {
          ...{ id: row.id, name: row.name, life, place: row.place ?? '', pouredAt: facts.pouredAt },
          ...{ day: daysBetween(facts.pouredAt, today), weighedDay: facts.weighedDay, turnedAt: facts.turnedAt },
          bars: bars === null ? null : Math.max(0, bars - facts.goneCount),
          readyOn: course ? dayAfter(facts.pouredAt, course.readyDay) : null,
          readyRange: course
            ? [dayAfter(facts.pouredAt, course.readyRange[0]), dayAfter(facts.pouredAt, course.readyRange[1])]
            : null,
          ...{ barG: course?.barG ?? null, curedG: course?.curedG ?? null },
          ...{ signs: row.signs ?? [], fitness: row.fitness ?? 'fit' },
          face: row.made_at ? row.made_at.getTime() : null,
        },
      ]
    })
    .sort((a, b) => (a.readyOn ?? '9999').localeCompare(b.readyOn ?? '9999') || a.name.localeCompare(b.name))
}
