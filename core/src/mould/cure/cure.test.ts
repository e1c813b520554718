import { describe, expect, test } from 'vitest'
import { starterPlan } from '../../plan/index.ts'
import type { Plan, Rack, WeighIn } from '../../plan/index.ts'
import { doubtOf } from './doubts.ts'
import { dryDay } from './drying.ts'
import { newCupColorant } from '../../look/cups/index.ts'
import { referenceShelf } from '../../shelf/index.ts'
import { bladeAdvice, cureForecast, cutForecast, expectedDrying, leftAfter, readyDay, thicknessFor } from './index.ts'
import { said, say } from '../../quantities/words/index.ts'

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
    expect(steps.map(one => say(one)).join(' ')).toMatch(/6 h.*4 mm off the top.*3 mm off both.*samples of 6 mm/)
  })

  test('a weight is as good as a thickness', () => {
    const thick = thicknessFor(plan, 120)!
    expect(barsOf(withCut({ barMm: thick })).massG).toBeCloseTo(120, 9)
  })
})

const RACK: Rack = { tempC: 21, humidity: 0.5, air: 'still' }
const SIZE = { lengthMm: 80, widthMm: 60, heightMm: 25 }
const near = (value: number, wanted: number, by: number) => expect(Math.abs(value - wanted)).toBeLessThan(by)

describe('drying', () => {
  test('a bar only loses, ever slower, and never more than its water', () => {
    const drying = expectedDrying(SIZE, WATER, RACK)
    const days = Array.from({ length: 60 }, (_, i) => 3 * i)
    const left = days.map(day => leftAfter(drying, day))
    expect(left[0]).toBe(1)
    for (let i = 2; i < left.length; i += 1) {
      expect(left[i]!).toBeLessThan(left[i - 1]!)
      expect(left[i - 1]! - left[i]!).toBeLessThan(left[i - 2]! - left[i - 1]! + 1e-12)
    }
    expect(left.at(-1)!).toBeGreaterThan(1 - WATER)
  })

  test('an ordinary bar, number by number', () => {
    const drying = expectedDrying(SIZE, 0.206, RACK)
    near(drying.loss, 0.137, 0.001)
    near(drying.tauDays, 22.9, 0.1)
    near(1 - leftAfter(drying, 7), 0.046, 0.001)
    near(1 - leftAfter(drying, 42), 0.109, 0.001)
    expect(readyDay(drying)).toBe(46)
    near(dryDay(drying), 70, 1)
    near(1 - leftAfter(expectedDrying(SIZE, 0.249, RACK), 56), 0.158, 0.001)
  })

  test('thicker, damper, cooler and boxed bars take longer; damp air leaves them more', () => {
    const usual = expectedDrying(SIZE, 0.206, RACK)
    near(expectedDrying({ ...SIZE, heightMm: 50 }, 0.206, RACK).tauDays / usual.tauDays, 1.56, 0.02)
    const damp = expectedDrying(SIZE, 0.206, { ...RACK, humidity: 0.7 })
    near(damp.loss, 0.108, 0.001)
    near(damp.tauDays, 29.6, 0.1)
    near(1 - leftAfter(damp, 42), 0.078, 0.001)
    for (const change of [{ tempC: 15 }, { air: 'boxed' as const }, { humidity: 0.6 }])
      expect(expectedDrying(SIZE, 0.206, { ...RACK, ...change }).tauDays).toBeGreaterThan(usual.tauDays)
    expect(expectedDrying(SIZE, 0.206, { ...RACK, air: 'moving' }).tauDays).toBeLessThan(usual.tauDays)
  })
})

describe('weigh-ins', () => {
  const bars = barsOf(plan)
  const weighIn = (day: number, massG: number, change: Partial<WeighIn> = {}): WeighIn => ({
    ...{ day, massG, bar: '', count: 1, doubt: 'ask' },
    ...change,
  })
  const cured = (...weighIns: WeighIn[]) => cureForecast({ ...plan, rest: { ...plan.rest, weighIns } }, WATER)
  const plainly = cured()

  test('heavier bars on the day of the cut move the fresh weight and not the day on which they are ready', () => {
    const heavy = cured(weighIn(0, 1.08 * bars.massG))
    near(heavy.freshG / bars.massG, 1.057, 0.004)
    expect(heavy.readyDay).toBe(plainly.readyDay)
    const later = cured(...[0, 7, 14].map(day => weighIn(day, 1.08 * bars.massG * leftAfter(plainly.drying, day))))
    near(later.readyDay, plainly.readyDay, 4)
  })

  test('bend the curve towards themselves, and narrow what is said', () => {
    const { drying } = plainly
    const truth = { loss: drying.loss * 1.25, tauDays: drying.tauDays * 1.3 }
    const told = cured(...[0, 7, 14, 28].map(day => weighIn(day, bars.massG * leftAfter(truth, day))))
    const off = (day: number, of: typeof truth) => Math.abs(leftAfter(of, day) - leftAfter(truth, day))
    expect(off(42, told.drying)).toBeLessThan(0.4 * off(42, drying))
    expect(told.dryRange[1] - told.dryRange[0]).toBeLessThan(plainly.dryRange[1] - plainly.dryRange[0])
    expect(told.curedRange[1] - told.curedRange[0]).toBeLessThan(plainly.curedRange[1] - plainly.curedRange[0])
    expect(plainly.readyRange[0]).toBeLessThanOrEqual(plainly.readyDay)
    expect(plainly.readyRange[1]).toBeGreaterThanOrEqual(plainly.readyDay)
  })

  test.each([
    [1159, /ten times too much/, 115.9],
    [11.6, /ten times too little/, 116],
    [4.09, /ounces/, 115.95],
    [500, /another bar/, null],
  ])('%f g of a bar of 115.9 g is asked about', (massG, question, offerG) => {
    const doubt = doubtOf(massG, 115.9, null)!
    expect(said(doubt.question)).toMatch(question)
    if (offerG === null) expect(doubt.offerG).toBeNull()
    else near(doubt.offerG!, offerG, 0.1)
  })

  test('a bar that gains is asked about; as said, a doubtful weight counts less, or not at all', () => {
    expect(said(doubtOf(119, 115, 116)!.question)).toMatch(/heavier/)
    expect(doubtOf(116.5, 115, 116)).toBeNull()
    const strange = 0.6 * bars.massG
    const asked = cured(weighIn(14, strange))
    expect(asked.doubts).toHaveLength(1)
    expect(asked.freshG).toBe(plainly.freshG)
    expect(cured(weighIn(14, strange, { doubt: 'leave-out' })).doubts).toHaveLength(0)
    const insisted = cured(weighIn(14, strange, { doubt: 'it-is-so' }))
    expect(insisted.doubts).toHaveLength(0)
    expect(insisted.freshG).toBeLessThan(plainly.freshG)
  })

  test('six bars together stand for their mean; a day to come is asked about', () => {
    const six = cured(weighIn(0, 6 * 1.03 * bars.massG, { count: 6 }))
    expect(six.doubts).toHaveLength(0)
    near(six.freshG / bars.massG, 1.026, 0.006)
    const early = { ...plan, rest: { ...plan.rest, weighIns: [weighIn(30, bars.massG)] } }
    expect(said(cureForecast(early, WATER, { todayDay: 10 }).doubts[0]!.question)).toMatch(/still to come/)
  })

  test('the forecast holds together', () => {
    expect(plainly.curve[0]!.massG).toBeCloseTo(bars.massG, 9)
    expect(plainly.curedG).toBeLessThan(bars.massG)
    expect(plainly.yieldShare).toBeGreaterThan(0.7)
    expect(plainly.yieldShare).toBeLessThanOrEqual(1)
    const two: Plan = { ...plan, moreMoulds: [{ ...plan.mould, name: 'Twin' }] }
    expect(cureForecast(two, WATER).moulds.map(mould => mould.count)).toEqual([bars.count, bars.count])
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
    expect(said(bladeAdvice(withWhite(1), shelf))).toMatch(/after every cut/)
    expect(said(bladeAdvice(withWhite(0), shelf))).toMatch(/every few cuts/)
    const one = { ...plan, score: plan.score.map(pour => ({ ...pour, cup: plan.cups[0]!.id })) }
    expect(said(bladeAdvice(one, shelf))).toMatch(/need not be wiped/)
  })

  test('white in a cup that is not poured does not count', () => {
    const poured = plan.score.filter(pour => pour.cup !== plan.cups[0]!.id)
    expect(said(bladeAdvice({ ...withWhite(1), score: poured }, shelf))).not.toMatch(/after every cut/)
  })
})
