import { exampleText, expect, goTo, test } from '../workshop.ts'

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

  await goTo(maker, `${batch}/outcome`)
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
  await expect(maker.getByText(/kept in this browser/)).toBeHidden()
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

  await goTo(maker, '/rack')
  await expect(maker.getByRole('listitem').filter({ hasText: name })).toContainText('9 bars')
  await goTo(maker, '/today')
  await expect(maker.getByRole('listitem').filter({ hasText: name }).first()).toContainText('to weigh')

  // Once all are gone it is due no more.
  await goTo(maker, `${batch}/outcome`)
  await course.getByLabel('How many are gone').fill('12')
  await course.getByRole('button', { name: 'They are gone' }).click()
  await expect(course.getByText('Only 9 are left.')).toBeVisible()
  await course.getByLabel('How many are gone').fill('9')
  await course.getByRole('button', { name: 'They are gone' }).click()
  await expect(course.getByText('9 gone, 0 left')).toBeVisible()
  await expect(maker.getByText(/kept in this browser/)).toBeHidden()
  await goTo(maker, '/rack')
  await expect(maker.getByRole('heading', { name: 'Rack', exact: true })).toBeVisible()
  await expect(maker.getByRole('listitem').filter({ hasText: name })).toHaveCount(0)
})

test('lots are taken once, told where they run short, and found again from the shelf; labels and the whole record are files', async ({
  maker,
  open,
}) => {
  const name = `Traced ${Date.now()}`
  await open('weir-milk', name, 'lots')
  const castor = maker.getByRole('row').filter({ hasText: 'Castor oil' })
  await expect(castor).toContainText('planned')
  const amount = castor.getByLabel('Taken of this lot of Castor oil')
  const planned = await amount.inputValue()
  await amount.fill('9000')
  await expect(castor.getByText(/holds .* only/)).toBeVisible()
  await maker.getByRole('button', { name: 'Take it off the shelf' }).click()
  await expect(maker.getByRole('alert')).toContainText('its count would fall below nothing')
  await amount.fill(planned)
  await maker.getByRole('button', { name: 'Take it off the shelf' }).click()
  await expect(maker.getByText('✓ Taken off the shelf.')).toBeVisible()

  await castor.getByRole('link', { name: 'Castor oil' }).click()
  await maker.getByText('Batches that hold it, by lot').click()
  await maker.getByRole('link', { name, exact: true }).click()
  await expect(maker.getByRole('heading', { name: 'Which lots went in' })).toBeVisible()
  await maker.getByRole('button', { name: 'Put it all back on the count' }).click()
  await expect(maker.getByRole('button', { name: 'Take it off the shelf' })).toBeVisible()

  await maker.getByRole('link', { name: 'Labels', exact: true }).click()
  const label = maker.getByRole('img', { name: /^Traced/ })
  await expect(label).toHaveAccessibleName(/Ingredients: .*Sodium Hydroxide/)
  await expect(label).toHaveAccessibleName(/Linalool/)
  await maker.getByLabel('Words of your own').fill('Heals dry skin')
  await maker.getByLabel('Words of your own').blur()
  await expect(maker.getByText(/“Heals” says that it treats something/)).toBeVisible()
  await maker.getByLabel('Words of your own').fill('Made by hand in small batches.')
  await maker.getByLabel('Words of your own').blur()
  const file = maker.waitForEvent('download')
  await maker.getByRole('button', { name: /as PDF/ }).click()
  expect((await file).suggestedFilename()).toMatch(/^labels .*\.pdf$/)

  await maker.getByRole('link', { name: 'Whole record' }).click()
  await expect(maker.getByRole('heading', { name, level: 1, exact: true })).toBeVisible()
  const zip = maker.waitForEvent('download')
  await maker.getByRole('link', { name: /ZIP/ }).click()
  expect((await zip).suggestedFilename()).toBe(`${name}.zip`)
})

test('bars are weighed at the rack; a batch is tagged, found by its tag, put away and taken out again', async ({
  maker,
}) => {
  const name = `Racked ${Date.now()}`
  const plan = JSON.parse(exampleText('mill-race')) as { rest: object }
  const poured = `${new Date(Date.now() - 9 * 86_400_000).toISOString().slice(0, 10)}T12:00`
  const made = await maker.request.post('/api/batches', {
    data: { plan: { ...plan, name, rest: { ...plan.rest, pouredAt: poured } } },
  })
  const { id } = (await made.json()) as { id: string }
  const entry = { on: poured, noted: '2026-03-10T10:00:00Z' }
  await maker.request.post(`/api/batches/${id}/record`, {
    data: {
      entries: [
        { key: 'desk:1', kind: 'cut', count: 9, ...entry },
        { key: 'desk:2', kind: 'placed', text: 'window sill', ...entry },
      ],
    },
  })
  await goTo(maker, '/rack')
  const place = maker.getByRole('region', { name: 'window sill' })
  await place.getByRole('button', { name: `Weigh ${name}` }).click()
  await place.getByLabel(/^Weight of the bars/).fill('9999')
  await place.getByRole('button', { name: 'Note', exact: true }).click()
  await expect(place.getByRole('alert')).toContainText('more than so many bars weighed fresh')
  await place.getByLabel(/^Weight of the bars/).fill('112')
  await place.getByRole('button', { name: 'Note', exact: true }).click()
  await expect(place.getByText('weighed on day 9')).toBeVisible()

  await goTo(maker, '/batches')
  await maker.getByPlaceholder('name, scent, sign, lot or day').fill(name)
  const tag = `fair ${name.slice(-5)}`
  await maker.getByRole('button', { name: `Add a tag to ${name}` }).click()
  await maker.getByLabel('New tag').fill(tag)
  await maker.getByLabel('New tag').press('Enter')
  await maker.getByPlaceholder('name, scent, sign, lot or day').fill('')
  await maker.getByRole('combobox', { name: 'Tag' }).selectOption(tag)
  await expect(maker.getByRole('link', { name, exact: true })).toBeVisible()
  await maker.getByRole('button', { name: `Put ${name} away` }).click()
  await expect(maker.getByText('No batch has the tag')).toBeVisible()
  await maker.getByRole('combobox', { name: 'Show' }).selectOption('put away')
  await maker.getByRole('button', { name: `Take ${name} out again` }).click()
  await maker.getByRole('combobox', { name: 'Show' }).selectOption('all batches')
  await expect(maker.getByRole('link', { name, exact: true })).toBeVisible()
  await maker.request.delete(`/api/batches/${id}`)
})
