import {
  LEAST_WINDOW,
  MOST_ITEMS,
  RulesForm,
  SHELF_KINDS,
  TimesForm,
  WINDOW_KINDS,
  WindowsForm,
  checkItem,
  fact,
} from '@ostler/core'
import type { ShelfItem, ShelfKind } from '@ostler/core'
import { Router } from 'express'
import { formFrom, kindFrom, revisionFrom } from '../http/body.ts'
import { HttpError } from '../http/errors.ts'
import { visitorOf } from '../http/visitor.ts'
import type { VersionStore } from '../versions/store.ts'
import type { ImportedItem, ShelfStore } from './store.ts'

/** Items that are checked in one go. */
const BREATH = 50

function itemFrom(kind: ShelfKind, value: unknown): ShelfItem {
  const checked = checkItem(kind, value)
  if (checked.ok) return checked.value
  throw new HttpError(400, checked.problems[0]!.sentence, { problems: checked.problems })
}

/** A revision from 0: 0 says that the item is new. */
function revisionOrNew(body: unknown): number {
  return (body as { revision?: unknown } | null)?.revision === 0 ? 0 : revisionFrom(body)
}

function doubleIn(items: readonly ImportedItem[]): ImportedItem | undefined {
  const seen = new Set<string>()
  return items.find(({ item }) => seen.size === seen.add(item.id).size)
}

const tooMany = (wouldBe: number, kind: ShelfKind): HttpError =>
  new HttpError(
    400,
    fact('Nothing was imported: the shelf would hold {wouldBe} {many}, and at most {most} fit.', {
      ...{ wouldBe, most: MOST_ITEMS },
      many: fact(SHELF_KINDS[kind].many.toLowerCase()),
    }),
  )

const changedMeanwhile = (moved: readonly string[]): HttpError =>
  new HttpError(
    409,
    fact(
      moved.length > 3
        ? 'Nothing was imported: {names} and others changed meanwhile. Look at the preview again.'
        : 'Nothing was imported: {names} changed meanwhile. Look at the preview again.',
      { names: moved.slice(0, 3).join(', ') },
    ),
  )

export function shelfRoutes(store: ShelfStore, versions: VersionStore): Router {
  const routes = Router()

  routes.get('/', async (req, res) => {
    res.json(await store.all(visitorOf(req).workshopId))
  })

  routes.put('/rules', async (req, res) => {
    const { rules } = formFrom(RulesForm, req.body)
    await store.setRules(visitorOf(req).workshopId, rules)
    res.status(204).end()
  })

  routes.put('/windows', async (req, res) => {
    const { windows } = formFrom(WindowsForm, req.body)
    const narrow = windows.find(one => one.hi < one.lo + LEAST_WINDOW)
    if (narrow)
      throw new HttpError(
        400,
        fact('The window for {kind} would end at {hi} after starting at {lo}: it is at least {least} wide.', {
          kind: fact(WINDOW_KINDS[narrow.kind]),
          hi: narrow.hi,
          lo: narrow.lo,
          least: LEAST_WINDOW,
        }),
      )
    await store.setWindows(visitorOf(req).workshopId, windows)
    res.status(204).end()
  })

  routes.put('/times', async (req, res) => {
    const { times } = formFrom(TimesForm, req.body)
    await store.setTimes(visitorOf(req).workshopId, times)
    res.status(204).end()
  })

  routes.post('/import', async (req, res) => {
    const body = (req.body ?? {}) as { kind?: unknown; items?: unknown }
    const kind = kindFrom(body.kind)
    if (!Array.isArray(body.items) || body.items.length === 0 || body.items.length > MOST_ITEMS)
      throw new HttpError(400, fact('An import brings 1 to {most} items.', { most: MOST_ITEMS }))
    const items: ImportedItem[] = []
    for (const one of body.items as unknown[]) {
      items.push({ item: itemFrom(kind, (one as { item?: unknown } | null)?.item), revision: revisionOrNew(one) })
      // Checking thousands takes seconds: others are answered in between.
      if (items.length % BREATH === 0) await new Promise(resolve => setImmediate(resolve))
    }
    const twice = doubleIn(items)
    if (twice)
      throw new HttpError(400, fact('Nothing was imported: “{item}” stands in it twice.', { item: twice.item.name }))
    const done = await store.importAll(visitorOf(req), kind, items)
    if (!done.ok) throw 'wouldBe' in done ? tooMany(done.wouldBe, kind) : changedMeanwhile(done.moved)
    res.status(201).json({ count: items.length })
  })

  routes.get('/:kind/:id/versions', async (req, res) => {
    const kind = kindFrom(req.params.kind)
    res.json(await versions.ofItem(visitorOf(req).workshopId, kind, req.params.id))
  })

  routes.put('/:kind/:id', async (req, res) => {
    const kind = kindFrom(req.params.kind)
    const item = itemFrom(kind, (req.body as { item?: unknown } | null)?.item)
    if (item.id !== req.params.id) throw new HttpError(400, 'The item’s id is not the one in the address.')
    const saved = await store.save(visitorOf(req), kind, item, revisionOrNew(req.body))
    if (saved.ok) return void res.json(saved.stored)
    const { one, many } = SHELF_KINDS[kind]
    if ('full' in saved)
      throw new HttpError(
        400,
        fact('A shelf holds at most {most} {many}; archive does not make room.', {
          most: MOST_ITEMS,
          many: fact(many.toLowerCase()),
        }),
      )
    if (!saved.current) throw new HttpError(404, fact('There is no such {one}.', { one: fact(one) }))
    throw new HttpError(409, fact('This {one} was changed in another window meanwhile.', { one: fact(one) }), {
      item: saved.current,
    })
  })

  return routes
}
