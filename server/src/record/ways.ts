import { Labelling, Pricing, RackPlan, USUAL_LABELLING, USUAL_PRICING, USUAL_RACK } from '@ostler/core'
import { Router } from 'express'
import type { RequestHandler } from 'express'
import type { Database } from '../database/connection.ts'
import { formFrom } from '../http/body.ts'
import { visitorOf } from '../http/visitor.ts'

/** What holds for all batches of a workshop: how it reckons prices, how it labels, how its rack is laid out. */

interface Way<T extends object> {
  column: 'pricing' | 'labelling' | 'rack'
  form: new () => T
  usual: T
}

function wayRoutes<T extends object>(db: Database, { column, form, usual }: Way<T>): Router {
  const routes = Router()
  routes.get('/', async (req, res) => {
    const row = await db
      .selectFrom('workshop')
      .where('id', '=', visitorOf(req).workshopId)
      .select(column)
      .executeTakeFirst()
    res.json({ ...usual, ...(row as Partial<Record<typeof column, object | null>> | undefined)?.[column] })
  })
  routes.put('/', async (req, res) => {
    const text = JSON.stringify(formFrom(form, req.body))
    await db
      .updateTable('workshop')
      .set({ [column]: text })
      .where('id', '=', visitorOf(req).workshopId)
      .execute()
    res.status(204).end()
  })
  return routes
}

const pricingRoutes = (db: Database): Router =>
  wayRoutes(db, { column: 'pricing', form: Pricing, usual: USUAL_PRICING })
const labellingRoutes = (db: Database): Router =>
  wayRoutes(db, { column: 'labelling', form: Labelling, usual: USUAL_LABELLING })
const rackPlanRoutes = (db: Database): Router => wayRoutes(db, { column: 'rack', form: RackPlan, usual: USUAL_RACK })

/** Puts what a workshop sets once for all its batches under the API. */
export function serveWays(api: Router, isMember: RequestHandler, db: Database): void {
  api.use('/pricing', isMember, pricingRoutes(db))
  api.use('/labelling', isMember, labellingRoutes(db))
  api.use('/rack', isMember, rackPlanRoutes(db))
}
