import { expect, saved, test, turnTo } from '../workshop.ts'
import type { Page } from '@playwright/test'

/** Presses Tab until what has the focus is called so; fails when the page has no such thing. */
async function tabTo(page: Page, name: RegExp, most = 60): Promise<void> {
  for (let n = 0; n < most; n += 1) {
    await page.keyboard.press('Tab')
    const text = await page.evaluate(() => {
      const at = document.activeElement
      return at?.getAttribute('aria-label') ?? at?.closest('label')?.textContent ?? at?.textContent ?? ''
    })
    if (name.test(text.trim())) return
  }
  throw new Error(`Tab does not come to ${name}`)
}

test('from the top of Score to the search for a better plan in few keys', async ({ maker, open }) => {
  await open('verdigris-stair', 'Few keys')
  await expect(maker.getByLabel('Biggest risk').getByRole('button', { name: 'Apply' })).toBeVisible()
  await maker.evaluate(() => (document.activeElement as HTMLElement | null)?.blur())
  for (const key of ['Tab', 'Tab', 'Enter']) await maker.keyboard.press(key)
  let keys = 3
  while (!(await maker.getByRole('button', { name: /^Best plan/ }).evaluate(at => at === document.activeElement))) {
    await maker.keyboard.press('Tab')
    keys += 1
    expect(keys).toBeLessThan(8)
  }
  await maker.keyboard.press('Enter')
  await expect(maker.getByRole('dialog')).toBeVisible()
})

test('a new batch comes to its printed sheet with the keyboard alone', async ({ maker }) => {
  await maker.goto('/batches')
  await maker.evaluate(() => {
    window.print = () => document.body.setAttribute('data-printed', 'yes')
  })
  await expect(maker.getByRole('button', { name: 'New batch' }).first()).toBeEnabled()
  await tabTo(maker, /^New batch$/)
  await maker.keyboard.press('Enter')
  const name = maker.getByLabel('Name of the batch')
  await expect(name).toBeVisible()
  // On arrival the focus is on the page; a name is given from its field above.
  await expect(maker.getByRole('main')).toBeFocused()
  await name.focus()
  await maker.keyboard.press('Control+a')
  await maker.keyboard.type('By keyboard')
  await tabTo(maker, /^Prepare\b/)
  await maker.keyboard.press('Enter')
  await expect(maker.getByRole('navigation', { name: 'Pages of Prepare' })).toBeVisible()
  // Once it is there: until then the focus may still be taken to it.
  await expect(maker.getByRole('main')).toBeFocused()
  await maker.getByRole('navigation', { name: 'Pages of Prepare' }).getByRole('link').first().focus()
  await tabTo(maker, /^Sheet$/, 6)
  await maker.keyboard.press('Enter')
  await expect(maker.getByRole('heading', { name: 'By keyboard', level: 1 })).toBeVisible()
  const print = maker.getByRole('button', { name: /^Print/ })
  await expect(print).toBeEnabled()
  await tabTo(maker, /^Print/)
  await expect(print).toBeFocused()
  await maker.keyboard.press('Enter')
  await expect(maker.locator('body')).toHaveAttribute('data-printed', 'yes')
})

test('more lye than the oils take stops the weighing until it is answered in writing', async ({ maker, open }) => {
  await open('quarry-bench', 'Too much lye', 'weigh')
  await maker.getByRole('group').getByRole('checkbox').first().waitFor()
  for (const box of await maker.getByRole('group').getByRole('checkbox').all()) await box.check()
  await maker.getByRole('button', { name: 'Water weighed as written' }).click()
  const lye = maker.getByLabel('Lye (NaOH), weighed')
  const planned = /([\d.]+) g/.exec((await maker.getByRole('button', { name: /^Lye \(NaOH\): / }).textContent())!)![1]!
  await lye.fill(String(Number(planned) * 1.1))
  await lye.press('Enter')
  const stop = maker.getByRole('alert').filter({ hasText: 'Free lye' }).first()
  await expect(stop).toBeVisible()
  // Answered as a trial it may go on, and the sheet says what it is.
  await maker.getByLabel('or: it is a trial, not for skin').click()
  await expect(maker.getByText('It is a trial: not for skin, not for sale.')).toBeVisible()
  await turnTo(maker, 'Sheet')
  await expect(maker.getByText('A trial: not for skin, not for sale.')).toBeVisible()
  await turnTo(maker, 'Weigh')
  await lye.fill(planned)
  await lye.press('Enter')
  await expect(maker.getByText('It is a trial: not for skin, not for sale.')).toHaveCount(0)
  await saved(maker)
})

test('two windows that both type lose nothing: each keeps its own until it is told which counts', async ({
  maker,
  open,
  context,
}) => {
  const name = `Both type ${test.info().repeatEachIndex}${test.info().retry}`
  const id = await open('quarry-bench', name, 'batter')
  const other = await context.newPage()
  await other.goto(`/batches/${id}/batter`)
  const castor = (page: Page) => page.getByLabel('Share of Castor oil')
  await expect(castor(other)).toHaveValue('5')
  await Promise.all([castor(maker).fill('8'), castor(other).fill('7')])
  const question = (page: Page) => page.getByRole('dialog', { name: 'This batch was changed in another window' })
  // Whoever comes second is asked; a reload of that window asks again with the same words still there.
  const second = await Promise.race([maker, other].map(async page => (await question(page).waitFor(), page)))
  await second.reload()
  await expect(question(second)).toBeVisible()
  await question(second).getByRole('button', { name: 'Keep both' }).click()
  const kept = async () => {
    const list = (await (await maker.request.get('/api/batches')).json()) as { batches: { id: string; name: string }[] }
    return list.batches.filter(one => one.name.startsWith(name))
  }
  await expect.poll(kept).toHaveLength(2)
  const found = await kept()
  const ours = await Promise.all(
    found.map(
      async ({ id }) =>
        (await (await maker.request.get(`/api/batches/${id}`)).json()) as {
          plan: { recipe: { oils: { oil: string; share: number }[] } }
        },
    ),
  )
  const share = (one: (typeof ours)[number]) => one.plan.recipe.oils.find(part => part.oil.startsWith('castor'))!.share
  expect(ours.map(share).sort()).toEqual([0.07, 0.08])
})
