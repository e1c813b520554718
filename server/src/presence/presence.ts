import type { HereAnswer } from '@ostler/core'
import { HereForm } from '@ostler/core'
import { Router } from 'express'
import { sql } from 'kysely'
import type { Database } from '../database/connection.ts'
import { liveBatch } from '../database/live-batch.ts'
import { formFrom, idFrom } from '../http/body.ts'
import { HttpError } from '../http/errors.ts'
import { visitorOf } from '../http/visitor.ts'

/** A window that has not told of itself for so long is gone. */
const GONE_S = 45
const MOST_TOLD = 20

/** Windows tell that they have a batch open, and hear which others have it open too; lookers as well. */
export function presenceRoutes(db: Database): Router {
  const routes = Router()
  routes.post('/:batch', async (req, res) => {
    const { workshopId, memberId } = visitorOf(req)
    const batchId = idFrom(req.params.batch)
    const { window, isLeft } = formFrom(HereForm, req.body)
    if (!(await liveBatch(db, workshopId, batchId).select('id').executeTakeFirst()))
      throw new HttpError(404, 'There is no such batch.')
    const key = { workshop_id: workshopId, batch_id: batchId, window_id: window }
    const stale = sql<boolean>`seen_at < now() - make_interval(secs => ${GONE_S})`
    await db
      .deleteFrom('presence')
      .where('workshop_id', '=', workshopId)
      .where(eb =>
        eb.or([stale, ...(isLeft ? [eb.and([eb('batch_id', '=', batchId), eb('window_id', '=', window)])] : [])]),
      )
      .execute()
    if (!isLeft)
      await db
        .insertInto('presence')
        .values({ ...key, member_id: memberId })
        .onConflict(conflict =>
          conflict.columns(['workshop_id', 'batch_id', 'window_id']).doUpdateSet({ seen_at: sql`now()` }),
        )
        .execute()
    const rows = await db
      .selectFrom('presence')
      .innerJoin('member', join =>
        join.onRef('member.id', '=', 'presence.member_id').onRef('member.workshop_id', '=', 'presence.workshop_id'),
      )
      .where('presence.workshop_id', '=', workshopId)
      .where('batch_id', '=', batchId)
      .where('window_id', '<>', window)
      .select(['member.id', 'member.name'])
      .limit(MOST_TOLD)
      .execute()
    const others = new Map(rows.map(({ id, name }) => [id, { name, isYou: id === memberId }]))
    res.json([...others.values()] satisfies HereAnswer[])
  })
  return routes
}
