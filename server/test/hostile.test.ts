import { designFrom, newItem, starterPlan } from '@ostler/core'
import type { BatchAnswer } from '@ostler/core'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { DEMO_SIGN_IN } from '../src/members/demo-sign-in.ts'
import { bench, sentChanges } from './harness.ts'
import type { Bench } from './harness.ts'
import { EMOJI, TEXTS, VALUES, send, twisted } from './hostile.ts'
import type { Attack } from './hostile.ts'

/** OSTLER_ENDURE=1 sends all of them; otherwise every few, so that the tests stay quick. */
const EVERY = process.env['OSTLER_ENDURE'] === '1' ? 1 : 7

let at: Bench
let visitor: ReturnType<Bench['visitor']>
let batch: BatchAnswer
beforeAll(async () => {
  at = await bench({ demo: true })
  visitor = at.visitor()
  await visitor.post('/api/session').send(DEMO_SIGN_IN)
  batch = (await visitor.post('/api/batches').send({ plan: starterPlan('Target') })).body as BatchAnswer
})
afterAll(() => at.close())

const plan = starterPlan('Target')
const SEEN = { cup: 'cup-1', atMin: 4, level: 2, by: 'eye' as const }
const oil = { ...newItem('oils'), id: 'odd-oil', name: 'Odd oil' }
const scent = { ...newItem('scents'), id: 'odd-scent', name: 'Odd scent' }
const design = designFrom(plan, 'Odd design', () => '#336699')

/** Good bodies of every write, to be twisted. */
const WRITES = (): (Attack & { body: Record<string, unknown> })[] => [
  { method: 'post', path: '/api/batches', body: { plan } },
  {
    method: 'patch',
    path: `/api/batches/${batch.id}`,
    body: sentChanges(batch.revision, plan, { ...plan, notes: 'Odd', cups: plan.cups.slice(1), seen: [SEEN] }),
  },
  { method: 'post', path: '/api/recipes', body: { name: 'Odd', reason: '', recipe: plan.recipe } },
  { method: 'post', path: '/api/designs', body: { design } },
  { method: 'put', path: '/api/shelf/oils/odd-oil', body: { item: oil, revision: 0 } },
  { method: 'put', path: '/api/shelf/scents/odd-scent', body: { item: scent, revision: 0 } },
  { method: 'post', path: '/api/shelf/import', body: { kind: 'oils', items: [{ item: oil, revision: 0 }] } },
  { method: 'put', path: '/api/shelf/rules', body: { rules: [] } },
  { method: 'put', path: '/api/shelf/windows', body: { windows: [] } },
  { method: 'put', path: '/api/shelf/times', body: { times: [] } },
  { method: 'put', path: `/api/evidence/${batch.id}`, body: { counts: true } },
  { method: 'put', path: '/api/workshop/habits', body: { mass: 'g', temperature: 'C', length: 'mm' } },
]
const IN_PLAN = ['name', 'notes', 'recipe', 'cups', 'score', 'rest', 'freeLye', 'preparation', 'seen']
const IN_ITEM = ['id', 'name', 'note', 'lots', 'tags', 'constituents', 'parts', 'limitShare']

async function crashes(attacks: Iterable<Attack>, agent = visitor): Promise<string[]> {
  const bad: string[] = []
  let n = 0
  for (const attack of attacks) {
    n += 1
    if (n % EVERY !== 0) continue
    const status = await send(agent, attack)
    if (status >= 500)
      bad.push(`${status} ${attack.method} ${attack.path} ${JSON.stringify(attack.body)?.slice(0, 160)}`)
  }
  return bad
}

function* bodies(): Generator<Attack> {
  for (const write of WRITES()) for (const body of twisted(write.body)) yield { ...write, body }
}

function* insides(): Generator<Attack> {
  for (const value of VALUES) {
    for (const key of IN_PLAN) {
      yield { method: 'post', path: '/api/batches', body: { plan: { ...plan, [key]: value } } }
    }
    for (const key of IN_ITEM) {
      const item = { ...scent, [key]: value }
      yield { method: 'put', path: '/api/shelf/scents/odd-scent', body: { item, revision: 1 } }
    }
    yield {
      method: 'put',
      path: '/api/shelf/scents/odd-scent',
      body: { item: { ...scent, constituents: [value] }, revision: 1 },
    }
  }
}

describe('no request breaks the server', () => {
  test('twisted bodies of every write', { timeout: 600_000 }, async () => {
    expect(await crashes(bodies())).toEqual([])
  })

  test('twisted parts of plans and items', { timeout: 600_000 }, async () => {
    expect(await crashes(insides())).toEqual([])
  })

  test('bodies that are no JSON, odd addresses and searches', async () => {
    const texts = ['', '{', '[1,', 'null', '"x"', '\u0000', '{"a":1e999}', '[['.repeat(3000)]
    const attacks: Attack[] = [
      ...texts.map((body): Attack => ({ method: 'post', path: '/api/batches', body })),
      ...['%00', '%E0%A4%A', '..%2f..', 'x'.repeat(4000), '%F0%9F%A7%BC'].flatMap((part): Attack[] => [
        { method: 'get', path: `/api/batches/${part}` },
        { method: 'get', path: `/api/batches?search=${part}` },
        { method: 'get', path: `/api/recipes/${part}/versions` },
        { method: 'put', path: `/api/shelf/${part}/${part}`, body: {} },
        { method: 'delete', path: `/api/designs/${part}` },
        { method: 'get', path: `/${part}` },
      ]),
    ]
    for (const attack of attacks)
      expect(await send(visitor, attack), `${attack.method} ${attack.path}`).toBeLessThan(500)
  })

  test('without a session too', async () => {
    const stranger = at.visitor()
    const form = { signInName: 'demo', password: 'x' }
    const set = { workshopName: 'W', memberName: 'M', signInName: 'someone', password: 'a long password' }
    const attacks = function* (): Generator<Attack> {
      for (const body of twisted(form)) yield { method: 'post', path: '/api/session', body }
      for (const body of twisted(set)) yield { method: 'post', path: '/api/setup', body }
    }
    expect(await crashes(attacks(), stranger)).toEqual([])
  })
})

describe('names of all kinds', () => {
  test('a copy of a name with an emoji where it is cut is whole', async () => {
    for (const name of ['a'.repeat(73) + EMOJI + 'bcd', EMOJI.repeat(80), 'a'.repeat(80)]) {
      const made = await visitor.post('/api/batches').send({ plan: { ...plan, name } })
      expect(made.status, name).toBe(201)
      const copy = await visitor.post(`/api/batches/${(made.body as BatchAnswer).id}/duplicate`)
      expect(copy.status).toBe(201)
      expect((copy.body as BatchAnswer).name).toMatch(/, copy$/)
    }
  })

  test('names of nothing but spaces are refused in a sentence, wherever they are given', async () => {
    for (const name of ['   ', '\t'])
      for (const [path, body] of [
        ['/api/batches', { plan: { ...plan, name } }],
        ['/api/recipes', { name, reason: '', recipe: plan.recipe }],
        ['/api/designs', { design: { ...design, name } }],
      ] as const)
        expect((await visitor.post(path).send(body)).status, path).toBe(400)
  })

  test('every odd text is taken or refused, and what is taken comes back as it was', async () => {
    for (const name of TEXTS) {
      const made = await visitor.post('/api/batches').send({ plan: { ...plan, name } })
      expect([201, 400]).toContain(made.status)
      if (made.status === 201) expect((made.body as BatchAnswer).plan.name).toBe(name)
    }
  })
})
