import { exampleText, expect, test } from '../workshop.ts'

test('what is kept for the next time shows by itself on a batch with the same scent', async ({ maker, open }) => {
  const lesson = `Blend less, ${Date.now()}`
  await open('weir-milk', 'Learned from', 'outcome')
  await maker.getByLabel('Note', { exact: true }).fill(lesson)
  await maker.getByRole('button', { name: 'Keep it for the next time' }).click()
  await expect(maker.getByText(`next time: ${lesson}`)).toBeVisible()
  await expect(maker.getByText(/kept in this browser/)).toBeHidden()
  await open('weir-milk', 'Learning', 'batter')
  const told = maker.getByRole('complementary', { name: 'From other batches' })
  await expect(told.getByRole('listitem').filter({ hasText: lesson })).toContainText('same recipe, scent')
  await told.getByRole('link', { name: 'Learned from' }).first().click()
  await maker.getByRole('listitem').filter({ hasText: lesson }).getByRole('button', { name: 'take back' }).click()
  await expect(maker.getByText(`next time: ${lesson}`)).toBeHidden()
})

test('a batch is noted from the mould to the last bar: cut, signs, a photograph beside its forecast, the yield, the rack', async ({
  maker,
}) => {
  const name = `Recorded ${Date.now()}`
  // It was poured two days ago.
  const plan = JSON.parse(exampleText('weir-milk')) as { rest: object }
  const poured = `${new Date(Date.now() - 2 * 86_400_000).toISOString().slice(0, 10)}T12:00`
  const made = await maker.request.post('/api/batches', {
    data: { plan: { ...plan, name, rest: { ...plan.rest, pouredAt: poured } } },
  })
  const batch = `/batches/${((await made.json()) as { id: string }).id}`

  await maker.goto(`${batch}/outcome`)
  const course = maker.getByRole('list', { name: 'How far it has come' })
  await course.getByLabel('When: It is out').fill('2020-01-01T10:00')
  await course.getByRole('button', { name: 'It is out', exact: true }).click()
  await expect(course.getByText('That was before it was poured.')).toBeVisible()
  await course.getByLabel('When: It is out').fill('')
  await course.getByRole('button', { name: 'It is out, now' }).click()
  await expect(course.getByRole('heading', { name: '✓ Out of the mould' })).toBeVisible()
  await course.getByLabel('How many bars').fill('9')
  await course.getByRole('button', { name: 'It is cut, now' }).click()
  await expect(course.getByText(/9 bars/)).toBeVisible()

  // A sign is found by how it looks, graded, and graded otherwise.
  await maker.getByPlaceholder('white powder, oily drops, ring').fill('white pockets')
  const sign = maker.getByRole('group', { name: /Hard white specks/ })
  await sign.getByRole('button', { name: 'some' }).click()
  await expect(sign.getByRole('button', { name: 'some' })).toHaveAttribute('aria-pressed', 'true')
  await sign.getByRole('button', { name: 'not there' }).click()
  await expect(sign.getByRole('button', { name: 'some' })).toHaveAttribute('aria-pressed', 'false')

  // The network goes: what is noted stays, through a reload, and is sent when it is back.
  await maker.route('**/api/batches/*/record', route =>
    route.request().method() === 'POST' ? route.abort() : route.continue(),
  )
  await maker.getByRole('group', { name: 'Mark for layers' }).getByRole('button', { name: '4, nearly' }).click()
  await expect(maker.getByText(/1 kept in this browser/)).toBeVisible()
  await maker.reload()
  await expect(maker.getByText(/1 kept in this browser/)).toBeVisible()
  await maker.unroute('**/api/batches/*/record')
  await expect(maker.getByText(/kept in this browser/)).toBeHidden({ timeout: 15_000 })
  await expect(maker.getByText('layers: nearly')).toBeVisible()

  // A photograph that is none is refused in words; one is laid over the forecast.
  const files = maker.getByLabel('Photographs to add')
  await files.setInputFiles({
    name: 'a.heic',
    mimeType: 'image/heic',
    buffer: Buffer.from('\0\0\0\x18ftypheic\0\0\0\0'),
  })
  await expect(maker.getByText(/This is a HEIC picture/)).toBeVisible()
  const picture = await maker.evaluate(() => {
    const canvas = document.createElement('canvas')
    canvas.width = 4000
    canvas.height = 3000
    const context = canvas.getContext('2d')!
    context.fillStyle = '#c9a56b'
    context.fillRect(0, 0, 4000, 3000)
    return canvas.toDataURL('image/jpeg').split(',')[1]!
  })
  await files.setInputFiles({ name: 'bar.jpg', mimeType: 'image/jpeg', buffer: Buffer.from(picture, 'base64') })
  await expect(maker.getByAltText('Photograph of the bar')).toBeVisible()
  const slider = maker.getByRole('slider', { name: /How much of the photograph/ })
  await slider.press('Home')
  await expect(slider).toHaveAttribute('aria-valuenow', '0')

  // Weighed up, what is missing is named.
  await maker.getByLabel('Weight, g').fill('700')
  await maker.getByRole('button', { name: 'Note it' }).click()
  await expect(maker.getByText(/not accounted for/)).toBeVisible()

  await maker.goto('/rack')
  await expect(maker.getByRole('listitem').filter({ hasText: name })).toContainText('9 bars')
  await maker.goto('/today')
  await expect(maker.getByRole('listitem').filter({ hasText: name }).first()).toContainText('to weigh')

  // Once all are gone it is due no more.
  await maker.goto(`${batch}/outcome`)
  await course.getByLabel('How many are gone').fill('12')
  await course.getByRole('button', { name: 'They are gone' }).click()
  await expect(course.getByText('Only 9 are left.')).toBeVisible()
  await course.getByLabel('How many are gone').fill('9')
  await course.getByRole('button', { name: 'They are gone' }).click()
  await expect(course.getByText('9 gone, 0 left')).toBeVisible()
  await expect(maker.getByText(/kept in this browser/)).toBeHidden()
  await maker.goto('/rack')
  await expect(maker.getByRole('heading', { name: 'Rack', exact: true })).toBeVisible()
  await expect(maker.getByRole('listitem').filter({ hasText: name })).toHaveCount(0)
})
