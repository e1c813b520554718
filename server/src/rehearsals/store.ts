import { createHash, randomBytes } from 'node:crypto'
import {
  answeredIn,
  baredShelf,
  followingOfLesson,
  lessonOf,
  readDone,
  readPlan,
  readSetting,
  undone,
  wholeShelf,
} from '@ostler/core'
import type {
  LessonProgress,
  Plan,
  Shelf,
  RehearsalAnswer,
  RehearsalDone,
  RehearsalSetting,
  RehearsalSummary,
} from '@ostler/core'
import type { Database } from '../database/connection.ts'
import { liveBatch } from '../database/live-batch.ts'
import type { Shelves } from '../shelf/store.ts'

/** A rehearsal that is begun: its id is given by the asker, so that sent twice it is begun once. */
export interface Begun {
  batch: string
  id: string
  setting: RehearsalSetting
}

export interface Sender {
  workshopId: string
  memberId: string
}

export type RehearsalSaved = { ok: true; revision: number } | { ok: false; reason: 'moved' | 'gone' }

/** Rehearsals of one workshop at a time: no query goes without its id. */
export interface RehearsalStore {
  /** Null: there is no such batch, or its plan cannot be read; 'full': it has as many as it can. */
  begin(sender: Sender, begun: Begun): Promise<'opened' | 'there' | 'full' | null>
  /** Begins a lesson. Null: there is no such lesson; 'full': it was tried as often as is kept. */
  beginLesson(sender: Sender, id: string, lesson: string): Promise<'opened' | 'there' | 'full' | null>
  progress(sender: Sender): Promise<LessonProgress[]>
  list(workshopId: string, batchId: string): Promise<RehearsalSummary[]>
  get(workshopId: string, id: string): Promise<RehearsalAnswer | null>
  save(
    workshopId: string,
    id: string,
    done: { revision: number; done: RehearsalDone; score: number | null; passed: boolean },
  ): Promise<RehearsalSaved>
  delete(workshopId: string, id: string): Promise<boolean>
  /** A link by which it is watched without signing in: the one of before counts no more. Null: there is no such rehearsal. */
  share(workshopId: string, id: string): Promise<string | null>
  /** Whoever has its link sees nothing more. False: there is no such rehearsal. */
  unshare(workshopId: string, id: string): Promise<boolean>
  /** What a link shows; null: it is none. 'same': nothing was noted since that revision. */
  watched(token: string, since: number | null): Promise<RehearsalAnswer | 'same' | null>
}

const MOST = 200

const ofWorkshop = (db: Database, workshopId: string) =>
  db.selectFrom('rehearsal').where('rehearsal.workshop_id', '=', workshopId)

interface Kept {
  batchId: string | null
  lesson: string | null
  setting: RehearsalSetting
  plan: Plan
  shelf: Shelf
}

/** Begins it under its id, once. Null: the id is another's. */
async function inserted(db: Database, { workshopId, memberId }: Sender, id: string, kept: Kept) {
  const { batchId, lesson, setting, plan, shelf } = kept
  const row = await db
    .insertInto('rehearsal')
    .values({
      ...{ id, workshop_id: workshopId, batch_id: batchId, lesson, member_id: memberId, score: null },
      ...{ setting: JSON.stringify(setting), done: JSON.stringify(undone()) },
      ...{ plan: JSON.stringify(plan), shelf: JSON.stringify(shelf) },
    })
    .onConflict(conflict => conflict.columns(['workshop_id', 'id']).doNothing())
    .returning('id')
    .executeTakeFirst()
  if (row) return 'opened' as const
  const there = await ofWorkshop(db, workshopId).where('id', '=', id).select(['batch_id', 'lesson']).executeTakeFirst()
  return there?.batch_id === batchId && there.lesson === lesson ? ('there' as const) : null
}

async function begun(
  db: Database,
  shelves: Shelves,
  sender: Sender,
  { batch: batchId, id, setting }: Begun,
): Promise<'opened' | 'there' | 'full' | null> {
  const { workshopId } = sender
  const batch = await liveBatch(db, workshopId, batchId).select('plan').executeTakeFirst()
  const read = batch && readPlan(batch.plan)
  if (!read?.ok) return null
  const { count } = await ofWorkshop(db, workshopId)
    .where('batch_id', '=', batchId)
    .select(eb => eb.fn.countAll<string>().as('count'))
    .executeTakeFirstOrThrow()
  if (Number(count) >= MOST) return 'full' as const
  const { shelf } = await shelves.all(workshopId)
  return inserted(db, sender, id, { batchId, lesson: null, setting, plan: read.plan, shelf })
}

/** A lesson's batch and shelf are its own: the same for all. */
async function lessonBegun(db: Database, sender: Sender, id: string, key: string) {
  const { workshopId, memberId } = sender
  const lesson = lessonOf(key)
  if (!lesson) return null
  const { count } = await ofWorkshop(db, workshopId)
    .where('lesson', '=', key)
    .where('member_id', '=', memberId)
    .select(eb => eb.fn.countAll<string>().as('count'))
    .executeTakeFirstOrThrow()
  if (Number(count) >= MOST) return 'full' as const
  const { plan, shelf } = followingOfLesson(lesson)
  const { setting } = lesson
  return inserted(db, sender, id, { batchId: null, lesson: key, setting, plan, shelf })
}

async function listed(db: Database, workshopId: string, batchId: string): Promise<RehearsalSummary[]> {
  const rows = await ofWorkshop(db, workshopId)
    .leftJoin('member', join =>
      join.onRef('member.id', '=', 'rehearsal.member_id').onRef('member.workshop_id', '=', 'rehearsal.workshop_id'),
    )
    .where('batch_id', '=', batchId)
    .orderBy('opened_at', 'desc')
    .limit(MOST)
    .select(['rehearsal.id', 'rehearsal.opened_at', 'setting', 'score', 'answered_right', 'watch_hash', 'member.name'])
    .execute()
  return rows.map(row => ({
    ...{ id: row.id, openedAt: row.opened_at.toISOString(), setting: row.setting, score: row.score },
    ...{ person: row.name ?? '', answeredRight: row.answered_right, isShared: row.watch_hash !== null },
  }))
}

async function found(db: Database, workshopId: string, id: string): Promise<RehearsalAnswer | null> {
  const row = await ofWorkshop(db, workshopId)
    .leftJoin('member', join =>
      join.onRef('member.id', '=', 'rehearsal.member_id').onRef('member.workshop_id', '=', 'rehearsal.workshop_id'),
    )
    .where('rehearsal.id', '=', id)
    .select([
      'batch_id',
      'lesson',
      'opened_at',
      'setting',
      'plan',
      'shelf',
      'done',
      'rehearsal.revision',
      'member.name',
      'watch_hash',
    ])
    .executeTakeFirst()
  const plan = row && readPlan(row.plan)
  const [setting, done] = [readSetting(row?.setting), readDone(row?.done)]
  if (!row || !plan?.ok || !setting.ok || !done.ok) return null
  return {
    ...{ id, batch: row.batch_id ?? '', lesson: row.lesson ?? '' },
    ...{ openedAt: row.opened_at.toISOString(), person: row.name ?? '', isShared: row.watch_hash !== null },
    ...{
      revision: row.revision,
      setting: setting.value,
      plan: plan.plan,
      shelf: wholeShelf(row.shelf),
      done: done.value,
    },
  }
}

const hashOf = (token: string): string => createHash('sha256').update(token).digest('base64url')

async function linked(db: Database, workshopId: string, id: string, hash: string | null): Promise<boolean> {
  const row = await db
    .updateTable('rehearsal')
    .set({ watch_hash: hash })
    .where('workshop_id', '=', workshopId)
    .where('id', '=', id)
    .returning('id')
    .executeTakeFirst()
  return row !== undefined
}

/** What may leave the workshop: no names of people, no notes, of the shelf only what the plan names. */
const withoutSecrets = (answer: RehearsalAnswer): RehearsalAnswer => ({
  ...answer,
  person: '',
  plan: { ...answer.plan, notes: '', madeBy: '', brief: { ...answer.plan.brief, ...NO_BRIEF } },
  shelf: baredShelf(answer.shelf, answer.plan),
})
const NO_BRIEF = { occasion: '', forWhom: '', wish: '', priceFrom: 0, priceTo: 0 } as const

/** The link itself says whose workshop it is: it is found by its hash alone. */
async function watchedBy(db: Database, token: string, since: number | null) {
  const row = await db
    .selectFrom('rehearsal')
    .where('watch_hash', '=', hashOf(token))
    .select(['id', 'workshop_id', 'revision'])
    .executeTakeFirst()
  if (!row) return null
  if (row.revision === since) return 'same' as const
  const answer = await found(db, row.workshop_id, row.id)
  return answer && withoutSecrets(answer)
}

/** How many questions of its script were answered rightly, as far as it is done. */
async function rightIn(db: Database, workshopId: string, id: string, done: RehearsalDone): Promise<number | null> {
  const row = await ofWorkshop(db, workshopId).where('id', '=', id).select('setting').executeTakeFirst()
  const setting = readSetting(row?.setting)
  return setting.ok ? (answeredIn(setting.value, done.events)?.right ?? null) : null
}

export const rehearsalStore = (db: Database, shelves: Shelves, now: () => Date): RehearsalStore => ({
  begin: (sender, asked) => begun(db, shelves, sender, asked),
  beginLesson: (sender, id, lesson) => lessonBegun(db, sender, id, lesson),
  async progress({ workshopId, memberId }) {
    const rows = await ofWorkshop(db, workshopId)
      .where('member_id', '=', memberId)
      .where('lesson', 'is not', null)
      .groupBy('lesson')
      .select(eb => [
        'lesson',
        eb.fn.countAll<string>().as('tries'),
        eb.fn.agg<boolean>('bool_or', ['passed']).as('passed'),
      ])
      .execute()
    return rows.map(row => ({ lesson: row.lesson!, tries: Number(row.tries), passed: row.passed }))
  },
  list: (workshopId, batchId) => listed(db, workshopId, batchId),
  get: (workshopId, id) => found(db, workshopId, id),
  async save(workshopId, id, { revision, done, score, passed }) {
    const right = await rightIn(db, workshopId, id, done)
    const row = await db
      .updateTable('rehearsal')
      .set({
        ...{ done: JSON.stringify(done), revision: revision + 1, updated_at: now(), answered_right: right },
        ...(score !== null && { score }),
        ...(passed && { passed }),
      })
      .where('workshop_id', '=', workshopId)
      .where('id', '=', id)
      .where('revision', '=', revision)
      .returning('revision')
      .executeTakeFirst()
    if (row) return { ok: true, revision: row.revision }
    const there = await ofWorkshop(db, workshopId).where('id', '=', id).select('id').executeTakeFirst()
    return { ok: false, reason: there ? 'moved' : 'gone' }
  },
  async delete(workshopId, id) {
    const row = await db
      .deleteFrom('rehearsal')
      .where('workshop_id', '=', workshopId)
      .where('id', '=', id)
      .returning('id')
      .executeTakeFirst()
    return row !== undefined
  },
  async share(workshopId, id) {
    const token = randomBytes(32).toString('base64url')
    return (await linked(db, workshopId, id, hashOf(token))) ? token : null
  },
  unshare: (workshopId, id) => linked(db, workshopId, id, null),
  watched: (token, since) => watchedBy(db, token, since),
})
