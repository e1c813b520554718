import { readFileSync } from 'node:fs'
import { expect, goTo, test } from '../workshop.ts'

test('what it is for and the day it is wanted stand on the list and where all is made ready, with the last day to begin', async ({
  maker,
  open,
}) => {
  const name = `Wanted ${Date.now()}`
  const id = await open('weir-milk', name, 'batter')
  await maker.getByLabel('Occasion').fill('Midwinter fair')
  await maker.getByLabel('For whom').fill('the ferry crew')
  await maker.getByLabel('Wanted for').fill('2031-12-20')
  // The plant in its oil, cold: weeks before the pour.
  await maker.getByLabel('Steeped', { exact: true }).selectOption('cold')
  await expect(maker.getByText(/begin what is made beforehand by/)).toBeVisible()
  await expect(maker.getByText('saved', { exact: true })).toBeVisible()
  await goTo(maker, `/batches/${id}/prepare`)
  await expect(maker.getByText('Midwinter fair · for the ferry crew')).toBeVisible()
  const step = maker.getByRole('list', { name: 'Steps of preparation' }).getByRole('listitem').first()
  await expect(step).toContainText(/by \d+ (Sep|Oct)/)
  await maker.goto('/batches')
  await maker.getByPlaceholder('name, scent, sign, lot or day').fill(name)
  await expect(maker.getByText(/Midwinter fair, for the ferry crew/)).toBeVisible()
  await maker.request.delete(`/api/batches/${id}`)
})

test('techniques say what they ask for, and only those that can be poured in time are left when wished', async ({
  maker,
  open,
}) => {
  const id = await open('verdigris-stair', `Chosen ${Date.now()}`, 'score')
  await maker.getByRole('button', { name: 'design …' }).click()
  const dialog = maker.getByRole('dialog')
  const cards = dialog.getByRole('listitem')
  await expect(cards.first()).toContainText(/5 cups · \d+ min · cut across/)
  await expect(cards.last()).toContainText(/every pour in \d+ of 10/)
  const all = await cards.count()
  await dialog.getByLabel(/only what can be poured in time/).check()
  await expect.poll(() => cards.count()).toBeLessThan(all)
  await maker.keyboard.press('Escape')
  await goTo(maker, `/batches/${id}/batter`)
  await expect(maker.getByText('advanced', { exact: true })).toBeVisible()
  await maker.getByRole('button', { name: 'A plainer one, as a copy' }).click()
  await expect(maker.getByLabel('Name of the batch')).toHaveValue(/plainer$/)
  await maker.request.delete(`/api/batches/${id}`)
})

test('four answers to vanillin stand side by side, and one is taken; whites are compared at one dose', async ({
  maker,
  open,
}) => {
  const id = await open('ninth-lock', `Browning ${Date.now()}`, 'colour')
  await expect(maker.getByText('let it brown, and plan for it')).toBeVisible()
  const answer = maker.getByRole('listitem').filter({ hasText: 'leave this cup unscented' })
  await answer.getByRole('button', { name: 'Take it' }).click()
  await expect(maker.getByText('let it brown, and plan for it')).toBeHidden()
  const white = maker.getByRole('row').filter({ hasText: 'Titanium dioxide, oil-dispersible' })
  await expect(white).toContainText('△ drags, chalky')
  await maker.request.delete(`/api/batches/${id}`)
})

test('a private blend is one line on the sheet and in files; the sheet is had as a PDF', async ({ maker, open }) => {
  const id = await open('weir-milk', `Private ${Date.now()}`, 'batter')
  await maker.getByLabel('private: its parts stay off what is printed or shared').check()
  await expect(maker.getByText('saved', { exact: true })).toBeVisible()
  await goTo(maker, `/batches/${id}/sheet`)
  await expect(maker.getByText('Scent, a private blend')).toBeVisible()
  await expect(maker.getByText(/Lavender \(essential oil\)/)).toHaveCount(0)
  const pdf = await maker.request.get(`/api/batches/${id}/sheet.pdf`)
  expect(pdf.headers()['content-type']).toBe('application/pdf')
  await goTo(maker, `/batches/${id}/weigh`)
  const [file] = await Promise.all([
    maker.waitForEvent('download'),
    maker.getByRole('button', { name: 'as CSV' }).click(),
  ])
  const text = readFileSync(await file.path(), 'utf8')
  expect(text).toContain('Lye (NaOH)')
  expect(text).toContain('a private blend')
  expect(text).not.toContain('Lavender')
  await maker.request.delete(`/api/batches/${id}`)
})

test('lye is explained before the first time, and the cards are found by their names', async ({ maker }) => {
  await goTo(maker, '/craft/clean')
  await expect(maker.getByRole('heading', { name: 'Lye, before the first time' })).toBeVisible()
  await expect(maker.getByRole('region', { name: 'Cleaning up' })).toContainText('looks like icing')
  await expect(maker.getByRole('region', { name: 'If something happens' })).toContainText('No vinegar')
})
