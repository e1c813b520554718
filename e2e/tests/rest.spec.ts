import { readFileSync } from 'node:fs'
import { expect, saved, test } from '../workshop.ts'

test('a milk loaf in towels gels and browns; “do not gel” proposes the cold, for how long, and it is applied', async ({
  maker,
  open,
}) => {
  await open('weir-milk', 'Milk in towels', 'rest')
  const verdict = maker.getByRole('region', { name: 'What the rest comes to' })
  await expect(verdict.getByRole('heading')).toContainText('not gel')
  const rest = maker.getByRole('region', { name: 'The rest' })
  await rest.getByLabel('Top', { exact: true }).selectOption('lid')
  for (const side of ['on top', 'round the sides', 'below']) {
    await rest.getByLabel(side, { exact: true }).fill('4')
    await rest.getByLabel(side, { exact: true }).press('Enter')
  }
  await rest.getByLabel('Room', { exact: true }).fill('30')
  await rest.getByLabel('Room', { exact: true }).press('Enter')
  await expect(verdict.getByRole('heading')).toContainText('It overheats for a milk soap')
  await expect(verdict).toContainText(/Milk or sugar in it turns/)

  await rest.getByLabel('What you want').selectOption('none')
  const how = maker.getByRole('region', { name: 'Make it so' })
  await how.getByRole('button', { name: 'Search', exact: true }).click()
  await expect(how.getByRole('button', { name: 'Search again' })).toBeVisible({ timeout: 30_000 })
  const cold = how
    .getByRole('listitem')
    .filter({ hasText: /refrigerator for \d+ hours/ })
    .first()
  await cold.getByRole('button', { name: 'Apply' }).click()
  await expect(verdict.getByRole('heading')).toContainText('not gel')
  await expect(verdict).toContainText('Not beside food')
  await saved(maker)
  await maker.reload()
  await expect(rest.getByLabel('Where').first()).toHaveValue('refrigerator')
  await maker.keyboard.press('Control+z')
})

test('the ring of a partial gel lies on the design’s own face, and the hours can be scrubbed and played', async ({
  maker,
  open,
}) => {
  await open('verdigris-stair', 'Ringed', 'rest')
  await expect(maker.getByRole('heading', { name: /a ring in the cut/ })).toBeVisible()
  await expect(maker.getByText(/has gelled within its own dashes/)).toBeVisible()
  const slider = maker.getByRole('slider', { name: 'Time after the pour' })
  const before = await slider.getAttribute('aria-valuetext')
  await slider.focus()
  await maker.keyboard.press('ArrowRight')
  await expect(slider).not.toHaveAttribute('aria-valuetext', before!)
  await maker.getByRole('button', { name: 'Play' }).click()
  const at = await slider.inputValue()
  await expect(slider).not.toHaveValue(at)
  await maker.getByRole('button', { name: 'Pause' }).click()
})

test('a browser that allows nothing compiled works out the same, and this server allows it', async ({
  maker,
  open,
}) => {
  await open('verdigris-stair', 'Compiled', 'colour')
  const shown = async () => {
    await expect(plain.getByRole('main')).toBeVisible()
    await plain.waitForLoadState('networkidle')
    return plain.getByRole('main').innerText()
  }
  // The smallest that there is: refused where the page's own rules forbid it.
  const isAllowed = () =>
    new WebAssembly.Module(Uint8Array.of(0, 97, 115, 109, 1, 0, 0, 0)) instanceof WebAssembly.Module
  expect(await maker.evaluate(isAllowed)).toBe(true)
  const plain = await maker.context().newPage()
  await plain.goto(maker.url())
  const compiled = await shown()
  await plain.addInitScript(() => Reflect.deleteProperty(globalThis, 'WebAssembly'))
  await plain.reload()
  expect(await plain.evaluate(() => typeof WebAssembly)).toBe('undefined')
  expect(await shown()).toBe(compiled)
  expect(compiled).toMatch(/gel/)
})

test('the rest plan goes out as a calendar file', async ({ maker, open }) => {
  await open('quarry-bench', 'Calendar', 'rest')
  const download = maker.waitForEvent('download')
  await maker.getByRole('button', { name: 'Calendar file' }).click()
  const text = readFileSync(await (await download).path(), 'utf8')
  expect(text).toMatch(/^BEGIN:VCALENDAR\r\nVERSION:2\.0/)
  expect(text).toContain('Calendar: Cover')
  expect(text.match(/BEGIN:VEVENT/g)!.length).toBe(text.match(/END:VEVENT/g)!.length)
})

test('a change that cannot be is told beside its field; on a phone nothing is cut off', async ({ maker, open }) => {
  await maker.setViewportSize({ width: 390, height: 844 })
  await open('quarry-bench', 'Small', 'rest')
  const rest = maker.getByRole('region', { name: 'The rest' })
  await rest.getByLabel('on top', { exact: true }).fill('9')
  await rest.getByLabel('on top', { exact: true }).press('Enter')
  await expect(maker.getByText('On top lie 0 to 6 layers of towel.')).toBeVisible()
  await expect(maker.getByRole('slider', { name: 'Time after the pour' })).toBeVisible()
  expect(await maker.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
})

test('one cup alone is made to gel by its water, and the face shows it', async ({ maker, open }) => {
  await open('quarry-bench', 'Contrast', 'rest')
  await maker
    .getByRole('row', { name: /^Sandstone/ })
    .getByRole('button', { name: /Gel it alone/ })
    .click()
  const apply = maker.getByRole('button', { name: 'Apply', exact: true })
  await expect(apply).toBeVisible({ timeout: 60_000 })
  await apply.click()
  await expect(maker.getByLabel('Water stirred into Sandstone, g per kg')).not.toHaveValue('0')
  await expect(maker.getByRole('row', { name: /^Sandstone/ })).toContainText(/all of it|\d\d %/)
  await saved(maker)
})

test('from loaf to bars: thickness by weight, ends and samples, back from a market day, a weigh-in', async ({
  maker,
  open,
}) => {
  await open('seven-fathoms', 'To bars', 'cut')
  const heading = maker.getByRole('heading', { level: 1 })
  await expect(heading).toHaveText(/^\d+ bars of \d+ g$/)
  await maker.getByLabel('or weighs, fresh').fill('90')
  await maker.getByLabel('or weighs, fresh').press('Enter')
  await expect(heading).toContainText('of 90 g')
  await maker.getByLabel('Trimmed off each end').fill('18')
  await maker.getByLabel('Trimmed off each end').press('Enter')
  await maker.getByLabel('A sample is thick').fill('6')
  await maker.getByLabel('A sample is thick').press('Enter')
  await expect(maker.getByRole('region', { name: 'With the blade' })).toContainText(/Take \d samples of 6 mm/)
  await maker.getByLabel('Planed off the top').fill('70')
  await maker.getByLabel('Planed off the top').press('Enter')
  await expect(maker.getByText('From 0 to 30 mm are planed off the top.')).toBeVisible()
  await maker.getByLabel('Wanted for').fill('2099-12-12')
  await expect(maker.getByText(/Last making day/)).toContainText(/2099/)
  await maker.getByRole('button', { name: 'Note it' }).click()
  await saved(maker)
  await maker.reload()
  await expect(maker.getByLabel('Wanted for')).toHaveValue('2099-12-12')
  await expect(maker.getByRole('button', { name: 'Remove weigh-in 1' })).toBeVisible()
  await maker.setViewportSize({ width: 390, height: 844 })
  await expect
    .poll(() => maker.evaluate(() => document.documentElement.scrollWidth), { timeout: 20_000 })
    .toBeLessThanOrEqual(390)
})
