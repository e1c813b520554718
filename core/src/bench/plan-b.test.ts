import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { activeOf, benchOutlook, counselled, eventOf, fold, inCup, nextActions, planBOf } from './index.ts'
import type { BenchEvent } from './event.ts'
import { followingExample, madeUntil, noted } from './test/runs.ts'

const T0 = 2000
const stair = followingExample('verdigris-stair')

/** A run done as planned until so many pours are in the mould. */
const poured = (pours: number): BenchEvent[] =>
  madeUntil(stair, T0, (step, state) => step.kind === 'pour' && Object.keys(state.pours).length === pours)
const take = (r: number) => noted('plan-b', r, { how: 'take' })
const last = (events: readonly BenchEvent[]) => Math.max(...events.map(event => event.r))

describe('plan B at the bench', () => {
  test.each([0, 1, 3])('after %i pours it shares out what each cup still has, to the gram', count => {
    const events = poured(count)
    const before = fold(stair, events)
    const state = fold(stair, [...events, take(last(events) + 5)])
    const now = activeOf(stair, state)
    const open = now.input.pours.filter(pour => state.pours[pour.pour] === undefined)
    expect(open.length).toBeGreaterThan(0)
    for (const [i, cup] of before.cups.entries()) {
      const left = inCup(cup)
      const shared = open.filter(pour => pour.cup === i).reduce((sum, { massG }) => sum + massG, 0)
      expect(shared).toBeCloseTo(left < 10 ? 0 : left, 6)
    }
    // What is in the mould stays there, below what comes.
    expect(now.input.pours.slice(0, count).map(pour => pour.pour)).toEqual(Object.keys(before.pours))
  })

  test('it is followed to the covered mould, deed by deed, and no more is left in the cups than sticks there', () => {
    const events = [...poured(2)]
    events.push(take(last(events) + 5))
    for (let r = last(events); ;) {
      const state = fold(stair, events)
      const { step } = nextActions(activeOf(stair, state), state)[0]!
      if (!step) {
        expect(state.closed).toBe('moulded')
        expect(state.toClear).toEqual([])
        for (const cup of state.cups) expect(inCup(cup)).toBeLessThan(10)
        return
      }
      r += step.seconds
      events.push({ ...noted('note', r), ...eventOf(step, state)! })
    }
  })

  test('taken back, what is left of the first plan stands again', () => {
    const events = poured(1)
    const taken = take(last(events) + 5)
    const back = [...events, taken, noted('plan-b', last(events) + 10, { how: 'back' })]
    const undone = [...events, taken, { ...noted('undo', last(events) + 10), of: taken.key }]
    for (const list of [back, undone]) {
      const state = fold(stair, list)
      expect(activeOf(stair, state)).toBe(stair)
      expect(nextActions(stair, state)[0]!.step!.key).toBe(nextActions(stair, fold(stair, events))[0]!.step!.key)
    }
  })

  test('taken twice it is taken once', () => {
    const events = [...poured(1), take(9000)]
    const once = fold(stair, events)
    expect(fold(stair, [...events, take(9100)]).planB).toEqual(once.planB)
  })

  test('without one of its own a plan has heaps from a spoon, where its design has a use for them', () => {
    expect(planBOf({ ...stair.plan, planB: null })?.name).toMatch(/spoon/i)
  })
})

describe('what is advised', () => {
  const events = poured(0)
  const outlookAfter = (...more: BenchEvent[]) => {
    const all = [...events, ...more]
    return benchOutlook(stair, fold(stair, all), last(all) + 1)
  }

  test('a batter that is nearly past its window calls plan B, one that is thin does not', () => {
    const cup = stair.input.cups[stair.input.pours[0]!.cup]!.cup.id
    const thick = outlookAfter(noted('seen', last(events) + 2, { cup, amount: 3.7, how: 'drip' }))
    expect(counselled(null, thick).call).toMatchObject({ kind: 'called' })
    const thin = outlookAfter(noted('seen', last(events) + 2, { cup, amount: 1.5, how: 'drip' }))
    expect(counselled(null, thin).call?.kind).not.toBe('called')
    expect(thin.ways[0]!.chance.whole).toBeGreaterThan(thick.ways[0]!.chance.whole)
  })

  test('chances are shares, whatever was seen, and say the same again', () => {
    const cups = stair.input.cups.map(one => one.cup.id)
    fc.assert(
      fc.property(fc.constantFrom(...cups), fc.double({ min: 0.8, max: 5, noNaN: true }), (cup, amount) => {
        const seen = noted('seen', last(events) + 2, { cup, amount, how: 'word' })
        const ways = outlookAfter(seen).ways.map(way => [way.chance.whole, way.chance.share])
        for (const share of ways.flat()) {
          expect(share).toBeGreaterThanOrEqual(0)
          expect(share).toBeLessThanOrEqual(1)
        }
        expect(outlookAfter(seen).ways.map(way => [way.chance.whole, way.chance.share])).toEqual(ways)
      }),
      { numRuns: 12 },
    )
  })

  test('it does not flip: another way is advised when it has been clearly better for some seconds', () => {
    const chance = (whole: number) => ({ whole, share: whole, weakest: null })
    const about = { cups: [], planB: '', isPlanB: false, isWhole: true }
    const at = (r: number, follow: number, wait: number) => ({
      ...{ ...about, r },
      ways: [
        { kind: 'follow' as const, waitS: 0, cup: 'a', chance: chance(follow) },
        { kind: 'wait' as const, waitS: 60, cup: 'a', chance: chance(wait) },
      ],
    })
    const first = counselled(null, at(0, 0.6, 0.7))
    expect(first.advised).toBeNull()
    const second = counselled(first, at(9, 0.6, 0.7))
    expect(second.advised).toMatchObject({ kind: 'wait' })
    expect(counselled(second, at(18, 0.72, 0.7)).advised).toMatchObject({ kind: 'wait' })
  })
})
