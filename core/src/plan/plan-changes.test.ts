import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { inverse } from '../document/changes/index.ts'
import { plainCup, starterPlan } from './starter.ts'
import type { Plan } from './document.ts'
import { applyEdit } from './edits.ts'
import type { Edit } from './edit.ts'
import { changedParts, planChanges, withChanges } from './plan-changes.ts'
import { readPlan, writePlan } from './read.ts'
import { said, say } from '../quantities/words/index.ts'

const start = readPlan(starterPlan('Trial'))
if (!start.ok) throw new Error('the starter plan is wrong')
const { plan } = start

const share = fc.double({ min: 0.05, max: 0.6, noNaN: true })
const set = (path: (string | number)[], value: unknown): Edit => ({ kind: 'set', path, value })
/** Edits by the part of the plan that they change. */
const inRecipe: fc.Arbitrary<Edit>[] = [
  share.map(value => set(['recipe', 'superfatShare'], value / 3)),
  fc.constantFrom('olive', 'palm', 'castor').map(oil => ({ kind: 'remove-oil', oil })),
  fc
    .tuple(fc.constantFrom('olive', 'coconut'), share)
    .map(([oil, part]) => ({ kind: 'set-oil-share', oil, share: part })),
  fc.constant<Edit>(
    set(
      ['recipe', 'liquids'],
      [{ liquid: 'goat-milk', shareOfWater: 0.5, measure: 'water', moment: 'lye', countFat: true }],
    ),
  ),
]
const inScore: fc.Arbitrary<Edit>[] = [
  fc
    .tuple(fc.constantFrom('pour-1', 'pour-2', 'pour-3'), fc.nat(2))
    .map(([pour, to]) => ({ kind: 'move-pour', pour, to })),
  fc.constantFrom('pour-1', 'pour-2').map(pour => ({ kind: 'remove-pour', pour })),
  fc.nat(3).map(at => ({ kind: 'add-pour', cup: 'cup-1', at, id: 'pour-9' })),
  fc.double({ min: 5, max: 40, noNaN: true }).map(heightMm => ({ kind: 'set-layer-height', pour: 'pour-2', heightMm })),
]
const inCups: fc.Arbitrary<Edit>[] = [
  fc.constantFrom('cup-1', 'cup-2').map(cup => ({ kind: 'set-dose', cup, colorant: 'charcoal', doseGPerKg: 2.5 })),
  fc.constant<Edit>({ kind: 'add-cup', cup: plainCup('cup-8', 'Rust') }),
  fc
    .string({ minLength: 1, maxLength: 20, unit: 'grapheme-ascii' })
    .map(name => set(['cups', 1, 'name'], name.trim() || 'Oat')),
]
const inRest: fc.Arbitrary<Edit>[] = [
  fc.nat(400).map(atMin => set(['rest', 'readings'], [{ atMin, at: 'core', tempC: 55 }])),
  fc.constantFrom(380, 500).map(widthMm => set(['preparation', 'rollWidthMm'], widthMm)),
  fc.double({ min: 20, max: 45, noNaN: true }).map(mixC => set(['conditions', 'mixC'], mixC)),
]
const some = (...edits: fc.Arbitrary<Edit>[][]) => fc.array(fc.oneof(...edits.flat()), { minLength: 1, maxLength: 8 })

function edited(edits: readonly Edit[]): Plan {
  let now = plan
  for (const edit of edits) {
    const result = applyEdit(now, edit)
    if (result.ok) now = result.plan
  }
  return now
}

const made = (on: Plan, changes: ReturnType<typeof planChanges>, force = false): Plan => {
  const result = withChanges(on, changes, { force })
  if (!result.ok) throw new Error(say(result.problems[0]!.sentence))
  expect(result.met).toEqual([])
  return result.plan
}

describe('changes as values', () => {
  test('make the one plan of the other, are taken back without a trace, and may be sent twice', () => {
    fc.assert(
      fc.property(some(inRecipe, inScore, inCups, inRest), edits => {
        const after = edited(edits)
        const changes = JSON.parse(JSON.stringify(planChanges(plan, after))) as ReturnType<typeof planChanges>
        expect(writePlan(made(plan, changes))).toBe(writePlan(after))
        expect(writePlan(made(after, inverse(changes)))).toBe(writePlan(plan))
        expect(made(after, changes)).toBe(after)
        if (after === plan) expect(changes).toEqual([])
      }),
    )
  })

  test('of different parts never meet, and come to the same in either order', () => {
    fc.assert(
      fc.property(some(inRecipe, inCups), some(inScore, inRest), (mine, theirs) => {
        const [a, b] = [edited(mine), edited(theirs)]
        const [fromA, fromB] = [planChanges(plan, a), planChanges(plan, b)]
        expect(writePlan(made(b, fromA))).toBe(writePlan(made(a, fromB)))
      }),
    )
  })

  test('what is not changed is the very same object', () => {
    const after = edited([set(['conditions', 'mixC'], 33)])
    const same = (Object.keys(plan) as (keyof Plan)[]).filter(key => after[key] === plan[key])
    expect(same).toHaveLength(Object.keys(plan).length - 1)
    expect(edited([set(['conditions', 'mixC'], plan.conditions.mixC)])).toBe(plan)
    expect(made(plan, planChanges(plan, after)).recipe).toBe(plan.recipe)
  })

  test('two that see and read at once lose nothing', () => {
    const noted = (cup: string, tempC: number) =>
      edited([
        set(['seen'], [{ cup, atMin: 8, level: 2, by: 'eye' }]),
        set(['rest', 'readings'], [{ atMin: 30, at: 'core', tempC }]),
      ])
    const both = made(noted('cup-1', 60), planChanges(plan, noted('cup-2', 48)))
    expect(both.seen.map(one => one.cup).sort()).toEqual(['cup-1', 'cup-2'])
    expect(both.rest.readings).toHaveLength(2)
  })
})

describe('changes that meet', () => {
  const of = (...edits: Edit[]) => planChanges(plan, edited(edits))

  test('the same field set to two values is told, and named; the same value is none', () => {
    const theirs = edited([set(['cups', 0, 'name'], 'Basalt'), set(['conditions', 'mixC'], 40)])
    const mine = of(set(['cups', 0, 'name'], 'Coal'), set(['conditions', 'mixC'], 40), set(['notes'], 'Mine'))
    const result = withChanges(theirs, mine)
    if (!result.ok) throw new Error('refused')
    expect(result.met.map(one => one.why)).toEqual(['other'])
    expect(
      said(
        changedParts(
          result.met.map(one => one.change),
          theirs,
        ),
      ),
    ).toEqual(['the cup Basalt'])
    expect(result.plan).toMatchObject({ notes: 'Mine', conditions: { mixC: 40 } })
    expect(made(theirs, mine, true).cups[0]!.name).toBe('Coal')
  })

  test('what is changed in a cup that is gone is told, not dropped in silence', () => {
    const theirs = edited([{ kind: 'remove-cup', cup: 'cup-2' }])
    const result = withChanges(theirs, of(set(['cups', 1, 'name'], 'Barley')))
    expect(result.met.map(one => one.why)).toEqual(['gone'])
  })

  test('what fits field by field and makes no plan together is refused with a sentence', () => {
    const theirs = edited([{ kind: 'remove-cup', cup: 'cup-2' }])
    const mine = of({ kind: 'add-pour', cup: 'cup-2', at: 3, id: 'pour-9' })
    expect(said(withChanges(theirs, mine))).toMatchObject({
      ok: false,
      problems: [{ sentence: expect.any(String) as string }],
    })
  })
})
