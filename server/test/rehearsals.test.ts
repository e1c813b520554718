import { randomUUID } from 'node:crypto'
import { answersWith, followingOf, starterPlan, undone } from '@ostler/core'
import type { BatchAnswer, LessonProgress, RehearsalAnswer, RehearsalSummary } from '@ostler/core'
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
const SETTING = { seed: 7, level: 'bad-day', begins: 'lye' }
const tick = { key: 'rehearsal:1', kind: 'tick', r: 5, noted: 5, at: '2026-11-30T10:00:00Z', source: 'hand', item: 'x' }

async function begun() {
  const visitor = await signedIn()
  const batch = body<BatchAnswer>(await visitor.post('/api/batches').send({ plan: starterPlan('Rehearsed') })).id
  const id = randomUUID()
  const answer = await visitor.post(`/api/batches/${batch}/rehearsals`).send({ id, setting: SETTING })
  return { visitor, batch, id, answer, path: `/api/rehearsals/${id}` }
}

test('a rehearsal is begun once, freezes its plan, and is listed apart from runs', async () => {
  const { visitor, batch, id, answer, path } = await begun()
  expect(answer.status).toBe(201)
  expect((await visitor.post(`/api/batches/${batch}/rehearsals`).send({ id, setting: SETTING })).status).toBe(200)
  const list = body<RehearsalSummary[]>(await visitor.get(`/api/batches/${batch}/rehearsals`))
  expect(list).toMatchObject([{ id, setting: SETTING, score: null }])
  expect(list[0]!.person).not.toBe('')
  const surprises = [{ key: 'spill', size: 0.5 }]
  const chosen = { id: randomUUID(), setting: { ...SETTING, surprises } }
  expect((await visitor.post(`/api/batches/${batch}/rehearsals`).send(chosen)).status).toBe(201)
  expect(body<RehearsalAnswer>(await visitor.get(`/api/rehearsals/${chosen.id}`)).setting.surprises).toEqual(surprises)
  const got = body<RehearsalAnswer>(await visitor.get(path))
  expect(got).toMatchObject({ id, batch, revision: 1, plan: { name: 'Rehearsed' }, done: undone() })
  expect(body(await visitor.get(`/api/batches/${batch}/runs`))).toEqual([])
})

test('what was done is kept on its revision; two windows do not overwrite each other', async () => {
  const { visitor, path } = await begun()
  const done = { ...undone(), events: [tick], clockS: 12 }
  expect(body(await visitor.put(path).send({ revision: 1, done, score: null }))).toEqual({ revision: 2 })
  expect((await visitor.put(path).send({ revision: 1, done: undone(), score: null })).status).toBe(409)
  expect(body(await visitor.put(path).send({ revision: 2, done, score: 83 }))).toEqual({ revision: 3 })
  expect(body<RehearsalAnswer>(await visitor.get(path))).toMatchObject({ revision: 3, done })
})

test('what is not well-formed is refused with its field', async () => {
  const { visitor, batch, path } = await begun()
  const wrong = [
    { seed: -1, level: 'none', begins: 'lye' },
    { seed: 1, level: 'easy', begins: 'lye' },
    { seed: 1, level: 'none' },
    { ...SETTING, surprises: [{ key: 'dragon', size: 0.5 }] },
    { ...SETTING, surprises: [{ key: 'spill', size: 2 }] },
    null,
  ]
  for (const setting of wrong) {
    const answer = await visitor.post(`/api/batches/${batch}/rehearsals`).send({ id: randomUUID(), setting })
    expect(answer.status, JSON.stringify(setting)).toBe(400)
  }
  const events = [{ ...tick, kind: 'sing' }]
  expect((await visitor.put(path).send({ revision: 1, done: { ...undone(), events } })).status).toBe(400)
  expect((await visitor.put(path).send({ revision: 1, done: undone(), score: 101 })).status).toBe(400)
  expect((await visitor.get(`/api/rehearsals/${randomUUID()}`)).status).toBe(404)
})

test('strangers see none, and a deleted one is gone', async () => {
  const { visitor, path } = await begun()
  expect((await at.visitor().get(path)).status).toBe(401)
  expect((await visitor.delete(path)).status).toBe(204)
  expect((await visitor.get(path)).status).toBe(404)
  expect((await visitor.put(path).send({ revision: 1, done: undone(), score: null })).status).toBe(404)
})

test('a lesson has a batch of its own, and is passed for who passed it', async () => {
  const visitor = await signedIn()
  const id = randomUUID()
  expect((await visitor.post('/api/lessons/juggling').send({ id })).status).toBe(404)
  expect((await visitor.post('/api/lessons/emulsion').send({ id })).status).toBe(201)
  expect((await visitor.post('/api/lessons/emulsion').send({ id })).status).toBe(200)
  const got = body<RehearsalAnswer>(await visitor.get(`/api/rehearsals/${id}`))
  expect(got).toMatchObject({ batch: '', lesson: 'emulsion', plan: { name: 'Practice loaf' } })
  const of = async () =>
    body<LessonProgress[]>(await visitor.get('/api/lessons')).find(one => one.lesson === 'emulsion')
  expect(await of()).toEqual({ lesson: 'emulsion', tries: 1, passed: false })
  const save = (revision: number, passed: boolean) =>
    visitor.put(`/api/rehearsals/${id}`).send({ revision, done: undone(), score: null, passed })
  await save(1, true)
  // What was passed stays passed.
  await save(2, false)
  expect(await of()).toEqual({ lesson: 'emulsion', tries: 1, passed: true })
})

test('a link shows a rehearsal to anybody until it is renewed or ended, and nothing that is the workshop’s own', async () => {
  const visitor = await signedIn()
  const plan = { ...starterPlan('Watched'), notes: 'for the spring market', madeBy: 'Hedda' }
  const batch = body<BatchAnswer>(await visitor.post('/api/batches').send({ plan })).id
  const id = randomUUID()
  await visitor.post(`/api/batches/${batch}/rehearsals`).send({ id, setting: SETTING })
  const { token } = body<{ token: string }>(await visitor.post(`/api/rehearsals/${id}/link`).send({}))
  const anyone = at.visitor()
  const watched = await anyone.get(`/api/watched/${token}`)
  const answer = body<RehearsalAnswer>(watched)
  expect(answer).toMatchObject({ id, person: '', plan: { name: 'Watched', notes: '', madeBy: '' } })
  const own = body<RehearsalAnswer>(await visitor.get(`/api/rehearsals/${id}`))
  expect(own.shelf.oils.some(oil => oil.lots.length > 0)).toBe(true)
  const items = [...answer.shelf.oils, ...answer.shelf.scents, ...answer.shelf.colorants]
  expect(items.length).toBeGreaterThan(0)
  expect(items.length).toBeLessThan(own.shelf.oils.length)
  expect(items.every(({ lots, note }) => lots.length === 0 && note === '')).toBe(true)
  // What everybody sees is reckoned to the same batter.
  const inputOf = ({ plan: of, shelf }: RehearsalAnswer) => JSON.stringify(followingOf(of, shelf).input)
  expect(inputOf(answer)).toBe(inputOf(own))
  expect((await anyone.get(`/api/watched/${token}?since=1`)).status).toBe(204)
  expect((await anyone.get(`/api/watched/${token}?since=0`)).status).toBe(200)
  // It opens nothing else, and is known by its hash alone.
  expect((await anyone.get(`/api/rehearsals/${id}`)).status).toBe(401)
  const kept = await at.db.selectFrom('rehearsal').where('id', '=', id).select('watch_hash').executeTakeFirstOrThrow()
  expect(kept.watch_hash).not.toContain(token)
  const renewed = body<{ token: string }>(await visitor.post(`/api/rehearsals/${id}/link`).send({})).token
  expect((await anyone.get(`/api/watched/${token}`)).status).toBe(404)
  expect((await anyone.get(`/api/watched/${renewed}`)).status).toBe(200)
  expect((await visitor.delete(`/api/rehearsals/${id}/link`)).status).toBe(204)
  for (const none of [renewed, kept.watch_hash!, 'x', '%00', `${renewed}'`])
    expect((await anyone.get(`/api/watched/${encodeURIComponent(none)}`)).status).toBe(404)
})

test('questions of a script are kept, and how many were answered rightly stands in the list', async () => {
  const visitor = await signedIn()
  const batch = body<BatchAnswer>(await visitor.post('/api/batches').send({ plan: starterPlan('Asked') })).id
  const ask = (n: number) => ({
    ...{ at: { after: 'split', s: 5 }, ask: `Question ${n} ${'why '.repeat(60)}`, right: 1 },
    answers: ['Pour', 'Wait', 'x'.repeat(120), 'y'.repeat(120)],
  })
  const questions = Array.from({ length: 12 }, (_, n) => ask(n))
  const id = randomUUID()
  const script = { ...SETTING, questions, locks: { speed: 4, noAdvice: true }, deck: 2 }
  expect((await visitor.post(`/api/batches/${batch}/rehearsals`).send({ id, setting: script })).status).toBe(201)
  const { setting } = body<RehearsalAnswer>(await visitor.get(`/api/rehearsals/${id}`))
  expect(setting).toEqual(script)
  const notes = setting.questions!.slice(0, 3).map((question, n) => ({
    ...{ ...tick, key: `rehearsal:${n + 1}` },
    ...answersWith(question, question.answers[n === 2 ? 0 : 1]!),
  }))
  const done = { ...undone(), events: notes }
  expect((await visitor.put(`/api/rehearsals/${id}`).send({ revision: 1, done, score: null })).status).toBe(200)
  expect(body<RehearsalSummary[]>(await visitor.get(`/api/batches/${batch}/rehearsals`))).toMatchObject([
    { answeredRight: 2, isShared: false },
  ])
})
