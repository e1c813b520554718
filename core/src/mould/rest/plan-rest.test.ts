import { towels } from '../../plan/index.ts'
import { describe, expect, test } from 'vitest'
import { applyEdit, readPlan, starterPlan } from '../../plan/index.ts'
import type { Plan, RestStep } from '../../plan/index.ts'
import { ashFrom } from './ash.ts'
import { restNumbers } from './chances.ts'
import { convertedInMould } from '../../batter/standing/index.ts'
import { workedThrough } from './history.ts'
import { makeItSo } from './make-it-so.ts'
import type { RestSearch } from './make-it-so.ts'
import { restOutlook } from './outlook.ts'
import { materialsOf } from './cup-materials.ts'
import { aboutOf, restRunInputOf } from './plan-rest.ts'
import { example, inputsOf, resting, shelf } from './test/plans.ts'
import { restResult } from './verdict.ts'
import type { RestResult } from './verdict.ts'
import { restNotices, restTasks } from './sentences.ts'
import { said, say } from '../../quantities/words/index.ts'

const outcome = (plan: Plan) => {
  const inputs = inputsOf(plan)
  const input = restRunInputOf(inputs, 'coarse')
  return restResult(workedThrough(input), aboutOf(inputs))
}
const warmMilk = (() => {
  const milk = example('weir-milk')
  return { ...milk, conditions: { ...milk.conditions, mixC: 42 } }
})()
/** As for a batter of usual water that is poured lukewarm. */
const LUKEWARM = {
  ...{ water: 0.2, tempC: 35, level: 1.8, emulsion: 0.95, humidity: 0.5, essential: 0, scentLnRate: 0, beeswax: 0 },
  ...{ isPeaked: false, topGel: 0 },
}
const noticesOf = (plan: Plan, result: RestResult) =>
  restNotices(plan, result, ashFrom(LUKEWARM, plan.rest.steps, 0), false)
const TOWELS = { cover: 'lid', towels: towels(4, 4) } as const

describe('a plan as a section', () => {
  test('layers lie where they are poured, each as warm and as far on as its pour', () => {
    const inputs = inputsOf(example('verdigris-stair'))
    const { block } = restRunInputOf(inputs, 'fine')
    const rows = Array.from({ length: block.ny }, (_, y) => block.materialOf[y * block.nx]!)
    expect(rows).toEqual([...rows].sort((a, b) => a - b))
    expect(new Set(rows)).toEqual(new Set([0, 1, 2, 3, 4]))
    expect(block.startC[0]).toBeCloseTo(inputs.lanes.pours[0]!.tempC, 9)
    expect(block.materials).toHaveLength(inputs.plan.cups.length)
  })

  test('a swirl is one even material between its cups', () => {
    const inputs = inputsOf(example('heron-reach'))
    const { block } = restRunInputOf(inputs, 'coarse')
    expect(block.materials).toHaveLength(1)
    const cups = materialsOf(inputs.plan, inputs.portions, shelf).map(one => one.quickness)
    expect(block.materials[0]!.quickness).toBeGreaterThanOrEqual(Math.min(...cups) - 1e-9)
    expect(block.materials[0]!.quickness).toBeLessThanOrEqual(Math.max(...cups) + 1e-9)
  })

  test('the mould goes on from what the batter had come to; a column is round and has no ends', () => {
    for (const [a, wanted] of [
      [0, 0.03],
      [0.01, 0.0346],
      [0.02, 0.0401],
      [0.04, 0.0535],
      [0.1, 0.1041],
      [0.2, 0.2005],
      [0.4, 0.4],
    ] as const) {
      expect(convertedInMould(a)).toBeCloseTo(wanted, 3)
      expect(convertedInMould(a)).toBeGreaterThanOrEqual(a)
    }
    const inputs = inputsOf(example('verdigris-stair'))
    const { block } = restRunInputOf(inputs, 'fine')
    expect(block.startX[0]).toBeCloseTo(convertedInMould(inputs.lanes.pours[0]!.converted), 9)
    const start = starterPlan('Column')
    const column = {
      ...start,
      mould: { ...start.mould, form: 'cylinder' as const, innerLengthMm: 76, innerWidthMm: 76 },
    }
    expect(restRunInputOf(inputsOf(column), 'coarse').block).toMatchObject({ isRound: true, lengthM: null })
  })

  test('changes at their time: towels off after two hours cool it sooner than towels that stay', () => {
    const [stay, off] = [
      resting(warmMilk, TOWELS),
      resting(warmMilk, TOWELS, { atMin: 120, cover: 'film', towels: towels(0) }),
    ].map(
      plan => workedThrough(restRunInputOf(inputsOf(plan), 'coarse')).curve.find(point => point.s >= 6 * 3600)!.core,
    )
    expect(off!).toBeLessThan(stay! - 5)
  })

  test('an oven that is held is warmer than one switched off, and a freezer stops it', () => {
    const share = (step: Partial<RestStep>) => outcome(resting(example('heron-reach'), step)).peakC
    const peaks = [
      { place: 'freezer' as const },
      { place: 'refrigerator' as const },
      {},
      { place: 'oven' as const, tempC: 50 },
      { place: 'oven' as const, tempC: 50, holdMin: 60 },
    ].map(share)
    expect(peaks).toEqual([...peaks].sort((a, b) => a - b))
  })
})

describe('what is said of it', () => {
  test('a milk loaf in towels gels through and browns; in the refrigerator it does neither', () => {
    const wrapped = outcome(resting(warmMilk, TOWELS))
    const cold = outcome(
      resting({ ...warmMilk, conditions: { ...warmMilk.conditions, mixC: 30 } }, { place: 'refrigerator' }),
    )
    expect(wrapped.gel).toBe('full')
    expect(wrapped.browning).toBeGreaterThan(4)
    expect(cold.gel).toBe('none')
    expect(cold.browning).toBeLessThan(1)
    expect(noticesOf(warmMilk, wrapped).some(one => /turns .*brown/.test(say(one.sentence)))).toBe(true)
  })

  test('cautions stand where they apply', () => {
    const words = (step: Partial<RestStep>) => {
      const plan = resting(example('quarry-bench'), step)
      return noticesOf(plan, outcome(plan))
        .map(one => say(one.sentence))
        .join(' ')
    }
    expect(words({ place: 'oven' })).toMatch(/alcohol.*burns.*food/i)
    expect(words({ place: 'mat' })).toMatch(/alcohol/i)
    expect(words({ place: 'refrigerator' })).toMatch(/Not beside food/)
    expect(words({})).not.toMatch(/alcohol|food/i)
  })

  test('soap that gets very hot is said to crack and rise', () => {
    const hot = { ...outcome(resting(warmMilk, TOWELS)), peakC: 97, crack: 0.98, volcano: 0.8 }
    const sentences = noticesOf(warmMilk, hot)
    expect(sentences.filter(one => one.weight === 'stop')).toHaveLength(2)
    expect(said(sentences[0]!.sentence)).toMatch(/hot and caustic/)
  })

  test('things to do come in order, with every change of place and when to unmould', () => {
    const plan = resting(warmMilk, TOWELS, { atMin: 120, place: 'room' }, { atMin: 300, place: 'oven', holdMin: 30 })
    const tasks = restTasks(plan, outcome(plan))
    expect(tasks.map(task => task.atMin)).toEqual(tasks.map(task => task.atMin).sort((a, b) => a - b))
    expect(tasks.filter(task => /^(Cover|Change)/.test(say(task.what)))).toHaveLength(3)
    expect(tasks.find(task => say(task.what) === 'Switch the oven off')?.atMin).toBe(330)
    expect(tasks.some(task => /^Unmould/.test(say(task.what)))).toBe(true)
  })

  test('a cold rest is followed to its end, however long that takes', () => {
    const cold = resting(warmMilk, { place: 'refrigerator' }, { atMin: 24 * 60, place: 'room' })
    const { result, tasks } = restOutlook(inputsOf(cold))
    expect(result.unmouldMin!).toBeGreaterThan(36 * 60)
    expect(tasks.some(task => say(task.what).startsWith('Wipe off what it sweats'))).toBe(true)
    expect(said(tasks.at(-1)!.what)).toMatch(/^Unmould/)
  })

  test('wrapped soap is looked at twice and then uncovered; what does not gel is not', () => {
    const wrapped = resting(warmMilk, TOWELS)
    const words = restTasks(wrapped, outcome(wrapped)).map(task => task.what)
    expect(words.filter(word => /^Look/.test(say(word)))).toHaveLength(2)
    expect(words.findIndex(word => /uncovered/.test(say(word)))).toBeGreaterThan(
      words.findIndex(word => /^Look again/.test(say(word))),
    )
    const cool = resting({ ...warmMilk, conditions: { ...warmMilk.conditions, mixC: 28 } }, {})
    expect(restTasks(cool, outcome(cool)).some(task => /^Look|uncovered/.test(say(task.what)))).toBe(false)
  })

  test('chances add up and are the same again; a warmer pour gels more often', () => {
    const at = (mixC: number) => {
      const plan = example('verdigris-stair')
      const inputs = inputsOf({ ...plan, conditions: { ...plan.conditions, mixC } })
      return restNumbers(restRunInputOf(inputs, 'quick'), aboutOf(inputs), 16)
    }
    const [cool, warm] = [at(28), at(40)]
    for (const { gel } of [cool, warm]) expect(gel.none + gel.partial + gel.full).toBeCloseTo(1, 9)
    expect(at(28)).toEqual(cool)
    expect(warm.gel.none).toBeLessThan(cool.gel.none)
    const { sentence, result, numbers } = restOutlook(inputsOf(example('verdigris-stair')))
    for (const band of [numbers.startMin, numbers.peakMin, numbers.unmouldMin, numbers.peakC]) {
      expect(band!.low).toBeLessThan(band!.middle)
      expect(band!.middle).toBeLessThan(band!.high)
    }
    expect(result.peakMin).toBe(numbers.peakMin.middle)
    expect(said(sentence.sentence)).toContain(result.gel === 'partial' ? 'ring' : 'gel')
  })
})

describe('making it so', () => {
  const through = (plan: Plan, wish: 'full' | 'none' | 'cool'): RestSearch[] => [
    ...makeItSo(inputsOf(plan), wish, inputsOf),
  ]

  test('a wrapped milk loaf that is not to gel: cold is proposed, for how long, and it does not gel then', () => {
    const start = resting({ ...warmMilk, conditions: { ...warmMilk.conditions, mixC: 38 } }, TOWELS)
    const states = through(start, 'none')
    const { found, done, total } = states.at(-1)!
    expect(done).toBe(total)
    const cold = found.find(way => way.kind === 'refrigerator' || way.kind === 'both')!
    expect(said(cold.sentence)).toMatch(/refrigerator for \d+ hours/)
    for (const way of found) {
      const result = applyEdit(start, way.edit)
      if (!result.ok) throw new Error(say(result.sentence))
      expect(way.chance).toBeGreaterThanOrEqual(0.8)
      expect(outcome(result.plan).gel).toBe('none')
    }
  })

  test('a cool loaf that is to gel: warmth from outside, at most one way of each kind', () => {
    const { found } = through(example('heron-reach'), 'full').at(-1)!
    expect(found.length).toBeGreaterThan(0)
    expect(new Set(found.map(way => way.kind)).size).toBe(found.length)
    const result = applyEdit(example('heron-reach'), found[0]!.edit)
    expect(result.ok && outcome(result.plan).gelledShare).toBeGreaterThan(0.9)
  })

  test('what is found says what else it costs; what is not found, how near it came', () => {
    const plan = resting({ ...warmMilk, conditions: { ...warmMilk.conditions, mixC: 30 } }, {})
    const pour = through(plan, 'full')
      .at(-1)!
      .found.find(way => way.kind.startsWith('pour'))
    if (pour) expect(pour.costs.map(one => say(one)).join()).toMatch(/milk in it turns|the pours work in/)
    const tiny = {
      ...plan,
      mould: { ...plan.mould, innerLengthMm: 60, innerWidthMm: 40, fillMm: 25, innerHeightMm: 30 },
    }
    const { found, nearest } = through({ ...tiny, conditions: { ...tiny.conditions, mixC: 26, roomC: 8 } }, 'cool').at(
      -1,
    )!
    if (found.length === 0) expect(said(nearest)).toMatch(/short of it|come as wished/)
    else expect(nearest).toBeNull()
  })

  test('a recipe that overheats unwrapped is not forced', () => {
    const hot: Plan = {
      ...warmMilk,
      conditions: { ...warmMilk.conditions, mixC: 58, roomC: 35 },
      mould: { ...warmMilk.mould, innerWidthMm: 160, innerHeightMm: 160, fillMm: 150 },
      recipe: {
        ...warmMilk.recipe,
        water: { ...warmMilk.recipe.water, basis: 'concentration', value: 0.36 },
        additives: [{ additive: 'honey', gPerKgOils: 45, moment: 'trace', addLye: false }],
      },
    }
    const { refusal, found } = through(hot, 'full').at(-1)!
    expect(said(refusal)).toMatch(/overheat/)
    expect(found).toEqual([])
  })
})

describe('the document', () => {
  const plan = starterPlan('Rest')
  const problems = (steps: Partial<RestStep>[]) => {
    const read = readPlan(resting(plan, ...steps))
    return read.ok ? [] : read.problems.map(one => one.sentence)
  }
  test('steps begin at the pour and follow each other', () => {
    expect(problems([{}, { atMin: 60 }])).toEqual([])
    expect(said(problems([{ atMin: 5 }])[0])).toMatch(/begins at the last pour/)
    expect(said(problems([{}, { atMin: 60 }, { atMin: 60 }])[0])).toMatch(/after the one before/)
    expect(said(problems([{ towels: towels(9) }])[0])).toMatch(/0 to 6 layers/)
    expect(said(problems([{ tempC: 120, place: 'oven' }])[0])).toMatch(/30 to 90/)
  })
})
