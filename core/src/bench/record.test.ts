import { expect, test } from 'vitest'
import { fold, settle } from './index.ts'
import { recordOf } from './record.ts'
import { followingExample, madeUntil, noted } from './test/runs.ts'

const T0 = 2000
const milk = followingExample('weir-milk')

/** A run done to its end, with trouble and plan B after the first pour. */
function made() {
  let isTaken = false
  return madeUntil(milk, T0, () => false, {
    blendS: 45,
    instead: (_, planned) => {
      if (planned.kind !== 'poured' || isTaken) return [planned]
      isTaken = true
      const { r } = planned
      return [planned, noted('wrong', r + 1, { how: 'too-thick' }), noted('plan-b', r + 2, { how: 'take' })]
    },
  })
}

test('a record has every weight, cup and pour, planned and real, and what was told on the way', () => {
  const events = made()
  const record = recordOf(milk, fold(milk, events), settle(events))
  expect(record.weights.every(({ line, massG }) => massG === line.massG)).toBe(true)
  expect(record.temperatures).toMatchObject([
    { body: 'lye', readC: events.find(event => event.body === 'lye')!.amount },
    { body: 'oils', readC: events.find(event => event.body === 'oils')!.amount },
  ])
  expect(record.blend.realS).toBe(45)
  expect(record.blend.plannedS).toBeGreaterThan(5)
  const drawn = record.cups.reduce((sum, cup) => sum + cup.drawnG!, 0)
  const poured = record.cups.reduce((sum, cup) => sum + cup.pouredG, 0)
  // Some grams stick to the cups.
  expect(Math.abs(drawn - poured)).toBeLessThan(50)
  expect(record.pours.every(({ real }) => real !== null && real.toS > real.fromS)).toBe(true)
  expect(record.pours.some(one => one.isPlanB && one.planned === null)).toBe(true)
  expect(record.pours.some(one => !one.isPlanB && one.planned !== null)).toBe(true)
  expect(record.told.map(one => one.kind)).toEqual(['wrong', 'plan-b'])
  expect(record.length.realS).toBeGreaterThan(record.blend.realS)
})

test('of a run that has only begun it says what was planned', () => {
  const record = recordOf(milk, fold(milk, []), [])
  expect(record.weights.every(({ massG }) => massG === null)).toBe(true)
  expect(record.pours.every(({ real, planned }) => real === null && planned !== null)).toBe(true)
  expect(record.length.realS).toBeNull()
})
