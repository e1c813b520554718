import { execFileSync } from 'node:child_process'
import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { DEMO, ROOT, expect, saved, test, turnTo } from '../workshop.ts'

test('a newcomer signs in to the demo and finds the batch in trouble', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByText('Type your password.')).toBeVisible()
  await page.getByLabel('Sign-in name').fill(DEMO.signInName)
  await page.getByLabel('Password').fill('wrong')
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByText('do not belong together')).toBeVisible()
  await page.getByRole('button', { name: 'Fill in the demo sign-in' }).click()
  await page.getByRole('button', { name: 'Sign in' }).click()
  await page.getByPlaceholder('name, scent, sign, lot or day').fill('Verdigris')
  const row = page.getByRole('listitem').filter({ hasText: 'Verdigris Stair' }).first()
  await expect(row.getByText('in trouble')).toBeVisible()
  await row.getByRole('link', { name: 'Verdigris Stair' }).click()
  await expect(page.getByText('Attic Rosebox quickens it')).toBeVisible()
  await page.getByRole('button', { name: 'Workshop and settings' }).click()
  await page.getByRole('menuitem', { name: /Sign out/ }).click()
  await expect(page.getByRole('heading', { name: 'Ostler' })).toBeVisible()
})

test('a calmer scent takes the risk away; undo brings it back; the file forecasts the screen’s numbers', async ({
  maker,
  open,
}) => {
  await open('verdigris-stair', 'Trouble to calm')
  const risk = maker.getByLabel('Biggest risk')
  await expect(risk).toContainText('too thick when you reach it')
  await maker.getByRole('combobox', { name: 'Scent', exact: true }).selectOption('tin-roof-rain')
  await expect(risk).toContainText('Every layer is likely to pour as planned')
  await maker.keyboard.press('Control+z')
  await expect(risk).toContainText('too thick')
  await maker.keyboard.press('Control+Shift+z')
  await expect(risk).toContainText('as planned')

  const boundary = maker.getByRole('slider', { name: 'Boundary between Iron and Copper' })
  const from = (await boundary.boundingBox())!
  await maker.mouse.move(from.x + from.width - 60, from.y + from.height / 2)
  await maker.mouse.down()
  await maker.mouse.move(from.x + from.width - 60, from.y - 30, { steps: 8 })
  await maker.mouse.up()
  await expect(boundary).not.toHaveAttribute('aria-valuenow', '11.7')
  const height = await maker.getByLabel('Height of layer 1, Iron').inputValue()
  await saved(maker)
  await maker.reload()
  await expect(maker.getByLabel('Height of layer 1, Iron')).toHaveValue(height)

  await turnTo(maker, 'Sheet')
  const download = maker.waitForEvent('download')
  await maker.getByRole('button', { name: 'Export the plan' }).click()
  const file = await (await download).path()
  // With the workshop's own shelf the command line knows what its batches have taught.
  const { shelf } = (await (await maker.request.get('/api/shelf')).json()) as { shelf: object }
  const shelfFile = test.info().outputPath('shelf.json')
  writeFileSync(shelfFile, JSON.stringify(shelf))
  const command = [join(ROOT, 'scripts/forecast.mjs'), file, '--shelf', shelfFile]
  const result = JSON.parse(execFileSync(process.execPath, command, { encoding: 'utf8' })) as {
    portions: { lyeG: number; waterG: number; cups: { batterG: number }[] }
    risk: { sentence: string }
  }
  await expect(maker.getByRole('row', { name: /^Lye \(NaOH\)/ })).toContainText(`${result.portions.lyeG.toFixed(1)} g`)
  await expect(maker.getByRole('row', { name: /^Water/ })).toContainText(`${result.portions.waterG} g`)
  await expect(maker.getByRole('row', { name: 'Iron' }).first()).toContainText(
    result.portions.cups[0]!.batterG.toFixed(1),
  )
  await expect(maker.getByText(result.risk.sentence)).toBeVisible()

  const before = readFileSync(file, 'utf8')
  await maker.goto('/batches')
  await maker
    .getByLabel('Plan file to import')
    .setInputFiles({ name: 'plan.json', mimeType: 'application/json', buffer: Buffer.from(before) })
  await turnTo(maker, 'Sheet')
  const again = maker.waitForEvent('download')
  await maker.getByRole('button', { name: 'Export the plan' }).click()
  expect(readFileSync(await (await again).path(), 'utf8')).toBe(before)
})

test('a lower temperature and less blending take the risk away too', async ({ maker, open }) => {
  await open('verdigris-stair', 'Cooler')
  const levers = maker.getByRole('region', { name: 'Levers' })
  await levers.getByLabel('Oils and lye meet at').fill('81 F')
  await levers.getByLabel('Stop blending at level').fill('1.2')
  await expect(maker.getByText(/^about (7|8|9)\d? ?%$|^about [789][05] %$/).first()).toBeVisible()
})

test('advice is applied with one action, taken back with one, and dismissed for good', async ({ maker, open }) => {
  await open('verdigris-stair', 'Advice')
  const risk = maker.getByLabel('Biggest risk')
  await expect(risk).toContainText('Take Tin Roof Rain instead of Attic Rosebox')
  await risk.getByRole('button', { name: 'Apply' }).click()
  await expect(risk).toContainText('as planned')
  await maker.getByRole('button', { name: 'Undo', exact: true }).first().click()
  await expect(risk).toContainText('too thick')
  await risk.getByRole('button', { name: /Do not advise this again: Take Tin Roof Rain/ }).click()
  await expect(risk).not.toContainText('Take Tin Roof Rain')
  await saved(maker)
  await maker.reload()
  await expect(risk.getByRole('button', { name: 'Apply' })).toBeVisible()
  await expect(risk).not.toContainText('Take Tin Roof Rain')
})

test('the best plan is searched for, applied and taken back; a sighting moves the forecast; a notch waits', async ({
  maker,
  open,
}) => {
  await open('verdigris-stair', 'Search')
  await maker.getByRole('button', { name: /^Best plan/ }).click()
  const dialog = maker.getByRole('dialog')
  await dialog.getByLabel('cups without scent').uncheck()
  await dialog.getByRole('button', { name: 'Search', exact: true }).click()
  await expect(dialog.getByRole('heading', { name: 'Most likely to work' })).toBeVisible({ timeout: 20_000 })
  await dialog.getByRole('button', { name: 'Apply' }).first().click()
  await expect(maker.getByText(/^(about|over) [89]\d %$/).first()).toBeVisible()
  await maker.getByRole('button', { name: 'Undo', exact: true }).first().click()
  await expect(maker.getByText('is too thick when you reach it')).toBeVisible()

  await maker.getByRole('button', { name: /^seen/ }).click()
  await dialog.getByLabel('Trace', { exact: true }).fill('4.4')
  await dialog.getByRole('button', { name: 'Add' }).click()
  await expect(dialog.getByText(/believed to go \d+ % faster/)).toBeVisible()
  await dialog.getByRole('button', { name: 'Remove sighting 1' }).click()
  await maker.keyboard.press('Escape')

  const notch = maker.getByRole('slider', { name: 'Wait before layer 3' })
  await notch.focus()
  await maker.keyboard.press('Shift+ArrowRight')
  await expect(notch).toHaveAttribute('aria-valuenow', '1')
  await saved(maker)
})
