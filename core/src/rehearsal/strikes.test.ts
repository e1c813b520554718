import { describe, expect, test } from 'vitest'
import { doubtOf, fold, followingOf } from '../bench/index.ts'
import type { BenchEvent } from '../bench/index.ts'
import { followingExample, noted, untilHeld } from '../bench/test/runs.ts'
import { judgedPours } from './judge.ts'
import { answeredIn, answersWith, readSetting, undone } from './kept.ts'
import { asMade, asWeighed } from './outcome.ts'
import { PUT_RIGHT, drawnSurprises, handsFor, isScentHidden, meetsIt, mistyped, struckOf } from './strikes.ts'
import { RUN_MOMENTS, surpriseOf } from './surprises.ts'
import type { Strikes, SurpriseKey } from './surprises.ts'
import { rehearsalOf, sceneAt, worldAt } from './world.ts'
import type { Rehearsed } from './world.ts'

const fathoms = followingExample('seven-fathoms')
const used = fathoms.input.cups.flatMap((task, i) => (task.massG > 0 ? [{ ...task, i }] : []))
const T0 = 1000

const withOnly = (key: SurpriseKey, at?: { after: Strikes; s: number }): Rehearsed =>
  rehearsalOf(fathoms, { seed: 5, level: 'none', surprises: [{ key, size: 0.5, at }] })
const struckIn = (rehearsed: Rehearsed, events: readonly BenchEvent[], r: number, key: SurpriseKey) =>
  struckOf(worldAt(rehearsed, events, r).struck, key)!

/** Every cup drawn and coloured; scented where it is asked for. */
function ready(scented = true): BenchEvent[] {
  const events = untilHeld(fathoms, T0, 40)
  let r = T0 + 70
  for (const { cup, i } of used)
    events.push(noted('drawn', (r += 10), { cup: cup.id, amount: fathoms.fills[i]!.drawG }))
  for (const { cup } of used) events.push(noted('colour', (r += 10), { cup: cup.id }))
  if (scented) for (const { cup } of used) events.push(noted('scent', (r += 10), { cup: cup.id }))
  return events
}
const READY = T0 + 70 + 30 * used.length

/** Poured one after another, so many seconds apart. */
const poured = (from: number, apart = 30): BenchEvent[] =>
  fathoms.input.pours.flatMap(({ pour }, n) => [
    noted('pour-start', from + apart * n, { pour }),
    noted('poured', from + apart * n + 20, { pour }),
  ])

describe('two labels exchanged', () => {
  const rehearsed = withOnly('labels-swapped', { after: 'coloured', s: 1 })
  const after = READY + 20

  test('show each cup under the other’s label, and pour it, until they are put right', () => {
    const calm = worldAt(withOnly('leak'), ready(), after)
    const world = worldAt(rehearsed, ready(), after)
    const [a, b] = world.swapped!.map(id => fathoms.input.cups.findIndex(({ cup }) => cup.id === id))
    expect(a).not.toBe(b)
    expect(Math.abs(world.cups[a!]!.tempC - calm.cups[b!]!.tempC)).toBeLessThan(0.01)
    expect(Math.abs(world.cups[a!]!.tempC - calm.cups[a!]!.tempC)).toBeGreaterThan(0.02)
    const wrong = judgedPours(sceneAt(rehearsed, [...ready(), ...poured(after)], after + 900))
    const exchanged = wrong.filter(one => one.from !== one.cup)
    expect(new Set(exchanged.map(one => one.cup))).toEqual(new Set(world.swapped))
    expect(exchanged.every(one => one.wrong !== null)).toBe(true)
    const made = asMade(rehearsed, wrong, []).plan.score
    expect(made.find(one => one.id === exchanged[0]!.pour)).toMatchObject({ cup: exchanged[0]!.from })
    const righted = [...ready(), noted('note', after, meetsIt('labels-swapped', PUT_RIGHT))]
    expect(worldAt(rehearsed, righted, after + 1).swapped).toBeNull()
    const right = judgedPours(sceneAt(rehearsed, [...righted, ...poured(after + 5)], after + 900))
    expect(right.every(one => one.from === one.cup)).toBe(true)
  })

  test('put what is done meanwhile into the cup that is in the hand', () => {
    const early = [...ready(false)]
    const r = READY
    const [first, other] = worldAt(rehearsed, early, r).swapped!
    const scene = sceneAt(rehearsed, [...early, noted('scent', r, { cup: first })], r + 10)
    const stateOf = (id: string) => scene.state.cups.find(one => one.cup === id)!
    expect(stateOf(other).scentedAt).toBe(r)
    expect(stateOf(first).scentedAt).toBeNull()
  })
})

describe('a leak', () => {
  const rehearsed = withOnly('leak', { after: 'pour', s: 0 })
  const from = READY + 10
  const events = [...ready(), ...poured(from)]
  const sum = (pours: readonly { pouredG: number }[]) => pours.reduce((all, one) => all + one.pouredG, 0)
  const end = from + 600

  test('loses its grams a minute of what was poured first until it is taped', () => {
    const whole = judgedPours(sceneAt(withOnly('lye-grain'), events, end))
    const lost = judgedPours(sceneAt(rehearsed, events, end))
    expect(sum(whole) - sum(lost)).toBeCloseTo(100, 6)
    expect(lost[0]!.pouredG).toBeLessThan(whole[0]!.pouredG)
    expect(lost.at(-1)!.pouredG).toBe(whole.at(-1)!.pouredG)
    const taped = [...events, noted('note', from + 60, meetsIt('leak', surpriseOf('leak').ways![0]!))]
    expect(sum(whole) - sum(judgedPours(sceneAt(rehearsed, taped, end)))).toBeCloseTo(10, 6)
  })
})

describe('a scale', () => {
  test('that swallows drops makes the scent quicker, unless the bottle is weighed back', () => {
    const rehearsed = withOnly('scale-creep')
    const at = READY + 200
    const level = (events: readonly BenchEvent[]) => worldAt(rehearsed, events, at).cups[used[0]!.i]!.level
    const back = noted('note', T0 + 100, meetsIt('scale-creep', surpriseOf('scale-creep').ways![0]!))
    const on = noted('note', T0 + 100, meetsIt('scale-creep', surpriseOf('scale-creep').ways![1]!))
    expect(level([...ready(), back])).toBeLessThan(level(ready()))
    expect(level([...ready(), on])).toBe(level(ready()))
  })

  test('heard wrongly is doubted, and what was weighed stands among what may be meant', () => {
    const state = fold(fathoms, untilHeld(fathoms, T0, 40))
    for (let seed = 0; seed < 60; seed += 1) {
      const { cup, i } = used[seed % used.length]!
      const really = fathoms.fills[i]!.drawG
      const amount = mistyped(really, seed)
      const doubt = doubtOf(fathoms, state, { kind: 'drawn', cup: cup.id, amount, source: 'hand' }, null)
      const meant = doubt?.meant.flatMap(one => (one.kind === 'typed' ? one.amount : [])) ?? []
      expect(Math.min(...meant.map(one => Math.abs(one / really - 1))), `${really} as ${amount}`).toBeLessThan(0.03)
    }
  })

  test('of which something else was noted has really weighed what it weighed', () => {
    const calm = withOnly('lye-grain')
    const events = ready()
    const drawn = events.find(event => event.kind === 'drawn')!
    const told = events.map(event => (event === drawn ? { ...event, amount: 10 * event.amount! } : event))
    const really = [{ key: drawn.key, amount: drawn.amount! }]
    const weighed = asWeighed(calm, { ...undone(), really })
    expect(worldAt(weighed, told, READY)).toEqual(worldAt(calm, events, READY))
    expect(worldAt(calm, told, READY)).not.toEqual(worldAt(calm, events, READY))
  })
})

test('a scent is kept from the list for a while; a helper halves the time until called away', () => {
  const hidden = withOnly('forgot-scent')
  const put = struckIn(hidden, ready(), READY, 'forgot-scent')
  expect(isScentHidden([put], put.r + 89)).toBe(true)
  expect(isScentHidden([put], put.r + 91)).toBe(false)
  expect(isScentHidden([], put.r)).toBe(false)
  const two = { ...fathoms, input: { ...fathoms.input, people: 2 as const } }
  const away = { key: 'helper-away' as const, size: 0.5, r: 1000, cup: null, other: null }
  expect(handsFor(fathoms, 'colour', [], 0)).toBe(1)
  expect([900, 1100, 1300].map(r => handsFor(two, 'colour', r < 1000 ? [] : [away], r))).toEqual([0.5, 1, 0.5])
  expect(handsFor(two, 'pour', [], 0)).toBe(1)
})

test('what is wished for strikes so long after its moment, whatever else there is', () => {
  const late = Object.keys(RUN_MOMENTS).filter(key => key !== 'start' && key !== 'lye') as Strikes[]
  const events = [...ready(), ...poured(READY)]
  for (const after of late) {
    const early = struckIn(withOnly('doorbell', { after, s: 10 }), events, READY + 2000, 'doorbell').r
    expect(struckIn(withOnly('doorbell', { after, s: 250 }), events, READY + 2000, 'doorbell').r).toBe(early + 240)
  }
})

test('a number of before draws among what it drew among; those since come in only with the second lot', () => {
  const drawn = (deck: 1 | 2) =>
    new Set(Array.from({ length: 300 }, (_, n) => drawnSurprises(fathoms, n, 'few', deck).map(one => one.key)).flat())
  expect(drawn(1)).not.toContain('labels-swapped')
  expect(drawn(2)).toContain('labels-swapped')
  // One person has no helper who could leave.
  expect(drawn(2)).not.toContain('helper-away')
  const plan = { ...fathoms.plan, hands: { ...fathoms.plan.hands, people: 2 as const } }
  const two = followingOf(plan, fathoms.shelf)
  expect(Array.from({ length: 300 }, (_, n) => drawnSurprises(two, n, 'few', 2).map(one => one.key)).flat()).toContain(
    'helper-away',
  )
})

describe('questions', () => {
  const ask = { at: { after: 'split', s: 5 }, ask: 'What now?', answers: ['Pour', 'Wait'], right: 1 }
  const setting = { seed: 1, level: 'few', begins: 'lye', questions: [ask] }

  test('are answered once, and held against what is right', () => {
    const read = readSetting(setting)
    if (!read.ok) throw new Error('not read')
    const [question] = read.value.questions!
    const answered = (answer: string) => answeredIn(read.value, [noted('note', 5, answersWith(question!, answer))])
    expect(answered('Wait')).toEqual({ right: 1, of: 1 })
    expect(answered('Pour')).toEqual({ right: 0, of: 1 })
    expect(answeredIn(read.value, [])).toEqual({ right: 0, of: 1 })
  })

  test.each([
    { ...ask, answers: ['Pour'] },
    { ...ask, answers: ['Pour', ' '] },
    { ...ask, right: 2 },
    { ...ask, ask: '' },
    { ...ask, at: { after: 'never', s: 5 } },
    { ...ask, at: { after: 'split', s: -1 } },
  ])('without an answer, or at no moment, are refused: %j', question => {
    expect(readSetting({ ...setting, questions: [question] }).ok).toBe(false)
  })
})
