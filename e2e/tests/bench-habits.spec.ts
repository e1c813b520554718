import { addFrom, exampleText, expect, saved, test, turnTo } from '../workshop.ts'

test('the screen can be dimmed for the bench, and stays so', async ({ maker, open }) => {
  await open('quarry-bench', 'Dim')
  const paper = () => maker.evaluate(() => getComputedStyle(document.documentElement).backgroundColor)
  const day = await paper()
  await maker.getByRole('button', { name: 'Workshop and settings' }).click()
  await maker.getByRole('menuitem', { name: 'Dim screen for the bench' }).click()
  expect(await paper()).not.toBe(day)
  await maker.reload()
  await expect(maker.getByLabel('Biggest risk')).toBeVisible()
  expect(await paper()).not.toBe(day)
})

test('notes are kept and stand on the sheet', async ({ maker, open }) => {
  await open('quarry-bench', 'Notes', 'batter')
  await maker.getByLabel('Notes').fill('Second try.\nCooler room.')
  await saved(maker)
  await turnTo(maker, 'Sheet')
  await expect(maker.getByText('Second try.')).toBeVisible()
})

test('a mould that would make a layer too thin is refused with a sentence, and nothing changes', async ({
  maker,
  open,
}) => {
  await open('seven-fathoms', 'Low mould', 'batter')
  const soap = maker.getByLabel('Soap stands')
  await soap.fill('14')
  await soap.blur()
  await expect(maker.getByText(/Layer 4 would be 1\.96 mm/)).toBeVisible()
  await expect(soap).toHaveValue('14')
  await turnTo(maker, 'Score')
  await expect(maker.getByText('soap 84 mm high')).toBeVisible()
})

test('oils come and go; the last one stays', async ({ maker, open }) => {
  await open('quarry-bench', 'Oils', 'batter')
  await maker.getByLabel('the others make up for a change').uncheck()
  await addFrom(maker, 'Add an oil', 'shea')
  await expect(maker.getByText('105 % in all')).toBeVisible()
  for (const name of ['Olive oil, refined', 'Coconut oil', 'Palm oil', 'Sunflower oil, high oleic', 'Castor oil']) {
    await maker.getByRole('button', { name: `Remove ${name}` }).click()
  }
  await expect(maker.getByRole('button', { name: 'Remove Shea butter, refined' })).toBeDisabled()
  await maker.getByRole('button', { name: 'Make the rest fit' }).click()
  await expect(maker.getByLabel('Share of Shea butter, refined')).toHaveValue('100')
  await saved(maker)
})

test('a layer is chosen in the face, the lanes or the list, and removed', async ({ maker, open }) => {
  await open('quarry-bench', 'Choose')
  await maker.getByTestId('layer-2').click()
  await expect(maker.getByRole('heading', { name: 'Layer 2 of 3' })).toBeVisible()
  await maker.getByTestId('gate-3').click()
  await expect(maker.getByRole('heading', { name: 'Layer 3 of 3' })).toBeVisible()
  await maker.getByRole('button', { name: 'Remove this layer' }).click()
  await expect(maker.getByText('3 cups · 2 layers')).toBeVisible()
  await expect(maker.getByText('Chalk is not poured anywhere')).toBeVisible()
  await maker.getByRole('button', { name: 'Make all layers the same height' }).click()
  await expect(maker.getByLabel('Height of layer 1, Slate')).toHaveValue('31')
  await expect(maker.getByLabel('Height of layer 2, Sandstone')).toHaveValue('31')
})

test('a seizing scent is warned of, and no scent is a choice', async ({ maker, open }) => {
  await open('quarry-bench', 'Seizes')
  const scent = maker.getByRole('combobox', { name: 'Scent', exact: true })
  await scent.selectOption('lily-of-nowhere')
  await expect(maker.getByText('Lily of Nowhere is known to seize batter').first()).toBeVisible()
  await expect(maker.getByLabel('Biggest risk')).toContainText('too thick')
  await scent.selectOption({ label: 'No scent' })
  await expect(maker.getByLabel('Biggest risk')).toContainText('as planned')
  await expect(maker.getByLabel('When the scent goes in')).toHaveCount(0)
})

test('a batch is exported from the list as it stands', async ({ maker, open }) => {
  await open('otter-slide', 'From the list')
  await maker.goto('/batches')
  await maker.getByLabel('Search batches').fill('From the list')
  const download = maker.waitForEvent('download')
  await maker.getByRole('button', { name: 'Export From the list' }).first().click()
  const file = await download
  expect(file.suggestedFilename()).toBe('from-the-list.json')
  const stream = await file.createReadStream()
  const chunks: Buffer[] = []
  for await (const chunk of stream) chunks.push(chunk as Buffer)
  expect(Buffer.concat(chunks).toString()).toBe(exampleText('otter-slide').replace('"Otter Slide"', '"From the list"'))
})

test('an empty name is refused beside its field; an address that is nowhere says so', async ({ maker, open }) => {
  await open('quarry-bench', 'Named')
  await maker.getByLabel('Name of the batch').fill('')
  await expect(maker.getByText('A batch has a name of 1 to 80 letters.')).toBeVisible()
  await maker.getByLabel('Name of the batch').press('Escape')
  await expect(maker.getByLabel('Name of the batch')).toHaveValue('Named')
  await maker.goto('/nowhere')
  await expect(maker.getByRole('heading', { name: 'Nothing at this address' })).toBeVisible()
  await maker.goto('/batches/00000000-0000-4000-8000-000000000000/score')
  await expect(maker.getByText('There is no such batch')).toBeVisible()
})
