import { fork } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { launchBrowser } from './browser.mjs'
import { p95, percentile, tell } from './measure.mjs'
import { ROOT } from './paths.mjs'

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

  await page.getByRole('button', { name: 'From a table' }).click()
  const buffer = Buffer.from(oilTable(ROWS, core))
  const from = performance.now()
  await page.getByLabel('Table file (CSV or .xlsx)').setInputFiles({ name: 'oils.csv', mimeType: 'text/csv', buffer })
  await page.getByRole('region', { name: 'What this file would do' }).waitFor()
  tell('csv.rows20000.s', (performance.now() - from) / 1000, 's')
}

const DRAG_STEPS = 150

/** Gaps between the frames that the page paints while a dose is dragged on the Colour page. */
async function colourDrag(base, page) {
  const { batches } = await (await page.request.get(`${base}/api/batches?search=ninth`)).json()
  await page.goto(`${base}/batches/${batches[0].id}/colour?cup=cup-6`)
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

/** Holds both cores busy while something runs. */
async function whileBusy(act) {
  const busy = [1, 2].map(() => fork(join(ROOT, 'scripts', 'lib', 'busy.mjs'), { stdio: 'ignore' }))
  try {
    return await act()
  } finally {
    for (const child of busy) child.kill()
  }
}

const OPENED = 12

/** From the press on Bars to the first face that is painted there, with both cores busy. */
async function firstFace(base, page, id) {
  const times = []
  for (let i = 0; i < OPENED; i += 1) {
    await page.goto(`${base}/batches/${id}/cups`)
    await page.getByRole('link', { name: 'Bars' }).waitFor()
    await page.waitForLoadState('networkidle')
    const took = await whileBusy(() =>
      page.evaluate(async () => {
        const frame = () => new Promise(requestAnimationFrame)
        const isPainted = canvas => {
          const { width, height } = canvas
          if (width < 40 || height < 20) return false
          return canvas.getContext('2d').getImageData(width >> 1, height >> 1, 1, 1).data[3] > 0
        }
        const link = [...document.querySelectorAll('nav a')].find(one => one.textContent.trim() === 'Bars')
        const from = performance.now()
        link.click()
        while (![...document.querySelectorAll('main canvas')].some(isPainted)) await frame()
        return performance.now() - from
      }),
    )
    if (i > 1) times.push(took)
  }
  tell('face.first_paint_ms', percentile(times, 0.5), 'ms')
}

const ENTRIES = 8

/** From a key at the bench to the paint that shows it, there and in a second window on the same run. */
async function benchEntries(base, page, id) {
  const run = randomUUID()
  const answer = await page.request.post(`${base}/api/batches/${id}/runs`, { data: { id: run } })
  if (!answer.ok()) throw new Error(`a new run was answered ${answer.status()}`)
  const open = async one => {
    await one.goto(`${base}/bench/${run}`)
    await one.getByRole('region', { name: 'Now' }).waitFor()
    await one.waitForLoadState('load')
  }
  /** Resolves with the clock when the deed has become another one and is painted. */
  const changed = () => {
    const deed = () => document.querySelector('section[aria-label=Now] p').textContent
    const before = deed()
    return new Promise(done => {
      const look = () =>
        deed() === before ? requestAnimationFrame(look) : requestAnimationFrame(() => done(Date.now()))
      look()
    })
  }
  const press = () => {
    const now = Date.now()
    document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }))
    return now
  }
  /** Times from the key to the paint in the window that is looked at: one in the background paints seldom. */
  const entries = async watched => {
    const times = []
    for (let i = 0; i < ENTRIES; i += 1) {
      const seen = watched.evaluate(changed)
      await page.waitForTimeout(400)
      const from = await page.evaluate(press)
      times.push((await seen) - from)
    }
    return times
  }
  await open(page)
  const taps = await entries(page)
  const other = await page.context().newPage()
  await open(other)
  const fans = await entries(other)
  await other.close()
  tell('run.tap_to_ack.p95_ms', p95(taps), 'ms')
  tell('run.fanout.p95_ms', p95(fans), 'ms')
}

/** What the browser itself does not tell of an event that was painted sooner than this, ms. */
const LEAST_TOLD_MS = 16

/**
 * Times from a key on a boundary to the next paint after all that it did, as the browser's own event timing has them (to 8 ms). The
 * first of them meet a page that still draws its faces, and code that no one has run yet.
 */
async function editsToPaint(page) {
  const handle = page.getByRole('slider').first()
  await handle.focus()
  await page.evaluate(least => {
    window.keys_ = []
    window.keysSeen = new PerformanceObserver(list =>
      window.keys_.push(
        ...list
          .getEntries()
          .filter(one => one.name === 'keydown')
          .map(one => one.duration),
      ),
    )
    window.keysSeen.observe({ type: 'event', durationThreshold: least })
  }, LEAST_TOLD_MS)
  for (let i = 0; i < EDITS; i += 1) {
    const before = await handle.getAttribute('aria-valuenow')
    await page.keyboard.press(i % 2 ? 'ArrowDown' : 'ArrowUp')
    await page.evaluate(() => new Promise(done => requestAnimationFrame(() => requestAnimationFrame(done))))
    if ((await handle.getAttribute('aria-valuenow')) === before) throw new Error('the edit did not show')
  }
  const told = await page.evaluate(async () => {
    // They are told a moment after the paint.
    await new Promise(done => setTimeout(done, 200))
    window.keysSeen.disconnect()
    return window.keys_
  })
  return [...told, ...Array.from({ length: EDITS - told.length }, () => LEAST_TOLD_MS)]
}

/** Pages in Chromium: script of the first route, an edit until it is painted, a drag of colour, a large shelf. */
export async function benchPages(base, { id, cookie }) {
  tell('web.first_route.script_kb_gz', firstRouteScript(), 'KB')
  const browser = await launchBrowser()
  try {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } })
    const [name, value] = cookie.split('=')
    await context.addCookies([{ name, value, url: base }])
    const page = await context.newPage()
    await page.goto(`${base}/batches/${id}/score`)
    await page.getByRole('slider').first().waitFor()
    await page.evaluate(() => document.fonts.ready)
    tell('web.edit_to_paint.first_p95_ms', p95(await editsToPaint(page)), 'ms')
    await page.waitForLoadState('networkidle')
    tell('web.edit_to_paint.p95_ms', p95(await editsToPaint(page)), 'ms')
    await colourDrag(base, page)
    await firstFace(base, page, id)
    await benchEntries(base, page, id)
    await largeShelf(base, page)
  } finally {
    await browser.close()
  }
}
