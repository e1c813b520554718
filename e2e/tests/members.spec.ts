import { expect, goTo, test } from '../workshop.ts'

test('somebody is invited to look, sees everything, changes nothing, and is removed', async ({
  maker,
  browser,
  open,
}) => {
  await open('thistle-top', 'Looked at', 'score')
  const batch = maker.url()
  await maker.getByRole('button', { name: 'Workshop and settings' }).click()
  await maker.getByRole('menuitem', { name: 'Members' }).click()
  await maker.getByRole('combobox', { name: 'as' }).selectOption('looker')
  await maker.getByRole('button', { name: 'Make a link' }).click()
  const link = await maker.getByText(/\/come-in\//).innerText()

  const elsewhere = await browser.newContext()
  const looker = await elsewhere.newPage()
  await looker.goto(link)
  await expect(looker.getByText('Your place in it: looker.')).toBeVisible()
  const signInName = `odo-${Date.now()}`
  await looker.getByLabel('Your name').fill('Odo')
  await looker.getByLabel('Sign-in name').fill(signInName)
  await looker.getByLabel(/Password/).fill('password123')
  await looker.getByRole('button', { name: 'Come in' }).click()
  await expect(looker.getByText('one of those that are tried first')).toBeVisible()
  await looker.getByLabel(/Password/).fill('two otters and a kettle')
  await looker.getByRole('button', { name: 'Come in' }).click()
  await expect(looker.getByRole('note')).toContainText('nothing that you change is kept')
  await looker.goto(batch)
  await looker.getByRole('textbox', { name: 'Room' }).fill('26')
  await looker.keyboard.press('Tab')
  await expect(looker.getByText('not saved', { exact: false }).first()).toBeVisible()
  await maker.goto(batch)
  await expect(maker.getByRole('textbox', { name: 'Room' })).not.toHaveValue('26')

  // The link is used up.
  await looker.goto(link)
  await expect(looker.getByText('This link was used already')).toBeVisible()

  await looker.goto('/account')
  await looker.getByLabel('The one that you have now').fill('not it at all')
  await looker.getByLabel('The new one').fill('seven herons on a weir')
  await looker.getByRole('button', { name: 'Change it' }).click()
  await expect(looker.getByText('This is not the password that you have now.')).toBeVisible()
  await looker.getByLabel('The one that you have now').fill('two otters and a kettle')
  await looker.getByRole('button', { name: 'Change it' }).click()
  await expect(looker.getByText('The new password holds.').first()).toBeVisible()

  await maker.goto('/members')
  await expect(maker.getByText('came in by an invitation').first()).toBeVisible()
  const row = maker.getByRole('listitem').filter({ hasText: signInName })
  await row.getByRole('button', { name: 'Remove Odo' }).click()
  await row.getByRole('button', { name: 'Remove Odo for good' }).click()
  await expect(row).toHaveCount(0)
  await looker.reload()
  await expect(looker.getByRole('button', { name: 'Sign in' })).toBeVisible()
  await elsewhere.close()
})

test('two edit one batch; yesterday’s version is had back, with undo; a sheet is shown by a link that ends', async ({
  maker,
  open,
  browser,
}) => {
  await open('thistle-top', 'Of two', 'score')
  const other = await maker.context().newPage()
  await other.goto(maker.url())
  await maker.getByRole('textbox', { name: 'Room' }).fill('25')
  await maker.keyboard.press('Tab')
  await expect(maker.getByRole('status').getByText('saved', { exact: true })).toBeVisible()
  await other.getByRole('textbox', { name: 'Oils and lye meet at' }).fill('34')
  await other.keyboard.press('Tab')
  await expect(other.getByRole('status').getByText('saved', { exact: true })).toBeVisible()
  await expect(other.getByRole('textbox', { name: 'Room' })).toHaveValue('25')
  await other.close()

  await goTo(maker, maker.url().replace(/score.*/, 'history'))
  await maker.getByRole('button', { name: /As it was made/ }).click()
  await expect(maker.getByRole('row', { name: /Room/ })).toContainText('25')
  await maker.getByRole('button', { name: 'Bring this back' }).click()
  await expect(maker.getByText('Nothing that is weighed, poured or timed is otherwise.')).toBeVisible()
  await maker.getByText('Undo', { exact: true }).click()
  await expect(maker.getByRole('row', { name: /Room/ })).toContainText('25')

  await goTo(maker, maker.url().replace(/history.*/, 'sheet'))
  await maker.getByRole('button', { name: 'Share …' }).click()
  const dialog = maker.getByRole('dialog', { name: 'Share' })
  await dialog.getByRole('button', { name: 'Make a link' }).click()
  const address = await dialog.getByText(/\/shared\//).innerText()
  const anybody = await browser.newContext()
  const page = await anybody.newPage()
  await page.goto(address)
  await expect(page.getByRole('heading', { name: 'Of two' })).toBeVisible()
  const pdf = await page.request.get(await page.getByRole('link', { name: /PDF/ }).getAttribute('href').then(String))
  expect(pdf.headers()['content-type']).toContain('application/pdf')
  await dialog.getByRole('button', { name: 'End it' }).click()
  await expect(dialog.getByRole('listitem')).toHaveCount(0)
  await page.reload()
  await expect(page.getByText('Nothing can be seen by this link any more.')).toBeVisible()
  await anybody.close()
})

test('goes anywhere by a few letters, with the keyboard alone', async ({ maker, open }) => {
  await open('thistle-top', 'From here')
  await maker.keyboard.press('Control+k')
  await maker.getByRole('combobox', { name: 'Go anywhere' }).fill('whole rec')
  await maker.keyboard.press('Enter')
  await expect(maker).toHaveURL(/\/record$/)
  await maker.keyboard.press('Control+k')
  await maker.getByRole('combobox', { name: 'Go anywhere' }).fill('zzzz')
  await expect(maker.getByText('Nothing is called that.')).toBeVisible()
  await maker.keyboard.press('Escape')
  await expect(maker.getByRole('combobox', { name: 'Go anywhere' })).toHaveCount(0)
})

test('a record is shown by a link; everything goes out as a file and is taken in', async ({ maker, browser }) => {
  await goTo(maker, '/rack')
  const { batches } = (await (await maker.request.get('/api/batches?life=ready')).json()) as {
    batches: { id: string; name: string }[]
  }
  const { id, name } = batches[0]!
  await goTo(maker, `/batches/${id}/outcome`)
  await maker.getByRole('button', { name: 'Share …' }).click()
  const dialog = maker.getByRole('dialog', { name: 'Share' })
  await dialog.getByLabel('with what was noted in own words').check()
  await dialog.getByRole('button', { name: 'Make a link' }).click()
  const address = await dialog.getByText(/\/shared\//).innerText()
  await expect(dialog.getByRole('listitem').last()).toContainText(', with notes')
  const anybody = await browser.newContext({ viewport: { width: 390, height: 844 } })
  const page = await anybody.newPage()
  await page.goto(address)
  await expect(page.getByRole('heading', { name })).toBeVisible()
  await expect(page.getByText(/poured on .* cut on/)).toBeVisible()
  await expect(page.getByRole('list', { name: 'Pictures' }).getByRole('img').first()).toBeVisible()
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  await anybody.close()

  await goTo(maker, '/members')
  const saving = maker.waitForEvent('download')
  await maker.getByRole('link', { name: 'Everything as open files (ZIP)' }).click()
  const file = await (await saving).path()
  await maker
    .getByLabel('File of a workshop to take in')
    .setInputFiles({ name: 'not.zip', mimeType: 'application/zip', buffer: Buffer.from('no') })
  await expect(maker.getByText('This is not the file of a workshop', { exact: false })).toBeVisible()
  await maker.getByLabel('File of a workshop to take in').setInputFiles(file)
  const row = maker.getByRole('row', { name: /^Batches/ })
  await expect(row).toBeVisible({ timeout: 60_000 })
  await expect(row.getByRole('cell').nth(1)).toHaveText('0')
  await expect(maker.getByRole('list', { name: 'Not taken in' })).toHaveCount(0)
})
