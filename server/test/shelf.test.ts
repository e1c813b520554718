import { PLAN_VERSION, referenceShelf, starterPlan } from '@ostler/core'
import type {
  BatchAnswer,
  ErrorAnswer,
  Oil,
  RecipeAnswer,
  RecipeVersionAnswer,
  ShelfAnswer,
  StoredItem,
} from '@ostler/core'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { DEMO_SIGN_IN } from '../src/members/demo-sign-in.ts'
import { upgradePlans } from '../src/batches/upgrade.ts'
import { stockAll } from '../src/shelf/stock.ts'
import { bench } from './harness.ts'
import type { Bench } from './harness.ts'

let at: Bench
beforeAll(async () => {
  at = await bench({ demo: true })
})
afterAll(() => at.close())

const body = <T>(response: { body: unknown }): T => response.body as T
async function signedIn() {
  const visitor = at.visitor()
  await visitor.post('/api/session').send(DEMO_SIGN_IN)
  return visitor
}
const oilOf = (id: string): Oil => structuredClone(referenceShelf().oils.find(oil => oil.id === id)!)

describe('the shelf', () => {
  test('has every kind with its revisions, the demo’s lots and rules', async () => {
    const { shelf, revisions } = body<ShelfAnswer>(await (await signedIn()).get('/api/shelf'))
    expect(Object.keys(shelf).sort()).toEqual(
      [
        'additives',
        'colorants',
        'liquids',
        'moulds',
        'oils',
        'palettes',
        'rules',
        'scents',
        'times',
        'tools',
        'vessels',
        'windows',
        'evidence',
      ].sort(),
    )
    expect(shelf.oils.find(oil => oil.id === 'olive')!.lots).toHaveLength(1)
    // Once with its lot, once for each batch that took of it, once as it was counted.
    expect(revisions.oils['olive']).toBeGreaterThan(2)
    expect(shelf.rules).toContainEqual({ tag: 'plastic', weight: 'never' })
  })

  test('an item is added, changed on its revision, and not over another’s change', async () => {
    const visitor = await signedIn()
    const item = { ...oilOf('argan'), id: 'barn-oil', name: 'Barn oil' }
    const added = body<StoredItem>(await visitor.put('/api/shelf/oils/barn-oil').send({ item, revision: 0 }))
    expect(added).toMatchObject({ revision: 1, item: { name: 'Barn oil' } })
    const changed = { ...item, sapKohMgPerG: 190.5 }
    expect((await visitor.put('/api/shelf/oils/barn-oil').send({ item: changed, revision: 1 })).status).toBe(200)
    // The answer was lost and the same save is sent again: no conflict.
    expect((await visitor.put('/api/shelf/oils/barn-oil').send({ item: changed, revision: 1 })).status).toBe(200)
    const late = await visitor.put('/api/shelf/oils/barn-oil').send({ item: { ...item, name: 'Mine' }, revision: 1 })
    expect(late.status).toBe(409)
    expect(body<ErrorAnswer>(late).item).toMatchObject({ revision: 2, item: { sapKohMgPerG: 190.5 } })
    const twice = await visitor.put('/api/shelf/oils/barn-oil').send({ item, revision: 0 })
    expect(twice.status).toBe(409)
  })

  test.each<[string, string, unknown, number]>([
    ['a kind that is none', 'cats/x', { item: oilOf('olive'), revision: 1 }, 404],
    ['another id', 'oils/palm', { item: oilOf('olive'), revision: 1 }, 400],
    ['a value out of range', 'oils/olive', { item: { ...oilOf('olive'), sapKohMgPerG: 9 }, revision: 1 }, 400],
    ['a name that does not belong', 'oils/olive', { item: { ...oilOf('olive'), cat: 1 }, revision: 1 }, 400],
    ['no revision', 'oils/olive', { item: oilOf('olive') }, 400],
    ['nothing', 'oils/olive', null, 400],
    ['an item that never was', 'oils/nowhere', { item: { ...oilOf('olive'), id: 'nowhere' }, revision: 3 }, 404],
  ])('%s is refused in a sentence', async (_, path, sent, status) => {
    const answer = await (await signedIn()).put(`/api/shelf/${path}`).send(sent as object)
    expect(answer.status).toBe(status)
    expect(body<ErrorAnswer>(answer).sentence).toMatch(/^[A-Z].*[.?]$/)
  })

  test('an import is all or nothing', async () => {
    const visitor = await signedIn()
    const fresh = (n: number) => ({ item: { ...oilOf('argan'), id: `row-${n}`, name: `Row ${n}` }, revision: 0 })
    const stale = { item: { ...oilOf('olive'), name: 'Late' }, revision: 1 }
    const names = async () => body<ShelfAnswer>(await visitor.get('/api/shelf')).shelf.oils.map(oil => oil.name)
    const refused = await visitor.post('/api/shelf/import').send({ kind: 'oils', items: [fresh(1), stale] })
    expect(refused.status).toBe(409)
    expect(body<ErrorAnswer>(refused).sentence).toMatch(/Nothing was imported: Late/)
    expect(await names()).not.toContain('Row 1')
    const many = Array.from({ length: 600 }, (_, n) => fresh(n))
    expect((await visitor.post('/api/shelf/import').send({ kind: 'oils', items: many })).status).toBe(201)
    expect(await names()).toContain('Row 599')
    const bad = [{ item: { ...oilOf('argan'), id: 'bad', name: '' }, revision: 0 }]
    expect((await visitor.post('/api/shelf/import').send({ kind: 'oils', items: bad })).status).toBe(400)
    expect((await visitor.post('/api/shelf/import').send({ kind: 'oils', items: [] })).status).toBe(400)
  })

  test('rules are kept; one that is none is refused', async () => {
    const visitor = await signedIn()
    expect((await visitor.put('/api/shelf/rules').send({ rules: [{ tag: 'palm', weight: 'never' }] })).status).toBe(204)
    expect(body<ShelfAnswer>(await visitor.get('/api/shelf')).shelf.rules).toEqual([{ tag: 'palm', weight: 'never' }])
    expect((await visitor.put('/api/shelf/rules').send({ rules: [{ tag: 'cats', weight: 'never' }] })).status).toBe(400)
  })

  test('a workshop that a migration left bare is stocked at the next start, once', async () => {
    const workshop = await at.db
      .insertInto('workshop')
      .values({ name: 'Bare' })
      .returning('id')
      .executeTakeFirstOrThrow()
    const count = async () =>
      (await at.db.selectFrom('shelf_item').where('workshop_id', '=', workshop.id).select('id').execute()).length
    await stockAll(at.db)
    const stocked = await count()
    expect(stocked).toBeGreaterThan(200)
    await at.db.deleteFrom('shelf_item').where('workshop_id', '=', workshop.id).where('kind', '=', 'oils').execute()
    await stockAll(at.db)
    expect(await count()).toBeLessThan(stocked)
  })
})

test('a copy of a batch starts anew: nothing seen or read', async () => {
  const visitor = await signedIn()
  const plan = starterPlan('Half done')
  const used = {
    ...plan,
    seen: [{ cup: plan.cups[0]!.id, atMin: 9, level: 2.1, by: 'eye' }],
    rest: { ...plan.rest, readings: [{ atMin: 40, at: 'core', tempC: 58 }] },
  }
  const { id } = body<BatchAnswer>(await visitor.post('/api/batches').send({ plan: used }))
  const copy = body<BatchAnswer>(await visitor.post(`/api/batches/${id}/duplicate`))
  expect(copy.plan).toMatchObject({ seen: [], rest: { readings: [] } })
})

test('a stored plan of version 1 is brought up at the next start; its revision stays', async () => {
  const visitor = await signedIn()
  const plan = starterPlan('Old one')
  const { id, revision } = body<BatchAnswer>(await visitor.post('/api/batches').send({ plan }))
  const { superfatShare, lyePurityShare, oils } = plan.recipe
  const old = {
    ...{ format: plan.format, version: 1, name: plan.name, notes: '', pot: plan.pot, scent: null },
    ...{ score: plan.score, conditions: plan.conditions },
    cups: plan.cups.map(({ id, name }) => ({ id, name, swatch: '#e9e2d2', colorant: null, scented: true, clingG: 5 })),
    recipe: {
      superfatShare,
      lyePurityShare,
      oils: oils.map(({ oil, share }) => ({ oil, share })),
      lyeConcentrationShare: 0.31,
    },
    mould: { name: 'Loaf', innerLengthMm: 230, innerWidthMm: 75, innerHeightMm: 70, fillMm: 60 },
  }
  await at.db
    .updateTable('batch')
    .set({ plan: JSON.stringify(old) })
    .where('id', '=', id)
    .execute()
  await upgradePlans(at.db)
  const after = body<BatchAnswer>(await visitor.get(`/api/batches/${id}`))
  expect(after).toMatchObject({
    revision,
    plan: { version: PLAN_VERSION, recipe: { water: { value: 0.31 } }, cups: [{ wish: '#e9e2d2' }, {}, {}] },
  })
})

describe('saved recipes', () => {
  const { recipe } = starterPlan('x')

  test('are versioned with a reason; a batch that takes one keeps its version', async () => {
    const visitor = await signedIn()
    const first = body<RecipeAnswer>(
      await visitor.post('/api/recipes').send({ name: ' Hem ', reason: 'first', recipe }),
    )
    expect(first).toMatchObject({
      name: 'Hem',
      version: 1,
      recipe: { name: 'Hem', origin: { recipe: first.id, version: 1 } },
    })
    const batch = body<BatchAnswer>(
      await visitor.post('/api/batches').send({ plan: { ...starterPlan('With it'), recipe: first.recipe } }),
    )
    const changed = { ...first.recipe, superfatShare: 0.07 }
    const second = await visitor
      .post(`/api/recipes/${first.id}/versions`)
      .send({ name: 'Hem', reason: 'milder', recipe: changed, from: 1 })
    expect(body<RecipeAnswer>(second)).toMatchObject({ version: 2, recipe: { superfatShare: 0.07 } })
    const kept = body<BatchAnswer>(await visitor.get(`/api/batches/${batch.id}`))
    expect(kept.plan.recipe).toMatchObject({ superfatShare: 0.05, origin: { version: 1 } })
    const versions = body<RecipeVersionAnswer[]>(await visitor.get(`/api/recipes/${first.id}/versions`))
    expect(versions.map(version => [version.version, version.reason])).toEqual([
      [2, 'milder'],
      [1, 'first'],
    ])
  })

  test('two people on one version: the second is told, and nothing is lost', async () => {
    const visitor = await signedIn()
    const { id } = body<RecipeAnswer>(await visitor.post('/api/recipes').send({ name: 'Two', reason: '', recipe }))
    const add = () => visitor.post(`/api/recipes/${id}/versions`).send({ name: 'Two', reason: '', recipe, from: 1 })
    const answers = await Promise.all([add(), add()])
    expect(answers.map(answer => answer.status).sort()).toEqual([200, 409])
    expect(body<RecipeVersionAnswer[]>(await visitor.get(`/api/recipes/${id}/versions`))).toHaveLength(2)
  })

  test('a name stands once; deleted, it is free, and brought back only while it is', async () => {
    const visitor = await signedIn()
    const { id } = body<RecipeAnswer>(await visitor.post('/api/recipes').send({ name: 'Once', reason: '', recipe }))
    const again = await visitor.post('/api/recipes').send({ name: 'once', reason: '', recipe })
    expect(again.status).toBe(409)
    expect(body<ErrorAnswer>(again).problems![0]!.path).toBe('name')
    expect((await visitor.delete(`/api/recipes/${id}`)).status).toBe(204)
    expect((await visitor.post('/api/recipes').send({ name: 'Once', reason: '', recipe })).status).toBe(201)
    expect((await visitor.post(`/api/recipes/${id}/restore`)).status).toBe(409)
  })

  test('nobody sees or changes another workshop’s shelf or recipes', async () => {
    const visitor = await signedIn()
    const { id } = body<RecipeAnswer>(await visitor.post('/api/recipes').send({ name: 'Own', reason: '', recipe }))
    const other = await at.db.insertInto('workshop').values({ name: 'Other' }).returning('id').executeTakeFirstOrThrow()
    const row = { workshop_id: other.id, version: 2, reason: '', recipe: '{}', recipe_id: id }
    await expect(at.db.insertInto('recipe_version').values(row).execute()).rejects.toThrow(/violates foreign key/)
    for (const path of ['/api/recipes', '/api/shelf']) expect((await at.visitor().get(path)).status).toBe(401)
  })

  test.each([
    ['no oils', { recipe: { ...recipe, oils: [] } }, 400],
    ['no name', { name: '' }, 400],
    ['half a version', { from: 1.5 }, 400],
  ])('a recipe with %s is refused', async (_, change, status) => {
    const answer = await (await signedIn()).post('/api/recipes').send({ name: 'X', reason: '', recipe, ...change })
    expect(answer.status).toBe(status)
  })
})

describe('colorants and palettes', () => {
  const swatch = (id: string, picture = '') => ({
    ...{ id, date: '2026-11-02', doseGPerKg: 5, medium: 'oil', whiteGPerKg: 0, days: 42, gel: 0, hex: '#506090' },
    ...{ carotene: 0.02, chlorophyll: 0, brown: 0.001, scatter: 1, faults: [], note: '', picture },
  })
  const blue = () => structuredClone(referenceShelf().colorants.find(one => one.id === 'mica-deep-blue')!)
  const put = async (item: object, revision: number, kind = 'colorants', id = 'mica-deep-blue') =>
    (await signedIn()).put(`/api/shelf/${kind}/${id}`).send({ item, revision })

  test('own swatches are kept with a small picture each, all that a colorant may have', async () => {
    const picture = `data:image/jpeg;base64,${'A'.repeat(9000)}`
    const swatches = Array.from({ length: 24 }, (_, i) => swatch(`swatch-${i}`, picture))
    const saved = await put({ ...blue(), swatches }, 1)
    expect(saved.status).toBe(200)
    const { shelf } = body<ShelfAnswer>(await (await signedIn()).get('/api/shelf'))
    expect(shelf.colorants.find(one => one.id === 'mica-deep-blue')!.swatches).toHaveLength(24)
  })

  test.each([
    ['a swatch too many', { swatches: Array.from({ length: 25 }, (_, i) => swatch(`swatch-${i}`)) }, 'at most 24'],
    ['a picture that is a script', { swatches: [swatch('a', 'data:text/html;base64,AAAA')] }, 'small JPEG'],
    ['a dose of a kilogram', { swatches: [{ ...swatch('a'), doseGPerKg: 1000 }] }, 'from 0 to 500 g'],
    ['a colour that is none', { soapHex: 'blue' }, 'is written like #3e8f82'],
  ])('%s is refused with a sentence', async (_, change, words) => {
    const answer = await put({ ...blue(), ...change }, 2)
    expect(answer.status).toBe(400)
    expect(JSON.stringify(answer.body)).toContain(words)
  })

  test('a palette is added, found with the shelf, and refused beyond its size', async () => {
    const colours = [{ name: 'weir', hex: '#6f8fa8', doses: [{ colorant: 'ultramarine-blue', doseGPerKg: 2 }] }]
    const palette = {
      ...{ id: 'weir', name: 'Weir', source: 'measured', note: '', tags: [], archived: false, lots: [] },
      colours,
    }
    expect((await put(palette, 0, 'palettes', 'weir')).status).toBe(200)
    const { shelf } = body<ShelfAnswer>(await (await signedIn()).get('/api/shelf'))
    expect(shelf.palettes.find(one => one.id === 'weir')!.colours).toEqual(colours)
    const many = Array.from({ length: 300 }, () => ({ name: '', hex: '#102030', doses: [] }))
    const answer = await put({ ...palette, colours: many }, 1, 'palettes', 'weir')
    expect(answer.status).toBe(400)
    expect(JSON.stringify(answer.body)).toContain('at most 256 colours')
  })
})

test('a stored plan of version 3 gets straight layers and no tools; what it says of cups stays', async () => {
  const visitor = await signedIn()
  const plan = starterPlan('Version three')
  const { id, revision } = body<BatchAnswer>(await visitor.post('/api/batches').send({ plan }))
  const without = (from: object, ...keys: string[]) =>
    Object.fromEntries(Object.entries(from).filter(([key]) => !keys.includes(key)))
  const old = {
    ...{ ...without(plan, 'moves', 'cutting'), version: 3 },
    score: plan.score.map(pour => without(pour, 'shape')),
  }
  await at.db
    .updateTable('batch')
    .set({ plan: JSON.stringify(old) })
    .where('id', '=', id)
    .execute()
  await upgradePlans(at.db)
  const after = body<BatchAnswer>(await visitor.get(`/api/batches/${id}`))
  expect(after).toMatchObject({ revision, plan: { version: PLAN_VERSION, moves: [], cups: plan.cups } })
  expect(after.plan.score.every(pour => pour.shape.way === 'layer')).toBe(true)
})
