// npm run screenshots: one current picture of each main view, from the demo data, into docs/screenshots.
import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { launchBrowser } from './lib/browser.mjs'
import { buildAll, ensurePackages } from './lib/build.mjs'
import { withDemoServer } from './lib/demo-server.mjs'
import { ROOT } from './lib/paths.mjs'
import { run } from './lib/say.mjs'

const FOLDER = join(ROOT, 'docs', 'screenshots')
const DESK = { width: 1280, height: 800 }
const PHONE = { width: 390, height: 844 }

/** A second press within a third of a second counts as a bounce. */
async function press(page, key) {
  await page.keyboard.press(key)
  await page.waitForTimeout(400)
}

/** A run done as planned until the first cup is to be poured. */
async function untilPour(page) {
  await page.getByRole('button', { name: 'Begin a run' }).click()
  const now = page.getByRole('region', { name: 'Now' }).locator('p').first()
  for (let n = 0; n < 120 && !/^Pour/.test(await now.textContent()); n += 1) {
    await press(page, 'Enter')
    if (await page.getByRole('region', { name: 'Measured' }).isVisible()) {
      await page.keyboard.type('33')
      await press(page, 'Enter')
    }
    const holds = page.getByRole('button', { name: 'It holds' })
    if (await holds.isVisible()) await holds.click()
  }
}

/** The bench as the first cup is poured, after a drip test of it; then on a phone, as another batch thickens and plan B is called. */
async function bench(page, open, shot) {
  await open('Weir Milk, first pour')
  await untilPour(page)
  await press(page, 's')
  await press(page, 'Enter')
  await page.waitForTimeout(4000)
  await press(page, 'Enter')
  await page
    .getByText(/at least, likely/)
    .first()
    .waitFor()
  await page.waitForTimeout(1000)
  await shot('bench')
  await open('Verdigris Stair')
  await untilPour(page)
  await page.setViewportSize(PHONE)
  await press(page, 's')
  await page.getByRole('button', { name: /^pudding/ }).click()
  const isSo = page.getByRole('button', { name: /^It is so/ })
  await isSo.waitFor({ timeout: 3000 }).catch(() => undefined)
  if (await isSo.isVisible()) await isSo.click()
  await page.getByRole('alert', { name: 'Plan B' }).waitFor()
  await shot('phone-bench')
}

/** A face as it might come out: the forecast one a little paler, with what a phone does to it. */
const photographed = page =>
  page.evaluate(() => {
    const face = document.querySelector('canvas')
    const canvas = document.createElement('canvas')
    canvas.width = 1600
    canvas.height = Math.round((1600 * face.height) / face.width)
    const context = canvas.getContext('2d')
    context.filter = 'blur(3px) saturate(0.8) brightness(0.95)'
    context.drawImage(face, 0, 0, canvas.width, canvas.height)
    return canvas.toDataURL('image/jpeg').split(',')[1]
  })

/** What came of a batch that went wrong, the rack, and what is due. */
async function record(page, base, open, shot) {
  await open('Cinder Path', 'outcome')
  await page.waitForFunction(() => document.querySelector('canvas')?.dataset.fine === 'yes')
  const buffer = Buffer.from(await photographed(page), 'base64')
  await page.getByLabel('Photographs to add').setInputFiles({ name: 'bar.jpg', mimeType: 'image/jpeg', buffer })
  const photo = page.getByAltText('Photograph of the bar')
  await photo.waitFor()
  await photo.evaluate(image => image.decode())
  await page.getByLabel('Weight, g').fill('1265')
  await page.getByRole('button', { name: 'Note it' }).click()
  await page.getByText(/not accounted for|more than went in/).waitFor()
  await shot('outcome', { fullPage: true })
  await open('Cinder Path', 'faults')
  await page.getByRole('region', { name: 'Is it fit' }).waitFor()
  await shot('faults', { fullPage: true })
  await open('Slack Water', 'record')
  await page.waitForFunction(() => document.querySelector('canvas')?.dataset.fine === 'yes')
  await shot('record', { fullPage: true })
  await page.goto(`${base}/rack`)
  await page
    .getByText(/, in \d+ days?/)
    .first()
    .waitFor()
  await shot('rack')
  await page.goto(`${base}/today`)
  await page.getByRole('heading', { name: 'This week' }).waitFor()
  await shot('today')
}

/** A rehearsal on a bad day, as its last cup is to be filled. */
async function rehearsal(page, base, open, shot) {
  const { followingOf, readPlan, rehearsalOf, rehearse, undone } = await import('@ostler/core')
  await open('Heron Reach', 'rehearse')
  const batch = /batches\/([^/]+)/.exec(page.url())[1]
  const id = crypto.randomUUID()
  const setting = { seed: 12, level: 'bad-day', begins: 'lye' }
  await page.request.post(`${base}/api/batches/${batch}/rehearsals`, { data: { id, setting } })
  const { plan, shelf } = await (await page.request.get(`${base}/api/rehearsals/${id}`)).json()
  const { events } = rehearse(rehearsalOf(followingOf(readPlan(plan).plan, shelf), setting), 'follow')
  const save = async some => {
    const done = { ...undone(), events: some, clockS: some.at(-1).r }
    await page.request.put(`${base}/api/rehearsals/${id}`, { data: { revision: 1, done, score: null } })
  }
  await save(
    events.slice(
      0,
      events.findLastIndex(event => event.kind === 'drawn'),
    ),
  )
  await page.setViewportSize(DESK)
  await page.goto(`${base}/rehearsals/${id}`)
  await page.getByRole('img', { name: /What you see/ }).waitFor()
  await page
    .getByText(/at least/)
    .first()
    .waitFor()
  await shot('rehearsal')
}

/** Members with somebody who was invited, and the history of a batch that was warmed. */
async function workshop(page, base, open, shot) {
  const post = (path, data) => page.request.post(`${base}/api${path}`, { data })
  const { token } = await (await post('/members/invitations', { role: 'maker' })).json()
  const guest = await page.context().browser().newContext()
  const form = { memberName: 'Wren', signInName: 'wren', password: 'two otters and a kettle' }
  await guest.request.post(`${base}/api/ways-in/${token}`, { data: form })
  await guest.close()
  await post('/members/invitations', { role: 'looker' })
  await page.goto(`${base}/members`)
  await page.getByText('came in by an invitation').waitFor()
  await shot('members')

  await open('Seven Fathoms', 'score')
  for (const [field, value] of [
    ['Room', '24'],
    ['Oils and lye meet at', '33'],
  ]) {
    await page.getByRole('textbox', { name: field }).fill(value)
    await page.keyboard.press('Tab')
  }
  await page.getByRole('status').getByText('saved', { exact: true }).waitFor()
  await open('Seven Fathoms', 'history')
  await page.getByRole('button', { name: /As it was made/ }).click()
  await page.getByRole('row', { name: /Room/ }).waitFor()
  await shot('history')
}

async function take(page, base) {
  const shot = (name, options = {}) => page.screenshot({ path: join(FOLDER, `${name}.png`), ...options })
  const open = async (batch, view) => {
    await page.goto(`${base}/batches`)
    await page.getByRole('main').getByRole('link', { name: batch, exact: true }).click()
    await page.getByLabel('Name of the batch').waitFor()
    const id = /batches\/([^/]+)/.exec(page.url())[1]
    await page.goto(`${base}/batches/${id}/${view}`)
    await page.getByLabel('Name of the batch').waitFor()
    // A picture of another page than the one that it is named for would be worse than none.
    const path = new URL(page.url()).pathname
    if (path !== `/batches/${id}/${view}`) throw new Error(`${view} of ${batch} was asked for, ${path} is shown.`)
    await page.evaluate(() => document.fonts.ready)
  }
  const advised = () => page.getByLabel('Biggest risk').getByRole('button', { name: 'Apply' }).first().waitFor()

  await page.goto(base)
  await page.getByRole('button', { name: 'Fill in the demo sign-in' }).click()
  await page.getByRole('button', { name: 'Sign in', exact: true }).click()
  await page.getByText('in trouble').waitFor()
  // Pictures of batches are worked out once the list has been asked for.
  await page.waitForFunction(() => {
    const faces = [...document.querySelectorAll('main img')]
    return faces.length >= 10 && faces.slice(0, 6).every(face => face.complete)
  })
  await shot('batches')

  await open('Verdigris Stair', 'score')
  await advised()
  await shot('score-in-trouble')
  await open('Weir Milk, first pour', 'batter')
  await shot('batter', { fullPage: true })
  await open('Verdigris Stair', 'rest')
  await page.getByText('Bar by bar').waitFor()
  await page.getByText(/The ends cool sooner/).waitFor()
  await shot('rest', { fullPage: true })
  await page.goto(`${base}/shelf/oils/coconut`)
  await page.getByRole('heading', { name: 'Coconut oil' }).waitFor()
  await shot('shelf')
  await open('Quarry Bench', 'sheet')
  await shot('sheet', { fullPage: true })

  await page.goto(`${base}/trials`)
  await page.getByRole('link', { name: 'Green, five doses' }).click()
  await page.getByRole('heading', { name: 'Day 42' }).waitFor()
  await shot('trial', { fullPage: true })
  await open('Ninth Lock at Dusk', 'cups')
  await page.getByRole('button', { name: 'Foam', exact: true }).click()
  await shot('cups')
  await open('Ninth Lock at Dusk', 'colour')
  await page.getByRole('button', { name: 'Foam', exact: true }).click()
  await page.getByText('Take these doses').waitFor()
  await shot('colour')
  await record(page, base, open, shot)
  await bench(page, name => open(name, 'bench'), shot)
  await rehearsal(page, base, open, shot)
  await workshop(page, base, open, shot)
}

await run(async () => {
  ensurePackages()
  buildAll()
  mkdirSync(FOLDER, { recursive: true })
  await withDemoServer('screenshots', async base => {
    const browser = await launchBrowser()
    try {
      const context = await browser.newContext({ viewport: DESK, locale: 'en-GB', timezoneId: 'UTC' })
      await take(await context.newPage(), base)
    } finally {
      await browser.close()
    }
  })
})
