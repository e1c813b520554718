import { exampleText, expect, goTo, saved, test, turnTo } from '../workshop.ts'
import type { Page } from '@playwright/test'

interface Loose {
  [key: string]: unknown
}
const loose = (value: unknown) => value as Loose

/** Five colours, a hanger through them, a strongly accelerating scent in every cup, and 40 °C. */
function hopeless(name: string): Loose {
  const plan = JSON.parse(exampleText('verdigris-stair')) as Loose
  const score = plan['score'] as Loose[]
  const move = (JSON.parse(exampleText('heron-reach')) as { moves: Loose[] }).moves[0]!
  return {
    ...plan,
    name,
    conditions: { ...loose(plan['conditions']), mixC: 40, stopLevel: 2 },
    moves: [{ ...move, after: score.at(-1)!['id'] }],
    planB: {
      ...{ name: 'Spooned instead', trigger: 'thick', before: score[1]!['id'], level: 2.6, inUse: false },
      ...{ score: score.map(pour => ({ ...pour, shape: { ...loose(pour['shape']), way: 'spoon' } })), moves: [] },
    },
  }
}

async function openPlan(maker: Page, plan: Loose): Promise<string> {
  const response = await maker.request.post('/api/batches', { data: { plan } })
  expect(response.status()).toBe(201)
  const { id } = (await response.json()) as { id: string }
  await goTo(maker, `/batches/${id}/score`)
  return id
}

test('a five-colour swirl with a lively scent at 40 °C is hopeless; the best plan makes it possible everywhere', async ({
  maker,
}) => {
  await openPlan(maker, hopeless('Five lost'))
  const risk = maker.getByLabel('Biggest risk')
  await expect(risk).toContainText('too thick when you reach it: over 95 % of runs')
  await expect(risk).toContainText('Attic Rosebox quickens it')

  await maker.getByRole('button', { name: /^Best plan/ }).click()
  const dialog = maker.getByRole('dialog')
  await dialog.getByRole('button', { name: 'Search', exact: true }).click()
  await expect(dialog.getByRole('button', { name: 'Search again' })).toBeVisible({ timeout: 30_000 })
  const first = dialog
    .getByRole('listitem')
    .filter({ has: maker.getByRole('button', { name: 'Apply' }) })
    .first()
  await expect(first).toContainText(/about [5-9]\d %/)
  await expect(first).toContainText(/now under 5 %/)
  await expect(first).toContainText(/Mix at \d+ °C instead of 40 °C/)
  await expect(first).toContainText('It costs:')
  await first.getByRole('button', { name: 'Apply' }).click()
  await expect(maker.getByLabel('Oils and lye meet at')).not.toHaveValue('40')
  await expect(risk).not.toContainText('over 95 % of runs')
  await saved(maker)

  await turnTo(maker, 'Sheet')
  await expect(maker.getByText('Plan B: Spooned instead.')).toBeVisible()
  await maker.emulateMedia({ media: 'print' })
  await expect(maker.getByText('Plan B: Spooned instead.')).toBeVisible()
})

test('batches teach each other: what was seen in one moves the next, until it is set aside', async ({
  maker,
  open,
}) => {
  const name = `Teacher ${Date.now()}`
  await open('quarry-bench', name)
  await maker.getByRole('button', { name: /seen/ }).click()
  const dialog = maker.getByRole('dialog')
  await dialog.getByRole('button', { name: 'Note how long blending took' }).click()
  await dialog.getByLabel('The blender ran, seconds').fill('55')
  await dialog.getByLabel('The blender ran, seconds').press('Enter')
  await maker.keyboard.press('Escape')
  await saved(maker)

  await open('quarry-bench', 'Pupil')
  const teacher = dialog.getByRole('listitem').filter({ hasText: name })
  // What a batch teaches is worked out beside the requests: on a busy machine it is there a little later.
  await expect(async () => {
    await maker.reload()
    await maker.getByRole('button', { name: /rests on/ }).click()
    await expect(teacher).toBeVisible({ timeout: 2000 })
  }).toPass()
  const blender = dialog.getByRole('row', { name: /Your blender/ })
  await expect(blender).toContainText(/\d+ % slower/)
  const before = await blender.textContent()
  await teacher.getByLabel('counts').uncheck()
  await expect(blender).not.toHaveText(before!)
  await maker.reload()
  await maker.getByRole('button', { name: /rests on/ }).click()
  await expect(dialog.getByRole('listitem').filter({ hasText: name }).getByLabel('counts')).not.toBeChecked()
})

test('a window shifted for the workshop holds for every batch, and goes back to the usual', async ({ maker, open }) => {
  // Next to nothing, so that batches of other tests do not mind.
  await open('heron-reach', 'Shifted')
  await maker.getByRole('button', { name: /^hanger wire/ }).click()
  await maker.getByText(/^In this workshop, the hanger wire/).click()
  await maker.getByLabel('From trace, the hanger wire').fill('1.4')
  await maker.getByLabel('From trace, the hanger wire').press('Enter')
  await maker.getByRole('button', { name: 'Keep for all' }).click()
  await expect(maker.getByText('In this workshop, the hanger wire: 1.4 to 3, shifted')).toBeVisible()
  await open('heron-reach', 'Shifted too')
  await maker.getByRole('button', { name: 'as a table' }).click()
  await expect(maker.getByRole('cell', { name: '1.4 to 3' })).toBeVisible()
  await maker.getByRole('button', { name: /^hanger wire/ }).click()
  await maker.getByText(/^In this workshop, the hanger wire/).click()
  await maker.getByRole('button', { name: 'As usual' }).click()
  await expect(maker.getByRole('cell', { name: '1.5 to 3' })).toBeVisible()
})

test('two plans side by side: what differs, the own plan B too', async ({ maker, open }) => {
  await open('verdigris-stair', 'Against')
  await openPlan(maker, hopeless('Against this'))
  await maker.getByRole('link', { name: /compare/ }).click()
  await maker.getByLabel('Against', { exact: true }).selectOption({ label: 'Against' })
  await expect(maker.getByRole('row', { name: /Oils and lye meet at/ })).toContainText('40 °C')
  await expect(maker.getByRole('rowheader', { name: 'Superfat' })).toHaveCount(0)
  await maker.getByLabel('Against', { exact: true }).selectOption({ label: 'Plan B of this batch' })
  await expect(maker.getByRole('row', { name: /Pour 1/ })).toContainText('spooned in heaps')
})

test('lanes are drawn further apart with a key, and scroll', async ({ maker, open }) => {
  await open('seven-fathoms', 'Zoomed')
  const lanes = maker.getByRole('region', { name: 'Lanes' })
  await lanes.getByRole('button', { name: 'Draw time further apart' }).focus()
  for (let i = 0; i < 3; i += 1) await maker.keyboard.press('+')
  const room = await lanes.evaluate(one => [one.scrollWidth, one.clientWidth])
  expect(room[0]!).toBeGreaterThan(2 * room[1]!)
  await maker.keyboard.press('0')
  await expect.poll(() => lanes.evaluate(one => one.scrollWidth - one.clientWidth)).toBeLessThan(4)
})
