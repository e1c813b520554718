import { exampleText, expect, saved, test, turnTo } from '../workshop.ts'

test('a batch is made, found, copied, deleted and brought back', async ({ maker }) => {
  await maker.goto('/batches')
  await maker.getByRole('button', { name: 'New batch' }).click()
  await maker.getByLabel('Name of the batch').fill('Harbour Ledge')
  await saved(maker)
  await maker.goto('/batches')
  await maker.getByLabel('Search batches').fill('harbour')
  const rows = maker.getByRole('main').getByRole('listitem')
  await expect(rows).toHaveCount(1)
  await maker.getByRole('button', { name: 'Duplicate Harbour Ledge', exact: true }).click()
  await expect(rows).toHaveCount(2)
  await maker.getByRole('button', { name: 'Delete Harbour Ledge', exact: true }).click()
  await expect(rows).toHaveCount(1)
  await maker.getByRole('button', { name: 'Undo' }).click()
  await expect(rows).toHaveCount(2)
  await maker.getByLabel('Search batches').fill('nothing like it')
  await expect(maker.getByText('No batch has “nothing like it”')).toBeVisible()
})

test.describe('files that are no plan', () => {
  const plan = JSON.parse(exampleText('quarry-bench')) as Record<string, unknown>
  const files: [string, string, RegExp][] = [
    ['damaged', '{"format":', /damaged or not JSON/],
    ['newer', JSON.stringify({ ...plan, version: 99 }), /newer Ostler/],
    ['huge', ' '.repeat(400_000), /larger than 256 KB/],
    ['wrong', JSON.stringify({ ...plan, name: '', cups: [] }), /1 to 12 cups/],
    ['hostile', '{"format":"ostler-plan","version":1,"__proto__":{"x":1}}', /names it must not/],
  ]
  for (const [name, text, sentence] of files) {
    test(`a ${name} file gets a sentence`, async ({ maker }) => {
      await maker.goto('/batches')
      await maker
        .getByLabel('Plan file to import')
        .setInputFiles({ name: 'x.json', mimeType: 'application/json', buffer: Buffer.from(text) })
      await expect(maker.getByRole('dialog', { name: 'This file was not imported' })).toContainText(sentence)
    })
  }
})

test('the batter page keeps odd input, shows the working, and evens out oils', async ({ maker, open }) => {
  await open('quarry-bench', 'Odd input', 'batter')
  const superfat = maker.getByLabel('Superfat', { exact: true })
  await superfat.fill('-3')
  await superfat.blur()
  await expect(maker.getByText('Superfat is from 0 to 25 %')).toBeVisible()
  await expect(superfat).toHaveValue('-3')
  await superfat.fill('0')
  await expect(maker.getByText(/No superfat \(planned\): nothing is left over/).first()).toBeVisible()
  await superfat.fill('5')
  await maker.getByLabel('the others make up for a change').uncheck()
  await maker.getByLabel('Share of Olive oil, refined').fill('39.9')
  await expect(maker.getByText('99.9 % in all')).toBeVisible()
  await maker.getByRole('button', { name: 'Make the rest fit' }).click()
  await expect(maker.getByText('100 % in all')).toBeVisible()
  const length = maker.getByLabel('Inner length')
  await length.fill('60 m')
  await length.blur()
  await expect(maker.getByText('The inner length is from 10 to 1500 mm.')).toBeVisible()
  await length.fill('10 in')
  await length.blur()
  await expect(length).toHaveValue('254')
  await maker.getByRole('button', { name: /^lye \(NaOH\): .* Show the working/ }).click()
  await expect(maker.getByText('(NaOH for all oils and counted fats × (1 − superfat)')).toBeVisible()
})

test('the pour sheet prints in order, on two pages at most, on A4 and Letter', async ({ maker, open }) => {
  await open('seven-fathoms', 'Print me', 'sheet')
  const heads = await maker.getByRole('heading', { level: 2 }).allTextContents()
  expect(heads.map(head => head.slice(0, 7))).toEqual([
    '1 · Saf',
    '2 · Wei',
    '3 · Lye',
    '4 · Cup',
    '5 · Pou',
    '6 · Res',
  ])
  for (const format of ['A4', 'Letter']) {
    const pdf = (await maker.pdf({ format })).toString('latin1')
    const pages = pdf.match(/\/Type\s*\/Page\b(?!s)/g)?.length ?? 0
    expect(pages, format).toBeGreaterThan(0)
    expect(pages, format).toBeLessThanOrEqual(2)
  }
})

test('a sheet of a plan in trouble, or with a scent above its limit, says so at the top', async ({ maker, open }) => {
  await open('verdigris-stair', 'Warned')
  await maker.getByLabel('Scent, share of the oils').fill('6')
  await turnTo(maker, 'Sheet')
  const warnings = maker.getByRole('list', { name: 'Before this sheet is followed' })
  await expect(warnings).toContainText('above the limit on the shelf, 4 % of the oils')
  await expect(warnings).toContainText('is too thick when you reach it')
})
