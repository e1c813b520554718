import { readDone, readPlan, readSetting, undone, wholeShelf } from '@ostler/core'
import type { RehearsalAnswer, RehearsalDone, RehearsalSetting, RehearsalSummary } from '@ostler/core'
import type { Database } from '../database/connection.ts'
import { liveBatch } from '../database/live-batch.ts'
import type { Shelves } from '../shelf/store.ts'

/** A rehearsal that is begun: its id is given by the asker, so that sent twice it is begun once. */
export interface Begun {
  batch: string
  id: string
  setting: RehearsalSetting
}

export type RehearsalSaved = { ok: true; revision: number } | { ok: false; reason: 'moved' | 'gone' }

/** Rehearsals of one workshop at a time: no query goes without its id. */
export interface RehearsalStore {
  /** Null: there is no such batch, or its plan cannot be read; 'full': it has as many as it can. */
  begin(sender: { workshopId: string; memberId: string }, begun: Begun): Promise<'opened' | 'there' | 'full' | null>
  list(workshopId: string, batchId: string): Promise<RehearsalSummary[]>
  get(workshopId: string, id: string): Promise<RehearsalAnswer | null>
  save(
    workshopId: string,
    id: string,
    done: { revision: number; done: RehearsalDone; score: number | null },
  ): Promise<RehearsalSaved>
  delete(workshopId: string, id: string): Promise<boolean>
}

const MOST = 200

const ofWorkshop = (db: Database, workshopId: string) =>
  db.selectFrom('rehearsal').where('rehearsal.workshop_id', '=', workshopId)

async function begun(
  db: Database,
  shelves: Shelves,
  { workshopId, memberId }: { workshopId: string; memberId: string },
  { batch: batchId, id, setting }: Begun,
) {
  const batch = await liveBatch(db, workshopId, batchId).select('plan').executeTakeFirst()
  const read = batch && readPlan(batch.plan)
  if (!read?.ok) return null
  const { count } = await ofWorkshop(db, workshopId)
    .where('batch_id', '=', batchId)
    .select(eb => eb.fn.countAll<string>().as('count'))
    .executeTakeFirstOrThrow()
  if (Number(count) >= MOST) return 'full' as const
  const { shelf } = await shelves.all(workshopId)
  const row = await db
    .insertInto('rehearsal')
    .values({
      ...{ id, workshop_id: workshopId, batch_id: batchId, member_id: memberId, score: null },
      ...{ setting: JSON.stringify(setting), done: JSON.stringify(undone()) },
      ...{ plan: JSON.stringify(read.plan), shelf: JSON.stringify(shelf) },
    })
    .onConflict(conflict => conflict.column('id').doNothing())
    .returning('id')
    .executeTakeFirst()
  if (row) return 'opened' as const
  const there = await ofWorkshop(db, workshopId)
    .where('id', '=', id)
    .where('batch_id', '=', batchId)
    .select('id')
    .executeTakeFirst()
  return there ? ('there' as const) : null
}

export const rehearsalStore = (db: Database, shelves: Shelves, now: () => Date): RehearsalStore => ({
  begin: (sender, asked) => begun(db, shelves, sender, asked),
  async list(workshopId, batchId) {
    const rows = await ofWorkshop(db, workshopId)
      .leftJoin('member', 'member.id', 'rehearsal.member_id')
      .where('batch_id', '=', batchId)
      .orderBy('opened_at', 'desc')
      .limit(MOST)
      .select(['rehearsal.id', 'rehearsal.opened_at', 'setting', 'score', 'member.name'])
      .execute()
    return rows.map(row => ({
      ...{ id: row.id, openedAt: row.opened_at.toISOString(), setting: row.setting, score: row.score },
      person: row.name ?? '',
    }))
  },
  async get(workshopId, id) {
    const row = await ofWorkshop(db, workshopId)
      .leftJoin('member', 'member.id', 'rehearsal.member_id')
      .where('rehearsal.id', '=', id)
      .select(['batch_id', 'opened_at', 'setting', 'plan', 'shelf', 'done', 'rehearsal.revision', 'member.name'])
      .executeTakeFirst()
    const plan = row && readPlan(row.plan)
    const [setting, done] = [readSetting(row?.setting), readDone(row?.done)]
    if (!row || !plan?.ok || !setting.ok || !done.ok) return null
    return {
      ...{ id, batch: row.batch_id, openedAt: row.opened_at.toISOString(), person: row.name ?? '' },
      ...{
        revision: row.revision,
        setting: setting.value,
        plan: plan.plan,
        shelf: wholeShelf(row.shelf),
        done: done.value,
      },
    }
  },
  async save(workshopId, id, { revision, done, score }) {
    const row = await db
      .updateTable('rehearsal')
      .set({ done: JSON.stringify(done), score, revision: revision + 1, updated_at: now() })
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
})
