import type { ShelfAnswer } from '@ostler/core'
import { expect, test } from '../workshop.ts'

const DAY_MS = 86_400_000
const swatchesOf = ({ shelf }: ShelfAnswer) => shelf.colorants.find(({ id }) => id === 'ultramarine-pink')!.swatches

test('a trial is drawn up, made as a batch, looked at, taken on by the shelf and taken back', async ({ maker }) => {
  const name = `Violet ${Date.now()}`
  await maker.goto('/today')
  await maker.getByRole('link', { name: 'Trials' }).click()
  await expect(maker.getByText('Choose the colorant.')).toBeVisible()
  await maker.getByRole('combobox', { name: 'the colorant' }).selectOption('ultramarine-pink')
  await maker.getByLabel('the highest').fill('lots')
  await expect(maker.getByText('The highest dose is above 0')).toBeVisible()
  await maker.getByLabel('the highest').fill('8')
  await expect(maker.getByText('even steps to the eye')).toBeVisible()
  await expect(maker.getByText('It will show a difference in lightness')).toBeVisible()
  await maker.getByLabel('name of the trial').fill(name)
  await maker.getByRole('button', { name: 'Draw it up' }).click()
  await expect(maker.getByRole('heading', { level: 1 })).toHaveText(name)
  const rows = maker.getByRole('table').getByRole('row')
  await expect(rows).toHaveCount(10)
  await expect(rows.nth(1)).toContainText('nothing in it')

  // It is made as any batch is: every sample is a cup.
  const trial = maker.url()
  const labels = await maker.getByRole('table').getByRole('rowheader').allTextContents()
  await maker.getByRole('button', { name: 'Make it as a batch' }).click()
  await expect(maker.getByLabel('Name of the batch')).toHaveValue(`${name}: samples`)
  await maker.getByRole('link', { name: 'Weigh' }).click()
  await expect(maker.getByText(labels[2]!, { exact: false }).first()).toBeVisible()
  await maker.goto(trial)
  await expect(maker.getByRole('link', { name: 'To its batch' })).toBeVisible()

  // A look at it, by label alone; without one with nothing in it nothing could be said.
  await maker.getByLabel('poured on').fill(new Date(Date.now() - 2 * DAY_MS).toISOString().slice(0, 10))
  await maker.getByRole('button', { name: 'Look at them now' }).click()
  const keep = maker.getByRole('button', { name: 'Keep this look' })
  const colour = (label: string) => maker.getByLabel(`Colour of ${label}`, { exact: true })
  await colour(labels[4]!).fill('#8a77ad')
  await expect(maker.getByText('one with nothing in it has to be among them')).toBeVisible()
  await expect(keep).toBeDisabled()
  for (const [n, label] of labels.entries())
    await colour(label).fill(n < 2 ? '#f3ecd9' : `#${(0x90 - 6 * n).toString(16)}77ad`)
  // A reload loses nothing of it.
  await maker.reload()
  await expect(colour(labels[4]!)).toHaveValue(/77ad$/)
  // Another window changes it meanwhile: both stand.
  const other = await maker.context().newPage()
  await other.goto(trial)
  await other.getByRole('button', { name: `Strike ${labels[6]!} out` }).click()
  await other.getByLabel(`Why ${labels[6]!} does not count`).fill('spilt')
  await other.keyboard.press('Enter')
  await expect(other.getByRole('button', { name: 'spilt: let it count again' })).toBeVisible()
  await other.close()
  // Without a network it waits, and is sent when that is back.
  await maker.context().setOffline(true)
  await keep.click()
  await expect(maker.getByText('it is sent as soon as that is back')).toBeVisible()
  await maker.context().setOffline(false)
  await expect(maker.getByRole('button', { name: 'spilt: let it count again' })).toBeVisible()
  await maker.getByRole('button', { name: 'spilt: let it count again' }).click()
  const says = maker.getByRole('region', { name: 'What it says' })
  await expect(says.getByRole('region', { name: 'Day 2' })).toContainText('against nothing: different', {
    timeout: 30_000,
  })
  await expect(says.getByRole('heading', { name: /Ultramarine pink at .* cured/ })).toBeVisible()

  await says.getByLabel('Compared on day 2').selectOption(labels[3]!)
  await says.getByLabel('Against, on day 2').selectOption(labels[2]!)
  await expect(says.getByText(/not told: this trial would have seen|different/).first()).toBeVisible()

  // One that was spoilt is struck out with a reason, and counts again when that is taken back.
  await maker.getByRole('button', { name: `Strike ${labels[5]!} out` }).click()
  await maker.getByLabel(`Why ${labels[5]!} does not count`).fill('clumped')
  await maker.keyboard.press('Enter')
  const again = maker.getByRole('button', { name: 'clumped: let it count again' })
  await expect(again).toBeVisible()
  await again.click()
  await expect(maker.getByRole('button', { name: `Strike ${labels[5]!} out` })).toBeVisible()

  // Taken on it is among the swatches; taken back it is gone without a trace.
  const shelf = async () => swatchesOf((await (await maker.request.get('/api/shelf')).json()) as ShelfAnswer)
  const before = await shelf()
  await says.getByRole('button', { name: 'Let the shelf learn it' }).click()
  await expect(says.getByText(/On the shelf since/)).toBeVisible({ timeout: 15_000 })
  expect(await shelf()).toHaveLength(before.length + labels.length - 2)
  await says.getByRole('button', { name: 'Take it back' }).click()
  await expect(says.getByRole('button', { name: 'Let the shelf learn it' })).toBeVisible({ timeout: 15_000 })
  expect(await shelf()).toEqual(before)

  // It is due again on its day, and is deleted with a way back.
  await maker.goto('/today')
  await expect(maker.getByRole('link', { name })).toHaveCount(1)
  await maker.goto('/trials')
  const file = { name: 'trial.json', mimeType: 'application/json', buffer: Buffer.from('{"format":"soup"}') }
  await maker.locator('input[type=file]').setInputFiles(file)
  await expect(maker.getByRole('alert')).toContainText('The format is "ostler-trial"')
  await maker.getByRole('button', { name: `Delete ${name}` }).click()
  await expect(maker.getByRole('link', { name })).toHaveCount(0)
  await maker.getByRole('button', { name: 'Undo' }).click()
  await expect(maker.getByRole('link', { name })).toHaveCount(1)
})
