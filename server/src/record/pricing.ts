import { Pricing, USUAL_PRICING } from '@ostler/core'
import { Router } from 'express'
import type { Database } from '../database/connection.ts'
import { formFrom } from '../http/body.ts'
import { visitorOf } from '../http/visitor.ts'

/** How a workshop reckons what its bars cost and are sold for. */
export function pricingRoutes(db: Database): Router {
  const routes = Router()
  routes.get('/', async (req, res) => {
    const row = await db
      .selectFrom('workshop')
      .where('id', '=', visitorOf(req).workshopId)
      .select('pricing')
      .executeTakeFirst()
    res.json(row?.pricing ?? USUAL_PRICING)
  })
  routes.put('/', async (req, res) => {
    const pricing = JSON.stringify(formFrom(Pricing, req.body))
    await db.updateTable('workshop').set({ pricing }).where('id', '=', visitorOf(req).workshopId).execute()
    res.status(204).end()
  })
  return routes
}
