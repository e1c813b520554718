import { designFrom, starterPlan } from '@ostler/core'
import type { DesignAnswer, ErrorAnswer, KeptDesign } from '@ostler/core'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { DEMO_SIGN_IN } from '../src/members/demo-sign-in.ts'
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
const named = (name: string): KeptDesign => designFrom(starterPlan('Any'), name, () => '#336699')

test('the demo’s library has designs of its own, and a stranger sees none', async () => {
  const list = body<DesignAnswer[]>(await (await signedIn()).get('/api/designs'))
  expect(list.length).toBeGreaterThanOrEqual(20)
  expect(list.map(one => one.design.name)).toContain('Reed Warbler')
  expect((await at.visitor().get('/api/designs')).status).toBe(401)
})

test('a design is kept, renamed on its revision, deleted and brought back', async () => {
  const visitor = await signedIn()
  const kept = body<DesignAnswer>(await visitor.post('/api/designs').send({ design: named(' Towpath ') }))
  expect(kept).toMatchObject({ revision: 1, design: { name: 'Towpath' } })
  const path = `/api/designs/${kept.id}`
  const renamed = await visitor.put(path).send({ revision: 1, design: named('Hedge') })
  expect(body<DesignAnswer>(renamed)).toMatchObject({ revision: 2, design: { name: 'Hedge' } })
  const late = await visitor.put(path).send({ revision: 1, design: named('Late') })
  expect(late.status).toBe(409)
  expect((await visitor.delete(path)).status).toBe(204)
  expect((await visitor.put(path).send({ revision: 2, design: named('Gone') })).status).toBe(404)
  expect((await visitor.post(`${path}/restore`)).status).toBe(204)
  const list = body<DesignAnswer[]>(await visitor.get('/api/designs'))
  expect(list.find(one => one.id === kept.id)!.design.name).toBe('Hedge')
})

test('a name is taken once, whatever its letters; a deleted one does not come back over another', async () => {
  const visitor = await signedIn()
  const { id } = body<DesignAnswer>(await visitor.post('/api/designs').send({ design: named('Ferry') }))
  const twice = await visitor.post('/api/designs').send({ design: named('FERRY') })
  expect(twice.status).toBe(409)
  expect(body<ErrorAnswer>(twice).problems![0]!.path).toBe('name')
  await visitor.delete(`/api/designs/${id}`)
  expect((await visitor.post('/api/designs').send({ design: named('Ferry') })).status).toBe(201)
  expect((await visitor.post(`/api/designs/${id}/restore`)).status).toBe(409)
})

test.each<[string, unknown]>([
  ['nothing', {}],
  ['a list', { design: [] }],
  ['a pour from a cup that is not there', { design: { ...named('Bad'), cups: [named('Bad').cups[0]] } }],
  ['a colour that is none', { design: { ...named('Bad'), cups: [{ id: 'cup-1', name: 'A', hex: 'red' }] } }],
])('%s is refused with a sentence', async (_, sent) => {
  const answer = await (await signedIn()).post('/api/designs').send(sent as object)
  expect(answer.status).toBe(400)
  expect(body<ErrorAnswer>(answer).sentence).toMatch(/\.$/)
})

test('another workshop can neither see, change nor delete it', async () => {
  const visitor = await signedIn()
  const { id } = body<DesignAnswer>(await visitor.post('/api/designs').send({ design: named('Ours alone') }))
  const workshop = await at.db
    .insertInto('workshop')
    .values({ name: 'Other' })
    .returning('id')
    .executeTakeFirstOrThrow()
  const { password_hash } = await at.db.selectFrom('member').select('password_hash').executeTakeFirstOrThrow()
  await at.db
    .insertInto('member')
    .values({ workshop_id: workshop.id, name: 'Other maker', sign_in_name: 'other', password_hash })
    .execute()
  const other = at.visitor()
  await other.post('/api/session').send({ signInName: 'other', password: DEMO_SIGN_IN.password })
  expect(body<DesignAnswer[]>(await other.get('/api/designs'))).toEqual([])
  expect((await other.put(`/api/designs/${id}`).send({ revision: 1, design: named('Theirs') })).status).toBe(404)
  expect((await other.delete(`/api/designs/${id}`)).status).toBe(404)
})
