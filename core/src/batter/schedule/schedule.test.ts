import { describe, expect, test } from 'vitest'
import fc from 'fast-check'
import { applyEdit, starterPlan, plainOil } from '../../plan/index.ts'
import type { Edit, Plan } from '../../plan/index.ts'
import { portionsOf } from '../../portions/index.ts'
import { referenceShelf } from '../../shelf/index.ts'
import { chanceOf } from './chances.ts'
import { lanesOf } from './lanes.ts'
import { variationAt } from './variation.ts'
import { runInputOf } from './input-of-plan.ts'
import { pourSeconds } from './times.ts'
import type { RunInput } from './run-input.ts'
import { runPlan, secondsUntil } from './timetable.ts'
import type { Task } from './run-state.ts'
import { say } from '../../quantities/words/index.ts'

const set = (path: (string | number)[], value: unknown): Edit => ({ kind: 'set', path, value })

function planWith(...edits: Edit[]): Plan {
  const scented = set(['scent'], {
    parts: [{ scent: 'violet-tinplate', share: 1 }],
    load: 0.025,
    basis: 'oils',
    moment: 'with-colour',
    how: 'hand',
    spread: 'cup',
    stabiliserRatio: 0,
    isPrivate: false,
  })
  const result = applyEdit(starterPlan('Trial'), { kind: 'many', edits: [scented, ...edits] })
  if (!result.ok) throw new Error(say(result.sentence))
  return result.plan
}
const inputWith = (...edits: Edit[]): RunInput => {
  const plan = planWith(...edits)
  return runInputOf(plan, portionsOf(plan, referenceShelf()), referenceShelf())
}
const median = (input: RunInput, sampleS = 0) => runPlan(input, variationAt(0, input), sampleS)
const kinds = (tasks: readonly Task[], cup: number | null) =>
  tasks.filter(task => task.cup === cup).map(task => task.kind)

describe('the timetable', () => {
  test('goes blend, split, colour and scent, pours', () => {
    const input = inputWith()
    const { tasks } = median(input)
    expect(kinds(tasks, null)).toEqual(['blend', 'split'])
    expect(kinds(tasks, 0)).toEqual(expect.arrayContaining(['colour', 'scent', 'pour']))
    // The third cup is plain: nothing to colour, only scent.
    expect(kinds(tasks, 2)).not.toContain('colour')
  })

  test('scent goes in when the plan says', () => {
    const inPot = median(inputWith(set(['scent', 'moment'], 'pot'))).tasks
    expect(kinds(inPot, null)).toEqual(['blend', 'scent-pot', 'split'])
    const last = median(inputWith(set(['scent', 'moment'], 'last'))).tasks
    for (const cup of [0, 1, 2]) {
      const mine = last.filter(task => task.cup === cup && task.kind !== 'wait')
      const scent = mine.findIndex(task => task.kind === 'scent')
      expect(scent).toBeGreaterThanOrEqual(0)
      expect(mine.findIndex(task => task.kind === 'pour')).toBeGreaterThan(scent)
    }
    expect(median(inputWith(set(['scent'], null))).tasks.some(task => task.kind.startsWith('scent'))).toBe(false)
  })

  test('hands are never in two places, and every second to the last pour is theirs', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('pot', 'with-colour', 'last'),
        fc.double({ min: 1, max: 2.4, noNaN: true }),
        (moment, stop) => {
          const run = median(inputWith(set(['scent', 'moment'], moment), set(['conditions', 'stopLevel'], stop)))
          let clock = 0
          for (const task of run.tasks) {
            expect(task.fromS).toBeCloseTo(clock, 6)
            clock = task.toS
          }
          expect(clock).toBeCloseTo(run.endS, 6)
        },
      ),
      { numRuns: 15 },
    )
  })

  test('a wait that is asked for delays its pour and all later ones', () => {
    const plain = median(inputWith())
    const waited = median(inputWith(set(['score', 1, 'waitMin'], 10)))
    expect(waited.pours[0]!.startS).toBe(plain.pours[0]!.startS)
    expect(waited.pours[1]!.startS).toBeGreaterThan(plain.pours[1]!.startS + 300)
    expect(waited.pours[2]!.startS).toBeGreaterThan(plain.pours[2]!.startS + 300)
  })

  test('no layer is poured before the one below carries it, unless waiting has failed', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 60 }),
        fc.boolean(),
        fc.double({ min: 1.2, max: 2.2, noNaN: true }),
        (drop, spatula, stop) => {
          const fall = [0, 1, 2].flatMap(i => [
            set(['score', i, 'dropMm'], drop),
            set(['score', i, 'overSpatula'], spatula),
          ])
          const run = median(inputWith(set(['conditions', 'stopLevel'], stop), ...fall))
          for (const pour of run.pours.slice(1)) {
            const waited = run.tasks.filter(task => task.kind === 'wait' && task.toS <= pour.startS).at(-1)
            const gaveUp = waited !== undefined && waited.toS - waited.fromS >= 1200 - 1e-6
            expect(pour.carrierLevel! >= pour.carrierNeed! || gaveUp).toBe(true)
          }
        },
      ),
      { numRuns: 20 },
    )
  })

  test('a higher fall needs a firmer layer and never pours sooner', () => {
    const start = (drop: number) => median(inputWith(set(['score', 1, 'dropMm'], drop))).pours[1]!.startS
    expect(start(30)).toBeGreaterThanOrEqual(start(10))
    expect(start(100)).toBeGreaterThanOrEqual(start(30))
  })

  test('a cup that is too thin is thickened by bursts up to its window', () => {
    const run = median(inputWith(set(['scent'], null), set(['conditions', 'stopLevel'], 1.4)))
    const brought = run.pours.filter(pour => pour.bursts > 0)
    expect(brought.length).toBeGreaterThan(0)
    for (const pour of brought) expect(pour.startLevel).toBeGreaterThanOrEqual(1.95)
  })

  test('unscented cups do not feel the scent', () => {
    const off = set(['cups', 2, 'scented'], false)
    const level = (scent: string) => {
      const input = inputWith(off, set(['scent', 'parts', 0, 'scent'], scent), set(['scent', 'moment'], 'last'))
      return median(input, 30).lanes[2]![0]!.level
    }
    expect(level('lily-of-nowhere')).toBeCloseTo(level('tin-roof-rain'), 9)
  })

  test('recorded and unrecorded runs agree', () => {
    const input = inputWith()
    const [quick, recorded] = [median(input), median(input, 30)]
    quick.pours.forEach((pour, i) => {
      expect(recorded.pours[i]!.endLevel).toBeCloseTo(pour.endLevel, 1)
      expect(Math.abs(recorded.pours[i]!.startS - pour.startS)).toBeLessThanOrEqual(30)
    })
  })

  test('batter that never comes to trace ends after twenty minutes and is said', () => {
    const edits = [
      set(['conditions', 'blenderStrength'], 0.3),
      set(['conditions', 'stopLevel'], 3),
      set(['conditions', 'mixC'], 15),
    ]
    const cold = inputWith(set(['recipe', 'oils'], [plainOil('sunflower', 1)]), ...edits)
    const run = median(cold)
    if (run.neverEmulsified) expect(chanceOf(cold)).toBe(0)
    expect(run.tasks[0]!.toS).toBeLessThanOrEqual(1200)
  })

  test('pouring takes longer the more there is', () => {
    expect(pourSeconds(0)).toBe(12)
    expect(pourSeconds(400)).toBeGreaterThan(pourSeconds(100))
  })
})

describe('chances and margins', () => {
  test('variation is shared by variance and adds up to its standard deviations', () => {
    const input = inputWith()
    const { scentedRate, scent, plainRate } = variationAt(1.5, input)
    expect(scentedRate + scent).toBeCloseTo(1.5 * Math.hypot(input.rate.sd, input.scentSd), 9)
    expect(plainRate).toBeCloseTo(1.5 * input.rate.sd, 9)
    const planned = { hands: 1, stop: 0, rices: false }
    expect(variationAt(0, input)).toEqual({ plainRate: 0, scentedRate: 0, scent: 0, ...planned })
  })

  test('a faster run is never thinner at a given moment', () => {
    const input = inputWith()
    const levels = [-2, -1, 0, 1, 2].map(
      z => runPlan(input, variationAt(z, input), 30).lanes[1]!.find(point => point.s > 240)?.level ?? 5,
    )
    levels.slice(1).forEach((level, i) => expect(level).toBeGreaterThanOrEqual(levels[i]! - 0.02))
  })

  test('the chance of the whole is never above that of any pour', () => {
    const { pours, chance } = lanesOf(inputWith(set(['conditions', 'mixC'], 36)))
    for (const pour of pours) expect(chance).toBeLessThanOrEqual(pour.chance + 1e-12)
  })

  test('own runs with a scent narrow its spread', () => {
    const spread = (ownRuns: number) => {
      const scents = referenceShelf().scents.map(scent => ({ ...scent, ownRuns }))
      const plan = planWith()
      return runInputOf(plan, portionsOf(plan, referenceShelf()), { ...referenceShelf(), scents }).scentSd
    }
    expect(spread(4)).toBeLessThan(spread(1))
    expect(spread(1)).toBeLessThan(spread(0))
    expect(spread(100)).toBeGreaterThan(0.1 - 1e-9)
  })

  test('time to spare shrinks as the start gets warmer', () => {
    const spare = (c: number) =>
      Math.min(...lanesOf(inputWith(set(['conditions', 'mixC'], c))).pours.map(pour => pour.marginMin))
    expect(spare(38)).toBeLessThan(spare(32))
    expect(spare(32)).toBeLessThan(spare(27))
  })

  test('the time until a level is reached grows with the level', () => {
    const input = inputWith()
    const { after } = median(input).pours[2]!
    const times = [2.6, 3, 3.4].map(level => secondsUntil(level, after, 36_000))
    expect(times[0]!).toBeLessThan(times[1]!)
    expect(times[1]!).toBeLessThan(times[2]!)
  })
})
