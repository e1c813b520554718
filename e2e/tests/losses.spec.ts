import { expect, saved, test } from '../workshop.ts'

test('weights taken down without the server are kept, and saved when it is back', async ({ maker, open, context }) => {
  await open('quarry-bench', 'Offline', 'weigh')
  await context.setOffline(true)
  await maker.getByRole('button', { name: 'Water weighed as written' }).click()
  await maker.getByRole('button', { name: 'Palm oil weighed as written' }).click()
  await expect(maker.getByText('2 of 14')).toBeVisible()
  await context.setOffline(false)
  await saved(maker)
  await maker.reload()
  await expect(maker.getByText('2 of 14')).toBeVisible()
})

test('half a change on the shelf waits while one looks elsewhere, and is not lost to a failed save', async ({
  maker,
  context,
}) => {
  await maker.goto('/shelf/liquids/coffee-brewed')
  const note = maker.getByLabel('Note')
  await note.fill('Yesterday’s pot.')
  await maker.getByText('Coconut water').click()
  await expect(note).toHaveValue('')
  await maker.getByText('Brewed coffee, cooled').click()
  await expect(note).toHaveValue('Yesterday’s pot.')
  await context.setOffline(true)
  await maker.getByRole('button', { name: 'Save' }).click()
  await expect(maker.getByRole('alert')).toContainText('cannot be reached')
  await expect(note).toHaveValue('Yesterday’s pot.')
  await context.setOffline(false)
  await maker.getByRole('button', { name: 'Save' }).click()
  await expect(maker.getByText('Brewed coffee, cooled is saved.', { exact: true })).toBeVisible()
})

test('two windows in one recipe: both fields are kept; in the same field the second is asked, and nothing is lost', async ({
  maker,
  open,
  context,
}) => {
  const id = await open('quarry-bench', 'Both', 'batter')
  const other = await context.newPage()
  await other.goto(`/batches/${id}/batter`)
  const castor = other.getByLabel('Share of Castor oil')
  await expect(castor).toHaveValue('5')
  await maker.getByLabel('Share of Castor oil').fill('8')
  await saved(maker)
  await other.getByLabel('Superfat', { exact: true }).fill('6')
  await saved(other)
  await expect(castor).toHaveValue('8')
  await maker.getByLabel('Share of Castor oil').fill('9')
  await saved(maker)
  await castor.fill('7')
  await expect(other.getByText(/changed in another window/).first()).toBeVisible()
  await other.getByRole('button', { name: 'Take the saved one' }).click()
  await expect(castor).toHaveValue('9')
  await other.getByRole('button', { name: 'Undo' }).click()
  await expect(castor).toHaveValue('7')
  await expect(other.getByLabel('Superfat', { exact: true })).toHaveValue('6')
  await other.close()
})

test('a deleted recipe comes back; the list goes by keyboard', async ({ maker }) => {
  await maker.goto('/recipes')
  await maker.getByRole('button', { name: 'Delete Gate Hard' }).click()
  await expect(maker.getByRole('button', { name: 'Delete Gate Hard' })).toHaveCount(0)
  await maker.getByRole('button', { name: 'Undo' }).click()
  await expect(maker.getByRole('button', { name: 'Delete Gate Hard' })).toBeVisible()

  await maker.goto('/shelf/oils')
  await maker.getByRole('row').nth(1).focus()
  await maker.keyboard.press('Enter')
  await expect(maker.getByRole('heading', { name: 'Apricot kernel oil' })).toBeVisible()
  await maker.keyboard.press('ArrowDown')
  await expect(maker.getByRole('heading', { level: 2 })).not.toHaveText('Apricot kernel oil')
  await maker.getByRole('columnheader', { name: 'Saponification value' }).click()
  await expect(maker.getByRole('row').nth(1)).toContainText('Jojoba')
})

test('what the shelf writes as CSV it reads again as the same', async ({ maker }) => {
  await maker.goto('/shelf/additives')
  const [download] = await Promise.all([
    maker.waitForEvent('download'),
    maker.getByRole('button', { name: 'CSV', exact: true }).click(),
  ])
  await maker.getByRole('button', { name: 'From a table' }).click()
  await maker.getByLabel('Table file (CSV or .xlsx)').setInputFiles(await download.path())
  const report = maker.getByRole('region', { name: 'What this file would do' })
  await expect(report).toContainText('0 refused0 will change0 new35 the same')
  await expect(maker.getByRole('button', { name: 'Nothing to take in' })).toBeDisabled()
})
