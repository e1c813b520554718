import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { applyEdit, starterPlan } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import { referenceShelf } from '../shelf/index.ts'
import { portionsOf, withOilWeight } from './index.ts'
import { say } from '../quantities/words/index.ts'

const shelf = referenceShelf()
const base = starterPlan('Trial')
const weightOf = (plan: Plan, oil: string) => portionsOf(plan, shelf).oils.find(part => part.oil === oil)?.massG ?? 0
const changed = (plan: Plan, oil: string, massG: number, othersMakeUp: boolean): Plan => {
  const result = withOilWeight(plan, shelf, oil, massG, othersMakeUp)
  if (!result.ok) throw new Error(say(result.sentence))
  return result.plan
}

describe('a weight typed for an oil', () => {
  test.each([true, false])('is the weight that is shown (others make up: %s)', othersMakeUp => {
    fc.assert(
      fc.property(
        fc.constantFrom(...base.recipe.oils.map(part => part.oil)),
        fc.integer({ min: 20, max: 330 }),
        (oil, g) => {
          const result = withOilWeight(base, shelf, oil, g, othersMakeUp)
          if (result.ok) expect(weightOf(result.plan, oil)).toBe(g)
          else expect(othersMakeUp).toBe(false)
        },
      ),
      { numRuns: 40 },
    )
  })

  test('300 g stay 300 g, and 1 lb 2 oz stays 510 g', () => {
    expect(weightOf(changed(base, 'coconut', 300, true), 'coconut')).toBe(300)
    expect(weightOf(changed(base, 'olive', 510.29, true), 'olive')).toBe(510)
  })

  test('an oil at nothing takes a weight again', () => {
    for (const othersMakeUp of [true, false]) {
      const none = changed(base, 'castor', 0, othersMakeUp)
      expect(weightOf(none, 'castor')).toBe(0)
      expect(weightOf(changed(none, 'castor', 35, othersMakeUp), 'castor')).toBe(35)
    }
  })

  test('more than the mould takes is refused in a sentence', () => {
    expect(withOilWeight(base, shelf, 'coconut', 5000, true)).toMatchObject({ ok: false })
    const locked = applyEdit(base, {
      kind: 'set',
      path: ['recipe', 'oils'],
      value: base.recipe.oils.map(part => ({ ...part, locked: true })),
    })
    expect(locked.ok && withOilWeight(locked.plan, shelf, 'coconut', 100, true)).toMatchObject({ ok: false })
  })
})
