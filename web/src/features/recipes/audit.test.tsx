import { referenceShelf, starterPlan } from '@ostler/core'
import { cleanup, fireEvent, screen } from '@testing-library/react'
import { afterEach, expect, test } from 'vitest'
import { opened } from '../../plan/test/opened.tsx'
import { AuditSection } from './audit-section.tsx'
import { addFrom } from '../../plan/test/adding.ts'

afterEach(() => {
  cleanup()
  sessionStorage.clear()
})

const type = (label: string, text: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value: text } })
const name = (id: string) => addFrom('Add an oil it names', id)
const show = () => opened(starterPlan('Trial'), <AuditSection shelf={referenceShelf()} />)

test('says nothing before there is an oil and lye, then its superfat at once', () => {
  show()
  expect(screen.getByText(/Name at least one oil/)).toBeTruthy()
  name('olive')
  type('Olive oil, refined', '500')
  type('Lye (NaOH)', '66')
  // 500 × 0.135448 = 67.72 g of NaOH; 66 × 0.98 = 64.68 → 4.5 %.
  expect(screen.getByText('4.5 % superfat')).toBeTruthy()
  expect(screen.queryByText('lye concentration')).toBeNull()
  type('Water', '150')
  expect(screen.getByText('2.32 : 1')).toBeTruthy()
})

test('several oils, in ounces and by the cup', () => {
  show()
  name('olive')
  name('coconut')
  type('Olive oil, refined', '10 oz')
  type('Coconut oil', '1 cup')
  type('Lye (NaOH)', '2 1/2 oz')
  // 283.5 g × 0.135448 + 240 ml × 0.922 × 0.182498 = 78.8; 70.87 × 0.98 = 69.46 → 11.8 %.
  expect(screen.getByText('11.8 % superfat')).toBeTruthy()
  fireEvent.click(screen.getByLabelText('Remove Coconut oil'))
  expect(screen.getByText(/There is more lye than the oils can take/)).toBeTruthy()
})

test.each([
  ['Lye purity', '9', /Is a digit missing/],
  ['Lye purity', '101', /from 80 to 100 %/],
  ['Water', '-5', /cannot be less than nothing/],
  ['Lye (NaOH)', 'some', /is not a number/],
])('%s “%s” gets a sentence and stays', (label, text, sentence) => {
  show()
  name('olive')
  type(label, text)
  expect(screen.getByText(sentence)).toBeTruthy()
  expect(screen.getByLabelText<HTMLInputElement>(label).value).toBe(text)
})

test('starting over empties it', () => {
  show()
  name('olive')
  fireEvent.click(screen.getByText('Start over'))
  expect(screen.queryByLabelText('Olive oil, refined')).toBeNull()
})
