import { expect, saved, test } from '../workshop.ts'

const csv = (text: string) => ({ name: 'oils.csv', mimeType: 'text/csv', buffer: Buffer.from(text) })

test('what an oil was before stands with who changed it, and is had back', async ({ maker }) => {
  await maker.goto('/shelf/oils/babassu')
  const editor = maker.getByRole('complementary')
  const iodine = editor.getByLabel('Iodine value')
  const was = await iodine.inputValue()
  const now = was === '17' ? '16' : '17'
  await iodine.fill(now)
  await editor.getByRole('button', { name: 'Save' }).click()
  await expect(maker.getByText('Babassu oil is saved.', { exact: true })).toBeVisible()
  await expect(editor.getByRole('button', { name: 'Take back' })).toBeHidden()
  await editor.getByRole('button', { name: 'Earlier versions' }).click()
  const versions = maker.getByRole('dialog').getByRole('listitem')
  await expect(versions.first()).toContainText(`Iodine value: ${was} → ${now}`)
  await expect(versions.first()).toContainText('as it is now')
  await versions.nth(1).getByRole('button', { name: 'Bring this back' }).click()
  await expect(iodine).toHaveValue(was)
  const told = maker.locator('li').filter({ hasText: 'Babassu oil is as it was then.' })
  await told.getByRole('button', { name: 'Undo' }).click()
  await expect(iodine).toHaveValue(now)
  await maker.goto('/designs')
  await maker.getByRole('button', { name: 'Earlier versions of Marbles' }).click()
  await expect(maker.getByRole('dialog')).toContainText(/as it was first|never changed here/i)
})

test('an oil is found, duplicated, named, changed with odd input, archived and brought back', async ({ maker }) => {
  await maker.goto('/shelf')
  await maker.getByLabel('Search oils').fill('high oleic')
  const rows = maker.getByRole('table', { name: 'Oils' }).getByRole('row')
  await maker.getByText('Sunflower oil, high oleic').click()
  await expect(maker.getByRole('heading', { name: 'Sunflower oil, high oleic' })).toBeVisible()
  await maker.getByRole('button', { name: 'Duplicate' }).click()
  const editor = maker.getByRole('complementary')
  await expect(maker.getByRole('heading', { name: 'New oil' })).toBeVisible()
  await editor.getByLabel('Name', { exact: true }).fill('Mill sunflower')
  const sap = editor.getByLabel('Saponification value')
  await sap.fill('19')
  await sap.blur()
  await expect(editor.getByText('Saponification value is from 60 to 400 mg KOH/g, not 19.')).toBeVisible()
  await editor.getByRole('button', { name: 'Save' }).click()
  await expect(editor.getByText('A value cannot be read yet')).toBeVisible()
  await sap.fill('188,5')
  await editor.getByRole('button', { name: 'Save' }).click()
  await expect(maker.getByRole('heading', { name: 'Mill sunflower' })).toBeVisible()
  await maker.reload()
  await expect(editor.getByLabel('Saponification value')).toHaveValue('188.5')
  await editor.getByLabel('Name', { exact: true }).fill('coconut oil')
  await editor.getByRole('button', { name: 'Save' }).click()
  await expect(editor.getByText('Another oil has this name already').first()).toBeVisible()
  await editor.getByRole('button', { name: 'Take back' }).click()
  await editor.getByLabel('Iodine value').fill('99')
  await editor.getByRole('button', { name: 'Save' }).click()
  await maker.getByRole('button', { name: 'Undo' }).click()
  await expect(editor.getByLabel('Iodine value')).toHaveValue('83')
  await maker.getByRole('button', { name: 'Archive' }).click()
  await expect(editor.getByText('no list offers it')).toBeVisible()
  await maker.getByLabel('Search oils').fill('mill')
  await expect(rows).toHaveCount(1)
  await maker.getByLabel('Show').selectOption('archived')
  await expect(rows).toHaveCount(2)
  await maker.getByRole('button', { name: 'Bring back' }).click()
  await expect(rows).toHaveCount(1)
})

test('a table file shows what it would do, row by row, before anything changes', async ({ maker }) => {
  await maker.goto('/shelf/oils')
  await maker.getByRole('button', { name: 'From a table' }).click()
  const dialog = maker.getByRole('dialog')
  await dialog.getByLabel('Table file (CSV or .xlsx)').setInputFiles(csv('Cat;Dog\nx;y\n'))
  await expect(dialog.getByText('This file has no column “Name”')).toBeVisible()
  const rows = [
    'Name;Saponification value;Usual most;Cat',
    'Argan oil;191,5;10;x',
    'Ferry oil;189,25;12,5;x',
    'Odd oil;9;1;x',
    'Ferry oil;1;1;x',
  ]
  await dialog.getByLabel('Table file (CSV or .xlsx)').setInputFiles(csv(rows.join('\n')))
  const report = dialog.getByRole('region', { name: 'What this file would do' })
  await expect(report).toContainText('2 refused1 will change1 new0 the same')
  await expect(report).toContainText('Saponification value: 191 → 191.5')
  await expect(report).toContainText('is from 60 to 400 mg KOH/g, not 9.')
  await expect(report).toContainText('The same item stands in row 3 already.')
  await expect(report).toContainText('Columns not known, and left out: Cat.')
  await dialog.getByRole('button', { name: 'Take in 2' }).click()
  await expect(maker.getByText('2 oils were taken in.', { exact: true })).toBeVisible()
  await maker.getByLabel('Search oils').fill('ferry')
  await expect(maker.getByRole('table', { name: 'Oils' }).getByText('12.5 %')).toBeVisible()
})

test('two windows on one item: the second is told, and may save over it', async ({ maker, context }) => {
  await maker.goto('/shelf/liquids/tea-black')
  const other = await context.newPage()
  await other.goto('/shelf/liquids/tea-black')
  for (const [page, note] of [
    [maker, 'Assam.'],
    [other, 'Strong.'],
  ] as const) {
    await page.getByLabel('Note').fill(note)
    await page.getByRole('button', { name: 'Save' }).click()
  }
  await expect(other.getByText('was changed in another window meanwhile')).toBeVisible()
  await expect(other.getByLabel('Note')).toHaveValue('Strong.')
  await other.getByRole('button', { name: 'Save mine over it' }).click()
  await expect(other.getByText('Black tea, cooled is saved.', { exact: true })).toBeVisible()
  await other.close()
})

test('what the workshop never uses stops a batch, and lots make a shopping list with stand-ins', async ({
  maker,
  open,
}) => {
  const id = await open('verdigris-stair', 'Stock', 'prepare')
  await expect(maker.getByText('Palm oil: 66 g more')).toBeVisible()
  await maker.getByRole('button', { name: 'Take something else' }).first().click()
  const dialog = maker.getByRole('dialog')
  await expect(dialog.getByRole('listitem').first()).toContainText('lye')
  await dialog.getByRole('button', { name: 'Take it' }).first().click()
  await expect(maker.getByText('Palm oil: 66 g more')).toHaveCount(0)
  await maker.getByRole('button', { name: 'Undo' }).click()
  await saved(maker)

  await maker.goto('/shelf')
  await maker.getByRole('button', { name: 'Rules' }).click()
  const palm = maker.getByRole('dialog').getByRole('row', { name: /^palm/ })
  await palm.getByLabel('never use').check()
  await maker.getByRole('button', { name: 'Save the rules' }).click()
  await expect(maker.getByText('The rules are saved.', { exact: true }).last()).toBeVisible()
  await maker.goto(`/batches/${id}/batter`)
  await expect(maker.getByText('Palm oil: palm. Your workshop never uses that.')).toBeVisible()
  await maker.goto('/shelf')
  await maker.getByRole('button', { name: 'Rules' }).click()
  await palm.getByLabel('as it comes').check()
  await maker.getByRole('button', { name: 'Save the rules' }).click()
  await expect(maker.getByText('The rules are saved.', { exact: true }).last()).toBeVisible()
})
