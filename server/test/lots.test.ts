import { readPlanText } from '@ostler/core'
import type {
  BatchList,
  Due,
  ErrorAnswer,
  Lot,
  LotBatch,
  LotUse,
  Oil,
  RecordEntry,
  ShelfAnswer,
  StoredItem,
} from '@ostler/core'
import { strFromU8, unzipSync } from 'fflate'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { DEMO_SIGN_IN } from '../src/members/demo-sign-in.ts'
import { bench } from './harness.ts'
import type { Bench } from './harness.ts'

let at: Bench
let visitor: ReturnType<Bench['visitor']>
let [weir, heron] = ['', '']
beforeAll(async () => {
  at = await bench({ demo: true })
  visitor = at.visitor()
  await visitor.post('/api/session').send(DEMO_SIGN_IN)
  const found = async (word: string) =>
    ((await visitor.get(`/api/batches?search=${word}`)).body as BatchList).batches[0]!.id
  ;[weir, heron] = [await found('weir'), await found('heron')]
})
afterAll(() => at.close())

const lot = (id: string, left: number, more: Partial<Lot> = {}): Lot => ({
  ...{ id, mark: `K-${id}`, bought: 1000, left, cost: 4, useBy: '' },
  ...more,
})
const oil = async () => {
  const { shelf, revisions } = (await visitor.get('/api/shelf')).body as ShelfAnswer
  return { item: shelf.oils.find(one => one.id === 'avocado')!, revision: revisions.oils['avocado']! }
}
async function withLots(...lots: Lot[]) {
  const { item, revision } = await oil()
  const changed: Oil = { ...item, lots }
  return visitor.put('/api/shelf/oils/avocado').send({ item: changed, revision })
}
const take = (id: string, massG: number) => ({ kind: 'oils', item: 'avocado', lot: id, massG })
const book = (batch: string, takes: object[], evenIfShort = false) =>
  visitor.put(`/api/batches/${batch}/lots`).send({ takes, evenIfShort })
const lefts = async () => (await oil()).item.lots.map(one => one.left)

describe('lots', () => {
  test('are taken off the count once, however often the same is sent; what is said anew stands instead', async () => {
    expect((await withLots(lot('a', 300), lot('b', 200))).status).toBe(200)
    for (let n = 0; n < 2; n += 1) expect((await book(weir, [take('a', 60), take('b', 10)])).status).toBe(200)
    expect(await lefts()).toEqual([240, 190])
    expect((await book(weir, [take('a', 40)])).status).toBe(200)
    expect(await lefts()).toEqual([260, 200])
    expect(((await visitor.get(`/api/batches/${weir}/lots`)).body as LotUse[])[0]).toMatchObject({
      ...{ lot: 'a', mark: 'K-a', massG: 40, takenG: 40 },
    })
  })

  test('never fall below nothing in silence', async () => {
    const refused = await book(heron, [take('b', 250)])
    expect(refused.status).toBe(409)
    expect((refused.body as ErrorAnswer).short).toEqual([
      { kind: 'oils', item: 'avocado', lot: 'b', haveG: 200, wantG: 250 },
    ])
    expect(await lefts()).toEqual([260, 200])
    expect((await book(heron, [take('b', 250)], true)).status).toBe(200)
    expect(await lefts()).toEqual([260, 0])
    // Taken back, only that comes back which had gone off.
    expect((await book(heron, [])).status).toBe(200)
    expect(await lefts()).toEqual([260, 200])
  })

  test('two batches that take of one lot at the same time both count', async () => {
    const both = await Promise.all([book(weir, [take('a', 50)]), book(heron, [take('a', 70)])])
    expect(both.map(one => one.status)).toEqual([200, 200])
    expect(await lefts()).toEqual([180, 200])
    expect((await visitor.get('/api/lots/oils/avocado')).body as LotBatch[]).toHaveLength(2)
  })

  test('a batch that was deleted holds its lots still, and a lot that is gone from the shelf keeps its mark', async () => {
    await visitor.delete(`/api/batches/${heron}`)
    expect((await withLots(lot('b', 200))).status).toBe(200)
    const holding = (await visitor.get('/api/lots/oils/avocado')).body as LotBatch[]
    expect(holding.map(one => [one.isDeleted, one.mark]).sort()).toEqual([
      [false, 'K-a'],
      [true, 'K-a'],
    ])
    const scanned = await visitor.get(`/api/batches/${heron}`)
    expect(scanned.status).toBe(410)
    expect((scanned.body as ErrorAnswer).sentence).toMatch(/“Heron Reach” was deleted/)
    await visitor.post(`/api/batches/${heron}/restore`)
    expect((await visitor.get(`/api/batches/${heron}`)).status).toBe(200)
    expect((await book(heron, [take('a', 5)])).status).toBe(409)
  })

  test.each([
    ['an amount of nothing', [take('b', 0)]],
    ['an amount below nothing', [take('b', -4)]],
    ['no such part of the shelf', [{ ...take('b', 4), kind: 'spells' }]],
  ])('%s is refused', async (_, takes) => expect((await book(weir, takes)).status).toBe(400))

  test('of another workshop, or of nobody, are not there', async () => {
    expect((await at.visitor().get(`/api/batches/${weir}/lots`)).status).toBe(401)
    expect((await book('00000000-0000-4000-8000-000000000000', [])).status).toBe(404)
  })

  test('two of one mark are refused beside the mark', async () => {
    const refused = await withLots(lot('b', 1), lot('c', 1, { mark: 'k-B ' }))
    expect(refused.status).toBe(400)
    expect((refused.body as ErrorAnswer).problems![0]!.path).toBe('lots.1.mark')
  })

  test('what runs out or grows old is due', async () => {
    const { item, revision } = await oil()
    const changed: Oil = { ...item, reorderAtG: 250, lots: [lot('b', 200, { useBy: '2026-03-20' })] }
    const saved = await visitor.put('/api/shelf/oils/avocado').send({ item: changed, revision })
    expect((saved.body as StoredItem).revision).toBe(revision + 1)
    const dues = ((await visitor.get('/api/due/today?day=2026-03-10')).body as Due[]).filter(
      one => one.item?.id === 'avocado',
    )
    expect(dues.map(one => [one.kind, one.on])).toEqual([
      ['reorder', '2026-03-10'],
      ['old', '2026-03-20'],
    ])
  })
})

describe('all of a batch in one file', () => {
  const whole = async (id: string, who = visitor) =>
    who
      .get(`/api/batches/${id}/whole`)
      .buffer()
      .parse((res, done) => {
        const parts: Buffer[] = []
        res.on('data', (part: Buffer) => parts.push(part))
        res.on('end', () => done(null, Buffer.concat(parts)))
      })

  test('holds plan, entries, lots and photographs, in forms that are open', async () => {
    const text = '=SUM(1;2), said the note'
    const noted = { key: 'desk:7', kind: 'note', on: '2026-03-03T09:10', noted: '2026-03-10T10:00:00Z', text }
    await visitor.post(`/api/batches/${weir}/record`).send({ entries: [noted] })
    const answer = await whole(weir)
    expect(answer.headers['content-disposition']).toMatch(/attachment; filename="Weir Milk first pour.zip"/)
    const files = unzipSync(answer.body as Buffer)
    const textOf = (name: string) => strFromU8(files[name]!)
    expect(readPlanText(textOf('plan.json')).ok).toBe(true)
    expect((JSON.parse(textOf('record.json')) as RecordEntry[]).map(one => one.key)).toContain('desk:7')
    // What a table program would take for a formula stays a text.
    expect(textOf('record.csv')).toContain(`"'${text}"`)
    expect(textOf('lots.csv')).toMatch(/^kind,item,mark/)
  })

  test('is there for its workshop alone', async () => {
    expect((await whole(weir, at.visitor())).status).toBe(401)
    expect((await whole('00000000-0000-4000-8000-000000000000')).status).toBe(404)
  })
})

describe('the list', () => {
  const names = async (query: string) =>
    ((await visitor.get(`/api/batches?${query}`)).body as BatchList).batches.map(one => one.name)

  test('finds a batch by the mark of a lot, by a tag, by its day and by a sign', async () => {
    expect(await names('search=k-a')).toContain((await names('search=weir'))[0])
    expect(
      (await visitor.put(`/api/batches/${weir}/tags`).send({ tags: ['gate sale', ' gate sale ', ''] })).status,
    ).toBe(204)
    expect(await names('tag=gate%20sale')).toHaveLength(1)
    expect(await names('search=gate')).toHaveLength(1)
    expect((await visitor.get('/api/batches/tags')).body).toContain('gate sale')
    const all = ((await visitor.get('/api/batches?sort=poured')).body as BatchList).batches[0]!
    const { plan } = (await visitor.get(`/api/batches/${all.id}`)).body as { plan: { rest: { pouredAt: string } } }
    expect(await names(`search=${plan.rest.pouredAt.slice(0, 10)}`)).toContain(all.name)
    const noted = {
      key: 'desk:1',
      kind: 'sign',
      on: '2026-03-03T09:10',
      noted: '2026-03-10T10:00:00Z',
      sign: 'u-ash',
      grade: 2,
    }
    await visitor.post(`/api/batches/${weir}/record`).send({ entries: [noted] })
    expect(await names('search=ash')).toContain((await names('tag=gate%20sale'))[0])
  })

  test('is sorted, and a batch that was put away stands under what is put away', async () => {
    const sorted = await names('sort=name')
    expect(sorted).toEqual([...sorted].sort((a, b) => (a.toLowerCase() < b.toLowerCase() ? -1 : 1)))
    await visitor.post(`/api/batches/${weir}/archive`)
    expect(await names('tag=gate%20sale')).toEqual([])
    expect(await names('tag=gate%20sale&archived=1')).toHaveLength(1)
    await visitor.post(`/api/batches/${weir}/unarchive`)
    expect(await names('tag=gate%20sale')).toHaveLength(1)
    expect((await visitor.put(`/api/batches/${weir}/tags`).send({ tags: Array(13).fill('x') })).status).toBe(400)
    expect((await visitor.get('/api/batches?sort=colour')).status).toBe(400)
  })
})
