import { describe, expect, test } from 'vitest'
import { starterPlan } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import { newCupColorant } from '../cups/index.ts'
import { referenceShelf } from '../shelf/index.ts'
import {
  bladeAdvice,
  cureForecast,
  cutForecast,
  expectedDrying,
  fittedDrying,
  leftAfter,
  readyDay,
  thicknessFor,
} from './index.ts'

const barsOf = (of: Plan) => cutForecast(of).bars

const plan = starterPlan('Cure')
const WATER = 0.2
const withCut = (change: Partial<Plan['cutting']>): Plan => ({ ...plan, cutting: { ...plan.cutting, ...change } })

describe('bars', () => {
  const mould = (change: Partial<Plan['mould']>): Plan => ({ ...plan, mould: { ...plan.mould, ...change } })
  const column = mould({ form: 'cylinder', innerLengthMm: 76, innerWidthMm: 76, innerHeightMm: 300, fillMm: 250 })
  const round = mould({ form: 'cylinder', innerLengthMm: 200, innerWidthMm: 200, innerHeightMm: 60, fillMm: 45 })
  const planed = {
    ...withCut({ trimMm: 20 }),
    rest: { ...plan.rest, cut: { waitH: 6, sideTrimMm: 3, topTrimMm: 4, sampleMm: 6 } },
  }

  test.each([
    ['a loaf', plan],
    ['thicker bars', withCut({ barMm: 31 })],
    ['a slab in rows', withCut({ rows: 2, trimMm: 12, kerfMm: 1.5 })],
    ['planed, with samples', planed],
    ['a column', column],
    ['a round slab', round],
    ['bars longer than the loaf', withCut({ barMm: 200, trimMm: 100 })],
  ])('%s: every part of the cut adds up to the soap in the mould, and none is less than nothing', (_, of) => {
    const { parts, wholeG, bars } = cutForecast(of)
    for (const g of Object.values(parts)) expect(g).toBeGreaterThanOrEqual(-1e-6)
    expect(Object.values(parts).reduce((sum, g) => sum + g, 0)).toBeCloseTo(wholeG, 6)
    expect(bars.count * bars.massG + bars.restG).toBeCloseTo(wholeG, 6)
  })

  test('a tray’s cavities are bars; a column gives rounds; bars of a round slab differ', () => {
    expect(barsOf(mould({ cavities: 12 }))).toMatchObject({ count: 12, restG: 0 })
    expect(barsOf(column).massG).toBeCloseTo(((Math.PI / 4) * 76 * 76 * 25 * plan.conditions.densityGPerMl) / 1000, 6)
    expect(barsOf(column).count).toBeGreaterThan(5)
    expect(barsOf(round).mostG).toBeGreaterThan(1.3 * barsOf(round).leastG)
  })

  test('planing makes bars lighter, samples come out of what is trimmed, and the steps say so', () => {
    const { bars, samples, steps } = cutForecast(planed)
    expect(bars.massG).toBeLessThan(barsOf(withCut({ trimMm: 20 })).massG)
    expect(bars.count).toBe(barsOf(withCut({ trimMm: 20 })).count)
    expect(samples.slices).toBe(6 + Math.floor(((plan.mould.innerLengthMm - 40 + 0.5) % 25.5) / 6.5))
    expect(steps.join(' ')).toMatch(/6 h.*4 mm off the top.*3 mm off both.*samples of 6 mm/)
  })

  test('a weight is as good as a thickness', () => {
    const thick = thicknessFor(plan, 120)!
    expect(barsOf(withCut({ barMm: thick })).massG).toBeCloseTo(120, 9)
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

describe('the blade', () => {
  const shelf = referenceShelf()
  const white = shelf.colorants.find(one => one.spectrum === 'titanium')!
  const withWhite = (count: number): Plan => ({
    ...plan,
    cups: plan.cups.map((cup, i) => ({ ...cup, colorants: i < count ? [newCupColorant(white)] : [] })),
  })

  test('is wiped after every cut where white lies beside a colour, seldom else, never for one colour', () => {
    expect(bladeAdvice(withWhite(1), shelf)).toMatch(/after every cut/)
    expect(bladeAdvice(withWhite(0), shelf)).toMatch(/every few cuts/)
    const one = { ...plan, score: plan.score.map(pour => ({ ...pour, cup: plan.cups[0]!.id })) }
    expect(bladeAdvice(one, shelf)).toMatch(/need not be wiped/)
  })

  test('white in a cup that is not poured does not count', () => {
    const poured = plan.score.filter(pour => pour.cup !== plan.cups[0]!.id)
    expect(bladeAdvice({ ...withWhite(1), score: poured }, shelf)).not.toMatch(/after every cut/)
  })
})
