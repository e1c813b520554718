import { MAX_SAMPLES, TRIAL_KINDS, drawnUp, referenceShelf } from '@ostler/core'
import type { TrialKind } from '@ostler/core'
import { describe, expect, test } from 'vitest'
import { START, lacks, linesIn, numbersIn, questionOf, turnedTo } from './wish.ts'
import type { Wish } from './wish.ts'

const shelf = referenceShelf()

describe('what is typed', () => {
  test('numbers are parted by blanks, semicolons or lines, with either decimal mark', () => {
    expect(numbersIn('0.5 1')).toEqual([0.5, 1])
    expect(numbersIn('0,5; 1,25')).toEqual([0.5, 1.25])
    expect(numbersIn('28, 33\n38')).toEqual([28, 33, 38])
    expect(numbersIn('many')).toEqual([NaN])
    expect(numbersIn('  ')).toEqual([])
  })

  test('ways are lines that say something', () => {
    expect(linesIn(' with sugar \n\n in the oven')).toEqual(['with sugar', 'in the oven'])
  })
})

/** A wish of each kind with all that it needs. */
const filled = (kind: TrialKind): Wish => ({
  ...turnedTo(START, kind),
  ...{ name: 'One', scent: shelf.scents[0]!.id, additive: shelf.additives[0]!.id, ways: 'in the oven', amounts: '1' },
  amounts: kind === 'water' ? '28 38' : '1',
  colorants: shelf.colorants
    .filter(({ spectrum }) => spectrum === 'swatch')
    .slice(0, kind === 'ladder' || kind === 'grid' ? 1 : 2)
    .map(({ id }) => id),
})

describe.each(Object.keys(TRIAL_KINDS) as TrialKind[])('a wish for %s', kind => {
  test('lacks something until it is told, then is a question that fits into a batch', () => {
    const empty = turnedTo({ ...START, name: 'One' }, kind)
    if (!['gel', 'blending', 'claim'].includes(kind) || empty.ways === '')
      expect(lacks(empty, questionOf(empty, shelf, 1))).not.toBe('')
    const wish = filled(kind)
    const question = questionOf(wish, shelf, 1)
    expect(lacks(wish, question)).toBe('')
    expect(drawnUp(question!).length).toBeLessThanOrEqual(MAX_SAMPLES)
    expect(lacks({ ...wish, name: ' ' }, question)).toBe('Give it a name.')
  })
})

test('a scent beyond any soap, numbers that are none and too many ways are refused in words', () => {
  const said = (wish: Wish) => lacks(wish, questionOf(wish, shelf, 1))
  expect(said({ ...filled('speed'), load: '45' })).toMatch(/0.1 to 20 %/)
  expect(said({ ...filled('superfat'), amounts: 'some' })).toMatch(/Between 0 and 20 %/)
  expect(said({ ...filled('stabiliser'), amounts: '9' })).toMatch(/at most 3 g/)
  expect(said({ ...filled('claim'), ways: 'a\nb\nc\nd\ne' })).toMatch(/At most 4/)
  expect(said({ ...filled('blending'), ways: 'a\nb\nc\nd\ne', times: 4 })).toMatch(/samples; a batch has at most 12/)
})

test('doses that teach most are fewer than even ones would show, and may be beside white', () => {
  const wish: Wish = { ...filled('ladder'), colorants: ['oxide-red'], spread: 'teaching', count: 3 }
  const item =
    shelf.colorants.find(({ id }) => id === 'oxide-red') ??
    shelf.colorants.find(({ spectrum }) => spectrum === 'swatch')!
  const question = questionOf({ ...wish, colorants: [item.id] }, shelf, 1)!
  expect(question.levels).toHaveLength(3)
  expect(question.whiteGPerKg).toBe(0)
  expect(drawnUp(question).filter(({ role }) => role !== 'nothing').length).toBeGreaterThanOrEqual(3)
})
