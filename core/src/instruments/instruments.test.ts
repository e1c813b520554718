import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { Lines, SimulatedScale, SimulatedThermometer, USUAL_LINES, readingOfLine } from './index.ts'
import type { InstrumentReading } from './index.ts'

const TICK_S = 0.1
type Instrument = { after(seconds: number): InstrumentReading }

/** Seconds until it is stable, and what it shows then. */
function settles(instrument: Instrument): { s: number; value: number } {
  for (let n = 1; n < 1000; n += 1) {
    const { isStable, value } = instrument.after(TICK_S)
    if (isStable) return { s: n * TICK_S, value: value! }
  }
  throw new Error('never stable')
}
const lets = (instrument: Instrument, seconds: number): InstrumentReading => {
  let last = instrument.after(TICK_S)
  for (let s = TICK_S; s < seconds; s += TICK_S) last = instrument.after(TICK_S)
  return last
}

describe('a simulated scale', () => {
  const scale = (stepG = 1) => new SimulatedScale({ stepG, capacityG: 3000 })

  test.each([
    [20, 1.8],
    [250, 2.7],
    [1500, 3.1],
  ])('settles on %i g after about %f s', (loadG, seconds) => {
    const one = scale()
    lets(one, 3)
    one.put(loadG)
    const { s, value } = settles(one)
    expect(Math.abs(s - seconds)).toBeLessThan(1.2)
    expect(Math.abs(value - loadG)).toBeLessThanOrEqual(2)
  })

  test('shows whole steps of what lies on it less its tare, within a few of them', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(1, 0.1),
        fc.integer({ min: 0, max: 1500 }),
        fc.integer({ min: 0, max: 1400 }),
        (stepG, jugG, lyeG) => {
          const one = scale(stepG)
          one.put(jugG)
          lets(one, 4)
          one.tare()
          one.put(jugG + lyeG)
          const { value } = settles(one)
          expect(Math.abs(value - lyeG)).toBeLessThanOrEqual(4 * stepG)
          expect(Math.abs(value / stepG - Math.round(value / stepG))).toBeLessThan(1e-6)
        },
      ),
      { numRuns: 30 },
    )
  })

  test('shows below nothing when a tared jug is lifted', () => {
    const one = scale()
    one.put(213)
    lets(one, 4)
    one.tare()
    one.put(0)
    expect(settles(one).value).toBeLessThan(-200)
  })

  test('says that it is over instead of a number, and is not tared then', () => {
    const one = scale()
    one.put(3100)
    expect(lets(one, 2)).toMatchObject({ value: null, state: 'over', isStable: false })
    one.tare()
    one.put(500)
    expect(settles(one).value).toBeGreaterThan(490)
  })

  test('goes dark after three minutes without a change, and has lost its zero as it wakes', () => {
    const one = scale()
    one.put(213)
    expect(lets(one, 182)).toMatchObject({ state: 'off', value: null })
    one.tare()
    expect(Math.abs(settles(one).value)).toBeLessThanOrEqual(2)
  })
})

describe('a simulated thermometer', () => {
  test.each([
    ['stirred', 22.5, 37.8],
    ['still', 38.5, 36.9],
  ] as const)('from 21 into 38 °C, %s, is stable after about %f s at about %f', (how, seconds, shown) => {
    const one = new SimulatedThermometer(21)
    one.hold(38, how)
    lets(one, 3)
    const { s, value } = settles(one)
    expect(Math.abs(s + 3 - seconds)).toBeLessThan(5)
    expect(Math.abs(value - shown)).toBeLessThan(0.5)
  })

  test('comes nearer all the time, and shows its own error', () => {
    const one = new SimulatedThermometer(20, 1.5)
    one.hold(60, 'stirred')
    const shown = Array.from({ length: 600 }, () => one.after(TICK_S).value!)
    for (const [i, value] of shown.entries()) if (i > 0) expect(value).toBeGreaterThanOrEqual(shown[i - 1]!)
    expect(shown.at(-1)).toBeCloseTo(61.5, 1)
  })
})

describe('lines of text', () => {
  const words = { ...USUAL_LINES, stableWord: 'st', unstableWord: 'us', overWord: 'ol' }
  test.each([
    ['  123.4 g', USUAL_LINES, 'mass', 123.4, null],
    ['+0001,250 kg', USUAL_LINES, 'mass', 1250, null],
    ['- 12 g', USUAL_LINES, 'mass', -12, null],
    ['4.5oz', USUAL_LINES, 'mass', 127.573, null],
    ['96', { ...USUAL_LINES, unit: 'oz' }, 'mass', 2721.554, null],
    ['ST, +  88.2 g', words, 'mass', 88.2, true],
    ['US, +  88.0 g', words, 'mass', 88, false],
    ['+  88.0 g', words, 'mass', 88, false],
    // A name with a digit in it is no number.
    ['T1: 33.5', { ...USUAL_LINES, unit: 'c' }, 'temperature', 33.5, null],
    ['33.5 °C', { ...USUAL_LINES, unit: 'c' }, 'temperature', 33.5, null],
    ['92.3 F', { ...USUAL_LINES, unit: 'c' }, 'temperature', 33.5, null],
  ] as const)('“%s”', (line, format, kind, value, isStable) => {
    const read = readingOfLine(line, format)!
    expect(read).toMatchObject({ kind, isStable, state: 'shows' })
    expect(read.value).toBeCloseTo(value, 2)
  })

  test('an overload says so, a heading says nothing', () => {
    expect(readingOfLine('OL ------ g', words)).toMatchObject({ state: 'over', value: null })
    expect(readingOfLine('Net weight', words)).toBeNull()
    expect(readingOfLine('', words)).toBeNull()
  })

  test('whatever comes, nothing is thrown and every number is one', () => {
    fc.assert(
      fc.property(fc.string(), line => {
        const read = readingOfLine(line, words)
        expect(read?.value == null || Number.isFinite(read.value)).toBe(true)
      }),
    )
  })

  test('are put together from pieces as they come', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 1, maxLength: 12 }), cuts => {
        const text = '12.0 g\r\n12.5 g\n\n13.0 g\r'
        const lines = new Lines()
        const told: string[] = []
        let at = 0
        for (const cut of [...cuts, text.length]) {
          told.push(...lines.told(text.slice(at, at + cut)))
          at += cut
        }
        expect(told).toEqual(['12.0 g', '12.5 g', '13.0 g'])
      }),
    )
  })
})
