import fc from 'fast-check'
import { expect, test } from 'vitest'
import { starterPlan } from '../plan/index.ts'
import { portionsOf } from '../portions/index.ts'
import { referenceShelf } from '../shelf/index.ts'
import type { Lot, Shelf } from '../shelf/index.ts'
import { USUAL_PRICING, costReckoned, costVariants, inBand, marginAt, priceFor, spent } from './index.ts'

const money = fc.double({ min: 0, max: 500, noNaN: true })
const STOCK = [
  { kind: 'oils' as const, name: 'olive', cost: 7.6, needG: 1000 },
  { kind: 'uncounted' as const, name: 'lye', cost: null, needG: 140 },
  { kind: 'scents' as const, name: 'rain', cost: 2.4, needG: 30 },
  { kind: 'colorants' as const, name: 'teal', cost: null, needG: 4 },
]

test('what a batch costs is the sum of its parts, shared by the bars that can be sold', () => {
  fc.assert(
    fc.property(
      money,
      money,
      fc.integer({ min: 1, max: 60 }),
      fc.double({ min: 0, max: 9, noNaN: true }),
      (oil, scent, bars, hours) => {
        const stock = [
          { kind: 'oils' as const, name: '', cost: oil, needG: 1 },
          { kind: 'scents' as const, name: '', cost: scent, needG: 1 },
        ]
        const cost = costReckoned({ stock, hours, bars, curedG: 100 }, USUAL_PRICING)!
        const whole = oil + scent + hours * USUAL_PRICING.hourly + bars * USUAL_PRICING.packing
        expect(cost.whole).toBeCloseTo(whole, 6)
        expect(cost.perBar * bars).toBeCloseTo(whole, 6)
        expect(Object.values(cost.groups).reduce((a, b) => a + b, 0)).toBeCloseTo(whole, 6)
      },
    ),
  )
  expect(costReckoned({ stock: STOCK, hours: 1, bars: 0, curedG: 100 }, USUAL_PRICING)).toBeNull()
})

test('what has no price is named, not taken for free without a word', () => {
  expect(costReckoned({ stock: STOCK, hours: 1, bars: 9, curedG: 95 }, USUAL_PRICING)!.unpriced).toEqual(['teal'])
})

test('a price leaves its margin, is no step higher than it must be, and a margin gives the price back', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.01, max: 50, noNaN: true }),
      fc.double({ min: 0, max: 0.9, noNaN: true }),
      fc.constantFrom(0, 0.05, 0.5, 1),
      (cost, margin, roundTo) => {
        const price = priceFor(cost, { margin, roundTo })
        expect(marginAt(cost, price)!).toBeGreaterThan(margin - 1e-6)
        expect(price - roundTo).toBeLessThan(cost / (1 - margin) + 1e-6)
        if (roundTo === 0) expect(marginAt(cost, price)!).toBeCloseTo(margin, 9)
      },
    ),
  )
  expect(marginAt(3, 0)).toBeNull()
  expect(marginAt(3, 2)!).toBeLessThan(0)
})

test('what went in costs what its lots cost, and what no lot was told of the average', () => {
  const plan = starterPlan('Cost')
  const lot = (id: string, cost: number): Lot => ({ id, mark: id, bought: 1000, left: 500, cost, useBy: '' })
  const reference = referenceShelf()
  const oil = plan.recipe.oils[0]!.oil
  const shelf: Shelf = {
    ...reference,
    oils: reference.oils.map(one => (one.id === oil ? { ...one, lots: [lot('dear', 20), lot('cheap', 10)] } : one)),
  }
  const portions = portionsOf(plan, shelf)
  const massG = portions.oils.find(one => one.oil === oil)!.massG
  const costOf = (taken: Parameters<typeof spent>[4], weights = {}) =>
    spent(plan, shelf, portions, weights, taken).find(one => one.cost !== null)!.cost!
  const took = (id: string, g: number) => ({ kind: 'oils', item: oil, lot: id, massG: g })
  expect(costOf([])).toBeCloseTo(massG * 0.015, 9)
  expect(costOf([took('dear', massG)])).toBeCloseTo(massG * 0.02, 9)
  expect(costOf([took('cheap', 100)])).toBeCloseTo(100 * 0.01 + (massG - 100) * 0.015, 9)
  expect(costOf([], { [`oil:${oil}`]: 2 * massG })).toBeCloseTo(2 * massG * 0.015, 9)
})

test('a larger batch with the same work costs less a bar, fewer bars cost more', () => {
  const facts = { stock: STOCK, hours: 2, bars: 10, curedG: 100 }
  const now = costReckoned(facts, USUAL_PRICING)!.perBar
  const of = Object.fromEntries(
    costVariants(facts, USUAL_PRICING, { thinner: 11, thicker: 9 }).map(one => [one.change, one.perBar]),
  )
  expect(of['twice']).toBeCloseTo(now - (0.5 * 2 * USUAL_PRICING.hourly) / 10, 9)
  expect(of['half']).toBeGreaterThan(now)
  expect(of['thinner']).toBeLessThan(now)
  expect(of['thicker']).toBeGreaterThan(now)
  expect(of['dearest']).toBeCloseTo(now - (0.1 * 7.6) / 10, 9)
})

test('a price stands in its band, below or above it; without a band nowhere', () => {
  const band = { bandLow: 5, bandHigh: 8 }
  expect([4.99, 5, 8, 8.01].map(price => inBand(price, band))).toEqual(['below', 'in', 'in', 'above'])
  expect(inBand(5, { bandLow: 0, bandHigh: 0 })).toBeNull()
})
