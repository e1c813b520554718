import { evidenceOf, fromFirstModels, readPlan, restEvidence } from '@ostler/core'
import type { Evidence, Shelf } from '@ostler/core'
import { sql } from 'kysely'
import type { Database } from '../database/connection.ts'

/** Goes up whenever the models read the same readings otherwise. */
export const MODEL_VERSION = 2

/** Batches whose readings are worked out in one go: each takes some hundredths of a second. */
const MOST_AT_ONCE = 20

/** What the batches of one workshop teach: no query goes without its id. */
export interface EvidenceStore {
  /** Everything that live batches teach, as far as it is worked out. */
  all(workshopId: string): Promise<Evidence[]>
  /** Whether anything is to be worked out. */
  hasStale(workshopId: string): Promise<boolean>
  /** Works out what has changed, or was worked out under an older edition of the models; gives how many batches. */
  workOut(workshopId: string, shelf: Shelf): Promise<number>
  /** Whether a batch's readings count. False when there are none. */
  setCounts(workshopId: string, batchId: string, counts: boolean): Promise<boolean>
}

export function evidenceStore(db: Database): EvidenceStore {
  /** Batches with readings that have changed since they were worked out, or never were. */
  const stale = (workshopId: string, most = MOST_AT_ONCE) =>
    db
      .selectFrom('batch')
      .leftJoin('evidence', 'evidence.batch_id', 'batch.id')
      .where('batch.workshop_id', '=', workshopId)
      .where('batch.deleted_at', 'is', null)
      .where(
        sql<boolean>`(jsonb_array_length(batch.plan -> 'seen') > 0 or batch.plan -> 'blendedS' <> 'null' or jsonb_array_length(batch.plan -> 'rest' -> 'readings') > 0 or evidence.batch_id is not null)`,
      )
      .where(
        sql<boolean>`(evidence.batch_revision is distinct from batch.revision or evidence.model_version is distinct from ${MODEL_VERSION})`,
      )
      .orderBy('batch.updated_at', 'desc')
      .limit(most)
      .select(['batch.id', 'batch.revision', 'batch.plan', 'batch.created_at'])
      .select(['evidence.evidence', 'evidence.model_version'])
      .execute()

  return {
    hasStale: async workshopId => (await stale(workshopId, 1)).length > 0,
    async workOut(workshopId, shelf) {
      const batches = await stale(workshopId)
      for (const { id, revision, plan, created_at, evidence, model_version } of batches) {
        const read = readPlan(plan)
        // Of a plan that cannot be read what it taught before is brought over; it is not tried again until it changes.
        const before = evidence && model_version === 1 ? fromFirstModels(evidence, shelf) : evidence
        const found: Omit<Evidence, 'counts'> = read.ok
          ? {
              ...evidenceOf(read.plan, shelf, { batch: id, at: created_at.toISOString() }),
              rest: restEvidence(read.plan, shelf),
            }
          : (before ?? { batch: id, name: '', at: created_at.toISOString(), recipe: '', observations: [], rest: null })
        const now = {
          ...{ batch_revision: revision, model_version: MODEL_VERSION, is_readable: read.ok },
          evidence: JSON.stringify(found),
        }
        await db
          .insertInto('evidence')
          .values({ batch_id: id, workshop_id: workshopId, ...now })
          .onConflict(conflict => conflict.column('batch_id').doUpdateSet(now))
          .execute()
        // Requests are answered between two batches.
        await new Promise(resolve => setImmediate(resolve))
      }
      return batches.length
    },
    async all(workshopId) {
      const rows = await db
        .selectFrom('evidence')
        .innerJoin('batch', 'batch.id', 'evidence.batch_id')
        .where('evidence.workshop_id', '=', workshopId)
        .where('batch.deleted_at', 'is', null)
        // What older models made of it counts with nothing until it is read again.
        .where('evidence.model_version', '=', MODEL_VERSION)
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
