import { AxeBuilder } from '@axe-core/playwright'
import type { Page } from '@playwright/test'
import { expect, goTo, test } from '../workshop.ts'

/** What the page breaks of WCAG 2.2 A and AA, in short. */
async function broken(page: Page): Promise<string[]> {
  await page.evaluate(() => document.fonts.ready)
  // In the page itself, which has no frames: the usual way opens another page for each look.
  const { violations } = await new AxeBuilder({ page })
    .options({ runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'], resultTypes: ['violations'] })
    .setLegacyMode()
    .analyze()
  return violations.flatMap(({ id, nodes }) => nodes.map(node => `${id}: ${node.target.join(' ')}`))
}

test('sign-in', async ({ page }) => {
  await page.goto('/')
  await expect(page.getByLabel('Password')).toBeVisible()
  expect(await broken(page)).toEqual([])
})

test('batches', async ({ maker }) => {
  await maker.goto('/batches')
  await expect(maker.getByText('in trouble').first()).toBeVisible()
  expect(await broken(maker)).toEqual([])
})

test('what came of a batch, and what went wrong', async ({ maker, open }) => {
  await open('weir-milk', 'Looked through', 'faults')
  for (const page of ['faults', 'taught', 'lots', 'labels', 'record', 'cost']) {
    await goTo(maker, maker.url().replace(/[a-z]+$/, page))
    await expect(maker.getByRole('heading', { level: 1 }).nth(1)).toBeVisible()
    expect(await broken(maker), page).toEqual([])
  }
  for (const page of ['/faults', '/faults/guess', '/rack', '/today']) {
    await goTo(maker, page)
    await expect(maker.getByRole('heading', { level: 1 }).first()).toBeVisible()
    expect(await broken(maker), page).toEqual([])
  }
})

test('shelf and recipes', async ({ maker }) => {
  await maker.goto('/shelf/scents/eo-lavender')
  await expect(maker.getByRole('heading', { name: 'Lavender (essential oil)' })).toBeVisible()
  expect(await broken(maker)).toEqual([])
  await maker.getByRole('button', { name: 'From a table' }).click()
  expect(await broken(maker)).toEqual([])
  await goTo(maker, '/recipes')
  await expect(maker.getByRole('heading', { name: 'Compare two' })).toBeVisible()
  expect(await broken(maker)).toEqual([])
})

test('trials, and a script of a rehearsal', async ({ maker, open }) => {
  await maker.goto('/trials')
  await expect(maker.getByRole('heading', { name: 'A new trial' })).toBeVisible()
  expect(await broken(maker)).toEqual([])
  await maker.getByRole('link', { name: 'Green, five doses' }).click()
  await expect(maker.getByRole('heading', { name: 'Day 42' })).toBeVisible({ timeout: 30_000 })
  await maker.getByRole('button', { name: 'Look at them now' }).click()
  expect(await broken(maker)).toEqual([])
  await open('weir-milk', 'Scripted', 'rehearse')
  await maker.getByText('chosen here', { exact: true }).click()
  await maker.getByRole('checkbox', { name: 'A spill' }).check()
  await maker.getByText('For a class: questions').click()
  await maker.getByRole('button', { name: 'A question' }).click()
  expect(await broken(maker)).toEqual([])
})

test('members, the own account, the bin, history and links', async ({ maker, open }) => {
  await maker.goto('/members')
  await maker.getByRole('button', { name: 'Make a link' }).click()
  await expect(maker.getByText('It is shown this once.')).toBeVisible()
  expect(await broken(maker)).toEqual([])
  for (const [page, heading] of [
    ['/account', 'Where you are signed in'],
    ['/bin', 'Bin'],
  ] as const) {
    await goTo(maker, page)
    await expect(maker.getByRole('heading', { name: heading })).toBeVisible()
    expect(await broken(maker), page).toEqual([])
  }
  await open('thistle-top', 'With a past', 'history')
  await expect(maker.getByText('Nothing was changed in this batch')).toBeVisible()
  expect(await broken(maker)).toEqual([])
  await maker.keyboard.press('Control+k')
  await expect(maker.getByRole('combobox', { name: 'Go anywhere' })).toBeVisible()
  expect(await broken(maker)).toEqual([])
})

const PAGES = {
  day: ['batter', 'cups', 'colour', 'cards', 'bars', 'heat', 'prepare', 'weigh', 'sheet', 'rest', 'cut', 'compare'],
  dim: ['cups', 'colour', 'rest', 'weigh'],
}

for (const light of ['day', 'dim'] as const) {
  test(`a batch’s pages, ${light}`, async ({ maker, open }) => {
    test.slow()
    await maker.goto('/batches')
    await maker.evaluate(value => localStorage.setItem('ostler.light', value), light)
    const id = await open('verdigris-stair', `Accessible ${light}`)
    await expect(maker.getByLabel('Biggest risk').getByRole('button', { name: 'Apply' })).toBeVisible()
    expect(await broken(maker)).toEqual([])
    await maker.getByTestId('layer-3').click()
    await maker.getByRole('button', { name: 'as a table' }).click()
    expect(await broken(maker)).toEqual([])
    for (const page of PAGES[light]) {
      await goTo(maker, `/batches/${id}/${page}`)
      await expect(maker.getByRole('main').getByRole('heading').first()).toBeVisible()
      expect(await broken(maker)).toEqual([])
    }
  })
}
