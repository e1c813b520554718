import { starterPlan } from '@ostler/core'
import type { BatchList, ErrorAnswer } from '@ostler/core'
import { sql } from 'kysely'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import supertest from 'supertest'
import { configFrom } from '../src/config.ts'
import { lotStore } from '../src/lots/store.ts'
import { trialStore } from '../src/trials/store.ts'
import { recordStore } from '../src/record/store.ts'
import { loadDemo } from '../src/demo/demo.ts'
import { DEMO_SIGN_IN } from '../src/members/demo-sign-in.ts'
import { batchStore } from '../src/batches/store.ts'
import { createApp } from '../src/app.ts'
import { memberStore } from '../src/members/store.ts'
import { designStore } from '../src/designs/store.ts'
import { recipeStore } from '../src/recipes/store.ts'
import { shelfStore } from '../src/shelf/store.ts'
import { bench, workHere } from './harness.ts'
import type { Bench } from './harness.ts'

const DAY_MS = 86_400_000
const plan = starterPlan('Trial')

describe('settings', () => {
  const base = { DATABASE_URL: 'postgresql://x' }
  test('the demo is on by default on loopback, and elsewhere only when asked for', () => {
    expect(configFrom(base).demo).toBe(true)
    expect(configFrom({ ...base, OSTLER_DEMO: '0' }).demo).toBe(false)
    expect(configFrom({ ...base, HOST: '0.0.0.0' }).demo).toBe(false)
    expect(configFrom({ ...base, HOST: '0.0.0.0', OSTLER_DEMO: '1' }).demo).toBe(true)
  })

  test('what is missing or wrong is named', () => {
    expect(() => configFrom({})).toThrow(/DATABASE_URL/)
    expect(() => configFrom({ ...base, PORT: 'soap' })).toThrow(/PORT "soap"/)
    expect(() => configFrom({ ...base, PORT: '70000' })).toThrow(/PORT/)
  })
})

describe('the database holds its own line', () => {
  let at: Bench
  let workshopId: string
  beforeAll(async () => {
    at = await bench({ demo: true })
    workshopId = (await at.db.selectFrom('workshop').select('id').executeTakeFirstOrThrow()).id
  })
  afterAll(() => at.close())

  const insert = (table: string, columns: string, values: string) =>
    sql.raw(`insert into ${table} (${columns}) values (${values})`).execute(at.db)

  test.each<[string, string, string, string]>([
    [
      'a batch without a workshop',
      'batch',
      'workshop_id, plan',
      `gen_random_uuid(), '{"format":"ostler-plan","name":"x"}'`,
    ],
    ['a batch that is no plan', 'batch', 'workshop_id, plan', `'$W', '{"format":"x","name":"x"}'`],
    ['a batch without a name', 'batch', 'workshop_id, plan', `'$W', '{"format":"ostler-plan","name":""}'`],
    ['a revision of 0', 'batch', 'workshop_id, revision, plan', `'$W', 0, '{"format":"ostler-plan","name":"x"}'`],
    [
      'a password in the clear',
      'member',
      'workshop_id, name, sign_in_name, password_hash',
      `'$W', 'x', 'xyz', 'secret'`,
    ],
    [
      'a second sign-in of one name',
      'member',
      'workshop_id, name, sign_in_name, password_hash',
      `'$W', 'x', 'demo', '$argon2id$x'`,
    ],
    ['a second demo workshop', 'workshop', 'name, is_demo', `'x', true`],
    ['a shelf item of no known kind', 'shelf_item', 'workshop_id, kind, id, item', `'$W', 'cats', 'x', '{"id":"x"}'`],
    ['a shelf item under another id', 'shelf_item', 'workshop_id, kind, id, item', `'$W', 'oils', 'x', '{"id":"y"}'`],
  ])('%s is refused', async (_, table, columns, values) => {
    await expect(insert(table, columns, values.replace('$W', workshopId))).rejects.toThrow(/violates/)
  })

  test('every table carries the workshop’s id, and every key to another row carries it along', async () => {
    const without = await sql<{ name: string }>`
      select t.table_name as name from information_schema.tables t
      where t.table_schema = 'public' and not exists (
        select 1 from information_schema.columns c
        where c.table_schema = 'public' and c.table_name = t.table_name
          and c.column_name = 'workshop_id' and c.is_nullable = 'NO')
      order by 1`.execute(at.db)
    // Tries to sign in come before anybody is known.
    expect(without.rows.map(({ name }) => name)).toEqual([
      'kysely_migration',
      'kysely_migration_lock',
      'sign_in_try',
      'workshop',
    ])
    const keys = await sql<{ key: string }>`
      select conrelid::regclass || ' to ' || confrelid::regclass as key from pg_constraint
      where contype = 'f' and confrelid <> 'workshop'::regclass and not exists (
        select 1 from unnest(conkey) k
        join pg_attribute a on a.attrelid = conrelid and a.attnum = k and a.attname = 'workshop_id')`.execute(at.db)
    expect(keys.rows).toEqual([])
  })

  test('rows are told apart by the workshop first, so that it can be what they are spread by', async () => {
    const keys = await sql<{ name: string }>`
      select conrelid::regclass::text as name from pg_constraint
      join pg_attribute a on a.attrelid = conrelid and a.attnum = conkey[1]
      where contype = 'p' and connamespace = 'public'::regnamespace and a.attname <> 'workshop_id' and conrelid::regclass::text !~ '^kysely'
      order by 1`.execute(at.db)
    // What is looked up before anybody knows whose it is: a link, a way in, a session.
    expect(keys.rows.map(({ name }) => name)).toEqual(['session', 'share', 'way_in', 'workshop'])
  })

  test('a session cannot join a member to another workshop', async () => {
    const member = await at.db.selectFrom('member').select('id').executeTakeFirstOrThrow()
    const other = await at.db.insertInto('workshop').values({ name: 'Other' }).returning('id').executeTakeFirstOrThrow()
    const row = { token_hash: 'x', member_id: member.id, workshop_id: other.id, expires_at: new Date() }
    await expect(at.db.insertInto('session').values(row).execute()).rejects.toThrow(/violates foreign key/)
  })

  test('the demo is loaded once, and never beside a workshop', async () => {
    const before = await at.db.selectFrom('batch').select('id').execute()
    await loadDemo({
      members: memberStore(at.db),
      batches: batchStore(at.db),
      shelf: shelfStore(at.db),
      recipes: recipeStore(at.db),
      designs: designStore(at.db),
      records: recordStore(at.db),
      lots: lotStore(at.db),
      trials: trialStore(at.db),
      db: at.db,
    })
    expect(await at.db.selectFrom('batch').select('id').execute()).toHaveLength(before.length)
  })

  test('neither passwords nor session tokens are stored', async () => {
    const visitor = at.visitor()
    const response = await visitor.post('/api/session').send(DEMO_SIGN_IN)
    const token = /ostler_session=([\w-]+)/.exec(response.headers['set-cookie']![0]!)![1]!
    const rows = JSON.stringify([
      await at.db.selectFrom('member').selectAll().execute(),
      await at.db.selectFrom('session').selectAll().execute(),
    ])
    expect(rows).not.toContain(token)
    expect(rows).not.toContain(DEMO_SIGN_IN.password)
    expect(rows).toContain('$argon2id$')
  })
})

describe('sessions', () => {
  test('end after thirty days, and old ones are cleared away', async () => {
    const at = await bench({ demo: true })
    let now = new Date()
    const app = createApp({ db: at.db, config: at.config, setUpCode: null, now: () => now, work: () => workHere })
    const visitor = supertest.agent(app)
    await visitor.post('/api/session').send(DEMO_SIGN_IN)
    expect((await visitor.get('/api/batches')).status).toBe(200)
    now = new Date(now.getTime() + 29 * DAY_MS)
    expect((await visitor.get('/api/batches')).status).toBe(200)
    now = new Date(now.getTime() + 2 * DAY_MS)
    expect((await visitor.get('/api/batches')).status).toBe(401)
    await supertest(app).post('/api/session').send(DEMO_SIGN_IN)
    expect(await at.db.selectFrom('session').select('token_hash').execute()).toHaveLength(1)
    await at.close()
  })

  test('a made-up cookie is nobody', async () => {
    const at = await bench({ demo: true })
    for (const cookie of [
      'ostler_session=x',
      'ostler_session=',
      `ostler_session=${'a'.repeat(4000)}`,
      'ostler_session=%00',
    ]) {
      expect((await at.visitor().get('/api/batches').set('cookie', cookie)).status).toBe(401)
    }
    await at.close()
  })

  test('the cookie is for https alone where that is set', async () => {
    const at = await bench({ demo: true })
    const app = createApp({
      db: at.db,
      config: { ...at.config, secureCookie: true },
      setUpCode: null,
      now: () => new Date(),
      work: () => workHere,
    })
    const response = await supertest(app).post('/api/session').send(DEMO_SIGN_IN)
    expect(response.headers['set-cookie']![0]).toMatch(/; Secure/)
    await at.close()
  })
})

describe('strange requests', () => {
  let at: Bench
  let visitor: ReturnType<Bench['visitor']>
  beforeAll(async () => {
    at = await bench({ demo: true })
    visitor = at.visitor()
    await visitor.post('/api/session').send(DEMO_SIGN_IN)
  })
  afterAll(() => at.close())

  test.each([`'; drop table batch; --`, '\\', '_____', 'a'.repeat(5000), '💧', ') or 1=1'])(
    'a search for %j finds nothing and breaks nothing',
    async search => {
      const response = await visitor.get(`/api/batches?search=${encodeURIComponent(search)}`)
      expect(response.status).toBe(200)
      expect(response.body).toEqual({ batches: [], next: null })
    },
  )

  test('a search that is a list or an object is no search', async () => {
    const { batches } = (await visitor.get('/api/batches?search[]=x&search[]=y')).body as BatchList
    expect(batches).toHaveLength(16)
  })

  test.each([
    ['/assets/none.js', 404],
    ['/api/batches/%E0%A4%A', 400],
    ['/%E0%A4%A', 400],
    ['/api/../../etc/passwd', 404],
    ['/assets/%2e%2e/%2e%2e/package.json', 403],
  ])('%s is answered with %d and a sentence', async (path, status) => {
    const response = await visitor.get(path)
    expect(response.status).toBe(status)
    expect((response.body as ErrorAnswer).sentence).toMatch(/\.$/)
  })

  test('names in every script are kept to the letter', async () => {
    for (const name of ['Морская пена', '海の底', 'Ñandú ✶ "quoted" <b>', 'é'.normalize('NFD')]) {
      const { id } = (await visitor.post('/api/batches').send({ plan: { ...plan, name } })).body as { id: string }
      expect((await visitor.get(`/api/batches/${id}`)).body).toMatchObject({ name })
    }
  })

  test('signs that a database cannot hold are refused with a sentence', async () => {
    const response = await visitor.post('/api/batches').send({ plan: { ...plan, name: 'a\u0000b' } })
    expect(response.status).toBe(400)
    expect((response.body as ErrorAnswer).problems?.[0]?.path).toBe('name')
  })

  test('forms refuse what they do not know and what is no object', async () => {
    const send = (body: object) => visitor.post('/api/session').send(body)
    expect((await send({ ...DEMO_SIGN_IN, admin: true })).status).toBe(400)
    expect((await send({ signInName: { $ne: '' }, password: 'x' })).status).toBe(400)
    expect((await send([])).status).toBe(400)
  })

  test('a batch that another workshop’s id is typed into is still this workshop’s', async () => {
    const other = await at.db.insertInto('workshop').values({ name: 'Other' }).returning('id').executeTakeFirstOrThrow()
    const response = await visitor.post('/api/batches').send({ plan, workshopId: other.id, workshop_id: other.id })
    expect(response.status).toBe(201)
    expect(await at.db.selectFrom('batch').select('id').where('workshop_id', '=', other.id).execute()).toEqual([])
  })
})
