import { describe, expect, test } from 'vitest'
import { forecast } from '../forecast/index.ts'
import { plannedScent, starterPlan } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import { portionsOf } from '../portions/index.ts'
import { referenceShelf } from '../shelf/index.ts'
import { said } from '../quantities/words/index.ts'
import { actualOf, printedLines, weighList } from './index.ts'

const shelf = referenceShelf()
const base = starterPlan('Trial')
const rinsed = (rinseG: number): Plan => ({ ...base, recipe: { ...base.recipe, rinseG } })
const linesOf = (plan: Plan) => weighList(plan, portionsOf(plan, shelf), shelf)

describe('water to rinse with', () => {
  test('comes off the lye water and leaves all else as it was', () => {
    const [plain, some] = [base, rinsed(20)].map(linesOf) as [ReturnType<typeof linesOf>, ReturnType<typeof linesOf>]
    const massOf = (lines: typeof plain, key: string) => lines.find(line => line.key === key)?.massG ?? 0
    expect(massOf(plain, 'rinse')).toBe(0)
    expect(massOf(some, 'rinse')).toBe(20)
    expect(massOf(some, 'water') + 20).toBeCloseTo(massOf(plain, 'water'), 9)
    expect(massOf(some, 'lye')).toBe(massOf(plain, 'lye'))
    const strength = (plan: Plan) => actualOf(plan, portionsOf(plan, shelf), shelf).batters[0]!.concentration
    expect(strength(rinsed(20))).toBeCloseTo(strength(base), 9)
  })

  test('that leaves the lye less than its own weight is told', () => {
    const half = portionsOf(base, shelf)
    const made = forecast(rinsed(half.waterG - half.lyeG * 0.8), shelf)
    expect(made.ok && made.forecast.recipe.waterToLyeWhenDissolved).toBeLessThan(1)
    expect(made.ok && said(made.forecast.notices.map(notice => notice.sentence))).toEqual(
      expect.arrayContaining([expect.stringMatching(/times the lye’s weight of water/)]),
    )
  })
})

test('a private blend is one line by its weight wherever it is printed', () => {
  const scent = plannedScent(
    [
      { scent: 'eo-lavender', share: 0.7 },
      { scent: 'eo-litsea', share: 0.3 },
    ],
    0.02,
  )
  const open = { ...base, scent }
  const hidden = { ...base, scent: { ...scent, isPrivate: true } }
  const scents = (plan: Plan) => printedLines(linesOf(plan), plan).filter(line => line.kind === 'scent')
  expect(scents(open)).toHaveLength(2)
  expect(scents(hidden)).toHaveLength(1)
  expect(scents(hidden)[0]!.massG).toBeCloseTo(
    scents(open).reduce((sum, line) => sum + line.massG, 0),
    6,
  )
  expect(JSON.stringify(scents(hidden))).not.toMatch(/avender|itsea/)
})
