import { addFrom, expect, goTo, saved, test, turnTo } from '../workshop.ts'

test('a hanger swirl from a straight score: the bars are scrubbed, a layer is dropped in between, bars are cut', async ({
  maker,
  open,
}) => {
  await open('quarry-bench', 'Hanger')
  await maker.getByRole('button', { name: /^design/ }).click()
  const dialog = maker.getByRole('dialog')
  await expect(dialog.getByRole('img', { name: 'Hanger swirl' })).toHaveAttribute('data-drawn', 'yes')
  await dialog.getByRole('button', { name: /^Hanger swirl/ }).click()
  await dialog.getByRole('button', { name: 'Use it' }).click()
  await expect(maker.getByText('3 cups · 5 layers')).toBeVisible()
  const face = maker.getByRole('img', { name: 'Face of the bar at the cut' })
  await expect(face).toHaveAttribute('data-drawn', 'yes')
  const picture = () => face.evaluate(canvas => (canvas as HTMLCanvasElement).toDataURL())
  const before = await picture()
  await maker.getByRole('slider', { name: 'Where the loaf is cut' }).focus()
  for (let i = 0; i < 10; i += 1) await maker.keyboard.press('ArrowRight')
  await expect(maker.getByText('cut at 120 mm')).toBeVisible()
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

  await maker.getByRole('link', { name: 'every bar' }).click()
  await expect(maker.getByRole('img', { name: /^Bar \d+$/ })).toHaveCount(8)
  await maker.getByLabel('A bar is').fill('40')
  await expect(maker.getByRole('img', { name: /^Bar \d+$/ })).toHaveCount(5)
  const download = maker.waitForEvent('download')
  await maker.getByRole('button', { name: 'PNG' }).last().click()
  expect((await download).suggestedFilename()).toBe('hanger-across.png')
  await saved(maker)
})

test('a path is drawn by hand for the chopstick, and stays after a reload', async ({ maker, open }) => {
  await open('quarry-bench', 'Drawn')
  await addFrom(maker, 'Add a tool', 'stick')
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

test('from a loaf to a slab: the design is kept, taken into another mould, told what was fitted, and printed', async ({
  maker,
  open,
}) => {
  const name = `Kept ${Date.now()}`
  await open('heron-reach', name)
  await maker.getByRole('button', { name: /^design/ }).click()
  const dialog = maker.getByRole('dialog')
  await dialog.getByText('Keep this one').click()
  await dialog.getByRole('button', { name: 'Keep it' }).click()
  await expect(maker.getByText(`${name} is kept among our designs.`, { exact: true })).toBeVisible()
  await goTo(maker, '/designs')
  // Drawn once it is looked at.
  const kept = maker.getByRole('img', { name: `Face of ${name}` })
  await kept.scrollIntoViewIfNeeded()
  await expect(kept).toHaveAttribute('data-drawn', 'yes')

  await open('weir-milk', 'Other mould')
  await maker.getByRole('button', { name: /^design/ }).click()
  await dialog.getByText('Our designs').click()
  await dialog.getByRole('button', { name: new RegExp(`^${name}`) }).click()
  await expect(maker.getByRole('button', { name: /^hanger wire/ })).toBeVisible()
  await maker.getByRole('link', { name: 'every bar' }).click()
  await maker.getByRole('link', { name: 'Design sheet' }).click()
  await expect(maker.getByRole('img', { name: 'The face of a bar' })).toHaveAttribute('data-drawn', 'yes')
  await expect(maker.getByText('Then: hanger wire, 3 times')).toBeVisible()
  const download = maker.waitForEvent('download')
  await maker.getByRole('button', { name: 'SVG' }).click()
  expect((await download).suggestedFilename()).toBe('other-mould-face.svg')
  const sheet = await maker.pdf({ format: 'A4' })
  expect(sheet.toString('latin1').match(/\/Type \/Page\b/g)).toHaveLength(1)
})

test('several layers are picked, set aside and put back; a rod is dragged in the picture; the block turns', async ({
  maker,
  open,
}) => {
  await open('seven-fathoms', 'Group')
  const rows = maker.locator('[data-row]')
  await rows.first().click()
  await rows.nth(2).click({ modifiers: ['Shift'] })
  const group = maker.getByRole('region', { name: '3 layers chosen' })
  await group.getByRole('button', { name: 'Set aside for now' }).click()
  await expect(rows).toHaveCount(4)
  for (let i = 0; i < 3; i += 1)
    await maker
      .getByRole('button', { name: /^Put .* back$/ })
      .first()
      .click()
  await expect(rows).toHaveCount(7)

  await addFrom(maker, 'Add a piece or topping', 'embed')
  const grip = maker.getByRole('slider', { name: 'Where Rod lies' })
  const box = (await grip.boundingBox())!
  await maker.mouse.move(box.x + 14, box.y + 14)
  await maker.mouse.down()
  await maker.mouse.move(box.x + 74, box.y - 16, { steps: 6 })
  await maker.mouse.up()
  const place = await grip.getAttribute('aria-valuetext')
  expect(place).not.toBe('50 % across, 50 % high')
  await maker.reload()
  await maker.getByRole('button', { name: /^Rod/ }).click()
  await expect(maker.getByRole('slider', { name: 'Where Rod lies' })).toHaveAttribute('aria-valuetext', place!)

  await maker.getByText('In space').click()
  const block = maker.getByRole('application', { name: /The block in space/ })
  await expect(block.getByRole('img').first()).toHaveAttribute('data-drawn', 'yes')
  const scene = block.locator('> div')
  const before = await scene.getAttribute('style')
  await block.focus()
  await maker.keyboard.press('ArrowRight')
  expect(await scene.getAttribute('style')).not.toBe(before)
  await saved(maker)
})

test('a plan B is made, shown on the sheet, worked on and left', async ({ maker, open }) => {
  await open('heron-reach', 'Second')
  // Nothing is likely to go wrong with it: no plan B is offered until a quick scent goes in.
  await maker.getByRole('button', { name: /^Make a plan B/ }).click()
  await expect(maker.getByText(/No plan B of the usual kinds helps/)).toBeVisible()
  await maker.getByRole('combobox', { name: 'Scent', exact: true }).selectOption('attic-rosebox')
  const offers = maker.getByRole('list', { name: 'Plans B' })
  await expect(offers.getByText('Rough layers instead of the swirl')).toBeVisible()
  await expect(offers.getByText(/Called for in .* Last moment: about .* after lye in/).first()).toBeVisible()
  await expect(offers.getByText('It costs the swirl.')).toBeVisible()
  await offers.getByRole('button', { name: 'Take Spooned, when it thickens as plan B' }).click()
  await maker.getByRole('button', { name: 'Work on plan B' }).click()
  await expect(maker.getByText('This is plan B:')).toBeVisible()
  await expect(maker.getByRole('button', { name: /^hanger wire/ })).toHaveCount(0)
  await maker.getByRole('button', { name: 'Back to plan A' }).first().click()
  await expect(maker.getByRole('button', { name: /^hanger wire/ })).toBeVisible()
  await turnTo(maker, 'Sheet')
  await expect(maker.getByText('Plan B: Spooned, when it thickens.')).toBeVisible()
})
