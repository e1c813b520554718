import type { Evidence } from '@ostler/core'
import type { Database } from '../database/connection.ts'

/** Goes up whenever the models read the same readings otherwise. */
export const MODEL_VERSION = 3

/** What the batches of one workshop teach: no query goes without its id. */
export interface EvidenceStore {
  /** Everything that live batches teach, as far as it is worked out. */
  all(workshopId: string): Promise<Evidence[]>
  /** Whether a batch's readings count. False when there are none. */
  setCounts(workshopId: string, batchId: string, counts: boolean): Promise<boolean>
}

export function evidenceStore(db: Database): EvidenceStore {
  return {
    async all(workshopId) {
      const rows = await db
        .selectFrom('evidence')
        .innerJoin('batch', join =>
          join.onRef('batch.id', '=', 'evidence.batch_id').onRef('batch.workshop_id', '=', 'evidence.workshop_id'),
        )
        .where('evidence.workshop_id', '=', workshopId)
        .where('batch.deleted_at', 'is', null)
        // What older models made of it counts with nothing until it is read again.
        .where('evidence.model_version', '=', MODEL_VERSION)
        .orderBy('batch.created_at')
        .select(['evidence.evidence', 'evidence.counts'])
        .execute()
      return rows
        .map(({ evidence, counts }): Evidence => ({ ...evidence, rest: evidence.rest ?? null, counts }))
        .filter(one => one.observations.length > 0 || one.rest !== null || one.cure != null)
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
