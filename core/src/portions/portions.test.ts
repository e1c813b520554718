import { describe, expect, test } from 'vitest'
import fc from 'fast-check'
import { plainOil, plannedScent, starterPlan } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import { referenceShelf } from '../shelf/index.ts'
import { roundDown, roundToTotal } from '../quantities/working/index.ts'
import { portionsOf } from './portions.ts'

const base = starterPlan('Trial')
const between = (min: number, max: number) => fc.double({ min, max, noNaN: true })

/** Plans of 1 to 12 cups in any mould and with any scale. */
const anyPlan: fc.Arbitrary<Plan> = fc
  .record({
    count: fc.integer({ min: 1, max: 12 }),
    shares: fc.array(between(0.2, 1), { minLength: 12, maxLength: 12 }),
    doses: fc.array(between(0, 30), { minLength: 12, maxLength: 12 }),
    scented: fc.array(fc.boolean(), { minLength: 12, maxLength: 12 }),
    length: between(100, 500),
    superfat: between(0, 0.2),
    step: fc.constantFrom(0.1, 1, 5),
    rate: between(0, 0.05),
  })
  .map(({ count, shares, doses, scented, length, superfat, step, rate }) => ({
    ...base,
    recipe: { ...base.recipe, superfatShare: superfat },
    mould: { ...base.mould, innerLengthMm: length },
    scent: plannedScent([{ scent: 'tin-roof-rain', share: 1 }], rate, { moment: 'pot' }),
    conditions: { ...base.conditions, scaleStepG: step },
    cups: Array.from({ length: count }, (_, i) => ({
      ...base.cups[0]!,
      id: `cup-${i}`,
      scented: scented[i]!,
      clingG: 5,
      colorants: [{ ...base.cups[0]!.colorants[0]!, doseGPerKg: doses[i]! }],
    })),
    score: Array.from({ length: count }, (_, i) => ({
      ...base.score[0]!,
      id: `p-${i}`,
      cup: `cup-${i}`,
      share: shares[i]!,
    })),
  }))

const sum = (numbers: number[]) => numbers.reduce((a, b) => a + b, 0)

describe('portions', () => {
  test('cups and cling add up to the pot, and the pot to oils, lye and water, to 0.1 g', () => {
    fc.assert(
      fc.property(anyPlan, plan => {
        const p = portionsOf(plan, referenceShelf())
        expect(sum(p.cups.map(cup => cup.batterG)) + p.potClingG).toBeCloseTo(p.potG, 4)
        expect(sum(p.oils.map(oil => oil.massG)) + p.lyeG + p.waterG).toBeCloseTo(p.potG, 4)
        // What clings to a pot whose batter is scented before the split is scented too.
        const perBatter = Math.max(...p.cups.map(cup => cup.scentOfBatter), 0)
        const beside = p.scentG - sum(p.cups.map(cup => cup.scentG))
        expect(Math.abs(beside - p.potClingG * perBatter)).toBeLessThanOrEqual(plan.conditions.fineScaleStepG + 1e-6)
      }),
    )
  })

  test('lye is never more than exact, and superfat never less than asked for', () => {
    fc.assert(
      fc.property(anyPlan, plan => {
        const p = portionsOf(plan, referenceShelf())
        expect(p.lyeG).toBeLessThanOrEqual(p.lyeExactG + 1e-6)
        expect(p.superfatShare).toBeGreaterThanOrEqual(plan.recipe.superfatShare - 1e-6)
      }),
    )
  })

  test('layers fill the mould exactly and weigh volume times density', () => {
    fc.assert(
      fc.property(anyPlan, plan => {
        const p = portionsOf(plan, referenceShelf())
        const ml = (plan.mould.innerLengthMm * plan.mould.innerWidthMm * plan.mould.fillMm) / 1000
        expect(p.fillMl).toBeCloseTo(ml, 6)
        expect(sum(p.layers.map(layer => layer.massG))).toBeCloseTo(ml * plan.conditions.densityGPerMl, 6)
        expect(p.layers.at(-1)!.toMm).toBe(plan.mould.fillMm)
      }),
    )
  })

  test('a loaf worked out by hand', () => {
    const plan: Plan = {
      ...base,
      recipe: {
        ...base.recipe,
        oils: [plainOil('olive', 1)],
        superfatShare: 0.05,
        lyePurityShare: 1,
        water: { basis: 'concentration', value: 0.3, fullShareOfOils: 0.38 },
      },
      mould: { ...base.mould, innerLengthMm: 200, innerWidthMm: 75, innerHeightMm: 70, fillMm: 60 },
      pot: { clingG: 0 },
      cups: [{ ...base.cups[2]!, id: 'only', clingG: 0 }],
      score: [{ ...base.score[0]!, cup: 'only', share: 1 }],
      conditions: { ...base.conditions, densityGPerMl: 1, fineScaleStepG: 0.1, scaleStepG: 1 },
    }
    // 900 ml at 1 g/ml; lye 0.12868 g and water 0.30025 g to 1 g of oil, so 900 / 1.42893 = 629.85 g of oil.
    const p = portionsOf(plan, referenceShelf())
    expect(p.oilG).toBe(630)
    expect(p.lyeG).toBe(81)
    expect(p.waterG).toBe(189)
    expect(p.cups[0]!.batterG).toBe(900)
  })

  test('oil that disperses a colorant raises that cup’s superfat', () => {
    const p = portionsOf(base, referenceShelf())
    expect(p.cups[0]!.superfatShare).toBeGreaterThan(p.superfatShare + 0.004)
    expect(p.cups[1]!.superfatShare).toBeCloseTo(p.superfatShare, 3)
  })
})

test('rounding', () => {
  expect(roundDown(23.87, 0.1)).toBe(23.8)
  expect(roundDown(0.3, 0.1)).toBe(0.3)
  expect(roundToTotal([10.4, 20.4, 5.4], 36.2, 1)).toEqual([10, 21.2, 5])
})
