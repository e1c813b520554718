import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { applyEdit, readPlanText } from '../../plan/index.ts'
import { portionsOf } from '../../portions/index.ts'
import { referenceShelf } from '../../shelf/index.ts'
import { lanesOf, runInputOf } from '../schedule/index.ts'
import { adviceFor, sureRisk } from './advice.ts'

const shelf = referenceShelf()
const examples = ['verdigris-stair', 'seven-fathoms', 'mill-race'].map(name => {
  const read = readPlanText(readFileSync(new URL(`../../../../examples/${name}.json`, import.meta.url), 'utf8'))
  if (!read.ok) throw new Error(name)
  return [name, read.plan] as const
})

describe.each(examples)('advice for %s', (_, plan) => {
  const { sure, remedies } = adviceFor(plan, shelf)
  const quick = lanesOf(runInputOf(plan, portionsOf(plan, shelf), shelf))

  test('goes from the chance that the risk tells to the one that is told once it is taken', () => {
    expect(remedies.length).toBeGreaterThan(0)
    for (const { before, after, edit } of remedies) {
      expect(before).toBe(sure!.risk.chance)
      expect(after).toBeGreaterThan(before)
      const changed = applyEdit(plan, edit)
      expect(changed.ok && sureRisk(changed.plan, shelf)!.chance).toBe(after)
    }
  })

  test('one number stands everywhere: the lanes have the chance that the risk tells', () => {
    const { risk, lanes } = sure!
    expect(risk.chance).toBe(lanes.chance)
    // What is only worked through quickly is another number: the lanes are not those of the forecast.
    expect(lanes.pours.map(pour => pour.chance)).not.toEqual(quick.pours.map(pour => pour.chance))
    expect(lanes.pours.map(pour => pour.startMin)).toEqual(quick.pours.map(pour => pour.startMin))
  })
})

test('where nothing can be forecast there is none', () => {
  const [, plan] = examples[0]!
  expect(adviceFor(plan, { ...shelf, oils: [] })).toEqual({ sure: null, remedies: [] })
})
