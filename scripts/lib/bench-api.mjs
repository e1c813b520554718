import { randomUUID } from 'node:crypto'
import { join } from 'node:path'
import { p95, percentile, tell, timed } from './measure.mjs'
import { ROOT } from './paths.mjs'

const DEMO = { signInName: 'demo', password: 'trace before colour' }

/** Requests a second with `lanes` callers for a fixed count of requests. */
async function throughput(url, headers, count = 3000, lanes = 8) {
  let left = count
  const from = performance.now()
  const caller = async () => {
    while (left > 0) {
      left -= 1
      const response = await fetch(url, { headers })
      await response.text()
      if (!response.ok) throw new Error(`${url} answered ${response.status}`)
    }
  }
  await Promise.all(Array.from({ length: lanes }, caller))
  return (count / (performance.now() - from)) * 1000
}

/** A bare route that does the same single query, in a process of its own like the server. */
async function bareServer(databaseUrl, id) {
  const { fork } = await import('node:child_process')
  const child = fork(join(ROOT, 'scripts/lib/bare-route.mjs'), [databaseUrl, id], {
    stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
  })
  const port = await new Promise(resolve => child.once('message', resolve))
  return { url: `http://127.0.0.1:${port}/`, stop: () => child.kill() }
}

/** Saves one small change after the other of a batch. */
function saver(url, headers, { revision, plan: { notes } }) {
  return async i => {
    const changes = [{ at: ['notes'], was: notes, to: `round ${i}` }]
    const sent = { id: randomUUID(), revision, changes }
    const response = await fetch(url, { method: 'PATCH', headers, body: JSON.stringify(sent) })
    if (!response.ok) throw new Error(`a save was answered ${response.status}`)
    revision = (await response.json()).revision
    notes = `round ${i}`
  }
}

/** Puts batches of one plan there; gives what the server answers of each. */
async function addBatches(base, headers, plan, count) {
  const added = []
  for (let i = 0; i < count; i += 1) {
    const body = JSON.stringify({ plan: { ...plan, name: `${plan.name} ${i + 1}` } })
    const response = await fetch(`${base}/api/batches`, { method: 'POST', headers, body })
    if (!response.ok) throw new Error(`a new batch was answered ${response.status}`)
    added.push(await response.json())
  }
  return added
}

const CLIENTS = 50
const SAVES = 30

/** Fifty windows that save all at once, each its own batch. */
async function manySaving(base, headers, plan) {
  const batches = await addBatches(base, headers, plan, CLIENTS)
  const savers = batches.map(batch => saver(`${base}/api/batches/${batch.id}`, headers, batch))
  await Promise.all(savers.map(save => timed(3, save)))
  const times = await Promise.all(savers.map(save => timed(SAVES, save)))
  tell('api.plan.save50.p99_ms', percentile(times.flat(), 0.99), 'ms')
}

/** All pages of a list of two hundred batches, as sent before compression. */
async function manyListed(base, headers, plan) {
  await addBatches(base, headers, { ...plan, name: 'Listed' }, 200)
  let bytes = 0
  let after = ''
  do {
    const text = await (await fetch(`${base}/api/batches?search=Listed${after}`, { headers })).text()
    bytes += text.length
    const { next } = JSON.parse(text)
    after = next && `&after=${encodeURIComponent(next)}`
  } while (after)
  tell('batches.list200.kb', bytes / 1024, 'kB')
}

/** A batch read and written over HTTP; gives its id and the session for more. */
export async function benchApi(base, databaseUrl) {
  const signedIn = await fetch(`${base}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(DEMO),
  })
  const cookie = signedIn.headers.get('set-cookie').split(';')[0]
  const headers = { cookie, 'content-type': 'application/json' }
  const [found] = (await (await fetch(`${base}/api/batches?search=fathoms`, { headers })).json()).batches
  const url = `${base}/api/batches/${found.id}`
  const batch = await (await fetch(url, { headers })).json()

  await timed(200, async () => (await fetch(url, { headers })).text())
  tell('api.plan.read.p95_ms', p95(await timed(1000, async () => (await fetch(url, { headers })).text())), 'ms')

  const bare = await bareServer(databaseUrl, batch.id)
  await throughput(bare.url, {}, 500)
  await throughput(url, { cookie }, 500)
  const ratios = []
  for (let round = 0; round < 3; round += 1) {
    const plain = await throughput(bare.url, {})
    ratios.push((await throughput(url, { cookie })) / plain)
  }
  bare.stop()
  tell('api.plan.read.ratio_to_bare', ratios.sort((a, b) => a - b)[1], '1')

  const one = saver(url, headers, batch)
  await timed(50, one)
  tell('api.plan.save.p95_ms', p95(await timed(300, one)), 'ms')
  await manySaving(base, headers, batch.plan)
  await manyListed(base, headers, batch.plan)
  return { id: batch.id, cookie }
}
