import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { starterPlan } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import { portionsOf } from '../portions/index.ts'
import { referenceShelf } from '../shelf/index.ts'
import { actualOf, remedyOf, weighList } from './index.ts'

/** What puts a pot right, reckoned once more by arithmetic that is not the product's. */

const shelf = referenceShelf()
const base = starterPlan('Trial')
/** g NaOH for a mg KOH per g. */
const NAOH = 39.997 / 56.106 / 1000
const koh = (id: string) => shelf.oils.find(one => one.id === id)!.sapKohMgPerG

const planOf = (superfatShare: number, lyePurityShare: number): Plan => ({
  ...base,
  conditions: { ...base.conditions, scaleStepG: 0.1, fineScaleStepG: 0.01 },
  recipe: { ...base.recipe, superfatShare, lyePurityShare, liquids: [], additives: [] },
})

/** Everything that decides the lye as planned, but some of it off. */
function weights(plan: Plan, off: Readonly<Record<string, number>>): Record<string, number> {
  const lines = weighList(plan, portionsOf(plan, shelf), shelf)
  return Object.fromEntries(
    lines
      .filter(line => ['lye', 'water', 'oil', 'solution'].includes(line.kind))
      .map(line => [line.key, line.massG * (off[line.key] ?? 1)]),
  )
}

const superfatOf = (weighed: Readonly<Record<string, number>>, purity: number): number => {
  const takes = Object.entries(weighed).reduce(
    (sum, [key, massG]) => (key.startsWith('oil:') ? sum + massG * koh(key.slice(4)) * NAOH : sum),
    0,
  )
  return 1 - (weighed['lye']! * purity) / takes
}

describe('lye and oils that do not belong together', () => {
  const oils = base.recipe.oils.map(part => `oil:${part.oil}`)

  test('too much lye, or an oil short: each oil of the recipe brings back the planned superfat, never less', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.02, max: 0.1, noNaN: true }),
        fc.double({ min: 0.95, max: 1, noNaN: true }),
        fc.double({ min: 1.02, max: 1.12, noNaN: true }),
        fc.constantFrom(...oils),
        fc.double({ min: 0.9, max: 1, noNaN: true }),
        (superfat, purity, over, short, left) => {
          const plan = planOf(superfat, purity)
          const weighed = weights(plan, { lye: over, [short]: left })
          const found = remedyOf(plan, portionsOf(plan, shelf), shelf, weighed)!
          expect(found.lye).toBeNull()
          expect(found.superfat.value).toBeCloseTo(superfatOf(weighed, purity), 9)
          for (const { key, massG, totalG } of found.oils) {
            const after = superfatOf({ ...weighed, [key]: totalG }, purity)
            expect(totalG).toBeCloseTo(weighed[key]! + massG, 9)
            // A tenth of a gram is what rounding up may add.
            expect(after).toBeGreaterThanOrEqual(superfat - 1e-9)
            expect(after).toBeLessThan(superfat + 0.001)
          }
          const whole = oils.reduce((sum, key) => sum + weighed[key]!, 0)
          expect(found.oils.every(one => one.massG <= 0.25 * whole)).toBe(true)
          expect(found.isTooMuch).toBe(found.oils.length === 0)
        },
      ),
      { numRuns: 150 },
    )
  })

  test('too little lye: what is missing brings back the planned superfat, never less', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.02, max: 0.1, noNaN: true }),
        fc.double({ min: 0.95, max: 1, noNaN: true }),
        fc.double({ min: 0.8, max: 0.97, noNaN: true }),
        (superfat, purity, left) => {
          const plan = planOf(superfat, purity)
          const weighed = weights(plan, { lye: left })
          const { lye, oils: none } = remedyOf(plan, portionsOf(plan, shelf), shelf, weighed)!
          const after = superfatOf({ ...weighed, lye: lye!.totalG }, purity)
          expect(none).toEqual([])
          expect(after).toBeGreaterThanOrEqual(superfat - 1e-9)
          expect(after).toBeLessThan(superfat + 0.001)
          expect(lye!.waterG).toBeCloseTo(3 * lye!.massG, 9)
        },
      ),
      { numRuns: 100 },
    )
  })

  test('acids have taken their lye before: the pot with them comes to the same superfat', () => {
    const citric = shelf.additives.find(one => one.id.startsWith('citric-acid'))!.id
    const plan: Plan = {
      ...planOf(0.05, 0.99),
      recipe: {
        ...planOf(0.05, 0.99).recipe,
        additives: [{ additive: citric, gPerKgOils: 10, moment: 'lye' as const, addLye: true }],
      },
    }
    const portions = portionsOf(plan, shelf)
    for (const lye of [0.9, 1.06]) {
      const weighed = { ...weights(plan, { lye }), [`additive:${citric}`]: portions.additives[0]!.massG }
      const found = remedyOf(plan, portions, shelf, weighed)!
      for (const one of [...found.oils, ...(found.lye ? [found.lye] : [])]) {
        const after = actualOf(plan, portions, shelf, { ...weighed, [one.key]: one.totalG }).batters[0]!.superfatShare
        expect(after).toBeGreaterThanOrEqual(0.05 - 1e-9)
        expect(after).toBeLessThan(0.051)
      }
      expect(found.oils.length > 0).toBe(lye > 1)
    }
  })

  test('nothing is reckoned while a weight that decides it was not written down, nor where nothing is off', () => {
    const plan = planOf(0.05, 1)
    const portions = portionsOf(plan, shelf)
    const all = weights(plan, { lye: 1.08 })
    const some = Object.fromEntries(Object.entries(all).filter(([key]) => key !== 'water'))
    const found = remedyOf(plan, portions, shelf, some)!
    expect([found.unwritten.length, found.oils.length]).toEqual([1, 0])
    const right = remedyOf(plan, portions, shelf, weights(plan, {}))!
    expect([right.oils, right.lye]).toEqual([[], null])
  })

  test('far too much lye is not put right', () => {
    const plan = planOf(0.05, 1)
    const found = remedyOf(plan, portionsOf(plan, shelf), shelf, weights(plan, { lye: 1.6 }))!
    expect([found.isTooMuch, found.oils]).toEqual([true, []])
  })
})
