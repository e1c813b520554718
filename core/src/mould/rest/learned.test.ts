import type { Evidence } from '../../shelf/index.ts'
import { towels } from '../../plan/index.ts'
import { describe, expect, test } from 'vitest'
import type { Plan } from '../../plan/index.ts'
import { restEvidence } from './evidence.ts'
import { workedThrough } from './history.ts'
import { fittedRest, restNumbersOf, restOutlook } from './outlook.ts'
import { restRunInputOf } from './plan-rest.ts'
import { withRefit } from './refit.ts'
import { restPaces, wrapKey } from './rest-paces.ts'
import { Surroundings, coolingS } from './surroundings.ts'
import { example, inputsOf, resting, shelf } from './test/plans.ts'
import { said } from '../../quantities/words/index.ts'

const plan = resting(example('verdigris-stair'), { cover: 'lid', towels: towels(2, 2) })

/** What a thermometer would have read of a plan whose soap is so much quicker and loses so much more. */
function read(of: Plan, rate: number, losses: number, minutes: readonly number[]): Plan {
  const { curve } = workedThrough(withRefit(restRunInputOf(inputsOf(of), 'coarse'), { rate, losses }))
  const readings = minutes.map(atMin => {
    const after = curve.find(point => point.s >= atMin * 60)!
    return { atMin: after.s / 60, at: 'core' as const, tempC: Number(after.core.toFixed(2)) }
  })
  return { ...of, rest: { ...of.rest, readings } }
}
const OFTEN = [30, 60, 90, 120, 180, 240, 360, 480]
const evidence = (of: Plan, counts = true): Evidence => ({
  ...{ batch: 'b', at: '2026-11-01T10:00:00.000Z', name: of.name, recipe: '', observations: [], counts },
  rest: restEvidence(of, shelf),
})

describe('what a thermometer teaches', () => {
  test('a quicker soap that loses more is told apart, each for what it belongs to', () => {
    const found = restEvidence(read(plan, 1.3, 1.15, OFTEN), shelf)!
    expect(Math.exp(found.rate!.value)).toBeGreaterThan(1.15)
    expect(Math.exp(found.losses!.value)).toBeGreaterThan(1.05)
    expect(found.wrap).toBe(wrapKey(plan))
  })

  test('without readings there is nothing to learn; a single early one says little of the losses', () => {
    expect(restEvidence(plan, shelf)).toBeNull()
    const little = restEvidence(read(plan, 1.3, 1, [30]), shelf)
    if (little?.losses) expect(little.losses.variance).toBeGreaterThan(0.15 ** 2)
  })

  test('the next batch in the same mould and wrap knows it, one in another does not', () => {
    const seen = [evidence(read(plan, 1.3, 1.2, OFTEN))]
    const next = restPaces(plan, seen)
    expect(next.rate.mean).toBeGreaterThan(0.1)
    expect(next.losses.mean).toBeGreaterThan(0.03)
    expect(next.rate.sd).toBeLessThan(restPaces(plan, []).rate.sd)
    expect(next.losses.batches).toBe(1)
    const bare = restPaces(resting(plan, {}), seen)
    expect(bare.losses).toEqual(restPaces(plan, []).losses)
    expect(bare.rate).toEqual(next.rate)
  })

  test('what is set aside teaches nothing; two batches teach more than one', () => {
    const one = evidence(read(plan, 1.3, 1.2, OFTEN))
    expect(restPaces(plan, [{ ...one, counts: false }])).toEqual(restPaces(plan, []))
    expect(restPaces(plan, [one, one]).rate.sd).toBeLessThan(restPaces(plan, [one]).rate.sd)
    expect(restPaces(plan, [one, one]).rate.mean).toBeGreaterThan(restPaces(plan, [one]).rate.mean)
  })

  test('a plan’s own readings move its own curve towards themselves, and narrow its times', () => {
    const quick = read(plan, 1.4, 1, OFTEN)
    const { refit, fitted } = fittedRest(inputsOf(quick))
    expect(refit!.rate).toBeGreaterThan(1.2)
    const miss = (input: ReturnType<typeof restRunInputOf>) => {
      const { curve } = workedThrough(input)
      return quick.rest.readings.reduce((sum, one) => {
        const point = curve.reduce((a, b) => (Math.abs(b.s - one.atMin * 60) < Math.abs(a.s - one.atMin * 60) ? b : a))
        return sum + Math.abs(point.core - one.tempC)
      }, 0)
    }
    const input = restRunInputOf(inputsOf(quick), 'coarse')
    expect(miss(fitted(input))).toBeLessThan(0.5 * miss(input))
    const width = (of: Plan) => {
      const { low, high } = restNumbersOf(inputsOf(of)).numbers.peakC
      return high - low
    }
    expect(width(quick)).toBeLessThan(width(plan))
  })

  test('the outlook holds together: chances add up, times lie in their ranges, every task after the one before', () => {
    const { result, numbers, tasks, cups, notices } = restOutlook(inputsOf(plan))
    expect(numbers.gel.none + numbers.gel.partial + numbers.gel.full).toBeCloseTo(1, 9)
    expect(result.unmouldMin!).toBeGreaterThan(result.peakMin)
    expect(result.unmouldMin).toBe(numbers.unmouldMin!.middle)
    expect(numbers.unmouldMin!.low).toBeLessThan(numbers.unmouldMin!.high)
    expect(tasks.map(task => task.atMin)).toEqual(tasks.map(task => task.atMin).sort((a, b) => a - b))
    expect(cups).toHaveLength(plan.cups.length)
    for (const { sentence } of notices) expect(said(sentence)).toMatch(/^[A-Z].*\.$/)
  })
})

describe('an oven of one’s own', () => {
  const phases = [{ fromS: 0, place: 'oven' as const, tempC: 60, holdS: 0 }]
  const after = (own: { fromC: number; toC: number; inMin: number } | null, minutes: number) => {
    const oven = new Surroundings(phases, 20, own)
    for (let s = 0; s < minutes * 60; s += 60) {
      oven.at(s)
      oven.after(s, 60, 0)
    }
    return oven.at(minutes * 60).airC
  }

  test('cools as it was seen to', () => {
    expect(after({ fromC: 60, toC: 40, inMin: 45 }, 45)).toBeCloseTo(40, 0)
    expect(after({ fromC: 60, toC: 40, inMin: 45 }, 90)).toBeCloseTo(30, 0)
    expect(coolingS({ fromC: 60, toC: 40, inMin: 45 }, 20)).toBeCloseTo((45 * 60) / Math.log(2), 6)
  })

  test('a leaky one is cooler than a usual one, which is cooler than a tight one', () => {
    const leaky = after({ fromC: 60, toC: 35, inMin: 30 }, 60)
    const tight = after({ fromC: 60, toC: 55, inMin: 60 }, 60)
    expect(leaky).toBeLessThan(after(null, 60))
    expect(after(null, 60)).toBeLessThan(tight)
  })
})
