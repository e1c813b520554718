import { describe, expect, test } from 'vitest'
import fc from 'fast-check'
import { readQuantity } from './quantity.ts'
import type { QuantityKind } from './quantity.ts'
import { chanceWords, massNumber, showMinutes, IMPERIAL } from './format.ts'
import { said, say } from '../words/index.ts'

const read = (text: string, kind: QuantityKind, unit: string) => {
  const result = readQuantity(text, kind, unit)
  return result.ok ? result.value : result.sentence
}

describe('reading quantities', () => {
  test.each<[string, QuantityKind, string, number]>([
    ['57g', 'mass', 'g', 57],
    ['2 oz', 'mass', 'g', 56.69904625],
    ['2', 'mass', 'oz', 56.69904625],
    ['1 lb 4 oz', 'mass', 'g', 566.9904625],
    ['1 1/2 in', 'length', 'mm', 38.1],
    ['3,5', 'length', 'mm', 3.5],
    ['½ in', 'length', 'mm', 12.7],
    ['95 F', 'temperature', 'C', 35],
    ['95', 'temperature', 'F', 35],
    ['-5', 'temperature', 'C', -5],
    ['5%', 'share', '%', 0.05],
    ['5', 'share', '%', 0.05],
    ['0', 'share', '%', 0],
    ['90 s', 'minutes', 'min', 1.5],
    ['1.5 tsp', 'volume', 'ml', 7.5],
    ['.5', 'mass', 'g', 0.5],
    ['1e3', 'mass', 'g', 1000],
  ])('%s is read as %s', (text, kind, unit, expected) => {
    expect(read(text, kind, unit)).toBeCloseTo(expected, 9)
  })

  test.each<[string, QuantityKind, number]>([
    ['1,200.5 g', 'mass', 1200.5],
    ['1.200,5 g', 'mass', 1200.5],
    ['1 200 g', 'mass', 1200],
    ['1,234,567 mg', 'mass', 1234.567],
    ['0,500 kg', 'mass', 500],
    ['1.000 kg', 'mass', 1000],
    ['１２，５ g', 'mass', 12.5],
    ['٥٧ g', 'mass', 57],
    ['۱۲٫۵ g', 'mass', 12.5],
    ['10 C', 'difference', 10],
    ['18 F', 'difference', 10],
    ['1 oz per lb', 'dose', 62.5],
    ['10 g/lb', 'dose', 22.0462262],
  ])('“%s” is one number', (text, kind, value) => {
    expect(read(text, kind, 'g')).toBeCloseTo(value, 6)
  })

  test('a spoon per pound is a dose by the weight of its spoon', () => {
    const dose = readQuantity('1 tsp per lb', 'dose', 'g/kg', 4 / 5)
    expect(dose.ok && dose.value).toBeCloseTo(4 / 0.45359237, 6)
    expect(readQuantity('1 tsp per lb', 'dose', 'g/kg')).toMatchObject({ ok: false })
  })

  test('a number that can be read two ways is asked about, and the place decides where it can', () => {
    expect(said(read('1,000 g', 'mass', 'g'))).toMatch(/can be read two ways: type 1000 or 1\.0/)
    const at = (text: string, marks: 'point' | 'comma') => readQuantity(text, 'mass', 'g', undefined, marks)
    expect(at('1,000 g', 'point')).toEqual({ ok: true, value: 1000 })
    expect(at('1,000 g', 'comma')).toEqual({ ok: true, value: 1 })
    expect(at('1.000 g', 'comma')).toMatchObject({ ok: false })
    expect(at('1.000 g', 'point')).toEqual({ ok: true, value: 1 })
  })

  test('what is shown is read back, whatever the place', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 99_999, noNaN: true }),
        fc.constantFrom(0, 1, 2),
        fc.constantFrom('point' as const, 'unknown' as const),
        (g, decimals, marks) => {
          const text = g.toFixed(decimals)
          expect(readQuantity(text, 'mass', 'g', undefined, marks)).toEqual({ ok: true, value: Number(text) })
        },
      ),
    )
  })

  test.each<[string, QuantityKind]>([
    ['', 'mass'],
    ['   ', 'mass'],
    ['soap', 'mass'],
    ['2 mm', 'mass'],
    ['1 2 3', 'mass'],
    ['12 g extra', 'mass'],
    ['1e999', 'mass'],
    ['1/0', 'mass'],
  ])('“%s” gets a sentence, not a number', (text, kind) => {
    expect(said(read(text, kind, 'g'))).toMatch(/\.$/)
  })

  test('any text gives a finite number or a sentence', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 30 }), text => {
        const result = readQuantity(text, 'mass', 'g')
        return result.ok ? Number.isFinite(result.value) : say(result.sentence).length > 10
      }),
    )
  })

  test('ounces shown are read back to within half of the last digit shown', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 5000, noNaN: true }), g => {
        const back = readQuantity(massNumber(g, IMPERIAL, 0.1), 'mass', 'oz')
        return back.ok && Math.abs(back.value - g) <= 0.5 * 0.001 * 28.35 + 1e-9
      }),
    )
  })
})

test('times are shown to the half minute and chances to five per cent', () => {
  expect([9.4, 9.6, 0.4, -1.5, 0].map(showMinutes)).toEqual(['9½ min', '9½ min', '½ min', '−1½ min', '0 min'])
  expect([0.52, 0.999, 0.004].map(chanceWords)).toEqual([
    { words: 'about {percent} %', percent: 50 },
    { words: 'over 95 %', percent: 100 },
    { words: 'under 5 %', percent: 0 },
  ])
})
