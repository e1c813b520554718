import type { BatchAnswer, BatchList, Plan } from '@ostler/core'
import { sql } from 'kysely'
import type { Database } from '../database/connection.ts'
import type { SentChanges } from '../http/body.ts'
import { changed } from './change.ts'
import type { ChangeResult, Sender } from './change.ts'
import { latestPlans } from './latest.ts'
import { listed, liveOf } from './list.ts'
import type { Wanted } from './list.ts'
import { COLUMNS, answer } from './row.ts'

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

export function batchStore(db: Database): BatchStore {
  const live = (workshopId: string) => liveOf(db, workshopId)
  const latest = latestPlans()

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
    list: (workshopId, wanted) => listed(db, workshopId, wanted),
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
    change: (sender, id, sent) => changed(db, latest, sender, id, sent),
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
