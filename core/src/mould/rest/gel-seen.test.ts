import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { readPlanText } from '../../plan/index.ts'
import type { GelSeen, Plan } from '../../plan/index.ts'
import { referenceShelf } from '../../shelf/index.ts'
import { restEvidence, restPaces } from './index.ts'

const shelf = referenceShelf()
const example = (): Plan => {
  const text = readFileSync(new URL('../../../../examples/verdigris-stair.json', import.meta.url), 'utf8')
  const read = readPlanText(text)
  if (!read.ok) throw new Error('no plan')
  return read.plan
}
const plan = example()
const seen = (gelSeen: GelSeen): Plan => ({ ...plan, rest: { ...plan.rest, readings: [], gelSeen } })
const lossesOf = (gelSeen: GelSeen) => restEvidence(seen(gelSeen), shelf)?.losses ?? null

describe('a face that was looked at', () => {
  test('teaches the losses of the mould: gelled through they are less than where nothing gelled', () => {
    const values = (['full', 'part', 'none'] as const).map(one => lossesOf(one)?.value ?? 0)
    expect(values).toEqual([...values].sort((a, b) => a - b))
    expect(values[0]).toBeLessThan(values[2]!)
    for (const value of values) expect(Math.abs(value)).toBeLessThan(1)
  })

  test('says nothing of the rate, nothing where nobody looked, and less than a thermometer', () => {
    expect(restEvidence(seen(''), shelf)).toBeNull()
    const told = (['none', 'part', 'full'] as const)
      .map(one => restEvidence(seen(one), shelf))
      .find(one => one !== null)!
    expect(told.rate).toBeNull()
    const batch = { batch: 'b', name: 'b', at: '2026-01-01T00:00:00Z', recipe: '', counts: true, observations: [] }
    const next = restPaces(plan, [{ ...batch, rest: told }])
    expect(next.losses.batches).toBe(1)
    expect(next.losses.sd).toBeLessThan(restPaces(plan, []).losses.sd)
  })
})
