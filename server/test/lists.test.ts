import { portionsOf, referenceShelf, starterPlan } from '@ostler/core'
import type { BatchAnswer, BatchList, BatchSummary, ShelfAnswer } from '@ostler/core'
import { decode } from 'fast-png'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { DEMO_SIGN_IN } from '../src/members/demo-sign-in.ts'
import type { Learner } from '../src/work/learner.ts'
import { bench, sentChanges } from './harness.ts'
import type { Bench } from './harness.ts'

let at: Bench
let visitor: ReturnType<Bench['visitor']>
beforeAll(async () => {
  at = await bench({ demo: true })
  visitor = at.visitor()
  await visitor.post('/api/session').send(DEMO_SIGN_IN)
})
afterAll(() => at.close())

const page = async (query = ''): Promise<BatchList> => (await visitor.get(`/api/batches${query}`)).body as BatchList
/** The list once all of it is worked out. */
const settled = async (query = ''): Promise<BatchSummary[]> => {
  await page(query)
  await (at.app.locals['looking'] as Learner).idle()
  return (await page(query)).batches
}
const add = async (name: string): Promise<BatchAnswer> =>
  (await visitor.post('/api/batches').send({ plan: starterPlan(name) })).body as BatchAnswer
const named = (list: readonly BatchSummary[], name: string) => list.find(one => one.name === name)!

describe('what a batch comes to', () => {
  test('is worked out after the list is asked for: how much, whether there is time, what of', async () => {
    const { id } = await add('Looked at')
    expect(named((await page()).batches, 'Looked at')).toMatchObject({ id, layers: 3, isFresh: false, potG: null })
    const list = await settled()
    expect(list.every(one => one.isFresh)).toBe(true)
    const { potG, state, scent } = named(list, 'Looked at')
    // To a tenth of a gram, so that ounces are those of its own page.
    expect(potG).toBeCloseTo(portionsOf(starterPlan('Looked at'), referenceShelf()).potG, 1)
    expect(['calm', 'tight', 'trouble']).toContain(state)
    expect(scent).toEqual(expect.any(String))
  })

  test('is looked at anew for what batches teach, and for no other save', async () => {
    const stamps = async () => {
      await (at.app.locals['learning'] as Learner).idle()
      const list = await page()
      return list.batches.filter(one => !one.isFresh).map(one => one.name)
    }
    const { id: bystander } = await add('Bystander')
    const plan = starterPlan('Taught')
    const seen = (level: number) => [{ cup: plan.cups[0]!.id, atMin: 3, level, by: 'eye' as const }]
    const taught = (await visitor.post('/api/batches').send({ plan: { ...plan, seen: seen(2.6) } })).body as BatchAnswer
    await stamps()
    expect((await settled()).every(one => one.isFresh)).toBe(true)

    const noted = { ...taught.plan, notes: 'Stood by the window.' }
    const first = (
      await visitor.patch(`/api/batches/${taught.id}`).send(sentChanges(taught.revision, taught.plan, noted))
    ).body as BatchAnswer
    expect(await stamps()).toEqual(['Taught'])
    expect((await settled()).every(one => one.isFresh)).toBe(true)

    const read = { ...noted, seen: seen(2.1) }
    await visitor.patch(`/api/batches/${taught.id}`).send(sentChanges(first.revision, noted, read))
    expect(await stamps()).toContain('Bystander')
    expect((await settled()).every(one => one.isFresh)).toBe(true)

    // What lies in the bin teaches nothing.
    await visitor.delete(`/api/batches/${taught.id}`)
    expect(await stamps()).toContain('Bystander')
    await visitor.delete(`/api/batches/${bystander}`)
  })

  test('is no plan: there is nothing in it to weigh by', async () => {
    const [first] = await settled()
    expect(Object.keys(first!).sort()).toEqual(
      [
        'face',
        'occasion',
        'forWhom',
        'fitness',
        'makeOn',
        'id',
        'isArchived',
        'isFresh',
        'layers',
        'life',
        'name',
        'potG',
        'scent',
        'state',
        'tags',
        'updatedAt',
      ].sort(),
    )
  })

  test('its picture is of its own form, kept by the browser, and another after a change', async () => {
    const { id, plan } = await add('Pictured')
    const { face } = named(await settled(), 'Pictured')
    const answer = await visitor.get(`/api/batches/${id}/face?at=${face}`).buffer()
    expect(answer.headers['content-type']).toBe('image/png')
    expect(answer.headers['cache-control']).toMatch(/private.*immutable/)
    const { width, height, channels } = decode(answer.body as Buffer)
    expect(channels).toBe(4)
    expect(width / height).toBeCloseTo(plan.mould.innerWidthMm / plan.mould.fillMm, 1)
    await visitor.patch(`/api/batches/${id}`).send(sentChanges(1, plan, { ...plan, notes: 'Another thought' }))
    const changed = named((await page()).batches, 'Pictured')
    // The old picture stands until there is a new one; what it said of the plan does not.
    expect(changed).toMatchObject({ isFresh: false, face, state: null, potG: null })
    expect(named(await settled(), 'Pictured').face).toBeGreaterThan(face!)
  })

  test('a change of the shelf has everything looked at again', async () => {
    await settled()
    const { shelf, revisions } = (await visitor.get('/api/shelf')).body as ShelfAnswer
    const [oil] = shelf.oils
    const revision = revisions.oils[oil!.id]!
    await visitor.put(`/api/shelf/oils/${oil!.id}`).send({ item: { ...oil, note: 'A new lot' }, revision })
    expect((await page()).batches.some(one => one.isFresh)).toBe(false)
    expect((await settled()).every(one => one.isFresh)).toBe(true)
  })

  test('a plan that cannot be forecast stands in the list without it, and is not tried again and again', async () => {
    const { id, plan } = await add('Odd')
    const oils = [{ ...plan.recipe.oils[0]!, oil: 'gone-from-the-shelf', share: 1 }]
    await visitor.patch(`/api/batches/${id}`).send(sentChanges(1, plan, { ...plan, recipe: { ...plan.recipe, oils } }))
    expect(named(await settled(), 'Odd')).toMatchObject({ isFresh: true, state: null, potG: null, face: null })
    expect((await visitor.get(`/api/batches/${id}/face`)).status).toBe(404)
  })
})

describe('two hundred batches', () => {
  beforeAll(async () => {
    const { id } = await at.db.selectFrom('workshop').select('id').executeTakeFirstOrThrow()
    // Many at one moment: the order holds through equal times.
    await at.db
      .insertInto('batch')
      .values(
        Array.from({ length: 200 }, (_, i) => ({
          workshop_id: id,
          plan: JSON.stringify(starterPlan(`Many ${i}`)),
        })),
      )
      .execute()
  })

  test('come page by page, each once, in under 60 kB', async () => {
    const seen: string[] = []
    let bytes = 0
    for (let next: string | null = ''; next !== null;) {
      const list: BatchList = await page(`?search=many&after=${encodeURIComponent(next)}`.replace(/&after=$/, ''))
      bytes += JSON.stringify(list).length
      seen.push(...list.batches.map(one => one.name))
      next = list.next
    }
    expect(seen).toHaveLength(200)
    expect(new Set(seen).size).toBe(200)
    expect(bytes).toBeLessThan(60_000)
  })

  test.each(['x', '2026-01-01/1', `2026-01-01 00:00:00+00/${'z'.repeat(36)}`])(
    'a place that is none gets a sentence: %s',
    async after => {
      const answer = await visitor.get(`/api/batches?after=${encodeURIComponent(after)}`)
      expect(answer.status).toBeGreaterThanOrEqual(400)
      expect(answer.status).toBeLessThan(500)
    },
  )
})
