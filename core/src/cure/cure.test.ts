import { describe, expect, test } from 'vitest'
import { starterPlan } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import { barsOf, cureForecast, cutPlaces, expectedDrying, fittedDrying, leftAfter, readyDay } from './index.ts'

const plan = starterPlan('Cure')
const WATER = 0.2
const withCut = (change: Partial<Plan['cutting']>): Plan => ({ ...plan, cutting: { ...plan.cutting, ...change } })

describe('bars', () => {
  test('bars and what is left are all the soap in the mould', () => {
    for (const of of [plan, withCut({ barMm: 31 }), withCut({ rows: 2, trimMm: 12 })]) {
      const bars = barsOf(of)
      const { innerLengthMm, innerWidthMm, fillMm } = of.mould
      const whole = (innerLengthMm * innerWidthMm * fillMm * of.conditions.densityGPerMl) / 1000
      expect(bars.count * bars.massG + bars.restG).toBeCloseTo(whole, 6)
      expect(bars.count).toBe(cutPlaces(of).length * of.cutting.rows)
    }
  })

  test('a tray’s cavities are bars; a column gives rounds', () => {
    const tray = { ...plan, mould: { ...plan.mould, cavities: 12 } }
    expect(barsOf(tray)).toMatchObject({ count: 12, restG: 0 })
    expect(cutPlaces(tray)).toEqual([])
    const column: Plan = {
      ...plan,
      mould: { ...plan.mould, form: 'cylinder', innerLengthMm: 76, innerWidthMm: 76, innerHeightMm: 300, fillMm: 250 },
    }
    const bars = barsOf(column)
    expect(bars.massG).toBeCloseTo(((Math.PI / 4) * 76 * 76 * 25 * column.conditions.densityGPerMl) / 1000, 6)
    expect(bars.count).toBeGreaterThan(5)
  })
})

describe('drying', () => {
  const bars = barsOf(plan)
  test('a bar only loses, ever slower, and never more than its water', () => {
    const drying = expectedDrying(bars, WATER, 21)
    const days = Array.from({ length: 60 }, (_, i) => 3 * i)
    const left = days.map(day => leftAfter(drying, day))
    expect(left[0]).toBe(1)
    for (let i = 2; i < left.length; i += 1) {
      expect(left[i]!).toBeLessThan(left[i - 1]!)
      expect(left[i - 1]! - left[i]!).toBeLessThan(left[i - 2]! - left[i - 1]! + 1e-12)
    }
    expect(left.at(-1)!).toBeGreaterThan(1 - WATER)
  })

  test('more water loses more; thicker bars and cooler rooms take longer; nothing is ready before four weeks', () => {
    const thick = barsOf(withCut({ barMm: 50 }))
    expect(expectedDrying(bars, 0.25, 21).loss).toBeGreaterThan(expectedDrying(bars, WATER, 21).loss)
    expect(expectedDrying(thick, WATER, 21).tauDays).toBeGreaterThan(expectedDrying(bars, WATER, 21).tauDays)
    expect(expectedDrying(bars, WATER, 15).tauDays).toBeGreaterThan(expectedDrying(bars, WATER, 21).tauDays)
    const days = [0.12, WATER, 0.3].map(water => readyDay(expectedDrying(bars, water, 21)))
    expect(days).toEqual([...days].sort((a, b) => a - b))
    expect(days[0]).toBeGreaterThanOrEqual(28)
    expect(days[1]).toBeLessThan(70)
  })

  test('weigh-ins bend the curve towards themselves; those that are as expected leave it', () => {
    const expected = expectedDrying(bars, WATER, 21)
    const truth = { loss: expected.loss * 1.25, tauDays: expected.tauDays * 1.3 }
    const weighed = [7, 14, 28].map(day => ({ day, massG: bars.massG * leftAfter(truth, day) }))
    const fitted = fittedDrying(expected, bars.massG, weighed)
    expect(Math.abs(leftAfter(fitted, 42) - leftAfter(truth, 42))).toBeLessThan(
      0.4 * Math.abs(leftAfter(expected, 42) - leftAfter(truth, 42)),
    )
    const same = [7, 14].map(day => ({ day, massG: bars.massG * leftAfter(expected, day) }))
    expect(fittedDrying(expected, bars.massG, same)).toEqual(expected)
  })

  test('the forecast holds together', () => {
    const cure = cureForecast(plan, WATER)
    expect(cure.curve[0]!.massG).toBeCloseTo(cure.bars.massG, 9)
    expect(cure.curedG).toBeLessThan(cure.bars.massG)
    expect(cure.yieldShare).toBeGreaterThan(0.7)
    expect(cure.yieldShare).toBeLessThanOrEqual(1)
    const slow = { ...plan, rest: { ...plan.rest, weighIns: [{ day: 21, massG: cure.bars.massG * 0.99 }] } }
    expect(cureForecast(slow, WATER).curedG).toBeGreaterThan(cure.curedG)
  })
})
