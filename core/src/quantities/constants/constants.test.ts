import { readFileSync, readdirSync } from 'node:fs'
import { expect, test } from 'vitest'
import { CONSTANTS, NAOH_PER_KOH } from './index.ts'

test('NaOH for KOH by atomic weights', () => {
  const [Na, K, O, H] = [22.98977, 39.0983, 15.999, 1.008]
  expect(CONSTANTS.naohMolarMass.value).toBeCloseTo(Na + O + H, 2)
  expect(CONSTANTS.kohMolarMass.value).toBeCloseTo(K + O + H, 2)
  expect(CONSTANTS.waterMolarMass.value).toBeCloseTo(2 * H + O, 2)
  expect(NAOH_PER_KOH).toBeCloseTo((Na + O + H) / (K + O + H), 4)
})

test('no model keeps a molar mass of its own', () => {
  const root = new URL('../../', import.meta.url)
  const files = readdirSync(root, { recursive: true, encoding: 'utf8' }).filter(
    name =>
      name.endsWith('.ts') &&
      !name.endsWith('.test.ts') &&
      !name.startsWith('quantities/constants') &&
      !name.startsWith('shelf'),
  )
  expect(files.length).toBeGreaterThan(100)
  const own = files.filter(name =>
    /\b(39\.99\d*|0\.0399\d*|40\.00|56\.1\d*|18\.01\d*|0\.0180\d*)\b/.test(readFileSync(new URL(name, root), 'utf8')),
  )
  expect(own).toEqual([])
})
