import type { Recipe } from '../../recipe/index.ts'
import { describe, expect, test } from 'vitest'
import fc from 'fast-check'
import { plainOil, starterPlan } from '../../plan/index.ts'
import { unitBatter } from '../../recipe/index.ts'
import { referenceShelf } from '../../shelf/index.ts'
import { batterPace } from './index.ts'

const shelf = referenceShelf()
const base = starterPlan('Trial').recipe
const of = (change: Partial<Recipe>) => batterPace(unitBatter({ ...base, ...change }, shelf))
const additive = (id: string, gPerKgOils: number) => [
  { additive: id, gPerKgOils, moment: 'lye' as const, addLye: true },
]
const plain = of({})

describe('what a recipe brings to trace', () => {
  test.each([
    ['milk powder quickens and thickens', 'goat-milk-powder', 15, 0.225, 0.225],
    ['sugar quickens and thins', 'sugar', 10, 0.08, -0.04],
    ['oats thicken only', 'colloidal-oatmeal', 20, 0, 0.16],
    ['lactate hardly matters', 'sodium-lactate-60', 20, -0.04, 0.04],
  ])('%s', (_, id, gPerKg, lnRate, lnViscosity) => {
    const made = of({ additives: additive(id, gPerKg) })
    expect(made.lnHasten).toBeCloseTo(lnRate, 6)
    expect(made.lnViscosity).toBeCloseTo(lnViscosity, 6)
  })

  test('beyond 3 % an additive’s effect grows no more', () => {
    const at = (g: number) => of({ additives: additive('sugar', g) }).lnHasten
    expect(at(60)).toBeCloseTo(at(30), 9)
  })

  test('salt as a filler crowds the batter, the more the thicker', () => {
    const at = (g: number) => of({ additives: additive('salt-bar', g) }).lnViscosity
    expect(at(250)).toBeGreaterThan(0.1)
    fc.assert(
      fc.property(
        fc.double({ min: 150, max: 900, noNaN: true }),
        fc.double({ min: 1, max: 100, noNaN: true }),
        (g, more) => {
          expect(at(g + more)).toBeGreaterThan(at(g))
          expect(Number.isFinite(at(g + more))).toBe(true)
        },
      ),
    )
  })

  test('milk for all water quickens, tea does not', () => {
    const liquid = (id: string, shareOfWater: number) => ({
      liquids: [{ liquid: id, shareOfWater, measure: 'water' as const, moment: 'lye' as const, countFat: true }],
    })
    expect(of(liquid('goat-milk', 1)).lnHasten).toBeCloseTo(0.15, 6)
    expect(of(liquid('goat-milk', 0.5)).lnViscosity).toBeCloseTo(0.05, 6)
    expect(of(liquid('tea-black', 1)).lnRate).toBeCloseTo(plain.lnRate, 6)
  })

  test('oil kept back leaves the first oils with less superfat: quicker', () => {
    const oils = base.oils.map(part => ({ ...part, late: part.oil === 'castor' }))
    const same = batterPace(unitBatter({ ...base, oils: base.oils.filter(part => part.oil !== 'castor') }, shelf))
    expect(of({ oils }).lnRate).toBeGreaterThan(same.lnRate)
  })

  test('less water is quicker; stearic acid counts apart from the oils', () => {
    const water = (value: number) => of({ water: { basis: 'concentration', value, fullShareOfOils: 0.38 } }).lnRate
    expect(water(0.33) - water(0.29)).toBeCloseTo(0.24, 6)
    const oils = [plainOil('olive', 0.69), plainOil('coconut', 0.3), plainOil('stearic-acid-mixed', 0.01)]
    const made = of({ oils })
    expect(made.stearic).toBeCloseTo(0.01, 9)
    expect(made.freeAcid).toBeLessThan(0.002)
  })
})
