import { expect, goTo, test } from '../workshop.ts'

// Both change the workshop's habits: one after the other.
test.describe.configure({ mode: 'serial' })

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
    await goTo(maker, `/batches/${id}/sheet`)
    await expect(maker.getByText('87.8 °F').or(maker.getByText('88 °F')).first()).toBeVisible()
    await expect(maker.getByRole('heading', { name: '4 · Cups (oz)' })).toBeVisible()
  } finally {
    await maker.request.put('/api/workshop/habits', { data: { mass: 'g', temperature: 'C', length: 'mm' } })
  }
  // The habits went by the page: it is opened anew.
  await maker.goto(`/batches/${id}/score`)
  await expect(maker.getByRole('region', { name: 'Levers' }).getByLabel('Oils and lye meet at')).toHaveValue('31')
  await expect(maker.getByLabel('Height of layer 1, Slate')).toHaveValue('26')
})

test('a workshop of ounces reads ounces and °F at the bench, in numbers and in sentences', async ({ maker, open }) => {
  await maker.request.put('/api/workshop/habits', { data: { mass: 'oz', temperature: 'F', length: 'in' } })
  try {
    const id = await open('weir-milk', 'Ounces', 'weigh')
    await expect(maker.getByText(/tare the lye jug; 0\.\d+ oz of it as ice/)).toBeVisible()
    const palm = maker.getByLabel('Coconut oil, weighed', { exact: true })
    await palm.fill('7')
    await palm.press('Enter')
    await expect(maker.getByText(/oz too much: superfat/)).toBeVisible()
    await goTo(maker, `/batches/${id}/heat`)
    await expect(maker.getByText(/^✓ Lye 9\d °F, oils 9\d °F: 0 °F apart/)).toBeVisible()
    await goTo(maker, `/batches/${id}/batter`)
    await expect(maker.getByLabel('Weight of Coconut oil')).toHaveValue('6.561')
    await maker.getByLabel('Weight of Coconut oil').fill('186 g')
    await expect(maker.getByText('100 % in all')).toBeVisible()
  } finally {
    await maker.request.put('/api/workshop/habits', { data: { mass: 'g', temperature: 'C', length: 'mm' } })
  }
})

test('cups, colours, cards and bars speak ounces and inches too', async ({ maker, open }) => {
  await maker.request.put('/api/workshop/habits', { data: { mass: 'oz', temperature: 'F', length: 'in' } })
  try {
    const id = await open('ninth-lock', 'Ounces in cups', 'cups?cup=cup-3')
    await maker.getByLabel('write down what the cups really hold').check()
    await maker.getByLabel('Foam really holds').fill('9')
    await maker.getByLabel('enlarged after colouring').check()
    await maker.getByLabel('What Foam held when it was coloured').fill('6')
    await expect(maker.getByText(/^Add 0\.\d+ oz Titanium dioxide/)).toBeVisible()
    for (const page of ['cups?cup=cup-3', 'cards', 'bars', 'score']) {
      await goTo(maker, `/batches/${id}/${page}`)
      await expect(
        maker
          .getByRole('main')
          .getByText(/\d (oz|in)\b/)
          .first(),
      ).toBeVisible()
      // Names on the shelf keep the measure that they were given.
      const text = await maker.getByRole('main').evaluate(main => {
        for (const list of main.querySelectorAll('select')) list.remove()
        return (main as HTMLElement).innerText
      })
      // Doses are g per kg everywhere; everything that is weighed or measured follows the workshop.
      expect(text.match(/\d (g|mm)(?![\w/])/g) ?? []).toEqual([])
    }
  } finally {
    await maker.request.put('/api/workshop/habits', { data: { mass: 'g', temperature: 'C', length: 'mm' } })
  }
})

test('times of the workshop’s own hold for every batch; odd ones are told and change nothing', async ({
  maker,
  open,
}) => {
  await open('quarry-bench', 'Timed')
  const last = maker.getByText('lye in to last pour').locator('..')
  const before = await last.textContent()
  await maker.getByText('Hands, and what each lever does').click()
  await maker.getByRole('button', { name: /Your hands, timed/ }).click()
  const dialog = maker.getByRole('dialog')
  const pour = dialog.getByLabel('Seconds for pouring 250 g')
  await pour.fill('2000')
  await expect(dialog.getByText(/From half a second to ten minutes/)).toBeVisible()
  await expect(dialog.getByRole('button', { name: 'Keep for all batches' })).toBeDisabled()
  await pour.fill('95')
  await dialog.getByRole('button', { name: 'Keep for all batches' }).click()
  await expect(last).not.toHaveText(before!)
  await maker.reload()
  await expect(last).not.toHaveText(before!)
  await maker.getByText('Hands, and what each lever does').click()
  await maker.getByRole('button', { name: /Your hands, timed/ }).click()
  await dialog.getByRole('button', { name: 'pouring 250 g: as usual' }).click()
  await dialog.getByRole('button', { name: 'Keep for all batches' }).click()
  await expect(last).toHaveText(before!)
})
