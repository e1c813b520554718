import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { plannedScent, starterPlan } from '../../plan/index.ts'
import type { Plan } from '../../plan/index.ts'
import { portionsOf } from '../../portions/index.ts'
import { referenceShelf } from '../../shelf/index.ts'
import { beliefOf, runInputOf, lanesOf, looksAsked } from './index.ts'

const shelf = referenceShelf()
const start = starterPlan('Seen')
const scented: Plan = {
  ...start,
  scent: plannedScent([{ scent: 'moss-cathedral', share: 1 }], 0.03),
  cups: start.cups.map(cup => ({ ...cup, scented: true })),
}
const inputWith = (plan: Plan, seen: Plan['seen']) => runInputOf({ ...plan, seen }, portionsOf(plan, shelf), shelf)
const sighting = fc.record({
  cup: fc.constantFrom(...start.cups.map(cup => cup.id)),
  atMin: fc.double({ min: 2, max: 25, noNaN: true }),
  level: fc.double({ min: 0.8, max: 5, noNaN: true }),
  by: fc.constantFrom<'eye' | 'drip'>('eye', 'drip'),
})

describe('bad news is believed', () => {
  test.each([
    ['plain', start],
    ['scented', scented],
  ])('a thicker sighting never lowers the believed pace, whatever else was seen: %s', (_, plan) => {
    fc.assert(
      fc.property(
        fc.array(sighting, { maxLength: 2 }),
        sighting,
        fc.double({ min: 0.1, max: 2, noNaN: true }),
        (others, one, more) => {
          const thicker = { ...one, level: Math.min(5, one.level + more) }
          const [a, b] = [one, thicker].map(last => beliefOf(inputWith(plan, [...others, last])).mean)
          expect(b!).toBeGreaterThanOrEqual(a! - 1e-6)
        },
      ),
      { numRuns: 40 },
    )
  })

  test('a cup that has set is believed at once, and one that nothing explains is asked about', () => {
    const cup = start.score.at(-1)!.cup
    const set = inputWith(start, [{ cup, atMin: 4, level: 5, by: 'eye' }])
    const before = lanesOf(inputWith(start, []))
    const after = lanesOf(set)
    expect(after.seenPace).toBeGreaterThan(1.5 * before.seenPace)
    expect(after.unexplained).toBe(true)
    expect(before.unexplained).toBe(false)
    expect(after.chance).toBeLessThan(0.1)
    expect(after.pours.at(-1)).toMatchObject({ fault: 'sets' })
    // One at its due time is nothing strange.
    expect(lanesOf(inputWith(start, [{ cup, atMin: 6, level: 1.9, by: 'eye' }])).unexplained).toBe(false)
  })

  test('the look that is asked for narrows more than the earliest, and a drip more than the eye', () => {
    const asked = looksAsked(inputWith(scented, []))!
    expect(asked.best.byEye).toBeGreaterThanOrEqual(asked.early.byEye)
    expect(asked.best.byDrip).toBeGreaterThan(asked.best.byEye)
    // What is promised is about what happens: the belief narrows when the look is as expected.
    const lanes = lanesOf(inputWith(scented, []))
    const points = lanes.lanes.find(lane => lane.cup === asked.best.cup)!.points
    const at = points.reduce((a, b) =>
      Math.abs(b.min - asked.best.atMin) < Math.abs(a.min - asked.best.atMin) ? b : a,
    )
    const seen = { cup: asked.best.cup, atMin: at.min, level: at.level, by: 'drip' as const }
    const [wide, narrow] = [beliefOf(inputWith(scented, [])).sd, beliefOf(inputWith(scented, [seen])).sd]
    expect(1 - narrow / wide).toBeGreaterThan(0.5 * asked.best.byDrip)
  })
})
