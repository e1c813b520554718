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
  await rest.getByLabel('Top').selectOption('lid')
  await rest.getByLabel('Layers of towel').fill('4')
  await rest.getByLabel('Layers of towel').press('Enter')
  await rest.getByLabel('towels below too').check()
  await rest.getByLabel('Room').fill('30')
  await rest.getByLabel('Room').press('Enter')
  await expect(verdict.getByRole('heading')).toContainText(/gel/)
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
  await expect(maker.getByText(/within the dashes it has gelled/)).toBeVisible()
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
  await rest.getByLabel('Layers of towel').fill('9')
  await rest.getByLabel('Layers of towel').press('Enter')
  await expect(maker.getByText('It is wrapped in 0 to 6 layers of towel.')).toBeVisible()
  await expect(maker.getByRole('slider', { name: 'Time after the pour' })).toBeVisible()
  expect(await maker.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
})
