import { learnedFrom, readPlan, recipeKey, recordFold } from '@ostler/core'
import type { FaultLesson, Plan, RecordEntry } from '@ostler/core'
import { Router } from 'express'
import type { Request } from 'express'
import { sql } from 'kysely'
import { liveBatch } from '../database/live-batch.ts'
import type { Database } from '../database/connection.ts'
import { idFrom } from '../http/body.ts'
import { HttpError } from '../http/errors.ts'
import { visitorOf } from '../http/visitor.ts'

/** Batches that are looked through. */
const MOST = 500

const scentsOf = (plan: Plan): string[] => [
  ...new Set(
    [plan.scent, ...plan.cups.map(cup => cup.ownScent)].flatMap(one => one?.parts.map(part => part.scent) ?? []),
  ),
]

/** Batches of which signs or causes were noted, the latest first. */
async function lessonsOf(db: Database, workshopId: string): Promise<FaultLesson[]> {
  const rows = await db
    .selectFrom('batch')
    .innerJoin('record_entry as entry', join =>
      join.onRef('entry.batch_id', '=', 'batch.id').onRef('entry.workshop_id', '=', 'batch.workshop_id'),
    )
    .where('batch.workshop_id', '=', workshopId)
    .where('batch.deleted_at', 'is', null)
    .where(sql<boolean>`entry.entry ->> 'kind' in ('sign', 'cause', 'undo')`)
    .groupBy(['batch.workshop_id', 'batch.id'])
    .orderBy('batch.updated_at', 'desc')
    .limit(MOST)
    .select(['batch.id', 'batch.name', 'batch.plan'])
    .select(sql<RecordEntry[]>`json_agg(entry.entry order by entry.seq)`.as('entries'))
    .execute()
  return rows.flatMap(({ id, name, plan, entries }): FaultLesson[] => {
    const read = readPlan(plan)
    if (!read.ok) return []
    const { signs, causes } = recordFold(entries)
    return [{ batch: id, name, recipe: recipeKey(read.plan), scents: scentsOf(read.plan), state: { signs, causes } }]
  })
}

/** What the causes that were confirmed teach of a batch, under the batch. */
export function faultRoutes(db: Database): Router {
  const routes = Router({ mergeParams: true })
  routes.get('/learned', async (req: Request<{ id?: string }>, res) => {
    const { workshopId } = visitorOf(req)
    const id = idFrom(req.params.id)
    const lessons = await lessonsOf(db, workshopId)
    const batch = await liveBatch(db, workshopId, id).select('plan').executeTakeFirst()
    const read = batch && readPlan(batch.plan)
    if (!read) throw new HttpError(404, 'There is no such batch. It may have been deleted in another window.')
    const of = read.ok
      ? { batch: id, recipe: recipeKey(read.plan), scents: scentsOf(read.plan) }
      : { batch: id, recipe: '', scents: [] }
    res.json(learnedFrom(lessons, of))
  })
  return routes
}
