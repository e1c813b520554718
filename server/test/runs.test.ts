import { randomUUID } from 'node:crypto'
import { once } from 'node:events'
import { readFileSync } from 'node:fs'
import type { AddressInfo } from 'node:net'
import { openedRun } from '@ostler/core'
import type {
  BatchAnswer,
  BatchList,
  BenchEvent,
  EventsKept,
  NotedAnswer,
  RunAnswer,
  RunEvents,
  RunOutcome,
  RunSummary,
} from '@ostler/core'
import { sql } from 'kysely'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { upgradePlans } from '../src/batches/upgrade.ts'
import { createApp } from '../src/app.ts'
import { DEMO_SIGN_IN } from '../src/members/demo-sign-in.ts'
import type { RunFeed } from '../src/runs/feed.ts'
import { bench, workHere } from './harness.ts'
import type { Bench } from './harness.ts'

let at: Bench
let visitor: ReturnType<Bench['visitor']>
let batch: string
let cookie: string
beforeAll(async () => {
  at = await bench({ demo: true })
  visitor = at.visitor()
  const signedIn = await visitor.post('/api/session').send(DEMO_SIGN_IN)
  cookie = signedIn.headers['set-cookie']![0]!.split(';')[0]!
  batch = ((await visitor.get('/api/batches?search=weir')).body as BatchList).batches[0]!.id
})
afterAll(() => at.close())

let count = 0
const event = (kind: BenchEvent['kind'], r: number, about: Partial<BenchEvent> = {}): BenchEvent => {
  count += 1
  return { key: `phone:${count}`, kind, r, noted: r, at: '2026-11-30T10:00:00Z', source: 'hand', ...about }
}
async function begun(): Promise<string> {
  const id = randomUUID()
  const answer = await visitor.post(`/api/batches/${batch}/runs`).send({ id })
  expect(answer.status).toBe(201)
  return id
}
const send = async (id: string, events: unknown[]) => visitor.post(`/api/runs/${id}/events`).send({ events })
const whole = async (id: string) => {
  const run = (await visitor.get(`/api/runs/${id}`)).body as RunAnswer
  // That it began is noted by the server itself.
  return { ...run, events: run.events.filter(one => one.kind !== 'open') }
}
const noted = async (about: object = {}) =>
  (await visitor.post(`/api/batches/${batch}/preparation`).send({ id: randomUUID(), ...about })).body as NotedAnswer

describe('a run', () => {
  test('is begun once however often that is sent, and follows the plan as it stood', async () => {
    const id = await begun()
    expect((await visitor.post(`/api/batches/${batch}/runs`).send({ id })).status).toBe(200)
    const before = (await whole(id)).plan.name
    const { plan, revision } = (await visitor.get(`/api/batches/${batch}`)).body as {
      plan: { name: string }
      revision: number
    }
    const changes = [{ at: ['name'], was: plan.name, to: 'Otherwise' }]
    expect((await visitor.patch(`/api/batches/${batch}`).send({ id: randomUUID(), revision, changes })).status).toBe(
      200,
    )
    expect((await whole(id)).plan.name).toBe(before)
    const list = (await visitor.get(`/api/batches/${batch}/runs`)).body as RunSummary[]
    expect(list.find(run => run.id === id)).toMatchObject({ count: 1, closed: null })
  })

  test('takes the same event five times as one, and keeps the order in which they came', async () => {
    const id = await begun()
    const [one, two] = [event('tick', 5, { item: 'safety:gear' }), event('tick', 3, { item: 'safety:air' })]
    const answers = await Promise.all([1, 2, 3, 4, 5].map(() => send(id, [one])))
    expect(answers.map(answer => answer.status)).toEqual([200, 200, 200, 200, 200])
    const { seq } = (await send(id, [one, two])).body as EventsKept
    const run = await whole(id)
    expect(run.events).toEqual([one, two])
    expect(run.seq).toBe(seq)
    expect((await visitor.get(`/api/runs/${id}/events?after=${seq - 1}`)).body).toEqual({ events: [two], seq })
    expect(Math.abs(run.now - Date.now())).toBeLessThan(5000)
  })

  test('keeps what was noted as it was noted', async () => {
    const id = await begun()
    await send(id, [event('note', 1, { text: 'cloudy' })])
    const change = sql`update run_event set event = '{}' where run_id = ${id}`.execute(at.db)
    await expect(change).rejects.toThrow('only added to')
  })

  test('goes out as a document that can be read again', async () => {
    const id = await begun()
    const noted = event('weighed', 9, { item: 'lye', amount: 96, raw: '96' })
    await send(id, [noted])
    const answer = await visitor.get(`/api/runs/${id}/document`)
    const read = openedRun(JSON.parse(answer.text))
    expect(read.ok && read.value).toMatchObject({ format: 'ostler-run', id, events: [{ kind: 'open' }, noted] })
  })

  test('comes in again from its document, once, and not as anything else', async () => {
    const id = await begun()
    await send(id, [event('weighed', 9, { item: 'water', amount: 131 })])
    const document = JSON.parse((await visitor.get(`/api/runs/${id}/document`)).text) as {
      id: string
      events: object[]
    }
    const bring = (run: unknown) => visitor.post(`/api/batches/${batch}/runs/document`).send({ run })
    expect((await bring(document)).status).toBe(409)
    const other = randomUUID()
    expect((await bring({ ...document, id: other })).status).toBe(201)
    expect((await whole(other)).events).toMatchObject([{ kind: 'weighed', amount: 131 }])
    for (const wrong of [null, 'x', {}, { ...document, events: [{ kind: 'sung' }] }, { ...document, version: 99 }])
      expect((await bring(wrong)).status).toBe(400)
  })

  test('ends in the list as it was closed', async () => {
    const id = await begun()
    await send(id, [event('close', 9, { how: 'given-up' })])
    const list = (await visitor.get(`/api/batches/${batch}/runs`)).body as RunSummary[]
    expect(list.find(run => run.id === id)).toMatchObject({ count: 2, closed: 'given-up' })
  })
})

describe('a batch that is made ready', () => {
  test('is noted in one run whoever asks, which begins at the bench with all of it', async () => {
    const anew = await noted({ anew: true })
    expect(anew).toMatchObject({ batch, begunAt: null, events: [] })
    const all = await Promise.all([noted(), noted(), noted()])
    expect(new Set(all.map(one => one.id))).toEqual(new Set([anew.id]))
    const tick = event('tick', 4, { item: 'mould:level' })
    await send(anew.id, [tick])
    // Before it begins there is no plan that it follows.
    expect((await visitor.get(`/api/runs/${anew.id}`)).status).toBe(404)
    expect((await visitor.post(`/api/batches/${batch}/runs`).send({ id: anew.id })).status).toBe(201)
    expect((await visitor.post(`/api/batches/${batch}/runs`).send({ id: anew.id })).status).toBe(200)
    const run = await whole(anew.id)
    expect(run).toMatchObject({ id: anew.id, events: [tick] })
    expect(run.begunAt).not.toBeNull()
    expect(await noted()).toMatchObject({ id: anew.id, begunAt: run.begunAt })
  })

  test('is begun anew beside what was noted before', async () => {
    const before = await noted()
    const id = randomUUID()
    expect(await noted({ id, anew: true })).toMatchObject({ id, events: [] })
    expect(await noted({ id, anew: true })).toMatchObject({ id })
    expect((await noted()).id).toBe(id)
    expect((await visitor.get(`/api/batches/${batch}/runs`)).body).toContainEqual(
      expect.objectContaining({ id: before.id }),
    )
  })

  test.each([
    ['a time to come', { openedAt: '2999-01-01T00:00:00Z' }],
    ['no time', { openedAt: 'soon' }],
  ])('%s is none at which it can have been begun', async (_, about) => {
    const answer = await visitor.post(`/api/batches/${batch}/preparation`).send({ id: randomUUID(), ...about })
    expect(answer.status).toBe(400)
  })

  test('is not there where the batch is not, or is another’s', async () => {
    const ask = (to: ReturnType<Bench['visitor']>, id: string) =>
      to.post(`/api/batches/${id}/preparation`).send({ id: randomUUID() })
    expect((await ask(visitor, randomUUID())).status).toBe(404)
    expect((await ask(at.visitor(), batch)).status).toBe(401)
  })
})

test('what an older plan held of its making stands in a run when the server has started', async () => {
  const old = readFileSync(new URL('../../core/src/plan/versions/past/v10-b.json', import.meta.url), 'utf8')
  const { plan } = (await visitor.get(`/api/batches/${batch}`)).body as BatchAnswer
  const { id } = (await visitor.post('/api/batches').send({ plan })).body as BatchAnswer
  await at.db.updateTable('batch').set({ plan: old }).where('id', '=', id).execute()
  await upgradePlans(at.db)
  await upgradePlans(at.db)
  const answer = await visitor.post(`/api/batches/${id}/preparation`).send({ id: randomUUID() })
  const { events } = answer.body as NotedAnswer
  expect(events.map(one => one.kind)).toEqual(['tick', 'tick', 'tick', 'weighed', 'weighed', 'temp', 'temp'])
  expect((await visitor.get(`/api/batches/${id}/runs`)).body).toHaveLength(1)
})

describe('what cannot be', () => {
  test.each([
    ['no list', { kind: 'tick' }],
    ['another kind', [{ ...event('tick', 1), kind: 'sung' }]],
    ['a name too many', [{ ...event('tick', 1), colour: 'red' }]],
    ['an amount that is none', [{ ...event('temp', 1), amount: '34' }]],
    ['a moment before the run', [event('tick', -90_000)]],
    ['a key that is none', [{ ...event('tick', 1), key: 'x' }]],
  ])('%s is refused with a sentence, and nothing is kept', async (_, events) => {
    const id = await begun()
    const answer = await visitor.post(`/api/runs/${id}/events`).send({ events })
    expect(answer.status).toBe(400)
    expect((answer.body as { sentence: string }).sentence).toMatch(/\.$/)
    expect((await whole(id)).events).toEqual([])
  })

  test('a run that is not one’s own, or not at all, is not there', async () => {
    const id = await begun()
    const stranger = at.visitor()
    expect((await stranger.get(`/api/runs/${id}`)).status).toBe(401)
    expect((await visitor.get(`/api/runs/${randomUUID()}`)).status).toBe(404)
    expect((await send(randomUUID(), [event('tick', 1)])).status).toBe(404)
    expect((await visitor.get(`/api/runs/${randomUUID()}/stream`)).status).toBe(404)
    expect((await visitor.post(`/api/batches/${randomUUID()}/runs`).send({ id: randomUUID() })).status).toBe(404)
    expect((await visitor.post(`/api/batches/${batch}/runs`).send({ id: 'mine' })).status).toBe(404)
  })
})

/** Reads a line that stays open until so many events were heard. */
async function heard(url: string, most: number, act: () => Promise<unknown>): Promise<BenchEvent[]> {
  const stop = new AbortController()
  const response = await fetch(url, { headers: { cookie }, signal: stop.signal })
  expect(response.headers.get('content-type')).toMatch(/^text\/event-stream/)
  const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader()
  const events: BenchEvent[] = []
  const acted = act()
  for (let text = ''; events.length < most;) {
    const { value, done } = await reader.read()
    if (done) break
    text += value
    const parts = text.split('\n\n')
    text = parts.pop()!
    for (const part of parts) {
      const data = /^data: (.*)$/m.exec(part)?.[1]
      if (data) events.push(...(JSON.parse(data) as RunEvents).events)
    }
  }
  await acted
  stop.abort()
  return events
}

describe('two devices on one run', () => {
  test('each hears what the other notes, none lost and none twice, also over two servers', async () => {
    // A second process on the same database.
    const app = createApp({
      db: at.db,
      config: at.config,
      setUpCode: null,
      now: () => new Date(),
      work: () => workHere,
    })
    const server = app.listen(0, '127.0.0.1')
    await once(server, 'listening')
    const other = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
    const id = await begun()
    const before = event('tick', 1, { item: 'safety:gear' })
    await send(id, [before])
    const more = Array.from({ length: 40 }, (_, i) => event('note', i, { text: `${i}` }))
    const [here, there] = [at.url, other].map(base => `${base}/api/runs/${id}/stream?after=0`)
    const act = async () => {
      await new Promise(resolve => setTimeout(resolve, 100))
      for (const one of more) await send(id, [one])
    }
    const [a, b] = await Promise.all([heard(here!, 42, act), heard(there!, 42, () => Promise.resolve())])
    expect(a.slice(1)).toEqual([before, ...more])
    expect(b.slice(1)).toEqual([before, ...more])
    await (app.locals['feed'] as RunFeed).close()
    server.closeAllConnections()
    server.close()
  })
})

test('what came of runs: the last word of each, none that was taken back, none of another workshop', async () => {
  const outcomes = async (who = visitor) => (await who.get('/api/runs/outcomes')).body as RunOutcome[]
  const before = (await outcomes()).length
  const [one, other] = [await begun(), await begun()]
  const wrong = event('outcome', 900, { how: 'otherwise', amount: 62.5 })
  await send(one, [wrong, event('outcome', 910, { how: 'as-planned', amount: 62.5 })])
  const gone = event('outcome', 900, { how: 'otherwise' })
  await send(other, [gone, event('undo', 905, { of: gone.key })])
  const list = await outcomes()
  expect(list).toHaveLength(before + 1)
  const { name } = (await whole(one)).plan
  expect(list.find(run => run.run === one)).toMatchObject({
    batch,
    said: 0.625,
    cameTrue: true,
    name,
  })
  expect((await at.visitor().get('/api/runs/outcomes')).status).toBe(401)
})

test('a batter that came apart at the bench holds its bars in the lists, until it is taken back', async () => {
  const other = ((await visitor.get('/api/batches?search=ninth')).body as BatchList).batches[0]!.id
  const fitness = async () =>
    ((await visitor.get('/api/batches?search=ninth')).body as BatchList).batches.find(one => one.id === other)!.fitness
  const id = randomUUID()
  await visitor.post(`/api/batches/${other}/runs`).send({ id })
  const broke = event('wrong', 60, { how: 'split' })
  await visitor.post(`/api/runs/${id}/events`).send({ events: [broke] })
  expect(await fitness()).toBe('test')
  await visitor.post(`/api/runs/${id}/events`).send({ events: [event('undo', 70, { of: broke.key })] })
  expect(await fitness()).toBe('fit')
})
