import { readDesign } from '@ostler/core'
import type { KeptDesign } from '@ostler/core'
import { Router } from 'express'
import { idFrom, revisionFrom } from '../http/body.ts'
import { HttpError } from '../http/errors.ts'
import { visitorOf } from '../http/visitor.ts'
import type { VersionStore } from '../versions/store.ts'
import type { DesignStore, SaveDesignResult } from './store.ts'

const GONE = 'There is no such design. It may have been deleted in another window.'
const TAKEN = 'Another design has this name already. Choose another name.'

function designFromBody(body: unknown): KeptDesign {
  const result = readDesign((body as { design?: unknown } | null)?.design)
  if (result.ok) return { ...result.design, name: result.design.name.trim() }
  throw new HttpError(400, result.problems[0]!.sentence, { problems: result.problems })
}

function savedFrom(result: SaveDesignResult) {
  if (result.ok) return result.saved
  if (result.reason === 'gone') throw new HttpError(404, GONE)
  if (result.reason === 'full')
    throw new HttpError(409, 'The library is full. Delete a design that is not used any more.')
  if (result.reason === 'name')
    throw new HttpError(409, TAKEN, { problems: [{ path: 'name', value: '', sentence: TAKEN }] })
  throw new HttpError(409, 'This design was changed in another window meanwhile. Load the page again to see it.')
}

export function designRoutes(store: DesignStore, versions: VersionStore, now: () => Date): Router {
  const routes = Router()

  routes.get('/', async (req, res) => {
    res.json(await store.list(visitorOf(req).workshopId))
  })

  routes.get('/:id/versions', async (req, res) => {
    res.json(await versions.ofDesign(visitorOf(req).workshopId, idFrom(req.params.id)))
  })

  routes.post('/', async (req, res) => {
    res.status(201).json(savedFrom(await store.add(visitorOf(req), designFromBody(req.body))))
  })

  routes.put('/:id', async (req, res) => {
    const id = idFrom(req.params.id)
    res.json(savedFrom(await store.save(visitorOf(req), id, revisionFrom(req.body), designFromBody(req.body))))
  })

  routes.delete('/:id', async (req, res) => {
    if (!(await store.setDeleted(visitorOf(req).workshopId, idFrom(req.params.id), now())))
      throw new HttpError(404, GONE)
    res.status(204).end()
  })

  routes.post('/:id/restore', async (req, res) => {
    const done = await store.setDeleted(visitorOf(req).workshopId, idFrom(req.params.id), null)
    if (done === 'name') throw new HttpError(409, TAKEN)
    if (!done) throw new HttpError(404, GONE)
    res.status(204).end()
  })

  return routes
}
