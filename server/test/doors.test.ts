import { newItem } from '@ostler/core'
import type { SessionAnswer, ShelfAnswer } from '@ostler/core'
import { sql } from 'kysely'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { DEMO_SIGN_IN } from '../src/members/demo-sign-in.ts'
import { createApp } from '../src/app.ts'
import { bench, workHere } from './harness.ts'
import type { Bench } from './harness.ts'
import supertest from 'supertest'

const SET_UP = { workshopName: 'Mill', memberName: 'Ann', signInName: 'ann', password: 'ten letters or more' }

describe('the first workshop', () => {
  test('of four set-ups at once one is made', async () => {
    const at = await bench()
    const answers = await Promise.all(
      ['ann', 'ben', 'cat', 'dan'].map(signInName =>
        at
          .visitor()
          .post('/api/setup')
          .send({ ...SET_UP, signInName }),
      ),
    )
    expect(answers.map(one => one.status).sort()).toEqual([204, 409, 409, 409])
    const { rows } = await sql<{ n: string }>`select count(*) as n from workshop`.execute(at.db)
    expect(rows[0]!.n).toBe('1')
    await at.close()
  })

  test('can be set up after a demo start once the demo is turned off; a name that is taken is told', async () => {
    const at = await bench({ demo: true })
    const off = createApp({
      db: at.db,
      config: { ...at.config, demo: false },
      setUpCode: null,
      now: () => new Date(),
      work: () => workHere,
    })
    const visitor = supertest.agent(off)
    expect(((await visitor.get('/api/session')).body as SessionAnswer).needsSetUp).toBe(true)
    const taken = await visitor.post('/api/setup').send({ ...SET_UP, signInName: 'demo' })
    expect(taken.status).toBe(409)
    expect(taken.body).toMatchObject({ problems: [{ path: 'signInName' }] })
    expect((await visitor.post('/api/setup').send(SET_UP)).status).toBe(204)
    expect(((await visitor.get('/api/session')).body as SessionAnswer).workshop?.name).toBe('Mill')
    await at.close()
  })
})

describe('signing in', () => {
  let at: Bench
  beforeAll(async () => {
    at = await bench({ demo: true })
  })
  afterAll(() => at.close())
  const wrong = (signInName: string) => ({ signInName, password: 'wrong' })

  test('right passwords count towards no limit, of an address either; wrong ones of the others there stand', async () => {
    const own = await bench({ demo: true })
    const signIn = (form: object) => own.visitor().post('/api/session').send(form)
    expect((await signIn(wrong('somebody'))).status).toBe(401)
    const keyed = own.db.selectFrom('sign_in_try').where('key', 'like', 'address %')
    const { key } = await keyed.select('key').executeTakeFirstOrThrow()
    const at = new Date()
    const before = Array.from({ length: 298 }, () => ({ key, at }))
    await own.db.insertInto('sign_in_try').values(before).execute()
    for (let i = 0; i < 4; i += 1) expect((await signIn(DEMO_SIGN_IN)).status).toBe(204)
    expect(await keyed.select('at').execute()).toHaveLength(299)
    expect((await signIn(wrong('another'))).status).toBe(401)
    expect((await signIn(DEMO_SIGN_IN)).status).toBe(429)
    await own.close()
  })

  test('capitals, spaces, a restart or many at once do not evade the limit, and others are let in', async () => {
    const forms = ['carl', 'Carl', ' carl', 'CARL ', 'carl', 'carl', 'carl', 'carl']
    const first = await Promise.all(forms.map(name => at.visitor().post('/api/session').send(wrong(name))))
    expect(first.map(one => one.status)).toEqual(forms.map(() => 401))
    const restarted = createApp({
      db: at.db,
      config: at.config,
      setUpCode: null,
      now: () => new Date(),
      work: () => workHere,
    })
    expect((await supertest(restarted).post('/api/session').send(wrong('cArl'))).status).toBe(429)
    for (let i = 0; i < 60; i += 1)
      await at
        .visitor()
        .post('/api/session')
        .send(wrong(`name-${i}`))
    expect((await at.visitor().post('/api/session').send(DEMO_SIGN_IN)).status).toBe(204)
  })

  test('a new sign-in ends the session that the browser had', async () => {
    const visitor = at.visitor()
    const first = await visitor.post('/api/session').send(DEMO_SIGN_IN)
    const cookie = first.headers['set-cookie']![0]!.split(';')[0]!
    await visitor.post('/api/session').send(DEMO_SIGN_IN)
    expect((await visitor.get('/api/batches')).status).toBe(200)
    expect((await at.visitor().get('/api/batches').set('cookie', cookie)).status).toBe(401)
  })

  test('a read that races a sign-out leaves nothing good behind', async () => {
    const visitor = at.visitor()
    const signed = await visitor.post('/api/session').send(DEMO_SIGN_IN)
    const cookie = signed.headers['set-cookie']![0]!.split(';')[0]!
    await Promise.all([
      at.visitor().get('/api/batches').set('cookie', cookie),
      at.visitor().delete('/api/session').set('cookie', cookie),
      at.visitor().get('/api/batches').set('cookie', cookie),
    ])
    expect((await at.visitor().get('/api/batches').set('cookie', cookie)).status).toBe(401)
  })

  test('a name that is not this machine’s is refused on loopback', async () => {
    const from = (host: string) => at.visitor().get('/api/health').set('host', host)
    expect((await from('soap.example')).status).toBe(421)
    expect((await from('localhost:4310')).status).toBe(200)
    expect((await from('[::1]:4310')).status).toBe(200)
  })
})

describe('a shelf of thousands', () => {
  test(
    'is imported in seconds, all or nothing, and a shelf that would be too full says so',
    { timeout: 120_000 },
    async () => {
      const at = await bench({ demo: true })
      const visitor = at.visitor()
      await visitor.post('/api/session').send(DEMO_SIGN_IN)
      const before = (await visitor.get('/api/shelf')).body as ShelfAnswer
      const items = (n: number) =>
        Array.from({ length: n }, (_, i) => ({
          item: { ...newItem('oils'), id: `bulk-${i}`, name: `Bulk ${i}` },
          revision: 0,
        }))
      const many = await visitor.post('/api/shelf/import').send({ kind: 'oils', items: items(4000) })
      expect(many.status).toBe(201)
      const again = await visitor.post('/api/shelf/import').send({ kind: 'oils', items: items(3) })
      expect(again.status).toBe(409)
      const much = items(5000).map(({ item }) => ({ item: { ...item, id: `more-${item.id}` }, revision: 0 }))
      const full = await visitor.post('/api/shelf/import').send({ kind: 'oils', items: much })
      expect(full.status).toBe(400)
      expect((full.body as { sentence: string }).sentence).toContain(
        `the shelf would hold ${before.shelf.oils.length + 9000} oils, and at most 5000 fit`,
      )
      const twice = [...items(1), ...items(1)].map(({ item }) => ({ item: { ...item, id: 'twin' }, revision: 0 }))
      expect((await visitor.post('/api/shelf/import').send({ kind: 'oils', items: twice })).status).toBe(400)
      await at.close()
    },
  )
})

test('a database that is killed under requests is told as away, and the server goes on', async () => {
  const at = await bench({ demo: true })
  const visitor = at.visitor()
  await visitor.post('/api/session').send(DEMO_SIGN_IN)
  const reads = Array.from({ length: 12 }, () => visitor.get('/api/shelf'))
  const cut = sql`select pg_terminate_backend(pid) from pg_stat_activity where datname = current_database() and pid <> pg_backend_pid()`
  const [answers] = await Promise.all([Promise.all(reads), cut.execute(at.db).catch(() => undefined)])
  for (const { status } of answers) expect([200, 503]).toContain(status)
  expect((await visitor.get('/api/shelf')).status).toBe(200)
  await at.close()
})
