import fc from 'fast-check'
import { expect, test } from 'vitest'
import { timeScale } from '../features/score/time-scale.ts'
import { inkOn, luminance } from './swatch.tsx'

const anyHex = fc.integer({ min: 0, max: 0xffffff }).map(n => `#${n.toString(16).padStart(6, '0')}`)

test('words on any soap colour have a contrast of at least 4.5 to 1', () => {
  fc.assert(
    fc.property(anyHex, hex => {
      const [light, dark] = [luminance(hex), luminance(inkOn(hex))].sort((a, b) => b - a)
      expect((light! + 0.05) / (dark! + 0.05)).toBeGreaterThanOrEqual(4.5)
    }),
  )
})

test('a time scale spans the batch, with ticks that do not crowd', () => {
  fc.assert(
    fc.property(fc.double({ min: 0.5, max: 900, noNaN: true }), fc.integer({ min: 200, max: 2000 }), (end, width) => {
      const { x, ticks } = timeScale(end, width)
      expect(x(end)).toBeLessThanOrEqual(width)
      expect(ticks[0]).toBe(0)
      ticks.slice(1).forEach((min, i) => expect(x(min) - x(ticks[i]!)).toBeGreaterThan(20))
    }),
  )
})
