import { fromFirstModels } from '@ostler/core'
import { sql } from 'kysely'
import type { Database } from '../database/connection.ts'
import type { Shelves } from '../shelf/store.ts'
import type { Taught, Work } from './work.ts'
import type { Worked } from './learner.ts'
import { MODEL_VERSION } from '../learning/store.ts'

/** Batches whose readings are worked out in one go: each takes some hundredths of a second. */
const MOST_AT_ONCE = 20

/** Batches with readings that have changed since they were worked out, never were, or were under an older edition of the models. */
const stale = (db: Database, workshopId: string, most: number) =>
  db
    .selectFrom('batch')
    .leftJoin('evidence', join =>
      join.onRef('evidence.batch_id', '=', 'batch.id').onRef('evidence.workshop_id', '=', 'batch.workshop_id'),
    )
    .where('batch.workshop_id', '=', workshopId)
    .where('batch.deleted_at', 'is', null)
    .where(
      sql<boolean>`(jsonb_array_length(batch.plan -> 'seen') > 0 or batch.plan -> 'blendedS' <> 'null' or jsonb_array_length(batch.plan -> 'rest' -> 'readings') > 0 or jsonb_array_length(batch.plan -> 'rest' -> 'weighIns') > 0 or coalesce(batch.plan -> 'rest' ->> 'gelSeen', '') <> '' or evidence.batch_id is not null)`,
    )
    .where(
      sql<boolean>`(evidence.batch_revision is distinct from batch.revision or evidence.model_version is distinct from ${MODEL_VERSION})`,
    )
    .orderBy('batch.updated_at', 'desc')
    .limit(most)
    .select(['batch.id', 'batch.revision', 'batch.plan', 'batch.created_at'])
    .select(['evidence.evidence', 'evidence.model_version'])
    .execute()

/** A new name teaches nothing, nor does a save of anything that its readings do not rest on. */
const taughtAfter = sql<number>`evidence.taught + case
  when evidence.evidence - 'name' is distinct from excluded.evidence - 'name'
    or evidence.model_version is distinct from excluded.model_version then 1 else 0 end`

/** What the readings of a workshop's batches teach. */
export const evidenceWork = (db: Database, shelves: Shelves, work: Pick<Work, 'evidence'>): Worked => ({
  hasStale: async workshopId => (await stale(db, workshopId, 1)).length > 0,
  async workOut(workshopId) {
    const batches = await stale(db, workshopId, MOST_AT_ONCE)
    const { shelf } = await shelves.all(workshopId)
    for (const { id, revision, plan, created_at, evidence, model_version } of batches) {
      const at = created_at.toISOString()
      const taught = await work.evidence({ plan, shelf, batch: id, at })
      // Of a plan that cannot be read what it taught before is brought over; it is not tried again until it changes.
      const before = evidence && model_version === 1 ? fromFirstModels(evidence, shelf) : evidence
      const nothing: Taught = { batch: id, name: '', at, recipe: '', observations: [], rest: null }
      const now = {
        ...{ batch_revision: revision, model_version: MODEL_VERSION, is_readable: taught !== null },
        evidence: JSON.stringify(taught ?? before ?? nothing),
      }
      await db
        .insertInto('evidence')
        .values({ batch_id: id, workshop_id: workshopId, ...now })
        .onConflict(conflict =>
          conflict.columns(['workshop_id', 'batch_id']).doUpdateSet({ ...now, taught: taughtAfter }),
        )
        .execute()
    }
    return batches.length
  },
})
