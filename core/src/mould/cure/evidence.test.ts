import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { starterPlan } from '../../plan/index.ts'
import type { Plan } from '../../plan/index.ts'
import type { CureReadings, Evidence } from '../../shelf/index.ts'
import { cureEvidence, cureForecast, cureKnown, cutForecast, expectedDrying, leftAfter } from './index.ts'

const plan = starterPlan('Cure')
const WATER = 0.2
const expected = expectedDrying(cutForecast(plan).bars, WATER, plan.rest.rack)
const freshG = cutForecast(plan).bars.massG

/** A batch whose bars dry so many times as slowly, weighed once a week. */
function driedAt(times: number, days = [2, 9, 16, 30, 44, 58]): Plan {
  const drying = { ...expected, tauDays: expected.tauDays * times }
  const weighIns = days.map(day => ({
    ...{ day, massG: freshG * leftAfter(drying, day), bar: '', count: 1, doubt: 'it-is-so' as const },
  }))
  return { ...plan, rest: { ...plan.rest, weighIns } }
}
const evidence = (cure: CureReadings | null, counts = true): Evidence => ({
  ...{ batch: 'b', name: 'b', at: '2026-01-01T00:00:00Z', recipe: '', counts, observations: [], rest: null, cure },
})

describe('what weigh-ins teach the next cure', () => {
  test('bars that dried slowly make the next later and surer, and without counting they teach nothing', () => {
    const taught = cureEvidence(driedAt(1.4), WATER)!
    expect(taught.time!.value).toBeGreaterThan(0.15)
    const bare = cureForecast(plan, WATER)
    const known = cureKnown([evidence(taught)])
    const next = cureForecast(plan, WATER, { known })
    expect(next.dryDay).toBeGreaterThan(bare.dryDay + 1)
    expect(next.untaughtReadyDay).toBe(bare.readyDay)
    expect(known.time.sd).toBeLessThan(cureKnown([]).time.sd)
    expect(cureKnown([evidence(taught, false), evidence(null)])).toEqual(cureKnown([]))
  })

  test('more batches that say the same move it further and narrow it, never past what they say', () =>
    fc.assert(
      fc.property(fc.double({ min: 0.6, max: 1.6, noNaN: true }), fc.integer({ min: 1, max: 8 }), (times, n) => {
        const taught = cureEvidence(driedAt(times), WATER)
        fc.pre(taught?.time != null)
        const [few, more] = [n, n + 1].map(count => cureKnown(Array.from({ length: count }, () => evidence(taught))))
        const { value } = taught.time
        expect(Math.abs(more!.time.mean)).toBeGreaterThanOrEqual(Math.abs(few!.time.mean) - 1e-9)
        expect(Math.abs(more!.time.mean)).toBeLessThanOrEqual(Math.abs(value) + 1e-9)
        expect(more!.time.sd).toBeLessThanOrEqual(few!.time.sd)
      }),
    ))

  test('weigh-ins that say next to nothing are no evidence', () => {
    expect(cureEvidence(plan, WATER)).toBeNull()
    expect(cureEvidence(driedAt(1, [0.1]), WATER)?.time ?? null).toBeNull()
  })
})
