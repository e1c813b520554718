import type { Page } from '@playwright/test'
import { addFrom, expect, goTo, saved, test, turnTo } from '../workshop.ts'

/** A picture as a file: soap that is plain on the right, coloured on the left, in yellowish light. */
async function photograph(page: Page): Promise<Buffer> {
  const data = await page.evaluate(() => {
    const canvas = document.createElement('canvas')
    canvas.width = 900
    canvas.height = 600
    const context = canvas.getContext('2d')!
    const fill = (colour: string, x: number) => {
      context.fillStyle = colour
      context.fillRect(x, 0, 450, 600)
    }
    fill('#535f99', 0)
    fill('#f0dfc0', 450)
    return canvas.toDataURL('image/png')
  })
  return Buffer.from(data.split(',')[1]!, 'base64')
}

const shownHex = async (page: Page, name: string): Promise<string> =>
  (await page.getByRole('img', { name: new RegExp(`^${name}: #`) }).getAttribute('aria-label'))!.slice(-7)

const lightness = (hex: string): number =>
  [1, 3, 5].reduce((sum, i) => sum + parseInt(hex.slice(i, i + 2), 16), 0) / 765

test('vanilla in half of the batch, a white layer kept white, a ladder of one blue, an unscented top, cards', async ({
  maker,
  open,
}) => {
  await open('quarry-bench', 'Custard and slate')
  await maker.getByRole('combobox', { name: 'Scent', exact: true }).selectOption('ninefold-custard')
  await turnTo(maker, 'Cups')
  await maker.getByRole('checkbox', { name: 'Chalk' }).uncheck()
  await maker.getByRole('checkbox', { name: 'Slate' }).uncheck()
  await expect(maker.getByText(/in 1 of 3 cups/)).toBeVisible()
  await expect(maker.getByText(/Sandstone will be .* when cured/)).toBeVisible()

  // The white layer: white in the unscented cup.
  await maker.getByRole('button', { name: 'Chalk', exact: true }).click()
  const cup = maker.getByRole('region', { name: 'Cup Chalk' })
  await expect(cup.getByRole('group', { name: /Titanium dioxide/ })).toContainText('level tsp')
  // Some of it is kept back for the top.
  await maker.getByRole('button', { name: 'for the top', exact: true }).click()
  await maker.getByLabel('Weight of portion 1').fill('45')
  await expect(cup.getByText('45 g kept back')).toBeVisible()

  // Slate becomes blue, then a ladder of four.
  await maker.getByRole('button', { name: 'Slate', exact: true }).click()
  const slate = maker.getByRole('region', { name: 'Cup Slate' })
  await slate.getByRole('button', { name: /^Remove Activated charcoal/ }).click()
  await addFrom(slate, 'Add a colorant', 'ultramarine-blue')
  await slate.getByLabel('Cup', { exact: true }).fill('Blue')
  await maker.getByRole('link', { name: 'What it becomes' }).click()
  await maker.getByRole('button', { name: 'Ladder of tints' }).click()
  const dialog = maker.getByRole('dialog')
  await expect(dialog.getByRole('listitem')).toHaveCount(4)
  await dialog.getByRole('button', { name: 'Make the ladder' }).click()
  await expect(maker.getByRole('button', { name: 'Blue 4', exact: true })).toBeVisible()

  // What browns, by how much; what stays white.
  await expect(maker.getByText(/^browns: .*ΔE \d+$/)).toHaveCount(1)
  const pour = await shownHex(maker, 'Sandstone, pour day, not gelled')
  const cured = await shownHex(maker, 'Sandstone, cured, not gelled')
  expect(lightness(cured)).toBeLessThan(lightness(pour) - 0.1)
  expect(lightness(await shownHex(maker, 'Chalk, cured, not gelled'))).toBeGreaterThan(0.88)

  await turnTo(maker, 'Cups')
  await expect(maker.getByText(/ in the pot = .* in 6 cups/)).toBeVisible()
  await maker.getByRole('link', { name: 'Labels and mixing cards' }).click()
  await expect(maker.getByRole('heading', { name: 'Ladder from Blue' })).toBeVisible()
  await maker.emulateMedia({ media: 'print' })
  await expect(maker.getByRole('button', { name: 'Print' })).toBeHidden()
  await expect(maker.getByRole('region', { name: 'Cup labels' })).toContainText('step 4 of the ladder')
  expect((await maker.pdf({ format: 'A4' })).length).toBeGreaterThan(10_000)
  await maker.emulateMedia({ media: 'screen' })
  await saved(maker)
})

test('a wish is turned into doses; a slider moves the colour; the score shows it at any age', async ({
  maker,
  open,
}) => {
  await open('ninth-lock', 'Wishes', 'colour')
  await maker.getByRole('button', { name: 'Foam', exact: true }).click()
  const panel = maker.getByRole('region', { name: 'Colour of Foam' })
  await expect(panel).toBeVisible()
  const before = await shownHex(maker, 'Foam, cured, not gelled')
  await panel.getByLabel('Wished colour, cured').fill('#8fa6d8')
  await addFrom(panel, 'Add a colorant to try', 'ultramarine-blue')
  await expect(panel.getByText(/^(A match|Close) when cured/)).toBeVisible()
  await panel.getByRole('button', { name: 'Take these doses' }).click()
  await expect(panel.getByRole('slider', { name: 'Dose of Ultramarine blue' })).toBeVisible()
  await expect(maker.getByText(/^(as wished|close to the wish), ΔE/).first()).toBeVisible()
  const taken = await shownHex(maker, 'Foam, cured, not gelled')
  expect(taken).not.toBe(before)
  await panel.getByRole('slider', { name: 'Dose of Ultramarine blue' }).focus()
  for (let i = 0; i < 20; i += 1) await maker.keyboard.press('ArrowRight')
  await expect.poll(() => shownHex(maker, 'Foam, cured, not gelled')).not.toBe(taken)

  await maker.getByLabel('Show colours').selectOption('deutan')
  await expect(maker.getByText(/look alike to them|can tell apart what most can/).first()).toBeVisible()
  await maker.getByLabel('Show colours').selectOption('full')

  await turnTo(maker, 'Score')
  const malt = maker.getByTestId('layer-1').locator('rect').first()
  const cured = await malt.getAttribute('fill')
  await maker.getByRole('radio', { name: 'pour day' }).check({ force: true })
  await expect(malt).not.toHaveAttribute('fill', cured!)
  await maker.reload()
  await expect(malt).not.toHaveAttribute('fill', cured!)
  await maker.getByRole('radio', { name: 'cured' }).check({ force: true })
  await expect(malt).toHaveAttribute('fill', cured!)
})

test('doses, spoons and slurries: odd input gets a sentence and loses nothing', async ({ maker, open }) => {
  await open('ninth-lock', 'Doses', 'cups?cup=cup-3')
  const white = maker.getByRole('group', { name: /Titanium dioxide/ })
  const dose = white.getByLabel('Dose', { exact: true })
  await dose.fill('500')
  await dose.blur()
  await expect(white.getByText(/A dose is from 0 to 300 g per kg/)).toBeVisible()
  await expect(dose).toHaveValue('500')
  await dose.fill('1/2 tsp')
  await dose.blur()
  await expect(dose).not.toHaveValue('500')
  await expect(white).toContainText('about ½ level tsp')
  await dose.fill('0')
  await dose.blur()
  await expect(white).not.toContainText('level tsp')
  await dose.fill('4')
  await white.getByLabel(/from a slurry already made/).check()
  await white.getByLabel('Powder in it').fill('3')
  await white.getByLabel('Liquid in it').fill('6')
  await white.getByLabel('Used here').fill('4')
  await expect(white).toContainText(/5(\.0)? g of slurry left/)
  await white.getByLabel('Used here').fill('40')
  await white.getByLabel('Used here').blur()
  await expect(white.getByText(/more than the 9 g of slurry/)).toBeVisible()
})

test('cups filled by eye are written down, topped up and taken over', async ({ maker, open }) => {
  await open('quarry-bench', 'By eye', 'cups')
  await maker.getByLabel('Cups are sized by').selectOption('share')
  const size = maker.getByLabel('Size of Slate')
  await size.fill('50')
  await expect(maker.getByText(/ in the pot = /)).toBeVisible()
  await size.fill('100')
  await size.blur()
  await expect(maker.getByText(/A cup can have from above 0 to/)).toBeVisible()
  await size.fill('40')
  await maker.getByLabel('write down what the cups really hold').check()
  await maker.getByLabel('Chalk really holds').fill('300 ml')
  await expect(maker.getByText(/is still in the pot|more than the pot has/)).toBeVisible()
  await maker.getByRole('button', { name: 'Make this the plan' }).click()
  await expect(maker.getByText('The plan is now as the cups were filled.').first()).toBeVisible()
  await maker.getByRole('button', { name: 'Undo', exact: true }).first().click()
  await expect(maker.getByLabel('Chalk really holds')).toHaveValue('309')
})

test('palettes come from cups, files and photographs; what is none gets a sentence', async ({ maker, open }) => {
  await open('ninth-lock', 'Palettes', 'colour')
  const photo = await photograph(maker)
  const take = (label: string, name: string, buffer: Buffer, mimeType: string) =>
    maker.getByLabel(label, { exact: true }).setInputFiles({ name, buffer, mimeType })
  await take('Photograph', 'not-a-picture.jpg', Buffer.from('hello'), 'image/jpeg')
  await expect(maker.getByText('This file is no picture that can be read here.')).toBeVisible()
  await take('Photograph', 'Two soaps.png', photo, 'image/png')
  await expect(maker.getByRole('link', { name: 'Two soaps', exact: true })).toBeVisible()
  await take('Palette file', 'odd.gpl', Buffer.from('nothing here'), 'text/plain')
  await expect(maker.getByText('There is no colour in this file.')).toBeVisible()
  const many = `GIMP Palette\nName: Seven hundred\n${Array.from({ length: 700 }, (_, i) => `${i % 256} 40 90\tc${i}`).join('\n')}`
  await take('Palette file', 'many.gpl', Buffer.from(many), 'text/plain')
  await expect(maker.getByText(/The file has 700 colours; the first 256 are taken/)).toBeVisible()
  await expect(maker.getByRole('link', { name: 'Seven hundred', exact: true })).toBeVisible()
  await maker.getByRole('button', { name: 'Keep these cups as a palette' }).click()
  await expect(maker.getByRole('link', { name: 'Palettes', exact: true })).toBeVisible()
  const download = maker.waitForEvent('download')
  await maker.getByRole('button', { name: 'Export Two soaps as plain palette text' }).click()
  expect((await download).suggestedFilename()).toBe('two-soaps.gpl')
  await maker
    .getByRole('button', { name: /^Wish for / })
    .first()
    .click()
  await expect(maker.getByRole('button', { name: 'no wish' })).toBeVisible()
})

test('a swatch from a photograph re-fits a colorant and narrows its forecast', async ({ maker }) => {
  await goTo(maker, '/shelf/colorants/mica-violet-stable')
  const own = maker.getByRole('region', { name: 'Own swatches' })
  await expect(own).toContainText('Forecasts rest on an estimate')
  await own.getByRole('button', { name: 'Add a swatch' }).click()
  await own.getByRole('button', { name: 'from a photograph' }).click()
  const dialog = maker.getByRole('dialog')
  const input = dialog.getByLabel('Photograph of the swatch')
  await input.setInputFiles({ name: 'note.png', mimeType: 'image/png', buffer: Buffer.from('a note') })
  await expect(dialog.getByText('This file is no picture')).toBeVisible()
  await input.setInputFiles({ name: 'soap.png', mimeType: 'image/png', buffer: await photograph(maker) })
  await expect(dialog.getByRole('button', { name: 'Take this colour' })).toBeEnabled()
  await dialog.getByRole('button', { name: 'Take this colour' }).click()
  await expect(own).toContainText('one swatch of yours')
  await maker.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(maker.getByText(/is saved\./).first()).toBeVisible()
  await maker.reload()
  await expect(own).toContainText('one swatch of yours')
})
