import { designFrom, referenceShelf, starterPlan } from '@ostler/core'
import type { DesignAnswer, KeptDesign, KeptVersion, Oil, RecipeAnswer, RecipeVersionAnswer } from '@ostler/core'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { binStore } from '../src/bin/store.ts'
import { DEMO_SIGN_IN } from '../src/members/demo-sign-in.ts'
import { bench } from './harness.ts'
import type { Bench } from './harness.ts'

let at: Bench
beforeAll(async () => {
  at = await bench({ demo: true })
})
afterAll(() => at.close())

async function signedIn() {
  const visitor = at.visitor()
  await visitor.post('/api/session').send(DEMO_SIGN_IN)
  return visitor
}
type Visitor = Awaited<ReturnType<typeof signedIn>>

const argan = (): Oil => structuredClone(referenceShelf().oils.find(oil => oil.id === 'argan')!)
const versionsOf = async (visitor: Visitor, id: string) =>
  (await visitor.get(`/api/shelf/oils/${id}/versions`)).body as KeptVersion<Oil>[]
const save = (visitor: Visitor, item: Oil, revision: number) =>
  visitor.put(`/api/shelf/oils/${item.id}`).send({ item, revision })

test('what an oil was before stays, with who changed it; what came with the workshop came from nobody', async () => {
  const visitor = await signedIn()
  expect(await versionsOf(visitor, 'argan')).toEqual([])
  expect((await save(visitor, { ...argan(), note: 'from the mill' }, 1)).status).toBe(200)
  const kept = await versionsOf(visitor, 'argan')
  expect(kept.map(one => [one.revision, one.member, one.kept.note])).toEqual([
    [2, 'Demo maker', 'from the mill'],
    [1, null, argan().note],
  ])
  // The same once more, and nothing at all, are no changes.
  await save(visitor, { ...argan(), note: 'from the mill' }, 2)
  expect((await versionsOf(visitor, 'argan')).map(one => one.revision)).toEqual([2, 1])
  expect((await save(visitor, kept[1]!.kept, 3)).status).toBe(200)
  expect((await versionsOf(visitor, 'argan'))[0]!.kept).toEqual(kept[1]!.kept)
})

test('a lot that was used is no version, but what it left is kept with the next', async () => {
  const visitor = await signedIn()
  const lots = [{ id: 'a', mark: 'A', bought: 500, left: 500, cost: 0, useBy: '' }]
  await save(visitor, { ...argan(), id: 'barn', name: 'Barn', lots }, 0)
  const where = { kind: 'oils' as const, item: 'barn', lot: 'a' }
  const { id } = (await visitor.post('/api/batches').send({ plan: starterPlan('Of the barn') })).body as { id: string }
  const booked = await visitor
    .put(`/api/batches/${id}/lots`)
    .send({ takes: [{ ...where, massG: 120 }], evenIfShort: false })
  expect(booked.status).toBe(200)
  expect((await versionsOf(visitor, 'barn')).map(one => one.revision)).toEqual([1])
  await save(visitor, { ...argan(), id: 'barn', name: 'Barn', note: 'x', lots: [{ ...lots[0]!, left: 380 }] }, 2)
  const kept = await versionsOf(visitor, 'barn')
  expect(kept.map(one => [one.revision, one.member, one.kept.lots[0]!.left])).toEqual([
    [3, 'Demo maker', 380],
    [2, null, 380],
    [1, 'Demo maker', 500],
  ])
})

test('a hundred versions of a thing are kept, the newest', async () => {
  const visitor = await signedIn()
  const item = { ...argan(), id: 'busy', name: 'Busy' }
  await save(visitor, item, 0)
  for (let i = 1; i <= 104; i++) await save(visitor, { ...item, note: String(i) }, i)
  const kept = await versionsOf(visitor, 'busy')
  expect(kept).toHaveLength(100)
  expect([kept[0]!.kept.note, kept.at(-1)!.kept.note]).toEqual(['104', '5'])
})

test('designs keep theirs until they go for good', async () => {
  const visitor = await signedIn()
  const design = (name: string): KeptDesign => designFrom(starterPlan('Any'), name, () => '#336699')
  const { id } = (await visitor.post('/api/designs').send({ design: design('Withy') })).body as DesignAnswer
  await visitor.put(`/api/designs/${id}`).send({ revision: 1, design: design('Osier') })
  const versions = async () => (await visitor.get(`/api/designs/${id}/versions`)).body as KeptVersion<KeptDesign>[]
  expect((await versions()).map(one => [one.member, one.kept.name])).toEqual([
    ['Demo maker', 'Osier'],
    ['Demo maker', 'Withy'],
  ])
  await visitor.delete(`/api/designs/${id}`)
  expect(await versions()).toHaveLength(2)
  await binStore(at.db).empty(new Date(Date.now() + 31 * 86_400_000))
  expect(await at.db.selectFrom('kept_version').where('item_id', '=', id).select('revision').execute()).toEqual([])
})

test('a recipe’s versions say who saved them', async () => {
  const visitor = await signedIn()
  const { recipe } = starterPlan('Any')
  const made = await visitor.post('/api/recipes').send({ name: 'Weir', reason: 'first', recipe })
  const { id } = made.body as RecipeAnswer
  const versions = (await visitor.get(`/api/recipes/${id}/versions`)).body as RecipeVersionAnswer[]
  expect(versions.map(one => one.member)).toEqual(['Demo maker'])
})

test('nobody sees what another workshop’s things were, and who has left is not named', async () => {
  const visitor = await signedIn()
  await save(visitor, { ...argan(), id: 'ours', name: 'Ours' }, 0)
  const other = await at.db.insertInto('workshop').values({ name: 'Other' }).returning('id').executeTakeFirstOrThrow()
  const row = await at.db
    .selectFrom('shelf_item')
    .where('id', '=', 'ours')
    .select(['workshop_id', 'changed_by'])
    .executeTakeFirstOrThrow()
  const theirs = { workshop_id: other.id, kind: 'oils' as const, id: 'ours', item: JSON.stringify(argan()) }
  await expect(
    at.db
      .insertInto('shelf_item')
      .values({ ...theirs, changed_by: row.changed_by })
      .execute(),
  ).rejects.toThrow(/violates/)
  expect((await at.visitor().get('/api/shelf/oils/ours/versions')).status).toBe(401)
  await at.db
    .deleteFrom('member')
    .where('workshop_id', '=', row.workshop_id)
    .where('id', '=', row.changed_by!)
    .execute()
  const kept = await at.db.selectFrom('kept_version').where('item_id', '=', 'ours').select(['member_id']).execute()
  expect(kept).toEqual([{ member_id: null }])
})
