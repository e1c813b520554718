import type { Evidence, PaceReading } from '../../shelf/index.ts'
import { describe, expect, test } from 'vitest'
import { starterPlan } from '../../plan/index.ts'
import { referenceShelf } from '../../shelf/index.ts'
import { fromFirstModels, narrowedBy, paceOf, recipeKey } from './index.ts'

const shelf = referenceShelf()
const reading: PaceReading = { stage: 'plain', value: 0.3, variance: 0.04, scents: [] }
const taught = (recipe: string, more: Partial<Evidence> = {}): Evidence => ({
  ...{ batch: 'b-1', name: 'Elder', at: '2026-01-02T10:00:00.000Z', recipe, counts: true },
  ...{ observations: [reading], rest: null },
  ...more,
})

describe('what was learned under the first models', () => {
  test('is moved by what the models now know by themselves, and counts for less', () => {
    const balanced = fromFirstModels(taught('castor:5 coconut:30 olive:35 palm:30'), shelf)
    expect(balanced.formerModel).toBe(true)
    const [one] = balanced.observations
    expect(one!.value).toBeCloseTo(reading.value + 0.017, 6)
    expect(one!.variance).toBeCloseTo(reading.variance + 0.15 ** 2, 6)
    // Olive oil alone was slower than the first models said: what is left of the surprise is smaller.
    const slow = fromFirstModels(taught('olive:100'), shelf)
    expect(slow.observations[0]!.value).toBeGreaterThan(one!.value + 0.5)
    const acid = fromFirstModels(taught('coconut:30 olive:65 stearic-acid-mixed:5'), shelf)
    expect(acid.observations[0]!.variance).toBeGreaterThan(one!.variance + 0.08)
  })

  test('of the rest losses stay, less sure; rates only without much lauric acid', () => {
    const rest = {
      key: 'k',
      wrap: 'w',
      rate: { value: 0.2, variance: 0.01 },
      losses: { value: -0.1, variance: 0.01 },
    } as unknown as NonNullable<Evidence['rest']>
    const usual = fromFirstModels(taught('olive:70 palm:30', { rest }), shelf).rest!
    expect(usual.rate).toEqual({
      value: expect.closeTo(0.14, 9) as number,
      variance: expect.closeTo(0.05, 9) as number,
    })
    expect(usual.losses!.value).toBe(-0.1)
    expect(fromFirstModels(taught('coconut:100', { rest }), shelf).rest!.rate).toBeNull()
  })

  test('of oils that the shelf no longer knows nothing is brought over', () => {
    expect(fromFirstModels(taught('moon-butter:100'), shelf).observations).toEqual([])
  })
})

describe('how much a batch narrows', () => {
  const plan = starterPlan('Narrow')
  const own = taught(recipeKey(plan))
  const other = taught('olive:100', { batch: 'b-2' })
  const knowing = { ...shelf, evidence: [own, other] }

  test('one of the same recipe more than one of another, none when set aside', () => {
    const of = paceOf(plan, knowing)
    const [mine, theirs] = [narrowedBy(knowing, of, own), narrowedBy(knowing, of, other)]
    expect(mine).toBeGreaterThan(theirs)
    expect(theirs).toBeGreaterThan(0)
    expect(mine).toBeLessThan(1)
    expect(narrowedBy(knowing, of, { ...own, counts: false })).toBe(0)
  })
})
