import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { applyEdit, starterPlan } from '../plan/index.ts'
import type { Edit, Plan } from '../plan/index.ts'
import type { FieldPath } from '../document/fields/index.ts'
import { referenceShelf } from '../shelf/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { forecast, forecaster } from './index.ts'
import type { Forecast } from './index.ts'
import { say } from '../quantities/words/index.ts'

const shelf = referenceShelf()
const start = starterPlan('Trial')
const set = (path: FieldPath, value: unknown): Edit => ({ kind: 'set', path, value })
const number = (min: number, max: number) => fc.double({ min, max, noNaN: true })

/** A change of nearly every part of a plan. */
const anyEdit: fc.Arbitrary<Edit> = fc.oneof(
  number(20, 45).map(value => set(['conditions', 'mixC'], value)),
  fc.constantFrom(0.1, 1, 5).map(value => set(['conditions', 'scaleStepG'], value)),
  number(0.5, 12).map(value => set(['cups', 0, 'colorants', 0, 'doseGPerKg'], value)),
  fc.boolean().map(value => set(['cups', 1, 'scented'], value)),
  number(0.02, 0.1).map(value => set(['recipe', 'superfatShare'], value)),
  number(0, 20).map(value => set(['cutting', 'trimMm'], value)),
  number(0.2, 0.9).map(value => set(['rest', 'humidity'], value)),
  fc.constantFrom(0, 1, 4).map(top => set(['rest', 'steps', 0, 'towels', 'top'], top)),
  fc.constantFrom(1, 2).map(value => set(['hands', 'people'], value)),
  fc.constantFrom(null, 0, 1).map(value => set(['colour', 'gel'], value)),
  fc.constantFrom('thin', 'thick').map(value => set(['division', 'cling'], value)),
  fc.constantFrom('one-pot', 'own-batters').map(value => set(['division', 'mode'], value)),
  number(40, 69).map(value => set(['mould', 'fillMm'], value)),
  fc.constantFrom('A', 'B').map(value => set(['name'], value)),
  fc.constant<Edit>({ kind: 'even-layers' }),
  fc.constant<Edit>({ kind: 'remove-pour', pour: 'pour-2' }),
)

const made = (result: ReturnType<typeof forecast>): Forecast => {
  if (!result.ok) throw new Error(say(result.sentence))
  return result.forecast
}

describe('a forecast that remembers', () => {
  test('says what one that remembers nothing says, whatever was asked before', () => {
    const part = fc.constantFrom<keyof Forecast>('portions', 'colours', 'lanes', 'rest', 'notices', 'risk', 'workings')
    fc.assert(
      fc.property(
        fc.array(fc.tuple(anyEdit, fc.array(part, { maxLength: 3 })), { minLength: 2, maxLength: 6 }),
        steps => {
          const remembered = forecaster()
          let plan: Plan = start
          for (const [edit, asked] of steps) {
            const result = applyEdit(plan, edit)
            if (result.ok) plan = result.plan
            const now = made(remembered(plan, shelf))
            for (const name of asked) void now[name]
          }
          expect(JSON.stringify(made(remembered(plan, shelf)))).toBe(JSON.stringify(made(forecast(plan, shelf))))
        },
      ),
      { numRuns: 40 },
    )
  })

  test('a name, a liner and a wrap leave the pours as they are; a degree leaves the weights', () => {
    const remembered = forecaster()
    const first = made(remembered(start, shelf))
    const [lanes, portions, notices] = [first.lanes, first.portions, first.notices]
    const after = (path: FieldPath, value: unknown) => {
      const result = applyEdit(start, set(path, value))
      if (!result.ok) throw new Error(say(result.sentence))
      return made(remembered(result.plan, shelf))
    }
    expect(after(['name'], 'Other').notices).toBe(notices)
    expect(after(['preparation', 'overhangMm'], 45).lanes).toBe(lanes)
    expect(after(['rest', 'steps', 0, 'towels', 'top'], 3).lanes).toBe(lanes)
    expect(after(['cutting', 'trimMm'], 9).lanes).toBe(lanes)
    const warmer = after(['conditions', 'mixC'], 41)
    expect(warmer.portions).toBe(portions)
    expect(warmer.lanes).not.toBe(lanes)
  })

  test('another shelf is another forecast', () => {
    const remembered = forecaster()
    const before = made(remembered(start, shelf)).portions.lyeG
    const other: Shelf = {
      ...shelf,
      oils: shelf.oils.map(oil => (oil.id === 'olive' ? { ...oil, sapKohMgPerG: oil.sapKohMgPerG + 20 } : oil)),
    }
    expect(made(remembered(start, other)).portions.lyeG).toBeGreaterThan(before)
    expect(JSON.stringify(made(remembered(start, shelf)))).toBe(JSON.stringify(made(forecast(start, shelf))))
  })
})
