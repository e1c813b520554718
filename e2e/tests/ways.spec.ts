import { expect, saved, test, turnTo } from '../workshop.ts'

test('one colour in each cavity: every bar is shown, one is looked at closer, and the sheet says where each goes', async ({
  maker,
  open,
}) => {
  await open('quarry-bench', 'Each its own', 'batter')
  await maker.getByRole('region', { name: 'Mould' }).getByLabel('Mould', { exact: true }).selectOption('cavity-oval-8')
  await turnTo(maker, 'Score')
  await maker.locator('[data-row]').first().click()
  await maker.getByRole('button', { name: 'One colour in each' }).click()
  const strip = maker.getByRole('group', { name: 'Cavities', exact: true })
  const kinds = await strip.getByRole('button').count()
  expect(kinds).toBeGreaterThan(1)
  await saved(maker)
  await turnTo(maker, 'Bars')
  await expect(maker.getByRole('heading', { name: '8 bars' })).toBeVisible()
  const bars = maker.getByRole('button', { name: /^Bar \d:/ })
  await expect(bars).toHaveCount(8)
  await bars.nth(7).click()
  await expect(bars.nth(7)).toHaveAttribute('aria-pressed', 'true')
  await turnTo(maker, 'Sheet')
  await expect(maker.getByText(/Cavit(y|ies) 1.*\d g/).first()).toBeVisible()
  await turnTo(maker, 'Rest')
  await expect(maker.getByText(/Worked through for cavit/)).toBeVisible()
})

test('a whipped batch goes from chilled lye to the piping bag; of soft oils it says why not', async ({
  maker,
  open,
}) => {
  await open('thistle-top', 'Cloud', 'batter')
  await maker.getByLabel(/^the whole batch: fats creamed/).check()
  await maker.getByLabel('Lye chilled to').fill('12')
  await maker.getByLabel('Lye chilled to').press('Enter')
  await expect(maker.getByText(/Lye of 12 °C is trickled in at low speed/)).toBeVisible()
  await turnTo(maker, 'Run sheet')
  await expect(maker.getByText('Chill the lye to 12 °C, covered and labelled')).toBeVisible()
  await expect(maker.getByText('Soften the hard fats, cream them with the liquid oils')).toBeVisible()
  await expect(maker.getByText(/Bags, tips and trays set out/)).toBeVisible()
  await saved(maker)
  await maker.reload()
  await turnTo(maker, 'Recipe')
  await expect(maker.getByLabel('Lye chilled to')).toHaveValue('12')
})

test('blending by the clock, a cup blended on and one drawn early are kept and stand on the sheet', async ({
  maker,
  open,
}) => {
  await open('quarry-bench', 'By the clock')
  const levers = maker.getByRole('region', { name: 'Levers' })
  await levers.getByLabel('Blending stops').selectOption('seconds')
  await levers.getByLabel('Blend for, seconds').fill('25')
  await levers.getByLabel('Blend for, seconds').press('Enter')
  await turnTo(maker, 'Cups')
  await maker.getByLabel('blended further by itself').check()
  await maker.getByLabel('Blended on to level').fill('9')
  await maker.getByLabel('Blended on to level').press('Enter')
  await expect(maker.getByText(/at 5 it is set and cannot be poured/)).toBeVisible()
  await maker.getByLabel('Blended on to level').fill('2.8')
  await maker.getByLabel('Blended on to level').press('Enter')
  await maker.getByLabel('Filled', { exact: true }).selectOption('seconds')
  await maker.getByLabel('After seconds').fill('12')
  await maker.getByLabel('After seconds').press('Enter')
  await turnTo(maker, 'Sheet')
  await expect(maker.getByText(/for 25 s by the clock/)).toBeVisible()
  await expect(maker.getByText(/is drawn early, after 12 s of blending/)).toBeVisible()
  await expect(maker.getByText(/is blended on by itself to level 2.8/)).toBeVisible()
})

test('what goes into the refrigerator comes out of it again', async ({ maker, open }) => {
  await open('quarry-bench', 'Out again', 'rest')
  const rest = maker.getByRole('region', { name: 'The rest' })
  await rest.getByLabel('Where').first().selectOption('refrigerator')
  await expect(rest.getByLabel('Where')).toHaveCount(2)
  await expect(rest.getByLabel('Where').nth(1)).toHaveValue('room')
  await saved(maker)
})
