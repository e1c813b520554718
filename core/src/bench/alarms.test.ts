import { expect, test } from 'vitest'
import { alarmsOf } from './alarms.ts'
import type { Alarm } from './alarms.ts'
import type { CupOutlook } from './outlook.ts'

const cup = (low: number, likely: number, high: number, gone = 0): CupOutlook => ({
  ...{ cup: 'ink', pour: 'pour-1', level: 2.5, sd: 0.3, opensIn: 0 },
  ...{ low, likely, high, gone },
})
const through = (...cups: CupOutlook[]) => {
  let before: Alarm[] = []
  return cups.map(one => {
    const { alarms, fresh } = alarmsOf([one], before)
    before = alarms
    return `${alarms[0]?.kind ?? '-'}${fresh.length > 0 ? '!' : ''}`
  })
}

test('time that runs out is said once for each step, the worst alone', () => {
  const cups = [
    cup(6, 12, 20),
    cup(1.4, 5, 9),
    cup(1.2, 4, 8),
    cup(0.5, 1.4, 4),
    cup(0, 0.2, 2, 0.4),
    cup(0, 0, 0, 0.97),
  ]
  expect(through(...cups)).toEqual(['-', 'soon!', 'soon', 'now!', 'now', 'late!'])
})

test('what moves to and fro about a limit does not sound again and again', () => {
  expect(through(cup(1.4, 5, 9), cup(1.8, 5, 9), cup(1.4, 5, 9), cup(2.6, 6, 9), cup(1.5, 5, 9))).toEqual([
    ...['soon!', 'soon', 'soon'],
    ...['-', 'soon!'],
  ])
})

test('a look that shows it thinner takes it back', () => {
  expect(through(cup(0, 0, 0, 0.95), cup(0.2, 3, 9, 0.1))).toEqual(['late!', 'soon!'])
})
