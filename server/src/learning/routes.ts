import { CountsForm } from '@ostler/core'
import { Router } from 'express'
import { formFrom, idFrom } from '../http/body.ts'
import { HttpError } from '../http/errors.ts'
import { visitorOf } from '../http/visitor.ts'
import type { EvidenceStore } from './store.ts'

export function evidenceRoutes(store: EvidenceStore): Router {
  const routes = Router()

  routes.put('/:batch', async (req, res) => {
    const { counts } = formFrom(CountsForm, req.body)
    const done = await store.setCounts(visitorOf(req).workshopId, idFrom(req.params.batch), counts)
    if (!done) throw new HttpError(404, 'This batch has no readings to learn from.')
    res.status(204).end()
  })

  return routes
}
