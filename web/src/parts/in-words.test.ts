import { METRIC, starterPlan } from '@ostler/core'
import type { Cup, Move, Plan, Pour, RecordEntry } from '@ostler/core'
import { describe, expect, test } from 'vitest'
import { entryWords } from './entry-words.ts'
import { howMoved, howPoured, howSetIn, howWorked, untilWhen } from './how-done.ts'

const start = starterPlan('Words')
const pour = (shape: Partial<Pour['shape']>, more: Partial<Pour> = {}): Pour => ({
  ...start.score[0]!,
  ...more,
  shape: { ...start.score[0]!.shape, ...shape },
})
const conditions = (more: Partial<Plan['conditions']>): Plan => ({
  ...start,
  conditions: { ...start.conditions, stopWhen: 'level', stopLevel: 2, leastS: 0, ...more },
})
const cups = (more: Partial<Cup>, plan: Partial<Plan> = {}): Plan => ({
  ...start,
  ...plan,
  cups: start.cups.map((cup, i) => (i === 0 ? { ...cup, name: 'Oat', ...more } : cup)),
})
const entry = (about: Partial<RecordEntry>): RecordEntry =>
  ({ key: 'k', on: '2026-03-02', noted: '', ...about }) as RecordEntry

describe('what the hands do', () => {
  test('a plain layer says nothing; a tilt, a depth and how many streams are said', () => {
    expect(howPoured(pour({ way: 'layer', tiltDeg: 0 }, { together: 'no' }))).toBe('')
    expect(howPoured(pour({ way: 'layer', tiltDeg: -15 }, { together: 'no' }))).toBe('Mould tilted by 15°. ')
    const stream = howPoured(pour({ way: 'line', count: 3, depth: 'dives', tiltDeg: 0 }, { together: 'no' }))
    expect(stream).toContain(', 3 of them. ')
    expect(stream).toContain('It dives anywhere below. ')
    expect(howPoured(pour({ way: 'line', count: 1, depth: 'auto', tiltDeg: 0 }, { together: 'no' }))).not.toContain(
      'of them',
    )
  })

  test('a tool once, twice or more often; over the top in its pattern', () => {
    const move = (tool: Move['tool'], count: number) =>
      howMoved({ tool, count, pattern: 'along' } as Partial<Move> as Move)
    expect(move('hanger', 1)).toMatch(/, once$/)
    expect(move('hanger', 2)).toMatch(/, twice$/)
    expect(move('hanger', 5)).toMatch(/, 5 times$/)
    expect(move('skewer', 1).split(', ')).toHaveLength(3)
  })

  test('a ready-made piece with its place in the bar', () => {
    const said = howSetIn({ name: 'Moon', form: 'rod', widthMm: 20, across: 0.5, height: 0.333 } as never, METRIC)
    expect(said).toContain('Moon')
    expect(said).toContain('20 mm')
    expect(said).toContain('50 % across, middle at 33 % of the height')
  })

  test('cups that are drawn early or blended on, and scents that may not stop, each in a line', () => {
    expect(howWorked(cups({ draw: null, stop: null, scented: false, ownScent: null }, { scent: null }))).toEqual([])
    expect(howWorked(cups({ draw: { by: 'level', value: 1.5 } }, { scent: null }))[0]).toBe(
      'Oat is drawn early, at level 1.5 (emulsion).',
    )
    expect(howWorked(cups({ draw: { by: 'seconds', value: 40 } }, { scent: null }))[0]).toBe(
      'Oat is drawn early, after 40 s of blending.',
    )
    expect(howWorked(cups({ draw: null, stop: 2.8 }, { scent: null }))).toEqual([
      'Oat is blended on by itself to level 2.8.',
    ])
  })

  test('what ends the blending: a level, one that holds, or the clock', () => {
    expect(untilWhen(conditions({}))).toBe('to level 2 (light trace)')
    expect(untilWhen(conditions({ leastS: 20 }))).toBe('to level 2 (light trace), 20 s at least')
    expect(untilWhen(conditions({ stopWhen: 'level-holds' }))).toContain('until it stands a minute without streaks')
    expect(untilWhen(conditions({ stopWhen: 'seconds', blendS: 45, leastS: 20 }))).toBe('for 45 s by the clock')
  })
})

describe('an entry of the record in one line', () => {
  test.each<[Partial<RecordEntry>, string]>([
    [{ kind: 'cut' }, 'cut'],
    [{ kind: 'cut', count: 1 }, 'cut into 1 bar'],
    [{ kind: 'cut', count: 9 }, 'cut into 9 bars'],
    [{ kind: 'placed', text: 'shelf 2' }, 'put on shelf 2'],
    [{ kind: 'placed', text: '' }, 'taken from its place'],
    [{ kind: 'next', text: 'cooler' }, 'next time: cooler'],
    [{ kind: 'note', text: 'it sang' }, 'it sang'],
    [{ kind: 'photo' }, 'a photograph'],
    [{ kind: 'photo', text: 'the end bar' }, 'a photograph: the end bar'],
  ])('%o', (about, said) => expect(entryWords(entry(about))).toBe(said))

  test('a sign with how strong it was and where; one that is unknown keeps its own name', () => {
    expect(entryWords(entry({ kind: 'sign', sign: 'ash', grade: 2, text: 'on top' }))).toMatch(/: strong, on top$/)
    expect(entryWords(entry({ kind: 'sign', sign: 'of-a-newer-version', grade: 0 }))).toBe(
      'of-a-newer-version: not there',
    )
  })

  test('bars that are gone, by how they went', () => {
    expect(entryWords(entry({ kind: 'gone', count: 2, way: 'sold' }))).toMatch(/^2 bars .*sold/)
    expect(entryWords(entry({ kind: 'gone', count: 1 }))).toBe('1 bar gone')
  })
})
