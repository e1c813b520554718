import { MOST_LISTED } from '@ostler/core'
import type { BatchAnswer, Plan } from '@ostler/core'
import { sql } from 'kysely'
import type { Database } from '../database/connection.ts'

type SaveResult = { ok: true; batch: BatchAnswer } | { ok: false; current: BatchAnswer | null }

/** Batches of one workshop at a time: no query goes without its id. */
export interface BatchStore {
  list(workshopId: string, search: string): Promise<BatchAnswer[]>
  get(workshopId: string, id: string): Promise<BatchAnswer | null>
  add(workshopId: string, plan: Plan): Promise<BatchAnswer>
  /** Saves on top of `revision`; not ok when it has moved on, with what stands there now. */
  save(workshopId: string, id: string, revision: number, plan: Plan): Promise<SaveResult>
  /** Marks a batch deleted, or takes that back. False when there is none. */
  setDeleted(workshopId: string, id: string, deletedAt: Date | null): Promise<boolean>
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

export function batchStore(db: Database): BatchStore {
  const live = (workshopId: string) =>
    db.selectFrom('batch').where('workshop_id', '=', workshopId).where('deleted_at', 'is', null)

  const get = async (workshopId: string, id: string) => {
    const row = await live(workshopId).where('id', '=', id).select(COLUMNS).executeTakeFirst()
    return row ? answer(row) : null
  }

  return {
    get,
    async list(workshopId, search) {
      let query = live(workshopId).select(COLUMNS).orderBy('updated_at', 'desc').orderBy('id').limit(MOST_LISTED)
      for (const word of search.split(/\s+/).filter(Boolean).slice(0, 8)) {
        const like = likeText(word)
        query = query.where(
          sql<boolean>`(plan ->> 'name' ilike ${like} or plan ->> 'notes' ilike ${like} or exists (select 1 from jsonb_array_elements(plan -> 'scent' -> 'parts') part where part ->> 'scent' ilike ${like})
            or exists (select 1 from jsonb_array_elements(plan -> 'cups') cup where cup ->> 'name' ilike ${like}))`,
        )
      }
      return (await query.execute()).map(answer)
    },
    async add(workshopId, plan) {
      const row = await db
        .insertInto('batch')
        .values({ workshop_id: workshopId, plan: JSON.stringify(plan) })
        .returning(COLUMNS)
        .executeTakeFirstOrThrow()
      return answer(row)
    },
    async save(workshopId, id, revision, plan) {
      const text = JSON.stringify(plan)
      const row = await db
        .updateTable('batch')
        .set({ plan: text, revision: revision + 1, updated_at: sql`now()` })
        .where('workshop_id', '=', workshopId)
        .where('id', '=', id)
        .where('revision', '=', revision)
        .where('deleted_at', 'is', null)
        .returning(COLUMNS)
        .executeTakeFirst()
      if (row) return { ok: true, batch: answer(row) }
      // A save whose answer was lost is sent again: it is no conflict when just that stands there.
      const same = await live(workshopId)
        .where('id', '=', id)
        .where('revision', '=', revision + 1)
        .where(sql<boolean>`plan = ${text}::jsonb`)
        .select(COLUMNS)
        .executeTakeFirst()
      return same ? { ok: true, batch: answer(same) } : { ok: false, current: await get(workshopId, id) }
    },
    async setDeleted(workshopId, id, deletedAt) {
      const result = await db
        .updateTable('batch')
        .set({ deleted_at: deletedAt })
        .where('workshop_id', '=', workshopId)
        .where('id', '=', id)
        .executeTakeFirst()
      return result.numUpdatedRows > 0n
    },
  }
}
