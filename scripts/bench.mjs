// npm run -s bench: JSON lines {"name","value","unit"} on standard output, measured here and now.
import { execFileSync } from 'node:child_process'
import { once } from 'node:events'
import { readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { Worker } from 'node:worker_threads'
import { gzipSync } from 'node:zlib'
import { chanceError, lanesCoverage, randomPlans, restCoverage } from './lib/coverage.mjs'
import { buildAll, ensurePackages } from './lib/build.mjs'
import { launchBrowser } from './lib/browser.mjs'
import { withDemoServer } from './lib/demo-server.mjs'
import { machineRatio, median, p95, tell, timed } from './lib/measure.mjs'
import { ROOT } from './lib/paths.mjs'
import { run } from './lib/say.mjs'

const DEMO = { signInName: 'demo', password: 'trace before colour' }

async function core() {
  const { everything, forecast, plainOil, readPlanText, referenceShelf, remediesFor, starterPlan, unitBatter } =
    await import('@ostler/core')
  const { plan } = readPlanText(readFileSync(join(ROOT, 'examples', 'seven-fathoms.json'), 'utf8'))
  const warmer = i => ({ ...plan, conditions: { ...plan.conditions, mixC: 27 + (i % 80) / 10 } })
  await timed(50, i => forecast(warmer(i), referenceShelf()))
  tell('forecast.plan7.p95_ms', p95(await timed(500, i => forecast(warmer(i), referenceShelf()))), 'ms')
  const [first] = [forecast(plan, referenceShelf())]
  tell(
    'preparation.plan7.p95_ms',
    p95(await timed(60, i => everything(warmer(i), referenceShelf(), first.forecast))),
    'ms',
  )
  const oils = referenceShelf().oils.slice(0, 12)
  const twelve = i => ({
    ...starterPlan('x').recipe,
    oils: oils.map((oil, j) => plainOil(oil.id, (1 + ((i + j) % 5)) / 36)),
    liquids: [{ liquid: 'goat-milk', shareOfWater: 0.5, measure: 'water', moment: 'lye', countFat: true }],
  })
  await timed(200, i => unitBatter(twelve(i), referenceShelf()))
  tell('recipe.oils12.p95_ms', p95(await timed(1000, i => unitBatter(twelve(i), referenceShelf()))), 'ms')
  await colours()
  await faces()
  await lanes()
  await rest(first.forecast, plan)
  await honesty()
  tell('remedies.plan7.p95_ms', p95(await timed(30, i => remediesFor(warmer(i), referenceShelf()))), 'ms')
}

/** Twelve cups of two colorants and a browning scent at three ages, gelled and not; and two doses for a wished colour. */
async function colours() {
  const { coloursOfPlan, newCupColorant, portionsOf, reachWish, readPlanText, referenceShelf } =
    await import('@ostler/core')
  const shelf = referenceShelf()
  const { plan: dusk } = readPlanText(readFileSync(join(ROOT, 'examples', 'ninth-lock.json'), 'utf8'))
  const lasting = shelf.colorants.filter(one => one.inLye === 'stable')
  const cups = Array.from({ length: 12 }, (_, i) => ({
    ...dusk.cups[0],
    id: `cup-${i}`,
    colorants: [lasting[i % lasting.length], lasting[(i + 5) % lasting.length]].map(one => newCupColorant(one)),
  }))
  const score = cups.map((cup, i) => ({ ...dusk.score[0], id: `pour-${i}`, cup: cup.id, share: 1 / 12 }))
  const plan = { ...dusk, cups, score, reserves: [], ladders: [] }
  const portions = portionsOf(plan, shelf)
  const older = i => ({ ...plan, colour: { ...plan.colour, curedDays: 28 + (i % 60) } })
  await timed(100, i => coloursOfPlan(older(i), portions, shelf))
  tell('colour.cups12x3ages.p95_ms', p95(await timed(500, i => coloursOfPlan(older(i), portions, shelf))), 'ms')
  const wish = i => `#${(0x304060 + i * 1511).toString(16).padStart(6, '0').slice(-6)}`
  const two = ['ultramarine-blue', 'red-oxide']
  await timed(20, i => reachWish(plan, portions, shelf, 0, wish(i), two))
  tell('colour.inverse.p95_ms', p95(await timed(200, i => reachWish(plan, portions, shelf, 0, wish(i), two))), 'ms')
}

/** Lanes, many runs of a plan, and the search for a better one. */
async function lanes() {
  const {
    FREEDOMS,
    chanceOf,
    jobOf,
    lanesOf,
    monteCarlo,
    plainCup,
    portionsOf,
    readPlanText,
    referenceShelf,
    searchPlans,
  } = await import('@ostler/core')
  const shelf = referenceShelf()
  const { plan } = readPlanText(readFileSync(join(ROOT, 'examples', 'verdigris-stair.json'), 'utf8'))
  const withCups = count => {
    const cups = Array.from({ length: count }, (_, i) => ({
      ...plan.cups[i % plan.cups.length],
      ...(i >= plan.cups.length && plainCup(`more-${i}`, `More ${i}`)),
    }))
    const score = cups.map((cup, i) => ({ ...plan.score[0], id: `pour-${i + 1}`, cup: cup.id, share: 1 / count }))
    const full = { ...plan, cups, score, ladders: [], moves: [] }
    return jobOf(full, portionsOf(full, shelf), shelf)
  }
  const [six, twelve] = [withCups(6), withCups(12)]
  await timed(20, () => lanesOf(twelve))
  tell('lanes.cups12.p95_ms', p95(await timed(100, () => lanesOf(twelve))), 'ms')
  tell('lanes.mc400x6.median_ms', median(await timed(5, () => monteCarlo(six, 400))), 'ms')
  tell('lanes.mc400x12.median_ms', median(await timed(5, () => monteCarlo(twelve, 400))), 'ms')
  const ratio = againstC('native-lanes')
  if (ratio !== null) tell('lanes.ratio_to_c', ratio, '1')
  const before = chanceOf(jobOf(plan, portionsOf(plan, shelf), shelf))
  const from = performance.now()
  let useful = null
  for (const { best } of searchPlans(plan, shelf, { free: new Set(Object.keys(FREEDOMS)), aim: 'works' }))
    if (best > before + 0.1) useful ??= performance.now() - from
  tell('lanes.search.first_useful_ms', useful, 'ms')
  tell('lanes.search.all_ms', performance.now() - from, 'ms')
}

/** A kernel against its twin in C, in a process of its own; null without a compiler. */
const againstC = name => JSON.parse(execFileSync(process.execPath, [join(ROOT, 'scripts', 'lib', `${name}.mjs`)]))

/** A day in the mould: the section as the page shows it, all of the loaf; one quick look, and all runs for its numbers. */
async function rest(made, plan) {
  const { aboutOf, quickRest, referenceShelf, restJobOf, restNumbers, workedThrough } = await import('@ostler/core')
  const inputs = { plan, shelf: referenceShelf(), portions: made.portions, lanes: made.lanes }
  const day = { untilS: 24 * 3600 }
  const fine = { ...restJobOf(inputs, 'fine'), ...day }
  await timed(10, () => workedThrough(fine))
  tell('gel.2d24h.median_ms', median(await timed(30, () => workedThrough(fine))), 'ms')
  const whole = { ...restJobOf(inputs, 'whole'), ...day }
  workedThrough(whole)
  tell('gel.3d24h.median_ms', median(await timed(3, () => workedThrough(whole))), 'ms')
  const ratio = againstC('native-heat')
  if (ratio !== null) tell('gel.2d24h.ratio_to_c', ratio, '1')
  await timed(20, () => quickRest(inputs))
  tell('gel.quick.median_ms', median(await timed(50, () => quickRest(inputs))), 'ms')
  const [job, about] = [restJobOf(inputs, 'quick'), aboutOf(inputs)]
  await timed(2, () => restNumbers(job, about))
  tell('gel.numbers24.median_ms', median(await timed(10, () => restNumbers(job, about))), 'ms')
}

const DRAWN_PLANS = 50
const MANY_RUNS = 2000
const COVERED_RUNS = 100
const COVERED_RESTS = 40

/** How often bands hold, and by how many points chances are off, over all examples and as many plans drawn at random. */
async function honesty() {
  const core = await import('@ostler/core')
  const shelf = core.referenceShelf()
  const folder = join(ROOT, 'examples')
  const examples = readdirSync(folder).map(file => core.readPlanText(readFileSync(join(folder, file), 'utf8')).plan)
  const plans = [...examples, ...randomPlans(core, examples, DRAWN_PLANS, 11)]
  const bands = []
  const margins = []
  const errors = []
  const rests = { peakC: [], peakMin: [], startMin: [], unmouldMin: [] }
  plans.forEach((plan, i) => {
    const portions = core.portionsOf(plan, shelf)
    const job = core.jobOf(plan, portions, shelf)
    const lanes = lanesCoverage(core, job, COVERED_RUNS, 100 + i)
    bands.push(lanes.band)
    if (lanes.margin !== null) margins.push(lanes.margin)
    const { many, truth } = chanceError(core, job, MANY_RUNS, 500 + i)
    errors.push(100 * Math.abs(many - truth))
    const held = restCoverage(core, { plan, shelf, portions, lanes: core.lanesOf(job) }, COVERED_RESTS, 900 + i)
    for (const [key, share] of Object.entries(held)) if (share !== null) rests[key].push(share)
  })
  const mean = list => list.reduce((sum, x) => sum + x, 0) / list.length
  tell('lanes.band80.coverage', mean(bands), '1')
  tell('lanes.margin80.coverage', mean(margins), '1')
  tell('rest.band80.coverage', mean(Object.values(rests).flat()), '1')
  for (const [key, shares] of Object.entries(rests)) tell(`rest.band80.${key}.coverage`, mean(shares), '1')
  tell('chances.error_points', mean(errors), 'points')
  tell('chances.error_points.p95', p95(errors), 'points')
}

/** As many workers as the page has on two cores. */
const FACE_WORKERS = 2

/** A pool of threads that draw bands of rows, as the page's workers do. */
async function facePool(program) {
  const workers = Array.from(
    { length: FACE_WORKERS },
    () => new Worker(join(ROOT, 'scripts', 'lib', 'face-worker.mjs'), { workerData: { program } }),
  )
  await Promise.all(workers.map(worker => once(worker, 'message')))
  const draw = async (view, fineness) => {
    const rows = fineness === 'preview' ? 40 : 64
    let next = 0
    await Promise.all(
      workers.map(async worker => {
        while (next < view.height) {
          const from = next
          next = Math.min(view.height, from + rows)
          worker.postMessage({ view, from, to: next, fineness })
          await once(worker, 'message')
        }
      }),
    )
  }
  return { draw, close: () => Promise.all(workers.map(worker => worker.terminate())) }
}

/** A face of a hanger swirl (twelve strokes): while it is dragged, and finely for a picture. */
async function faces() {
  const { acrossView, designOf, readPlanText, renderRows } = await import('@ostler/core')
  const { plan } = readPlanText(readFileSync(join(ROOT, 'examples', 'heron-reach.json'), 'utf8'))
  const moves = [{ ...plan.moves[0], count: 4 }]
  const { program } = designOf(
    { ...plan, moves },
    plan.score.map(() => 2),
  )
  const viewAt = (i, width) => acrossView(program, 0.2 + 0.005 * (i % 100), width)
  const pool = await facePool(program)
  await timed(10, i => pool.draw(viewAt(i, 400), 'preview'))
  tell('face.preview400x12.median_ms', median(await timed(40, i => pool.draw(viewAt(i, 400), 'preview'))), 'ms')
  await timed(2, i => pool.draw(viewAt(i, 1600), 'final'))
  const final = median(await timed(9, i => pool.draw(viewAt(i, 1600), 'final')))
  tell('face.final1600.median_ms', final, 'ms')
  await pool.close()
  const { width, height } = viewAt(0, 1600)
  const strokes = program.ops.filter(op => op.kind === 'twist').length / 2
  const every = median(
    await timed(3, i => void renderRows(program, viewAt(i, 800), 0, viewAt(i, 800).height, 'every-pixel')),
  )
  tell('face.ns_per_px_move', (every * 4 * 1e6) / (width * height * strokes), 'ns')
  const from = new Uint8Array(width * height * 3)
  const to = new Uint8Array(from.length)
  tell('face.ratio_to_memcpy', final / median(await timed(20, () => to.set(from))), '1')
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
const ITEMS = 2000
const ROWS = 20_000

/** A table of oils with the columns that the page itself writes. */
function oilTable(rows, core) {
  const { referenceShelf, tableHeaders, tableRow } = core
  const { oils } = referenceShelf()
  const cell = text => (/[",\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text)
  const lines = [tableHeaders('oils')]
  for (let i = 0; i < rows; i += 1)
    lines.push(tableRow('oils', { ...oils[i % oils.length], id: `bench-${i}`, name: `Bench oil ${i}` }))
  return lines.map(line => line.map(cell).join(',')).join('\n')
}

/** A shelf of 2,000 oils searched and sorted, and a table of 20,000 rows previewed. */
async function largeShelf(base, page) {
  const core = await import('@ostler/core')
  const { oils } = core.referenceShelf()
  const items = Array.from({ length: ITEMS }, (_, i) => ({
    item: { ...oils[i % oils.length], id: `many-${i}`, name: `Many ${i}` },
    revision: 0,
  }))
  const answer = await page.request.post(`${base}/api/shelf/import`, { data: { kind: 'oils', items }, timeout: 60_000 })
  if (!answer.ok()) throw new Error(`the import answered ${answer.status()}`)
  await page.goto(`${base}/shelf/oils`)
  await page.getByText(`of ${ITEMS + oils.length}`).waitFor()
  const times = await page.evaluate(async () => {
    const paint = () => new Promise(done => requestAnimationFrame(() => requestAnimationFrame(done)))
    const field = document.querySelector('input[type=search]')
    const setValue = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set
    const shown = () => document.querySelector('main [role=status]').textContent
    const headers = [...document.querySelectorAll('[role=columnheader]')]
    const all = []
    let searches = 0
    for (let i = 0; i < 40; i += 1) {
      const before = shown()
      const from = performance.now()
      if (i % 4 === 3) headers[(i >> 2) % headers.length].click()
      else {
        searches += 1
        setValue.call(field, searches % 2 ? 'apricot' : `many ${searches % 10}`)
        field.dispatchEvent(new Event('input', { bubbles: true }))
      }
      await paint()
      while (i % 4 !== 3 && shown() === before && performance.now() - from < 2000) await paint()
      all.push(performance.now() - from)
    }
    return all
  })
  tell('web.shelf2000.filter.p95_ms', p95(times), 'ms')

  await page.getByRole('button', { name: 'From CSV' }).click()
  const buffer = Buffer.from(oilTable(ROWS, core))
  const from = performance.now()
  await page.getByLabel('Table file (CSV)').setInputFiles({ name: 'oils.csv', mimeType: 'text/csv', buffer })
  await page.getByRole('region', { name: 'What this file would do' }).waitFor()
  tell('csv.rows20000.s', (performance.now() - from) / 1000, 's')
}

const DRAG_STEPS = 150

/** Gaps between the frames that the page paints while a dose is dragged on the Colour page. */
async function colourDrag(base, page) {
  const list = await (await page.request.get(`${base}/api/batches?search=ninth`)).json()
  await page.goto(`${base}/batches/${list[0].id}/colour?cup=cup-6`)
  const thumb = page.getByRole('slider').first()
  await thumb.scrollIntoViewIfNeeded()
  await page.evaluate(() => document.fonts.ready)
  const swatch = page.getByRole('img', { name: /^Ferry blue 3, cured, not gelled/ })
  const before = await swatch.getAttribute('aria-label')
  const box = await thumb.boundingBox()
  const at = { x: box.x + box.width / 2, y: box.y + box.height / 2 }
  await page.mouse.move(at.x, at.y)
  await page.mouse.down()
  await page.evaluate(() => {
    window.frames_ = []
    const frame = now => {
      window.frames_.push(now)
      window.frameLoop = requestAnimationFrame(frame)
    }
    window.frameLoop = requestAnimationFrame(frame)
  })
  for (let i = 0; i < DRAG_STEPS; i += 1) await page.mouse.move(at.x + 80 * Math.sin(i / 12), at.y)
  const gaps = await page.evaluate(() => {
    cancelAnimationFrame(window.frameLoop)
    return window.frames_.slice(1).map((now, i) => now - window.frames_[i])
  })
  // Where the dose is another one for the scale as well.
  await page.mouse.move(at.x + 60, at.y)
  await page.mouse.up()
  await page.getByRole('img', { name: before, exact: true }).waitFor({ state: 'detached', timeout: 5000 })
  tell('web.colour_drag.frame.p95_ms', p95(gaps), 'ms')
}

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
    await colourDrag(base, page)
    await largeShelf(base, page)
  } finally {
    await browser.close()
  }
}

await run(async () => {
  ensurePackages()
  buildAll()
  tell('machine.js_ratio', await machineRatio(), '1')
  await core()
  await withDemoServer('bench', async (base, databaseUrl) => pages(base, await api(base, databaseUrl)))
})
