import { readFileSync } from 'node:fs'
import { followingOf, readPlan, referenceShelf, rehearsalOf, rehearse, undone } from '@ostler/core'
import type { RehearsalAnswer } from '@ostler/core'
import type { Page } from '@playwright/test'
import { expect, goTo, test } from '../workshop.ts'

const big = (page: Page) => page.getByRole('region', { name: 'Now' }).locator('p').first()
const clock = (page: Page) => page.getByText('since lye met the oils').locator('..').locator('strong')

test('a pour is rehearsed on the Bench: seen, held, stepped back, and kept apart from real runs', async ({
  maker,
  open,
}) => {
  const id = await open('weir-milk', `Rehearsed ${Date.now()}`)
  await maker.getByRole('link', { name: 'Rehearse the pour' }).click()
  await maker.getByLabel('Number of the batter').fill('12 ponies')
  await expect(maker.getByText('A whole number of up to nine digits.')).toBeVisible()
  await expect(maker.getByRole('button', { name: 'Begin' })).toBeDisabled()
  await maker.getByLabel('Number of the batter').fill('12')
  await maker.getByRole('button', { name: 'Begin' }).click()

  await expect(maker.getByRole('region', { name: 'Rehearsal' })).toContainText('nothing here is real lye')
  await expect(big(maker)).toHaveText('Lye into the oils')
  await maker.getByRole('button', { name: '10×' }).click()
  await maker.keyboard.press('Enter')
  await expect(big(maker)).toHaveText('Blend')
  // Oil at first; the blender runs as long as the key is held.
  await expect(maker.getByRole('img', { name: /film of oil/ })).toBeVisible()
  await maker.keyboard.down('Enter')
  await expect(big(maker)).toHaveText('Blending')
  await expect(maker.getByRole('img', { name: /What you see/ })).not.toHaveAccessibleName(/film|streak/, {
    timeout: 20_000,
  })
  await maker.keyboard.up('Enter')
  await expect(big(maker)).toHaveText('Does it hold?')
  await maker.keyboard.press('Enter')
  await expect(maker.getByText(/The surface stays ivory|Streaks of oil come up/)).toBeVisible({ timeout: 15_000 })
  await maker.getByRole('button', { name: 'It holds' }).click()

  // A key that is let go too early leaves the cup short until it is held again or taken so.
  await expect(big(maker)).toHaveText(/^Fill /)
  const cup = await big(maker).textContent()
  await maker.keyboard.down('Enter')
  await expect(maker.getByRole('status').filter({ hasText: /^[1-9].*and runs/ })).toBeVisible()
  await maker.keyboard.up('Enter')
  await expect(maker.getByText(/so far: hold on/)).toBeVisible()
  await maker.getByRole('button', { name: 'As it is' }).click()
  await expect(big(maker)).not.toHaveText(cup!)

  // Back to before, with the clock of then; a reload is where it was, and paused.
  await maker.getByRole('button', { name: 'Step back' }).click()
  await maker
    .getByRole('dialog')
    .getByRole('button', { name: /filling/ })
    .click()
  await expect(big(maker)).toHaveText(cup!)
  await expect(maker.getByRole('button', { name: 'Go on' })).toBeVisible()
  await expect(maker.getByText('kept', { exact: true })).toBeAttached({ timeout: 15_000 })
  // The clock is read twice a second.
  await maker.waitForTimeout(700)
  const shown = await clock(maker).textContent()
  await maker.reload()
  await expect(big(maker)).toHaveText(cup!)
  await expect(clock(maker)).toHaveText(shown!)
  await goTo(maker, `/batches/${id}/bench`)
  await expect(maker.getByText('None yet.')).toBeVisible()
})

test('what came of a rehearsal: both faces, what cost most, what came in between', async ({ maker, open }) => {
  const batch = await open('seven-fathoms', `Came ${Date.now()}`)
  const id = crypto.randomUUID()
  const setting = { seed: 3, level: 'bad-day', begins: 'lye' } as const
  await maker.request.post(`/api/batches/${batch}/rehearsals`, { data: { id, setting } })
  const { plan } = (await (await maker.request.get(`/api/rehearsals/${id}`)).json()) as RehearsalAnswer
  const read = readPlan(plan)
  if (!read.ok) throw new Error('the plan cannot be read')
  const { events } = rehearse(rehearsalOf(followingOf(read.plan, referenceShelf()), setting), 'fixed')
  const slips = [{ r: 900, text: 'The lye was called clear with a crust still in it.' }]
  const done = { ...undone(), events, slips }
  expect((await maker.request.put(`/api/rehearsals/${id}`, { data: { revision: 1, done, score: null } })).ok()).toBe(
    true,
  )
  await goTo(maker, `/rehearsals/${id}/came`)
  await expect(maker.getByRole('heading', { name: 'What came of it' })).toBeVisible({ timeout: 60_000 })
  await expect(maker.getByText(/^\d+ of 100$/)).toBeVisible()
  await expect(maker.getByRole('region', { name: 'Safety' })).toContainText('crust still in it')
  const faces = maker.getByRole('region', { name: 'Faces' })
  await expect(faces.getByRole('img', { name: 'Planned, bar 1' })).toBeVisible()
  await expect(faces.getByRole('img', { name: 'As it was poured, bar 1' })).toBeVisible()
  await expect(maker.getByRole('region', { name: 'What cost most' }).getByRole('listitem').first()).toContainText(
    'Layer',
  )
  await expect(maker.getByRole('region', { name: 'What came in between' })).toContainText('A scent that seizes')
  await maker.goto(`/batches/${batch}/rehearse`)
  await expect(maker.getByText(/\d+ of 100/)).toBeVisible()
  const saved = maker.waitForEvent('download')
  await maker.getByRole('button', { name: 'Results as CSV' }).click()
  const path = await (await saved).path()
  expect(readFileSync(path, 'utf8').split('\r\n')[1]).toMatch(/,3,a bad day,\d+,,$/)
})

test('a class meets what was chosen for it, and watches; by pointer on a tablet', async ({ maker, open, browser }) => {
  const batch = await open('weir-milk', `Class ${Date.now()}`, 'rehearse')
  await maker.setViewportSize({ width: 1024, height: 768 })
  await maker.getByText('chosen here', { exact: true }).click()
  await maker.getByRole('checkbox', { name: 'A spill' }).check()
  await maker.getByLabel('How bad: A spill').selectOption('harsh')
  await maker.getByText('For a class: questions').click()
  await maker.getByRole('button', { name: 'A question' }).click()
  await maker.getByLabel('Asked in question 1').fill('What tells that it is enough?')
  await maker.getByLabel('Answer 1 of question 1', { exact: true }).fill('The clock')
  await expect(maker.getByText('Two answers at least.')).toBeVisible()
  await expect(maker.getByRole('button', { name: 'Begin' })).toBeDisabled()
  await maker.getByLabel('Answer 2 of question 1', { exact: true }).fill('What I see')
  await maker.getByLabel('Answer 2 of question 1 is right').check()
  await maker.getByLabel('When: question 1').selectOption('blend')
  await maker.getByLabel('Seconds after: question 1').fill('2')
  await maker.getByRole('button', { name: 'Begin' }).click()
  await expect(big(maker)).toHaveText('Lye into the oils')

  // A link opens it for those who do not belong to the workshop, on other screens.
  const list = await maker.context().newPage()
  await list.goto(`/batches/${batch}/rehearse`)
  await list.getByRole('button', { name: 'a link for a class' }).click()
  const link = await list.getByLabel('Link for a class').inputValue()
  const elsewhere = await browser.newContext()
  const watched = await elsewhere.newPage()
  await watched.goto(link)
  await expect(watched.getByRole('heading', { level: 1 })).toHaveText('Lye into the oils')
  await maker.getByRole('button', { name: '4×' }).click()
  const key = maker.getByRole('navigation', { name: 'Deeds' }).getByRole('button').first()
  await key.click()
  await expect(big(maker)).toHaveText('Blend')
  const question = maker.getByRole('alert', { name: 'A question' })
  await expect(question).toContainText('What tells that it is enough?')
  await expect(maker.getByRole('button', { name: '10×' })).toBeDisabled()
  await question.getByRole('button', { name: 'The clock' }).click()
  await expect(question).toContainText('Rather: What I see.')
  await question.getByRole('button', { name: 'Go on' }).click()
  await expect(question).toBeHidden()
  await key.hover()
  await maker.mouse.down()
  await expect(big(maker)).toHaveText('Blending')
  await expect(maker.getByRole('img', { name: /What you see/ })).not.toHaveAccessibleName(/film|streak/, {
    timeout: 30_000,
  })
  await maker.mouse.up()
  // The end of the press is no deed of its own.
  await expect(big(maker)).toHaveText('Does it hold?')
  await expect(maker.getByRole('region', { name: 'Does it hold?' })).toBeHidden()
  await expect(watched.getByRole('heading', { level: 1 })).toHaveText('Does it hold?', { timeout: 15_000 })
  await list.reload()
  await expect(list.getByText('goes on, 0 of 1 answered rightly')).toBeVisible()
  await list.getByRole('button', { name: 'end the link' }).click()
  await expect(watched.getByText('Nothing can be watched by this link any more.')).toBeVisible({ timeout: 15_000 })
  await elsewhere.close()
  // The same again for whoever comes next.
  await list.getByRole('button', { name: 'the same again' }).click()
  await expect(list.getByLabel('Asked in question 1')).toHaveValue('What tells that it is enough?')
  await expect(list.getByRole('checkbox', { name: 'A spill' })).toBeChecked()
})

test('the second lesson, from its first hint to passed, by keyboard', async ({ maker }) => {
  await maker.goto('/lessons')
  await maker.getByRole('button', { name: /One batter: the hold test/ }).click()
  const lesson = maker.getByRole('region', { name: 'Lesson' })
  await expect(lesson).toContainText('Everything is weighed')
  await maker.getByRole('button', { name: '10×' }).click()
  await maker.keyboard.press('Enter')
  await expect(lesson).toContainText('as long as it is held')
  const blend = async (ms: number) => {
    await expect(big(maker)).toHaveText('Blend')
    await maker.keyboard.down('Enter')
    await expect(big(maker)).toHaveText('Blending')
    await maker.waitForTimeout(ms)
    await maker.keyboard.up('Enter')
    await expect(big(maker)).toHaveText('Does it hold?')
    await maker.keyboard.press('Enter')
  }
  await blend(1500)
  await expect(maker.getByText('Streaks of oil come up')).toBeVisible({ timeout: 15_000 })
  await maker.getByRole('button', { name: 'It breaks' }).click()
  await expect(lesson).toContainText('good that you looked')
  await blend(2000)
  await expect(maker.getByText('The surface stays ivory')).toBeVisible({ timeout: 15_000 })
  await maker.getByRole('button', { name: 'It holds' }).click()
  await expect(lesson).toContainText('passed')
  await expect(maker.getByText('kept', { exact: true })).toBeAttached({ timeout: 15_000 })
  await lesson.getByRole('link', { name: 'On to the lessons' }).click()
  await expect(maker.getByRole('listitem').filter({ hasText: 'One batter' })).toContainText('passed')
})
