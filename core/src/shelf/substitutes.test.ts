import { describe, expect, test } from 'vitest'
import { blendItem, scentLoad } from '../recipe/index.ts'
import {
  MATERIAL_VERDICTS,
  checkItem,
  completed,
  newItem,
  referenceShelf,
  stockOf,
  substitutesFor,
  unitCost,
} from './index.ts'
import type { Oil, SubstitutableKind } from './index.ts'
import { said } from '../quantities/words/index.ts'

const shelf = referenceShelf()

describe('stand-ins', () => {
  const KINDS: SubstitutableKind[] = ['oils', 'liquids', 'additives', 'scents', 'colorants']

  test.each(KINDS)('for each of the %s there are five others, the nearest first, with what changes', kind => {
    for (const item of shelf[kind]) {
      const found = substitutesFor(shelf, kind, item.id)
      expect(found).toHaveLength(5)
      found.slice(1).forEach((one, i) => expect(one.distance).toBeGreaterThanOrEqual(found[i]!.distance))
      for (const one of found) {
        expect(one.id).not.toBe(item.id)
        expect(one.changes.length).toBeGreaterThan(0)
      }
    }
  })

  test.each<[SubstitutableKind, string, RegExp]>([
    ['liquids', 'goat-milk', /^cow-milk$/],
    ['additives', 'citric-acid-anhydrous', /^citric-acid-monohydrate|sodium-citrate/],
    ['colorants', 'red-oxide', /oxide|clay|madder|mica/],
    ['oils', 'lard', /tallow|palm|goose/],
  ])('of %s, beside %s stands something like it', (kind, id, near) => {
    expect(substitutesFor(shelf, kind, id)[0]!.id).toMatch(near)
  })

  test('for a calm scent calm ones are offered first', () => {
    for (const one of substitutesFor(shelf, 'scents', 'quiet-linen', 3)) {
      const scent = shelf.scents.find(item => item.id === one.id)!
      expect(['slows', 'none']).toContain(scent.acceleration)
    }
  })

  test('prices are compared where both are known; archived things are left out', () => {
    const lot = (cost: number) => [{ id: 'a', mark: '', bought: 1000, left: 10, cost, useBy: '' }]
    const oils = shelf.oils.map((oil): Oil => {
      if (oil.id === 'olive') return { ...oil, lots: lot(10) }
      if (oil.id === 'olive-virgin') return { ...oil, lots: lot(15) }
      return oil.id === 'olive-pomace' ? { ...oil, archived: true } : oil
    })
    const found = substitutesFor({ ...shelf, oils }, 'oils', 'olive', 50)
    expect(said(found.find(one => one.id === 'olive-virgin')!.changes)).toContain('price +50 %')
    expect(found.map(one => one.id)).not.toContain('olive-pomace')
    expect(substitutesFor(shelf, 'oils', 'nowhere')).toEqual([])
  })
})

describe('stock and values', () => {
  const lots = [
    { id: 'a', mark: '', bought: 1000, left: 400, cost: 8, useBy: '' },
    { id: 'b', mark: '', bought: 500, left: 500, cost: 7, useBy: '' },
    { id: 'c', mark: 'gift', bought: 100, left: 100, cost: 0, useBy: '' },
  ]

  test('stock is what is left; the price is that of the lots that had one', () => {
    expect(stockOf({ lots })).toBe(1000)
    expect(unitCost({ lots })).toBeCloseTo(0.01, 9)
    expect(unitCost({ lots: [] })).toBeNull()
  })

  test('an item stored before a field existed gets its starting value', () => {
    const { how: _how, ...old } = { ...newItem('additives'), name: 'Old', id: 'old' }
    expect(_how).toBe('')
    expect(completed('additives', old)).toMatchObject({ how: '', name: 'Old' })
    expect(checkItem('additives', old).ok).toBe(false)
    expect(checkItem('additives', completed('additives', old)).ok).toBe(true)
  })

  test('nothing but steel, polypropylene and, with care, HDPE, silicone and enamel stands hot lye', () => {
    const by = (lye: string) =>
      Object.entries(MATERIAL_VERDICTS)
        .filter(([, verdict]) => verdict.lye === lye)
        .map(([material]) => material)
    expect(by('yes').sort()).toEqual(['pp', 'steel'])
    expect(by('care').sort()).toEqual(['enamel', 'hdpe', 'silicone'])
    expect(said(MATERIAL_VERDICTS.aluminium)).toMatchObject({ lye: 'no', batter: 'no' })
  })
})

test('a blend on the shelf is as lively and as cautious as its parts', () => {
  const load = scentLoad(
    {
      parts: [
        { scent: 'eo-lavender', share: 0.8 },
        { scent: 'eo-clove-bud', share: 0.2 },
      ],
      load: 0.01,
      basis: 'oils',
      moment: 'pot',
      how: 'hand',
      spread: 'cup',
      stabiliserRatio: 0,
      isPrivate: false,
    },
    shelf,
    1.45,
  )
  const item = blendItem('Market blend', load, id => id === 'market-blend')
  expect(checkItem('scents', item).ok).toBe(true)
  expect(item).toMatchObject({
    id: 'market-blend-2',
    type: 'blend',
    acceleration: 'strong',
    sensitiser: 'high',
    heat: 'medium',
  })
  // 0.375 % ÷ 20 % = 1.875 %, rounded down.
  expect(item.limitShare).toBeCloseTo(0.0187, 6)
  expect(item.constituents).toContain('eugenol')
})
