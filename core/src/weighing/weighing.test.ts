import { describe, expect, test } from 'vitest'
import fc from 'fast-check'
import { cutForecast, sizedToBars } from '../mould/cure/index.ts'
import { plainOil, plannedScent, starterPlan } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import { portionsOf, resized } from '../portions/index.ts'
import { referenceShelf } from '../shelf/index.ts'
import { actualOf, offWeight, weighList } from './index.ts'
import { said, say } from '../quantities/words/index.ts'

const shelf = referenceShelf()
const base: Plan = {
  ...starterPlan('Trial'),
  recipe: {
    ...starterPlan('').recipe,
    liquids: [{ liquid: 'goat-milk', shareOfWater: 0.5, measure: 'water', moment: 'lye', countFat: true }],
    additives: [{ additive: 'citric-acid-anhydrous', gPerKgOils: 10, moment: 'lye', addLye: true }],
  },
  scent: plannedScent([{ scent: 'eo-lavender', share: 1 }], 0.02, { moment: 'pot' }),
}
const listOf = (plan: Plan) => weighList(plan, portionsOf(plan, shelf), shelf)
const line = (plan: Plan, key: string) => listOf(plan).find(one => one.key === key)!
const off = (plan: Plan, key: string, actualG: number) =>
  offWeight(plan, portionsOf(plan, shelf), shelf, line(plan, key), actualG)

describe('the weigh list', () => {
  test('goes from lye water over lye and oils to scent and colours, hard fats before liquid oils', () => {
    const groups = [...new Set(listOf(base).map(one => one.group))]
    expect(groups).toEqual(['lye-water', 'lye', 'oils', 'scent', 'colours'])
    const oils = listOf(base).filter(one => one.group === 'oils')
    expect(
      oils
        .map(one => one.key)
        .slice(0, 2)
        .sort(),
    ).toEqual(['oil:coconut', 'oil:palm'])
  })

  test('everything in the pot is on it, to the gram', () => {
    const sum = listOf(base)
      .filter(one => one.group !== 'scent' && one.group !== 'colours')
      .reduce((total, one) => total + one.massG, 0)
    expect(sum).toBeCloseTo(portionsOf(base, shelf).potG, 4)
  })

  test('lye and scent are never rounded up, whatever the scale', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(0.01, 0.1, 0.5, 1, 2, 5),
        fc.double({ min: 20, max: 66, noNaN: true }),
        fc.double({ min: 0, max: 0.2, noNaN: true }),
        (stepG, fillMm, superfatShare) => {
          const plan = {
            ...base,
            recipe: { ...base.recipe, superfatShare },
            mould: { ...base.mould, fillMm },
            conditions: { ...base.conditions, fineScaleStepG: stepG, scaleStepG: stepG },
          }
          const portions = portionsOf(plan, shelf)
          for (const one of weighList(plan, portions, shelf))
            if (one.group === 'lye' || one.group === 'scent') expect(one.massG).toBeLessThanOrEqual(one.exactG + 1e-6)
          expect(portions.superfatShare).toBeGreaterThanOrEqual(superfatShare - 1e-3)
        },
      ),
    )
  })

  test('a scale too coarse for lye is said, with one that would do', () => {
    const small = { ...base, mould: { ...base.mould, innerLengthMm: 60, innerWidthMm: 50, fillMm: 20 } }
    const plan = { ...small, conditions: { ...base.conditions, fineScaleStepG: 1 } }
    expect(said(line(plan, 'lye'))).toMatchObject({ scale: 'stop' })
    expect(said(line(plan, 'lye').scaleSentence)).toMatch(/too coarse\. Take a scale of 0\.\d+ g/)
    expect(line(base, 'lye').scale).toBe('fine')
  })

  test('oil kept back has a cup of its own', () => {
    const plan = {
      ...base,
      recipe: { ...base.recipe, oils: [plainOil('olive', 0.9), { ...plainOil('shea', 0.1), late: true }] },
    }
    expect(said(line(plan, 'oil:shea'))).toMatchObject({ group: 'late' })
  })
})

describe('weights that are off', () => {
  test('with all lines as written the batch is as planned', () => {
    const portions = portionsOf(base, shelf)
    const all = Object.fromEntries(weighList(base, portions, shelf).map(one => [one.key, one.massG]))
    const actual = actualOf(base, portions, shelf, all)
    expect(actual.leanest.superfatShare).toBeCloseTo(portions.superfatShare, 4)
    expect(actual.leanest.superfatShare).toBeCloseTo(actualOf(base, portions, shelf).leanest.superfatShare, 9)
  })

  test('more oil raises the superfat, more lye lowers it', () => {
    const portions = portionsOf(base, shelf)
    const planned = actualOf(base, portions, shelf).leanest.superfatShare
    const at = (key: string, by: number) =>
      actualOf(base, portions, shelf, { [key]: line(base, key).massG + by }).leanest.superfatShare
    expect(at('oil:olive', 20)).toBeGreaterThan(planned)
    expect(at('lye', 2)).toBeLessThan(planned)
    expect(at('water', 30)).toBeCloseTo(planned, 9)
  })

  test('a gram of oil too many is accepted, forty are not; lye too much is never advised below zero', () => {
    expect(off(base, 'oil:olive', line(base, 'oil:olive').massG)).toBeNull()
    expect(off(base, 'oil:olive', line(base, 'oil:olive').massG + 2)!.verdict).toBe('fine')
    const much = off(base, 'oil:olive', line(base, 'oil:olive').massG + 40)!
    expect(much.verdict).toBe('care')
    expect(said(much.wayOut)).toMatch(/only if it lies on top/)
    const lye = off(base, 'lye', line(base, 'lye').massG + 8)!
    expect(lye.verdict).toBe('stop')
    expect(said(lye.sentence)).toMatch(/Free lye/)
    expect(lye.canTakeOut).toBe(true)
  })

  test('rescaled to what was weighed, that line is right again and the superfat as before', () => {
    const portions = portionsOf(base, shelf)
    const own = line(base, 'oil:olive')
    const size = resized(base, shelf, { by: 'ingredient', needG: own.exactG, haveG: own.massG * 1.05 })
    if (!size.ok) throw new Error(say(size.sentence))
    const plan = { ...base, mould: { ...base.mould, fillMm: size.fillMm } }
    expect(Math.abs(line(plan, 'oil:olive').massG - own.massG * 1.05)).toBeLessThanOrEqual(1)
    expect(portionsOf(plan, shelf).superfatShare).toBeCloseTo(portions.superfatShare, 2)
  })
})

describe('resizing', () => {
  test('scaling scales every mass', () => {
    const fine = { ...base, conditions: { ...base.conditions, scaleStepG: 0.01, fineScaleStepG: 0.01 } }
    fc.assert(
      fc.property(fc.double({ min: 200, max: 800, noNaN: true }), massG => {
        const size = resized(fine, shelf, { by: 'oils', massG })
        if (!size.ok) throw new Error(say(size.sentence))
        const before = portionsOf(fine, shelf)
        const after = portionsOf({ ...fine, mould: { ...fine.mould, fillMm: size.fillMm } }, shelf)
        const factor = after.oilG / before.oilG
        expect(after.oilG).toBeCloseTo(massG, 0)
        expect(after.lyeG / before.lyeG).toBeCloseTo(factor, 2)
        expect(after.waterG / before.waterG).toBeCloseTo(factor, 2)
        expect(after.liquids[0]!.massG / before.liquids[0]!.massG).toBeCloseTo(factor, 2)
        expect(after.additives[0]!.massG / before.additives[0]!.massG).toBeCloseTo(factor, 1)
      }),
    )
  })

  test('six bars of 100 g are six bars of 100 g when they are cut, whatever is trimmed, planed and cut away', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 3, max: 9 }),
        fc.double({ min: 70, max: 110, noNaN: true }),
        fc.double({ min: 0, max: 12, noNaN: true }),
        (count, eachG, trimMm) => {
          const plan = {
            ...base,
            cutting: { ...base.cutting, trimMm, kerfMm: 1 },
            rest: { ...base.rest, cut: { ...base.rest.cut, sideTrimMm: 1, topTrimMm: 2 } },
          }
          const size = sizedToBars(plan, count, eachG)
          if (!size.ok) return expect(said(size.sentence)).toMatch(/at most|too low/)
          const cut = cutForecast({
            ...plan,
            mould: { ...plan.mould, fillMm: size.fillMm },
            cutting: { ...plan.cutting, barMm: size.barMm },
          })
          expect(cut.bars.count).toBe(count)
          expect(cut.bars.massG).toBeCloseTo(eachG, 1)
        },
      ),
    )
    expect(sizedToBars({ ...base, mould: { ...base.mould, cavities: 8 } }, 6, 100)).toMatchObject({ ok: false })
  })

  test('what does not fit names a mould that holds it; nothing is refused in a sentence', () => {
    const large = resized(base, shelf, { by: 'batter', massG: 1500 })
    expect(large).toMatchObject({ ok: false })
    expect(said(!large.ok && large.sentence)).toMatch(/too much\. “.+” would hold it/)
    expect(resized(base, shelf, { by: 'oils', massG: 0 })).toMatchObject({ ok: false })
    expect(resized(base, shelf, { by: 'oils', massG: 20 })).toMatchObject({ ok: false })
  })
})
