import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { Lot } from '../shelf/index.ts'
import { bookLots, fromLots } from './lots.ts'

const lot = (id: string, left: number, more: Partial<Lot> = {}): Lot => ({
  ...{ id, mark: id, bought: 1000, left, cost: 0, useBy: '' },
  ...more,
})
const sum = (list: readonly { massG: number }[]): number => list.reduce((all, one) => all + one.massG, 0)
const inMg = fc.integer({ min: 0, max: 2_000_000 }).map(mg => mg / 1000)

describe('lots', () => {
  test('what is open goes first, then what keeps shortest; the last bears what is missing', () => {
    const lots = [
      lot('a', 300, { useBy: '2027-05-01' }),
      lot('b', 100, { useBy: '2027-01-01' }),
      lot('c', 50, { opened: '2026-01-01' }),
    ]
    expect(fromLots(lots, 120)).toEqual([
      { lot: 'c', massG: 50 },
      { lot: 'b', massG: 70 },
    ])
    expect(fromLots(lots, 500)).toEqual([
      { lot: 'c', massG: 50 },
      { lot: 'b', massG: 100 },
      { lot: 'a', massG: 350 },
    ])
    expect(fromLots([], 5)).toEqual([])
    expect(fromLots([lot('a', 0)], 5)).toEqual([{ lot: 'a', massG: 5 }])
  })

  test('a proposal adds up to what went in, whatever the lots hold', () =>
    fc.assert(
      fc.property(fc.array(inMg, { minLength: 1, maxLength: 5 }), inMg, (lefts, massG) => {
        const lots = lefts.map((left, i) => lot(`l${i}`, left))
        expect(sum(fromLots(lots, massG))).toBeCloseTo(massG, 6)
      }),
    ))

  test('booked, booked again and taken back leaves the shelf as it was; no lot falls below nothing', () =>
    fc.assert(
      fc.property(
        fc.array(inMg, { minLength: 2, maxLength: 4 }),
        fc.array(inMg, { minLength: 2, maxLength: 2 }),
        (lefts, masses) => {
          const lots = lefts.map((left, i) => lot(`l${i}`, left))
          const takes = masses.map((massG, i) => ({ lot: `l${i}`, massG }))
          const once = bookLots(lots, [], takes)!
          for (const one of once.lots) expect(one.left).toBeGreaterThanOrEqual(0)
          const again = bookLots(once.lots, once.uses, takes)!
          expect(again.lots).toEqual(once.lots)
          const back = bookLots(again.lots, again.uses, [])!
          back.lots.forEach((one, i) => expect(one.left).toBeCloseTo(lefts[i]!, 2))
        },
      ),
    ))

  test('what a lot does not hold is told with what it has', () => {
    const booked = bookLots([lot('a', 30)], [], [{ lot: 'a', massG: 50 }])!
    expect(booked.short).toEqual([{ lot: 'a', haveG: 30, wantG: 50 }])
    expect(booked.lots[0]!.left).toBe(0)
    expect(booked.uses[0]).toMatchObject({ massG: 50, takenG: 30 })
    expect(bookLots([], [], [{ lot: 'a', massG: 50 }])).toBeNull()
  })
})
