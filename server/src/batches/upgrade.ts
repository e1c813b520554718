import { PLAN_VERSION, readPlan } from '@ostler/core'
import { sql } from 'kysely'
import type { Database } from '../database/connection.ts'

/**
 * Brings stored plans of older versions up to today's. The meaning stays, so the revision stays too and nobody's open window
 * is in conflict. A plan that cannot be read is left as it is; opening it says what is wrong.
 */
export async function upgradePlans(db: Database): Promise<void> {
  const old = await db
    .selectFrom('batch')
    .where(sql<boolean>`coalesce((plan ->> 'version')::int, 0) < ${PLAN_VERSION}`)
    .select(['id', 'revision', 'plan'])
    .execute()
  for (const { id, revision, plan } of old) {
    const read = readPlan(plan)
    if (!read.ok) continue
    await db
      .updateTable('batch')
      .set({ plan: JSON.stringify(read.plan) })
      .where('id', '=', id)
      .where('revision', '=', revision)
      .execute()
  }
}
