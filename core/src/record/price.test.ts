import fc from 'fast-check'
import { expect, test } from 'vitest'
import { USUAL_PRICING, costReckoned, marginAt, priceFor } from './index.ts'

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
