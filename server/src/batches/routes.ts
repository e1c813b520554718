import { LIVES, clipped, freshCopy, say } from '@ostler/core'
import type { Life, Plan } from '@ostler/core'
import { Router } from 'express'
import { dayFrom } from '../http/day.ts'
import { changesFrom, idFrom, planFrom } from '../http/body.ts'
import { HttpError } from '../http/errors.ts'
import { visitorOf } from '../http/visitor.ts'
import type { Learner } from '../work/learner.ts'
import type { LookStore } from './looks.ts'
import type { BatchStore, Cursor } from './store.ts'

const GONE = 'There is no such batch. It may have been deleted in another window.'

/** Whether a plan has anything that later forecasts may learn from. */
const teaches = ({ seen, blendedS, rest }: Plan): boolean =>
  seen.length > 0 || blendedS !== null || rest.readings.length > 0

const CURSOR = /^(\d{4}-\d{2}-\d{2} \d{2}:\d{2}:\d{2}(?:\.\d{1,6})?[+-]\d{2}(?::\d{2})?)\/([0-9a-f-]{36})$/

/** Where a page ended, as the one before gave it. */
function cursorFrom(value: unknown): Cursor | null {
  if (value === undefined) return null
  const [, at, id] = (typeof value === 'string' && CURSOR.exec(value)) || []
  if (!at || !id) throw new HttpError(400, 'This is no place in the list of batches.')
  return { at, id: idFrom(id) }
}

/** How far the batches are to have come; null: however far. */
function lifeFrom(value: unknown): Life | null {
  if (value === undefined || value === '') return null
  if (typeof value === 'string' && Object.hasOwn(LIVES, value)) return value as Life
  throw new HttpError(400, 'Batches are drafts, planned, being made, resting, curing, ready or gone.')
}

interface Parts {
  store: BatchStore
  looks: LookStore
  now: () => Date
  /** What works out what batches teach, and how they look in the list. */
  learning: Pick<Learner, 'look'>
  looking: Pick<Learner, 'look'>
}

export function batchRoutes({ store, looks, now, learning, looking }: Parts): Router {
  const routes = Router()

  routes.get('/', async (req, res) => {
    const search =
      typeof req.query['search'] === 'string' ? clipped(req.query['search'], 100).replace(/[\p{Cc}\p{Cs}]/gu, ' ') : ''
    const { workshopId } = visitorOf(req)
    const wanted = { search, life: lifeFrom(req.query['life']), today: dayFrom(req.query['day'], now()) }
    const list = await store.list(workshopId, { ...wanted, after: cursorFrom(req.query['after']) })
    res.json(list)
    if (list.batches.some(one => !one.isFresh)) looking.look(workshopId)
  })

  routes.post('/', async (req, res) => {
    const { workshopId } = visitorOf(req)
    const plan = planFrom(req.body)
    res.status(201).json(await store.add(workshopId, plan))
    if (teaches(plan)) learning.look(workshopId)
  })

  routes.get('/:id', async (req, res) => {
    const batch = await store.get(visitorOf(req).workshopId, idFrom(req.params.id))
    if (!batch) throw new HttpError(404, GONE)
    res.json(batch)
  })

  routes.get('/:id/face', async (req, res) => {
    const face = await looks.face(visitorOf(req).workshopId, idFrom(req.params.id))
    if (!face) throw new HttpError(404, 'There is no picture of this batch yet.')
    // Its stamp is in the address: another picture has another.
    res.set('cache-control', 'private, max-age=31536000, immutable').type('png').send(face)
  })

  routes.patch('/:id', async (req, res) => {
    const visitor = visitorOf(req)
    const result = await store.change(visitor, idFrom(req.params.id), changesFrom(req.body))
    if (result.ok) {
      res.json(result.saved)
      // What was taken out of a plan is worked out anew as well: the store knows which batches have evidence.
      return learning.look(visitor.workshopId)
    }
    if ('problems' in result) throw new HttpError(400, say(result.problems[0]!.sentence), { problems: result.problems })
    if (!result.current) throw new HttpError(404, GONE)
    const { current, parts } = result
    throw new HttpError(409, `This was changed meanwhile by somebody else: ${parts.map(one => say(one)).join(', ')}.`, {
      current,
      parts,
    })
  })

  routes.post('/:id/duplicate', async (req, res) => {
    const { workshopId } = visitorOf(req)
    const batch = await store.get(workshopId, idFrom(req.params.id))
    if (!batch) throw new HttpError(404, GONE)
    const name = `${clipped(batch.plan.name, 74)}, copy`
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
