import { describe, expect, test } from 'vitest'
import { benchOutlook, fold } from './index.ts'
import { doubtOf } from './doubt.ts'
import type { BenchEvent } from './event.ts'
import { followingExample, noted, untilHeld } from './test/runs.ts'

const T0 = 2000
const milk = followingExample('weir-milk')
const [honey, plain] = milk.plan.cups.map(cup => cup.id) as [string, string]
const prepared = [
  ...untilHeld(milk, T0),
  noted('drawn', T0 + 75, { cup: honey }),
  noted('drawn', T0 + 90, { cup: plain }),
  noted('colour', T0 + 135, { cup: honey }),
  noted('scent', T0 + 155, { cup: honey }),
  noted('scent', T0 + 220, { cup: plain }),
]
const at = (s: number, more: readonly BenchEvent[] = []) =>
  benchOutlook(milk, fold(milk, [...prepared, ...more]), T0 + s)
const state = fold(milk, prepared)
const seen = (cup: string, amount: number) => ({ kind: 'seen', cup, amount, how: 'word' }) as const

describe('a look that does not fit', () => {
  test('what fits is not asked about', () => {
    expect(doubtOf(milk, state, seen(honey, 2.2), at(225))).toBeNull()
  })

  test('far thicker than it can be is asked about; it is so, or it was nothing else', () => {
    const doubt = doubtOf(milk, state, seen(honey, 3.9), at(225))!
    expect(doubt.expected).toBeLessThan(2.6)
    expect(doubt.meant).toEqual([])
  })

  test('another cup that it fits is offered', () => {
    const now = at(225)
    const cups = now.cups.map(one => ({ ...one, level: one.cup === honey ? 3.4 : 1.9, sd: 0.2 }))
    const doubt = doubtOf(milk, state, seen(plain, 3.4), { ...now, cups })!
    expect(doubt.meant[0]).toEqual({ kind: 'cup', cup: honey })
  })

  test('thinner than it can be now it was seen before', () => {
    const looks = [
      noted('seen', T0 + 225, { cup: honey, amount: 2.2, how: 'drip' }),
      noted('seen', T0 + 465, { cup: honey, amount: 2.7, how: 'drip' }),
    ]
    const earlier = [465, 400, 300, 240].map(s => at(s, looks.slice(0, s >= 465 ? 2 : 1)))
    const doubt = doubtOf(milk, state, seen(honey, 1.95), at(900, looks), earlier)!
    const [meant] = doubt.meant.filter(one => one.kind === 'late')
    expect(meant!.r).toBeLessThan(T0 + 420)
  })
})

describe('a number that does not fit', () => {
  const water = milk.lines.find(line => line.key === 'water')!
  test.each([
    ['as planned', water.massG, null],
    ['a little off', water.massG * 1.05, null],
    ['much off, and like nothing', water.massG * 1.6, null],
    ['a point lost', water.massG * 10, 'point'],
    ['a digit lost', water.massG / 10, 'tenfold'],
    ['in ounces', water.massG / 28.3495, 'unit'],
  ])('a weight %s', (_, amount, why) => {
    const doubt = doubtOf(milk, state, { kind: 'weighed', item: 'water', amount }, null)
    if (why === null) return expect(doubt).toBeNull()
    expect(doubt!.meant[0]).toMatchObject({ kind: 'typed', why })
    const [meant] = doubt!.meant
    expect(meant!.kind === 'typed' && Math.abs(meant!.amount - water.massG)).toBeLessThan(0.03 * water.massG)
  })

  test('digits that changed places', () => {
    const line = milk.lines.find(one => String(Math.round(one.massG)).length === 3 && one.massG > 150)!
    const [a, b, c] = String(Math.round(line.massG))
    const doubt = doubtOf(milk, state, { kind: 'weighed', item: line.key, amount: Number(`${b}${a}${c}`) }, null)
    if (a !== b) expect(doubt!.meant).toContainEqual(expect.objectContaining({ why: 'digits' }))
  })

  test('degrees of the other scale, and a lost point', () => {
    const temp = (amount: number) => doubtOf(milk, state, { kind: 'temp', body: 'oils', amount }, null)
    expect(temp(35)).toBeNull()
    expect(temp(91)!.meant).toMatchObject([{ why: 'unit' }])
    expect(temp(114)).toBeNull()
    expect(temp(330)?.meant).toMatchObject([{ why: 'point' }])
  })

  test('what an instrument says is believed', () => {
    const about = { kind: 'weighed', item: 'water', amount: water.massG * 10, source: 'scale' } as const
    expect(doubtOf(milk, state, about, null)).toBeNull()
  })
})
