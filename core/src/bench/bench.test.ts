import { readdirSync } from 'node:fs'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { say } from '../quantities/words/index.ts'
import type { BenchEvent } from './event.ts'
import { eventOf, fold, followingOf, nextActions, readEvents, verdictOn } from './index.ts'
import type { Settled } from './index.ts'
import { followingExample, noted, untilLye } from './test/runs.ts'

const milk = followingExample('weir-milk')
const [first, second] = milk.plan.cups.map(cup => cup.id) as [string, string]

/** Second of the run at which the lye goes into the oils in these cases. */
const LYE_IN = 1000
const event = (kind: BenchEvent['kind'], t: number, about: Partial<BenchEvent> = {}) => noted(kind, LYE_IN + t, about)
const ticks = (...items: string[]) => items.map((item, i) => event('tick', -900 + i, { item: `safety:${item}` }))
const weighedAll = milk.lines.map((line, i) => event('weighed', -880 + i, { item: line.key, amount: line.massG }))
const split = [
  ...untilLye(milk, LYE_IN),
  event('lye-in', 0),
  event('blend-on', 2, { how: 'stick' }),
  event('blend-off', 22),
  event('blend-on', 30, { how: 'stick' }),
  event('blend-off', 42),
  event('seen', 43, { amount: 1.8, how: 'word' }),
  event('hold', 58, { how: 'holds' }),
  event('drawn', 75, { cup: first }),
  event('drawn', 90, { cup: second }),
]
const words = (told: readonly { sentence: Parameters<typeof say>[0] }[]) => told.map(one => say(one.sentence))

describe('the order of work', () => {
  test('lye does not meet the oils before the safety list is ticked', () => {
    const state = fold(milk, [
      ...ticks('gear', 'air'),
      ...weighedAll,
      event('lye-clear', -700, { how: 'yes' }),
      event('temp', -100, { body: 'lye', amount: 34 }),
      event('temp', -90, { body: 'oils', amount: 33 }),
      event('lye-in', 0),
    ])
    expect(state.lyeInAt).toBeNull()
    expect(words(state.toClear).at(-1)).toBe(
      'Not before the safety list is ticked: No children, no pets and Running water within reach.',
    )
    expect(state.weighed['lye']).toBeUndefined()
    expect(nextActions(milk, state)[0]!.step!.key).toBe('safety:alone')
  })

  test('seconds of blending add up, the split is when the last cup is drawn, and colour comes next', () => {
    const state = fold(milk, split)
    expect(state).toMatchObject({ blendS: 32, stoppedAt: LYE_IN + 42, splitAt: LYE_IN + 90, toClear: [] })
    expect(nextActions(milk, state)[0]!.step).toMatchObject({ kind: 'colour', cup: first })
  })

  test('steps of an example come in its order, with the seconds that the hands take', () => {
    const made = milk.steps.filter(step => ['colour', 'scent', 'pour'].includes(step.kind))
    expect(made.map(({ key, seconds }) => [key, Math.round(seconds)])).toEqual([
      [`colour:${first}`, 45],
      [`scent:${first}`, 20],
      [`scent:${second}`, 20],
      [`pour:${milk.plan.score[0]!.id}`, 50],
      [`pour:${milk.plan.score[1]!.id}`, 66],
    ])
  })
})

test('order of arrival and repeats change nothing', () => {
  const whole = fold(milk, split)
  fc.assert(
    fc.property(fc.shuffledSubarray(split, { minLength: split.length }), fc.subarray(split), (shuffled, again) => {
      expect(fold(milk, [...again, ...shuffled])).toEqual(whole)
    }),
    { numRuns: 40 },
  )
})

test('what was noted in the same tenth of a second counts in the order of its count', () => {
  const ticks = Array.from({ length: 12 }, (_, i) => ({ ...event('note', 5, { text: `${i}` }), key: `phone:${i + 1}` }))
  expect(fold(milk, [...ticks].reverse()).notes.map(note => note.text)).toEqual(ticks.map(one => one.text))
})

describe('taking back and correcting', () => {
  const seen = event('seen', 120, { cup: first, amount: 2.9, how: 'word' })
  const undo = event('undo', 125, { of: seen.key })
  const levels = (...more: BenchEvent[]) =>
    fold(milk, [...split, seen, ...more]).cups[0]!.seen.map(({ value, r }) => [value, r - LYE_IN])
  test('an undo takes it back', () => expect(levels(undo)).toEqual([]))
  test('an undo of the undo brings it back', () =>
    expect(levels(undo, event('undo', 130, { of: undo.key }))).toEqual([[2.9, 120]]))
  test('a correction lies over it, at its own moment', () =>
    expect(levels(event('correct', 140, { of: seen.key, set: { amount: 1.9 } }))).toEqual([[1.9, 120]]))
  test('the latest correction counts, and can be taken back', () => {
    const [one, two] = [1.9, 2.4].map((amount, i) => event('correct', 140 + i, { of: seen.key, set: { amount } }))
    expect(levels(two!, one!)).toEqual([[2.4, 120]])
    expect(levels(two!, one!, event('undo', 150, { of: two!.key }))).toEqual([[1.9, 120]])
  })
})

describe('a cup without its colour or scent', () => {
  const [pour] = milk.plan.score
  const colour = event('colour', 135, { cup: first })
  const start = event('pour-start', 200, { pour: pour!.id })
  const told = (...more: BenchEvent[]) => words(fold(milk, [...split, ...more]).toClear)
  const name = milk.plan.cups[0]!.name
  test('is not poured', () => {
    expect(told(start)).toEqual([`${name} has no colour in it yet.`])
    expect(told(colour, start)).toEqual([`${name} has no scent in it yet.`])
  })
  test('is poured when it is written down that it stays so', () => {
    const state = fold(milk, [...split, colour, event('waive', 190, { how: `scent:${first}` }), start])
    expect(state.toClear).toEqual([])
    expect(state.pouring).toEqual({ pour: pour!.id, since: LYE_IN + 200 })
  })
  test('is counted when that is written down afterwards, for its own moment', () =>
    expect(told(colour, start, event('waive', 200, { how: `scent:${first}` }))).toEqual([]))
  test('one waiver leaves the other missing thing standing', () =>
    expect(told(event('waive', 190, { how: `colour:${first}` }), start)).toEqual([`${name} has no scent in it yet.`]))
})

test.each([
  ['nothing', 'weighed', { item: 'water', amount: 0 }, 'A weight is above 0'],
  ['ten times too much', 'weighed', { item: 'water', amount: 10 * milk.portions.waterG }, '10 times the'],
  ['a temperature without its point', 'temp', { body: 'lye', amount: 345 }, 'Is the point where it belongs?'],
] as const)('%s is not taken for a reading', (_, kind, about, sentence) => {
  const state = fold(milk, [event(kind, -500, about)])
  expect(words(state.toClear)).toEqual([expect.stringContaining(sentence)])
  expect([state.weighed, state.temps.lye]).toEqual([{}, []])
})

test('lye that is more than the oils take does not meet them, by arithmetic of its own', () => {
  const { portions, plan, shelf } = milk
  /** NaOH that the weighed oils take, from their own values alone; milk fat, which is counted too, left out: it only takes more. */
  const takes = portions.oils.reduce((sum, part) => {
    const oil = shelf.oils.find(one => one.id === part.oil)!
    return sum + (part.massG * oil.sapKohMgPerG * 39.997) / 56.106 / 1000
  }, 0)
  fc.assert(
    fc.property(fc.double({ min: 0.9, max: 1.4, noNaN: true }), factor => {
      const lyeG = portions.lyeG * factor
      const lye = event('weighed', -500, { item: 'lye', amount: lyeG })
      const state = fold(milk, [...untilLye(milk, LYE_IN), lye, event('lye-in', 0)])
      const superfat = 1 - (lyeG * plan.recipe.lyePurityShare) / takes
      if (superfat > 0.01) expect(state.lyeInAt).not.toBeNull()
      if (superfat < -0.03) expect(state.lyeInAt).toBeNull()
    }),
  )
})

test('a plan without superfat and without its answer is not weighed', () => {
  const plan = { ...milk.plan, recipe: { ...milk.plan.recipe, superfatShare: 0 } }
  const following = followingOf(plan, milk.shelf)
  const answered = followingOf({ ...plan, isTrial: true }, milk.shelf)
  const safe = ['gear', 'air', 'alone', 'rinse'].map((item, i) => event('tick', -900 + i, { item: `safety:${item}` }))
  const lye = event('weighed', -800, { item: 'lye', amount: following.portions.lyeG })
  expect(fold(following, [...safe, lye]).weighed['lye']).toBeUndefined()
  expect(fold(answered, [...safe, lye]).weighed['lye']).toBeDefined()
})

test('what broke in the hold test is blended on', () => {
  const broken = split.slice(0, -3)
  const state = fold(milk, [...broken, event('hold', 58, { how: 'breaks', amount: 15 })])
  expect(nextActions(milk, state)[0]!.step!.kind).toBe('blend')
})

test('no waiver lifts what is dangerous', () => {
  const steps = fold(milk, []).toClear
  expect(steps).toEqual([])
  fc.assert(
    fc.property(fc.array(fc.constantFrom('lye', 'safety', 'safety:gear', 'hold', `colour:${first}`)), waivers => {
      const waived = waivers.map((how, i) => event('waive', -950 + i, { how }))
      const state = fold(milk, [...waived, ...weighedAll, event('lye-clear', -700, { how: 'yes' }), event('lye-in', 0)])
      expect([state.lyeInAt, state.weighed['lye']]).toEqual([null, undefined])
    }),
  )
})

const EXAMPLES = new URL('../../../examples/', import.meta.url)
const names = readdirSync(EXAMPLES).map(file => file.replace('.json', ''))

test.each(names)(
  'done step by step as planned, %s comes into the mould, and every gram that was drawn is poured',
  name => {
    const following = followingExample(name)
    const events: BenchEvent[] = []
    let r = 0
    for (let n = 0; n < 400; n += 1) {
      const state = fold(following, events)
      const step = nextActions(following, state)[0]?.step
      if (!step) break
      expect(state.toClear).toEqual([])
      r += step.seconds
      events.push({ ...event('note', 0), ...done(following, state, step), r, noted: r })
    }
    const state = fold(following, events)
    expect(state.closed).toBe('moulded')
    expect(Object.keys(state.pours)).toHaveLength(following.input.pours.length)
    const poured = following.input.pours.reduce((sum, pour) => sum + pour.massG, 0)
    expect(state.cups.reduce((sum, cup) => sum + cup.pouredG, 0)).toBeCloseTo(poured, 0)
  },
)

function done(
  following: typeof milk,
  state: ReturnType<typeof fold>,
  step: (typeof milk.steps)[number],
): Pick<BenchEvent, 'kind'> & Partial<BenchEvent> {
  if (step.kind === 'temp') return { kind: 'temp', body: step.item as 'lye' | 'oils', amount: 33 }
  if (step.kind === 'hold') return { kind: 'hold', how: 'holds', amount: 15 }
  return eventOf(step, state)!
}

describe('events from outside', () => {
  test('are read with nothing else in them', () => {
    const [one] = split
    expect(readEvents([one])).toEqual({ ok: true, events: [one] })
    const read = readEvents([
      { ...one, colour: 'red' },
      { ...one, kind: 'sung' },
      { ...one, amount: Number.NaN },
    ])
    expect(!read.ok && read.problems.map(problem => problem.path)).toEqual([
      'events[0].colour',
      'events[1].kind',
      'events[2].amount',
    ])
  })

  test('of a kind that is not known are passed over', () => {
    const strange = { ...event('note', 10), kind: 'sung' } as unknown as Settled
    expect(verdictOn(milk, fold(milk, []), strange).kind).toBe('free')
  })
})
