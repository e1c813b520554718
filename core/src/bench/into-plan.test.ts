import { expect, test } from 'vitest'
import { readPlan } from '../plan/index.ts'
import { fold } from './index.ts'
import { seenIn, withRun } from './into-plan.ts'
import { followingExample, madeUntil, noted } from './test/runs.ts'

const T0 = 2000
const milk = followingExample('weir-milk')

test('a run tells its plan when it was poured, what was seen and how long the blender ran', () => {
  const [honey] = milk.plan.cups.map(cup => cup.id)
  const events = madeUntil(milk, T0, step => step.kind === 'finish', { blendS: 45 })
  const looks = Array.from({ length: 30 }, (_, i) =>
    noted('seen', T0 + 120 + 10 * i, { cup: honey!, amount: 2 + i / 100, how: i % 2 ? 'drip' : 'word' }),
  )
  const state = fold(milk, [...events, ...looks])
  const told = withRun(milk.plan, state, at => `2026-11-30T${String(10 + Math.floor(at / 3600)).padStart(2, '0')}:00`)
  expect(told).toMatchObject({ blendedS: 45, rest: { pouredAt: '2026-11-30T10:00' } })
  expect(told.seen).toHaveLength(20)
  expect(told.seen.at(-1)).toEqual({ cup: honey, atMin: 6.83, level: 2.29, by: 'drip' })
  // It is a plan that can be kept, and the same run told twice changes nothing more.
  const read = readPlan(JSON.parse(JSON.stringify(told)))
  expect(read.ok && read.plan).toEqual(told)
  expect(withRun(told, state, () => told.rest.pouredAt)).toEqual(told)
})

test('a run of which nothing is known changes nothing', () => {
  const state = fold(milk, [])
  expect(withRun(milk.plan, state, () => 'x')).toEqual(milk.plan)
  expect(seenIn(state)).toEqual([])
})
