import type { Recipe } from './recipe-part.ts'
import { describe, expect, test } from 'vitest'
import fc from 'fast-check'
import { plainOil, starterPlan } from '../plan/index.ts'
import { referenceShelf } from '../shelf/index.ts'
import { characterOf, groupShare, recipeWarnings, techniqueFits, unitBatter } from './index.ts'
import { said, say } from '../quantities/words/index.ts'

const shelf = referenceShelf()
const base = starterPlan('Trial').recipe
const recipe = (parts: Record<string, number>, change: Partial<Recipe> = {}): Recipe => ({
  ...base,
  oils: Object.entries(parts).map(([id, share]) => plainOil(id, share)),
  ...change,
})
const of = (made: Recipe) => characterOf(unitBatter(made, shelf))
const warned = (made: Recipe): string => {
  const unit = unitBatter(made, shelf)
  return recipeWarnings(unit, characterOf(unit))
    .map(warning => say(warning.sentence))
    .join(' ')
}

describe('what kind of soap', () => {
  test('coconut cleans hard and lathers open; olive is mild and soft', () => {
    const coconut = of(recipe({ coconut: 1 }))
    expect(groupShare(coconut, 'quick')).toBeGreaterThan(0.6)
    expect(coconut.hardShare).toBe(1)
    const olive = of(recipe({ olive: 1 }))
    expect(groupShare(olive, 'quick')).toBeLessThan(0.02)
    expect(groupShare(olive, 'mild')).toBeGreaterThan(0.6)
    expect(olive.groups.find(group => group.key === 'mild')!.from[0]!.oil).toBe('olive')
    expect(olive.hardShare).toBe(0)
  })

  test('a blend lies between its oils: half coconut, half olive', () => {
    const half = of(recipe({ coconut: 0.5, olive: 0.5 }))
    // Lauric and myristic of coconut, 48 and 19 %, halved; iodine (8 + 84) / 2.
    const lauric = half.acids
      .filter(acid => /lauric|myristic/.test(acid.name))
      .reduce((sum, acid) => sum + acid.share, 0)
    expect(lauric).toBeCloseTo(0.335, 2)
    expect(groupShare(half, 'quick')).toBeGreaterThan(lauric)
    expect(half.iodineValue).toBeCloseTo(46, 0)
    expect(half.hardShare).toBe(0.5)
  })

  test('fatty acids never come to more than the whole, and every mark is a sum of them', () => {
    const ids = shelf.oils.map(oil => oil.id)
    const parts = fc.dictionary(fc.constantFrom(...ids), fc.double({ min: 0.01, max: 1, noNaN: true }), {
      minKeys: 1,
      maxKeys: 8,
    })
    fc.assert(
      fc.property(parts, made => {
        const { acids, ...character } = of(recipe(made))
        const share = (...names: string[]) =>
          acids.filter(acid => names.includes(acid.name)).reduce((sum, acid) => sum + acid.share, 0)
        expect(share(...acids.map(acid => acid.name))).toBeLessThanOrEqual(1.005)
        expect(groupShare(character, 'quick')).toBeCloseTo(share('C6 to C10', 'lauric', 'myristic'), 9)
        expect(groupShare(character, 'hard')).toBeCloseTo(share('palmitic', 'stearic'), 9)
        const whole = character.groups.reduce((sum, group) => sum + group.share, character.restShare)
        expect(whole).toBeCloseTo(1, 2)
        for (const group of character.groups) {
          const from = group.from.reduce((sum, part) => sum + part.share, 0)
          expect(Math.abs(from - group.share)).toBeLessThan(0.01)
        }
      }),
    )
  })

  test.each<[string, Recipe, RegExp]>([
    ['too soft', recipe({ olive: 0.95, castor: 0.05 }), /stays soft for weeks/],
    ['drying', recipe({ coconut: 0.6, olive: 0.4 }), /dries the skin; makers then raise the superfat/],
    ['brittle', recipe({ 'cocoa-butter': 0.7, coconut: 0.3 }), /turns brittle/],
    ['rancid', recipe({ sunflower: 0.5, coconut: 0.5 }), /turn rancid early/],
    [
      'stearic acid',
      recipe({ 'stearic-acid-mixed': 0.05, olive: 0.65, coconut: 0.3 }),
      /sets the batter within seconds/,
    ],
    ['wax', recipe({ beeswax: 0.02, olive: 0.68, coconut: 0.3 }), /sets at about 63/],
    [
      'more of an oil than is usual',
      recipe({ castor: 0.2, olive: 0.5, coconut: 0.3 }),
      /Castor oil at 20 %; 10 % is the usual most/,
    ],
    [
      'overheats',
      recipe(
        { coconut: 0.35, olive: 0.65 },
        {
          liquids: [{ liquid: 'goat-milk', shareOfWater: 1, measure: 'water', moment: 'lye', countFat: true }],
          additives: [{ additive: 'honey', gPerKgOils: 20, moment: 'trace', addLye: true }],
        },
      ),
      /heats strongly in the mould \(.*Goat milk/,
    ],
    [
      'lye over until the late oil is in',
      recipe({}, { oils: [plainOil('olive', 0.8), { ...plainOil('shea', 0.2), late: true }], superfatShare: 0.02 }),
      /more lye than its oils take/,
    ],
  ])('%s is said', (_, made, sentence) => {
    expect(warned(made)).toMatch(sentence)
  })

  test('a calm balanced recipe has nothing to be said of', () => {
    expect(warned(recipe({ olive: 0.4, coconut: 0.28, palm: 0.27, castor: 0.05 }))).toBe('')
  })

  test('more sugar never heats less', () => {
    const order = ['none', 'low', 'medium', 'high']
    const heat = (gPerKgOils: number) =>
      order.indexOf(
        of({ ...base, additives: [{ additive: 'sugar', gPerKgOils, moment: 'lye', addLye: true }] }).heatLoad,
      )
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 60, noNaN: true }),
        fc.double({ min: 0, max: 60, noNaN: true }),
        (g, more) => {
          expect(heat(g + more)).toBeGreaterThanOrEqual(heat(g))
        },
      ),
    )
  })

  test('soft and slow suits swirls, hard and quick suits piping', () => {
    const fit = (parts: Record<string, number>, lnRate: number, technique: string) =>
      techniqueFits(of(recipe(parts)), lnRate).find(one => say(one.technique) === technique)!
    const soft = { olive: 0.6, coconut: 0.3, castor: 0.1 }
    expect(fit(soft, -0.5, 'fine swirls').fit).toBe('suits')
    expect(fit(soft, -0.5, 'piped or textured tops').fit).toBe('hardly')
    const hard = { palm: 0.5, coconut: 0.3, olive: 0.2 }
    expect(fit(hard, 0.3, 'piped or textured tops').fit).toBe('suits')
    expect(said(fit(hard, 0.6, 'fine swirls'))).toMatchObject({ fit: 'hardly' })
    expect(said(fit(soft, 0.5, 'fine swirls').reason)).toMatch(/quick for it/)
  })
})
