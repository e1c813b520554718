import { describe, expect, test } from 'vitest'
import fc from 'fast-check'
import { starterPlan } from '../../plan/index.ts'
import type { Heat, Plan } from '../../plan/index.ts'
import { portionsOf } from '../../portions/index.ts'
import { referenceShelf } from '../../shelf/index.ts'
import { clockMinutes, heatPlan, heatWorkings } from './index.ts'
import { said } from '../../quantities/words/index.ts'

const shelf = referenceShelf()
const base = starterPlan('Trial')
const planWith = (heat: Partial<Heat>, conditions: Partial<Plan['conditions']> = {}): Plan => ({
  ...base,
  heat: { ...base.heat, ...heat },
  conditions: { ...base.conditions, ...conditions },
})
const of = (plan: Plan) => heatPlan(plan, shelf, portionsOf(plan, shelf))
const made = (heat: Partial<Heat>, conditions: Partial<Plan['conditions']> = {}) => of(planWith(heat, conditions))

describe('the heat plan', () => {
  test('whatever the lye’s temperature, lye and oils make the mix that was planned', () => {
    fc.assert(
      fc.property(fc.integer({ min: 22, max: 50 }), fc.integer({ min: 10, max: 80 }), (mixC, lyeC) => {
        expect(made({ lyeC, rule: 'mix' }, { mixC }).mixC).toBeCloseTo(mixC, 6)
      }),
      { numRuns: 15 },
    )
  })

  test('without a temperature of its own the lye is as warm as the oils', () => {
    const { lyeC, oilsC } = made({})
    expect(lyeC).toBeCloseTo(oilsC, 1)
  })

  test('a bath is quicker than air, an ice bath quicker than a bath, for lye and oils', () => {
    const { lye, oils } = made({})
    for (const { ways } of [lye, oils]) {
      expect(ways.bath!.min).toBeLessThan(ways.air!.min)
      expect(ways['ice-bath']!.min).toBeLessThanOrEqual(ways.bath!.min)
      expect(ways.air!.low).toBeLessThan(ways.air!.min)
      expect(ways.air!.high).toBeGreaterThan(ways.air!.min)
    }
  })

  test('ice lowers the peak, cold water a little', () => {
    const peak = (heat: Partial<Heat>) => made(heat).peak.peakC
    expect(peak({ waterC: 5 })).toBeLessThan(peak({ waterC: 20 }))
    expect(peak({ iceShare: 0.5 })).toBeLessThan(peak({ waterC: 5 }) - 20)
  })

  test('a cold room that the lye never reaches by air has no start time', () => {
    const warm = made({ lyeC: 20, rule: 'mix' }, { roomC: 30 })
    expect(warm.lye.startsMin).toBeNull()
    expect(warm.lye.cooling).toBeNull()
    expect(warm.lye.ways['ice-bath']).not.toBeNull()
  })

  test.each<[string, Partial<Heat>, Partial<Plan['conditions']>, boolean, RegExp]>([
    ['within the gap', { rule: 'gap', gapK: 6 }, {}, true, /within 6 °C/],
    ['out of the gap', { rule: 'gap', gapK: 2, lyeC: 36 }, {}, false, /more than your 2 °C/],
    ['in the band', { rule: 'band', bandLowC: 25, bandHighC: 40 }, {}, true, /are within 25 °C to 40 °C/],
    ['out of the band', { rule: 'band', bandLowC: 35, bandHighC: 40 }, {}, false, /the lye \(30\.5 °C\) and the oils/],
    ['only the mix', { rule: 'mix', lyeC: 36 }, {}, true, /the mix you plan with/],
    ['lye warmer than it gets', { rule: 'mix', lyeC: 60, iceShare: 0.8 }, { mixC: 40 }, false, /only reaches/],
    ['oils warmer than melted', { rule: 'mix', lyeC: 20, meltC: 40 }, { mixC: 40 }, false, /are melted to 40 °C/],
    ['oils colder than the room', { rule: 'mix', lyeC: 60 }, {}, false, /cool them in a bath/],
    ['hot lye on the fats', { rule: 'transfer' }, {}, true, /melts the hard fats/],
  ])('%s: verdict', (_, heat, conditions, isGood, sentence) => {
    const { verdict } = made(heat, conditions)
    expect(said(verdict.sentence)).toMatch(sentence)
    expect(verdict.isGood).toBe(isGood)
  })

  test('fats that would set at the mix are warned of', () => {
    expect(made({}, { mixC: 24 }).setting).toMatchObject({ isSafe: false })
    expect(said(made({}, { mixC: 24 }).setting.sentence)).toMatch(/Mix at 2\d °C or warmer/)
    expect(made({}).setting.isSafe).toBe(true)
  })

  test('two readings that cool faster than expected bring the target nearer', () => {
    const slow = made({ lyeCooling: 'air' }).lye
    const readings = [
      { body: 'lye' as const, atS: 0, tempC: 80 },
      { body: 'lye' as const, atS: 900, tempC: 55 },
    ]
    const plan = planWith({ lyeCooling: 'air' })
    const fast = heatPlan(plan, shelf, portionsOf(plan, shelf), readings).lye
    expect(fast.fit.lnKappa).toBeGreaterThan(0.2)
    expect(fast.ways.air!.min).toBeLessThan(slow.ways.air!.min)
    expect(fast.fromReading!.readyMin!.min).toBeLessThan(slow.ways.air!.min)
  })

  test('lye in a bath beside slow oils may wait in the air first', () => {
    const { moveToBathMin, oils } = made({ lyeCooling: 'bath', oilsCooling: 'air' })
    expect(moveToBathMin).toBeGreaterThan(0)
    expect(moveToBathMin).toBeLessThan(oils.cooling!.min)
    expect(made({ lyeCooling: 'air' }).moveToBathMin).toBeNull()
  })

  test('oil kept back does not warm the mix', () => {
    const oils = base.recipe.oils.map((part, i) => ({ ...part, late: i === 0 }))
    const plan = { ...planWith({ lyeC: 45, rule: 'mix' }), recipe: { ...base.recipe, oils } }
    expect(of(plan).oilsC).toBeLessThan(made({ lyeC: 45, rule: 'mix' }).oilsC)
  })

  test('curves begin at the water’s temperature and end near the target', () => {
    const { lye } = made({})
    expect(lye.curve[0]!.c).toBeCloseTo(20, 0)
    const at = lye.curve.reduce((best, point) =>
      Math.abs(point.min - lye.startsMin!) < Math.abs(best.min - lye.startsMin!) ? point : best,
    )
    expect(Math.abs(at.c - lye.targetC)).toBeLessThan(1)
  })

  test('the workings carry the numbers that they explain', () => {
    const plan = planWith({ lyeCooling: 'bath' })
    const heat = of(plan)
    const workings = heatWorkings(plan, heat)
    expect(workings.lye.value).toBe(heat.lye.startsMin)
    expect(workings.peak.value).toBe(heat.peak.peakC)
    expect(workings.mix.inputs.find(input => input.name === 'lye solution')!.value).toBeCloseTo(heat.lye.massG, 6)
    expect(said(workings.lye.formula)).toMatch(/cool bath/)
  })

  test('clock times are minutes of the day', () => {
    expect(clockMinutes('00:00')).toBe(0)
    expect(clockMinutes('14:05')).toBe(845)
  })
})
