import fc from 'fast-check'
import { expect, test } from 'vitest'
import { starterPlan } from '../plan/index.ts'
import { referenceShelf } from '../shelf/index.ts'
import { portionsOf, potAfter } from './index.ts'

const shelf = referenceShelf()

test('whatever the order cups are drawn in, each leaves what the others and the pot need; the last leaves what clings', () => {
  const base = starterPlan('Drawn')
  fc.assert(
    fc.property(
      fc.shuffledSubarray([0, 1, 2], { minLength: 3, maxLength: 3 }),
      fc.double({ min: 0, max: 60, noNaN: true }),
      (order, plain) => {
        const reserves = plain > 5 ? [{ id: 'blank', cup: '', massG: plain, use: 'blank' as const }] : []
        const portions = portionsOf({ ...base, reserves }, shelf)
        const after = potAfter(portions, order)
        expect(after.blankG).toBeCloseTo(portions.potG - portions.blankG, 6)
        expect(after.cupsG[order.at(-1)!]).toBeCloseTo(portions.potClingG, 6)
        for (const [n, i] of order.entries()) {
          const later = order.slice(n + 1).reduce((sum, one) => sum + portions.cups[one]!.batterG, 0)
          expect(after.cupsG[i]).toBeCloseTo(later + portions.potClingG, 6)
        }
      },
    ),
    { numRuns: 40 },
  )
})
