import { applyEdit, forecast, mixingCards, referenceShelf, starterPlan } from '@ostler/core'
import type { Edit, Plan } from '@ostler/core'
import { cleanup, fireEvent, screen, within } from '@testing-library/react'
import { afterEach, expect, test } from 'vitest'
import { opened } from '../../plan/test/opened.tsx'
import { CardsPage } from './cards-page.tsx'

afterEach(cleanup)

const shelf = referenceShelf()
const after = (plan: Plan, ...edits: Edit[]): Plan => {
  const result = applyEdit(plan, { kind: 'many', edits })
  if (!result.ok) throw new Error('the edit is refused')
  return result.plan
}
const made = (plan: Plan) => {
  const result = forecast(plan, shelf)
  if (!result.ok) throw new Error('it cannot be forecast')
  return result.forecast
}
const start = starterPlan('Cards')
const grams = (text: string): number => Number(/[\d,.]+/.exec(text.replaceAll(',', ''))![0])

test('batter is drawn in the order of the cards, and each says what the pot still holds', () => {
  opened(start, <CardsPage />)
  const { portions, colours } = made(start)
  const order = mixingCards(start, portions, colours, shelf)
  const cards = within(screen.getByRole('region', { name: 'Mixing cards' })).getAllByRole('table')
  expect(cards).toHaveLength(order.length)
  let left = portions.potG
  cards.forEach((card, i) => {
    const [drawn] = within(card).getAllByRole('cell')
    expect(Math.abs(grams(drawn!.textContent) - order[i]!.batterG)).toBeLessThanOrEqual(0.5)
    left -= order[i]!.batterG
    const says = /which then holds ([\d.,]+)/.exec(card.textContent)![1]!
    expect(Math.abs(grams(says) - Math.max(0, left))).toBeLessThanOrEqual(1.5)
  })
})

test('labels or cards are left out; what is left out is not printed', () => {
  opened(start, <CardsPage />)
  expect(screen.getByRole('region', { name: 'Cup labels' }).textContent).toContain(start.cups[0]!.name)
  fireEvent.click(screen.getByRole('checkbox', { name: 'cup labels' }))
  expect(screen.queryByRole('region', { name: 'Cup labels' })).toBeNull()
  fireEvent.click(screen.getByRole('checkbox', { name: 'mixing cards' }))
  expect(screen.queryByRole('region', { name: 'Mixing cards' })).toBeNull()
})

test('raw soap is told on every set of cards, and a mask where a powder is dusty', () => {
  const dusty = shelf.colorants.find(one => one.dusty)!
  opened(start, <CardsPage />)
  expect(screen.getByText(/Gloves and goggles: it is raw soap/)).toBeTruthy()
  const plain = after(
    start,
    ...start.cups.map((_, i): Edit => ({ kind: 'set', path: ['cups', i, 'colorants'], value: [] })),
  )
  cleanup()
  opened(plain, <CardsPage />)
  expect(screen.queryByText(/dust mask/)).toBeNull()
  cleanup()
  const part = { ...start.cups.flatMap(cup => cup.colorants)[0]!, colorant: dusty.id }
  opened(after(plain, { kind: 'set', path: ['cups', 0, 'colorants'], value: [part] }), <CardsPage />)
  expect(screen.getByText(/dust mask/)).toBeTruthy()
})

test('without an oil there are no cards, and it is said why', () => {
  const { oils } = shelf
  const [first] = start.recipe.oils
  opened(start, <CardsPage />, { shelf: { ...shelf, oils: oils.filter(oil => oil.id !== first!.oil) } })
  expect(screen.queryByRole('region', { name: 'Mixing cards' })).toBeNull()
  expect(screen.getByRole('button', { name: 'Print' })).toHaveProperty('disabled', true)
})
