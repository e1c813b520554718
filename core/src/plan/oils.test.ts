import { describe, expect, test } from 'vitest'
import fc from 'fast-check'
import type { Plan } from './document.ts'
import { applyEdit } from './edits.ts'
import { baseAreaMm2, brimMl } from './mould.ts'
import { readPlan } from './read.ts'
import { freshCopy, plainOil, starterLike, starterPlan } from './starter.ts'
import { said } from '../quantities/words/index.ts'

const base = starterPlan('Trial')
const IDS = ['olive', 'coconut', 'palm', 'castor', 'shea', 'lard']
const share = fc.double({ min: 0, max: 1, noNaN: true }).map(value => Number(value.toFixed(4)))

/** Recipes of two to six oils, some locked. */
const anyPlan: fc.Arbitrary<Plan> = fc
  .array(fc.tuple(share, fc.boolean()), { minLength: 2, maxLength: 6 })
  .filter(parts => parts.some(([value]) => value > 0.02))
  .map(parts => ({
    ...base,
    recipe: { ...base.recipe, oils: parts.map(([value, locked], i) => ({ ...plainOil(IDS[i]!, value), locked })) },
  }))
const sum = (plan: Plan) => plan.recipe.oils.reduce((total, part) => total + part.share, 0)
const find = (plan: Plan, id: string) => plan.recipe.oils.find(part => part.oil === id)!

describe('making the rest fit', () => {
  test('the oils come to 100 %, the locked ones as they were; or a sentence says why not', () => {
    fc.assert(
      fc.property(anyPlan, plan => {
        const result = applyEdit(plan, { kind: 'fit-oils' })
        const locked = plan.recipe.oils.filter(part => part.locked)
        const held = locked.reduce((total, part) => total + part.share, 0)
        if (!result.ok) {
          expect(held > 1 || locked.length === plan.recipe.oils.length).toBe(true)
          expect(said(result.sentence)).toMatch(/locked/)
          return
        }
        expect(sum(result.plan)).toBeCloseTo(1, 5)
        for (const part of locked) expect(find(result.plan, part.oil).share).toBe(part.share)
      }),
    )
  })

  test('free oils keep their ratio', () => {
    const oils = [plainOil('olive', 0.6), plainOil('coconut', 0.3), { ...plainOil('castor', 0.05), locked: true }]
    const result = applyEdit({ ...base, recipe: { ...base.recipe, oils } }, { kind: 'fit-oils' })
    const shares = result.ok ? result.plan.recipe.oils.map(part => part.share) : []
    expect(shares[0]! / shares[1]!).toBeCloseTo(2, 3)
    expect(shares[2]).toBe(0.05)
  })

  test('a share that is set stands, and the others make up for it', () => {
    fc.assert(
      fc.property(anyPlan, share, (plan, wanted) => {
        const { oil } = plan.recipe.oils[0]!
        const result = applyEdit(plan, { kind: 'set-oil-share', oil, share: wanted })
        if (!result.ok) return
        expect(find(result.plan, oil).share).toBeCloseTo(wanted, 5)
        expect(sum(result.plan)).toBeCloseTo(1, 5)
      }),
    )
  })

  test('more than 100 %, or with all others locked, is refused beside the oil', () => {
    const at = { kind: 'set-oil-share' as const, oil: 'olive' }
    expect(said(applyEdit(base, { ...at, share: 1.2 }))).toMatchObject({ ok: false, path: 'recipe.oils[0].share' })
    const oils = base.recipe.oils.map(part => ({ ...part, locked: part.oil !== 'olive' }))
    const locked = { ...base, recipe: { ...base.recipe, oils } }
    expect(said(applyEdit(locked, { ...at, share: 0.5 }))).toMatchObject({
      ok: false,
      sentence: expect.stringMatching(/Unlock one/) as string,
    })
  })
})

describe('rules of a recipe', () => {
  const set = (path: (string | number)[], value: unknown) => applyEdit(base, { kind: 'set', path, value })
  test.each<[string, (string | number)[], unknown, RegExp]>([
    [
      'a concentration of 70 %',
      ['recipe', 'water'],
      { basis: 'concentration', value: 0.7, fullShareOfOils: 0.38 },
      /20 to 50 %/,
    ],
    [
      'a ratio below 1',
      ['recipe', 'water'],
      { basis: 'ratio', value: 0.9, fullShareOfOils: 0.38 },
      /less water than lye/,
    ],
    ['a discount of 80 %', ['recipe', 'water'], { basis: 'discount', value: 0.8, fullShareOfOils: 0.38 }, /0 to 65 %/],
    ['water on no basis', ['recipe', 'water', 'basis'], 'feeling', /one of concentration, share, ratio, discount/],
    ['an oil twice', ['recipe', 'oils'], [plainOil('olive', 0.5), plainOil('olive', 0.5)], /already the oil/],
    [
      'a scent twice',
      ['scent'],
      {
        parts: [
          { scent: 'a', share: 1 },
          { scent: 'a', share: 1 },
        ],
        load: 0.02,
        basis: 'oils',
        moment: 'pot',
        how: 'hand',
        spread: 'cup',
        stabiliserRatio: 0,
        isPrivate: false,
      },
      /already the scent/,
    ],
    [
      'liquids for more than all water',
      ['recipe', 'liquids'],
      ['a', 'b'].map(liquid => ({ liquid, shareOfWater: 0.6, measure: 'water', moment: 'lye', countFat: true })),
      /stand for 120 % of the water/,
    ],
    ['a band upside down', ['heat', 'bandLowC'], 60, /starts at 60 °C, above its end/],
    ['a time that is none', ['heat', 'startAt'], '25:00', /written like 14:00/],
    ['half a cavity', ['mould', 'cavities'], 1.5, /whole number from 1 to 60/],
    [
      'an infusion of nothing',
      ['recipe', 'oils', 0, 'infusion'],
      { plant: '', plantPerOil: 0.1, makeFactor: 1.4, way: 'warm', twice: false },
      /Name what is steeped/,
    ],
  ])('%s is refused in a sentence', (_, path, value, sentence) => {
    const result = set(path, value)
    expect(said(result.ok ? '' : result.sentence)).toMatch(sentence)
  })
})

describe('moulds', () => {
  const { mould } = base
  test('the brim of each form, by its geometry', () => {
    const of = (change: Partial<typeof mould>) => brimMl({ ...mould, ...change })
    expect(of({ innerLengthMm: 230, innerWidthMm: 75, innerHeightMm: 70 })).toBeCloseTo(1207.5, 6)
    expect(of({ form: 'cylinder', innerLengthMm: 76, innerHeightMm: 300 })).toBeCloseTo(1360.9, 1)
    expect(of({ form: 'hexagon', innerLengthMm: 70, innerHeightMm: 250 })).toBeCloseTo(1060.9, 1)
    // A half sphere of 70 mm: π/12 × 70³ = 89.8 ml.
    expect(of({ form: 'dome', innerLengthMm: 70, innerHeightMm: 35, cavities: 6 })).toBeCloseTo(6 * 89.8, 0)
  })

  test('so many cavities hold so many times as much', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('box', 'cylinder', 'hexagon', 'ellipse', 'dome'),
        fc.integer({ min: 1, max: 60 }),
        (form, n) => {
          const one = { ...mould, form, cavities: 1 }
          expect(baseAreaMm2({ ...one, cavities: n })).toBeCloseTo(n * baseAreaMm2(one), 4)
        },
      ),
    )
  })
})

describe('new plans', () => {
  const used: Plan = {
    ...base,
    conditions: { ...base.conditions, roomC: 17, fineScaleStepG: 0.01 },
    heat: {
      ...base.heat,
      rule: 'band',
      startAt: '14:00',
      iceShare: 0.5,
    },
    rest: { ...base.rest, pouredAt: '2026-11-20T14:00', readings: [{ atMin: 30, at: 'core', tempC: 60 }] },
    preparation: { ...base.preparation, rollWidthMm: 500 },
  }

  test('one like the last keeps the habits of the workshop, and nothing of that day', () => {
    const next = starterLike('Next', used)
    expect(next).toMatchObject({
      conditions: { roomC: 17, fineScaleStepG: 0.01 },
      heat: { rule: 'band', startAt: '', iceShare: 0 },
      preparation: { rollWidthMm: 500 },
    })
    expect(readPlan(next).ok).toBe(true)
    expect(starterLike('First', undefined)).toEqual(starterPlan('First'))
  })

  test('a copy is the same plan with nothing seen or read of it', () => {
    const copy = freshCopy(used, 'Copy')
    expect(copy).toMatchObject({
      name: 'Copy',
      heat: { startAt: '14:00' },
      rest: { pouredAt: '', readings: [] },
    })
    expect(copy.recipe).toBe(used.recipe)
  })
})
