import { fact, openedRun, readEvents, runDocument } from '@ostler/core'
import type { EventsKept, NotedAnswer, RunEvents } from '@ostler/core'
import { Router } from 'express'
import type { Request, Response } from 'express'
import { idFrom } from '../http/body.ts'
import { HttpError } from '../http/errors.ts'
import { visitorOf } from '../http/visitor.ts'
import type { RunFeed } from './feed.ts'
import type { RunStore } from './store.ts'

const GONE = 'This run does not exist.'
/** Most events in one message. */
const MOST_SENT = 500
/** A line that nothing is said on is cut by what lies between; so often something is, ms. */
const BREATH_MS = 20_000

interface Parts {
  store: RunStore
  feed: RunFeed
  now: () => Date
}

/** Runs of a batch: begun and listed under the batch. */
export function batchRunRoutes({ store }: Pick<Parts, 'store'>): Router {
  const routes = Router({ mergeParams: true })
  routes.get('/', async (req: Request<{ id?: string }>, res) => {
    res.json(await store.list(visitorOf(req).workshopId, idFrom(req.params.id)))
  })
  routes.post('/', async (req: Request<{ id?: string }>, res) => {
    const id = idFrom((req.body as { id?: unknown } | null)?.id)
    const done = await store.begin(visitorOf(req).workshopId, idFrom(req.params.id), id)
    if (!done) throw new HttpError(404, 'This batch does not exist, or its plan cannot be read.')
    res.status(done === 'opened' ? 201 : 200).json({ id })
  })
  routes.post('/document', async (req: Request<{ id?: string }>, res) => {
    const read = openedRun((req.body as { run?: unknown } | null)?.run)
    if (!read.ok) throw new HttpError(400, read.problems[0]!.sentence, { problems: read.problems })
    const done = await store.bringIn(visitorOf(req).workshopId, idFrom(req.params.id), read.value)
    if (!done) throw new HttpError(404, 'This batch does not exist, or its plan cannot be read.')
    if (done === 'there') throw new HttpError(409, 'This run is here already.')
    res.status(201).json({ id: read.value.id })
  })
  return routes
}

/** When something was begun that is told of afterwards: an ISO time that is not to come. */
function pastFrom(value: unknown, now: Date): Date | undefined {
  if (value === undefined) return undefined
  const at = typeof value === 'string' ? new Date(value) : null
  if (!at || !(at.getTime() <= now.getTime()) || at.getUTCFullYear() < 2000)
    throw new HttpError(400, 'This is no time at which a batch can have been begun.')
  return at
}

/** What is noted of a batch as it is made ready, before it goes to the bench. */
export function preparationRoutes({ store, now }: Pick<Parts, 'store' | 'now'>): Router {
  const routes = Router({ mergeParams: true })
  routes.post('/', async (req: Request<{ id?: string }>, res) => {
    const body = (req.body ?? {}) as { id?: unknown; anew?: unknown; openedAt?: unknown }
    const asked = {
      ...{ id: idFrom(body.id), isAnew: body.anew === true },
      openedAt: pastFrom(body.openedAt, now()),
    }
    const noted = await store.noted(visitorOf(req).workshopId, idFrom(req.params.id), asked)
    if (!noted) throw new HttpError(404, 'This batch does not exist.')
    res.json({ ...noted, now: now().getTime() } satisfies NotedAnswer)
  })
  return routes
}

function seqFrom(value: unknown): number {
  const seq = typeof value === 'string' && value !== '' ? Number(value) : 0
  if (!Number.isSafeInteger(seq) || seq < 0) throw new HttpError(400, 'This is no place in a run.')
  return seq
}

/** Keeps a line open on which all that is added to a run is said, from a place on. */
async function tellOn(req: Request, res: Response, { store, feed }: Parts, id: string, from: number): Promise<void> {
  const { workshopId } = visitorOf(req)
  let seq = from
  let asking: Promise<void> | null = null
  let isAskedAgain = false
  const say = (told: RunEvents) => res.write(`id: ${told.seq}\ndata: ${JSON.stringify(told)}\n\n`)
  const ask = async (): Promise<void> => {
    do {
      isAskedAgain = false
      const told = await store.after(workshopId, id, seq)
      if (told.events.length > 0) say(told)
      seq = told.seq
    } while (isAskedAgain)
  }
  const heard = () => {
    isAskedAgain = true
    asking ??= ask()
      // A reader that is not told everything opens the line anew, from where it is.
      .catch(() => void res.end())
      .finally(() => (asking = null))
  }
  res.set({ 'content-type': 'text/event-stream', 'x-accel-buffering': 'no', 'cache-control': 'no-store, no-transform' })
  res.flushHeaders()
  res.write('retry: 1000\n\n')
  const off = feed.listen(id, heard)
  const breath = setInterval(() => res.write(':\n\n'), BREATH_MS)
  const end = () => {
    off()
    clearInterval(breath)
  }
  res.on('close', end)
  heard()
}

export function runRoutes(parts: Parts): Router {
  const { store, now } = parts
  const routes = Router()

  const found = async (req: Request, id: unknown) => {
    const run = await store.get(visitorOf(req).workshopId, idFrom(id))
    if (!run) throw new HttpError(404, GONE)
    return run
  }

  routes.get('/outcomes', async (req, res) => {
    res.json(await store.outcomes(visitorOf(req).workshopId))
  })

  routes.get('/:id', async (req, res) => {
    res.json({ ...(await found(req, req.params.id)), now: now().getTime() })
  })

  routes.get('/:id/document', async (req, res) => {
    const { id, openedAt, plan, events } = await found(req, req.params.id)
    res.attachment(`run-${openedAt.slice(0, 10)}.json`).json(runDocument(id, openedAt, plan, events))
  })

  routes.get('/:id/events', async (req, res) => {
    const { workshopId } = visitorOf(req)
    const id = idFrom(req.params.id)
    if (!(await store.has(workshopId, id))) throw new HttpError(404, GONE)
    res.json(await store.after(workshopId, id, seqFrom(req.query['after'])))
  })

  routes.post('/:id/events', async (req, res) => {
    const sent = (req.body as { events?: unknown } | null)?.events
    const read = readEvents(sent)
    if (!read.ok) throw new HttpError(400, read.problems[0]!.sentence, { problems: read.problems })
    if (read.events.length > MOST_SENT)
      throw new HttpError(400, fact('At most {most} events go in one message.', { most: MOST_SENT }))
    const { workshopId, memberId } = visitorOf(req)
    const seq = await store.add({ workshopId, memberId }, idFrom(req.params.id), read.events)
    if (seq === null) throw new HttpError(404, GONE)
    if (seq === 'full') throw new HttpError(409, 'This run has as many events as it can keep. Begin another.')
    res.json({ seq, now: now().getTime() } satisfies EventsKept)
  })

  routes.get('/:id/stream', async (req, res) => {
    const id = idFrom(req.params.id)
    const from = seqFrom(req.get('last-event-id') ?? req.query['after'])
    const { workshopId } = visitorOf(req)
    if (!(await store.has(workshopId, id))) throw new HttpError(404, GONE)
    await tellOn(req, res, parts, id, from)
  })

  return routes
}
