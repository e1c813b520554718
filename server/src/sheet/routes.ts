import { Router } from 'express'
import type { Request } from 'express'
import type { BatchStore } from '../batches/store.ts'
import { idFrom } from '../http/body.ts'
import { HttpError } from '../http/errors.ts'
import { tellingFrom } from '../telling/telling.ts'
import { visitorOf } from '../http/visitor.ts'
import type { ShelfStore } from '../shelf/store.ts'
import type { Work } from '../work/work.ts'

interface Parts {
  batches: Pick<BatchStore, 'get'>
  shelves: Pick<ShelfStore, 'all'>
  work: Pick<Work, 'sheet'>
}

/** The pour sheet of a batch as a PDF, worked out beside the requests. */
export function sheetRoutes({ batches, shelves, work }: Parts): Router {
  const routes = Router({ mergeParams: true })
  routes.get('/', async (req: Request<{ id?: string }>, res) => {
    const { workshopId, habits } = visitorOf(req)
    const telling = tellingFrom(req.query)
    const batch = await batches.get(workshopId, idFrom(req.params.id))
    if (!batch) throw new HttpError(404, 'There is no such batch. It may have been deleted in another window.')
    const { shelf } = await shelves.all(workshopId)
    const pdf = await work.sheet({
      plan: batch.plan,
      shelf,
      habits: { ...habits, decimal: telling.decimal },
      language: telling.language,
    })
    if (!pdf) throw new HttpError(409, 'This plan cannot be forecast: an oil of it is not on the shelf.')
    res.type('application/pdf').set('content-disposition', 'inline; filename="pour-sheet.pdf"').send(Buffer.from(pdf))
  })
  return routes
}
