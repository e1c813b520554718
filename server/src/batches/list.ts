import { lastDays, signsLike } from '@ostler/core'
import type { BatchCourse, BatchList, BatchSort, BatchSummary, Fitness, Life } from '@ostler/core'
import { sql } from 'kysely'
import type { Database } from '../database/connection.ts'
import { lifeIn } from '../record/life.ts'
import { isStale, scentFrom } from './looks.ts'

/** Which batches are listed, from where on. */
export interface Wanted {
  search: string
  sort: BatchSort
  /** Only those with it; empty: whatever theirs. */
  tag: string
  /** Those that were put away, instead of the others. */
  archived: boolean
  /** Only those that have come so far; null: all. */
  life: Life | null
  /** Of the workshop, like "2026-03-02". */
  today: string
  after: Cursor | null
}

const likeText = (search: string): string => `%${search.replace(/[\\%_]/g, mark => `\\${mark}`)}%`

/** Batches in one answer of the list. */
const PAGE = 50

/** Where a page ended: what it is listed by, a time to the microsecond, and the batch. */
export interface Cursor {
  at: string
  id: string
}

const A_DAY = /^\d{4}(?:-\d{2}){0,2}$/

/** Whether a word stands in a batch's name, notes, cups or scent, its tags or the marks of its lots; or is a sign of it, or its day. */
function holds(word: string) {
  const signs = signsLike(word).map(({ id }) => id)
  return sql<boolean>`(batch.found_by ilike ${likeText(word)}
    or exists (select 1 from unnest(batch.tags) tag where tag ilike ${likeText(word)})
    or record.signs && ${signs}::text[]
    or exists (select 1 from lot_use where lot_use.workshop_id = batch.workshop_id and lot_use.batch_id = batch.id
      and lot_use.mark ilike ${likeText(word)})
    or ${A_DAY.test(word) ? sql`batch.poured_at like ${`${word}%`}` : sql`false`})`
}

/** Where a row stands in each order; what ends a page is written as text. */
const STANDS = {
  changed: { by: sql`batch.updated_at`, as: sql.raw('timestamptz'), way: 'desc' },
  poured: { by: sql`batch.poured_at`, as: sql.raw('text'), way: 'desc' },
  name: { by: sql`lower(batch.name)`, as: sql.raw('text'), way: 'asc' },
} as const satisfies Record<BatchSort, unknown>

const isAfter = (sort: BatchSort, { at, id }: Cursor) => {
  const { by, as, way } = STANDS[sort]
  return way === 'desc'
    ? sql<boolean>`(${by}, batch.id) < (${at}::${as}, ${id}::uuid)`
    : sql<boolean>`(${by}, batch.id) > (${at}::${as}, ${id}::uuid)`
}

interface ListedRow {
  id: string
  name: string
  updated_at: Date
  layers: number
  scent: string | null
  pot_g: number | null
  state: BatchSummary['state']
  made_at: Date | null
  has_face: boolean
  is_fresh: boolean
  life: Life
  tags: string[]
  is_archived: boolean
  fitness: Fitness | null
  occasion: string
  for_whom: string
  wanted_on: string
  poured_at: string
  course: BatchCourse | null
}

const summary = (row: ListedRow): BatchSummary => ({
  id: row.id,
  name: row.name,
  updatedAt: row.updated_at.toISOString(),
  layers: row.layers,
  // What was worked out of the plan as it was says nothing of how it is; its picture stands until there is another.
  scent: row.is_fresh ? scentFrom(row.scent) : null,
  potG: row.is_fresh ? row.pot_g : null,
  state: row.is_fresh ? row.state : null,
  face: row.has_face ? row.made_at!.getTime() : null,
  isFresh: row.is_fresh,
  life: row.life,
  tags: row.tags,
  isArchived: row.is_archived,
  fitness: row.fitness ?? 'fit',
  occasion: row.occasion,
  forWhom: row.for_whom,
  makeOn:
    row.wanted_on === '' || row.poured_at !== '' || !row.course
      ? null
      : lastDays(row.wanted_on, row.course.readyDay, row.course.aheadDays).makeOn,
})

export const liveOf = (db: Database, workshopId: string) =>
  db.selectFrom('batch').where('batch.workshop_id', '=', workshopId).where('batch.deleted_at', 'is', null)

/** Which batches a page lists, in their order; what is shown of each is asked for those alone. */
function pageOf(db: Database, workshopId: string, { search, sort, tag, archived, life, today, after }: Wanted) {
  const { by, way } = STANDS[sort]
  let query = liveOf(db, workshopId)
    .leftJoin('batch_look as look', join =>
      join.onRef('look.batch_id', '=', 'batch.id').onRef('look.workshop_id', '=', 'batch.workshop_id'),
    )
    .leftJoin('batch_record as record', join =>
      join.onRef('record.batch_id', '=', 'batch.id').onRef('record.workshop_id', '=', 'batch.workshop_id'),
    )
    .where('batch.archived_at', archived ? 'is not' : 'is', null)
    .select('batch.id')
    .orderBy(by, way)
    .orderBy('batch.id', way)
    .limit(PAGE + 1)
  if (life) query = query.where(lifeIn(today), '=', life)
  if (tag !== '') query = query.where(sql<boolean>`batch.tags @> ${[tag]}::text[]`)
  if (after) query = query.where(isAfter(sort, after))
  for (const word of search.split(/\s+/).filter(Boolean).slice(0, 8)) query = query.where(holds(word))
  return query
}

/** A page of the batches that are there. */
export async function listed(db: Database, workshopId: string, wanted: Wanted): Promise<BatchList> {
  const { by, way } = STANDS[wanted.sort]
  const rows = await liveOf(db, workshopId)
    .innerJoin(pageOf(db, workshopId, wanted).as('page'), 'page.id', 'batch.id')
    .leftJoin('batch_look as look', join =>
      join.onRef('look.batch_id', '=', 'batch.id').onRef('look.workshop_id', '=', 'batch.workshop_id'),
    )
    .leftJoin('batch_record as record', join =>
      join.onRef('record.batch_id', '=', 'batch.id').onRef('record.workshop_id', '=', 'batch.workshop_id'),
    )
    .select(['batch.id', 'batch.name', 'batch.updated_at', 'batch.tags', 'batch.wanted_on', 'batch.poured_at'])
    .select(['batch.layers', 'batch.occasion', 'batch.for_whom'])
    .select(['look.state', 'look.pot_g', 'look.scent', 'look.made_at', 'look.course', 'record.fitness'])
    .select([
      sql<boolean>`look.face is not null`.as('has_face'),
      sql<boolean>`not ${isStale(workshopId)}`.as('is_fresh'),
      sql<boolean>`batch.archived_at is not null`.as('is_archived'),
      sql<string>`(${by})::text`.as('stood_at'),
      lifeIn(wanted.today).as('life'),
    ])
    .orderBy(by, way)
    .orderBy('batch.id', way)
    .execute()
  const last = rows.length > PAGE ? rows[PAGE - 1]! : null
  return { batches: rows.slice(0, PAGE).map(summary), next: last ? `${last.id}/${last.stood_at}` : null }
}
