import { readFileSync } from 'node:fs'
import { expect, test } from 'vitest'
import { readPlan } from '../plan/index.ts'
import { referenceShelf } from '../shelf/index.ts'
import { fold, followingOf, runFromPlan } from './index.ts'
import { weightsIn } from './state.ts'

const PAST = new URL('../plan/versions/past/', import.meta.url)
const old = (file: string): unknown => JSON.parse(readFileSync(new URL(file, PAST), 'utf8'))
const day = new Date(2026, 10, 20, 19, 30)

test('what an older plan held of its making is a run with every tick, weight and reading', () => {
  const document = old('v10-b.json')
  const run = runFromPlan(document, day)!
  expect(run.openedAt).toEqual(new Date(2026, 10, 20, 13, 40))
  const read = readPlan(document)
  if (!read.ok) throw new Error('not read')
  const { state } = { state: fold(followingOf(read.plan, referenceShelf()), run.events) }
  expect(Object.keys(state.ticked)).toEqual(['tool:goggles', 'mould:level', 'prep:line'])
  expect(weightsIn(state.weighed)).toEqual({ 'oil:olive': 351 })
  expect(state.temps.oils).toMatchObject([{ r: 0, value: 44 }])
  expect(state.temps.lye).toMatchObject([{ r: 600, value: 61 }])
  // Lye that was weighed without the safety list of that day is kept, and asked about.
  expect(state.toClear.map(one => one.event)).toMatchObject([{ kind: 'weighed', item: 'lye', amount: 96.4 }])
})

test.each([
  ['a plan of today', 'v11.json'],
  ['an older one that was not begun', 'v10.json'],
])('%s is none', (_, file) => expect(runFromPlan(old(file), day)).toBeNull())

test.each([
  null,
  'x',
  [],
  {},
  { format: 'ostler-plan', version: 3, preparation: { done: [7, '<b>'], weighed: 'all' } },
])('anything else gives none either: %j', document => expect(runFromPlan(document, day)).toBeNull())
