import { expect, test } from 'vitest'
import { beliefOf, chancesOf } from '../batter/schedule/index.ts'
import { benchOutlook, fold, followingOf } from './index.ts'
import { followingExample } from './test/runs.ts'
import { calledAt, lucks, madeReady, trialOf } from './trial.ts'
import { leftTrials } from './trial-left.ts'

const SEED = 20261130

test.each(['weir-milk', 'ninth-lock', 'seven-fathoms', 'verdigris-stair'])(
  'four of five truths lie in the band of minutes left, and looks bring it nearer: %s',
  name => {
    const { counted, covered, off } = leftTrials(followingExample(name), 40, SEED)
    expect(counted).toBeGreaterThan(15)
    for (const share of covered) {
      expect(share).toBeGreaterThan(0.7)
      expect(share).toBeLessThan(0.9)
    }
    expect(off[1]).toBeLessThan(1)
    expect(off[2]).toBeLessThan(0.65)
  },
)

const LYE_IN = 2000
const LOOKS = { everyS: 45, cups: 2, how: 'drip', error: 0.1 } as const

/** A plan that is neither hopeless nor safe: the example warmer, and blended further. */
function harder(name: string, byC: number) {
  const { plan, shelf } = followingExample(name)
  const { mixC, stopLevel } = plan.conditions
  return followingOf(
    { ...plan, conditions: { ...plan.conditions, mixC: mixC + byC, stopLevel: stopLevel + 0.3 } },
    shelf,
  )
}

test.each([
  ['weir-milk', 0],
  ['verdigris-stair', 0],
  ['seven-fathoms', 0],
  ['quarry-bench', 0],
  ['heron-reach', 11],
])('as the batter is divided the chance of the rest is about that of the plan: %s', (name, byC) => {
  const following = byC === 0 ? followingExample(name) : harder(name, byC)
  const planned = chancesOf(following.input, beliefOf(following.input)).whole
  const none = { ...lucks(following, 1, SEED)[0]!, pace: 0, stop: 0, hands: 0, cups: [] }
  const { events, dividedAt } = trialOf(following, none, LOOKS, LYE_IN)
  const state = fold(following, [...madeReady(following, LYE_IN), ...events.filter(event => event.r <= dividedAt)])
  const [follow] = benchOutlook(following, state, dividedAt).ways
  expect(follow!.kind).toBe('follow')
  expect(Math.abs(follow!.chance.whole - planned)).toBeLessThan(0.15)
})

test('plan B is called before a batter that goes wrong does, and seldom for one that does not', () => {
  let [fails, inTime, works, falsely] = [0, 0, 0, 0]
  for (const following of [harder('seven-fathoms', 9), harder('mill-race', 7)]) {
    const ready = madeReady(following, LYE_IN)
    for (const luck of lucks(following, 8, SEED)) {
      const trial = trialOf(following, luck, LOOKS, LYE_IN)
      const at = calledAt(following, trial, ready)
      if (trial.failsAt === null) {
        works += 1
        falsely += at === null ? 0 : 1
      } else {
        fails += 1
        inTime += at !== null && at <= trial.failsAt - 60 ? 1 : 0
      }
    }
  }
  expect(fails).toBeGreaterThan(2)
  expect(inTime / fails).toBeGreaterThan(0.5)
  expect(falsely / works).toBeLessThan(0.2)
})
