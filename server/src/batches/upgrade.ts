import { PLAN_VERSION, readPlan, runFromPlan } from '@ostler/core'
import { sql } from 'kysely'
import type { Database } from '../database/connection.ts'
import { addRun } from '../runs/adding.ts'

/**
 * Brings stored plans of older versions up to today's. The meaning stays, so the revision stays too and nobody's open window
 * is in conflict. A plan that cannot be read is left as it is; opening it says what is wrong.
 */
export async function upgradePlans(db: Database): Promise<void> {
  const old = await db
    .selectFrom('batch')
    .where(sql<boolean>`coalesce((plan ->> 'version')::int, 0) < ${PLAN_VERSION}`)
    .select(['id', 'workshop_id', 'revision', 'plan', 'updated_at'])
    .execute()
  for (const { id, workshop_id: workshopId, revision, plan, updated_at: savedAt } of old) {
    const read = readPlan(plan)
    if (!read.ok) continue
    const run = runFromPlan(plan, savedAt)
    await db.transaction().execute(async tx => {
      const raised = await tx
        .updateTable('batch')
        .set({ plan: JSON.stringify(read.plan) })
        .where('workshop_id', '=', workshopId)
        .where('id', '=', id)
        .where('revision', '=', revision)
        .returning('id')
        .executeTakeFirst()
      if (raised && run) await addRun(tx, { workshopId, batchId: id, ...run })
    })
  }
}
