import type { ShelfAnswer } from '@ostler/core'
import { expect, goTo, test } from '../workshop.ts'

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
  await maker.getByText('Faults and notes').click()
  await maker.getByRole('checkbox', { name: `${labels[7]!}: specks` }).check()
  await maker.getByLabel(`Note of ${labels[7]!}`).fill('a dot at the rim')
  // A reload loses nothing of it.
  await maker.reload()
  await expect(colour(labels[4]!)).toHaveValue(/77ad$/)
  await maker.getByText('Faults and notes').click()
  await expect(maker.getByLabel(`Note of ${labels[7]!}`)).toHaveValue('a dot at the rim')
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
  await expect(says.getByText('specks; a dot at the rim')).toBeVisible()

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
  await goTo(maker, '/today')
  await expect(maker.getByRole('link', { name })).toHaveCount(1)
  await goTo(maker, '/trials')
  const file = { name: 'trial.json', mimeType: 'application/json', buffer: Buffer.from('{"format":"soup"}') }
  await maker.locator('input[type=file]').setInputFiles(file)
  await expect(maker.getByRole('alert')).toContainText('The format is "ostler-trial"')
  await maker.getByRole('button', { name: `Delete ${name}` }).click()
  await expect(maker.getByRole('link', { name })).toHaveCount(0)
  await maker.getByRole('button', { name: 'Undo' }).click()
  await expect(maker.getByRole('link', { name })).toHaveCount(1)
})

test('a scent is tried beside a plain cup, by the clock, and the shelf learns how quick it is', async ({ maker }) => {
  await goTo(maker, '/trials')
  await maker.getByRole('radio', { name: 'How a scent quickens the batter' }).check()
  await expect(maker.getByText('Choose the scent.')).toBeVisible()
  await maker.getByRole('combobox', { name: 'the scent' }).selectOption('moss-cathedral')
  await maker.getByLabel('of it, % of the oils').fill('40')
  await expect(maker.getByText('A scent is from 0.1 to 20 % of the oils.')).toBeVisible()
  await maker.getByLabel('of it, % of the oils').fill('3')
  await maker.getByLabel('name of the trial').fill('Moss beside plain')
  await maker.getByRole('button', { name: 'Draw it up' }).click()
  await expect(maker.getByRole('heading', { level: 1 })).toHaveText('Moss beside plain')
  await maker.getByRole('button', { name: 'Make it as a batch' }).click()
  await maker.waitForURL(/prepare/)
  await maker.goBack()
  await maker.getByRole('button', { name: 'The batter is divided' }).click()
  const key = await maker.evaluate(() => Object.keys(localStorage).find(one => one.includes('trial-divided'))!)
  for (const [minutes, plain, scented] of [
    [5, 'thin cream', 'lines'],
    [12, 'pouring cream', 'pudding'],
  ] as const) {
    // The clock goes on through a reload: it is moved instead of waited for.
    const at = new Date(Date.now() - minutes * 60_000).toISOString()
    await maker.evaluate(([name, value]) => localStorage.setItem(name, value), [key, at] as const)
    await maker.reload()
    await expect(maker.getByRole('timer')).toHaveText(new RegExp(`^${minutes}:`))
    for (const [n, word] of [plain, scented].entries()) {
      await maker
        .getByRole('button', { name: /Stir, lift/ })
        .nth(n)
        .click()
      await maker.getByRole('button', { name: new RegExp(`^${word}`) }).click()
      await expect(maker.getByText(`${minutes} min:`)).toHaveCount(n + 1)
    }
  }
  await maker.getByRole('button', { name: 'no', exact: true }).click()
  const says = maker.getByRole('region', { name: 'What it says' })
  await expect(says.getByText(/Grains in 0 of 1 scented cup/)).toBeVisible({ timeout: 30_000 })
  await expect(says.getByRole('heading', { name: /quickens this batter/ })).toBeVisible()
  await says.getByRole('button', { name: 'Let the shelf learn it' }).click()
  await expect(says.getByRole('button', { name: 'Take it back' })).toBeVisible()
  const found = async () => {
    const { shelf } = (await (await maker.request.get('/api/shelf')).json()) as ShelfAnswer
    return shelf.scents.find(({ id }) => id === 'moss-cathedral')!.findings ?? []
  }
  expect((await found()).map(({ what }) => what)).toEqual(['rate', 'ricing'])
  await goTo(maker, '/shelf/scents/moss-cathedral')
  await expect(maker.getByText('riced in 0 of 1 cups of one pot')).toBeVisible()
  await maker.goBack()
  await says.getByRole('button', { name: 'Take it back' }).click()
  await expect(says.getByRole('button', { name: 'Let the shelf learn it' })).toBeVisible()
  expect(await found()).toEqual([])
})

test('numbers of a claim leave it unproven until they tell; wrong ones are said beside them', async ({ maker }) => {
  await goTo(maker, '/trials')
  await maker.getByRole('radio', { name: 'Something that was heard' }).check()
  await maker.getByLabel('what is done otherwise').fill('with sugar\nwith sugar and salt')
  await maker.getByLabel('what was heard').fill('Sugar makes it lather')
  await maker.getByLabel('name of the trial').fill('Sugar')
  await maker.getByRole('button', { name: 'Draw it up' }).click()
  await expect(maker.getByText('(heard; unproven)')).toBeVisible()
  await maker.getByLabel('poured on').fill(new Date(Date.now() - 2 * DAY_MS).toISOString().slice(0, 10))
  const labels = await maker.getByRole('table').getByRole('rowheader').allTextContents()
  const whats = await maker.getByRole('table').getByRole('row').allTextContents()
  const field = (label: string) => maker.getByLabel(`${label}: points`)
  await field(labels[0]!).fill('11')
  await expect(maker.getByText('points is from 0 to 10')).toBeVisible()
  for (const [n, label] of labels.entries()) await field(label).fill(whats[n + 1]!.includes('as usual') ? '2' : '9')
  await maker.reload()
  await expect(field(labels[1]!)).toHaveValue(/[29]/)
  await maker.getByRole('button', { name: 'Keep these numbers' }).click()
  await expect(maker.getByText('Tried: so it is, in this workshop.')).toBeVisible({ timeout: 30_000 })
  await expect(field(labels[1]!)).toHaveValue('')
})

test('a plan says which small test is worth it, and begins it', async ({ maker, open }) => {
  await open('verdigris-stair', 'Small first')
  await maker.getByRole('button', { name: 'Try it small …' }).click()
  const dialog = maker.getByRole('dialog', { name: 'Try it small first' })
  await expect(dialog.getByText(/ΔE − \d/).first()).toBeVisible()
  await expect(dialog.getByRole('progressbar')).toHaveCount(0, { timeout: 30_000 })
  await dialog.getByRole('button', { name: 'Plan this test' }).first().click()
  await expect(maker.getByRole('heading', { level: 1 })).toContainText('in two doses, for')
  await expect(maker.getByRole('table').getByRole('row')).toHaveCount(5)
})
