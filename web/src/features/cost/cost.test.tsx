import { USUAL_PRICING, referenceShelf, starterPlan } from '@ostler/core'
import type { Pricing, Shelf } from '@ostler/core'
import { cleanup, screen } from '@testing-library/react'
import { afterEach, expect, test, vi } from 'vitest'
import { SOMEBODY, answering } from '../../api/test/answering.ts'
import { opened } from '../../plan/test/opened.tsx'
import { CostPage } from './cost-page.tsx'

afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

const plan = starterPlan('Cost')
const start = referenceShelf()
/** Every oil of the recipe at 10 a kilogram, and nothing else has a price. */
const priced: Shelf = {
  ...start,
  oils: start.oils.map(oil => ({
    ...oil,
    lots: [{ id: 'l', mark: '', bought: 1000, left: 1000, cost: 10, useBy: '' }],
  })),
}
const FREE: Pricing = { ...USUAL_PRICING, margin: 0.5, roundTo: 0 }
function show(pricing: Partial<Pricing>, shelf: Shelf) {
  answering({
    ...{ 'GET /session': SOMEBODY, 'GET /pricing': { ...FREE, ...pricing } },
    'GET /batches//lots': [],
    'GET /batches//record': { entries: [], photos: [] },
  })
  opened(plan, <CostPage />, { asks: true, shelf })
}
const large = async (what: RegExp | string) => {
  const at = (await screen.findByText(what)).closest('div')!
  return Number(/[\d.]+/.exec(at.querySelectorAll('dd')[0]!.textContent)![0])
}

test('half left over is twice the cost, and what has no price is named as left out', async () => {
  show({}, priced)
  const [cost, price] = [await large('a bar costs'), await large(/^with 50 % left over/)]
  expect(cost).toBeGreaterThan(0)
  expect(price / cost).toBeCloseTo(2, 1)
  expect(screen.getByText(/Without a price on the/).textContent).toContain('The bar costs more than this')
})

test('a price above what such soap sells for is marked, one within it is not', async () => {
  show({ bandLow: 0.01, bandHigh: 0.02 }, priced)
  expect(await screen.findByText(/▲ More than such soap sells for/)).toBeTruthy()
  cleanup()
  show({ bandLow: 0.01, bandHigh: 5000 }, priced)
  expect(await screen.findByText(/✓ Within what such soap sells for/)).toBeTruthy()
})

test('twice the batch with the same work makes a bar cheaper, half of it dearer', async () => {
  show({}, priced)
  const change = async (what: RegExp) => (await screen.findByText(what)).closest('tr')!.querySelector('td')!.textContent
  expect(await change(/twice the batch/)).toMatch(/^−/)
  expect(await change(/half the batch/)).toMatch(/^\+/)
})
