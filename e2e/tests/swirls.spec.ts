import { expect, saved, test } from '../workshop.ts'

test('a hanger swirl from a straight score: the bars are scrubbed, a layer is dropped in between, bars are cut', async ({
  maker,
  open,
}) => {
  await open('quarry-bench', 'Hanger')
  await maker.getByRole('button', { name: /^technique/ }).click()
  const dialog = maker.getByRole('dialog')
  await expect(dialog.getByRole('img', { name: 'Hanger swirl' })).toHaveAttribute('data-drawn', 'yes')
  await dialog.getByRole('button', { name: /^Hanger swirl/ }).click()
  await expect(maker.getByText('3 cups · 5 layers')).toBeVisible()
  const face = maker.getByRole('img', { name: 'Face of the bar at the cut' })
  await expect(face).toHaveAttribute('data-drawn', 'yes')
  const picture = () => face.evaluate(canvas => (canvas as HTMLCanvasElement).toDataURL())
  const before = await picture()
  await maker.getByRole('slider', { name: 'Where the loaf is cut' }).focus()
  for (let i = 0; i < 10; i += 1) await maker.keyboard.press('ArrowRight')
  await expect(maker.getByText('cut at 138 mm')).toBeVisible()
  await expect.poll(picture).not.toBe(before)

  // The tool: deeper, then left out, then taken back.
  await maker.getByRole('button', { name: /^hanger wire/ }).click()
  const move = maker.getByRole('region', { name: 'Move: hanger wire' })
  await move.getByLabel('Loops').fill('31')
  await move.getByLabel('Loops').blur()
  await expect(move.getByText('a whole number from 1 to 30')).toBeVisible()
  await move.getByLabel('Loops').fill('2')
  await move.getByLabel('left out for now').check()
  await expect(maker.getByText('left out', { exact: true })).toBeVisible()
  await expect(face).toHaveCount(0)
  await maker.getByRole('button', { name: 'Undo', exact: true }).first().click()
  await expect(face).toBeVisible()

  // A layer between two others, as streams from a height.
  await maker.getByRole('button', { name: /^3 .*g at/ }).click()
  const layer = maker.getByRole('region', { name: /^Layer 3 of 5|^Layer 3,/ })
  await layer.getByLabel('Goes in').selectOption('drop')
  await expect(layer.getByLabel('Streams')).toHaveValue('3')
  await expect(layer.getByLabel('Falls from')).toHaveValue('100')

  await maker.getByRole('link', { name: 'all bars' }).click()
  await expect(maker.getByRole('img', { name: /^Bar \d+$/ })).toHaveCount(8)
  await maker.getByLabel('A bar is').fill('40')
  await expect(maker.getByRole('img', { name: /^Bar \d+$/ })).toHaveCount(5)
  const download = maker.waitForEvent('download')
  await maker.getByRole('button', { name: 'as a picture (PNG)' }).last().click()
  expect((await download).suggestedFilename()).toBe('hanger-across.png')
  await saved(maker)
})

test('a path is drawn by hand for the chopstick, and stays after a reload', async ({ maker, open }) => {
  await open('quarry-bench', 'Drawn')
  await maker.getByLabel('Add a tool').selectOption('stick')
  const move = maker.getByRole('region', { name: /^Move: chopstick/ })
  await move.getByLabel('Its path').selectOption('drawn')
  await expect(maker.getByText('A tool’s path has no length; it was left out.')).toHaveCount(0)
  const pad = move.getByRole('application')
  const box = (await pad.boundingBox())!
  await maker.mouse.move(box.x + 20, box.y + box.height / 2)
  await maker.mouse.down()
  for (let i = 1; i <= 8; i += 1)
    await maker.mouse.move(box.x + 20 + i * 25, box.y + box.height * (i % 2 ? 0.3 : 0.7), { steps: 4 })
  await maker.mouse.up()
  await expect(move.getByText('Draw again to replace it.')).toBeVisible()
  await saved(maker)
  await maker.reload()
  await maker.getByRole('button', { name: /^chopstick/ }).click()
  await expect(move.getByText('Draw again to replace it.')).toBeVisible()
})
