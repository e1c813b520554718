import { randomUUID } from 'node:crypto'
import { plannedScent, readDesign, starterPlan } from '@ostler/core'
import type { BatchAnswer, RecordEntry, RunAnswer, ShareAnswer, SharedRecordAnswer } from '@ostler/core'
import { PDFDocument } from 'pdf-lib'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { DEMO_SIGN_IN } from '../src/members/demo-sign-in.ts'
import { bench, downloaded } from './harness.ts'
import type { Bench } from './harness.ts'

let at: Bench
let maker: ReturnType<Bench['visitor']>
let id = ''
beforeAll(async () => {
  at = await bench({ demo: true })
  maker = at.visitor()
  await maker.post('/api/session').send(DEMO_SIGN_IN)
  const start = starterPlan('Shown around')
  const scent = plannedScent([{ scent: 'moss-cathedral', share: 1 }], 0.03, { moment: 'last' })
  const plan = { ...start, scent, notes: 'for nobody else', brief: { ...start.brief, forWhom: 'Aunt Tilda' } }
  id = ((await maker.post('/api/batches').send({ plan })).body as BatchAnswer).id
})
afterAll(() => at.close())

const linkTo = async (what: string, withScents = false, withNotes = false): Promise<string> => {
  const made = await maker.post(`/api/batches/${id}/shares`).send({ what, withScents, withNotes })
  expect(made.status).toBe(201)
  return (made.body as { token: string }).token
}
const anybody = () => at.visitor()

test('a design is seen by its link without signing in, and taken in as a file; nothing of its recipe goes along', async () => {
  const token = await linkTo('design')
  const shared = await anybody().get(`/api/shared/${token}`)
  expect(shared.body).toEqual({ what: 'design', workshop: 'Sluice Lane Workshop', name: 'Shown around' })
  const file = await anybody().get(`/api/shared/${token}/design.json`)
  expect(readDesign(JSON.parse(file.text)).ok).toBe(true)
  for (const secret of ['nobody else', 'Tilda', 'moss', 'olive']) expect(file.text).not.toContain(secret)
  expect((await anybody().get(`/api/shared/${token}/sheet.pdf`)).status).toBe(404)
})

test('a pour sheet names its scents only where that was chosen', async () => {
  const sheet = async (token: string) => {
    const answer = await downloaded(anybody(), `/api/shared/${token}/sheet.pdf`)
    expect(answer.headers['content-type']).toContain('application/pdf')
    return PDFDocument.load(answer.body as Buffer)
  }
  const [bare, named] = [await linkTo('sheet'), await linkTo('sheet', true)]
  expect((await sheet(bare)).getPageCount()).toBeGreaterThan(0)
  expect((await sheet(named)).getPageCount()).toBeGreaterThan(0)
  expect((await anybody().get(`/api/shared/${bare}/design.json`)).status).toBe(404)
})

describe('a record', () => {
  const [shown, leftOut] = [randomUUID(), randomUUID()]
  const told = (n: number, kind: RecordEntry['kind'], about: Partial<RecordEntry>) => ({
    ...{ key: `desk:${n}`, kind, on: '2026-03-03T09:00', noted: '2026-03-03T10:00:00Z', person: 'Odalys', ...about },
  })
  const jpeg = Buffer.from('ffd8ffc0000b08001e002801011100ffda000801010000' + '3f001234ffd9', 'hex')
  beforeAll(async () => {
    const run = randomUUID()
    await maker.post(`/api/batches/${id}/runs`).send({ id: run })
    const event = (n: number, kind: string, r: number, about: object = {}) => ({
      ...{ key: `phone:${n}`, kind, r, noted: r, at: '2026-03-02T10:00:00Z', source: 'hand', ...about },
    })
    const events = [
      event(1, 'note', 20, { text: 'the buyer from the quay watched' }),
      event(2, 'wrong', 30, { how: 'too-thick', text: 'too near the stove' }),
    ]
    expect((await maker.post(`/api/runs/${run}/events`).send({ events })).status).toBe(200)
    expect(((await maker.get(`/api/runs/${run}`)).body as RunAnswer).events.length).toBeGreaterThan(2)
    for (const photo of [shown, leftOut])
      await maker
        .put(`/api/batches/${id}/record/photos/${photo}?small=${jpeg.length}`)
        .type('image/jpeg')
        .send(Buffer.concat([jpeg, jpeg]))
    const entries = [
      told(1, 'cut', { count: 9 }),
      told(2, 'placed', { text: 'rack behind the door' }),
      told(3, 'gone', { way: 'sold', count: 4 }),
      told(4, 'graded', { aim: 'swirl', mark: 4 }),
      told(5, 'note', { text: 'smells of rain' }),
      told(6, 'photo', { photo: shown, text: 'bar by the window' }),
      told(7, 'photo', { photo: leftOut }),
      told(8, 'undo', { of: 'desk:7' }),
    ]
    expect((await maker.post(`/api/batches/${id}/record`).send({ entries })).status).toBe(200)
  })
  const seen = async (token: string) => (await anybody().get(`/api/shared/${token}/record`)).body as SharedRecordAnswer

  test('is seen with its run and its photographs; scents, notes, persons, places and sales stay inside', async () => {
    const token = await linkTo('record')
    const bare = await seen(token)
    expect(bare.entries.map(({ kind }) => kind)).toEqual(['cut', 'graded', 'photo'])
    expect(bare.photos.map(photo => photo.id)).toEqual([shown])
    const { record, leanest } = bare.run!
    expect(record.weights.length).toBeGreaterThan(2)
    expect(record.weights.some(({ line }) => line.kind === 'scent')).toBe(false)
    expect(leanest.superfat.value).toBeGreaterThan(0)
    expect(record.told.map(({ kind }) => kind)).toEqual(['wrong'])
    const text = JSON.stringify(bare)
    const inside = ['moss', 'Moss', 'Odalys', 'sold', 'door', 'rain', 'window', 'quay', 'stove', 'nobody else', 'Tilda']
    for (const secret of inside) expect(text).not.toContain(secret)
    for (const size of ['small', 'large'])
      expect((await anybody().get(`/api/shared/${token}/photos/${shown}/${size}`)).status).toBe(200)
    for (const path of [`photos/${leftOut}/small`, `photos/${randomUUID()}/large`, `photos/${shown}/huge`, 'sheet.pdf'])
      expect((await anybody().get(`/api/shared/${token}/${path}`)).status).toBe(404)
  })

  test('shows scents and own words where they are chosen', async () => {
    const whole = await seen(await linkTo('record', true, true))
    expect(whole.run!.record.weights.some(({ line }) => line.kind === 'scent')).toBe(true)
    const text = JSON.stringify(whole)
    for (const chosen of ['rain', 'window', 'quay', 'stove']) expect(text).toContain(chosen)
    for (const secret of ['Odalys', 'door', 'sold', 'Tilda']) expect(text).not.toContain(secret)
    expect((await anybody().get(`/api/shared/${await linkTo('sheet')}/record`)).status).toBe(404)
  })
})

test('a link that ended, was guessed, or is to a batch that was deleted, shows nothing', async () => {
  const token = await linkTo('design')
  const links = (await maker.get(`/api/batches/${id}/shares`)).body as ShareAnswer[]
  expect(links.length).toBeGreaterThan(2)
  expect(JSON.stringify(links)).not.toContain(token)
  const last = links.at(-1)!
  expect((await anybody().delete(`/api/batches/${id}/shares/${last.id}`)).status).toBe(401)
  expect((await maker.delete(`/api/batches/${id}/shares/${last.id}`)).status).toBe(204)
  expect((await maker.delete(`/api/batches/${id}/shares/${last.id}`)).status).toBe(404)
  expect((await anybody().get(`/api/shared/${token}`)).status).toBe(404)
  const guessed = `${token.slice(0, 42)}${token.endsWith('A') ? 'B' : 'A'}`
  for (const wrong of [guessed, 'short', '%00', 'x'.repeat(500)])
    expect((await anybody().get(`/api/shared/${wrong}`)).status).toBeGreaterThanOrEqual(400)
  const other = await linkTo('design')
  await maker.delete(`/api/batches/${id}`)
  expect((await anybody().get(`/api/shared/${other}`)).status).toBe(404)
  await maker.post(`/api/batches/${id}/restore`)
  expect((await anybody().get(`/api/shared/${other}`)).status).toBe(200)
  expect((await maker.post(`/api/batches/${id}/shares`).send({ what: 'costs', withScents: false })).status).toBe(400)
})
