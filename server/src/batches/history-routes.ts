import { VersionNameForm } from '@ostler/core'
import { Router } from 'express'
import type { Request } from 'express'
import { formFrom, idFrom } from '../http/body.ts'
import { HttpError } from '../http/errors.ts'
import { visitorOf } from '../http/visitor.ts'
import type { HistoryStore } from './history.ts'

const GONE = 'There is no such version of this batch.'
const REVISION = /^\d{1,9}$/

const revisionOf = (req: Request<{ revision: string }>): number => {
  if (!REVISION.test(req.params.revision) || Number(req.params.revision) < 1) throw new HttpError(404, GONE)
  return Number(req.params.revision)
}

/** What became of a batch's plan, under its address. */
export function historyRoutes(store: HistoryStore): Router {
  const routes = Router({ mergeParams: true })
  const idOf = (req: Request): string => idFrom((req.params as { id?: string }).id)
  routes.get('/', async (req, res) => {
    const history = await store.history(visitorOf(req).workshopId, idOf(req))
    if (!history) throw new HttpError(404, 'There is no such batch. It may have been deleted in another window.')
    res.json(history)
  })
  routes.get('/:revision', async (req, res) => {
    const revision = revisionOf(req)
    const plan = await store.version(visitorOf(req).workshopId, idOf(req), revision)
    if (!plan) throw new HttpError(404, GONE)
    res.json({ revision, plan })
  })
  routes.put('/:revision/name', async (req, res) => {
    const { name } = formFrom(VersionNameForm, req.body)
    const done = await store.name(visitorOf(req).workshopId, idOf(req), revisionOf(req), name.trim())
    if (!done) throw new HttpError(404, GONE)
    res.status(204).end()
  })
  return routes
}
