import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { plannedScent, starterPlan } from '../plan/index.ts'
import {
  SIGNS,
  concerning,
  dueOf,
  inOrder,
  lifeOf,
  readEntries,
  recordFold,
  sharedBy,
  signsLike,
  yieldReckoned,
} from './index.ts'
import type { DueFacts, RecordEntry } from './index.ts'

let count = 0
const entry = (kind: RecordEntry['kind'], on: string, about: Partial<RecordEntry> = {}): RecordEntry => {
  count += 1
  return { key: `desk:${count}`, kind, on, noted: '2026-03-10T10:00:00Z', ...about }
}

const story = [
  entry('unmoulded', '2026-03-03T08:00'),
  entry('cut', '2026-03-03T09:00', { count: 12 }),
  entry('sign', '2026-03-03T09:05', { sign: 'k-ring', grade: 1 }),
  entry('sign', '2026-03-04T09:05', { sign: 'k-ring', grade: 2, bars: ['3', '4'] }),
  entry('graded', '2026-03-04T09:10', { aim: 'swirl', mark: 4 }),
  entry('placed', '2026-03-04T10:00', { text: 'rack 2' }),
  entry('gone', '2026-04-20T10:00', { way: 'sold', count: 5 }),
]

describe('entries', () => {
  test('come to the same in whatever order and however often they come', () => {
    const whole = recordFold(story)
    fc.assert(
      fc.property(fc.shuffledSubarray(story, { minLength: story.length }), fc.subarray(story), (mixed, again) => {
        expect(recordFold([...again, ...mixed])).toEqual(whole)
      }),
      { numRuns: 50 },
    )
    expect(whole).toMatchObject({ cutCount: 12, place: 'rack 2', goneCount: 5, gone: { sold: 5 } })
    expect(whole.signs).toMatchObject([{ sign: 'k-ring', grade: 2 }])
  })

  test('what was taken back does not hold, unless that was itself taken back', () => {
    const undo = entry('undo', '2026-03-05T08:00', { of: story[4]!.key })
    expect(recordFold([...story, undo]).marks.swirl).toBeUndefined()
    const again = entry('undo', '2026-03-05T08:01', { of: undo.key })
    expect(recordFold([...story, undo, again]).marks.swirl?.mark).toBe(4)
  })

  test('what is no entry is refused with its place', () => {
    expect(readEntries(story).ok).toBe(true)
    const bad: [Partial<RecordEntry>, string][] = [
      [{ ...story[2]!, sign: 'k-nothing' }, 'entries[0].sign'],
      [{ ...story[0]!, on: '2026-13-40T08:00' }, 'entries[0].on'],
      [{ ...story[6]!, count: -1 }, 'entries[0].count'],
      [entry('yield', '2026-03-03T09:00', { part: 'bars' }), 'entries[0].kind'],
      [entry('gone', '2026-03-03T09:00', { count: 2 }), 'entries[0].kind'],
    ]
    for (const [one, path] of bad) {
      const read = readEntries([one])
      expect(read.ok ? '' : read.problems[0]!.path).toBe(path)
    }
    expect(readEntries({}).ok).toBe(false)
  })
})

test('every sign has a name of its own and two grades, and is found by how it looks', () => {
  expect(new Set(SIGNS.map(sign => sign.id)).size).toBe(SIGNS.length)
  expect(SIGNS.every(sign => sign.words !== '' && sign.some !== '' && sign.strong !== '')).toBe(true)
  expect(signsLike('white powder').map(sign => sign.id)).toContain('k-whitehard')
  expect(signsLike('ring').length + signsLike('translucent disc').length).toBeGreaterThan(0)
})

test('where the soap went sums to what went in, whatever was weighed', () => {
  const g = fc.double({ min: 1, max: 2000, noNaN: true })
  fc.assert(
    fc.property(g, g, g, g, fc.double({ min: 0.7, max: 1, noNaN: true }), (bars, ends, stuck, more, left) => {
      const day = '2026-03-03T09:00'
      const state = recordFold([
        entry('yield', day, { part: 'bars', massG: bars, count: 10 }),
        entry('yield', day, { part: 'ends', massG: ends }),
        entry('yield', day, { part: 'stuck', massG: stuck }),
      ])
      const inG = bars + ends + stuck + more
      const y = yieldReckoned(state, inG, left)!
      expect(y.barsG + y.endsG + y.samplesG + y.stuckG + y.spiltG + y.waterG + y.gapG).toBeCloseTo(inG, 6)
      expect(y.waterG).toBeCloseTo((bars + ends) / left - bars - ends, 6)
      expect(y.isOff).toBe(Math.abs(y.gapG) > 0.025 * inG)
    }),
  )
  expect(yieldReckoned(recordFold([]), 1000, 0.9)).toBeNull()
})

const FACTS: DueFacts = {
  ...{ id: 'b', name: 'Blue', isPlanned: true, isBegun: false, pouredAt: null, unmouldedAt: null, cutAt: null },
  ...{ readyDay: 35, cutCount: null, goneCount: 0, wantedOn: '', aheadDays: 0, unmouldH: 26, turnedAt: null },
  weighedDay: null,
  turnDays: 7,
}
const poured = { ...FACTS, pouredAt: '2026-03-02T14:00' }
const onRack = { ...poured, unmouldedAt: '2026-03-03T16:00', cutAt: '2026-03-03T18:00', cutCount: 12 }

test('a batch goes from draft to gone', () => {
  const lives = [
    lifeOf({ ...FACTS, isPlanned: false }, '2026-03-02'),
    lifeOf(FACTS, '2026-03-02'),
    lifeOf({ ...FACTS, isBegun: true }, '2026-03-02'),
    lifeOf(poured, '2026-03-02'),
    lifeOf(onRack, '2026-03-20'),
    lifeOf(onRack, '2026-04-06'),
    lifeOf({ ...onRack, goneCount: 12 }, '2026-05-01'),
  ]
  expect(lives).toEqual(['draft', 'planned', 'made', 'resting', 'curing', 'ready', 'gone'])
})

describe('what is due', () => {
  const kinds = (facts: DueFacts, today: string) => inOrder(dueOf(facts, today)).map(({ kind, on }) => [kind, on])

  test('is worked back from the day that it is wanted: the days from pour to ready, and what stands for weeks before', () => {
    expect(kinds({ ...FACTS, wantedOn: '2026-06-01', aheadDays: 28 }, '2026-03-02')).toEqual([
      ['steep', '2026-03-30'],
      ['make', '2026-04-27'],
    ])
    expect(kinds(FACTS, '2026-03-02')).toEqual([])
  })

  test('resting it is looked at when it may come out; on the rack it is weighed and turned weekly until it is ready', () => {
    expect(kinds(poured, '2026-03-02')).toEqual([['unmould', '2026-03-03T16:00']])
    expect(kinds({ ...onRack, cutAt: null }, '2026-03-03')).toContainEqual(['cut', '2026-03-03T16:00'])
    expect(kinds({ ...onRack, weighedDay: 7, turnedAt: '2026-03-12T09:00' }, '2026-03-14')).toEqual([
      ['weigh', '2026-03-16'],
      ['turn', '2026-03-19'],
      ['ready', '2026-04-06'],
    ])
    expect(kinds({ ...onRack, weighedDay: 36 }, '2026-04-20')).toEqual([['ready', '2026-04-06']])
    expect(kinds({ ...onRack, goneCount: 12 }, '2026-04-20')).toEqual([])
  })

  test('has a name of its own that stays while it is due', () => {
    const keys = dueOf({ ...onRack, weighedDay: 7 }, '2026-03-14').map(due => due.key)
    expect(new Set(keys).size).toBe(keys.length)
    expect(dueOf({ ...onRack, weighedDay: 7 }, '2026-03-15').map(due => due.key)).toEqual(keys)
  })
})

describe('what was learned', () => {
  const base = starterPlan('One')
  test('is told to plans that share oils, a scent, a colour or the mould, and to no others', () => {
    expect(sharedBy(base, base)).toContain('recipe')
    const other = { ...base, mould: { ...base.mould, name: 'Another box' }, recipe: { ...base.recipe, oils: [] } }
    expect(sharedBy(base, other)).not.toContain('recipe')
    expect(sharedBy(base, other)).not.toContain('mould')
    const scent = { ...plannedScent([{ scent: 'rain', share: 1 }], 0.03) }
    expect(sharedBy({ ...other, scent }, { ...base, scent })).toContain('scent')
    expect(sharedBy({ ...other, scent }, { ...base, scent: null })).not.toContain('scent')
  })

  test('comes first where most is shared, then the latest, and nothing without anything shared', () => {
    const lesson = (on: string, ...shares: ('scent' | 'colour')[]) => ({ on, shares, isForAll: false })
    const [a, b, c, d] = [
      lesson('2026-01-01', 'colour'),
      lesson('2026-01-02', 'scent'),
      lesson('2026-01-03'),
      lesson('2026-01-04', 'colour'),
    ]
    expect(concerning([a, b, c, d])).toEqual([b, d, a])
    const all = { ...c, isForAll: true }
    expect(concerning([all, d])).toEqual([d, all])
  })
})
