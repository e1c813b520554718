import { expect, test } from '@playwright/test'
import { turnTo } from '../workshop.ts'

test('the first visit without demo data sets up the workshop, and its empty list teaches', async ({ page }) => {
  await page.goto(process.env['OSTLER_EMPTY_URL'] ?? 'http://127.0.0.1:4311')
  await expect(page.getByRole('heading', { name: 'Set up the workshop' })).toBeVisible()
  await expect(page.getByText('demo')).toHaveCount(0)
  await page.getByLabel('Name of the workshop').fill('Back Room')
  await page.getByLabel('Your name').fill('First maker')
  await page.getByLabel('Sign-in name').fill('Not Good!')
  await page.getByLabel('Password').fill('short')
  await page.getByRole('button', { name: 'Set up' }).click()
  await expect(page.getByText('A sign-in name has 3 to 40 small letters')).toBeVisible()
  await expect(page.getByText('A password has at least 10 letters')).toBeVisible()
  await expect(page.getByLabel('Name of the workshop')).toHaveValue('Back Room')
  await page.getByLabel('Sign-in name').fill('first.maker')
  await page.getByLabel('Password').fill('a long enough sentence')
  await page.getByRole('button', { name: 'Set up' }).click()

  await expect(page.getByText('Here stand your batches')).toBeVisible()
  await page.getByRole('button', { name: 'New batch' }).click()
  await expect(page.getByLabel('Name of the batch')).toHaveValue('New batch')
  await turnTo(page, 'Score')
  await expect(page.getByLabel('Biggest risk')).toContainText('Every layer is likely to pour as planned')

  await page.getByRole('button', { name: 'Workshop and settings' }).click()
  await page.getByRole('menuitem', { name: /Sign out/ }).click()
  await page.getByLabel('Sign-in name').fill('first.maker')
  await page.getByLabel('Password').fill('a long enough sentence')
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByRole('link', { name: 'New batch' }).first()).toBeVisible()
})
