import { METRIC, ShareForm, designFrom, forecast, hexOfCup, sharedEntries, sharedPlan, sharedShelf } from '@ostler/core'
import type { Plan, SharedRecordAnswer } from '@ostler/core'
import { Router } from 'express'
import { tellingFrom } from '../telling/telling.ts'
import type { Request, RequestHandler } from 'express'
import type { LookStore } from '../batches/looks.ts'
import type { BatchStore } from '../batches/store.ts'
import { formFrom, idFrom } from '../http/body.ts'
import { HttpError } from '../http/errors.ts'
import { visitorOf } from '../http/visitor.ts'
import type { RecordStore } from '../record/store.ts'
import type { RunStore } from '../runs/store.ts'
import type { ShelfStore } from '../shelf/store.ts'
import type { Work } from '../work/work.ts'
import type { ShareStore, Shared } from './store.ts'

const GONE = 'There is no such batch. It may have been deleted in another window.'
const NO_LINK = 'Nothing can be seen by this link any more.'
const TOKEN = /^[\w-]{43}$/

/** Links to a batch, under its address: for members. */
function batchShareRoutes(store: ShareStore): Router {
  const routes = Router({ mergeParams: true })
  const idOf = (req: Request): string => idFrom((req.params as { id?: string }).id)
  routes.get('/', async (req, res) => {
    res.json(await store.list(visitorOf(req).workshopId, idOf(req)))
  })
  routes.post('/', async (req, res) => {
    const { workshopId, memberName } = visitorOf(req)
    const made = await store.add(workshopId, idOf(req), formFrom(ShareForm, req.body), memberName)
    if (!made.ok && made.why === 'gone') throw new HttpError(404, GONE)
    if (!made.ok) throw new HttpError(409, 'There are as many links to this batch as there may be. End one.')
    res.status(201).json({ token: made.token })
  })
  routes.delete('/:share', async (req, res) => {
    if (!(await store.remove(visitorOf(req).workshopId, idOf(req), idFrom(req.params.share))))
      throw new HttpError(404, 'This link has ended already.')
    res.status(204).end()
  })
  return routes
}

interface Parts {
  store: ShareStore
  batches: Pick<BatchStore, 'get'>
  shelves: Pick<ShelfStore, 'all'>
  looks: Pick<LookStore, 'face'>
  work: Pick<Work, 'sheet' | 'run'>
  records: Pick<RecordStore, 'get' | 'photo'>
  runs: Pick<RunStore, 'list' | 'get'>
}

type Found = (token: unknown, what?: Shared['what']) => Promise<{ shared: Shared; plan: Plan }>

/** The run that a batch came of: the last that ended in the mould, else the last that was begun. */
async function runOf({ runs, work }: Parts, { workshopId, batchId, withScents, withNotes }: Shared) {
  const begun = (await runs.list(workshopId, batchId)).filter(run => run.begunAt !== null)
  const last = begun.find(({ closed }) => closed === 'moulded') ?? begun[0]
  const run = last && (await runs.get(workshopId, last.id))
  if (!run) return null
  return { ...(await work.run({ run, choice: { withScents, withNotes } })), begunAt: run.begunAt ?? run.openedAt }
}

/** What a link to a record shows: how the batch was made, what came of it, its photographs. */
function recordRoutesOf(routes: Router, found: Found, parts: Parts): void {
  const seen = async (token: unknown) => {
    const { shared, plan } = await found(token, 'record')
    const record = await parts.records.get(shared.workshopId, shared.batchId)
    const entries = sharedEntries(record?.entries ?? [], shared.withNotes)
    const told = new Set(entries.map(({ photo }) => photo))
    return { shared, plan, entries, photos: record?.photos.filter(({ id }) => told.has(id)) ?? [] }
  }
  routes.get('/:token/record', async (req, res) => {
    const { shared, plan, entries, photos } = await seen(req.params.token)
    const run = await runOf(parts, shared)
    res.json({ entries, photos, pouredAt: plan.rest.pouredAt, run } satisfies SharedRecordAnswer)
  })
  routes.get('/:token/photos/:photo/:size', async (req, res) => {
    const { token, photo, size } = req.params
    const { shared, photos } = await seen(token)
    const isShown = (size === 'small' || size === 'large') && photos.some(({ id }) => id === photo)
    const data = isShown ? await parts.records.photo(shared.workshopId, photo, size) : null
    if (!data) throw new HttpError(404, 'There is no such photograph.')
    res.type('jpeg').send(data)
  })
}

/** What a link shows, to whoever has it. */
function sharedRoutes(parts: Parts): Router {
  const { store, batches, shelves, looks, work } = parts
  const routes = Router()
  const found: Found = async (token, what) => {
    const shared = typeof token === 'string' && TOKEN.test(token) ? await store.find(token) : null
    const batch =
      shared && (!what || shared.what === what) ? await batches.get(shared.workshopId, shared.batchId) : null
    if (!shared || !batch) throw new HttpError(404, NO_LINK)
    return { shared, plan: sharedPlan(batch.plan) }
  }
  routes.get('/:token', async (req, res) => {
    const { shared, plan } = await found(req.params.token)
    res.json({ what: shared.what, workshop: shared.workshop, name: plan.name })
  })
  routes.get('/:token/face.png', async (req, res) => {
    const { shared } = await found(req.params.token)
    const face = await looks.face(shared.workshopId, shared.batchId)
    if (!face) throw new HttpError(404, 'There is no picture of this batch yet.')
    res.type('png').send(face)
  })
  routes.get('/:token/design.json', async (req, res) => {
    const { shared, plan } = await found(req.params.token, 'design')
    const { shelf } = await shelves.all(shared.workshopId)
    const result = forecast(plan, shelf)
    if (!result.ok) throw new HttpError(409, 'This plan cannot be forecast just now.')
    const { colours } = result.forecast
    const hexOf = (cup: string): string => hexOfCup(plan, colours, cup)
    res.attachment('design.json').json(designFrom(plan, plan.name, hexOf))
  })
  routes.get('/:token/sheet.pdf', async (req, res) => {
    const { shared, plan } = await found(req.params.token, 'sheet')
    const { shelf } = await shelves.all(shared.workshopId)
    const { language, decimal } = tellingFrom(req.query)
    const pdf = await work.sheet({
      ...{ plan, shelf: sharedShelf(shelf, plan, shared.withScents) },
      ...{ habits: { ...METRIC, decimal }, language },
    })
    if (!pdf) throw new HttpError(409, 'This plan cannot be forecast just now.')
    res.type('application/pdf').set('content-disposition', 'inline; filename="pour-sheet.pdf"').send(Buffer.from(pdf))
  })
  recordRoutesOf(routes, found, parts)
  return routes
}

/** Puts links under the API: made by members, seen by whoever has one. */
export function serveShares(api: Router, isMember: RequestHandler, parts: Parts): void {
  api.use('/batches/:id/shares', isMember, batchShareRoutes(parts.store))
  api.use('/shared', sharedRoutes(parts))
}
