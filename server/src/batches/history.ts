import { PLAN_VERSION, changedParts, planBefore, readPlan } from '@ostler/core'
import type { Change, HistoryAnswer, HistoryStep, Plan } from '@ostler/core'
import type { Database } from '../database/connection.ts'
import { liveBatch } from '../database/live-batch.ts'

/** What became of a batch's plan, edit by edit: every change was kept as a value, so every version can be had back. */

/** Edits of one member within so long a time are one step. */
const TOGETHER_MS = 10 * 60_000
/** As many edits are looked back over. */
const MOST_CHANGES = 1500

export interface HistoryStore {
  history(workshopId: string, id: string): Promise<HistoryAnswer | null>
  /** The plan as it was; null: there is no such version, or it cannot be had back. */
  version(workshopId: string, id: string, revision: number): Promise<Plan | null>
  /** Gives a version a name, or takes it away with an empty one. */
  name(workshopId: string, id: string, revision: number, name: string): Promise<boolean>
}

interface Row {
  revision: number
  changes: Change[]
  made_at: Date
  member_id: string | null
  member: string | null
}

/** Rows, the newest first, as steps; a version with a name ends one. */
function stepsOf(rows: readonly Row[], names: ReadonlyMap<number, string>, plan: Plan): HistoryStep[] {
  const groups: Row[][] = []
  for (const row of rows) {
    const group = groups.at(-1)
    const last = group?.at(-1)
    const isOneStep =
      last?.member_id === row.member_id &&
      last.made_at.getTime() - row.made_at.getTime() <= TOGETHER_MS &&
      !names.has(row.revision)
    if (group && isOneStep) group.push(row)
    else groups.push([row])
  }
  return groups.map(group => {
    const [newest, oldest] = [group[0]!, group.at(-1)!]
    return {
      ...{ revision: newest.revision, from: oldest.revision - 1, count: group.length, member: newest.member },
      ...{ at: newest.made_at.toISOString(), name: names.get(newest.revision) ?? '' },
      parts: changedParts(
        group.flatMap(({ changes }) => changes),
        plan,
      ),
    }
  })
}

const planOf = (plan: Plan): Plan | null => {
  if ((plan as { version: number }).version === PLAN_VERSION) return plan
  const read = readPlan(plan)
  return read.ok ? read.plan : null
}

export function historyStore(db: Database): HistoryStore {
  const changesOf = (workshopId: string, id: string) =>
    db
      .selectFrom('batch_change')
      .leftJoin('member', join =>
        join
          .onRef('member.id', '=', 'batch_change.member_id')
          .onRef('member.workshop_id', '=', 'batch_change.workshop_id'),
      )
      .where('batch_change.workshop_id', '=', workshopId)
      .where('batch_id', '=', id)
      .select(['revision', 'changes', 'made_at', 'member_id', 'member.name as member'])
      .orderBy('revision', 'desc')
      .limit(MOST_CHANGES)
  const namesOf = async (workshopId: string, id: string) => {
    const rows = await db
      .selectFrom('batch_version')
      .where('workshop_id', '=', workshopId)
      .where('batch_id', '=', id)
      .select(['revision', 'name'])
      .execute()
    return new Map(rows.map(({ revision, name }) => [revision, name]))
  }
  const batchOf = (workshopId: string, id: string) =>
    liveBatch(db, workshopId, id).select(['revision', 'plan', 'created_at']).executeTakeFirst()
  return {
    async history(workshopId, id) {
      const batch = await batchOf(workshopId, id)
      const plan = batch && planOf(batch.plan)
      if (!batch || !plan) return null
      const [rows, names] = await Promise.all([changesOf(workshopId, id).execute(), namesOf(workshopId, id)])
      const first = rows.at(-1)?.revision ?? batch.revision + 1
      return {
        revision: batch.revision,
        steps: stepsOf(rows, names, plan),
        first: { revision: first - 1, at: batch.created_at.toISOString(), name: names.get(first - 1) ?? '' },
      }
    },
    async version(workshopId, id, revision) {
      const batch = await batchOf(workshopId, id)
      const plan = batch && planOf(batch.plan)
      if (!plan || revision > batch.revision) return null
      const since = await changesOf(workshopId, id).where('revision', '>', revision).execute()
      // Without every single step there is no way back.
      if (since.length !== batch.revision - revision) return null
      return planBefore(
        plan,
        since.map(({ changes }) => changes),
      )
    },
    async name(workshopId, id, revision, name) {
      const batch = await batchOf(workshopId, id)
      if (!batch || revision > batch.revision) return false
      const key = { workshop_id: workshopId, batch_id: id, revision }
      if (name === '')
        await db
          .deleteFrom('batch_version')
          .where('workshop_id', '=', workshopId)
          .where('batch_id', '=', id)
          .where('revision', '=', revision)
          .execute()
      else
        await db
          .insertInto('batch_version')
          .values({ ...key, name })
          .onConflict(conflict => conflict.columns(['workshop_id', 'batch_id', 'revision']).doUpdateSet({ name }))
          .execute()
      return true
    },
  }
}
