import { readFileSync } from 'node:fs'
import { expect, test } from 'vitest'
import { forecast } from '../../forecast/index.ts'
import { readPlanText } from '../../plan/index.ts'
import type { RestReading } from '../../plan/index.ts'
import { referenceShelf } from '../../shelf/index.ts'
import { workedThrough } from './history.ts'
import { restRunInputOf } from './plan-rest.ts'
import { refitted, withRefit } from './refit.ts'
import { say } from '../../quantities/words/index.ts'

const input = (() => {
  const read = readPlanText(readFileSync(new URL('../../../../examples/verdigris-stair.json', import.meta.url), 'utf8'))
  if (!read.ok) throw new Error('example')
  const made = forecast(read.plan, referenceShelf())
  if (!made.ok) throw new Error(say(made.sentence))
  const { portions, lanes } = made.forecast
  return restRunInputOf({ plan: read.plan, shelf: referenceShelf(), portions, lanes }, 'coarse')
})()

/** Readings of a rest that goes otherwise than expected. */
const readingsOf = (rate: number, losses: number, minutes: readonly number[]): RestReading[] => {
  const { curve } = workedThrough(withRefit(input, { rate, losses }))
  return minutes.map(atMin => {
    const point = curve.reduce((a, b) => (Math.abs(b.s - atMin * 60) < Math.abs(a.s - atMin * 60) ? b : a))
    return { atMin: point.s / 60, at: 'core', tempC: point.core }
  })
}
const OFTEN = Array.from({ length: 24 }, (_, i) => 15 + 20 * i)

test('many readings give back the rate and the losses that they were made with', () => {
  const refit = refitted(input, readingsOf(1.3, 0.85, OFTEN))!
  expect(Math.abs(refit.rate - 1.3)).toBeLessThan(0.08)
  expect(Math.abs(refit.losses - 0.85)).toBeLessThan(0.06)
})

test('readings as expected leave both as they are, and surer', () => {
  const refit = refitted(input, readingsOf(1, 1, OFTEN))!
  expect(refit.rate).toBeCloseTo(1, 2)
  expect(refit.losses).toBeCloseTo(1, 2)
  expect(refit.rateSd).toBeLessThan(0.3)
})

test('many readings make it surer than three, but never sure without end', () => {
  const sdOf = (minutes: readonly number[]) => refitted(input, readingsOf(1.2, 1.1, minutes))!
  const [three, eighteen] = [[60, 120, 300], Array.from({ length: 18 }, (_, i) => 20 + 20 * i)].map(sdOf)
  expect(eighteen!.rateSd).toBeLessThan(0.9 * three!.rateSd)
  expect(eighteen!.lossesSd).toBeLessThan(0.9 * three!.lossesSd)
  expect(eighteen!.rateSd).toBeGreaterThan(0.05)
})

test('one reading moves a little and stays unsure; none says nothing', () => {
  const one = refitted(input, readingsOf(1.3, 1, [40]))!
  const many = refitted(input, readingsOf(1.3, 1, OFTEN))!
  expect(one.rate).toBeGreaterThan(1)
  expect(one.rate).toBeLessThan(many.rate + 0.02)
  expect(one.rateSd).toBeGreaterThanOrEqual(many.rateSd)
  expect(refitted(input, [])).toBeNull()
})
