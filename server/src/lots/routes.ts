import { LotBooking, fact, shortWords } from '@ostler/core'
import { Router } from 'express'
import type { Request } from 'express'
import { formFrom, idFrom, kindFrom } from '../http/body.ts'
import { HttpError } from '../http/errors.ts'
import { visitorOf } from '../http/visitor.ts'
import type { LotStore } from './store.ts'

const GONE = 'There is no such batch. It may have been deleted in another window.'

/** Lots of a batch, under the batch. */
export function batchLotRoutes(store: LotStore): Router {
  const routes = Router({ mergeParams: true })
  routes.get('/', async (req: Request<{ id?: string }>, res) => {
    const uses = await store.ofBatch(visitorOf(req).workshopId, idFrom(req.params.id))
    if (!uses) throw new HttpError(404, GONE)
    res.json(uses)
  })
  routes.put('/', async (req: Request<{ id?: string }>, res) => {
    const booking = formFrom(LotBooking, req.body)
    const done = await store.book(visitorOf(req).workshopId, idFrom(req.params.id), booking)
    if (!done) throw new HttpError(404, GONE)
    if (done.ok) return void res.json(done.uses)
    if ('lost' in done)
      throw new HttpError(
        409,
        fact('A lot of {lost} is not on the shelf any more. Choose another.', { lost: done.lost }),
      )
    throw new HttpError(409, shortWords(done.short[0]!), { short: done.short })
  })
  return routes
}

/** From a thing of the shelf to the batches that hold it. */
export function lotRoutes(store: LotStore): Router {
  const routes = Router()
  routes.get('/:kind/:item', async (req, res) => {
    res.json(await store.holding(visitorOf(req).workshopId, kindFrom(req.params.kind), req.params.item))
  })
  return routes
}
