import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { test as base, expect } from '@playwright/test'
import type { Locator, Page } from '@playwright/test'

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

export const test = base.extend<Fixtures>({
  maker: async ({ page }, use) => {
    const errors: string[] = []
    page.on('pageerror', error => errors.push(error.message))
    page.on('console', message => {
      // The browser itself reports refused and failed requests, which some tests cause on purpose.
      if (message.type() === 'error' && !message.text().startsWith('Failed to load resource'))
        errors.push(message.text())
    })
    await page.request.post('/api/session', { data: DEMO })
    await use(page)
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
