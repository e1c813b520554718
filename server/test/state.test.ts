import { afterAll, beforeAll, expect, test } from 'vitest'
import { routeOf } from '../src/http/metrics.ts'
import { bench } from './harness.ts'
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
  await alone.db.destroy()
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
