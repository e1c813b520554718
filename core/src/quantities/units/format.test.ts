import fc from 'fast-check'
import { expect, test } from 'vitest'
import {
  IMPERIAL,
  METRIC,
  massDecimals,
  showLength,
  showMass,
  showMassDown,
  showShare,
  showTemperature,
  tidy,
} from './format.ts'
import { readQuantity } from './quantity.ts'

test.each([
  [412.34, METRIC, 0.1, '412.3 g'],
  [412.34, METRIC, 1, '412 g'],
  [412.34, METRIC, 5, '412 g'],
  [412.34, IMPERIAL, 0.1, '14.545 oz'],
  [412.34, IMPERIAL, 1, '14.54 oz'],
  [0, METRIC, 0.1, '0.0 g'],
])('%f g in %o with a step of %f g', (g, habits, step, text) => {
  expect(showMass(g, habits, step)).toBe(text)
})

test('lengths, temperatures and shares', () => {
  expect([showLength(25.4, METRIC), showLength(25.4, IMPERIAL)]).toEqual(['25.4 mm', '1 in'])
  expect([showTemperature(35, METRIC), showTemperature(35, IMPERIAL)]).toEqual(['35 °C', '95 °F'])
  expect([showShare(0.05), showShare(0.0525, 2), showShare(0)]).toEqual(['5 %', '5.25 %', '0 %'])
  expect([tidy(-0.001, 1), tidy(1.5, 1), tidy(2, 3), tidy(1200, 0)]).toEqual(['0', '1.5', '2', '1200'])
})

test('a coarser scale never shows more decimals', () => {
  fc.assert(
    fc.property(
      fc.constantFrom('g' as const, 'oz' as const),
      fc.double({ min: 0.01, max: 50, noNaN: true }),
      (unit, step) => {
        expect(massDecimals(step * 2, unit)).toBeLessThanOrEqual(massDecimals(step, unit))
      },
    ),
  )
})

test('temperatures shown in °F are read back to within half a degree', () => {
  fc.assert(
    fc.property(fc.double({ min: -20, max: 120, noNaN: true }), c => {
      const back = readQuantity(showTemperature(c, IMPERIAL), 'temperature', 'F')
      return back.ok && Math.abs(back.value - c) <= 0.5 * (5 / 9) + 1e-9
    }),
  )
})

test('what is there is never shown as nothing, however coarse the step', () => {
  expect(showMass(0.1, IMPERIAL, 1.417476)).toBe('0.004 oz')
  expect(showMassDown(0.1, IMPERIAL, 1.417476)).toBe('0.003 oz')
  expect(showMassDown(0, METRIC)).toBe('0.0 g')
  fc.assert(
    fc.property(
      fc.double({ min: 0.002, max: 20, noNaN: true }),
      fc.constantFrom(METRIC, IMPERIAL),
      fc.constantFrom(0.01, 0.1, 1, 5),
      (g, habits, stepG) => {
        expect(parseFloat(showMass(g, habits, stepG))).toBeGreaterThan(0)
        // A ten-thousandth of an ounce is the finest that is shown.
        if (g > 0.003) expect(parseFloat(showMassDown(g, habits, stepG))).toBeGreaterThan(0)
      },
    ),
  )
})

test('lye is never shown as more than it is, and at most one digit less', () => {
  expect(showMassDown(148.5, METRIC)).toBe('148.5 g')
  expect(showMassDown(124.737901, IMPERIAL, 1.417476)).toBe('4.40 oz')
  fc.assert(
    fc.property(fc.double({ min: 0.1, max: 5000, noNaN: true }), fc.constantFrom(METRIC, IMPERIAL), (g, habits) => {
      const back = readQuantity(showMassDown(g, habits), 'mass', habits.mass)
      expect(back.ok && back.value).toBeLessThanOrEqual(g + 0.001)
      expect(back.ok && back.value).toBeGreaterThan(g - 0.101)
    }),
  )
})
