import { describe, expect, test } from 'vitest'
import { plannedScent, starterPlan } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import { portionsOf } from '../portions/index.ts'
import { limitOfOils, unitBatter } from '../recipe/index.ts'
import { findById, referenceShelf } from '../shelf/index.ts'
import { actualOf, offWeight, plannedFreeLye, stockNeeds, weighList } from './index.ts'
import { said, say } from '../quantities/words/index.ts'

const shelf = referenceShelf()
const base = starterPlan('Trial')
const scented = (scents: [string, number][], load: number, change: Partial<Plan['scent'] & object> = {}): Plan => ({
  ...base,
  scent: plannedScent(
    scents.map(([scent, share]) => ({ scent, share })),
    load,
    { moment: 'pot', ...change },
  ),
})
const linesOf = (plan: Plan) => weighList(plan, portionsOf(plan, shelf), shelf)
const line = (plan: Plan, key: string) => linesOf(plan).find(one => one.key === key)!
const off = (plan: Plan, key: string, massG: number) =>
  offWeight(plan, portionsOf(plan, shelf), shelf, line(plan, key), massG)!

describe('a weight is judged by what its line can do', () => {
  test('water that leaves less of it than lye is a stop, though the superfat is untouched', () => {
    const found = off(base, 'water', 85)
    expect(found.verdict).toBe('stop')
    expect(said(found.sentence)).toMatch(/lye at 5\d.* cannot dissolve/)
    expect(off(base, 'water', line(base, 'water').massG + 4).verdict).toBe('fine')
    expect(said(off(base, 'water', 160))).toMatchObject({ verdict: 'care' })
  })

  test('a scent above its cap is a stop and is never rescaled to; clove at 2 % is far above', () => {
    const clove = scented([['eo-clove-bud', 1]], 0.003)
    const oilG = portionsOf(clove, shelf).oilG
    const found = off(clove, 'scent:eo-clove-bud', oilG * 0.02)
    expect(found.verdict).toBe('stop')
    expect(said(found.sentence)).toMatch(/above the limit/)
    expect(found.rescale).toBeNull()
    const lavender = scented([['tin-roof-rain', 1]], 0.02)
    expect(off(lavender, 'scent:tin-roof-rain', portionsOf(lavender, shelf).oilG * 0.068).verdict).toBe('stop')
  })

  test('the cap of a line is the limit of its part in the oils that get it', () => {
    const plan = scented(
      [
        ['eo-lavender', 0.8],
        ['eo-clove-bud', 0.2],
      ],
      0.015,
    )
    const { oilG } = portionsOf(plan, shelf)
    const most = line(plan, 'scent:eo-clove-bud').most!
    const limit = findById(shelf.scents, 'eo-clove-bud')!.limitShare
    expect(most.isCap).toBe(true)
    expect(most.massG).toBeLessThanOrEqual(oilG * limit * 1.3)
  })

  test('a part at its limit says so, and rounding up says so too', () => {
    const clove = findById(shelf.scents, 'eo-clove-bud')!
    const limit = limitOfOils(clove, unitBatter(base.recipe, shelf).batterG)
    const plan = scented([['eo-clove-bud', 1]], limit)
    expect(said(line(plan, 'scent:eo-clove-bud').rounding)).toMatch(/at its limit of .* not a drop more/)
    const blend = scented(
      [
        ['eo-lavender', 1],
        ['eo-clove-bud', 0.1],
        ['eo-litsea', 0.1],
      ],
      0.02,
    )
    const up = linesOf(blend).filter(one => one.kind === 'scent' && one.massG > one.exactG + 1e-9)
    for (const one of up) expect(said(one.rounding)).toMatch(/what the other parts lost by rounding/)
  })

  test('four times a colour is no small matter, and can be kept as the dose up to its usual most', () => {
    const key = 'colour:cup-1:charcoal'
    const planned = line(base, key)
    expect(off(base, key, planned.massG * 4).verdict).toBe('care')
    const found = off(base, key, planned.massG * 2)
    expect(found.dose!.doseGPerKg / base.cups[0]!.colorants[0]!.doseGPerKg).toBeCloseTo(
      (planned.massG * 2) / planned.exactG,
      2,
    )
  })

  test('too much lye is a stop as soon as it is weighed', () => {
    const weighed = { lye: line(base, 'lye').massG + 9 }
    expect(actualOf(base, portionsOf(base, shelf), shelf).freeLye.weight).not.toBe('stop')
    expect(actualOf(base, portionsOf(base, shelf), shelf, weighed).freeLye.weight).toBe('stop')
  })

  test('two superfats are never told as the same', () => {
    const told = off(base, 'oil:castor', line(base, 'oil:castor').massG + 1).sentence
    const [, now, before] = /superfat ([\d.]+ %) instead of ([\d.]+ %)/.exec(say(told))!
    expect(now).not.toBe(before)
  })
})

describe('what is weighed beside the pot', () => {
  const rich: Plan = {
    ...base,
    score: base.score.map((pour, i) => (i === 1 ? { ...pour, shape: { ...pour.shape, pencil: 'charcoal' } } : pour)),
    finish: {
      ...base.finish,
      toppings: [
        {
          id: 't-1',
          name: 'Petals',
          kind: 'petals',
          hex: '#a8496a',
          sizeMm: 9,
          perBar: 2,
          onGrid: true,
          massG: 2,
          side: 'all',
          clearMm: 2,
          jitter: false,
        },
      ],
    },
    division: { ...base.division, mediumOil: 'olive' },
  }

  test('lines of powder and toppings are on the list, with a mask', () => {
    expect(said(line(rich, 'line:pour-2:charcoal').where)).toMatch(/mask on/)
    expect(line(rich, 'topping:t-1').massG).toBe(2)
  })

  test('shopping counts lye, dispersing oil and powder lines with what they are taken from', () => {
    const needs = stockNeeds(rich, shelf, portionsOf(rich, shelf))
    const need = (id: string) => needs.find(one => one.id === id)!.needG
    const p = portionsOf(rich, shelf)
    expect(need('lye')).toBe(p.lyeG)
    expect(need('olive')).toBeCloseTo(p.oils.find(part => part.oil === 'olive')!.massG + p.cups[0]!.mediumG, 6)
    expect(need('charcoal')).toBeGreaterThan(p.cups[0]!.colours[0]!.powderG)
    expect(needs.some(one => one.id === 'topping-t-1')).toBe(true)
  })

  test('planned at no superfat is a stop whatever rounding leaves', () => {
    const none = { ...base, recipe: { ...base.recipe, superfatShare: 0 } }
    expect(plannedFreeLye(none, portionsOf(none, shelf), shelf).weight).toBe('stop')
  })

  test('scent in the pot is weighed for what clings to it too', () => {
    const grams = (moment: 'pot' | 'with-colour') => {
      const plan = { ...scented([['tin-roof-rain', 1]], 0.03, { moment }), pot: { clingG: 40 } }
      return portionsOf(plan, shelf).scentG
    }
    expect(grams('pot') - grams('with-colour')).toBeGreaterThan(0.5)
  })
})
