import { freshCopy } from '@ostler/core'
import { Router } from 'express'
import { idFrom, planFrom, revisionFrom } from '../http/body.ts'
import { HttpError } from '../http/errors.ts'
import { visitorOf } from '../http/session.ts'
import type { BatchStore } from './store.ts'

const GONE = 'There is no such batch. It may have been deleted in another window.'

export function batchRoutes(store: BatchStore, now: () => Date): Router {
  const routes = Router()

  routes.get('/', async (req, res) => {
    const search =
      typeof req.query['search'] === 'string' ? req.query['search'].slice(0, 100).replace(/\p{Cc}/gu, ' ') : ''
    res.json(await store.list(visitorOf(req).workshopId, search))
  })

  routes.post('/', async (req, res) => {
    res.status(201).json(await store.add(visitorOf(req).workshopId, planFrom(req.body)))
  })

  routes.get('/:id', async (req, res) => {
    const batch = await store.get(visitorOf(req).workshopId, idFrom(req.params.id))
    if (!batch) throw new HttpError(404, GONE)
    res.json(batch)
  })

  routes.put('/:id', async (req, res) => {
    const { workshopId } = visitorOf(req)
    const saved = await store.save(workshopId, idFrom(req.params.id), revisionFrom(req.body), planFrom(req.body))
    if (saved.ok) return void res.json(saved.batch)
    if (!saved.current) throw new HttpError(404, GONE)
    throw new HttpError(409, 'This batch was changed in another window meanwhile.', { current: saved.current })
  })

  routes.post('/:id/duplicate', async (req, res) => {
    const { workshopId } = visitorOf(req)
    const batch = await store.get(workshopId, idFrom(req.params.id))
    if (!batch) throw new HttpError(404, GONE)
    const name = `${batch.plan.name.slice(0, 74)}, copy`
    res.status(201).json(await store.add(workshopId, freshCopy(batch.plan, name)))
  })

  routes.delete('/:id', async (req, res) => {
    const done = await store.setDeleted(visitorOf(req).workshopId, idFrom(req.params.id), now())
    if (!done) throw new HttpError(404, GONE)
    res.status(204).end()
  })

  routes.post('/:id/restore', async (req, res) => {
    const done = await store.setDeleted(visitorOf(req).workshopId, idFrom(req.params.id), null)
    if (!done) throw new HttpError(404, GONE)
    res.status(204).end()
  })

  return routes
}
