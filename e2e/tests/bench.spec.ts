import { expect, saved, test, turnTo } from '../workshop.ts'

test('lye waits for the safety list; an overshoot is accepted or the rest rescaled; reload keeps it all', async ({
  maker,
  open,
}) => {
  await open('quarry-bench', 'Weigh', 'weigh')
  const lye = maker.getByRole('button', { name: 'Lye (NaOH) weighed as written' })
  await expect(lye).toBeDisabled()
  await maker.getByRole('button', { name: 'Water weighed as written' }).click()
  await expect(maker.getByText('1 of 14')).toBeVisible()
  for (const box of await maker.getByRole('group').getByRole('checkbox').all()) await box.check()
  await lye.click()
  await expect(maker.getByText('2 of 14')).toBeVisible()

  const coconut = maker.getByLabel('Coconut oil, weighed', { exact: true })
  await coconut.fill('200')
  await coconut.press('Enter')
  await expect(maker.getByText(/16 g too much: superfat .* Better put right/)).toBeVisible()
  await coconut.fill('186')
  await coconut.press('Enter')
  await expect(maker.getByText(/2 g too much: .* That is small: accept it/)).toBeVisible()
  await coconut.fill('200')
  await coconut.press('Enter')
  await maker.getByRole('button', { name: 'Rescale the rest' }).click()
  await expect(maker.getByText(/^11[89]\d\.\d g$/)).toBeVisible()
  await expect(maker.getByText(/^Add \d+ g\.$/).first()).toBeVisible()
  await saved(maker)
  await maker.reload()
  await expect(coconut).toHaveValue('200')
  await coconut.fill('a lot')
  await coconut.press('Enter')
  await expect(maker.getByText('“a lot” is not a number')).toBeVisible()
})

test('readings refit the cooling, and the rule is the maker’s own', async ({ maker, open }) => {
  await open('quarry-bench', 'Heat', 'heat')
  await maker.getByLabel('Start mixing at').fill('14:00')
  await expect(maker.getByLabel('When to begin')).toContainText('11:57')
  await maker.getByLabel('Cools in').selectOption('ice bath')
  await expect(maker.getByLabel('When to begin')).toContainText('13:44')
  const readings = maker.getByRole('region', { name: 'Readings' })
  for (const [temp, time] of [
    ['85', '13:00'],
    ['140 F', '13:04'],
  ] as const) {
    await readings.getByLabel('Lye now').fill(temp)
    await readings.getByLabel('at', { exact: true }).first().fill(time)
    await readings.getByRole('button', { name: 'Take down' }).first().click()
  }
  await expect(readings.getByRole('status')).toContainText(/At 31 °C by 13:\d\d, between .* times as fast as expected/)
  await maker.getByLabel('lye at a temperature of its own').check()
  await maker.getByLabel('Lye meets the oils at').fill('36')
  await expect(maker.getByText(/°C apart, more than your 6 °C/)).toBeVisible()
  await maker.getByRole('combobox', { name: 'Temperature rule' }).selectOption('mix')
  await expect(maker.getByText(/the mix you plan with/)).toBeVisible()
  await maker.getByLabel('In', { exact: true }).first().selectOption('jug-glass-1000')
  await expect(maker.getByText('not for hot lye')).toBeVisible()
})

test('tools, run sheet, liner and own batters', async ({ maker, open }) => {
  await open('weir-milk', 'Ready', 'prepare')
  const steps = maker.getByRole('list', { name: 'Steps of preparation' })
  await expect(steps).toContainText('Freeze 1')
  await expect(steps).toContainText('calendula')
  await steps.getByRole('checkbox').first().check()
  await expect(maker.getByRole('img', { name: /along the mould: 510 mm × 75 mm/ })).toBeVisible()
  await maker.getByLabel('Liner stands over by').fill('2 in')
  await expect(maker.getByRole('img', { name: /along the mould: 552 mm × 75 mm/ })).toBeVisible()
  await maker.getByLabel('A batter of its own for each cup').check()
  await expect(maker.getByText(/^Melt together:/)).toBeVisible()
  await expect(maker.getByRole('row', { name: /^Honeycomb/ })).toBeVisible()
  await maker.getByLabel('a whipped or piped top').check()
  await expect(maker.getByText(/75 % hard oils\. Cream the fats soft/)).toBeVisible()
  await saved(maker)
  await turnTo(maker, 'Weigh')
  await expect(maker.getByRole('button', { name: 'Lye (NaOH) for the top weighed as written' })).toBeDisabled()
  const palm = maker.getByLabel('Palm oil for the top, weighed')
  await palm.fill('20')
  await palm.press('Enter')
  await expect(maker.getByText(/too little: superfat of the top .* instead of/)).toBeVisible()
  await maker.getByRole('button', { name: /^Goat milk, whole: \d+ g/ }).click()
  await expect(maker.getByText('all water × its share ÷ the water in it')).toBeVisible()
})
