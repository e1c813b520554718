import { expect, test } from 'vitest'
import { say } from '../quantities/words/index.ts'
import { benchOutlook, eventOf, fold, followingOf, inCup, nextActions, verdictOn } from './index.ts'
import type { BenchEvent } from './index.ts'
import { cupNow } from './state.ts'
import { followingExample, noted, untilLye } from './test/runs.ts'

const LYE_IN = 2000
const milk = followingExample('weir-milk')
const own = followingOf({ ...milk.plan, division: { ...milk.plan.division, mode: 'own-batters' } }, milk.shelf)
const [a, b] = own.plan.cups.map(cup => cup.id) as [string, string]

/** Done deed by deed as planned; holds are answered. */
function made(until: (key: string) => boolean): BenchEvent[] {
  // What untilLye weighs of each batter's lye is weighed when it is made.
  const events = untilLye(own, LYE_IN).filter(one => one.item?.endsWith(':solution') !== true)
  for (let r = LYE_IN; events.length < 300;) {
    const state = fold(own, events)
    const { step } = nextActions(own, state)[0]!
    if (!step || until(step.key)) return events
    r += step.seconds
    events.push(
      step.kind === 'hold'
        ? noted('hold', r, { how: 'holds', cup: step.cup! })
        : { ...noted('note', r), ...eventOf(step, state)! },
    )
  }
  throw new Error('the run never ended')
}

test('each cup gets its lye, is blended and tested before anything goes into it, and the run comes to its end', () => {
  const keys = own.steps.map(step => step.key)
  for (const cup of [a, b]) expect(keys.indexOf(`lye-in:${cup}`)).toBe(keys.indexOf(`weigh:batter:${cup}:solution`) + 1)
  const of = (cup: string) => own.steps.filter(step => step.cup === cup).map(step => step.kind)
  expect(of(a).slice(0, 3)).toEqual(['lye-in', 'blend', 'hold'])
  expect(of(b).slice(0, 3)).toEqual(['lye-in', 'blend', 'hold'])
  expect(own.steps.map(step => step.key)).not.toContain('blend')
  const state = fold(
    own,
    made(() => false),
  )
  expect(state).toMatchObject({ closed: 'moulded', toClear: [], lyeInAt: expect.any(Number) as number })
  expect(Object.keys(state.batters).sort()).toEqual([a, b].sort())
  for (const cup of [a, b]) expect(Math.abs(inCup(cupNow(state, cup)!))).toBeLessThan(15)
})

test('a batter that came apart is not poured, and lye goes into each cup once', () => {
  const until = made(key => key.startsWith('pour:'))
  const state = fold(own, until)
  const first = own.input.cups[own.input.pours[0]!.cup]!.cup.id
  const at = until.at(-1)!.r + 5
  const broken = fold(own, [...until, noted('hold', at, { how: 'breaks', cup: first })])
  const pour = noted('pour-start', at + 5, { pour: own.input.pours[0]!.pour })
  expect(verdictOn(own, state, pour).kind).not.toBe('refused')
  expect(verdictOn(own, broken, pour)).toMatchObject({ kind: 'refused' })
  expect(nextActions(own, broken)[0]!.step!.key).toBe(`blend:${first}`)
  const again = verdictOn(own, state, noted('lye-in', at, { cup: first }))
  expect(again.kind === 'refused' && say(again.sentence)).toMatch(/lye/i)
})

test('no cup gets lye before its share of the solution was weighed', () => {
  const state = fold(
    own,
    made(key => key.includes(':solution')),
  )
  const first = own.steps.find(step => step.kind === 'lye-in')!.cup!
  const verdict = verdictOn(own, state, noted('lye-in', LYE_IN + 600, { cup: first }))
  expect(verdict.kind === 'refused' && say(verdict.sentence)).toMatch(/Lye solution/)
})

test('the safety list comes before lye in any cup', () => {
  const verdict = verdictOn(own, fold(own, []), noted('lye-in', 5, { cup: a }))
  expect(verdict.kind === 'refused' && say(verdict.sentence)).toMatch(/safety list/)
})

test('a cup that is made has its minutes left; the rest, still to be made, counts in the chance', () => {
  const events = made(
    key =>
      key === `lye-in:${own.steps.find(step => step.kind === 'lye-in' && step.cup !== undefined)!.cup === a ? b : a}`,
  )
  const state = fold(own, events)
  const outlook = benchOutlook(own, state, events.at(-1)!.r + 10)
  expect(outlook.cups).toHaveLength(1)
  expect(outlook.cups[0]!.low).toBeGreaterThan(0)
  const { chance } = outlook.ways.find(way => way.kind === 'follow')!
  expect(chance.whole).toBeGreaterThanOrEqual(0)
  expect(chance.whole).toBeLessThanOrEqual(1)
  expect(chance.weakest).not.toBeNull()
})
