import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Page } from '@playwright/test'
import { ROOT, expect, goTo, saved, test } from '../workshop.ts'

const german = JSON.parse(readFileSync(join(ROOT, 'core/languages/de.json'), 'utf8')) as Record<string, string>

test.use({ locale: 'de-DE' })

/** Whatever on a page is a sentence of ours, still in English: its texts, and what is read out of buttons and pictures. */
async function english(page: Page): Promise<string[]> {
  const texts = await page.evaluate(() => {
    const found = new Set<string>()
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
    while (walker.nextNode()) found.add(walker.currentNode.textContent!.trim())
    for (const name of ['aria-label', 'title', 'placeholder', 'alt'])
      document.querySelectorAll(`[${name}]`).forEach(one => found.add(one.getAttribute(name)!.trim()))
    return [...found]
  })
  // What the workshop itself has called so stays: names of batches, oils, cups and vessels.
  const { batches } = (await (await page.request.get('/api/batches')).json()) as { batches: { name: string }[] }
  const own = new Set(batches.map(({ name }) => name))
  return texts.filter(text => !own.has(text) && / |[.?!]$/.test(text) && text in german && german[text] !== text)
}

test('every page of a batch, and of the workshop, speaks German', async ({ maker, open }) => {
  test.slow()
  const id = await open('weir-milk', 'Auf Deutsch', 'score')
  const left: string[] = []
  await expect(maker.locator('html')).toHaveAttribute('lang', 'de')
  const stages = 'score cups colour bars batter heat prepare weigh cards sheet rest cut bench'
  const after = 'outcome faults taught lots labels cost history record compare rehearse'
  for (const page of `${stages} ${after}`.split(' ')) {
    await goTo(maker, `/batches/${id}/${page}`)
    left.push(...(await english(maker)).map(text => `${page}: ${text}`))
  }
  for (const page of 'batches today rack shelf recipes designs trials lessons faults craft glossary bin account'.split(
    ' ',
  )) {
    await goTo(maker, `/${page}`)
    left.push(...(await english(maker)).map(text => `${page}: ${text}`))
  }
  expect(left).toEqual([])
})

test('a number is typed and shown with a comma; the sheet on paper is German too', async ({ maker, open }) => {
  const id = await open('seven-fathoms', 'Mit Komma', 'batter')
  const superfat = maker.getByLabel('Überfettung', { exact: true })
  await superfat.fill('6,5')
  await superfat.press('Enter')
  await expect(superfat).toHaveValue('6,5')
  await expect(maker.getByText(/^\d+,\d g$/).first()).toBeVisible()
  await expect(maker.getByRole('status').getByText('gespeichert', { exact: true })).toBeVisible()
  await goTo(maker, `/batches/${id}/sheet`)
  const link = await maker.getByRole('link', { name: 'Als PDF' }).getAttribute('href')
  expect(link).toContain('language=de')
  expect(link).toContain('decimal=comma')
  const pdf = await maker.request.get(link!)
  expect(pdf.headers()['content-type']).toBe('application/pdf')
})

test('what is refused is said in German, beside its field', async ({ page }) => {
  await page.goto('/')
  await page.getByLabel('Anmeldename').fill('niemand')
  await page.getByLabel('Passwort').fill('falsch und lang genug')
  await page.getByRole('button', { name: 'Anmelden', exact: true }).click()
  await expect(page.getByText('Dieser Anmeldename und dieses Passwort gehören nicht zusammen.')).toBeVisible()
})

test('English with a comma and a clock to twelve, by one’s own choice, kept through a reload', async ({
  maker,
  open,
}) => {
  await maker.goto('/account')
  await maker.getByLabel('Sprache', { exact: true }).selectOption('English')
  await maker.getByLabel('Clock').selectOption('12')
  await expect(maker.getByText('Here: 1234,5 g, Thu 24 Dec 2026, 3:30 PM.', { exact: false })).toBeVisible()
  await open('seven-fathoms', 'Both ways', 'batter')
  await expect(maker.getByLabel('Superfat', { exact: true })).toHaveValue('5')
  await saved(maker)
})
