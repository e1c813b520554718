import { PLAN_VERSION, changedParts, lastDays, readPlan, signsLike, withChanges } from '@ostler/core'
import type {
  BatchCourse,
  BatchAnswer,
  BatchList,
  BatchSaved,
  BatchSort,
  BatchSummary,
  Fitness,
  Life,
  Plan,
  Problem,
  Words,
} from '@ostler/core'
import { sql } from 'kysely'
import type { Transaction } from 'kysely'
import { liveBatch } from '../database/live-batch.ts'
import type { Database } from '../database/connection.ts'
import type { Tables } from '../database/types.ts'
import type { SentChanges } from '../http/body.ts'
import { lifeIn } from '../record/life.ts'
import { isStale } from './looks.ts'

const UNREADABLE = 'This batch was stored in a form that cannot be read any more.'

/** What came of changes: made; or what they meet in the plan as it stands; or what is wrong with them by themselves. */
export type ChangeResult =
  | { ok: true; saved: BatchSaved; plan: Plan }
  | { ok: false; current: BatchAnswer | null; parts: Words[] }
  | { ok: false; problems: Problem[] }

export interface Sender {
  workshopId: string
  memberId: string
}

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

/** Batches of one workshop at a time: no query goes without its id. */
/** What is kept of a batch beside its plan. */
export interface BatchKept {
  tags: string[]
  isArchived: boolean
}

export interface BatchStore {
  /** A page of summaries, from where the page before ended. */
  list(workshopId: string, wanted: Wanted): Promise<BatchList>
  /** Of all that are not deleted, put away or not. */
  ids(workshopId: string): Promise<string[]>
  get(workshopId: string, id: string): Promise<BatchAnswer | null>
  kept(workshopId: string, id: string): Promise<BatchKept | null>
  /** What a batch in the bin is called; null: there is none of that id in it. */
  deletedName(workshopId: string, id: string): Promise<string | null>
  add(workshopId: string, plan: Plan): Promise<BatchAnswer>
  /** Makes changes on the plan as it stands, whatever others have made of it since `revision`; those sent before are not made again. */
  change(sender: Sender, id: string, sent: SentChanges): Promise<ChangeResult>
  /** Marks a batch deleted, or takes that back. False when there is none. */
  setDeleted(workshopId: string, id: string, deletedAt: Date | null): Promise<boolean>
  /** Puts a batch away, or takes it out again. False when there is none. */
  setArchived(workshopId: string, id: string, archivedAt: Date | null): Promise<boolean>
  setTags(workshopId: string, id: string, tags: readonly string[]): Promise<boolean>
  /** All tags of batches that are not put away, by name. */
  tags(workshopId: string): Promise<string[]>
}

const COLUMNS = ['id', 'revision', 'plan', 'updated_at'] as const

interface Row {
  id: string
  revision: number
  plan: Plan
  updated_at: Date
}

const answer = (row: Row): BatchAnswer => ({
  id: row.id,
  name: row.plan.name,
  revision: row.revision,
  updatedAt: row.updated_at.toISOString(),
  plan: row.plan,
})

const likeText = (search: string): string => `%${search.replace(/[\\%_]/g, mark => `\\${mark}`)}%`

/** A plan as it was stored; one of an older form, or that was stored by hand, is read anew. */
function storedPlan(plan: Plan): Plan | null {
  if ((plan as { version: number }).version === PLAN_VERSION) return plan
  const read = readPlan(plan)
  return read.ok ? read.plan : null
}

async function changed(
  trx: Transaction<Tables>,
  { workshopId, memberId }: Sender,
  id: string,
  { id: changeId, revision, changes }: SentChanges,
): Promise<ChangeResult> {
  const row = await liveBatch(trx, workshopId, id).select(COLUMNS).forUpdate().executeTakeFirst()
  if (!row) return { ok: false, current: null, parts: [] }
  const plan = storedPlan(row.plan)
  if (!plan) return { ok: false, problems: [{ path: '', value: '', sentence: UNREADABLE }] }
  const before = await trx
    .selectFrom('batch_change')
    .where('workshop_id', '=', workshopId)
    .where('batch_id', '=', id)
    .where('id', '=', changeId)
    .select('revision')
    .executeTakeFirst()
  const saved = (on: Pick<Row, 'revision' | 'updated_at'>, isAlone: boolean, now: Plan): ChangeResult => ({
    ok: true,
    saved: { id, revision: on.revision, updatedAt: on.updated_at.toISOString(), plan: isAlone ? null : now },
    plan: now,
  })
  if (before) return saved(row, before.revision === row.revision && row.revision === revision + 1, plan)
  const made = withChanges(plan, changes)
  if (made.met.length > 0)
    return {
      ok: false,
      current: answer(row),
      parts: changedParts(
        made.met.map(one => one.change),
        plan,
      ),
    }
  if (!made.ok) {
    return revision === row.revision
      ? { ok: false, problems: made.problems }
      : { ok: false, current: answer(row), parts: changedParts(changes, plan) }
  }
  const next = await trx
    .updateTable('batch')
    .set({ plan: JSON.stringify(made.plan), revision: row.revision + 1, updated_at: sql`now()` })
    .where('workshop_id', '=', workshopId)
    .where('id', '=', id)
    .returning(['revision', 'updated_at'])
    .executeTakeFirstOrThrow()
  await trx
    .insertInto('batch_change')
    .values({
      ...{ batch_id: id, id: changeId, workshop_id: workshopId, member_id: memberId },
      ...{ revision: next.revision, changes: JSON.stringify(changes) },
    })
    .execute()
  return saved(next, revision === row.revision, made.plan)
}

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
  scent: row.is_fresh ? row.scent : null,
  potG: row.is_fresh ? row.pot_g : null,
  state: row.is_fresh ? row.state : null,
  face: row.has_face ? row.made_at!.getTime() : null,
  isFresh: row.is_fresh,
  life: row.life,
  tags: row.tags,
  isArchived: row.is_archived,
  fitness: row.fitness ?? 'fit',
  brief: [row.occasion, row.for_whom && `for ${row.for_whom}`].filter(Boolean).join(', '),
  makeOn:
    row.wanted_on === '' || row.poured_at !== '' || !row.course
      ? null
      : lastDays(row.wanted_on, row.course.readyDay, row.course.aheadDays).makeOn,
})

const liveOf = (db: Database, workshopId: string) =>
  db.selectFrom('batch').where('batch.workshop_id', '=', workshopId).where('batch.deleted_at', 'is', null)

/** A page of the batches that are there. */
async function listed(
  live: ReturnType<typeof liveOf>,
  workshopId: string,
  { search, sort, tag, archived, life, today, after }: Wanted,
): Promise<BatchList> {
  const { by, way } = STANDS[sort]
  let query = live
    .leftJoin('batch_look as look', join =>
      join.onRef('look.batch_id', '=', 'batch.id').onRef('look.workshop_id', '=', 'batch.workshop_id'),
    )
    .leftJoin('batch_record as record', join =>
      join.onRef('record.batch_id', '=', 'batch.id').onRef('record.workshop_id', '=', 'batch.workshop_id'),
    )
    .select([
      'batch.id',
      'batch.name',
      'batch.updated_at',
      'look.state',
      'look.pot_g',
      'look.scent',
      'look.made_at',
      'batch.tags',
      'record.fitness',
      ...(['batch.wanted_on', 'batch.poured_at', 'look.course'] as const),
    ])
    .select([
      sql<number>`jsonb_array_length(batch.plan -> 'score')`.as('layers'),
      sql<boolean>`look.face is not null`.as('has_face'),
      sql<boolean>`not ${isStale(workshopId)}`.as('is_fresh'),
      sql<boolean>`batch.archived_at is not null`.as('is_archived'),
      sql<string>`(${by})::text`.as('stood_at'),
      lifeIn(today).as('life'),
      sql<string>`coalesce(batch.plan -> 'brief' ->> 'occasion', '')`.as('occasion'),
      sql<string>`coalesce(batch.plan -> 'brief' ->> 'forWhom', '')`.as('for_whom'),
    ])
    .where('batch.archived_at', archived ? 'is not' : 'is', null)
    .orderBy(by, way)
    .orderBy('batch.id', way)
    .limit(PAGE + 1)
  if (life) query = query.where(lifeIn(today), '=', life)
  if (tag !== '') query = query.where(sql<boolean>`batch.tags @> ${[tag]}::text[]`)
  if (after) query = query.where(isAfter(sort, after))
  for (const word of search.split(/\s+/).filter(Boolean).slice(0, 8)) query = query.where(holds(word))
  const rows = await query.execute()
  const last = rows.length > PAGE ? rows[PAGE - 1]! : null
  return { batches: rows.slice(0, PAGE).map(summary), next: last ? `${last.id}/${last.stood_at}` : null }
}

export function batchStore(db: Database): BatchStore {
  const live = (workshopId: string) => liveOf(db, workshopId)

  /** What of a batch is no part of its plan. */
  const set = async (
    workshopId: string,
    id: string,
    about: { deleted_at: Date | null } | { archived_at: Date | null } | { tags: string[] },
  ) => {
    const result = await db
      .updateTable('batch')
      .set(about)
      .where('workshop_id', '=', workshopId)
      .where('id', '=', id)
      .executeTakeFirst()
    return result.numUpdatedRows > 0n
  }

  const get = async (workshopId: string, id: string) => {
    const row = await live(workshopId).where('id', '=', id).select(COLUMNS).executeTakeFirst()
    return row ? answer(row) : null
  }

  return {
    get,
    async kept(workshopId, id) {
      const row = await live(workshopId).where('id', '=', id).select(['tags', 'archived_at']).executeTakeFirst()
      return row ? { tags: row.tags, isArchived: row.archived_at !== null } : null
    },
    async deletedName(workshopId, id) {
      const row = await db
        .selectFrom('batch')
        .where('workshop_id', '=', workshopId)
        .where('id', '=', id)
        .where('deleted_at', 'is not', null)
        .select('name')
        .executeTakeFirst()
      return row?.name ?? null
    },
    list: (workshopId, wanted) => listed(live(workshopId), workshopId, wanted),
    ids: async workshopId =>
      (await live(workshopId).select('batch.id').orderBy('batch.created_at').execute()).map(({ id }) => id),
    async add(workshopId, plan) {
      const row = await db
        .insertInto('batch')
        .values({ workshop_id: workshopId, plan: JSON.stringify(plan) })
        .returning(COLUMNS)
        .executeTakeFirstOrThrow()
      return answer(row)
    },
    change: (sender, id, sent) => db.transaction().execute(trx => changed(trx, sender, id, sent)),
    setDeleted: (workshopId, id, deletedAt) => set(workshopId, id, { deleted_at: deletedAt }),
    setArchived: (workshopId, id, archivedAt) => set(workshopId, id, { archived_at: archivedAt }),
    setTags: (workshopId, id, tags) => set(workshopId, id, { tags: [...tags] }),
    async tags(workshopId) {
      const rows = await live(workshopId)
        .where('batch.archived_at', 'is', null)
        .select(sql<string>`unnest(batch.tags)`.as('tag'))
        .distinct()
        .orderBy('tag')
        .execute()
      return rows.map(({ tag }) => tag)
    },
  }
}
