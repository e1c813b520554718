import { expect, test } from 'vitest'
import fc from 'fast-check'
import { lyeMass, superfatOf } from './lye.ts'
import { waterOf } from './water.ts'

const share = (min: number, max: number) => fc.double({ min, max, noNaN: true })

test('1 kg of olive oil (190 mg KOH/g) at 5 % superfat and pure lye needs 128.7 g', () => {
  expect(lyeMass([{ massG: 1000, sapKohMgPerG: 190 }], 0.05, 1)).toBeCloseTo(128.68, 1)
})

test('water at 30 % concentration is 7/3 of the NaOH', () => {
  expect(waterOf({ basis: 'concentration', value: 0.3, fullShareOfOils: 0.38 }, 1000, 90)).toBeCloseTo(210, 9)
})

test('superfat read back from the lye is the superfat asked for', () => {
  fc.assert(
    fc.property(share(0, 0.25), share(0.8, 1), share(10, 5000), share(90, 340), (superfat, purity, massG, sap) => {
      const oils = [{ massG, sapKohMgPerG: sap }]
      expect(superfatOf(oils, lyeMass(oils, superfat, purity), purity)).toBeCloseTo(superfat, 9)
    }),
  )
})

test('a purity or concentration that cannot be is an error with the value in it', () => {
  expect(() => lyeMass([], 0.05, 0)).toThrow(/purity 0/)
  expect(() => waterOf({ basis: 'concentration', value: 1, fullShareOfOils: 0.38 }, 1, 1)).toThrow(/concentration 1/)
})
