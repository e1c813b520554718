import { readTrial, say } from '@ostler/core'
import type { Trial, TrialAnswer } from '@ostler/core'
import type { Database } from '../database/connection.ts'
import { setDeleted } from '../database/deleting.ts'
import { liveBatch } from '../database/live-batch.ts'
import type { Report } from '../database/unread.ts'

/** A trial as it is sent: its id is given by the asker, so that sent twice it is kept once. */
export interface SentTrial {
  trial: Trial
  /** The batch that it is made as; null: none yet. */
  batch: string | null
}

export type TrialSaved =
  | { ok: true; saved: TrialAnswer }
  | { ok: false; reason: 'moved' | 'gone' | 'full' | 'no-batch' }

/** Trials of one workshop at a time: no query goes without its id. */
export interface TrialStore {
  list(workshopId: string): Promise<TrialAnswer[]>
  get(workshopId: string, id: string): Promise<TrialAnswer | null>
  add(workshopId: string, id: string, sent: SentTrial): Promise<TrialSaved>
  save(workshopId: string, id: string, revision: number, sent: SentTrial): Promise<TrialSaved>
  setDeleted(workshopId: string, id: string, deletedAt: Date | null): Promise<boolean>
}

const MOST_TRIALS = 300
const COLUMNS = ['id', 'batch_id', 'revision', 'document', 'updated_at'] as const

interface Row {
  id: string
  batch_id: string | null
  revision: number
  document: unknown
  updated_at: Date
}

export function trialStore(db: Database, report: Report = () => undefined): TrialStore {
  const live = (workshopId: string) =>
    db.selectFrom('trial').where('workshop_id', '=', workshopId).where('deleted_at', 'is', null)
  const answered = (row: Row): TrialAnswer[] => {
    const read = readTrial(row.document)
    if (!read.ok) report({ kept: 'trial', id: row.id, sentence: say(read.problems[0]!.sentence) })
    const { id, revision } = row
    return read.ok
      ? [{ id, revision, batch: row.batch_id, updatedAt: row.updated_at.toISOString(), trial: read.trial }]
      : []
  }
  const hasBatch = async (workshopId: string, batch: string | null) =>
    batch === null || (await liveBatch(db, workshopId, batch).select('id').executeTakeFirst()) !== undefined
  const get = async (workshopId: string, id: string) => {
    const row = await live(workshopId).where('id', '=', id).select(COLUMNS).executeTakeFirst()
    return row ? (answered(row)[0] ?? null) : null
  }
  return {
    get,
    async list(workshopId) {
      const rows = await live(workshopId).select(COLUMNS).orderBy('created_at', 'desc').limit(MOST_TRIALS).execute()
      return rows.flatMap(answered)
    },
    async add(workshopId, id, { trial, batch }) {
      const { count } = await live(workshopId)
        .select(eb => eb.fn.countAll<string>().as('count'))
        .executeTakeFirstOrThrow()
      if (Number(count) >= MOST_TRIALS) return { ok: false, reason: 'full' }
      if (!(await hasBatch(workshopId, batch))) return { ok: false, reason: 'no-batch' }
      await db
        .insertInto('trial')
        .values({ id, workshop_id: workshopId, batch_id: batch, document: JSON.stringify(trial) })
        .onConflict(conflict => conflict.columns(['workshop_id', 'id']).doNothing())
        .execute()
      const saved = await get(workshopId, id)
      return saved ? { ok: true, saved } : { ok: false, reason: 'gone' }
    },
    async save(workshopId, id, revision, { trial, batch }) {
      if (!(await hasBatch(workshopId, batch))) return { ok: false, reason: 'no-batch' }
      const row = await db
        .updateTable('trial')
        .set({ document: JSON.stringify(trial), batch_id: batch, revision: revision + 1, updated_at: new Date() })
        .where('workshop_id', '=', workshopId)
        .where('id', '=', id)
        .where('revision', '=', revision)
        .where('deleted_at', 'is', null)
        .returning(COLUMNS)
        .executeTakeFirst()
      if (row) return { ok: true, saved: answered(row)[0]! }
      return { ok: false, reason: (await get(workshopId, id)) ? 'moved' : 'gone' }
    },
    setDeleted: async (workshopId, id, deletedAt) =>
      (await setDeleted(db, 'trial', workshopId, id, deletedAt)) === true,
  }
}
