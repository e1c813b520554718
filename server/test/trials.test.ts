import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { starterPlan } from '@ostler/core'
import type { BatchAnswer, Trial, TrialAnswer } from '@ostler/core'
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
const trial = JSON.parse(readFileSync(new URL('../../trials/green-doses.json', import.meta.url), 'utf8')) as Trial
async function signedIn() {
  const visitor = at.visitor()
  await visitor.post('/api/session').send(DEMO_SIGN_IN)
  return visitor
}

test('a trial is kept once, on its revision, with its batch, put away and brought back', async () => {
  const visitor = await signedIn()
  const id = randomUUID()
  const first = await visitor.post('/api/trials').send({ id, trial, batch: null })
  expect(first.status).toBe(201)
  await visitor.post('/api/trials').send({ id, trial, batch: null })
  const mine = () => visitor.get('/api/trials').then(one => body<TrialAnswer[]>(one).filter(of => of.id === id))
  expect(await mine()).toMatchObject([{ id, revision: 1, batch: null, trial }])
  const batch = body<BatchAnswer>(await visitor.post('/api/batches').send({ plan: starterPlan('Samples') })).id
  const poured = { ...trial, pouredOn: '2026-09-02' }
  const saved = await visitor.put(`/api/trials/${id}`).send({ revision: 1, trial: poured, batch })
  expect(body<TrialAnswer>(saved)).toMatchObject({ revision: 2, batch, trial: { pouredOn: '2026-09-02' } })
  expect((await visitor.put(`/api/trials/${id}`).send({ revision: 1, trial, batch })).status).toBe(409)
  expect((await visitor.put(`/api/trials/${id}`).send({ revision: 2, trial, batch: randomUUID() })).status).toBe(409)
  expect((await visitor.delete(`/api/trials/${id}`)).status).toBe(204)
  expect(await mine()).toEqual([])
  expect((await visitor.get(`/api/trials/${id}`)).status).toBe(404)
  expect((await visitor.post(`/api/trials/${id}/restore`).send({})).status).toBe(204)
  expect(await mine()).toHaveLength(1)
})

test('what is no trial is refused with its field; strangers see none', async () => {
  const visitor = await signedIn()
  const id = randomUUID()
  const wrong = { ...trial, question: { ...trial.question, blanks: 0 } }
  const refused = await visitor.post('/api/trials').send({ id, trial: wrong, batch: null })
  expect(refused.status).toBe(400)
  expect(body<{ problems: { path: string }[] }>(refused).problems[0]!.path).toBe('question.blanks')
  await visitor.post('/api/trials').send({ id, trial, batch: null })
  expect((await at.visitor().get(`/api/trials/${id}`)).status).toBe(401)
  const there = await at.db.insertInto('workshop').values({ name: 'Other' }).returning('id').executeTakeFirstOrThrow()
  const { password_hash } = await at.db.selectFrom('member').select('password_hash').executeTakeFirstOrThrow()
  await at.db
    .insertInto('member')
    .values({ workshop_id: there.id, name: 'Other maker', sign_in_name: 'other', password_hash })
    .execute()
  const other = at.visitor()
  await other.post('/api/session').send({ signInName: 'other', password: DEMO_SIGN_IN.password })
  expect((await other.get(`/api/trials/${id}`)).status).toBe(404)
  expect((await other.put(`/api/trials/${id}`).send({ revision: 1, trial, batch: null })).status).toBe(404)
  expect((await other.delete(`/api/trials/${id}`)).status).toBe(404)
  expect(body<TrialAnswer[]>(await other.get('/api/trials'))).toEqual([])
})
