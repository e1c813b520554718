import type { BatchAnswer, BatchList, RecordAnswer, RecipeAnswer, RunSummary, ShelfAnswer, TakenIn } from '@ostler/core'
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { DEMO_SIGN_IN } from '../src/members/demo-sign-in.ts'
import { bench, downloaded } from './harness.ts'
import type { Bench } from './harness.ts'

type Visitor = ReturnType<Bench['visitor']>
let [from, to]: Bench[] = []
let [there, here]: Visitor[] = []
let sent: Buffer

const takeIn = (visitor: Visitor, file: Uint8Array) =>
  visitor.post('/api/everything.zip').type('application/zip').send(Buffer.from(file))
const read = (files: Record<string, Uint8Array>, name: string): unknown => JSON.parse(strFromU8(files[name]!))
const jpeg = Buffer.from('ffd8ffc0000b08001e002801011100ffda000801010000' + '3f001234ffd9', 'hex')
const PHOTO = '0b0e1f2a-1111-4222-8333-444455556666'

beforeAll(async () => {
  from = await bench({ demo: true })
  there = from.visitor()
  await there.post('/api/session').send(DEMO_SIGN_IN)
  const { id } = ((await there.get('/api/batches?search=weir')).body as BatchList).batches[0]!
  await there.put(`/api/batches/${id}/tags`).send({ tags: ['market', 'milk'] })
  await there
    .put(`/api/batches/${id}/record/photos/${PHOTO}?small=${jpeg.length}`)
    .type('image/jpeg')
    .send(Buffer.concat([jpeg, jpeg]))
  const said = { key: 'desk:1', kind: 'photo', on: '2026-03-03T09:00', noted: '2026-03-03T10:00:00Z', photo: PHOTO }
  await there.post(`/api/batches/${id}/record`).send({ entries: [said] })
  await there.post(`/api/batches/${id}/runs`).send({ id: '0b0e1f2a-7777-4222-8333-444455556666' })
  await there.put('/api/rack').send({ places: [{ name: 'by the stove', bars: 40 }], turnDays: 9 })
  sent = (await downloaded(there, '/api/everything.zip')).body as Buffer

  to = await bench()
  here = to.visitor()
  const setUp = { workshopName: 'Elsewhere', memberName: 'Ines', signInName: 'ines', password: 'another long one' }
  expect((await here.post('/api/setup').send(setUp)).status).toBe(204)
})
afterAll(async () => {
  await from!.close()
  await to!.close()
})

test('a workshop moves to another server whole, and taking it in again changes nothing', async () => {
  const answer = await takeIn(here!, sent)
  expect(answer.status).toBe(200)
  const told = answer.body as TakenIn
  expect(told.refused).toEqual([])
  const batches = await from!.db
    .selectFrom('batch')
    .where('deleted_at', 'is', null)
    .select(['id', 'plan', 'tags'])
    .orderBy('id')
    .execute()
  expect(told.batches).toEqual([batches.length, 0])
  expect(await to!.db.selectFrom('batch').select(['id', 'plan', 'tags']).orderBy('id').execute()).toEqual(batches)
  expect([told.photos, told.runs]).toEqual([
    [1, 0],
    [1, 0],
  ])

  const both = async <T>(path: string): Promise<[T, T]> => [
    (await there!.get(path)).body as T,
    (await here!.get(path)).body as T,
  ]
  const { id } = ((await here!.get('/api/batches?search=weir')).body as BatchList).batches[0]!
  const [before, after] = await both<RecordAnswer>(`/api/batches/${id}/record`)
  expect(after).toEqual(before)
  expect(((await here!.get(`/api/photos/${PHOTO}/small`)).body as Buffer).equals(jpeg)).toBe(true)
  const [, runs] = await both<RunSummary[]>(`/api/batches/${id}/runs`)
  expect(runs).toHaveLength(1)
  const [had, has] = await both<ShelfAnswer>('/api/shelf')
  for (const kind of ['oils', 'scents', 'colorants', 'moulds'] as const)
    expect(has.shelf[kind].map(one => JSON.stringify(one))).toEqual(
      expect.arrayContaining(had.shelf[kind].map(one => JSON.stringify(one))),
    )
  for (const path of ['/api/rack', '/api/pricing', '/api/labelling']) {
    const [a, b] = await both(path)
    expect(b, path).toEqual(a)
  }
  const [recipes, taken] = await both<RecipeAnswer[]>('/api/recipes')
  expect(taken.map(({ name, version }) => [name, version])).toEqual(recipes.map(({ name, version }) => [name, version]))
  const lots = (at: Bench) =>
    at.db
      .selectFrom('lot_use')
      .select(['batch_id', 'item_id', 'mass_g', 'taken_g'])
      .orderBy('batch_id')
      .orderBy('item_id')
      .execute()
  expect(await lots(to!)).toEqual(await lots(from!))

  const again = (await takeIn(here!, sent)).body as TakenIn
  expect(again.batches).toEqual([0, batches.length])
  for (const kind of ['shelf', 'recipes', 'designs', 'trials', 'runs', 'photos'] as const)
    expect(again[kind][0], kind).toBe(0)
  expect((await here!.get(`/api/batches/${id}/record`)).body).toEqual(after)
})

test('what this workshop changed itself stays; what cannot be read is told by its name, and the rest goes in', async () => {
  const files = unzipSync(new Uint8Array(sent))
  const plans = Object.keys(files).filter(name => name.endsWith('/plan.json'))
  const broken = { ...(read(files, plans[0]!) as object), version: 9999 }
  const own = { ...(read(files, plans[1]!) as BatchAnswer['plan']), name: 'Brought by hand' }
  const shelf = read(files, 'shelf.json') as { oils: { id: string; sap: number }[] }
  const now = (await here!.get('/api/shelf')).body as ShelfAnswer
  const olive = now.shelf.oils.find(({ id }) => id === 'olive')!
  await here!
    .put('/api/shelf/oils/olive')
    .send({ item: { ...olive, note: 'ours' }, revision: now.revisions.oils['olive'] })
  const odd = zipSync({
    'shelf.json': strToU8(
      JSON.stringify({
        ...shelf,
        oils: [
          { ...olive, note: 'theirs' },
          { id: 'bad', name: 'Bad oil', sap: -3 },
        ],
      }),
    ),
    'batches/broken/plan.json': strToU8(JSON.stringify(broken)),
    // Written by hand, or by an earlier Ostler: without an id in its name.
    'batches/by-hand/plan.json': strToU8(JSON.stringify(own)),
    'batches/by-hand/photos/001-x.jpg': strToU8('no picture'),
    'designs/none.json': strToU8('{'),
  })
  const told = (await takeIn(here!, odd)).body as TakenIn
  expect(told.batches).toEqual([1, 0])
  expect(told.refused.map(({ name }) => name).sort()).toEqual([
    ...['Bad oil', 'batches/broken/', 'batches/by-hand/photos/001-x.jpg', 'designs/none.json'],
  ])
  expect(JSON.stringify(told.refused)).toContain('plan.this-plan-was-made')
  const stands = ((await here!.get('/api/shelf')).body as ShelfAnswer).shelf.oils.find(({ id }) => id === 'olive')!
  expect(stands.note).toBe('ours')
  expect(((await takeIn(here!, odd)).body as TakenIn).batches).toEqual([0, 1])
})

test('what is no workshop is refused with a sentence; nobody but an owner takes one in', async () => {
  for (const file of [
    strToU8('PK nothing'),
    new Uint8Array(0),
    sent.subarray(0, sent.length / 2),
    zipSync({ 'a.txt': strToU8('x') }),
  ]) {
    const answer = await takeIn(here!, file)
    expect(answer.status).toBe(400)
    expect((answer.body as { sentence: string }).sentence).toContain('not the file of a workshop')
  }
  expect((await takeIn(from!.visitor(), sent)).status).toBe(401)
  await to!.db.updateTable('member').set({ role: 'maker' }).execute()
  await new Promise(resolve => setTimeout(resolve, 2100))
  expect((await takeIn(here!, sent)).status).toBe(403)
})
