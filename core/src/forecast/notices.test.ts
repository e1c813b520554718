import { describe, expect, test } from 'vitest'
import { applyEdit, plainOil, starterPlan } from '../plan/index.ts'
import type { Edit, Plan } from '../plan/index.ts'
import { remediesFor } from '../batter/advice/index.ts'
import { referenceShelf } from '../shelf/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { forecast } from './forecast.ts'
import { said, say } from '../quantities/words/index.ts'

const shelf = referenceShelf()
const base = starterPlan('Trial')
const set = (path: (string | number)[], value: unknown): Edit => ({ kind: 'set', path, value })
const after = (...edits: Edit[]): Plan => {
  const result = applyEdit(base, { kind: 'many', edits })
  if (!result.ok) throw new Error(say(result.sentence))
  return result.plan
}
const noticesOf = (plan: Plan, on: Shelf = shelf) => {
  const result = forecast(plan, on)
  if (!result.ok) throw new Error(say(result.sentence))
  return result.forecast.notices
}
const scent = (parts: [string, number][], load: number, basis: 'oils' | 'batter' = 'oils') =>
  set(['scent'], {
    parts: parts.map(([id, share]) => ({ scent: id, share })),
    load,
    basis,
    moment: 'pot',
    how: 'hand',
    spread: 'cup',
    stabiliserRatio: 0,
    isPrivate: false,
  })
const additive = (id: string, gPerKgOils: number, addLye = true) =>
  set(['recipe', 'additives'], [{ additive: id, gPerKgOils, moment: 'lye', addLye }])
const liquid = (id: string, shareOfWater: number) =>
  set(['recipe', 'liquids'], [{ liquid: id, shareOfWater, measure: 'water', moment: 'lye', countFat: true }])

describe('what is said of a recipe', () => {
  test.each<[string, Edit[], 'stop' | 'warn' | 'hint', RegExp]>([
    [
      'a scent over its limit',
      [scent([['tin-roof-rain', 1]], 0.05)],
      'stop',
      /above the limit on the shelf, 4 % of the oils/,
    ],
    [
      'a part of a blend over its limit',
      [
        scent(
          [
            ['eo-lavender', 0.5],
            ['eo-clove-bud', 0.5],
          ],
          0.02,
        ),
      ],
      'stop',
      /as mixed, the blend may be 0\.75 % of the oils, not 2 %/,
    ],
    ['a batter rate over a limit by oils', [scent([['tin-roof-rain', 1]], 0.03, 'batter')], 'stop', /above the limit/],
    ['a scent at its limit', [scent([['tin-roof-rain', 1]], 0.04)], 'hint', /stands at its limit/],
    [
      'constituents that add up',
      [
        scent(
          [
            ['eo-litsea', 0.5],
            ['eo-lemongrass', 0.5],
          ],
          0.005,
        ),
      ],
      'hint',
      /carries citral/,
    ],
    ['a phototoxic oil', [scent([['eo-bergamot-expressed', 1]], 0.003)], 'hint', /furocoumarin-free/],
    [
      'a supplier who says otherwise',
      [scent([['attic-rosebox', 1]], 0.02)],
      'hint',
      /the supplier says “mild”, your 1 own batch “strong”/,
    ],
    ['more of an additive than usual', [additive('sugar', 40)], 'hint', /20 g per kg of oils is the usual most/],
    ['an acid without its lye', [additive('citric-acid-anhydrous', 10, false)], 'hint', /takes lye that is not added/],
    ['milk in hot lye', [liquid('goat-milk', 0.5)], 'hint', /scorches in hot lye: use it frozen/],
    ['purée for all water', [liquid('pumpkin-puree', 1)], 'warn', /sensible up to 30 %/],
    [
      'an oil above its usual most',
      [set(['recipe', 'oils'], [plainOil('olive', 0.5), plainOil('coconut', 0.3), plainOil('castor', 0.2)])],
      'hint',
      /Castor oil at 20 %/,
    ],
  ])('%s', (_, edits, weight, sentence) => {
    const found = noticesOf(after(...edits)).find(notice => sentence.test(say(notice.sentence)))
    expect(found?.weight).toBe(weight)
  })

  test('frozen milk with ice on the heat plan needs no word', () => {
    const plan = after(liquid('goat-milk', 0.5), set(['heat', 'iceShare'], 0.6))
    expect(noticesOf(plan).some(notice => /scorches/.test(say(notice.sentence)))).toBe(false)
  })

  test('the gravest stand first', () => {
    const order = ['stop', 'warn', 'hint']
    const weights = noticesOf(after(scent([['eo-clove-bud', 1]], 0.02), set(['recipe', 'superfatShare'], 0))).map(one =>
      order.indexOf(one.weight),
    )
    expect([...weights].sort()).toEqual(weights)
    expect(weights[0]).toBe(0)
  })
})

describe('the workshop’s rules', () => {
  const ruled = (...rules: Shelf['rules'][number][]): Shelf => ({ ...shelf, rules })
  const milky = after(liquid('goat-milk', 0.5))

  test('what is never used stops the batch, wherever it stands', () => {
    const palm = noticesOf(base, ruled({ tag: 'palm', weight: 'never' })).filter(notice => notice.weight === 'stop')
    expect(said(palm.map(notice => notice.sentence))).toEqual(['Palm oil: palm. Your workshop never uses that.'])
    expect(palm[0]!.path).toBe('recipe.oils[2].oil')
    const milk = noticesOf(milky, ruled({ tag: 'milk', weight: 'never' }))
    expect(milk.find(notice => notice.weight === 'stop')!.path).toBe('recipe.liquids[0].liquid')
  })

  test('what is to be told is told once, with all that carry it', () => {
    const told = noticesOf(
      after(
        set(['recipe', 'oils'], [plainOil('almond-sweet', 0.5), plainOil('hazelnut', 0.2), plainOil('coconut', 0.3)]),
      ),
      ruled({ tag: 'tree-nut', weight: 'tell' }),
    ).filter(notice => /For the label/.test(say(notice.sentence)))
    expect(said(told.map(notice => notice.sentence))).toEqual([
      'For the label, tree nut: Sweet almond oil, Hazelnut oil.',
    ])
  })

  test('archived things that are still used are named', () => {
    const oils = shelf.oils.map(oil => (oil.id === 'palm' ? { ...oil, archived: true } : oil))
    expect(said(noticesOf(base, { ...shelf, oils }).map(notice => notice.sentence))).toContain(
      'Palm oil is archived on the shelf.',
    )
  })
})

describe('remedies of a whole recipe', () => {
  const hurried = after(
    scent(
      [
        ['attic-rosebox', 0.6],
        ['violet-tinplate', 0.4],
      ],
      0.04,
    ),
    set(['conditions', 'mixC'], 42),
    set(['recipe', 'water'], { basis: 'ratio', value: 1.8, fullShareOfOils: 0.38 }),
  )

  test('more water is told as lye concentration, whatever basis was kept', () => {
    const water = remediesFor(hurried, shelf, 20).find(remedy => remedy.id === 'more-water')
    if (!water) return
    const result = applyEdit(hurried, water.edit)
    expect(result.ok && result.plan.recipe.water.basis).toBe('concentration')
  })

  test('a calmer scent takes the place of the whole blend, within its limit, and is not archived', () => {
    const scents = shelf.scents.map(one => (one.id === 'tin-roof-rain' ? { ...one, archived: true } : one))
    const calmer = remediesFor(hurried, { ...shelf, scents }, 20).find(remedy => remedy.id === 'calmer-scent')!
    expect(said(calmer.sentence)).toMatch(/instead of Attic Rosebox blend of 2/)
    const result = applyEdit(hurried, calmer.edit)
    const made = result.ok ? result.plan.scent! : null
    expect(made!.parts).toHaveLength(1)
    expect(made!.parts[0]!.scent).not.toBe('tin-roof-rain')
    expect(noticesOf(result.ok ? result.plan : base).some(notice => /above the limit/.test(say(notice.sentence)))).toBe(
      false,
    )
  })
})
