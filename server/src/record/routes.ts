import { fact, readEntries } from '@ostler/core'
import { Router } from 'express'
import type { Request } from 'express'
import { idFrom } from '../http/body.ts'
import { HttpError } from '../http/errors.ts'
import { visitorOf } from '../http/visitor.ts'
import { cleanJpeg } from './photo.ts'
import type { Jpeg } from './photo.ts'
import type { RecordStore } from './store.ts'

const GONE = 'There is no such batch. It may have been deleted in another window.'
const NO_PICTURE = 'This is no photograph: a JPEG in two sizes is expected.'
/** Most entries in one message. */
const MOST_SENT = 200
/** Bytes of the two sizes of a photograph, as they are sent; the small one goes first, its length in the address. */
export const PHOTO_LIMIT = '9mb'
const MOST_SMALL = 400_000

/** Both sizes of a photograph, sent one after the other. */
function bothFrom(body: unknown, smallLength: unknown): { small: Jpeg; large: Jpeg } {
  const length = Number(smallLength)
  if (!Buffer.isBuffer(body) || !Number.isInteger(length) || length < 1 || length > MOST_SMALL || length >= body.length)
    throw new HttpError(400, NO_PICTURE)
  const [small, large] = [cleanJpeg(body.subarray(0, length)), cleanJpeg(body.subarray(length))]
  if (!small || !large) throw new HttpError(400, NO_PICTURE)
  return { small, large }
}

/** What came of a batch, under the batch. */
export function recordRoutes(store: RecordStore): Router {
  const routes = Router({ mergeParams: true })

  routes.get('/', async (req: Request<{ id?: string }>, res) => {
    const record = await store.get(visitorOf(req).workshopId, idFrom(req.params.id))
    if (!record) throw new HttpError(404, GONE)
    res.json(record)
  })

  routes.get('/lessons', async (req: Request<{ id?: string }>, res) => {
    const lessons = await store.lessons(visitorOf(req).workshopId, idFrom(req.params.id))
    if (!lessons) throw new HttpError(404, GONE)
    res.json(lessons)
  })

  routes.post('/', async (req: Request<{ id?: string }>, res) => {
    const read = readEntries((req.body as { entries?: unknown } | null)?.entries)
    if (!read.ok) throw new HttpError(400, read.problems[0]!.sentence, { problems: read.problems })
    if (read.entries.length > MOST_SENT)
      throw new HttpError(400, fact('At most {most} entries go in one message.', { most: MOST_SENT }))
    const done = await store.add(visitorOf(req), idFrom(req.params.id), read.entries)
    if (!done) throw new HttpError(404, GONE)
    if (done === 'full') throw new HttpError(409, 'This batch has as many entries as it can keep.')
    res.json({ kept: read.entries.length })
  })

  routes.put('/photos/:photo', async (req: Request<{ id?: string; photo?: string }>, res) => {
    const { small, large } = bothFrom(req.body, req.query['small'])
    const { workshopId } = visitorOf(req)
    const done = await store.addPhoto(workshopId, idFrom(req.params.id), idFrom(req.params.photo), small, large)
    if (!done) throw new HttpError(404, GONE)
    if (done === 'full') throw new HttpError(409, 'This batch has as many photographs as it can keep.')
    res.json({ id: req.params.photo, width: large.width, height: large.height })
  })

  return routes
}

/** Photographs by themselves: they never change. */
export function photoRoutes(store: RecordStore): Router {
  const routes = Router()
  routes.get('/:photo/:size', async (req, res) => {
    const { size } = req.params
    if (size !== 'small' && size !== 'large') throw new HttpError(404, 'There is no such photograph.')
    const data = await store.photo(visitorOf(req).workshopId, idFrom(req.params.photo), size)
    if (!data) throw new HttpError(404, 'There is no such photograph.')
    res.set('cache-control', 'private, max-age=31536000, immutable').type('jpeg').send(data)
  })
  return routes
}
