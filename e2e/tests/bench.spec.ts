import type { Page } from '@playwright/test'
import { expect, goTo, test } from '../workshop.ts'

const big = (page: Page) => page.getByRole('region', { name: 'Now' }).locator('p').first()
/** A pedal or a keypad: one key, pressed again and again; never twice within the time in which a bounce counts as one. */
async function press(page: Page, key = 'Enter') {
  await page.keyboard.press(key)
  await page.waitForTimeout(380)
}
/** Presses on until the next deed says something. */
async function until(page: Page, words: RegExp) {
  for (let n = 0; n < 80; n += 1) {
    if (words.test((await big(page).textContent({ timeout: 2000 })) ?? '')) return
    await press(page)
    if (await page.getByRole('region', { name: 'Measured' }).isVisible()) {
      await page.keyboard.type('33')
      await press(page)
    }
  }
  throw new Error(`never came to ${words}`)
}

test('a batch is made from the safety list to the covered mould, by keyboard on a phone, with the network gone in between', async ({
  maker,
  open,
  context,
}) => {
  await open('weir-milk', `Made ${Date.now()}`)
  await maker.setViewportSize({ width: 390, height: 844 })
  await goTo(maker, maker.url().replace(/\/[a-z]+$/, '/bench'))
  await maker.getByRole('button', { name: 'Begin a run' }).click()
  await expect(big(maker)).toHaveText('Goggles, gloves, sleeves, shoes on')

  // Nothing is left out of the way to the lye.
  await until(maker, /^Lye \(NaOH\)|^Lye$/)
  await expect(maker.getByRole('region', { name: 'Now' })).toContainText(/\d+(\.\d+)? g/)
  await until(maker, /^Blend$/)
  await press(maker)
  await expect(big(maker)).toHaveText('Blending')
  await press(maker)
  await press(maker)
  await maker.getByRole('button', { name: 'It breaks' }).click()
  // What did not hold is not divided.
  await expect(big(maker)).toHaveText('Blend')
  await press(maker, 'u')
  await expect(big(maker)).toHaveText('Does it hold?')
  await press(maker)
  await maker.getByRole('button', { name: 'It holds' }).click()
  await expect(big(maker)).toHaveText(/^Fill /)

  // Another window follows.
  const other = await context.newPage()
  await other.goto(maker.url())
  await expect(big(other)).toHaveText(/^Fill /)
  await press(maker)
  await press(maker)
  await expect(big(other)).toHaveText('Colour into Honeycomb')
  await press(other, 'l')
  await expect(other.getByRole('figure', { name: 'Lane of Honeycomb' })).toBeVisible()
  await press(other, 'Escape')
  await expect(other.getByRole('complementary', { name: 'Cups' })).toContainText('at least')

  // The network goes; entries carry on, and are here after all when it is back.
  await context.setOffline(true)
  await press(maker, 's')
  await press(maker)
  await maker.waitForTimeout(600)
  await press(maker)
  await press(maker)
  await expect(maker.getByText(/kept on this device/)).toBeAttached()
  await expect(maker.getByRole('complementary', { name: 'Cups' })).toContainText(/cream|together/)
  await expect(big(maker)).toHaveText('Scent into Honeycomb')
  await expect(big(other)).toHaveText('Colour into Honeycomb')
  await context.setOffline(false)
  await expect(big(other)).toHaveText('Scent into Honeycomb', { timeout: 15_000 })
  await expect(maker.getByText('kept', { exact: true })).toBeAttached({ timeout: 15_000 })

  // A cup without its scent is not poured; a way round it is written down.
  await until(maker, /^Pour Honeycomb/)
  await press(maker)
  await until(maker, /end the run/)
  await press(maker)
  await expect(big(other)).toHaveText('In the mould')
  await maker.reload()
  await expect(big(maker)).toHaveText('In the mould')
  // It is told to no plan here: what it taught would be learned by the batches of other tests.
  await expect(maker.getByRole('button', { name: 'Tell the plan' })).toBeVisible()
  await maker.getByRole('button', { name: 'Yes, as planned' }).click()
  await expect(maker.getByText('✓ It came out as planned')).toBeVisible()
  await maker.getByRole('link', { name: /^Made / }).click()
  await expect(maker.getByRole('listitem').filter({ hasText: 'entries' })).toContainText('in the mould')
  const said = maker.getByRole('region', { name: 'Said, and came true' })
  await expect(
    said
      .getByRole('listitem')
      .filter({ hasText: /^Made / })
      .first(),
  ).toContainText(/✓ as planned.*was said/)
})

test('what cannot be is told: a look before there is batter, a number that is none, trouble with its ways out', async ({
  maker,
  open,
}) => {
  await open('weir-milk', `Trouble ${Date.now()}`)
  await goTo(maker, maker.url().replace(/\/[a-z]+$/, '/bench'))
  await maker.getByRole('button', { name: 'Begin a run' }).click()
  await maker.getByRole('button', { name: 'Seen' }).click()
  await expect(maker.getByText('There is no batter to look at yet.')).toBeVisible()
  await maker.keyboard.press('Escape')
  await maker.keyboard.press('m')
  await maker.keyboard.type('400')
  await maker.keyboard.press('Enter')
  await expect(maker.getByRole('alertdialog')).toContainText('nothing at the bench is colder or hotter')
  await maker.keyboard.press('Escape')
  await maker.keyboard.press('t')
  await maker.getByRole('button', { name: 'Ricing' }).click()
  await expect(maker.getByText(/Blend that cup in bursts/)).toBeVisible()
  await maker.getByRole('button', { name: 'Note that it happened' }).click()
  await maker.getByRole('button', { name: 'What was noted, and sounds' }).click()
  await expect(maker.getByText(/something went wrong/)).toBeVisible()
  await maker.getByRole('button', { name: 'take back' }).click()
  await expect(maker.getByText(/something went wrong/)).toBeHidden()
})
