import { describe, expect, test } from 'vitest'
import { fact } from '../../quantities/facts/index.ts'
import { restStep, towels } from '../../plan/index.ts'
import type { RestStep } from '../../plan/index.ts'
import { ashFrom } from './ash.ts'
import type { AshInputs } from './ash.ts'
import { crackChance, saidCrack } from './overheating.ts'
import { near } from './test/loaf.ts'
import { said } from '../../quantities/words/index.ts'

const THIN: AshInputs = {
  ...{ water: 0.247, tempC: 27, level: 1, emulsion: 0.85, humidity: 0.5, essential: 0, scentLnRate: 0 },
  ...{ beeswax: 0, isPeaked: false, topGel: 0 },
}
const USUAL: AshInputs = { ...THIN, water: 0.205, tempC: 36, level: 1.8, emulsion: 0.95 }
const open = [restStep({ cover: 'open' })]
const film = [restStep({ cover: 'film' })]
const filmFor6h = [restStep({ cover: 'film' }), restStep({ atMin: 360, cover: 'open' })]
const cold = [restStep({ cover: 'open', place: 'refrigerator' })]

describe('ash on the top', () => {
  test.each<[string, AshInputs, RestStep[], number, number]>([
    ['wet, cool, thin and open', THIN, open, 0, 0.87],
    ['the same under film', THIN, film, 0, 0.43],
    ['misted twice', THIN, open, 2, 0.66],
    ['with less water', { ...THIN, water: 0.182 }, open, 0, 0.72],
    ['film for six hours', THIN, filmFor6h, 0, 0.75],
    ['an ordinary batch, open', USUAL, open, 0, 0.38],
    ['under a lid', USUAL, [restStep({ cover: 'lid' })], 0, 0.17],
    ['with essential oils', { ...USUAL, essential: 1 }, open, 0, 0.49],
    ['in damp air', { ...USUAL, humidity: 0.75 }, open, 0, 0.51],
    ['with a quick scent, thicker', { ...USUAL, level: 2.2, scentLnRate: 1 }, open, 0, 0.16],
    ['warm, thick, gelled, under film', { ...USUAL, water: 0.2, tempC: 42, level: 2.6, topGel: 1 }, film, 0, 0.02],
    ['open in the refrigerator', { ...USUAL, tempC: 30, level: 1.6 }, cold, 0, 0.43],
  ])('%s', (_, of, steps, mists, chance) => near(ashFrom(of, steps, mists).chance, chance, 0.012))

  test('says what makes it so and what would take most of it away', () => {
    const ash = ashFrom(THIN, open, 0)
    expect(ash.word).toEqual(fact('very likely'))
    expect(said(ash.reasons)).toEqual(['nothing over it', 'a cool pour', 'a thin pour', 'much water'])
    expect(said(ash.remedy)).toBe('film close on it')
    expect(said(ashFrom({ ...USUAL, topGel: 1 }, [restStep({ towels: towels(2) })], 0).remedy)).toBe('')
  })
})

test.each([
  [80, 0.057],
  [84, 0.231],
  [88, 0.599],
  [92, 0.881],
])('a middle of %d °C cracks in %f', (peakC, chance) => {
  const plain = { peakC, riseKPerH: 60, skinK: 10, water: 0.205, sugar: 0, smallestMm: 60 }
  near(crackChance(plain, 0), chance, 0.002)
  for (const change of [{ peakC: peakC + 1 }, { riseKPerH: 80 }, { skinK: 15 }, { sugar: 0.02 }, { water: 0.19 }])
    expect(crackChance({ ...plain, ...change })).toBeGreaterThan(crackChance(plain))
  expect(saidCrack(crackChance({ ...plain, peakC: 200 }))).toBeLessThan(1)
})
