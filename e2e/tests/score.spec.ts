import { addFrom, expect, goTo, saved, test } from '../workshop.ts'

test('five layers fit 1280 × 800 without scrolling', async ({ maker, open }) => {
  await open('verdigris-stair', 'Fits')
  await expect(maker.getByRole('group', { name: /^Plaster: layer 5/ })).toBeInViewport({ ratio: 1 })
  await expect(maker.getByLabel('Height of layer 5, Plaster')).toBeInViewport({ ratio: 1 })
  await expect(maker.getByLabel('Biggest risk')).toBeInViewport({ ratio: 1 })
  expect(await maker.evaluate(() => document.documentElement.scrollHeight <= innerHeight)).toBe(true)
})

test('a height is typed in any unit or as a share; what cannot be stays with a sentence', async ({ maker, open }) => {
  await open('quarry-bench', 'Typing')
  const height = maker.getByLabel('Height of layer 1, Slate')
  await height.fill('1 in')
  await expect(maker.getByTestId('layer-1')).toContainText('25.4 mm')
  await height.fill('50 %')
  await expect(maker.getByTestId('layer-1')).toContainText('31 mm')
  await height.fill('80')
  await height.blur()
  await expect(height).toHaveValue('80')
  await expect(height).toHaveAttribute('aria-invalid', 'true')
  await expect(maker.getByText(/^At most 46\.4 mm here/).first()).toBeVisible()
  await height.fill('soap')
  await height.blur()
  await expect(maker.getByText('“soap” is not a number').first()).toBeVisible()
  await expect(maker.getByTestId('layer-1')).toContainText('31 mm')
  await height.focus()
  await maker.keyboard.press('Escape')
  await expect(height).toHaveValue('31')
})

test('the keyboard alone moves a boundary, reorders the score and undoes it', async ({ maker, open }) => {
  await open('quarry-bench', 'Keys')
  const boundary = maker.getByRole('slider', { name: 'Boundary between Slate and Sandstone' })
  await boundary.focus()
  await maker.keyboard.press('ArrowUp')
  await maker.keyboard.press('Shift+ArrowUp')
  await expect(boundary).toHaveAttribute('aria-valuenow', '31.5')
  await maker.keyboard.press('Control+z')
  await expect(boundary).toHaveAttribute('aria-valuenow', '26')

  await maker.getByRole('button', { name: 'Move layer 1, Slate' }).focus()
  await maker.keyboard.press('Space')
  await expect(maker.getByText('Over place 1.')).toBeAttached()
  // What is picked up is measured first: a key that comes sooner does nothing.
  await expect(async () => {
    await maker.keyboard.press('ArrowDown')
    await expect(maker.getByText(/^Over place [23]\.$/)).toBeAttached({ timeout: 2000 })
  }).toPass()
  await maker.keyboard.press('Space')
  await expect(maker.getByTestId('layer-1')).toContainText('Sandstone')
})

test('a cup is added, coloured and removed, and its lane follows', async ({ maker, open }) => {
  await open('quarry-bench', 'Cups')
  await maker.getByRole('button', { name: 'layer from a new cup' }).click()
  const inspector = maker.getByRole('region', { name: /^Layer 4, / })
  await inspector.getByLabel('Cup', { exact: true }).fill('Basalt')
  await addFrom(inspector, 'Add a colorant', 'charcoal')
  const dose = inspector.getByRole('group', { name: /charcoal/i }).getByLabel('Dose')
  await dose.fill('500')
  await dose.blur()
  await expect(inspector.getByText(/A dose is from 0 to 300 g per kg/)).toBeVisible()
  await dose.fill('4')
  await expect(maker.getByRole('group', { name: /^Basalt: layer 4/ })).toBeVisible()
  await inspector.getByRole('button', { name: 'Remove cup and its layers' }).click()
  await expect(maker.getByRole('img', { name: /^Basalt/ })).toHaveCount(0)
  await saved(maker)
})

test('the thirteenth cup is refused with a sentence', async ({ maker, open }) => {
  await open('seven-fathoms', 'Many cups')
  const add = maker.getByRole('button', { name: 'layer from a new cup' })
  for (let cups = 7; cups < 12; cups += 1) await add.click()
  await expect(maker.getByText('12 cups · 12 layers')).toBeVisible()
  await add.click()
  await expect(maker.getByText('at most 12 cups').first()).toBeVisible()
  await expect(maker.getByText('12 cups · 12 layers')).toBeVisible()
})

test('the lanes are also a table', async ({ maker, open }) => {
  await open('quarry-bench', 'Table')
  await maker.getByRole('button', { name: 'as a table' }).click()
  await expect(maker.getByRole('table', { name: /^Pours/ }).getByRole('row')).toHaveCount(4)
})

test('a phone shows it all without scrolling sideways', async ({ maker, open }) => {
  await maker.setViewportSize({ width: 390, height: 844 })
  const id = await open('verdigris-stair', 'Phone')
  const pages = [
    'batter',
    'heat',
    'score',
    'cups',
    'colour',
    'bars',
    'prepare',
    'weigh',
    'cards',
    'sheet',
    'rest',
    'cut',
    'outcome',
  ]
  for (const page of pages) {
    await goTo(maker, `/batches/${id}/${page}`)
    await expect(maker.getByRole('heading').first()).toBeVisible()
    expect(await maker.evaluate(() => document.documentElement.scrollWidth), page).toBeLessThanOrEqual(390)
  }
  // What it is looked at with stands above the soap, not on it.
  await goTo(maker, `/batches/${id}/score`)
  const bottom = await maker
    .getByRole('link', { name: 'every bar' })
    .evaluate(link => link.getBoundingClientRect().bottom)
  const top = await maker
    .getByRole('group', { name: 'Cross-section of the mould' })
    .locator('path')
    .first()
    .evaluate(wall => wall.getBoundingClientRect().top)
  expect(top).toBeGreaterThanOrEqual(bottom)
})
