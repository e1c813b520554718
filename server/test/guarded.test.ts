import { readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { randomUUID } from 'node:crypto'
import { starterPlan } from '@ostler/core'
import type { BatchAnswer, BatchList, RecipeAnswer, ShelfAnswer } from '@ostler/core'
import { hash } from '@node-rs/argon2'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { DEMO_SIGN_IN } from '../src/members/demo-sign-in.ts'
import { bench } from './harness.ts'
import type { Bench } from './harness.ts'

/** Who gets in where: every place that is mounted is known here, open or guarded. */

const SRC = join(import.meta.dirname, '..', 'src')
/** What anybody may ask: it asks for a secret of its own, or tells none. */
const OPEN = ['/health', '/ready', '/metrics', '/ways-in', '/shared', '/watched', '/calendar/feed']
const GUARDS = [
  'visits.requireOwner',
  'visits.requireAny',
  'visits.require',
  'require',
  'isMember',
  'sessions.requireAny',
  'sessions.requireOwner',
  'requireOwner',
]

const sources = readdirSync(SRC, { recursive: true, encoding: 'utf8' })
  .filter(name => name.endsWith('.ts'))
  .map(name => readFileSync(join(SRC, name), 'utf8'))
const mounted = sources.flatMap(text =>
  [...text.matchAll(/\bapi\.(use|get)\(\s*'(\/[^']*)',\s*([\w.]+)/g)].map(([, , path, guard]) => ({
    path: path!,
    guard: guard!,
  })),
)
const guarded = [...new Set(mounted.filter(({ guard }) => GUARDS.includes(guard)).map(({ path }) => path))]

let at: Bench
let looker: ReturnType<Bench['visitor']>
let demo: ReturnType<Bench['visitor']>
let cookie = ''
let batch = ''
beforeAll(async () => {
  at = await bench({ demo: true })
  demo = at.visitor()
  const signed = await demo.post('/api/session').send(DEMO_SIGN_IN)
  cookie = signed.headers['set-cookie']![0]!.split(';')[0]!
  batch = ((await demo.post('/api/batches').send({ plan: starterPlan('Guarded') })).body as BatchAnswer).id
  // Beside it a workshop of somebody else’s, with somebody in it who may look.
  const mill = await at.db.insertInto('workshop').values({ name: 'Mill' }).returning('id').executeTakeFirstOrThrow()
  await at.db
    .insertInto('member')
    .values({
      ...{ workshop_id: mill.id, name: 'Lou', sign_in_name: 'lou', role: 'looker' },
      password_hash: await hash('a kettle in the rain'),
    })
    .execute()
  looker = at.visitor()
  await looker.post('/api/session').send({ signInName: 'lou', password: 'a kettle in the rain' })
})
afterAll(() => at.close())

const address = (path: string) => `/api${path.replace(':id', batch)}`
const WRITES = ['post', 'put', 'patch', 'delete'] as const

test('every place under the API is guarded, or one of the few that are open', () => {
  expect(mounted.length).toBeGreaterThan(25)
  const neither = mounted.filter(({ path, guard }) => !GUARDS.includes(guard) && !OPEN.includes(path))
  expect(neither).toEqual([])
})

test.each(guarded)('%s is shut without a session, with a made-up one, and from another site', async path => {
  for (const tail of ['', `/${randomUUID()}`]) {
    const to = address(path) + tail
    expect((await at.visitor().get(to)).status).toBe(401)
    const tampered = `${cookie.slice(0, -3)}abc`
    expect((await at.visitor().get(to).set('cookie', tampered)).status).toBe(401)
    for (const method of WRITES) {
      expect((await at.visitor()[method](to).send({})).status).toBe(401)
      const foreign = await at
        .visitor()
        [method](to)
        .set('cookie', cookie)
        .set('origin', 'https://elsewhere.example')
        .send({})
      expect(foreign.status).toBe(403)
      const framed = await at.visitor()[method](to).set('cookie', cookie).set('sec-fetch-site', 'cross-site').send({})
      expect(framed.status).toBe(403)
    }
  }
})

test.each(guarded.filter(path => path !== '/account' && path !== '/here'))(
  'a looker changes nothing under %s',
  async path => {
    for (const tail of ['', `/${randomUUID()}`])
      for (const method of WRITES) expect((await looker[method](address(path) + tail).send({})).status).toBe(403)
  },
)

test('what belongs to another workshop is not there', async () => {
  const shelf = (await demo.get('/api/shelf')).body as ShelfAnswer
  const recipes = (await demo.get('/api/recipes')).body as RecipeAnswer[]
  const trials = (await demo.get('/api/trials')).body as { id: string }[]
  const theirs = [
    ...['', '/face', '/history', '/history/1', '/shares', '/runs', '/record', '/faults', '/whole', '/sheet.pdf'].map(
      tail => `/api/batches/${batch}${tail}`,
    ),
    ...[`/api/recipes/${recipes[0]!.id}`, `/api/trials/${trials[0]!.id}`],
  ]
  for (const path of theirs) {
    const answer = await looker.get(path)
    const isShut = answer.status === 404 || (answer.status === 200 && isNothing(answer.body))
    expect([path, isShut]).toEqual([path, true])
    expect(answer.text).not.toContain('Guarded')
  }
  expect(((await looker.get('/api/batches')).body as BatchList).batches).toEqual([])
  const own = (await looker.get('/api/shelf')).body as ShelfAnswer
  expect(own.shelf.evidence).toEqual([])
  expect(shelf.shelf.scents.length).toBeGreaterThan(own.shelf.scents.length)
})

/** An answer that tells of nothing at all. */
const isNothing = (body: unknown): boolean =>
  !/"(?!text\b)[^"]{9,}":"[^"]{9,}"/.test(JSON.stringify(body)) && JSON.stringify(body).length < 2000
