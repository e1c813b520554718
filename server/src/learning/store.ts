import { evidenceOf, readPlan, restEvidence } from '@ostler/core'
import type { Evidence, Shelf } from '@ostler/core'
import { sql } from 'kysely'
import type { Database } from '../database/connection.ts'

/** Batches whose readings are worked out in one go: each takes some hundredths of a second. */
const MOST_AT_ONCE = 20

/** What the batches of one workshop teach: no query goes without its id. */
export interface EvidenceStore {
  /** Everything that live batches teach, after working out what changed. */
  all(workshopId: string, shelf: Shelf): Promise<Evidence[]>
  /** Whether a batch's readings count. False when there are none. */
  setCounts(workshopId: string, batchId: string, counts: boolean): Promise<boolean>
}

export function evidenceStore(db: Database): EvidenceStore {
  /** Batches with readings that have changed since they were worked out, or never were. */
  const stale = (workshopId: string) =>
    db
      .selectFrom('batch')
      .leftJoin('evidence', 'evidence.batch_id', 'batch.id')
      .where('batch.workshop_id', '=', workshopId)
      .where('batch.deleted_at', 'is', null)
      .where(
        sql<boolean>`(jsonb_array_length(batch.plan -> 'seen') > 0 or batch.plan -> 'blendedS' <> 'null' or jsonb_array_length(batch.plan -> 'rest' -> 'readings') > 0 or evidence.batch_id is not null)`,
      )
      .where(sql<boolean>`evidence.batch_revision is distinct from batch.revision`)
      .orderBy('batch.updated_at', 'desc')
      .limit(MOST_AT_ONCE)
      .select(['batch.id', 'batch.revision', 'batch.plan', 'batch.created_at'])
      .execute()

  return {
    async all(workshopId, shelf) {
      for (const { id, revision, plan, created_at } of await stale(workshopId)) {
        const read = readPlan(plan)
        if (!read.ok) continue
        const found = {
          ...evidenceOf(read.plan, shelf, { batch: id, at: created_at.toISOString() }),
          rest: restEvidence(read.plan, shelf),
        }
        const text = JSON.stringify(found)
        await db
          .insertInto('evidence')
          .values({ batch_id: id, workshop_id: workshopId, batch_revision: revision, evidence: text })
          .onConflict(conflict => conflict.column('batch_id').doUpdateSet({ batch_revision: revision, evidence: text }))
          .execute()
      }
      const rows = await db
        .selectFrom('evidence')
        .innerJoin('batch', 'batch.id', 'evidence.batch_id')
        .where('evidence.workshop_id', '=', workshopId)
        .where('batch.deleted_at', 'is', null)
        .orderBy('batch.created_at')
        .select(['evidence.evidence', 'evidence.counts'])
        .execute()
      return rows
        .map(({ evidence, counts }): Evidence => ({ ...evidence, rest: evidence.rest ?? null, counts }))
        .filter(one => one.observations.length > 0 || one.rest !== null)
    },
    async setCounts(workshopId, batchId, counts) {
      const result = await db
        .updateTable('evidence')
        .set({ counts })
        .where('workshop_id', '=', workshopId)
        .where('batch_id', '=', batchId)
        .executeTakeFirst()
      return result.numUpdatedRows > 0n
    },
  }
}
