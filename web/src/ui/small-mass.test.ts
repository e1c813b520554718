import { IMPERIAL, METRIC } from '@ostler/core'
import { expect, test } from 'vitest'
import { smallMass } from './small-mass.ts'

test('a dose that the scale rounds away is shown as it is', () => {
  expect(smallMass(0.8, 0.81, METRIC, 0.1)).toBe('0.8')
  expect(smallMass(0, 0.045, METRIC, 0.1)).toBe('0.04')
  expect(smallMass(0, 0.45, IMPERIAL, 1.42)).toBe('0.0159')
  expect(smallMass(0, 0, METRIC, 0.1)).toBe('–')
})
