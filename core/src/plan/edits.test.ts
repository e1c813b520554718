import { describe, expect, test } from 'vitest'
import fc from 'fast-check'
import { forecast } from '../forecast/index.ts'
import { referenceShelf } from '../shelf/index.ts'
import { layerHeights } from './cavities.ts'
import type { Plan } from './document.ts'
import { freshId } from './edit-result.ts'
import { applyEdit, pathText } from './edits.ts'
import type { Edit } from './edit.ts'
import { readPlan, writePlan } from './read.ts'
import { plainOil, starterPlan } from './starter.ts'
import { said, say } from '../quantities/words/index.ts'

const plan = starterPlan('Trial')
const number = fc.double({ min: -10, max: 500, noNaN: true })
const oil = fc.constantFrom(...referenceShelf().oils.map(one => one.id))
const id = (prefix: string) => fc.integer({ min: 1, max: 6 }).map(n => `${prefix}-${n}`)

/** Edits as a person might make them, sensible or not. */
const anyEdit: fc.Arbitrary<Edit> = fc.oneof(
  fc.record({
    kind: fc.constant('set' as const),
    path: fc.constantFrom(
      ['recipe', 'superfatShare'],
      ['mould', 'fillMm'],
      ['conditions', 'mixC'],
      ['cups', 0, 'clingG'],
      ['pot', 'clingG'],
      ['name'],
    ),
    value: fc.oneof(number, fc.string()),
  }),
  fc.record({
    kind: fc.constant('add-oil' as const),
    oil: fc.tuple(oil, number).map(([name, share]) => plainOil(name, share)),
  }),
  fc.record({ kind: fc.constant('remove-oil' as const), oil }),
  fc.constant<Edit>({ kind: 'fit-oils' }),
  fc.record({ kind: fc.constant('set-oil-share' as const), oil, share: number }),
  fc.record({ kind: fc.constant('remove-cup' as const), cup: id('cup') }),
  fc.record({
    kind: fc.constant('add-pour' as const),
    cup: id('cup'),
    at: fc.integer({ min: 0, max: 4 }),
    id: id('pour'),
  }),
  fc.record({ kind: fc.constant('remove-pour' as const), pour: id('pour') }),
  fc.record({ kind: fc.constant('move-pour' as const), pour: id('pour'), to: fc.integer({ min: 0, max: 5 }) }),
  fc.record({ kind: fc.constant('set-layer-height' as const), pour: id('pour'), heightMm: number }),
  fc.constant<Edit>({ kind: 'even-layers' }),
)

test('whatever is edited, the plan stays one that can be read, forecast and written', () => {
  fc.assert(
    fc.property(fc.array(anyEdit, { maxLength: 15 }), edits => {
      let now: Plan = plan
      for (const edit of edits) {
        const before = writePlan(now)
        const result = applyEdit(now, edit)
        expect(writePlan(now)).toBe(before)
        if (result.ok) now = result.plan
        else expect(say(result.sentence).length).toBeGreaterThan(5)
      }
      expect(readPlan(JSON.parse(writePlan(now))).ok).toBe(true)
      expect(layerHeights(now).reduce((a, b) => a + b, 0)).toBeCloseTo(now.mould.fillMm, 6)
      expect(forecast(now, referenceShelf()).ok).toBe(true)
    }),
    { numRuns: 60 },
  )
})

describe('single edits', () => {
  test('many edits are all made or none', () => {
    const bad: Edit = {
      kind: 'many',
      edits: [
        { kind: 'set', path: ['name'], value: 'New' },
        { kind: 'remove-oil', oil: 'olive' },
        { kind: 'set', path: ['conditions', 'mixC'], value: 999 },
      ],
    }
    expect(applyEdit(plan, bad).ok).toBe(false)
    expect(plan.name).toBe('Trial')
  })

  test('an added layer takes its part from all others alike', () => {
    const result = applyEdit(plan, { kind: 'add-pour', cup: 'cup-2', at: 1, id: 'pour-9' })
    const heights = result.ok ? layerHeights(result.plan).map(h => Number(h.toFixed(2))) : []
    expect(heights).toEqual([18, 15, 13.5, 13.5])
  })

  test('the last oil, pour and cup stay', () => {
    const one: Plan = {
      ...plan,
      recipe: { ...plan.recipe, oils: [plainOil('olive', 1)] },
      cups: plan.cups.slice(0, 1),
      score: plan.score.slice(0, 1),
    }
    expect(said(applyEdit(one, { kind: 'remove-oil', oil: 'olive' }))).toMatchObject({ ok: false, path: 'recipe.oils' })
    expect(said(applyEdit(one, { kind: 'remove-pour', pour: 'pour-1' }))).toMatchObject({ ok: false, path: 'score' })
    expect(said(applyEdit(one, { kind: 'remove-cup', cup: 'cup-1' }))).toMatchObject({ ok: false, path: 'cups' })
    expect(applyEdit(one, { kind: 'set-layer-height', pour: 'pour-1', heightMm: 9 })).toMatchObject({ ok: false })
  })

  test('an edit of a layer that is gone says so', () => {
    expect(said(applyEdit(plan, { kind: 'move-pour', pour: 'gone', to: 0 }))).toMatchObject({
      ok: false,
      sentence: 'That layer is gone.',
    })
    expect(applyEdit(plan, { kind: 'set-layer-height', pour: 'gone', heightMm: 9 })).toMatchObject({ ok: false })
  })

  test('the top layer takes from the one below', () => {
    const result = applyEdit(plan, { kind: 'set-layer-height', pour: 'pour-3', heightMm: 20 })
    expect(result.ok && layerHeights(result.plan).map(h => Number(h.toFixed(2)))).toEqual([24, 16, 20])
  })
})

test('ids are new, paths are readable', () => {
  expect(freshId('cup', [{ id: 'cup-1' }, { id: 'cup-3' }])).toBe('cup-4')
  expect(freshId('cup', [{ id: 'cup-2' }])).toBe('cup-3')
  expect(pathText(['cups', 2, 'colorant', 'doseGPerKg'])).toBe('cups[2].colorant.doseGPerKg')
})
