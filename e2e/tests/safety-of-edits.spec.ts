import { expect, saved, test } from '../workshop.ts'

test('two tabs that change different parts never meet a question: each gets what the other did', async ({
  maker,
  open,
  context,
}) => {
  const id = await open('quarry-bench', 'Different parts')
  const other = await context.newPage()
  await other.goto(`/batches/${id}/score`)
  await other.getByLabel('Name of the batch').fill('Named there')
  await saved(other)
  await maker.getByLabel('Height of layer 1, Slate').fill('20')
  await saved(maker)
  await expect(maker.getByLabel('Name of the batch')).toHaveValue('Named there')
  await maker.getByRole('button', { name: 'Undo', exact: true }).click()
  await saved(maker)
  await other.reload()
  await expect(other.getByLabel('Name of the batch')).toHaveValue('Named there')
  await expect(other.getByLabel('Height of layer 1, Slate')).toHaveValue('26')
})

test('when another tab changed the same there is a choice, and both versions can be kept', async ({
  maker,
  open,
  context,
}) => {
  const id = await open('quarry-bench', 'Two tabs')
  const other = await context.newPage()
  await other.goto(`/batches/${id}/score`)
  await other.getByLabel('Name of the batch').fill('Theirs')
  await saved(other)
  // Nothing of mine is sent before all of it is typed: what comes back of theirs would be what I type on.
  let typed = () => {}
  const isTyped = new Promise<void>(resolve => (typed = resolve))
  await maker.route('**/api/batches/*', route => isTyped.then(() => route.continue()))
  await maker.getByLabel('Height of layer 1, Slate').fill('20')
  await maker.getByLabel('Name of the batch').fill('Mine')
  typed()
  const question = maker.getByRole('dialog', { name: 'This batch was changed in another window' })
  await expect(question).toContainText('Both have changed: name.')
  await question.getByRole('button', { name: 'Keep both' }).click()
  await expect(maker.getByLabel('Name of the batch')).toHaveValue('Mine, my version')
  await expect(maker.getByLabel('Height of layer 1, Slate')).toHaveValue('20')
  await other.reload()
  await expect(other.getByLabel('Name of the batch')).toHaveValue('Theirs')
})

test('after a conflict the saved one can be taken, and undo still knows mine', async ({ maker, open, context }) => {
  const id = await open('quarry-bench', 'Take theirs')
  const other = await context.newPage()
  await other.goto(`/batches/${id}/score`)
  await other.getByLabel('Height of layer 1, Slate').fill('30')
  await saved(other)
  const mine = maker.getByLabel('Height of layer 1, Slate')
  await mine.fill('20')
  await maker.getByRole('button', { name: 'Take the saved one' }).click()
  await expect(mine).toHaveValue('30')
  await maker.getByRole('button', { name: 'Undo', exact: true }).click()
  await expect(mine).toHaveValue('20')
  await saved(maker)
})

test('without the server nothing is lost: told, kept through a reload, saved when it is back', async ({
  maker,
  open,
  context,
}) => {
  await open('quarry-bench', 'Cut off')
  await context.route('**/api/batches/*', route =>
    route.request().method() === 'PATCH' ? route.abort() : route.continue(),
  )
  await maker.getByLabel('Height of layer 1, Slate').fill('21')
  await expect(maker.getByText('not saved yet, trying again')).toBeVisible()
  await maker.reload()
  await expect(maker.getByLabel('Height of layer 1, Slate')).toHaveValue('21')
  await context.unroute('**/api/batches/*')
  await saved(maker)
  await maker.evaluate(() => localStorage.clear())
  await maker.reload()
  await expect(maker.getByLabel('Height of layer 1, Slate')).toHaveValue('21')
})

test('signed out elsewhere, one signs in again and goes on', async ({ maker, open, context }) => {
  await open('quarry-bench', 'Signed out')
  await context.clearCookies()
  await maker.getByLabel('Height of layer 1, Slate').fill('22')
  const question = maker.getByRole('dialog', { name: 'Sign in to go on saving' })
  await question.getByLabel('Sign-in name').fill('demo')
  await question.getByLabel('Password').fill('trace before colour')
  await question.getByRole('button', { name: 'Sign in' }).click()
  await saved(maker)
  await expect(maker.getByLabel('Height of layer 1, Slate')).toHaveValue('22')
})
