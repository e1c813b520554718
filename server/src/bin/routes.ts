import { Router } from 'express'
import { visitorOf } from '../http/visitor.ts'
import type { BinStore } from './store.ts'

/** What was deleted and can be brought back; that is done where each thing lives. */
export function binRoutes(store: BinStore): Router {
  const routes = Router()
  routes.get('/', async (req, res) => {
    res.json(await store.list(visitorOf(req).workshopId))
  })
  return routes
}
