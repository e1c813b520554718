import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { plainOil, starterPlan } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import { portionsOf } from '../portions/index.ts'
import { findById, referenceShelf } from '../shelf/index.ts'
import { auditOf, freeLyeOf, needsAnswer } from './index.ts'
import { said, say } from '../quantities/words/index.ts'

const shelf = referenceShelf()
const base = starterPlan('Trial')
const made = (oils: [string, number][], superfatShare: number, change: Partial<Plan> = {}): Plan => ({
  ...base,
  recipe: { ...base.recipe, superfatShare, oils: oils.map(([oil, share]) => plainOil(oil, share)) },
  ...change,
})
const bandOf = (plan: Plan) => portionsOf(plan, shelf).superfat

describe('free lye, by the band', () => {
  test.each([
    ['coconut', 0.02],
    ['coconut', 0.029],
    ['avocado', 0.03],
    ['shea', 0.05],
  ])('%s at %d may leave lye, and is cautioned against with what helps', (oil, superfat) => {
    const band = bandOf(made([[oil, 1]], superfat))
    expect(band.low).toBeLessThan(0)
    const told = freeLyeOf(band)
    expect(told.weight).toBe('warn')
    expect(said(told.sentence)).toContain(`the supplier’s certificate for ${findById(shelf.oils, oil)!.name}`)
    const enough = Number(/a superfat of ([\d.]+) %/.exec(say(told.sentence))![1]) / 100
    expect(bandOf(made([[oil, 1]], enough)).low).toBeGreaterThan(-0.0006)
  })

  test('a balanced recipe at 5 % has nothing to be said of it', () => {
    expect(said(freeLyeOf(bandOf(base)))).toEqual({ weight: 'none', sentence: '' })
  })

  test('the low end is what independent arithmetic makes of the oils’ lows and half a step of each scale', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 0.15, noNaN: true }),
        fc.constantFrom(0.1, 1, 5),
        fc.constantFrom(0.01, 0.1, 1),
        (superfat, scaleStepG, fineScaleStepG) => {
          const conditions = { ...base.conditions, scaleStepG, fineScaleStepG }
          const plan = made(
            base.recipe.oils.map(part => [part.oil, part.share]),
            superfat,
            { conditions },
          )
          const portions = portionsOf(plan, shelf)
          const per = (oil: string, key: 'sapKohMgPerG' | 'sapKohLowMgPerG') =>
            (findById(shelf.oils, oil)![key] * 39.997) / 56.106 / 1000
          const takes = (key: 'sapKohMgPerG' | 'sapKohLowMgPerG') =>
            portions.oils.reduce((sum, part) => sum + part.massG * per(part.oil, key), 0)
          const naoh = portions.lyeG * plan.recipe.lyePurityShare
          const value = 1 - naoh / takes('sapKohMgPerG')
          expect(portions.superfat.value).toBeCloseTo(value, 9)
          const oilPart = Math.sqrt(
            portions.oils.reduce((sum, part) => sum + ((scaleStepG / 2) * per(part.oil, 'sapKohMgPerG')) ** 2, 0),
          )
          const scale =
            ((1 - value) * oilPart + (fineScaleStepG / 2) * plan.recipe.lyePurityShare) / takes('sapKohMgPerG')
          expect(portions.superfat.low).toBeCloseTo(1 - naoh / takes('sapKohLowMgPerG') - scale, 9)
        },
      ),
    )
  })

  test('a coarse scale is named where it matters', () => {
    const tiny = { ...base.mould, innerLengthMm: 60, innerWidthMm: 40, fillMm: 25 }
    const conditions = { ...base.conditions, scaleStepG: 1, fineScaleStepG: 1 }
    expect(said(freeLyeOf(bandOf(made([['olive', 1]], 0.02, { mould: tiny, conditions }))).sentence)).toContain(
      'a finer scale',
    )
  })

  test('none at all, or less, is a stop that has to be answered, unless it is a trial', () => {
    for (const value of [0, 0.0004, -0.012]) {
      expect(
        freeLyeOf({ value, low: value - 0.03, high: value + 0.03, scaleShare: 0, widest: 'Olive oil' }).weight,
      ).toBe('stop')
      expect(needsAnswer({ isTrial: false, freeLye: null }, value)).toBe(true)
      expect(needsAnswer({ isTrial: true, freeLye: null }, value)).toBe(false)
      expect(needsAnswer({ isTrial: false, freeLye: { superfatShare: value } }, value)).toBe(false)
      expect(needsAnswer({ isTrial: false, freeLye: { superfatShare: value } }, value - 0.01)).toBe(true)
    }
    expect(needsAnswer({ isTrial: false, freeLye: null }, 0.02)).toBe(false)
  })

  test('a recipe from elsewhere is judged by the same rule, in the same words', () => {
    const audit = auditOf({ oils: [{ oil: 'shea', massG: 1000 }], lyeG: 121.5, lyePurityShare: 1, waterG: 300 }, shelf)!
    expect(said(audit.verdicts[0])).toMatchObject(said(freeLyeOf(audit.superfat, 'as it is written')) as object)
  })
})
