import { randomUUID } from 'node:crypto'
import { readPlan, say, starterPlan, undone, writePlan } from '@ostler/core'
import type { BatchAnswer, BatchList, BatchSaved, ErrorAnswer, Plan, SessionAnswer, ShelfAnswer } from '@ostler/core'
import { sql } from 'kysely'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { migrate } from '../src/database/migrate.ts'
import { DEMO_PAST } from '../src/demo/demo-records.ts'
import { DEMO_SIGN_IN } from '../src/members/demo-sign-in.ts'
import { bench, sentChanges, workHere } from './harness.ts'
import type { Bench } from './harness.ts'

const SET_UP = {
  workshopName: 'Back Room',
  memberName: 'First maker',
  signInName: 'first',
  password: 'a long enough one',
}
const plan = starterPlan('Trial')
const body = <T>(response: { body: unknown }): T => response.body as T
const renamed = (name: string): Plan => ({ ...plan, name })

describe('first run', () => {
  let at: Bench
  beforeAll(async () => {
    at = await bench()
  })
  afterAll(() => at.close())

  test('offers to create the workshop once, and signs its first member in', async () => {
    const visitor = at.visitor()
    expect(body<SessionAnswer>(await visitor.get('/api/session'))).toMatchObject({
      needsSetUp: true,
      demo: null,
      member: null,
    })
    const short = await visitor.post('/api/setup').send({ ...SET_UP, password: 'short' })
    expect(short.status).toBe(400)
    expect(body<ErrorAnswer>(short).problems?.[0]).toMatchObject({ path: 'password' })
    expect((await visitor.post('/api/setup').send(SET_UP)).status).toBe(204)
    expect(body<SessionAnswer>(await visitor.get('/api/session')).workshop?.name).toBe('Back Room')
    expect(
      (
        await at
          .visitor()
          .post('/api/setup')
          .send({ ...SET_UP, signInName: 'second' })
      ).status,
    ).toBe(409)
  })

  test('migrating again changes nothing', async () => {
    await migrate(at.db)
    expect((await at.visitor().get('/api/session')).status).toBe(200)
  })
})

test('set-up from another machine asks for the code in the terminal', async () => {
  const at = await bench({ host: '0.0.0.0', setUpCode: 'abc123' })
  expect(body<SessionAnswer>(await at.visitor().get('/api/session')).needsSetUpCode).toBe(true)
  expect((await at.visitor().post('/api/setup').send(SET_UP)).status).toBe(403)
  expect(
    (
      await at
        .visitor()
        .post('/api/setup')
        .send({ ...SET_UP, setUpCode: 'abc123' })
    ).status,
  ).toBe(204)
  await at.close()
})

describe('a workshop with the demo', () => {
  let at: Bench
  beforeAll(async () => {
    at = await bench({ demo: true })
  })
  afterAll(() => at.close())

  const signedIn = async () => {
    const visitor = at.visitor()
    expect((await visitor.post('/api/session').send(DEMO_SIGN_IN)).status).toBe(204)
    return visitor
  }

  test('sign-in sets a cookie that scripts and other sites do not get; sign-out ends it', async () => {
    const visitor = at.visitor()
    const response = await visitor.post('/api/session').send(DEMO_SIGN_IN)
    expect(response.headers['set-cookie']?.[0]).toMatch(/^ostler_session=[\w-]{43}; .*HttpOnly; SameSite=Strict/)
    expect((await visitor.get('/api/batches')).status).toBe(200)
    await visitor.delete('/api/session')
    expect((await visitor.get('/api/batches')).status).toBe(401)
  })

  test('wrong passwords are refused, and limited for a name', async () => {
    const visitor = at.visitor()
    const statuses: number[] = []
    for (let i = 0; i < 10; i += 1) {
      statuses.push((await visitor.post('/api/session').send({ signInName: 'nobody', password: 'wrong' })).status)
    }
    expect(statuses[0]).toBe(401)
    expect(statuses.at(-1)).toBe(429)
    expect((await visitor.post('/api/session').send(DEMO_SIGN_IN)).status).toBe(204)
  })

  test('the usual headers stand on pages and answers', async () => {
    const { headers } = await at.visitor().get('/api/health')
    expect(headers['content-security-policy']).toMatch(/default-src 'self'.*frame-ancestors 'none'/)
    expect(headers['x-content-type-options']).toBe('nosniff')
    expect(headers['x-powered-by']).toBeUndefined()
  })

  test('a write from another site is refused', async () => {
    const visitor = await signedIn()
    const from = (name: string, value: string) => visitor.post('/api/batches').set(name, value).send({ plan })
    expect((await from('origin', 'https://elsewhere.example')).status).toBe(403)
    expect((await from('origin', 'null')).status).toBe(403)
    expect((await from('sec-fetch-site', 'cross-site')).status).toBe(403)
    const form = await visitor.post('/api/batches').type('form').send('plan=1')
    expect(form.status).toBe(415)
  })

  test('the demo has ten batches to be made, some that were, and a shelf', async () => {
    const visitor = await signedIn()
    const { batches } = body<BatchList>(await visitor.get('/api/batches'))
    const past = new Set(DEMO_PAST.map(one => one.name))
    const ahead = batches.filter(batch => !past.has(batch.name))
    expect(batches.length - ahead.length).toBe(past.size)
    expect(ahead.map(batch => batch.layers).sort()).toEqual([2, 3, 5, 6, 7, 5, 7, 10, 19, 5].sort())
    expect(body<ShelfAnswer>(await visitor.get('/api/shelf')).shelf.oils.length).toBeGreaterThan(5)
  })

  test('search goes by name, note, cup and scent; its signs are only letters', async () => {
    const visitor = await signedIn()
    const names = async (search: string) =>
      body<BatchList>(await visitor.get(`/api/batches?search=${encodeURIComponent(search)}`)).batches.map(
        batch => batch.name,
      )
    expect(await names('fathom')).toEqual(['Seven Fathoms'])
    expect(await names('kelp')).toEqual(['Seven Fathoms', 'Slack Water'])
    expect(await names('rosebox')).toEqual(['Verdigris Stair', 'Cinder Path'])
    expect(await names('stone slate')).toEqual(['Quarry Bench', 'Old Quay'])
    expect(await names('%')).toEqual([])
  })

  test('a plan comes back as it was stored', async () => {
    const visitor = await signedIn()
    const { id } = body<BatchAnswer>(await visitor.post('/api/batches').send({ plan }))
    const read = readPlan(body<BatchAnswer>(await visitor.get(`/api/batches/${id}`)).plan)
    expect(read.ok && writePlan(read.plan)).toBe(writePlan(plan))
  })

  test('changes are made on what stands there: others’ are kept, and both are told what came of it', async () => {
    const visitor = await signedIn()
    const { id } = body<BatchAnswer>(await visitor.post('/api/batches').send({ plan }))
    const patch = (after: Plan, changeId?: string) =>
      visitor.patch(`/api/batches/${id}`).send(sentChanges(1, plan, after, changeId))
    const first = body<BatchSaved>(await patch(renamed('First tab')))
    expect(first).toMatchObject({ revision: 2, plan: null })
    const warmer = { ...plan, conditions: { ...plan.conditions, mixC: 41 } }
    const changeId = crypto.randomUUID()
    const second = body<BatchSaved>(await patch(warmer, changeId))
    expect(second).toMatchObject({ revision: 3, plan: { name: 'First tab', conditions: { mixC: 41 } } })
    // An answer that was lost: the same changes are not made again.
    expect(body<BatchSaved>(await patch(warmer, changeId))).toMatchObject({ revision: 3 })
    expect(body<BatchAnswer>(await visitor.get(`/api/batches/${id}`)).revision).toBe(3)
  })

  describe('while somebody types on', () => {
    const typing = async () => {
      const visitor = await signedIn()
      const { id } = body<BatchAnswer>(await visitor.post('/api/batches').send({ plan }))
      let revision = 1
      let now = plan
      const type = async (notes: string, changeId?: string) => {
        const after = { ...now, notes }
        const response = await visitor.patch(`/api/batches/${id}`).send(sentChanges(revision, now, after, changeId))
        if (response.status === 200) [revision, now] = [body<BatchSaved>(response).revision, after]
        return response
      }
      const stored = async () => body<BatchAnswer>(await visitor.get(`/api/batches/${id}`))
      return { visitor, id, type, stored }
    }

    test('every change is made on the one before, and all are kept', async () => {
      const { id, visitor, type, stored } = await typing()
      for (let n = 0; n < 6; n += 1) expect((await type(`so far ${n}`)).body).toMatchObject({ revision: n + 2 })
      const { plan: kept, revision } = await stored()
      expect(revision).toBe(7)
      const read = readPlan(kept)
      expect(read.ok && writePlan(read.plan)).toBe(writePlan({ ...plan, notes: 'so far 5' }))
      const third = await visitor.get(`/api/batches/${id}/history/4`)
      expect(third.body).toMatchObject({ plan: { notes: 'so far 2' } })
    })

    test('changes that were made before are not made again, although the plan is at hand', async () => {
      const { id, visitor, type, stored } = await typing()
      await type('one')
      const changeId = crypto.randomUUID()
      await type('two', changeId)
      await type('three')
      const again = sentChanges(2, { ...plan, notes: 'one' }, { ...plan, notes: 'two' }, changeId)
      expect((await visitor.patch(`/api/batches/${id}`).send(again)).body).toMatchObject({ revision: 4 })
      // The same name on other changes says that they were made: they are not made a second time.
      expect((await type('four', changeId)).body).toMatchObject({ revision: 4 })
      expect(await stored()).toMatchObject({ revision: 4, plan: { notes: 'three' } })
    })

    test('a plan that was put there otherwise is built upon, not the one that is remembered', async () => {
      const { id, type, stored } = await typing()
      await type('remembered')
      // A copy of the database that was had back: the same batch at the same revision, another plan.
      const other = JSON.stringify({ ...plan, notes: 'remembered', name: 'From the copy' })
      await sql`update batch set plan = ${other}::jsonb, updated_at = updated_at - interval '1 day' where id = ${id}`.execute(
        at.db,
      )
      expect((await type('typed on')).body).toMatchObject({ revision: 3 })
      expect(await stored()).toMatchObject({ revision: 3, plan: { name: 'From the copy', notes: 'typed on' } })
    })

    test('a batch that was deleted meanwhile is told', async () => {
      const { id, visitor, type } = await typing()
      await type('still there')
      await visitor.delete(`/api/batches/${id}`)
      expect((await type('gone')).status).toBe(404)
    })
  })

  test('two that change the same are told what, and nothing is overwritten', async () => {
    const visitor = await signedIn()
    const { id } = body<BatchAnswer>(await visitor.post('/api/batches').send({ plan }))
    const patch = (name: string) =>
      visitor.patch(`/api/batches/${id}`).send(sentChanges(1, plan, { ...renamed(name), notes: name }))
    const answers = await Promise.all([patch('A'), patch('B'), patch('C')])
    expect(answers.map(response => response.status).sort()).toEqual([200, 409, 409])
    const late = answers.find(response => response.status === 409)!
    const answered = body<ErrorAnswer>(late)
    expect(answered).toMatchObject({ current: { revision: 2 } })
    expect(answered.parts!.map(part => say(part))).toEqual(['name', 'notes'])
    const kept = body<BatchAnswer>(await visitor.get(`/api/batches/${id}`)).plan
    expect(kept.name).toBe(kept.notes)
  })

  test('changes that make no plan are refused by field; together with others’ they are asked about', async () => {
    const visitor = await signedIn()
    const { id } = body<BatchAnswer>(await visitor.post('/api/batches').send({ plan }))
    const send = (sent: object) => visitor.patch(`/api/batches/${id}`).send(sent)
    const bad = { ...plan, recipe: { ...plan.recipe, superfatShare: 0.9 } }
    const refused = await send(sentChanges(1, plan, bad))
    expect(refused.status).toBe(400)
    expect(body<ErrorAnswer>(refused).problems?.[0]?.path).toBe('recipe.superfatShare')
    const without = { ...plan, cups: plan.cups.slice(0, 2), score: plan.score.slice(0, 2) }
    expect((await send(sentChanges(1, plan, without))).status).toBe(200)
    const again = { ...plan, score: [...plan.score, { ...plan.score[2]!, id: 'pour-9' }] }
    expect((await send(sentChanges(1, plan, again))).status).toBe(409)
    for (const odd of [{}, { changes: [] }, { id, revision: 1, changes: [{ at: [] }] }, { id: 1, changes: 'x' }])
      expect((await send(odd)).status).toBe(400)
  })

  test('delete can be taken back', async () => {
    const visitor = await signedIn()
    const { id } = body<BatchAnswer>(await visitor.post('/api/batches').send({ plan }))
    expect((await visitor.delete(`/api/batches/${id}`)).status).toBe(204)
    expect((await visitor.get(`/api/batches/${id}`)).status).toBe(410)
    expect((await visitor.post(`/api/batches/${id}/restore`)).status).toBe(204)
    expect((await visitor.get(`/api/batches/${id}`)).status).toBe(200)
  })

  test('a duplicate is a batch of its own', async () => {
    const visitor = await signedIn()
    const first = body<BatchAnswer>(await visitor.post('/api/batches').send({ plan }))
    const copy = body<BatchAnswer>(await visitor.post(`/api/batches/${first.id}/duplicate`))
    expect(copy).toMatchObject({ name: 'Trial, copy', revision: 1 })
    expect(copy.id).not.toBe(first.id)
  })

  test('bad plans get problems by field; bad bodies a sentence; nothing inside shows', async () => {
    const visitor = await signedIn()
    const bad = await visitor
      .post('/api/batches')
      .send({ plan: { ...plan, recipe: { ...plan.recipe, superfatShare: -1 } } })
    expect(bad.status).toBe(400)
    expect(body<ErrorAnswer>(bad).problems?.[0]?.path).toBe('recipe.superfatShare')
    const raw = (text: string) => visitor.post('/api/batches').set('content-type', 'application/json').send(text)
    expect((await raw('{"plan":')).status).toBe(400)
    expect((await raw(`{"plan":"${'x'.repeat(400_000)}"}`)).status).toBe(413)
    expect((await raw('{"plan":null}')).status).toBe(400)
    expect((await visitor.get('/api/batches/not-an-id')).status).toBe(404)
    expect((await visitor.get('/api/nowhere')).status).toBe(404)
    const sent = { ...sentChanges(1, plan, renamed('X')), revision: 'x' }
    expect((await visitor.patch(`/api/batches/${crypto.randomUUID()}`).send(sent)).status).toBe(400)
  })

  test('units are the workshop’s own', async () => {
    const visitor = await signedIn()
    expect(
      (await visitor.put('/api/workshop/habits').send({ mass: 'stone', temperature: 'C', length: 'mm' })).status,
    ).toBe(400)
    expect(
      (await visitor.put('/api/workshop/habits').send({ mass: 'oz', temperature: 'F', length: 'in' })).status,
    ).toBe(204)
    expect(body<SessionAnswer>(await visitor.get('/api/session')).workshop?.habits.mass).toBe('oz')
  })

  test('another workshop sees and changes none of it', async () => {
    const visitor = await signedIn()
    const { id } = body<BatchAnswer>(await visitor.post('/api/batches').send({ plan }))
    const other = await at.db.insertInto('workshop').values({ name: 'Other' }).returning('id').executeTakeFirstOrThrow()
    const { password_hash } = await at.db.selectFrom('member').select('password_hash').executeTakeFirstOrThrow()
    await at.db
      .insertInto('member')
      .values({ workshop_id: other.id, name: 'Other maker', sign_in_name: 'other', password_hash })
      .execute()
    const stranger = at.visitor()
    await stranger.post('/api/session').send({ signInName: 'other', password: DEMO_SIGN_IN.password })
    expect(body<BatchList>(await stranger.get('/api/batches'))).toEqual({ batches: [], next: null })
    expect(body<ShelfAnswer>(await stranger.get('/api/shelf')).shelf.oils).toEqual([])
    const rehearsal = { id: randomUUID(), setting: { seed: 1, level: 'none', begins: 'lye' } }
    expect((await visitor.post(`/api/batches/${id}/rehearsals`).send(rehearsal)).status).toBe(201)
    expect(body(await stranger.get(`/api/batches/${id}/rehearsals`))).toEqual([])
    const answers = [
      await stranger.post(`/api/batches/${id}/rehearsals`).send({ ...rehearsal, id: randomUUID() }),
      await stranger.get(`/api/rehearsals/${rehearsal.id}`),
      await stranger.put(`/api/rehearsals/${rehearsal.id}`).send({ revision: 1, done: undone(), score: 100 }),
      await stranger.delete(`/api/rehearsals/${rehearsal.id}`),
      await stranger.get(`/api/batches/${id}`),
      await stranger.get(`/api/batches/${id}/face`),
      await stranger.patch(`/api/batches/${id}`).send(sentChanges(1, plan, renamed('Theirs'))),
      await stranger.delete(`/api/batches/${id}`),
      await stranger.post(`/api/batches/${id}/duplicate`),
      await stranger.post(`/api/batches/${id}/restore`),
    ]
    expect(answers.map(answer => answer.status)).toEqual(answers.map(() => 404))
    expect((await visitor.get(`/api/batches/${id}`)).status).toBe(200)
  })

  test('a database that is away is said in a sentence', async () => {
    const gone = await bench({ demo: true })
    const visitor = gone.visitor()
    expect((await visitor.get('/api/session')).status).toBe(200)
    await gone.inside.destroy()
    const answer = await visitor.get('/api/session')
    expect(answer.status).toBeGreaterThanOrEqual(500)
    expect(JSON.stringify(answer.body)).not.toMatch(/Error|pool|destroy|kysely/i)
    await gone.close().catch(() => undefined)
  })
})

test('off loopback the demo member cannot sign in unless asked for', async () => {
  const at = await bench({ demo: true })
  const outside = await import('../src/app.ts').then(({ createApp }) =>
    createApp({
      db: at.db,
      config: { ...at.config, isLoopback: false, demo: false },
      setUpCode: null,
      now: () => new Date(),
      work: () => workHere,
    }),
  )
  const { default: supertest } = await import('supertest')
  expect((await supertest(outside).post('/api/session').send(DEMO_SIGN_IN)).status).toBe(401)
  expect(body<SessionAnswer>(await supertest(outside).get('/api/session')).demo).toBeNull()
  await at.close()
})
