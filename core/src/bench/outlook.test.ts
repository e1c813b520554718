import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { BenchEvent } from './event.ts'
import { benchOutlook, fold, looksDue } from './index.ts'
import { followingExample, noted, untilLye } from './test/runs.ts'

const milk = followingExample('weir-milk')
const [honey, plain] = milk.plan.cups.map(cup => cup.id) as [string, string]

/** Split as in the reference case; seconds from the lye on, which goes in at 2000. */
const T0 = 2000
const begun = [
  ...untilLye(milk, T0),
  noted('lye-in', T0),
  noted('blend-on', T0 + 2),
  noted('blend-off', T0 + 42),
  noted('seen', T0 + 43, { amount: 1.8, how: 'word' }),
  noted('hold', T0 + 58, { how: 'holds' }),
  noted('drawn', T0 + 75, { cup: honey }),
  noted('drawn', T0 + 90, { cup: plain }),
]
const prepared = [
  ...begun,
  noted('colour', T0 + 135, { cup: honey }),
  noted('scent', T0 + 155, { cup: honey }),
  noted('scent', T0 + 220, { cup: plain }),
]
const outlook = (r: number, ...more: BenchEvent[]) =>
  benchOutlook(milk, fold(milk, [...prepared, ...more]), T0 + r).cups
const seen = (r: number, amount: number, cup = honey, how: 'word' | 'drip' = 'word') =>
  noted('seen', T0 + r, { cup, amount, how })

describe('looks that are asked for', () => {
  const due = (r: number, ...more: BenchEvent[]) => looksDue(milk, fold(milk, [...prepared, ...more]), T0 + r)
  test('are of the next two cups, when their trace has moved, and not again while the last is news', () => {
    expect(looksDue(milk, fold(milk, begun), T0 + 130)).toEqual([])
    expect(due(230)).toEqual([honey])
    expect(due(245)).toEqual([honey, plain])
    expect(due(250, seen(247, 2))).toEqual([plain])
    expect(due(370, seen(247, 2))).toEqual([honey, plain])
  })
  test('end with the pour', () => {
    const pour = milk.plan.score.find(one => one.cup === honey)!.id
    expect(due(300, noted('pour-start', T0 + 290, { pour }))).toEqual([plain])
  })
})

describe('minutes left', () => {
  test('are there once a cup is filled, in order, and end as it is poured', () => {
    expect(benchOutlook(milk, fold(milk, begun.slice(0, -2)), T0 + 60).cups).toEqual([])
    const cups = outlook(225)
    expect(cups.map(one => one.cup)).toEqual([honey, plain])
    for (const { low, likely, high } of cups) {
      expect(low).toBeGreaterThan(0)
      expect(low).toBeLessThan(likely)
      expect(likely).toBeLessThan(high)
      expect(high).toBeLessThanOrEqual(45)
    }
    const pour = milk.plan.score.find(one => one.cup === honey)!.id
    expect(outlook(300, noted('poured', T0 + 290, { pour })).map(one => one.cup)).toEqual([plain])
  })

  test('a thicker look never leaves more time, in the cup itself or in its sisters', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1.2, max: 3.2, noNaN: true }),
        fc.double({ min: 0.05, max: 0.6, noNaN: true }),
        (level, more) => {
          const [thin, thick] = [level, level + more].map(one => outlook(230, seen(225, one)))
          for (const i of [0, 1]) expect(thick![i]!.likely).toBeLessThanOrEqual(thin![i]!.likely + 0.02)
        },
      ),
      { numRuns: 12 },
    )
  })

  test('two looks narrow the band more than one, and a drip test more than an eye', () => {
    const width = (...more: BenchEvent[]) => {
      const [one] = outlook(470, ...more)
      return one!.high - one!.low
    }
    const level = outlook(470)[0]!.level
    const early = outlook(300)[0]!.level
    const [none, one, two, drips] = [
      width(),
      width(seen(300, early)),
      width(seen(300, early), seen(465, level)),
      width(seen(300, early, honey, 'drip'), seen(465, level, honey, 'drip')),
    ]
    expect(one).toBeLessThan(none)
    expect(two).toBeLessThan(one)
    expect(drips).toBeLessThan(two)
  })

  test('a cup that was seen past its window has none left', () => {
    const [one] = outlook(480, seen(300, 4), seen(470, 4.6))
    expect(one!.likely).toBe(0)
    expect(one!.gone).toBeGreaterThan(0.8)
  })

  test('time that passes is gone', () => {
    const [now, later] = [300, 420].map(r => outlook(r, seen(225, 2.2))[0]!)
    expect(now!.likely - later!.likely).toBeGreaterThan(1.2)
    expect(now!.likely - later!.likely).toBeLessThan(2.8)
  })
})
