import { readTrial } from '@ostler/core'
import { Router } from 'express'
import { idFrom, revisionFrom } from '../http/body.ts'
import { HttpError } from '../http/errors.ts'
import { visitorOf } from '../http/visitor.ts'
import type { SentTrial, TrialSaved, TrialStore } from './store.ts'

const GONE = 'There is no such trial. It may have been deleted in another window.'

function sentFrom(body: unknown): SentTrial {
  const { trial, batch } = (body ?? {}) as { trial?: unknown; batch?: unknown }
  const read = readTrial(trial)
  if (!read.ok) throw new HttpError(400, read.problems[0]!.sentence, { problems: read.problems })
  return { trial: read.trial, batch: batch === null || batch === undefined ? null : idFrom(batch) }
}

function savedFrom(result: TrialSaved) {
  if (result.ok) return result.saved
  if (result.reason === 'gone') throw new HttpError(404, GONE)
  if (result.reason === 'no-batch') throw new HttpError(409, 'The batch of this trial does not exist.')
  if (result.reason === 'full')
    throw new HttpError(409, 'There are as many trials as are kept. Delete one that is not needed any more.')
  throw new HttpError(409, 'This trial was changed in another window meanwhile. Load the page again to see it.')
}

export function trialRoutes(store: TrialStore, now: () => Date): Router {
  const routes = Router()
  routes.get('/', async (req, res) => {
    res.json(await store.list(visitorOf(req).workshopId))
  })
  routes.get('/:id', async (req, res) => {
    const found = await store.get(visitorOf(req).workshopId, idFrom(req.params.id))
    if (!found) throw new HttpError(404, GONE)
    res.json(found)
  })
  routes.post('/', async (req, res) => {
    const id = idFrom((req.body as { id?: unknown } | null)?.id)
    res.status(201).json(savedFrom(await store.add(visitorOf(req).workshopId, id, sentFrom(req.body))))
  })
  routes.put('/:id', async (req, res) => {
    const { workshopId } = visitorOf(req)
    const id = idFrom(req.params.id)
    res.json(savedFrom(await store.save(workshopId, id, revisionFrom(req.body), sentFrom(req.body))))
  })
  routes.delete('/:id', async (req, res) => {
    if (!(await store.setDeleted(visitorOf(req).workshopId, idFrom(req.params.id), now())))
      throw new HttpError(404, GONE)
    res.status(204).end()
  })
  routes.post('/:id/restore', async (req, res) => {
    if (!(await store.setDeleted(visitorOf(req).workshopId, idFrom(req.params.id), null)))
      throw new HttpError(404, GONE)
    res.status(204).end()
  })
  return routes
}
