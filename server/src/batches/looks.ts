import { say, shelfWithout } from '@ostler/core'
import type { Words } from '@ostler/core'
import { sql } from 'kysely'
import type { Database } from '../database/connection.ts'
import type { Worked } from '../work/learner.ts'
import type { Shelves } from '../shelf/store.ts'
import type { Look, Work } from '../work/work.ts'

/** Goes up whenever the models or the picture come out otherwise for the same plan. */
const LOOK_VERSION = 7

/** Batches looked at in one go: each takes a tenth of a second or so. */
const MOST_AT_ONCE = 20

/** Pictures and figures of batches for lists, of one workshop at a time: no query goes without its id. */
export interface LookStore extends Worked {
  /** The face of a batch as a PNG, null where there is none yet. */
  face(workshopId: string, batchId: string): Promise<Buffer | null>
}

/** What a look depends on beside the plan, in one short text: it differs when anything on the shelf does but what is left in lots, or what
 * live batches teach. */
export const shelfStamp = (workshopId: string) => sql<string>`(
  select concat_ws('.', count(*), coalesce(sum(item.revision - item.lot_revisions), 0),
    (select md5(concat(rules, windows, times)) from workshop where id = ${workshopId}),
    (select concat_ws('-', count(*), coalesce(sum(evidence.taught + case when evidence.counts then 1 else 0 end), 0))
      from evidence join batch taught on taught.id = evidence.batch_id and taught.workshop_id = evidence.workshop_id
      where evidence.workshop_id = ${workshopId} and taught.deleted_at is null))
  from shelf_item item where item.workshop_id = ${workshopId})`

/** Whether a look was made of another plan, another shelf or by other models than stand there now. */
export const isStale = (workshopId: string) => sql<boolean>`(
  look.batch_revision is distinct from batch.revision
  or look.model_version is distinct from ${LOOK_VERSION}
  or look.shelf_stamp is distinct from ${shelfStamp(workshopId)})`

const MOST_SCENT = 400

/** A name as it is; what is said in words as a fact, so that each reader has it in a language of their own. */
function keptScent(scent: Words): string {
  const kept = typeof scent === 'string' ? scent : JSON.stringify(scent)
  return kept.length <= MOST_SCENT ? kept : say(scent).slice(0, MOST_SCENT)
}

/** As it is kept. */
export const scentFrom = (kept: string | null): Words | null =>
  kept?.startsWith('{"fact":') === true ? (JSON.parse(kept) as Words) : kept

/** To a tenth of a gram: ounces are listed to a hundredth. */
const stored = (look: Look | null) => ({
  state: look?.state ?? null,
  pot_g: look ? Math.round(10 * look.potG) / 10 : null,
  scent: look ? keptScent(look.scent) : null,
  face: look ? Buffer.from(look.face) : null,
  course: look ? JSON.stringify(look.course) : null,
})

export function lookStore(db: Database, shelves: Shelves, work: Pick<Work, 'look'>): LookStore {
  const stale = (workshopId: string, most: number) =>
    db
      .selectFrom('batch')
      .leftJoin('batch_look as look', join =>
        join.onRef('look.batch_id', '=', 'batch.id').onRef('look.workshop_id', '=', 'batch.workshop_id'),
      )
      .where('batch.workshop_id', '=', workshopId)
      .where('batch.deleted_at', 'is', null)
      .where(isStale(workshopId))
      .orderBy('batch.updated_at', 'desc')
      .limit(most)

  return {
    hasStale: async workshopId => (await stale(workshopId, 1).select('batch.id').execute()).length > 0,
    async workOut(workshopId) {
      // The stamp is read first: what changes meanwhile is looked at again.
      const { stamp } = (await sql<{ stamp: string }>`select ${shelfStamp(workshopId)} as stamp`.execute(db)).rows[0]!
      const { shelf } = await shelves.all(workshopId)
      const batches = await stale(workshopId, MOST_AT_ONCE)
        .select(['batch.id', 'batch.revision', 'batch.plan'])
        .execute()
      for (const { id, revision, plan } of batches) {
        const now = {
          ...{ batch_revision: revision, shelf_stamp: stamp, model_version: LOOK_VERSION, made_at: sql<Date>`now()` },
          ...stored(await work.look({ plan, shelf: shelfWithout(shelf, id) })),
        }
        await db
          .insertInto('batch_look')
          .values({ batch_id: id, workshop_id: workshopId, ...now })
          .onConflict(conflict => conflict.columns(['workshop_id', 'batch_id']).doUpdateSet(now))
          .execute()
      }
      return batches.length
    },
    async face(workshopId, batchId) {
      const row = await db
        .selectFrom('batch_look')
        .where('workshop_id', '=', workshopId)
        .where('batch_id', '=', batchId)
        .select('face')
        .executeTakeFirst()
      return row?.face ?? null
    },
  }
}
