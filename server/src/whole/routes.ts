import { Router } from 'express'
import type { Request } from 'express'
import { idFrom } from '../http/body.ts'
import { HttpError } from '../http/errors.ts'
import { visitorOf } from '../http/visitor.ts'
import { writeWhole } from './write-whole.ts'
import type { Stores } from './write-whole.ts'

/** All of a batch as one file, under the batch. */
export function wholeRoutes(stores: Stores): Router {
  const routes = Router({ mergeParams: true })
  routes.get('/', async (req: Request<{ id?: string }>, res) => {
    if (!(await writeWhole(stores, visitorOf(req).workshopId, idFrom(req.params.id), res)))
      throw new HttpError(404, 'There is no such batch. It may have been deleted in another window.')
  })
  return routes
}
