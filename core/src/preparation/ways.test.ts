import { describe, expect, test } from 'vitest'
import fc from 'fast-check'
import { starterPlan } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import { portionsOf } from '../portions/index.ts'
import { naohPerG } from '../recipe/index.ts'
import { findById, referenceShelf } from '../shelf/index.ts'
import { compareWays, divisionSheet } from './index.ts'
import { said } from '../quantities/words/index.ts'

const shelf = referenceShelf()
const base = starterPlan('Trial')
const withCups = (count: number): Plan => ({
  ...base,
  cups: Array.from({ length: count }, (_, i) => ({ ...base.cups[0]!, id: `cup-${i}`, name: `Cup ${i}` })),
  score: Array.from({ length: count }, (_, i) => ({
    ...base.score[0]!,
    id: `pour-${i}`,
    cup: `cup-${i}`,
    share: 1 / count,
  })),
})
const own = (plan: Plan, change: Partial<Plan['division']> = {}): Plan => ({
  ...plan,
  division: { ...plan.division, mode: 'own-batters', ...change },
})

describe('one pot or several', () => {
  test('own batters take longer, and the more so with every cup; separate lye takes longest', () => {
    const minutes = (plan: Plan) => compareWays(plan, portionsOf(plan, shelf)).map(way => way.minutes)
    let before = 0
    for (const count of [1, 2, 4, 7]) {
      const [one, several] = minutes(withCups(count))
      expect(several! - one!).toBeGreaterThan(before)
      before = several! - one!
    }
    const [, divided] = minutes(own(withCups(4), { lye: 'divided' }))
    const [, separate] = minutes(own(withCups(4), { lye: 'separate' }))
    expect(separate).toBeGreaterThan(divided!)
  })

  test('a single cup has no clocks to race', () => {
    const [one] = compareWays(withCups(1), portionsOf(withCups(1), shelf))
    expect(said(one)).toMatchObject({ level: 'Level.', pressure: 'Only one to pour.' })
  })
})

describe('the division', () => {
  test('what the batters get adds up to the pot’s oils, lye and water, to the scale', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 12 }),
        fc.constantFrom('common' as const, 'each' as const),
        (count, melt) => {
          const plan = own(withCups(count), { melt, lye: 'separate' })
          const portions = portionsOf(plan, shelf)
          const sheet = divisionSheet(plan, shelf, portions)
          const near = (sum: number, whole: number, steps: number) =>
            expect(Math.abs(sum - whole)).toBeLessThanOrEqual(steps * (count + 1))
          const oils = sheet.batters.flatMap(batter => batter.oils)
          near(
            oils.reduce((sum, oil) => sum + oil.massG, 0),
            portions.oilG,
            3,
          )
          near(
            sheet.batters.reduce((sum, batter) => sum + batter.lyeG, 0),
            portions.lyeG,
            1,
          )
          near(
            sheet.batters.reduce((sum, batter) => sum + batter.waterG, 0),
            portions.waterG,
            1,
          )
        },
      ),
    )
  })

  test('each batter’s lye leaves its own oils the superfat, worked out again from its weights', () => {
    const plan = own(withCups(5), { melt: 'each', lye: 'separate' })
    for (const batter of divisionSheet(plan, shelf, portionsOf(plan, shelf)).batters) {
      const demand = batter.oils.reduce((sum, part) => sum + part.massG * naohPerG(findById(shelf.oils, part.oil)!), 0)
      const superfat = 1 - (batter.lyeG * plan.recipe.lyePurityShare) / demand
      expect(superfat).toBeCloseTo(batter.superfatShare, 6)
      expect(superfat).toBeGreaterThanOrEqual(plan.recipe.superfatShare - 1e-9)
    }
  })

  test('the pot of the common melt runs down to what clings', () => {
    const plan = own(withCups(4), { melt: 'common' })
    const sheet = divisionSheet(plan, shelf, portionsOf(plan, shelf))
    const left = sheet.batters.map(batter => batter.meltLeftG)
    expect([...left].sort((a, b) => b - a)).toEqual(left)
    expect(Math.abs(left.at(-1)! - sheet.meltClingG)).toBeLessThanOrEqual(sheet.batters.length)
  })
})
