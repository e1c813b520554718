import { randomUUID } from 'node:crypto'
import pg from 'pg'
import { withDemoServer } from '../lib/demo-server.mjs'
import { p95, tell, timed } from '../lib/measure.mjs'

const DEMO = { signInName: 'demo', password: 'trace before colour' }
const ROUNDS = 40
const ENTRIES = 200
const PHOTOS = 24

/** The least JPEG that has a size. */
function jpeg(width, height) {
  const frame = [0xff, 0xc0, 0, 11, 8, height >> 8, height & 255, width >> 8, width & 255, 1, 1, 0x11, 0]
  return Buffer.from([0xff, 0xd8, ...frame, 0xff, 0xda, 0, 8, 1, 1, 0, 0, 63, 0, 0x12, 0x34, 0xff, 0xd9])
}

/** Copies a poured batch until there are so many, each with its look and with what was noted of it. */
async function fill(db, batch, count) {
  await db.query(
    `with copied as (
       insert into batch (workshop_id, plan, updated_at)
       select workshop_id, jsonb_set(plan, '{name}', to_jsonb('Copy ' || n)), now() - n * interval '1 minute'
       from batch, generate_series(1, $2) n where id = $1 returning id, workshop_id, revision),
     looked as (
       insert into batch_look (batch_id, workshop_id, batch_revision, shelf_stamp, model_version, state, pot_g, scent, face, course)
       select copied.id, copied.workshop_id, copied.revision, look.shelf_stamp, look.model_version, look.state, look.pot_g,
         look.scent, look.face, look.course
       from copied, batch_look look where look.batch_id = $1)
     insert into batch_record (batch_id, workshop_id, unmoulded_at, cut_at, cut_count)
     select id, workshop_id, '2026-03-03T08:00', '2026-03-03T09:00', 12 from copied`,
    [batch, count],
  )
  await db.query('analyze batch, batch_look, batch_record')
}

async function measured(base, databaseUrl) {
  const signedIn = await fetch(`${base}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(DEMO),
  })
  const cookie = signedIn.headers.get('set-cookie').split(';')[0]
  const get = async path => {
    const response = await fetch(`${base}/api${path}`, { headers: { cookie } })
    if (!response.ok) throw new Error(`${path} answered ${response.status}`)
    return response.json()
  }
  const send = async (method, path, type, body) => {
    const response = await fetch(`${base}/api${path}`, { method, headers: { cookie, 'content-type': type }, body })
    if (!response.ok) throw new Error(`${path} answered ${response.status}`)
  }
  // Looks are worked out once the list has been asked for.
  let batch
  for (let n = 0; !batch && n < 120; n += 1) {
    const { batches } = await get('/batches?search=Slack')
    batch = batches.find(one => one.isFresh && one.face !== null)?.id
    await new Promise(resolve => setTimeout(resolve, 500))
  }
  if (!batch) throw new Error('the batch was never looked at')

  const entries = Array.from({ length: ENTRIES }, (_, i) => ({
    ...{ key: `bench:${i + 1}`, kind: 'note', text: `note ${i + 1}` },
    ...{ on: '2026-03-03T09:00', noted: '2026-03-03T09:00:00Z' },
  }))
  await send('POST', `/batches/${batch}/record`, 'application/json', JSON.stringify({ entries }))
  const small = jpeg(480, 360)
  for (let i = 0; i < PHOTOS; i += 1)
    await send(
      'PUT',
      `/batches/${batch}/record/photos/${randomUUID()}?small=${small.length}`,
      'image/jpeg',
      Buffer.concat([small, jpeg(2000, 1500)]),
    )
  const page = () => get(`/batches/${batch}/record`)
  await timed(10, page)
  tell('record.page.p95_ms', p95(await timed(ROUNDS * 4, page)), 'ms')

  const db = new pg.Client({ connectionString: databaseUrl })
  await db.connect()
  try {
    await fill(db, batch, 1000)
    const today = () => get('/due/today?day=2026-03-20')
    await timed(5, today)
    tell('today.p95_ms', p95(await timed(ROUNDS, today)), 'ms')
    await fill(db, batch, 4000)
    for (const [name, path] of [
      ['batches.list5000.p95_ms', '/batches'],
      ['batches.list5000.by_life.p95_ms', '/batches?life=curing&day=2026-03-20'],
      ['batches.list5000.searched.p95_ms', '/batches?search=Copy%204999'],
    ]) {
      const list = () => get(path)
      await timed(5, list)
      tell(name, p95(await timed(ROUNDS, list)), 'ms')
    }
  } finally {
    await db.end()
  }
}

/** Records, what is due, and the list, of a workshop with many batches. */
export default async function record() {
  await withDemoServer('bench-record', measured)
}
