import { Router } from 'express'
import type { Request } from 'express'
import { idFrom } from '../http/body.ts'
import { HttpError } from '../http/errors.ts'
import { visitorOf } from '../http/visitor.ts'
import { writeWhole, writeWorkshop } from './write-whole.ts'
import type { Stores, WorkshopStores } from './write-whole.ts'

/** All of a batch as one file, under the batch. */
export function wholeRoutes(stores: Stores): Router {
  const routes = Router({ mergeParams: true })
  routes.get('/', async (req: Request<{ id?: string }>, res) => {
    if (!(await writeWhole(stores, visitorOf(req).workshopId, idFrom(req.params.id), res)))
      throw new HttpError(404, 'There is no such batch. It may have been deleted in another window.')
  })
  return routes
}

/** All of a workshop as one file: for its owners. */
export function everythingRoutes(stores: WorkshopStores): Router {
  const routes = Router()
  routes.get('/', async (req, res) => {
    const { workshopId, workshopName } = visitorOf(req)
    await writeWorkshop(stores, workshopId, workshopName, res)
  })
  return routes
}
