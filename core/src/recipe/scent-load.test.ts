import type { PlannedScent } from './scent-part.ts'
import { describe, expect, test } from 'vitest'
import fc from 'fast-check'
import { referenceShelf } from '../shelf/index.ts'
import { capShare, limitOfOils, scentLoad, sharesAtLimit } from './index.ts'

const shelf = referenceShelf()
const BATTER = 1.45
const planned = (parts: [string, number][], load: number, basis: 'oils' | 'batter' = 'oils'): PlannedScent => ({
  parts: parts.map(([scent, share]) => ({ scent, share })),
  load,
  basis,
  moment: 'pot',
  how: 'hand',
  spread: 'cup',
  stabiliserRatio: 0,
  isPrivate: false,
})
const loadOf = (...args: Parameters<typeof planned>) => scentLoad(planned(...args), shelf, BATTER)

describe('scent load', () => {
  test('a rate by batter is a larger one by oils', () => {
    const load = loadOf([['tin-roof-rain', 1]], 0.02, 'batter')
    expect(load.loadOfOils).toBeCloseTo(0.029, 9)
    expect(load.loadOfBatter).toBeCloseTo(0.02, 9)
  })

  test('limits on oils, batter and cured bar', () => {
    const scent = shelf.scents[0]!
    expect(limitOfOils({ ...scent, limitBasis: 'oils', limitShare: 0.03 }, BATTER)).toBeCloseTo(0.03, 9)
    expect(limitOfOils({ ...scent, limitBasis: 'batter', limitShare: 0.03 }, BATTER)).toBeCloseTo(0.0435, 9)
    // 100 g of oils give at least 125 g of cured bar.
    expect(limitOfOils({ ...scent, limitBasis: 'soap', limitShare: 0.003 }, BATTER)).toBeCloseTo(0.00375, 9)
  })

  test('a quarter of clove at 0.375 % of the oils limits the blend to 1.5 %, and is named', () => {
    const blend = loadOf(
      [
        ['eo-lavender', 0.75],
        ['eo-clove-bud', 0.25],
      ],
      0.02,
    )
    expect(blend.limiting.id).toBe('eo-clove-bud')
    expect(blend.mostOfOils).toBeCloseTo(0.015, 9)
    expect(blend.isOver).toBe(true)
    expect(blend.parts[0]!.isOver).toBe(false)
  })

  test('constituents that two parts share are named', () => {
    const blend = loadOf(
      [
        ['eo-litsea', 0.5],
        ['eo-lemongrass', 0.5],
      ],
      0.005,
    )
    expect(blend.shared).toContain('citral')
  })

  const EOS = shelf.scents.filter(scent => scent.type === 'essential-oil').map(scent => scent.id)
  const anyBlend = fc.uniqueArray(fc.tuple(fc.constantFrom(...EOS), fc.double({ min: 0.01, max: 1, noNaN: true })), {
    minLength: 1,
    maxLength: 6,
    selector: ([id]) => id,
  })
  const anyLoad = fc.double({ min: 0.0005, max: 0.05, noNaN: true })

  test('as strong as allowed, no part is over; a hair more, one is', () => {
    fc.assert(
      fc.property(anyBlend, parts => {
        const most = loadOf(parts, 0.01).mostOfOils
        expect(loadOf(parts, capShare(most)).isOver).toBe(false)
        expect(loadOf(parts, most * 1.0001).isOver).toBe(true)
      }),
    )
  })

  test('shares changed to fit a load keep every part at its limit or below and sum to one', () => {
    fc.assert(
      fc.property(anyBlend, anyLoad, (parts, wanted) => {
        const load = loadOf(parts, wanted)
        const shares = sharesAtLimit(load, wanted)
        const room = load.parts.reduce((sum, part) => sum + part.limitOfOils, 0)
        if (shares === null) {
          expect(room).toBeLessThan(wanted * (1 + 1e-6))
          return
        }
        expect(shares.reduce((sum, share) => sum + share, 0)).toBeCloseTo(1, 6)
        shares.forEach((share, i) => expect(share * wanted).toBeLessThanOrEqual(load.parts[i]!.limitOfOils + 1e-7))
      }),
    )
  })
})
