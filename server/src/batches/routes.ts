import { BATCH_SORTS, LIVES, TagsForm, clipped, fact, freshCopy, together } from '@ostler/core'
import type { BatchSort, Life, Plan } from '@ostler/core'
import { Router } from 'express'
import { dayFrom } from '../http/day.ts'
import { changesFrom, formFrom, idFrom, planFrom } from '../http/body.ts'
import { HttpError } from '../http/errors.ts'
import { visitorOf } from '../http/visitor.ts'
import type { Learner } from '../work/learner.ts'
import type { LookStore } from './looks.ts'
import type { Cursor } from './list.ts'
import type { BatchStore } from './store.ts'

const GONE = 'There is no such batch. It may have been deleted in another window.'

/** Whether a plan has anything that later forecasts may learn from. */
const teaches = ({ seen, blendedS, rest }: Plan): boolean =>
  seen.length > 0 || blendedS !== null || rest.readings.length + rest.weighIns.length > 0 || rest.gelSeen !== ''

const CURSOR = /^([0-9a-f-]{36})\/(.{0,200})$/s
const A_TIME = /^\d{4}-\d{2}-\d{2} \d{2}:\d{2}:\d{2}(?:\.\d{1,6})?[+-]\d{2}(?::\d{2})?$/

/** Where a page ended, as the one before gave it. */
function cursorFrom(value: unknown, sort: BatchSort): Cursor | null {
  if (value === undefined) return null
  const [, id, at] = (typeof value === 'string' && CURSOR.exec(value)) || []
  if (id === undefined || at === undefined || at.includes('\0') || (sort === 'changed' && !A_TIME.test(at)))
    throw new HttpError(400, 'This is no place in the list of batches.')
  return { at, id: idFrom(id) }
}

function sortFrom(value: unknown): BatchSort {
  if (value === undefined || value === '') return 'changed'
  if (typeof value === 'string' && Object.hasOwn(BATCH_SORTS, value)) return value as BatchSort
  throw new HttpError(400, 'Batches are listed by what was changed last, poured last, or by name.')
}

/** A word from the address, without what no word has. */
const wordsFrom = (value: unknown, most: number): string =>
  typeof value === 'string' ? clipped(value, most).replace(/[\p{Cc}\p{Cs}]/gu, ' ') : ''

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
    const { search, life, tag, archived, day, after } = req.query
    const sort = sortFrom(req.query['sort'])
    const wanted = {
      ...{ search: wordsFrom(search, 100), sort, tag: wordsFrom(tag, 30), archived: archived === '1' },
      ...{ life: lifeFrom(life), today: dayFrom(day, now()), after: cursorFrom(after, sort) },
    }
    const { workshopId } = visitorOf(req)
    const list = await store.list(workshopId, wanted)
    res.json(list)
    if (list.batches.some(one => !one.isFresh)) looking.look(workshopId)
  })

  routes.post('/', async (req, res) => {
    const { workshopId } = visitorOf(req)
    const plan = planFrom(req.body)
    res.status(201).json(await store.add(workshopId, plan))
    if (teaches(plan)) learning.look(workshopId)
  })

  routes.get('/tags', async (req, res) => {
    res.json(await store.tags(visitorOf(req).workshopId))
  })

  routes.get('/:id', async (req, res) => {
    const { workshopId } = visitorOf(req)
    const id = idFrom(req.params.id)
    const batch = await store.get(workshopId, id)
    if (batch) return void res.json(batch)
    const name = await store.deletedName(workshopId, id)
    if (name === null) throw new HttpError(404, GONE)
    throw new HttpError(
      410,
      fact('“{name}” was deleted. It can be brought back with all that was noted of it.', { name }),
    )
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
    if ('problems' in result) throw new HttpError(400, result.problems[0]!.sentence, { problems: result.problems })
    if (!result.current) throw new HttpError(404, GONE)
    const { current, parts } = result
    throw new HttpError(
      409,
      fact('This was changed meanwhile by somebody else: {parts}.', {
        parts: together(parts, ', '),
      }),
      {
        current,
        parts,
      },
    )
  })

  aboutRoutes(routes, store, now)
  return routes
}

/** What of a batch is no part of its plan: copies, the bin, tags, putting away. */
function aboutRoutes(routes: Router, store: BatchStore, now: () => Date): void {
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

  routes.put('/:id/tags', async (req, res) => {
    const { tags } = formFrom(TagsForm, req.body)
    const done = await store.setTags(visitorOf(req).workshopId, idFrom(req.params.id), [
      ...new Set(tags.map(tag => tag.trim()).filter(Boolean)),
    ])
    if (!done) throw new HttpError(404, GONE)
    res.status(204).end()
  })

  for (const [way, at] of [
    ['archive', now],
    ['unarchive', () => null],
  ] as const)
    routes.post(`/:id/${way}`, async (req, res) => {
      const done = await store.setArchived(visitorOf(req).workshopId, idFrom(req.params['id']), at())
      if (!done) throw new HttpError(404, GONE)
      res.status(204).end()
    })
}
