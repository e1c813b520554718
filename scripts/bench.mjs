// npm run -s bench: JSON lines {"name","value","unit"} on standard output, measured here and now.
import { readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { buildAll, ensurePackages } from './lib/build.mjs'
import { launchBrowser } from './lib/browser.mjs'
import { withDemoServer } from './lib/demo-server.mjs'
import { ROOT } from './lib/paths.mjs'
import { run } from './lib/say.mjs'

const DEMO = { signInName: 'demo', password: 'trace before colour' }

const tell = (name, value, unit) => console.log(JSON.stringify({ name, value: Number(value.toPrecision(4)), unit }))

const p95 = times => [...times].sort((a, b) => a - b)[Math.ceil(times.length * 0.95) - 1]

async function timed(rounds, act) {
  const times = []
  for (let i = 0; i < rounds; i += 1) {
    const from = performance.now()
    await act(i)
    times.push(performance.now() - from)
  }
  return times
}

async function core() {
  const { REFERENCE_SHELF, forecast, readPlanText, remediesFor } = await import('@ostler/core')
  const { plan } = readPlanText(readFileSync(join(ROOT, 'examples', 'seven-fathoms.json'), 'utf8'))
  const warmer = i => ({ ...plan, conditions: { ...plan.conditions, mixC: 27 + (i % 80) / 10 } })
  await timed(50, i => forecast(warmer(i), REFERENCE_SHELF))
  tell('forecast.plan7.p95_ms', p95(await timed(500, i => forecast(warmer(i), REFERENCE_SHELF))), 'ms')
  tell('remedies.plan7.p95_ms', p95(await timed(30, i => remediesFor(warmer(i), REFERENCE_SHELF))), 'ms')
}

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

async function api(base, databaseUrl) {
  const signedIn = await fetch(`${base}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(DEMO),
  })
  const cookie = signedIn.headers.get('set-cookie').split(';')[0]
  const headers = { cookie, 'content-type': 'application/json' }
  const [batch] = await (await fetch(`${base}/api/batches?search=fathoms`, { headers })).json()
  const url = `${base}/api/batches/${batch.id}`

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

  let { revision } = batch
  const write = async i => {
    const plan = { ...batch.plan, notes: `round ${i}` }
    const response = await fetch(url, { method: 'PUT', headers, body: JSON.stringify({ revision, plan }) })
    revision = (await response.json()).revision
  }
  await timed(50, write)
  tell('api.plan.write.p95_ms', p95(await timed(300, write)), 'ms')
  return { id: batch.id, cookie }
}

/** Compressed script that the first page loads, from its HTML and what that imports at once. */
function firstRouteScript() {
  const dist = join(ROOT, 'web', 'dist')
  const html = readFileSync(join(dist, 'index.html'), 'utf8')
  const wanted = new Set([...html.matchAll(/(?:src|href)="\/(assets\/[^"]+\.js)"/g)].map(found => found[1]))
  for (const file of wanted) {
    const text = readFileSync(join(dist, file), 'utf8')
    for (const found of text.matchAll(/(?:^|[;}\s])(?:import|export)[^;"'`()]*?from\s*["']\.\/([^"']+\.js)["']/g))
      wanted.add(`assets/${found[1]}`)
  }
  const known = new Set(readdirSync(join(dist, 'assets')))
  const files = [...wanted].filter(file => known.has(file.replace('assets/', '')))
  return files.reduce((sum, file) => sum + gzipSync(readFileSync(join(dist, file)), { level: 9 }).length, 0) / 1024
}

const EDITS = 60

async function pages(base, { id, cookie }) {
  tell('web.first_route.script_kb_gz', firstRouteScript(), 'KB')
  const browser = await launchBrowser()
  try {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
    const [name, value] = cookie.split('=')
    await context.addCookies([{ name, value, url: base }])
    const page = await context.newPage()
    await page.goto(`${base}/batches/${id}/score`)
    const boundary = page.getByRole('slider').first()
    await boundary.focus()
    await page.evaluate(() => document.fonts.ready)
    // From the key to the frame after the one that shows it: two animation frames bound the paint from above.
    const times = await page.evaluate(async edits => {
      const paint = () => new Promise(done => requestAnimationFrame(() => requestAnimationFrame(done)))
      const handle = document.querySelector('[role=slider]')
      const all = []
      for (let i = 0; i < edits; i += 1) {
        const before = handle.getAttribute('aria-valuenow')
        const from = performance.now()
        handle.dispatchEvent(new KeyboardEvent('keydown', { key: i % 2 ? 'ArrowDown' : 'ArrowUp', bubbles: true }))
        await paint()
        const took = performance.now() - from
        if (handle.getAttribute('aria-valuenow') === before) throw new Error('the edit did not show')
        all.push(took)
      }
      return all
    }, EDITS)
    tell('web.edit_to_paint.p95_ms', p95(times), 'ms')
  } finally {
    await browser.close()
  }
}

await run(async () => {
  ensurePackages()
  buildAll()
  await core()
  await withDemoServer('bench', async (base, databaseUrl) => pages(base, await api(base, databaseUrl)))
})
