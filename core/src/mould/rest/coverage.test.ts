import { expect, test } from 'vitest'
import { towels } from '../../plan/index.ts'
import type { Plan } from '../../plan/index.ts'
import { REST_ERROR, REST_VARIATION, restNumbers, wholeRun, withVariation } from './chances.ts'
import { aboutOf, restRunInputOf } from './plan-rest.ts'
import { example, inputsOf } from './test/plans.ts'

/** Mulberry's generator: nothing is shared with the evenly spread draws that are tested. */
function normals(seed: number): () => number {
  let s = seed >>> 0
  const random = () => {
    s = (s + 0x6d2b79f5) >>> 0
    let x = Math.imul(s ^ (s >>> 15), 1 | s)
    x = (x + Math.imul(x ^ (x >>> 7), 61 | x)) ^ x
    return ((x ^ (x >>> 14)) >>> 0) / 2 ** 32
  }
  return () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())
}

const wrapped = (plan: Plan, count: number): Plan => ({
  ...plan,
  rest: {
    ...plan.rest,
    readings: [],
    steps: [{ ...plan.rest.steps[0]!, place: 'room', cover: 'lid', towels: towels(count, count) }],
  },
})
const TRUTHS = 30

test('of runs with variation and errors of their own four in five lie within the bands that are said', () => {
  const held: number[] = []
  let expectedGel = 0
  let seenGel = 0
  const names = [
    'weir-milk',
    'heron-reach',
    'quarry-bench',
    'verdigris-stair',
    'ninth-lock',
    'mill-race',
    'otter-slide',
  ]
  const plans = names.map((name, i) => wrapped(example(name), i % 4))
  plans.forEach((plan, i) => {
    const inputs = inputsOf(plan)
    const [input, about] = [restRunInputOf(inputs, 'quick'), aboutOf(inputs)]
    const said = restNumbers(input, about)
    const z = normals(71 + i)
    for (let n = 0; n < TRUTHS; n += 1) {
      const drawn = Object.fromEntries(Object.keys(REST_VARIATION).map(variation => [variation, z()]))
      const { run } = wholeRun(
        withVariation(input, variation => drawn[variation]!),
        about,
      )
      const within = (band: { low: number; high: number }, value: number) =>
        held.push(value >= band.low && value <= band.high ? 1 : 0)
      within(said.peakC, run.heating.peakC + REST_ERROR.peakK * z())
      within(said.peakMin, Math.max(1, run.peakMin) * Math.exp(REST_ERROR.peak * z()))
      if (said.unmouldMin && run.unmouldMin !== null)
        within(said.unmouldMin, run.unmouldMin * Math.exp(REST_ERROR.unmould * z()))
      expectedGel += said.gel.none
      seenGel += run.noneK + REST_ERROR.marginK * z() < 0 ? 1 : 0
    }
  })
  const share = held.reduce((sum, one) => sum + one, 0) / held.length
  expect(share).toBeGreaterThan(0.75)
  expect(share).toBeLessThan(0.87)
  expect(Math.abs(expectedGel - seenGel) / (plans.length * TRUTHS)).toBeLessThan(0.06)
})
