import { planChanges, starterPlan } from '@ostler/core'
import type { BatchAnswer, HistoryAnswer, Plan } from '@ostler/core'
import { randomUUID } from 'node:crypto'
import { sql } from 'kysely'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { DEMO_SIGN_IN } from '../src/members/demo-sign-in.ts'
import { bench } from './harness.ts'
import type { Bench } from './harness.ts'

let at: Bench
let maker: ReturnType<Bench['visitor']>
beforeAll(async () => {
  at = await bench({ demo: true })
  maker = at.visitor()
  await maker.post('/api/session').send(DEMO_SIGN_IN)
})
afterAll(() => at.close())

const plans: Plan[] = []
let id = ''

async function changeTo(next: Plan): Promise<void> {
  const before = plans.at(-1)!
  const answer = await maker
    .patch(`/api/batches/${id}`)
    .send({ id: randomUUID(), revision: plans.length, changes: planChanges(before, next) })
  expect(answer.status).toBe(200)
  plans.push(next)
}

const history = async () => (await maker.get(`/api/batches/${id}/history`)).body as HistoryAnswer
const planAt = async (revision: number) =>
  ((await maker.get(`/api/batches/${id}/history/${revision}`)).body as { plan: Plan }).plan

test('every version of a batch can be had back just as it was', async () => {
  const first = starterPlan('With a past')
  const made = (await maker.post('/api/batches').send({ plan: first })).body as BatchAnswer
  id = made.id
  plans.push(made.plan)
  const edited = (change: (plan: Plan) => Plan) => changeTo(change(plans.at(-1)!))
  await edited(plan => ({ ...plan, name: 'With a longer past' }))
  await edited(plan => ({ ...plan, conditions: { ...plan.conditions, mixC: 33 } }))
  await edited(plan => ({ ...plan, cups: plan.cups.map((cup, i) => (i === 0 ? { ...cup, name: 'Reed' } : cup)) }))
  // A pour less, in another order; then the cup that it came from.
  await edited(plan => ({ ...plan, score: [plan.score[2]!, plan.score[0]!] }))
  await edited(plan => ({ ...plan, cups: plan.cups.filter(cup => cup.id !== plans[0]!.score[1]!.cup) }))
  for (const [i, plan] of plans.entries()) expect(await planAt(i + 1)).toEqual(plan)
  expect((await maker.get(`/api/batches/${id}/history/99`)).status).toBe(404)
  expect((await maker.get(`/api/batches/${id}/history/none`)).status).toBe(404)
})

test('edits of one member that follow each other are one step, unless a version has a name', async () => {
  const one = await history()
  expect(one.steps).toHaveLength(1)
  expect(one.steps[0]).toMatchObject({ revision: plans.length, from: 1, count: plans.length - 1, member: 'Demo maker' })
  expect((await maker.put(`/api/batches/${id}/history/3/name`).send({ name: ' Warm ' })).status).toBe(204)
  const named = await history()
  expect(named.steps.map(({ revision, from, name }) => [revision, from, name])).toEqual([
    [plans.length, 3, ''],
    [3, 1, 'Warm'],
  ])
  expect((await maker.put(`/api/batches/${id}/history/3/name`).send({ name: '' })).status).toBe(204)
  expect((await history()).steps).toHaveLength(1)
  expect((await maker.put(`/api/batches/${id}/history/99/name`).send({ name: 'Later' })).status).toBe(404)
  // Half an hour lies between them: two steps.
  await sql`update batch_change set made_at = made_at - interval '30 minutes' where batch_id = ${id} and revision <= 3`.execute(
    at.db,
  )
  expect((await history()).steps.map(({ count }) => count)).toEqual([plans.length - 3, 2])
})

test('what was written in a form that nobody knows any more is said not to come back', async () => {
  const odd = JSON.stringify([{ at: ['broth'], was: 1, to: 2 }])
  await sql`update batch_change set changes = ${odd}::jsonb where batch_id = ${id} and revision = 2`.execute(at.db)
  expect(await planAt(3)).toEqual(plans[2])
  expect((await maker.get(`/api/batches/${id}/history/1`)).status).toBe(404)
})

test('another workshop has no history of it', async () => {
  const other = await bench()
  const visitor = other.visitor()
  await visitor
    .post('/api/setup')
    .send({ workshopName: 'Mill', memberName: 'Ann', signInName: 'ann', password: 'a kettle in the rain' })
  expect((await visitor.get(`/api/batches/${id}/history`)).status).toBe(404)
  await other.close()
})
