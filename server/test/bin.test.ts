import { readDesign, readPlan, readShelf, readTrial, starterPlan } from '@ostler/core'
import type { BatchAnswer, BatchList, BinAnswer } from '@ostler/core'
import { strFromU8, unzipSync } from 'fflate'
import { expect, test } from 'vitest'
import { binStore } from '../src/bin/store.ts'
import { DEMO_SIGN_IN } from '../src/members/demo-sign-in.ts'
import { bench, downloaded } from './harness.ts'

test('what was deleted can be had back for thirty days; what was poured stays for good', async () => {
  const at = await bench({ demo: true })
  const maker = at.visitor()
  await maker.post('/api/session').send(DEMO_SIGN_IN)
  const made = async (name: string, pouredAt: string) => {
    const start = starterPlan(name)
    const plan = { ...start, rest: { ...start.rest, pouredAt } }
    const { id } = (await maker.post('/api/batches').send({ plan })).body as BatchAnswer
    expect((await maker.delete(`/api/batches/${id}`)).status).toBe(204)
    return id
  }
  const drawn = await made('Only drawn', '')
  const poured = await made('Poured', '2026-11-01T10:00')
  const [trial] = (await maker.get('/api/trials')).body as { id: string }[]
  await maker.delete(`/api/trials/${trial!.id}`)
  const bin = async () => (await maker.get('/api/bin')).body as BinAnswer[]
  const before = await bin()
  expect(before.map(({ kind }) => kind).sort()).toEqual(['batches', 'batches', 'trials'])
  expect(before.find(({ id }) => id === poured)!.goesAt).toBeNull()
  expect(before.every(({ name }) => name.length > 0)).toBe(true)

  const days = (n: number) => new Date(Date.now() + n * 86_400_000)
  expect(await binStore(at.db).empty(days(29))).toBe(0)
  expect(await binStore(at.db).empty(days(31))).toBe(2)
  expect((await bin()).map(({ id }) => id)).toEqual([poured])
  expect((await maker.post(`/api/batches/${drawn}/restore`)).status).toBe(404)
  expect((await maker.post(`/api/batches/${poured}/restore`)).status).toBe(204)
  expect(await bin()).toEqual([])
  await at.close()
})

test('everything of a workshop goes out as one file of open forms, to its owners alone', async () => {
  const at = await bench({ demo: true })
  const maker = at.visitor()
  await maker.post('/api/session').send(DEMO_SIGN_IN)
  const answer = await downloaded(maker, '/api/everything.zip')
  expect(answer.status).toBe(200)
  const files = unzipSync(new Uint8Array(answer.body as Buffer))
  const names = Object.keys(files)
  const { batches } = (await maker.get('/api/batches')).body as BatchList
  expect(names.filter(name => /^batches\/[^/]+\/plan\.json$/.test(name)).length).toBeGreaterThanOrEqual(batches.length)
  const read = (name: string): unknown => JSON.parse(strFromU8(files[name]!))
  for (const name of names.filter(one => one.endsWith('/plan.json'))) expect(readPlan(read(name)).ok).toBe(true)
  for (const name of names.filter(one => /^trials\/.*-[\w-]+\.json$/.test(one)))
    expect(readTrial(read(name)).ok).toBe(true)
  for (const name of names.filter(one => one.startsWith('designs/'))) expect(readDesign(read(name)).ok).toBe(true)
  expect(readShelf(read('shelf.json')).ok).toBe(true)
  expect((await at.visitor().get('/api/everything.zip')).status).toBe(401)
  await at.db.updateTable('member').set({ role: 'maker' }).execute()
  await new Promise(resolve => setTimeout(resolve, 2100))
  expect((await maker.get('/api/everything.zip')).status).toBe(403)
  await at.close()
})
