import { expect, test } from 'vitest'
import { clockBefore, showHours } from './clock.ts'

test.each([
  ['14:00', 52, '13:08'],
  ['14:00', 0, '14:00'],
  ['00:10', 25, '23:45'],
  ['23:50', -20, '00:10'],
  ['', 52, '52 min before'],
  ['', 123, '2 h 3 min before'],
  ['', 120, '2 h before'],
  ['', 0.2, 'at mixing'],
  ['', -15, '15 min after'],
])('from %s, %d minutes before is %s', (start, minutes, text) => {
  expect(clockBefore(start, minutes)).toBe(text)
})

test('times from an hour and a half on are told in hours', () => {
  expect([showHours(0), showHours(89), showHours(90), showHours(120)]).toEqual(['0 min', '89 min', '1 h 30 min', '2 h'])
})
