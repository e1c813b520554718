import { describe, expect, test } from 'vitest'
import { startingMove, starterPlan } from '../../plan/index.ts'
import type { Plan, PourWay } from '../../plan/index.ts'
import { portionsOf } from '../../portions/index.ts'
import { referenceShelf } from '../../shelf/index.ts'
import { runInputOf } from './input-of-plan.ts'
import { moveSeconds } from './times.ts'
import { lanesOf } from './lanes.ts'
import { variationAt } from './variation.ts'
import { USUAL_WINDOWS } from './windows.ts'
import { runPlan } from './timetable.ts'

const shelf = referenceShelf()
const start = starterPlan('Ways')
const ways = (...list: PourWay[]): Plan => ({
  ...start,
  score: start.score.map((pour, i) => ({ ...pour, shape: { ...pour.shape, way: list[i]! } })),
})
const inputFor = (plan: Plan) => runInputOf(plan, portionsOf(plan, shelf), shelf)

describe('the trace that a pour needs', () => {
  test('layers must carry, streams must run, heaps must stand', () => {
    expect(inputFor(start).pours.map(pour => pour.window)).toEqual([
      USUAL_WINDOWS.layer,
      USUAL_WINDOWS.layer,
      USUAL_WINDOWS.layer,
    ])
    const [drop, line, spoon] = inputFor(ways('drop', 'line', 'spoon')).pours
    expect(line!.window.hi).toBeLessThan(drop!.window.hi)
    expect(drop!.window.hi).toBeLessThan(spoon!.window.hi)
    expect(spoon!.window.lo).toBeGreaterThan(USUAL_WINDOWS.layer.lo)
    expect([drop, line, spoon].map(pour => pour!.isCarried)).toEqual([false, false, true])
  })

  test('a layer that streams will sink into may stay thin', () => {
    expect(inputFor(ways('layer', 'drop', 'drop')).pours[0]!.window).toEqual(USUAL_WINDOWS.floor)
  })

  test('layers that a tool goes through are poured thin, and nothing waits for them to carry', () => {
    const plan: Plan = { ...start, moves: [startingMove('move-1', 'pour-3', 'hanger')] }
    const { pours } = inputFor(plan)
    expect(pours.every(pour => pour.window.hi < USUAL_WINDOWS.layer.hi && !pour.isCarried)).toBe(true)
    const off: Plan = { ...plan, moves: plan.moves.map(move => ({ ...move, off: true })) }
    expect(inputFor(off).pours.map(pour => pour.window)).toEqual([
      USUAL_WINDOWS.layer,
      USUAL_WINDOWS.layer,
      USUAL_WINDOWS.layer,
    ])
    const lanes = (one: Plan) => lanesOf(inputFor(one))
    expect(lanes(plan).pours.every(pour => pour.carrierNeed === null)).toBe(true)
  })
})

describe('the time that a tool takes', () => {
  test('comes after its pour and holds up the next one', () => {
    const move = startingMove('move-1', 'pour-2', 'skewer')
    const [without, withMove] = [start, { ...start, moves: [move] }].map(plan => {
      const input = inputFor(plan)
      return runPlan(input, variationAt(0, input))
    })
    const task = withMove!.tasks.find(one => one.kind === 'move')!
    expect(task.toS - task.fromS).toBeCloseTo(moveSeconds(move), 6)
    expect(withMove!.pours[1]!.endS).toBeLessThanOrEqual(task.fromS + 1e-6)
    expect(withMove!.pours[2]!.startS).toBeGreaterThanOrEqual(task.toS - 1e-6)
    expect(without!.tasks.some(one => one.kind === 'move')).toBe(false)
  })

  test('more strokes take longer; one that is left out takes none', () => {
    const move = startingMove('move-1', 'pour-2', 'stick')
    expect(moveSeconds({ ...move, count: 12 })).toBeGreaterThan(moveSeconds({ ...move, count: 3 }))
    expect(moveSeconds({ ...move, off: true })).toBe(0)
  })
})
