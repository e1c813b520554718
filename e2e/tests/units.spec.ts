import { expect, test } from '../workshop.ts'

test('units are shown as the workshop likes, typed as one likes, and stored the same', async ({ maker, open }) => {
  const id = await open('quarry-bench', 'Units')
  const choose = async (name: string) => {
    await maker.getByRole('button', { name: 'Workshop and settings' }).click()
    await maker.getByRole('menuitem', { name }).click()
  }
  await choose('oz, °F, in')
  try {
    await expect(maker.getByLabel('Height of layer 1, Slate')).toHaveValue('1.03')
    await expect(maker.getByRole('region', { name: 'Levers' }).getByLabel('Oils and lye meet at')).toHaveValue('86')
    await expect(maker.getByText(/oz$/).first()).toBeVisible()
    await maker.getByRole('region', { name: 'Levers' }).getByLabel('Oils and lye meet at').fill('31 C')
    await maker.goto(`/batches/${id}/sheet`)
    await expect(maker.getByText('87.8 °F').or(maker.getByText('88 °F'))).toBeVisible()
    await expect(maker.getByRole('heading', { name: '3 · Cups (oz)' })).toBeVisible()
  } finally {
    await maker.request.put('/api/workshop/habits', { data: { mass: 'g', temperature: 'C', length: 'mm' } })
  }
  await maker.goto(`/batches/${id}/score`)
  await expect(maker.getByRole('region', { name: 'Levers' }).getByLabel('Oils and lye meet at')).toHaveValue('31')
  await expect(maker.getByLabel('Height of layer 1, Slate')).toHaveValue('26')
})
