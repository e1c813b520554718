import { towels } from '../../plan/index.ts'
import { describe, expect, test } from 'vitest'
import { applyEdit, starterPlan } from '../../plan/index.ts'
import type { Plan } from '../../plan/index.ts'
import { gelAlong, gelOfBars } from './along.ts'
import { contrastFor, waterEdit, waterOnShelf } from './contrast.ts'
import { cupGels, quickRest } from './gel-shares.ts'
import { workedThrough } from './history.ts'
import { restRunInputOf } from './plan-rest.ts'
import { example, inputsOf, resting, shelf, warmed } from './test/plans.ts'
import { said, say } from '../../quantities/words/index.ts'

const TOWELS = { cover: 'lid', towels: towels(4, 4) } as const
const changed = (plan: Plan, edit: Parameters<typeof applyEdit>[1]): Plan => {
  const result = applyEdit(plan, edit)
  if (!result.ok) throw new Error(say(result.sentence))
  return result.plan
}

describe('cup by cup', () => {
  test('water stirred into a cup lowers what it gels from, and its own lye concentration, and no other’s', () => {
    const plan = example('quarry-bench')
    const wet = changed(plan, waterEdit(plan, 1, waterOnShelf(shelf)!, 60))
    const gels = (of: Plan) => cupGels(inputsOf(of), workedThrough(restRunInputOf(inputsOf(of), 'quick')).block)
    const [before, after] = [gels(plan), gels(wet)]
    expect(after[1]!.gelC).toBeLessThan(before[1]!.gelC - 1)
    expect(after[1]!.lyeConcentration).toBeLessThan(before[1]!.lyeConcentration)
    expect(after[0]!.gelC).toBeCloseTo(before[0]!.gelC, 0)
    expect(changed(wet, waterEdit(wet, 1, waterOnShelf(shelf)!, 0)).cups[1]!.colorants).toEqual(plan.cups[1]!.colorants)
  })

  test('shares weighed by what is poured make the whole; a warm wrapped loaf gels all cups, a cold one none', () => {
    const warm = quickRest(inputsOf(warmed(resting(example('quarry-bench'), TOWELS), 44))).shares
    expect(warm.whole).toBeGreaterThan(0.9)
    const cold = quickRest(inputsOf(warmed(resting(example('quarry-bench'), { place: 'refrigerator' }), 29))).shares
    expect(cold).toEqual({ whole: 0, cups: cold.cups.map(() => 0) })
    const plan = resting(example('verdigris-stair'), {})
    const { whole, cups } = quickRest(inputsOf(plan)).shares
    expect(whole).toBeGreaterThanOrEqual(Math.min(...cups))
    expect(whole).toBeLessThanOrEqual(Math.max(...cups))
  })

  test.each([
    [36, [{}]],
    [46, [TOWELS]],
    [38, [{ place: 'oven' as const, tempC: 55, holdMin: 60 }]],
    [36, [{ place: 'freezer' as const }, { atMin: 60, ...TOWELS, towels: towels(6) }]],
    [40, [{}, { atMin: 300, place: 'oven' as const, tempC: 70, holdMin: 60 }]],
  ])('looked at no longer than it can gel, it gels as far: %d °C, %j', (mixC, steps) => {
    const inputs = inputsOf(warmed(resting(example('quarry-bench'), ...steps), mixC))
    const { block } = workedThrough(restRunInputOf(inputs, 'quick'))
    cupGels(inputs, block).forEach(({ share }, i) =>
      expect(Math.abs(quickRest(inputs).shares.cups[i]! - share)).toBeLessThan(0.05),
    )
  })

  test('the way to gel one cup alone does what it says, and keeps the rest of the plan', () => {
    const plan = example('quarry-bench')
    const way = contrastFor(plan, shelf, 1, inputsOf)!
    expect(said(way.sentence)).toMatch(/^Stir \d+ g of water into each kg of Sandstone, rest it under a lid/)
    const then = changed(plan, way.edit)
    const { cups } = quickRest(inputsOf(then)).shares
    expect(cups[1]!).toBeGreaterThanOrEqual(0.85)
    expect(Math.max(cups[0]!, cups[2]!)).toBeLessThanOrEqual(0.15)
    expect(then.score).toEqual(plan.score)
    expect(then.conditions).toEqual(plan.conditions)
  })

  test('where nothing tried does it, there is none; nor without water on the shelf', () => {
    expect(contrastFor(example('verdigris-stair'), shelf, 0, inputsOf)).toBeNull()
    expect(contrastFor(example('quarry-bench'), { ...shelf, colorants: [] }, 1, inputsOf)).toBeNull()
    expect(contrastFor(example('quarry-bench'), shelf, 1, () => null)).toBeNull()
  })
})

describe('along the loaf', () => {
  const along = (plan: Plan): number[] => {
    const steps = gelAlong(restRunInputOf(inputsOf(plan), 'whole'))
    for (;;) {
      const step = steps.next()
      if (step.done) return step.value
    }
  }

  test('what gels in part gels less towards the ends, and bars follow', () => {
    const plan = example('verdigris-stair')
    const shares = along(plan)
    expect(shares.length).toBeGreaterThan(10)
    expect(shares.at(-1)!).toBeLessThan(shares[0]! - 0.1)
    for (let i = 1; i < shares.length; i += 1) expect(shares[i]!).toBeLessThanOrEqual(shares[i - 1]! + 0.03)
    const bars = gelOfBars(plan, shares)
    const middle = bars[bars.length >> 1]!.share
    expect(bars[0]!.share).toBeLessThan(middle)
    expect(bars.map(bar => bar.bar)).toEqual(bars.map((_, i) => i + 1))
    for (const { share } of bars) {
      expect(share).toBeGreaterThanOrEqual(0)
      expect(share).toBeLessThanOrEqual(1)
    }
  })

  test('bars that lie alike from either end are alike; without trims the first mirrors the last', () => {
    const start = starterPlan('Mirror')
    const plan = {
      ...start,
      mould: { ...start.mould, innerLengthMm: 202 },
      cutting: { ...start.cutting, barMm: 25, trimMm: 0, kerfMm: 0.285714 },
    }
    const bars = gelOfBars(plan, [1, 0.9, 0.7, 0.4, 0.1]).map(bar => bar.share)
    expect(bars).toHaveLength(8)
    bars.forEach((share, i) => expect(share).toBeCloseTo(bars[bars.length - 1 - i]!, 1))
  })
})
