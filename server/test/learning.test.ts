import { PLAN_VERSION, WINDOW_KINDS, referenceShelf, starterPlan } from '@ostler/core'
import type { BatchAnswer, ErrorAnswer, Plan, ShelfAnswer } from '@ostler/core'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import type { Learner } from '../src/work/learner.ts'
import { DEMO_SIGN_IN } from '../src/members/demo-sign-in.ts'
import { bench, sentChanges } from './harness.ts'
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
type Visitor = Awaited<ReturnType<typeof signedIn>>

const learner = () => at.app.locals['learning'] as Learner
const evidence = async (visitor: Visitor, name: string) => {
  await learner().idle()
  const { shelf } = body<ShelfAnswer>(await visitor.get('/api/shelf'))
  return shelf.evidence.find(one => one.name === name)
}
const seenPlan = (name: string, level: number): Plan => {
  const plan = starterPlan(name)
  return { ...plan, seen: [{ cup: plan.cups[0]!.id, atMin: 3, level, by: 'eye' }] }
}

describe('what batches teach', () => {
  test('readings of a batch stand on the shelf, follow its changes, and go when it is deleted', async () => {
    const visitor = await signedIn()
    const batch = body<BatchAnswer>(await visitor.post('/api/batches').send({ plan: seenPlan('Teacher', 2.6) }))
    const first = await evidence(visitor, 'Teacher')
    expect(first).toMatchObject({ batch: batch.id, counts: true, observations: [{ stage: 'plain' }] })
    const change = sentChanges(batch.revision, batch.plan, seenPlan('Teacher', 2.2))
    expect((await visitor.patch(`/api/batches/${batch.id}`).send(change)).status).toBe(200)
    const second = await evidence(visitor, 'Teacher')
    expect(second!.observations[0]!.value).toBeLessThan(first!.observations[0]!.value)
    await visitor.delete(`/api/batches/${batch.id}`)
    expect(await evidence(visitor, 'Teacher')).toBeUndefined()
    await visitor.post(`/api/batches/${batch.id}/restore`)
    expect(await evidence(visitor, 'Teacher')).toEqual(second)
  })

  test('what older models made of readings is worked out anew; of a plan that cannot be read it is brought over', async () => {
    const visitor = await signedIn()
    const batch = body<BatchAnswer>(await visitor.post('/api/batches').send({ plan: seenPlan('Elder', 2.6) }))
    const first = await evidence(visitor, 'Elder')
    const old = { ...first!, observations: [{ ...first!.observations[0]!, value: 9 }] }
    // As it stands after an update, before the server has started again.
    const age = () =>
      at.db
        .updateTable('evidence')
        .set({ model_version: 1, evidence: JSON.stringify(old) })
        .where('batch_id', '=', batch.id)
        .returning('workshop_id')
        .executeTakeFirstOrThrow()
    const { workshop_id: workshop } = await age()
    expect(await evidence(visitor, 'Elder')).toBeUndefined()
    learner().look(workshop)
    expect(await evidence(visitor, 'Elder')).toEqual(first)
    await age()
    await at.db
      .updateTable('batch')
      .set({ plan: JSON.stringify({ ...batch.plan, version: PLAN_VERSION, recipe: 'gone' }) })
      .where('id', '=', batch.id)
      .execute()
    learner().look(workshop)
    const brought = await evidence(visitor, 'Elder')
    expect(brought).toMatchObject({ formerModel: true, counts: true })
    expect(brought!.observations[0]!.value).toBeCloseTo(9.017, 2)
    expect(brought!.observations[0]!.variance).toBeGreaterThan(first!.observations[0]!.variance)
    await visitor.delete(`/api/batches/${batch.id}`)
  })

  test('readings taken out of a batch teach no more', async () => {
    const visitor = await signedIn()
    const batch = body<BatchAnswer>(await visitor.post('/api/batches').send({ plan: seenPlan('Fickle', 3) }))
    expect(await evidence(visitor, 'Fickle')).toBeDefined()
    await visitor.patch(`/api/batches/${batch.id}`).send(sentChanges(1, batch.plan, starterPlan('Fickle')))
    expect(await evidence(visitor, 'Fickle')).toBeUndefined()
  })

  test('a batch can be set aside and taken back; that outlasts its changes', async () => {
    const visitor = await signedIn()
    const batch = body<BatchAnswer>(await visitor.post('/api/batches').send({ plan: seenPlan('Odd one', 2.8) }))
    expect((await evidence(visitor, 'Odd one'))!.counts).toBe(true)
    expect((await visitor.put(`/api/evidence/${batch.id}`).send({ counts: false })).status).toBe(204)
    expect((await evidence(visitor, 'Odd one'))!.counts).toBe(false)
    await visitor.patch(`/api/batches/${batch.id}`).send(sentChanges(1, batch.plan, seenPlan('Odd one', 2.9)))
    expect((await evidence(visitor, 'Odd one'))!.counts).toBe(false)
  })

  test.each([
    ['not-an-id', { counts: true }, 404],
    ['00000000-0000-4000-8000-000000000000', { counts: true }, 404],
    ['00000000-0000-4000-8000-000000000000', { counts: 'yes' }, 400],
    ['00000000-0000-4000-8000-000000000000', {}, 400],
  ])('%s with %j is refused with %d', async (id, form, status) => {
    const answer = await (await signedIn()).put(`/api/evidence/${id}`).send(form)
    expect(answer.status).toBe(status)
    expect(body<ErrorAnswer>(answer).sentence).toMatch(/\.$/)
  })

  test('nobody sets aside what belongs to another workshop, or without signing in', async () => {
    const visitor = await signedIn()
    const batch = body<BatchAnswer>(await visitor.post('/api/batches').send({ plan: seenPlan('Mine', 2.8) }))
    await evidence(visitor, 'Mine')
    expect((await at.visitor().put(`/api/evidence/${batch.id}`).send({ counts: false })).status).toBe(401)
    expect((await evidence(visitor, 'Mine'))!.counts).toBe(true)
  })
})

describe('windows of the workshop', () => {
  test('are kept and stand on the shelf', async () => {
    const visitor = await signedIn()
    const windows = [{ kind: 'layer', lo: 1.8, hi: 3.4 }]
    expect((await visitor.put('/api/shelf/windows').send({ windows })).status).toBe(204)
    expect(body<ShelfAnswer>(await visitor.get('/api/shelf')).shelf.windows).toEqual(windows)
    expect((await visitor.put('/api/shelf/windows').send({ windows: [] })).status).toBe(204)
    expect(body<ShelfAnswer>(await visitor.get('/api/shelf')).shelf.windows).toEqual(referenceShelf().windows)
  })

  test.each([
    [{ kind: 'layer', lo: 3, hi: 3.1 }, new RegExp(WINDOW_KINDS.layer)],
    [{ kind: 'cats', lo: 1, hi: 3 }, /one of the known/],
    [{ kind: 'layer', lo: 0, hi: 3 }, /starts at trace/],
  ])('%j is refused with a sentence', async (window, sentence) => {
    const answer = await (await signedIn()).put('/api/shelf/windows').send({ windows: [window] })
    expect(answer.status).toBe(400)
    expect(body<ErrorAnswer>(answer).sentence).toMatch(sentence)
  })
})

describe('times of the workshop', () => {
  test('are kept, stand on the shelf of this workshop alone, and go back to the usual', async () => {
    const visitor = await signedIn()
    const times = [{ kind: 'pour', seconds: 62.5 }]
    expect((await visitor.put('/api/shelf/times').send({ times })).status).toBe(204)
    expect(body<ShelfAnswer>(await visitor.get('/api/shelf')).shelf.times).toEqual(times)
    expect((await visitor.put('/api/shelf/times').send({ times: [] })).status).toBe(204)
    expect(body<ShelfAnswer>(await visitor.get('/api/shelf')).shelf.times).toEqual([])
  })

  test.each([
    [{ kind: 'pour', seconds: 0 }, /half a second to ten minutes/],
    [{ kind: 'naps', seconds: 20 }, /one of the known/],
    [{ kind: 'pour', seconds: 'long' }, /half a second to ten minutes/],
  ])('%j is refused with a sentence', async (time, sentence) => {
    const answer = await (await signedIn()).put('/api/shelf/times').send({ times: [time] })
    expect(answer.status).toBe(400)
    expect(body<ErrorAnswer>(answer).sentence).toMatch(sentence)
  })
})
