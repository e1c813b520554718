import { readDone, readSetting } from '@ostler/core'
import type { RehearsalDone, RehearsalSetting } from '@ostler/core'
import { Router } from 'express'
import type { Request, RequestHandler } from 'express'
import { idFrom, revisionFrom } from '../http/body.ts'
import { HttpError } from '../http/errors.ts'
import { visitorOf } from '../http/visitor.ts'
import type { RehearsalStore } from './store.ts'

const GONE = 'This rehearsal does not exist.'

function settingFrom(body: unknown): RehearsalSetting {
  const read = readSetting((body as { setting?: unknown } | null)?.setting)
  if (read.ok) return read.value
  throw new HttpError(400, read.problems[0]!.sentence, { problems: read.problems })
}

function doneFrom(body: unknown): { done: RehearsalDone; score: number | null; passed: boolean } {
  const { done, score, passed: isPassed } = (body ?? {}) as { done?: unknown; score?: unknown; passed?: unknown }
  const passed = isPassed === true
  const read = readDone(done)
  if (!read.ok) throw new HttpError(400, read.problems[0]!.sentence, { problems: read.problems })
  if (score === null || score === undefined) return { done: read.value, score: null, passed }
  if (typeof score !== 'number' || !Number.isInteger(score) || score < 0 || score > 100)
    throw new HttpError(400, 'Points are a whole number from 0 to 100.')
  return { done: read.value, score, passed }
}

/** Rehearsals of a batch: begun and listed under the batch. */
function batchRehearsalRoutes(store: RehearsalStore): Router {
  const routes = Router({ mergeParams: true })
  routes.get('/', async (req: Request<{ id?: string }>, res) => {
    res.json(await store.list(visitorOf(req).workshopId, idFrom(req.params.id)))
  })
  routes.post('/', async (req: Request<{ id?: string }>, res) => {
    const id = idFrom((req.body as { id?: unknown } | null)?.id)
    const { workshopId, memberId } = visitorOf(req)
    const begun = { batch: idFrom(req.params.id), id, setting: settingFrom(req.body) }
    const done = await store.begin({ workshopId, memberId }, begun)
    if (!done) throw new HttpError(404, 'This batch does not exist, or its plan cannot be read.')
    if (done === 'full')
      throw new HttpError(409, 'This batch has as many rehearsals as are kept. Delete one that is not needed.')
    res.status(done === 'opened' ? 201 : 200).json({ id })
  })
  return routes
}

function rehearsalRoutes(store: RehearsalStore): Router {
  const routes = Router()
  routes.get('/:id', async (req, res) => {
    const found = await store.get(visitorOf(req).workshopId, idFrom(req.params.id))
    if (!found) throw new HttpError(404, GONE)
    res.json(found)
  })
  routes.put('/:id', async (req, res) => {
    const { workshopId } = visitorOf(req)
    const saved = await store.save(workshopId, idFrom(req.params.id), {
      revision: revisionFrom(req.body),
      ...doneFrom(req.body),
    })
    if (saved.ok) return void res.json({ revision: saved.revision })
    if (saved.reason === 'gone') throw new HttpError(404, GONE)
    throw new HttpError(409, 'This rehearsal goes on in another window. Load the page again to see it.')
  })
  routes.post('/:id/link', async (req, res) => {
    const token = await store.share(visitorOf(req).workshopId, idFrom(req.params.id))
    if (token === null) throw new HttpError(404, GONE)
    res.status(201).json({ token })
  })
  routes.delete('/:id/link', async (req, res) => {
    if (!(await store.unshare(visitorOf(req).workshopId, idFrom(req.params.id)))) throw new HttpError(404, GONE)
    res.status(204).end()
  })
  routes.delete('/:id', async (req, res) => {
    if (!(await store.delete(visitorOf(req).workshopId, idFrom(req.params.id)))) throw new HttpError(404, GONE)
    res.status(204).end()
  })
  return routes
}

/** Lessons of rehearsal: how far a member is, and another try. */
function lessonRoutes(store: RehearsalStore): Router {
  const routes = Router()
  routes.get('/', async (req, res) => {
    res.json(await store.progress(visitorOf(req)))
  })
  routes.post('/:lesson', async (req, res) => {
    const id = idFrom((req.body as { id?: unknown } | null)?.id)
    const done = await store.beginLesson(visitorOf(req), id, req.params.lesson)
    if (!done) throw new HttpError(404, 'There is no such lesson.')
    if (done === 'full') throw new HttpError(409, 'This lesson was tried as often as is kept.')
    res.status(done === 'opened' ? 201 : 200).json({ id })
  })
  return routes
}

const TOKEN = /^[\w-]{43}$/
const REVISION = /^\d{1,9}$/

/** A rehearsal as it is watched by a link: nobody has to sign in, nothing can be changed. */
function watchedRoutes(store: RehearsalStore): Router {
  const routes = Router()
  routes.get('/:token', async (req, res) => {
    const { since } = req.query
    const revision = typeof since === 'string' && REVISION.test(since) ? Number(since) : null
    const found = TOKEN.test(req.params.token) ? await store.watched(req.params.token, revision) : null
    if (!found) throw new HttpError(404, 'Nothing can be watched by this link any more.')
    if (found === 'same') return void res.status(204).end()
    res.json(found)
  })
  return routes
}

/** Puts rehearsals under the API, for those who are signed in; by a link one is watched without. */
export function serveRehearsals(api: Router, require: RequestHandler, store: RehearsalStore): void {
  api.use('/batches/:id/rehearsals', require, batchRehearsalRoutes(store))
  api.use('/rehearsals', require, rehearsalRoutes(store))
  api.use('/lessons', require, lessonRoutes(store))
  api.use('/watched', watchedRoutes(store))
}
