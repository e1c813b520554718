import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { applyEdit, readPlanText, starterPlan } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import { portionsOf } from '../portions/index.ts'
import { beliefOf, chanceOf, runInputOf, lanesOf, variationAt, monteCarlo, runPlan } from '../batter/schedule/index.ts'
import { inverseNormal } from '../quantities/chance/index.ts'
import { referenceShelf } from '../shelf/index.ts'
import { FREEDOMS, searchPlans, slopesOf } from './index.ts'
import type { Aim, Freedom, SearchState } from './index.ts'
import { said, say } from '../quantities/words/index.ts'

const shelf = referenceShelf()
const example = (name: string): Plan => {
  const read = readPlanText(readFileSync(new URL(`../../../examples/${name}.json`, import.meta.url), 'utf8'))
  if (!read.ok) throw new Error(name)
  return read.plan
}
const trouble = example('verdigris-stair')
const input = (plan: Plan) => runInputOf(plan, portionsOf(plan, shelf), shelf)
const all = new Set(Object.keys(FREEDOMS) as Freedom[])
const through = (plan: Plan, free: ReadonlySet<Freedom> = all, aim: Aim = 'works'): SearchState[] => [
  ...searchPlans(plan, shelf, { free, aim }),
]
const hands = (change: Partial<Plan['hands']>): Plan => ({ ...trouble, hands: { ...trouble.hands, ...change } })
const endMin = (plan: Plan) => lanesOf(input(plan)).endMin

describe('many runs', () => {
  test('the inverse of the normal distribution', () => {
    const cases = [
      [0.5, 0],
      [0.9, 1.2815515655],
      [0.025, -1.9599639845],
      [0.001, -3.0902323062],
      [0.99, 2.326347874],
    ] as const
    for (const [p, z] of cases) expect(inverseNormal(p)).toBeCloseTo(z, 7)
  })

  test('are the same for the same input, and settle within their error as there are more', () => {
    const few = monteCarlo(input(trouble), 100)
    expect(monteCarlo(input(trouble), 100)).toEqual(few)
    const many = monteCarlo(input(trouble), 1600)
    expect(many.error).toBeLessThan(few.error / 3)
    expect(Math.abs(few.chance - many.chance)).toBeLessThan(3 * few.error)
    expect(Math.abs(many.chance - chanceOf(input(trouble)))).toBeLessThan(0.12)
    const failing = many.pours.map(pour => pour.thick ?? 0)
    expect(1 - many.chance).toBeGreaterThanOrEqual(Math.max(...failing) - 1e-9)
  })
})

describe('hands', () => {
  test('slower ones end later, two people earlier; each cup in its turn waits less', () => {
    expect(endMin(hands({ pace: 1.5 }))).toBeGreaterThan(endMin(trouble))
    expect(endMin(hands({ people: 2 }))).toBeLessThan(endMin(trouble))
    expect(endMin(hands({ order: 'each' }))).toBeCloseTo(endMin(trouble), 1)
    const tasks = lanesOf(input(hands({ order: 'each' }))).tasks
    const firstPour = tasks.findIndex(task => task.kind === 'pour')
    expect(tasks.slice(firstPour).some(task => task.kind === 'colour')).toBe(true)
  })

  test('a window of its own is kept, and one that ends before it starts is refused', () => {
    const path = ['score', 0, 'window']
    const own = applyEdit(trouble, { kind: 'set', path, value: { lo: 1.5, hi: 4 } })
    expect(own.ok && lanesOf(input(own.plan)).pours[0]!.window).toEqual({ lo: 1.5, hi: 4 })
    const wrong = applyEdit(trouble, { kind: 'set', path, value: { lo: 3, hi: 2 } })
    expect(wrong.ok).toBe(false)
    if (!wrong.ok) expect(said(wrong.sentence)).toContain('at least 0.2 wide')
  })
})

describe('what was seen', () => {
  const seen = (level: number, atMin = 7): Plan => ({
    ...trouble,
    seen: [{ cup: trouble.cups[0]!.id, atMin, level, by: 'eye' }],
  })
  const usual = runPlan(input(trouble), variationAt(0, input(trouble)), 30).lanes[0]!
  const at7 = usual.find(point => point.s >= 420)!.level

  test('as expected narrows the forecast and does not move it', () => {
    const belief = beliefOf(input(seen(at7)))
    expect(Math.abs(belief.mean)).toBeLessThan(0.25)
    expect(belief.sd).toBeLessThan(1)
  })

  test('thicker than expected quickens it, thinner slows it; the more so the further off', () => {
    const mean = (level: number) => beliefOf(input(seen(level))).mean
    expect(mean(at7 + 0.5)).toBeGreaterThan(0.2)
    expect(mean(at7 + 1)).toBeGreaterThan(mean(at7 + 0.5))
    expect(mean(at7 - 0.3)).toBeLessThan(mean(at7))
    expect(lanesOf(input(seen(at7 + 0.6))).seenPace).toBeGreaterThan(1)
    expect(lanesOf(input(trouble)).seenPace).toBe(1)
  })

  test('two sightings count for more than one', () => {
    const one = beliefOf(input(seen(at7 + 0.5)))
    const two: Plan = { ...trouble, seen: [...seen(at7 + 0.5).seen, ...seen(at7 + 0.5).seen] }
    expect(beliefOf(input(two)).mean).toBeGreaterThan(one.mean)
    expect(beliefOf(input(two)).sd).toBeLessThan(one.sd)
  })
})

describe('the search', () => {
  const states = through(trouble)
  const { found, done, total } = states.at(-1)!

  test('turns a plan in trouble into one with a good chance, and says what changes', () => {
    expect(found[0]!.before).toBeLessThan(0.4)
    expect(found[0]!.chance).toBeGreaterThan(0.75)
    expect(found[0]!.changes.length).toBeGreaterThan(0)
    expect(done).toBe(total)
    for (const [i, state] of states.slice(1).entries()) expect(state.best).toBeGreaterThanOrEqual(states[i]!.best)
  })

  test('never offers what works less often, and every edit does what is said of it', () => {
    for (const one of found) {
      expect(one.chance).toBeGreaterThanOrEqual(one.before)
      const result = applyEdit(trouble, one.edit)
      if (!result.ok) throw new Error(say(result.sentence))
      expect(monteCarlo(input(result.plan), 400).chance).toBeCloseTo(one.chance, 6)
    }
  })

  test('is the same again, and changes nothing that it may not', () => {
    expect(through(trouble).at(-1)).toEqual(states.at(-1))
    const cool = through(trouble, new Set<Freedom>(['mixC'])).at(-1)!
    for (const one of cool.found) expect(one.changes.map(change => change.freedom)).toEqual(['mixC'])
  })

  test('finds the true best of a small space', () => {
    const best = through(trouble, new Set<Freedom>(['stop'])).at(-1)!.found[0]!
    const chances = [1.2, 1.4, 1.6, 1.8, 2].map(
      stopLevel => monteCarlo(input({ ...trouble, conditions: { ...trouble.conditions, stopLevel } }), 400).chance,
    )
    expect(best.chance).toBeGreaterThan(Math.max(...chances) - 0.025)
  })

  test('has nothing to offer where all is well', () => {
    expect(through(starterPlan('Calm')).at(-1)!.found).toEqual([])
  })
})

test('levers act the way that batter does', () => {
  const slopes = slopesOf(example('heron-reach'), shelf)
  expect(slopes.map(slope => slope.lever)).toEqual(['mixC', 'roomC', 'stop', 'water', 'hands'])
  for (const slope of slopes) {
    expect(slope.minutes).toBeLessThan(0)
    expect(said(slope.sentence)).toMatch(/: .* (to spare|too thick).*\.$/)
  }
})
