import { starterPlan } from '@ostler/core'
import type { BatchAnswer } from '@ostler/core'
import supertest from 'supertest'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { routeOf } from '../src/http/metrics.ts'
import { createApp } from '../src/app.ts'
import { DEMO_SIGN_IN } from '../src/members/demo-sign-in.ts'
import type { RunFeed } from '../src/runs/feed.ts'
import { bench, workHere } from './harness.ts'
import type { Bench } from './harness.ts'

let at: Bench
beforeAll(async () => {
  at = await bench()
})
afterAll(() => at.close())

test('says that it lives, and that it is ready only while the database answers', async () => {
  expect((await at.visitor().get('/api/health')).body).toEqual({ ok: true })
  expect((await at.visitor().get('/api/ready')).status).toBe(200)
  const alone = await bench()
  expect((await alone.visitor().get('/api/ready')).status).toBe(200)
  await alone.inside.destroy()
  expect((await alone.visitor().get('/api/health')).status).toBe(200)
  expect((await alone.visitor().get('/api/ready')).status).toBe(503)
})

test('figures are for this machine alone, with one for each kind of address', async () => {
  await at.visitor().get('/api/batches')
  await at.visitor().get('/api/nowhere-of-many')
  const { text, headers } = await at.visitor().get('/api/metrics')
  expect(headers['content-type']).toContain('text/plain')
  expect(text).toContain('ostler_request_seconds_count{method="GET",route="/batches",status="401"} 1')
  expect(text).not.toContain('nowhere-of-many')
  expect((await at.visitor().get('/api/metrics').set('x-forwarded-for', '203.0.113.9')).status).toBe(404)
  expect(routeOf('/batches/4dd3d362-ee07-4f67-8d47-3e4567efd8cd/history/12')).toBe('/batches/:id/history/:id')
})

test('a request has an id, the proxy’s where it gives a sane one', async () => {
  const given = await at.visitor().get('/api/health').set('x-request-id', 'from-the-proxy-1')
  expect(given.headers['x-request-id']).toBe('from-the-proxy-1')
  const own = await at.visitor().get('/api/health').set('x-request-id', 'a b')
  expect(own.headers['x-request-id']).toMatch(/^[0-9a-f-]{36}$/)
})

test('two processes on one database let in and keep out the same people', async () => {
  const one = await bench({ demo: true })
  const two = createApp({
    ...{ db: one.db, config: one.config, setUpCode: null },
    ...{ now: () => new Date(), work: () => workHere },
  })
  const first = one.visitor()
  const signed = await first.post('/api/session').send(DEMO_SIGN_IN)
  const cookie = signed.headers['set-cookie']![0]!.split(';')[0]!
  const there = (path: string) => supertest(two).get(path).set('cookie', cookie)
  expect((await there('/api/batches')).status).toBe(200)
  const made = (await first.post('/api/batches').send({ plan: starterPlan('Of both') })).body as BatchAnswer
  expect((await there(`/api/batches/${made.id}`)).status).toBe(200)
  await first.delete('/api/session')
  // What the other process remembers of a session lasts two seconds.
  await new Promise(resolve => setTimeout(resolve, 2100))
  expect((await there('/api/batches')).status).toBe(401)
  await (two.locals['feed'] as RunFeed).close()
  await one.close()
})
