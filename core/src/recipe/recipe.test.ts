import type { OilPart, PlannedAdditive, PlannedLiquid, Recipe } from './recipe-part.ts'
import { describe, expect, test } from 'vitest'
import fc from 'fast-check'
import { plainOil, starterPlan } from '../plan/index.ts'
import { referenceShelf } from '../shelf/index.ts'
import { auditOf, compareRecipes, naohPerG, onBasis, unitBatter, waterOf, waterReadings } from './index.ts'
import { say } from '../quantities/words/index.ts'

const shelf = referenceShelf()
const base = starterPlan('Trial').recipe
const oils = (parts: Record<string, number>): OilPart[] =>
  Object.entries(parts).map(([id, share]) => plainOil(id, share))
const recipe = (parts: Record<string, number>, change: Partial<Recipe> = {}): Recipe => ({
  ...base,
  oils: oils(parts),
  lyePurityShare: 1,
  water: { basis: 'concentration', value: 0.3, fullShareOfOils: 0.38 },
  ...change,
})
const milk = (change: Partial<PlannedLiquid> = {}): PlannedLiquid => ({
  liquid: 'goat-milk',
  shareOfWater: 1,
  measure: 'water',
  moment: 'lye',
  countFat: true,
  ...change,
})
const additive = (id: string, gPerKgOils: number, addLye = true): PlannedAdditive => ({
  additive: id,
  gPerKgOils,
  moment: 'lye',
  addLye,
})
const late = (id: string, share: number): OilPart => ({ ...plainOil(id, share), late: true })

/** NaOH = KOH × 39.997 / 56.106 = KOH × 0.712883; all for 1000 g of oils. */
describe('worked out by hand', () => {
  test.each<[string, Recipe, { lye: number; water: number; batter: number; superfat?: number }]>([
    // 190 × 0.712883 = 135.448; × 0.95 = 128.675. Water × 7/3 = 300.243.
    ['olive alone, 5 %', recipe({ olive: 1 }), { lye: 128.68, water: 300.24, batter: 1428.92 }],
    // 256 × 0.712883 = 182.498; × 0.80 = 145.998; 25 % lye: × 3 = 437.995.
    [
      'coconut alone, 20 %, weak lye',
      recipe({ coconut: 1 }, { superfatShare: 0.2, water: { ...base.water, value: 0.25 } }),
      { lye: 146.0, water: 437.99, batter: 1583.99 },
    ],
    // 0.35×190 + 0.3×256 + 0.3×199 + 0.05×180 = 66.5 + 76.8 + 59.7 + 9 = 212; × 0.712883 × 0.95 = 143.575.
    [
      'balanced',
      recipe({ olive: 0.35, coconut: 0.3, palm: 0.3, castor: 0.05 }),
      { lye: 143.57, water: 335.01, batter: 1478.58 },
    ],
    // The same NaOH in lye of 96 %: 143.575 / 0.96 = 149.557; water counts pure NaOH: 335.008.
    [
      'balanced with lye of 96 %',
      recipe({ olive: 0.35, coconut: 0.3, palm: 0.3, castor: 0.05 }, { lyePurityShare: 0.96 }),
      { lye: 149.56, water: 335.01, batter: 1484.56 },
    ],
    // Water 38 % of the oils.
    [
      'water as a share',
      recipe({ olive: 1 }, { water: { basis: 'share', value: 0.38, fullShareOfOils: 0.38 } }),
      { lye: 128.68, water: 380, batter: 1508.68 },
    ],
    // Twice the lye: 257.35.
    [
      'water as a ratio',
      recipe({ olive: 1 }, { water: { basis: 'ratio', value: 2, fullShareOfOils: 0.38 } }),
      { lye: 128.68, water: 257.35, batter: 1386.03 },
    ],
    // 20 % off 38 %: 304.
    [
      'water with a discount',
      recipe({ olive: 1 }, { water: { basis: 'discount', value: 0.2, fullShareOfOils: 0.38 } }),
      { lye: 128.68, water: 304, batter: 1432.68 },
    ],
    // 20 g of citric acid take 20 × 0.62455 = 12.491 g: 128.675 + 12.491 = 141.166; water × 7/3 = 329.388.
    [
      'citric acid with its lye',
      recipe({ olive: 1 }, { additives: [additive('citric-acid-anhydrous', 20)] }),
      { lye: 141.17, water: 329.39, batter: 1490.55, superfat: 0.05 },
    ],
    // Without it: 128.675 − 12.491 = 116.184 of 135.448 → 14.22 % superfat.
    [
      'citric acid without',
      recipe({ olive: 1 }, { additives: [additive('citric-acid-anhydrous', 20, false)] }),
      { lye: 128.68, water: 300.24, batter: 1448.92, superfat: 0.1422 },
    ],
    // Sodium lactate 60 %: 30 g bring 12 g of water; plain water 300.243 − 12 = 288.243.
    [
      'lactate brings water',
      recipe({ olive: 1 }, { additives: [additive('sodium-lactate-60', 30)] }),
      { lye: 128.68, water: 288.24, batter: 1446.92 },
    ],
    // A tenth kept back: the pot's 0.9 kg take 121.903, lye 128.675 — over by 5.6 % until it is in.
    [
      'a tenth of the oil kept back',
      recipe({}, { oils: [plainOil('olive', 0.9), late('olive-virgin', 0.1)] }),
      { lye: 128.68, water: 300.24, batter: 1428.92, superfat: 0.05 },
    ],
  ])('%s', (_, made, { lye, water, batter, superfat }) => {
    const unit = unitBatter(made, shelf)
    expect(unit.lyeG * 1000).toBeCloseTo(lye, 1)
    expect(unit.waterG * 1000).toBeCloseTo(water, 1)
    expect(unit.batterG * 1000).toBeCloseTo(batter, 1)
    if (superfat !== undefined) expect(unit.superfatShare).toBeCloseTo(superfat, 4)
  })

  test('all water as goat milk: 87 % water, its fat takes lye', () => {
    const unit = unitBatter(recipe({ olive: 1 }, { liquids: [milk()] }), shelf)
    // Milk m = W / 0.87, W = 7/3 N, N = (135.448 + 0.0067 m) × 0.95 → N = 130.98, W = 305.62, m = 351.29.
    expect(unit.lyeG * 1000).toBeCloseTo(130.98, 0)
    expect(unit.liquids[0]!.massG * 1000).toBeCloseTo(351.3, 0)
    expect(unit.waterG).toBeCloseTo(0, 9)
    expect(unit.water.concentration).toBeCloseTo(0.3, 6)
    expect(unit.superfatShare).toBeCloseTo(0.05, 6)
  })

  test('milk weighed as if it were water leaves stronger lye', () => {
    const unit = unitBatter(recipe({ olive: 1 }, { liquids: [milk({ measure: 'weight', countFat: false })] }), shelf)
    expect(unit.liquids[0]!.massG * 1000).toBeCloseTo(300.24, 1)
    // 128.68 / (128.68 + 0.87 × 300.24) = 33.0 %
    expect(unit.water.concentration).toBeCloseTo(0.33, 3)
    // Fat that got no lye: 135.448 + 2.012 → 1 − 128.675 / 137.46 = 6.39 %
    expect(unit.superfatShare).toBeCloseTo(0.0639, 3)
  })

  test('oil kept back shows a discount of its own, and counts once in the superfat', () => {
    const made = recipe({}, { oils: [plainOil('olive', 0.95), late('olive-virgin', 0.05)], superfatShare: 0.08 })
    const unit = unitBatter(made, shelf)
    expect(unit.superfatShare).toBeCloseTo(0.08, 9)
    // 1 − 0.92 / 0.95 = 3.16 %
    expect(unit.lyeDiscountShare).toBeCloseTo(0.0316, 4)
  })
})

const ids = shelf.oils.map(oil => oil.id)
const anyOils = fc
  .uniqueArray(fc.tuple(fc.constantFrom(...ids), fc.double({ min: 0.02, max: 1, noNaN: true })), {
    minLength: 1,
    maxLength: 8,
    selector: ([id]) => id,
  })
  .map(parts => parts.map(([id, share]) => plainOil(id, share)))
const share = (min: number, max: number) => fc.double({ min, max, noNaN: true })
const anyRecipe: fc.Arbitrary<Recipe> = fc
  .record({
    oils: anyOils,
    superfatShare: share(0, 0.25),
    lyePurityShare: share(0.8, 1),
    concentration: share(0.22, 0.45),
    milk: share(0, 1),
    acid: share(0, 30),
    addLye: fc.boolean(),
    countFat: fc.boolean(),
  })
  .map(({ concentration, milk: part, acid, addLye, countFat, ...rest }) => ({
    ...base,
    ...rest,
    water: { basis: 'concentration' as const, value: concentration, fullShareOfOils: 0.38 },
    liquids: [milk({ shareOfWater: part, countFat })],
    additives: [additive('citric-acid-anhydrous', acid, addLye), additive('honey', 10)],
  }))

describe('laws', () => {
  test('the four water bases agree: told on any of them, the water is the same', () => {
    fc.assert(
      fc.property(share(100, 5000), share(20, 900), share(40, 2000), share(0.25, 0.5), (oilsG, naohG, waterG, full) => {
        const readings = waterReadings(waterG, oilsG, naohG, full)
        for (const basis of ['concentration', 'share', 'ratio', 'discount'] as const) {
          const water = { basis, value: onBasis(readings, basis), fullShareOfOils: full }
          expect(waterOf(water, oilsG, naohG)).toBeCloseTo(waterG, 6)
        }
      }),
    )
  })

  test('all water counted, the lye stands at the concentration asked for', () => {
    fc.assert(
      fc.property(anyRecipe, made => {
        const unit = unitBatter(made, shelf)
        // Liquids may bring more water than was wanted; then there is no plain water to leave out.
        if (unit.waterG > 0) expect(unit.water.concentration).toBeCloseTo(made.water.value, 6)
        else expect(unit.water.concentration).toBeLessThanOrEqual(made.water.value + 1e-6)
        const parts = [...unit.liquids, ...unit.additives].reduce((sum, part) => sum + part.massG, 0)
        expect(unit.batterG).toBeCloseTo(1 + unit.lyeG + unit.waterG + parts, 9)
      }),
    )
  })

  test('an acid never raises the lye left over, with its lye or without', () => {
    fc.assert(
      fc.property(anyRecipe, share(0, 40), (made, more) => {
        const acids = (g: number) => ({
          ...made,
          additives: [additive('lactic-acid-80', g, made.additives[0]!.addLye)],
        })
        const before = unitBatter(acids(0), shelf).superfatShare
        expect(unitBatter(acids(more), shelf).superfatShare).toBeGreaterThanOrEqual(before - 1e-9)
      }),
    )
  })

  test('lye is linear in the oils: a blend takes what its parts take', () => {
    fc.assert(
      fc.property(anyOils, parts => {
        const whole = parts.reduce((sum, part) => sum + part.share, 0)
        const unit = unitBatter(recipe({}, { oils: parts, superfatShare: 0 }), shelf)
        const byParts = parts.reduce((sum, part) => {
          const oil = shelf.oils.find(one => one.id === part.oil)!
          return sum + (part.share / whole) * naohPerG(oil)
        }, 0)
        expect(unit.naohG).toBeCloseTo(byParts, 9)
      }),
    )
  })

  test('a recipe compared with itself differs nowhere', () => {
    fc.assert(
      fc.property(anyRecipe, made => {
        expect(compareRecipes(made, made, shelf).filter(line => line.differs)).toEqual([])
      }),
    )
  })
})

describe('a recipe from elsewhere', () => {
  const foreign = { oils: [{ oil: 'olive', massG: 1000 }], lyeG: 128, lyePurityShare: 1, waterG: 300 }

  test('its superfat with the band, and water on every basis', () => {
    const audit = auditOf(foreign, shelf)!
    expect(audit.superfatShare).toBeCloseTo(1 - 128 / 135.448, 4)
    expect(audit.superfat.low).toBeLessThan(audit.superfatShare)
    expect(audit.superfat.high).toBeGreaterThan(audit.superfatShare)
    expect(audit.water.ratio).toBeCloseTo(300 / 128, 6)
    expect(audit.verdicts.every(verdict => verdict.weight === 'good')).toBe(true)
  })

  test.each([
    ['more lye than the oils take', { lyeG: 140 }, /more lye than the oils can take/],
    ['a superfat whose sign depends on the oils', { lyeG: 133 }, /Free lye is possible: .*certificate for Olive oil/],
    ['less water than lye', { waterG: 100 }, /less water than lye/],
    ['hardly any lye', { lyeG: 90 }, /soft bar/],
    ['weak lye', { waterG: 500 }, /is weak/],
    ['strong lye', { waterG: 150 }, /is strong/],
  ])('%s is said', (_, change, sentence) => {
    const verdicts = auditOf({ ...foreign, ...change }, shelf)!.verdicts
    expect(
      verdicts
        .map(verdict => verdict.sentence)
        .map(one => say(one))
        .join(' '),
    ).toMatch(sentence)
  })

  test('without oils or lye nothing is said', () => {
    expect(auditOf({ ...foreign, oils: [] }, shelf)).toBeNull()
    expect(auditOf({ ...foreign, lyeG: 0 }, shelf)).toBeNull()
  })

  test('audited, an own recipe shows the superfat it was made with', () => {
    fc.assert(
      fc.property(anyOils, share(0, 0.2), (parts, superfatShare) => {
        const made = recipe({}, { oils: parts, superfatShare })
        const unit = unitBatter(made, shelf)
        const told = {
          oils: unit.oils.map(part => ({ oil: part.oil.id, massG: part.share * 1000 })),
          lyeG: unit.lyeG * 1000,
          lyePurityShare: 1,
          waterG: unit.waterG * 1000,
        }
        expect(auditOf(told, shelf)!.superfatShare).toBeCloseTo(superfatShare, 9)
      }),
    )
  })
})
