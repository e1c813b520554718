import { expect, test } from '../workshop.ts'

test.use({ serviceWorkers: 'allow' })

test('with the network gone the application opens, the bench goes on, and all of it is there when the server is back', async ({
  maker,
  open,
  context,
}) => {
  const name = `Cut off ${Date.now()}`
  await open('weir-milk', name)
  await maker.goto(maker.url().replace(/\/[a-z]+$/, '/bench'))
  await maker.getByRole('button', { name: 'Begin a run' }).click()
  const big = maker.getByRole('region', { name: 'Now' }).locator('p').first()
  await expect(big).toHaveText('Goggles, gloves, sleeves, shoes on')
  // The application is in the browser from now on.
  await maker.evaluate(() => navigator.serviceWorker.ready.then(() => undefined))
  await maker.keyboard.press('Enter')
  await expect(big).toHaveText('Fresh air')

  await context.setOffline(true)
  await maker.waitForTimeout(400)
  await maker.keyboard.press('Enter')
  await expect(big).toHaveText('No children, no pets')
  await maker.reload()
  await expect(big).toHaveText('No children, no pets')
  await expect(maker.getByText(/kept on this device/)).toBeVisible()

  // The browser is closed and started again, still without the network.
  await maker.close()
  const next = await context.newPage()
  await next.goto('/batches')
  await next.getByRole('region', { name: 'Runs kept in this browser' }).getByRole('link', { name }).click()
  const now = next.getByRole('region', { name: 'Now' }).locator('p').first()
  await expect(now).toHaveText('No children, no pets')
  await next.keyboard.press('Enter')
  await expect(now).toHaveText('Running water within reach')

  await context.setOffline(false)
  await expect(next.getByText('kept', { exact: true })).toBeVisible()
  const id = next.url().split('/').at(-1)!
  const run = (await (await next.request.get(`/api/runs/${id}`)).json()) as { events: { item?: string }[] }
  expect(run.events.map(event => event.item).filter(Boolean)).toEqual(['safety:gear', 'safety:air', 'safety:alone'])
})
