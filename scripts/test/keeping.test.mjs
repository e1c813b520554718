import { expect, test } from 'vitest'
import { notKept } from '../lib/keeping.mjs'

const DAY_MS = 86_400_000
const now = new Date('2026-12-01T12:00:00Z')
const ago = days => ({ name: `${days} days`, at: new Date(now - days * DAY_MS) })

test('of daily backups a week is kept whole, then one a week, then one a month, and never none', () => {
  const all = Array.from({ length: 400 }, (_, days) => ago(days))
  const gone = new Set(notKept(all, now))
  const kept = all.filter(({ name }) => !gone.has(name))
  for (let days = 0; days < 7; days += 1) expect(gone.has(`${days} days`)).toBe(false)
  const months = new Set(kept.map(({ at }) => at.toISOString().slice(0, 7)))
  expect(months.size).toBeGreaterThanOrEqual(12)
  expect(kept.length).toBeGreaterThan(15)
  expect(kept.length).toBeLessThan(30)
  expect(kept.every(({ at }) => now - at <= 366 * DAY_MS)).toBe(true)
  // What is kept today is kept again when nothing new was made.
  expect(notKept(kept, now)).toEqual([])
  expect(notKept([ago(900)], now)).toEqual([])
  expect(notKept([], now)).toEqual([])
})
