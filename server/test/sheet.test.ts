import type { BatchList } from '@ostler/core'
import { PDFDocument } from 'pdf-lib'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { DEMO_SIGN_IN } from '../src/members/demo-sign-in.ts'
import { bench } from './harness.ts'
import type { Bench } from './harness.ts'

let at: Bench
let visitor: ReturnType<Bench['visitor']>
beforeAll(async () => {
  at = await bench({ demo: true })
  visitor = at.visitor()
  await visitor.post('/api/session').send(DEMO_SIGN_IN)
})
afterAll(() => at.close())

test('batches of the demo have their pour sheet as a PDF of a few pages, under its name', async () => {
  const { batches } = (await visitor.get('/api/batches')).body as BatchList
  expect(batches.length).toBeGreaterThan(5)
  for (const { id, name } of batches.slice(0, 5)) {
    const answer = await visitor.get(`/api/batches/${id}/sheet.pdf`).responseType('blob')
    expect(answer.status, name).toBe(200)
    expect(answer.headers['content-type']).toBe('application/pdf')
    const pdf = await PDFDocument.load(answer.body as Uint8Array)
    expect(pdf.getTitle()).toBe(name)
    expect(pdf.getPageCount()).toBeLessThanOrEqual(4)
  }
})

test('nobody else has it, and one that is not there is said so', async () => {
  const { batches } = (await visitor.get('/api/batches')).body as BatchList
  expect((await at.visitor().get(`/api/batches/${batches[0]!.id}/sheet.pdf`)).status).toBe(401)
  expect((await visitor.get('/api/batches/00000000-0000-4000-8000-000000000000/sheet.pdf')).status).toBe(404)
})
