import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import fc from 'fast-check'
import { applyEdit, readPlanText, starterPlan, plainOil } from '../plan/index.ts'
import type { Edit, Plan } from '../plan/index.ts'
import { remediesFor } from '../batter/advice/index.ts'
import { referenceShelf } from '../shelf/index.ts'
import type { Forecast } from './forecast.ts'
import { everything } from './everything.ts'
import { forecast } from './forecast.ts'
import { said, say } from '../quantities/words/index.ts'

const example = (name: string): Plan => {
  const result = readPlanText(readFileSync(new URL(`../../../examples/${name}.json`, import.meta.url), 'utf8'))
  if (!result.ok) throw new Error(say(result.problems[0]!.sentence))
  return result.plan
}
const of = (plan: Plan): Forecast => {
  const result = forecast(plan, referenceShelf())
  if (!result.ok) throw new Error(say(result.sentence))
  return result.forecast
}
const after = (plan: Plan, ...edits: Edit[]): Plan => {
  const result = applyEdit(plan, { kind: 'many', edits })
  if (!result.ok) throw new Error(say(result.sentence))
  return result.plan
}
const set = (path: (string | number)[], value: unknown): Edit => ({ kind: 'set', path, value })
const notices = (plan: Plan) =>
  of(plan)
    .notices.map(notice => `${notice.path}: ${say(notice.sentence)}`)
    .join('\n')

const trouble = example('verdigris-stair')
const scentedStarter = after(
  starterPlan('Trial'),
  set(['scent'], {
    parts: [{ scent: 'moss-cathedral', share: 1 }],
    load: 0.025,
    basis: 'oils',
    moment: 'with-colour',
    how: 'hand',
    spread: 'cup',
    stabiliserRatio: 0,
    isPrivate: false,
  }),
)

describe('the forecast', () => {
  test('is the same for the same plan, and leaves the plan alone', () => {
    const before = JSON.stringify(trouble)
    expect(JSON.stringify(of(trouble))).toBe(JSON.stringify(of(structuredClone(trouble))))
    expect(JSON.stringify(trouble)).toBe(before)
  })

  test('the batch whose scent accelerates is in trouble and says why', () => {
    const { risk, lanes } = of(trouble)
    expect(risk.state).toBe('trouble')
    expect(said(risk.sentence)).toMatch(/Layer \d, \w+, is too thick when you reach it/)
    expect(said(risk.reason)).toMatch(/Attic Rosebox quickens it/)
    expect(lanes.pours.some(pour => pour.marginMin < 0)).toBe(true)
  })

  test('a calmer scent, or cooler and blended less, takes the trouble away', () => {
    expect(of(after(trouble, set(['scent', 'parts', 0, 'scent'], 'tin-roof-rain'))).risk.state).toBe('calm')
    const cooler = after(trouble, set(['conditions', 'mixC'], 27), set(['conditions', 'stopLevel'], 1.2))
    expect(of(cooler).lanes.chance).toBeGreaterThan(of(trouble).lanes.chance + 0.3)
  })

  test('remedies gain what they say, the best first', () => {
    const remedies = remediesFor(trouble, referenceShelf())
    expect(remedies).toHaveLength(3)
    for (const remedy of remedies) {
      expect(remedy.after).toBeGreaterThan(remedy.before)
      expect(of(after(trouble, remedy.edit)).lanes.chance).toBeCloseTo(remedy.after, 6)
    }
  })

  test('a quicker scent never leaves more time', () => {
    const margins = ['tin-roof-rain', 'saltmarsh-glass', 'violet-tinplate', 'attic-rosebox', 'lily-of-nowhere'].map(
      scent =>
        Math.min(
          ...of(
            after(trouble, set(['scent', 'parts', 0, 'scent'], scent), set(['conditions', 'mixC'], 28)),
          ).lanes.pours.map(pour => pour.marginMin),
        ),
    )
    margins.slice(1).forEach((margin, i) => expect(margin).toBeLessThanOrEqual(margins[i]! + 0.01))
  })

  test('hands do one thing at a time, in the order of the score', () => {
    const { tasks, pours } = of(example('seven-fathoms')).lanes
    tasks.slice(1).forEach((task, i) => expect(task.fromMin).toBeGreaterThanOrEqual(tasks[i]!.toMin - 1e-6))
    pours.slice(1).forEach((pour, i) => expect(pour.startMin).toBeGreaterThanOrEqual(pours[i]!.endMin - 1e-6))
  })

  test('bands hold their median and stay on the scale; chances are chances', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 24, max: 45, noNaN: true }),
        fc.double({ min: 0.9, max: 2.6, noNaN: true }),
        fc.constantFrom('pot', 'with-colour', 'last'),
        (mixC, stopLevel, moment) => {
          const { lanes } = of(
            after(
              scentedStarter,
              set(['conditions', 'mixC'], mixC),
              set(['conditions', 'stopLevel'], stopLevel),
              set(['scent', 'moment'], moment),
            ),
          )
          for (const point of lanes.lanes.flatMap(lane => lane.points)) {
            expect(point.low).toBeLessThanOrEqual(point.level)
            expect(point.high).toBeGreaterThanOrEqual(point.level)
            expect(point.high).toBeLessThanOrEqual(5)
          }
          for (const pour of lanes.pours) {
            expect(pour.chance).toBeGreaterThanOrEqual(lanes.chance - 1e-9)
            expect(pour.chance).toBeLessThanOrEqual(1)
            expect(Number.isFinite(pour.marginMin)).toBe(true)
          }
        },
      ),
      { numRuns: 25 },
    )
  })

  test('a cup poured twice keeps one lane to its last pour', () => {
    const twice = after(scentedStarter, { kind: 'add-pour', cup: 'cup-1', at: 3, id: 'pour-4' })
    const { lanes, portions } = of(twice)
    expect(lanes.lanes[0]!.points.at(-1)!.min).toBeCloseTo(lanes.pours[3]!.endMin, 0)
    expect(portions.layers.filter(layer => layer.cup === 'cup-1')).toHaveLength(2)
  })
})

describe('strange batches', () => {
  test('an oil that is not on the shelf is refused: no lye without its value', () => {
    const result = forecast(after(trouble, set(['recipe', 'oils', 1, 'oil'], 'whale')), referenceShelf())
    expect(said(result)).toMatchObject({ ok: false, path: 'recipe.oils[1].oil' })
  })

  test.each<[string, Edit[], RegExp]>([
    ['no superfat', [set(['recipe', 'superfatShare'], 0)], /No superfat \(planned\)/],
    ['oils to 99.9 %', [set(['recipe', 'oils', 0, 'share'], 0.399)], /add up to 99\.9 %/],
    ['fats that set', [set(['conditions', 'mixC'], 20)], /fats begin to set/],
    ['a scent above its limit', [set(['scent', 'load'], 0.09)], /above the limit/],
    [
      'colour that the scale cannot weigh',
      [set(['conditions', 'fineScaleStepG'], 1.417476)],
      /g of [^,]+, which steps of 1\.42 g cannot weigh/,
    ],
    ['a seizing scent', [set(['scent', 'parts', 0, 'scent'], 'lily-of-nowhere')], /known to seize/],
    ['a colorant not on the shelf', [set(['cups', 0, 'colorants', 0, 'colorant'], 'moon-dust')], /moon-dust/],
    ['an unused cup', [{ kind: 'remove-pour', pour: 'pour-2' }], /Oat is not poured anywhere/],
    [
      'a 100 ml mould on a coarse scale',
      [
        set(['mould'], {
          ...scentedStarter.mould,
          name: 'Tester',
          innerLengthMm: 50,
          innerWidthMm: 50,
          innerHeightMm: 45,
          fillMm: 40,
        }),
        set(['conditions', 'fineScaleStepG'], 1),
      ],
      /off by up to/,
    ],
    [
      '20 litres',
      [
        set(['mould'], {
          ...scentedStarter.mould,
          name: 'Block',
          innerLengthMm: 800,
          innerWidthMm: 250,
          innerHeightMm: 110,
          fillMm: 100,
        }),
      ],
      /heavy to lift/,
    ],
  ])('%s is planned with a sentence', (_, edits, pattern) => {
    expect(notices(after(scentedStarter, ...edits))).toMatch(pattern)
  })

  test('twelve cups of one oil are planned', () => {
    const cups = Array.from({ length: 12 }, (_, i) => ({ ...scentedStarter.cups[0]!, id: `c${i}` }))
    const score = cups.map((cup, i) => ({ ...scentedStarter.score[0]!, id: `p${i}`, cup: cup.id, share: 1 / 12 }))
    const plan = after(
      scentedStarter,
      set(['recipe', 'oils'], [plainOil('olive', 1)]),
      set(['cups'], cups),
      set(['score'], score),
    )
    const { lanes, portions } = of(plan)
    expect(lanes.pours).toHaveLength(12)
    expect(portions.oils).toHaveLength(1)
  })
})

describe('strange recipes', () => {
  const milk = { liquid: 'cream', shareOfWater: 1, measure: 'weight', moment: 'lye', countFat: true }
  const citric = { additive: 'citric-acid-anhydrous', gPerKgOils: 900, moment: 'lye', addLye: false }
  const late = scentedStarter.recipe.oils.map(part => ({ ...part, late: true }))
  const ghosts = [
    { scent: 'ghost', share: 1 },
    { scent: 'eo-lavender', share: 0 },
  ]
  const notFinite = (value: unknown): boolean =>
    typeof value === 'number'
      ? !Number.isFinite(value)
      : typeof value === 'object' && value !== null && Object.values(value).some(notFinite)

  test.each<[string, Edit[], RegExp]>([
    ['every oil kept back', [set(['recipe', 'oils'], late)], /Every oil is kept back/],
    ['acid without its lye', [set(['recipe', 'additives'], [citric])], /that is no soap/],
    ['cream for all water', [set(['recipe', 'liquids'], [milk])], /sensible up to 50 %/],
    [
      'all milk at trace',
      [set(['recipe', 'liquids'], [{ ...milk, moment: 'trace' }])],
      /times the lye’s weight of water/,
    ],
    [
      'lye stronger than water',
      [set(['recipe', 'water'], { basis: 'share', value: 0.12, fullShareOfOils: 0.38 })],
      /less water than lye/,
    ],
    [
      'salt as heavy as the oils',
      [set(['recipe', 'additives'], [{ additive: 'salt-bar', gPerKgOils: 1000, moment: 'trace', addLye: true }])],
      /./,
    ],
    ['a scent that is not there', [set(['scent', 'parts'], ghosts)], /“ghost” is not on the shelf/],
    ['wax alone', [set(['recipe', 'oils'], [plainOil('beeswax', 1)])], /sets at about 63/],
    ['stearic acid alone', [set(['recipe', 'oils'], [plainOil('stearic-acid-mixed', 1)])], /within seconds/],
    ['ice for all water in a cold room', [set(['heat', 'iceShare'], 1), set(['conditions', 'roomC'], 0)], /./],
  ])('%s is forecast in finite numbers, with a sentence', (_, edits, pattern) => {
    const plan = after(scentedStarter, ...edits)
    const made = of(plan)
    expect(notFinite({ ...made, more: everything(plan, referenceShelf(), made) })).toBe(false)
    expect(
      made.notices
        .map(notice => notice.sentence)
        .map(one => say(one))
        .join(' '),
    ).toMatch(pattern)
  })
})
