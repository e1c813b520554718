import { plannedScent, readDesign, starterPlan } from '@ostler/core'
import type { BatchAnswer, ShareAnswer } from '@ostler/core'
import { PDFDocument } from 'pdf-lib'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { DEMO_SIGN_IN } from '../src/members/demo-sign-in.ts'
import { bench } from './harness.ts'
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

const linkTo = async (what: string, withScents = false): Promise<string> => {
  const made = await maker.post(`/api/batches/${id}/shares`).send({ what, withScents })
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
    const answer = await anybody()
      .get(`/api/shared/${token}/sheet.pdf`)
      .buffer(true)
      .parse((res, done) => {
        const parts: Buffer[] = []
        res.on('data', (part: Buffer) => parts.push(part))
        res.on('end', () => done(null, Buffer.concat(parts)))
      })
    expect(answer.headers['content-type']).toContain('application/pdf')
    return PDFDocument.load(answer.body as Buffer)
  }
  const [bare, named] = [await linkTo('sheet'), await linkTo('sheet', true)]
  expect((await sheet(bare)).getPageCount()).toBeGreaterThan(0)
  expect((await sheet(named)).getPageCount()).toBeGreaterThan(0)
  expect((await anybody().get(`/api/shared/${bare}/design.json`)).status).toBe(404)
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
