import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { test as base, chromium, expect } from '@playwright/test'
import type { BrowserContext, ConsoleMessage, Locator, Page, Request } from '@playwright/test'

export { expect }

export const ROOT = join(import.meta.dirname, '..')
export const DEMO = { signInName: 'demo', password: 'trace before colour' }

export const exampleText = (name: string): string => readFileSync(join(ROOT, 'examples', `${name}.json`), 'utf8')

interface Fixtures {
  /** Signed in, and failing on any error in the page's console. */
  maker: Page
  /** Opens a batch of this test's own, made from an example, on one of its pages. */
  open: (example: string, name: string, page?: string) => Promise<string>
}

interface WorkerFixtures {
  /** One browser for each way of opening it, kept from test to test: the application is fetched and compiled once. */
  opened: Map<string, BrowserContext>
}

/** A page of the server's with nothing of the application on it. */
const NOWHERE = '/api/health'

/** Makes a used browser as good as a new one; what it has fetched and compiled it keeps. */
async function emptied(context: BrowserContext, viewport: { width: number; height: number } | null): Promise<void> {
  await context.unrouteAll({ behavior: 'ignoreErrors' })
  await context.setOffline(false)
  const [page = await context.newPage(), ...others] = context.pages()
  const origins = new Set(context.pages().map(one => new URL(one.url()).origin))
  await Promise.all(others.map(other => other.close()))
  await page.unrouteAll({ behavior: 'ignoreErrors' })
  await page.emulateMedia({ media: null, colorScheme: null, reducedMotion: null })
  if (viewport) await page.setViewportSize(viewport)
  await page.goto(NOWHERE)
  await page.evaluate(() => sessionStorage.clear())
  const session = await context.newCDPSession(page)
  for (const origin of origins)
    if (origin !== 'null') await session.send('Storage.clearDataForOrigin', { origin, storageTypes: 'all' })
  await session.detach()
  await context.clearCookies()
}

export const test = base.extend<Fixtures, WorkerFixtures>({
  opened: [
    // oxlint-disable-next-line no-empty-pattern
    async ({}, use) => {
      const opened = new Map<string, BrowserContext>()
      await use(opened)
      for (const context of opened.values()) await context.close()
    },
    { scope: 'worker' },
  ],
  context: async (
    { opened, launchOptions, contextOptions, baseURL, viewport, locale, timezoneId, serviceWorkers, acceptDownloads },
    use,
  ) => {
    const settings = { baseURL, viewport, locale, timezoneId, serviceWorkers, acceptDownloads }
    const options = { ...launchOptions, ...contextOptions, ...settings }
    const key = JSON.stringify(settings)
    // What a service worker keeps is what its test is about: that one has a browser of its own.
    const isKept = serviceWorkers !== 'allow'
    const context = opened.get(key) ?? (await chromium.launchPersistentContext('', options))
    if (isKept) opened.set(key, context)
    await use(context)
    await (isKept ? emptied(context, viewport) : context.close())
  },
  page: async ({ context }, use) => {
    await use(context.pages()[0] ?? (await context.newPage()))
  },
  maker: async ({ page }, use) => {
    const errors: string[] = []
    const onError = (error: Error) => errors.push(error.message)
    const onConsole = (message: ConsoleMessage) => {
      // The browser itself reports refused and failed requests, which some tests cause on purpose.
      if (message.type() === 'error' && !message.text().startsWith('Failed to load resource'))
        errors.push(message.text())
    }
    page.on('pageerror', onError).on('console', onConsole)
    await page.request.post('/api/session', { data: DEMO })
    await use(page)
    page.off('pageerror', onError).off('console', onConsole)
    expect(errors).toEqual([])
  },
  open: async ({ maker }, use) => {
    await use(async (example, name, on = 'score') => {
      // Without readings: those of one test are not to teach the batches of another.
      const plan = { ...(JSON.parse(exampleText(example)) as object), name, seen: [], blendedS: null }
      const response = await maker.request.post('/api/batches', { data: { plan } })
      const { id } = (await response.json()) as { id: string }
      await maker.goto(`/batches/${id}/${on}`)
      await expect(maker.getByLabel(/^Name (of the batch|der Charge)$/)).toHaveValue(name)
      return id
    })
  },
})

export const saved = (page: Page) => expect(page.getByRole('status').getByText('saved', { exact: true })).toBeVisible()

/** Opens an add list by its name and takes a line of it. */
export async function addFrom(where: Page | Locator, name: string, id: string): Promise<void> {
  await where.getByRole('button', { name, exact: true }).click()
  const page = 'page' in where ? where.page() : where
  await page.locator(`[role=option][data-id="${id}"]`).click()
}

/** What an address shows: all things of the shelf are on one page. */
const placeOf = ({ pathname }: URL): string => pathname.replace(/^\/shelf\/.*/, '/shelf')

/** So long nothing is asked of the server before a page counts as all there, ms. */
const QUIET_MS = 250

/**
 * Goes to an address of the application that is open, as its links do: without loading it anew. Resolves when the page has asked
 * for nothing more for a moment. Where none is open, it is loaded there.
 */
export async function goTo(page: Page, path: string): Promise<void> {
  if ((await page.locator('main').count()) === 0) return void (await page.goto(path))
  const isOther = placeOf(new URL(path, page.url())) !== placeOf(new URL(page.url()))
  const waiting = new Set<Request>()
  let lastMs = Date.now()
  const asked = (request: Request) => {
    // A worker that is stopped while its script comes is never told of as answered.
    if (request.resourceType() !== 'eventsource' && !/\.worker-[^/]*\.js$/.test(request.url())) waiting.add(request)
    lastMs = Date.now()
  }
  const answered = (request: Request) => {
    waiting.delete(request)
    lastMs = Date.now()
  }
  page.on('request', asked).on('requestfinished', answered).on('requestfailed', answered)
  await page.evaluate(to => {
    document.querySelector('main')?.setAttribute('data-left', '')
    history.pushState(null, '', to)
    dispatchEvent(new PopStateEvent('popstate', { state: null }))
  }, path)
  if (isOther) await expect(page.locator('main:not([data-left])').first()).toBeAttached()
  await expect.poll(() => waiting.size === 0 && Date.now() - lastMs >= QUIET_MS, { intervals: [50] }).toBe(true)
  page.off('request', asked).off('requestfinished', answered).off('requestfailed', answered)
}

const STAGE_OF: Readonly<Record<string, string>> = {
  ...{ Recipe: 'Batter', Heat: 'Batter' },
  ...{ Score: 'Score', Cups: 'Score', Colour: 'Score', Bars: 'Score' },
  ...{ 'Run sheet': 'Prepare', Weigh: 'Prepare', Cards: 'Prepare', Sheet: 'Prepare' },
  ...{ Rest: 'Rest', Cut: 'Rest' },
}

/** Turns to a page of the open batch as a maker does: to its stage, then to the page. */
export async function turnTo(page: Page, name: string): Promise<void> {
  const stage = STAGE_OF[name]!
  const pages = page.getByRole('navigation', { name: `Pages of ${stage}` })
  if (!(await pages.isVisible()))
    await page
      .getByRole('navigation', { name: 'Stages' })
      .getByRole('link', { name: new RegExp(`^${stage}\\b`) })
      .click()
  await pages.getByRole('link', { name, exact: true }).click()
  await expect(pages.getByRole('link', { name, exact: true })).toHaveAttribute('aria-current', 'page')
}
