import { randomUUID } from 'node:crypto'
import { USUAL_PRICING, lifeOf } from '@ostler/core'
import type { BatchAnswer, BatchList, Due, LessonAnswer, RackBatch, RecordAnswer, RecordEntry } from '@ostler/core'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { DEMO_SIGN_IN } from '../src/members/demo-sign-in.ts'
import { cleanJpeg } from '../src/record/photo.ts'
import type { Learner } from '../src/work/learner.ts'
import { bench, sentChanges } from './harness.ts'
import type { Bench } from './harness.ts'

let at: Bench
let visitor: ReturnType<Bench['visitor']>
let batch: string
beforeAll(async () => {
  at = await bench({ demo: true })
  visitor = at.visitor()
  await visitor.post('/api/session').send(DEMO_SIGN_IN)
  batch = ((await visitor.get('/api/batches?search=weir')).body as BatchList).batches[0]!.id
})
afterAll(() => at.close())

let count = 0
const entry = (kind: RecordEntry['kind'], on: string, about: Partial<RecordEntry> = {}): RecordEntry => {
  count += 1
  return { key: `desk:${count}`, kind, on, noted: '2026-03-10T10:00:00Z', ...about }
}
const send = async (entries: unknown[], id = batch) => visitor.post(`/api/batches/${id}/record`).send({ entries })
const record = async (id = batch) => (await visitor.get(`/api/batches/${id}/record`)).body as RecordAnswer

/** The least JPEG that has a size, with segments put before its frame. */
function jpeg(width: number, height: number, ...segments: Buffer[]): Buffer {
  const frame = Buffer.from([0xff, 0xc0, 0, 11, 8, height >> 8, height & 255, width >> 8, width & 255, 1, 1, 0x11, 0])
  const scan = Buffer.from([0xff, 0xda, 0, 8, 1, 1, 0, 0, 63, 0, 0x12, 0x34, 0xff, 0xd9])
  return Buffer.concat([Buffer.from([0xff, 0xd8]), ...segments, frame, scan])
}
const segment = (code: number, text: string) => {
  const data = Buffer.from(text)
  return Buffer.concat([Buffer.from([0xff, code, (data.length + 2) >> 8, (data.length + 2) & 255]), data])
}

describe('entries', () => {
  test('are kept once however often they are sent, and come back in the order in which they came', async () => {
    const two = [entry('unmoulded', '2026-03-03T08:00'), entry('cut', '2026-03-03T09:00', { count: 12 })]
    expect((await send(two)).status).toBe(200)
    expect((await send([...two, entry('sign', '2026-03-03T09:10', { sign: 'u-ash', grade: 1 })])).status).toBe(200)
    expect((await record()).entries.map(one => one.kind)).toEqual(['unmoulded', 'cut', 'sign'])
  })

  test('of signs are what is learned of faults: of this batch, and of none that there is not', async () => {
    expect((await visitor.get(`/api/batches/${batch}/faults/learned`)).status).toBe(200)
    expect((await visitor.get(`/api/batches/${randomUUID()}/faults/learned`)).status).toBe(404)
  })

  test('that are none are refused with a sentence, and nothing of the message is kept', async () => {
    const before = (await record()).entries.length
    const bad = await send([
      entry('note', '2026-03-04T08:00', { text: 'fine' }),
      { ...entry('sign', 'never'), sign: 'x' },
    ])
    expect(bad.status).toBe(400)
    expect((await record()).entries).toHaveLength(before)
    expect((await send([], randomUUID())).status).toBe(404)
  })

  test('are not changed and are seen by their workshop alone', async () => {
    expect((await at.visitor().get(`/api/batches/${batch}/record`)).status).toBe(401)
  })
})

describe('photographs', () => {
  const put = async (body: Buffer, small: number, id = randomUUID()) => ({
    id,
    ...(await visitor.put(`/api/batches/${batch}/record/photos/${id}?small=${small}`).type('image/jpeg').send(body)),
  })

  test('are kept in two sizes, without the place and the camera in them', async () => {
    const exif = segment(0xe1, 'Exif\0\0GPS 52.1 N')
    const [small, large] = [jpeg(48, 36, exif), jpeg(480, 360, exif, segment(0xfe, 'by nobody'))]
    const { id, status } = await put(Buffer.concat([small, large]), small.length)
    expect(status).toBe(200)
    const kept = (await visitor.get(`/api/photos/${id}/large`)).body as Buffer
    expect(cleanJpeg(kept)).toMatchObject({ width: 480, height: 360 })
    expect(kept.includes('GPS') || kept.includes('nobody')).toBe(false)
    expect((await record()).photos).toContainEqual({ id, width: 480, height: 360 })
    expect((await at.visitor().get(`/api/photos/${id}/small`)).status).toBe(401)
  })

  test('that are none are refused: a text, half a picture, a script with the name of one', async () => {
    const small = jpeg(48, 36)
    const cut = jpeg(480, 360).subarray(0, 12)
    const script = Buffer.from('<script>alert(1)</script>'.repeat(9))
    for (const large of [Buffer.from('text that is long enough'), cut, script])
      expect((await put(Buffer.concat([small, large]), small.length)).status).toBe(400)
    expect((await put(small, small.length)).status).toBe(400)
    expect((await put(Buffer.alloc(0), 1)).status).toBe(400)
  })
})

describe('what is due', () => {
  const rack = async (day: string) => (await visitor.get(`/api/due/rack?day=${day}`)).body as RackBatch[]
  const today = async (day: string) => (await visitor.get(`/api/due/today?day=${day}`)).body as Due[]

  test('follows what was noted: poured and cut it is on the rack, until its bars are gone', async () => {
    const { plan, revision } = (await visitor.get(`/api/batches/${batch}`)).body as BatchAnswer
    const poured = { ...plan, rest: { ...plan.rest, pouredAt: '2026-03-02T14:00' } }
    expect((await visitor.patch(`/api/batches/${batch}`).send(sentChanges(revision, plan, poured))).status).toBe(200)
    await rack('2026-03-20')
    await (at.app.locals['looking'] as Learner).idle()
    const on = (await rack('2026-03-20')).find(one => one.id === batch)!
    expect(on).toMatchObject({ life: 'curing', bars: 12, day: 18, signs: ['u-ash'] })
    expect(on.readyOn! > '2026-03-20').toBe(true)
    expect((await rack(on.readyOn!)).find(one => one.id === batch)!.life).toBe('ready')
    expect((await today('2026-03-20')).filter(due => due.batch === batch).map(due => due.kind)).toContain('turn')
    await send([entry('gone', '2026-04-20T10:00', { way: 'sold', count: 12 })])
    expect((await rack('2026-05-20')).some(one => one.id === batch)).toBe(false)
    expect((await today('2026-05-20')).some(due => due.batch === batch)).toBe(false)
  })

  test('is a calendar under an address of its own, which is worth nothing once it is renewed', async () => {
    const token = async () => ((await visitor.post('/api/due/calendar')).body as { token: string }).token
    const first = await token()
    const calendar = await at.visitor().get(`/api/calendar/feed/${first}.ics`)
    expect(calendar.status).toBe(200)
    expect(calendar.text).toContain('BEGIN:VCALENDAR')
    expect(await token()).not.toBe(first)
    expect((await at.visitor().get(`/api/calendar/feed/${first}.ics`)).status).toBe(404)
    expect((await visitor.get('/api/due/today?day=tomorrow')).status).toBe(400)
  })
})

test('the list says how far each batch has come, as the rules of a batch’s life have it, and shows only some when asked', async () => {
  const rows = await at.db
    .selectFrom('batch')
    .leftJoin('batch_look as look', 'look.batch_id', 'batch.id')
    .leftJoin('batch_record as record', 'record.batch_id', 'batch.id')
    .selectAll('record')
    .select(['batch.id', 'batch.plan', 'look.state', 'look.course'])
    .execute()
  const today = new Date().toISOString().slice(0, 10)
  const lives = new Map(
    rows.map(row => [
      row.id,
      lifeOf(
        {
          ...{ isPlanned: row.state !== null, isBegun: false, pouredAt: row.plan.rest.pouredAt || null },
          ...{ unmouldedAt: row.unmoulded_at, cutAt: row.cut_at, cutCount: row.cut_count },
          ...{ goneCount: row.gone_count ?? 0, readyDay: row.course?.readyDay ?? null },
        },
        today,
      ),
    ]),
  )
  expect(new Set(lives.values()).size).toBeGreaterThan(4)
  const listed = async (life = '') =>
    ((await visitor.get(`/api/batches?life=${life}&day=${today}`)).body as BatchList).batches
  for (const one of await listed()) expect([one.name, one.life]).toEqual([one.name, lives.get(one.id)])
  for (const life of new Set(lives.values()))
    expect((await listed(life)).map(one => one.id).sort()).toEqual(
      [...lives]
        .filter(([, is]) => is === life)
        .map(([id]) => id)
        .sort(),
    )
  expect((await visitor.get('/api/batches?life=lost')).status).toBe(400)
})

test('how the workshop reckons prices is kept for it, and what cannot be is refused', async () => {
  expect((await visitor.get('/api/pricing')).body).toMatchObject({ ...USUAL_PRICING, bandLow: 5.5, bandHigh: 8 })
  const own = { ...USUAL_PRICING, currency: 'kr', hourly: 180, roundTo: 5 }
  expect((await visitor.put('/api/pricing').send(own)).status).toBe(204)
  expect((await visitor.get('/api/pricing')).body).toEqual(own)
  for (const bad of [{ margin: 1 }, { hourly: -1 }, { currency: '<b>' }, { roundTo: 'much' }])
    expect((await visitor.put('/api/pricing').send({ ...own, ...bad })).status).toBe(400)
  expect((await at.visitor().get('/api/pricing')).status).toBe(401)
})

test('what was kept for the next time is told to batches with the same scent, until it is taken back', async () => {
  const { plan } = (await visitor.get(`/api/batches/${batch}`)).body as BatchAnswer
  const made = (await visitor.post('/api/batches').send({ plan: { ...plan, name: 'The next one' } }))
    .body as BatchAnswer
  const lessons = async () =>
    ((await visitor.get(`/api/batches/${made.id}/record/lessons`)).body as LessonAnswer[]).filter(
      one => one.batch === batch,
    )
  expect(await lessons()).toEqual([])
  const kept = entry('next', '2026-03-04T08:00', { text: 'Blend less.' })
  await send([kept, entry('note', '2026-03-04T08:01', { text: 'not a lesson' })])
  const [lesson] = await lessons()
  expect(lesson).toMatchObject({ text: 'Blend less.', shares: expect.arrayContaining(['recipe', 'mould']) as string[] })
  await send([entry('undo', '2026-03-04T08:02', { of: kept.key })])
  expect(await lessons()).toEqual([])
  expect((await visitor.get(`/api/batches/${randomUUID()}/record/lessons`)).status).toBe(404)
})
