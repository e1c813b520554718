import type { ScentMoment } from '../../recipe/index.ts'
import { describe, expect, test } from 'vitest'
import { applyEdit, plainCup, plannedScent, startingMove, starterPlan } from '../../plan/index.ts'
import type { Edit, Plan } from '../../plan/index.ts'
import { portionsOf } from '../../portions/index.ts'
import { referenceShelf } from '../../shelf/index.ts'
import type { Shelf } from '../../shelf/index.ts'
import { diveDepthMm, levelThatCarries, levelThatStaysTilted, peakHeightMm } from '../trace/index.ts'
import { chanceOf, chancesOf, ricingShare } from './chances.ts'
import { runInputOf } from './input-of-plan.ts'
import type { RunInput } from './run-input.ts'
import { lanesOf } from './lanes.ts'
import { variationAt } from './variation.ts'
import { beliefOf } from './sightings.ts'
import { monteCarlo } from './monte-carlo.ts'
import { superfatOffsets } from './splitting.ts'
import { runPlan } from './timetable.ts'
import { say } from '../../quantities/words/index.ts'

const shelf = referenceShelf()
const edited = (plan: Plan, ...edits: Edit[]): Plan =>
  edits.reduce((now, edit) => {
    const result = applyEdit(now, edit)
    if (!result.ok) throw new Error(say(result.sentence))
    return result.plan
  }, plan)
const set = (path: (string | number)[], value: unknown): Edit => ({ kind: 'set', path, value })
const inputFor = (plan: Plan, on: Shelf = shelf): RunInput => runInputOf(plan, portionsOf(plan, on), on)

/** Five layers of five colours. */
const five = (() => {
  const start = starterPlan('Five')
  const cups = Array.from({ length: 5 }, (_, i) => ({ ...plainCup(`cup-${i + 1}`, `Cup ${i + 1}`), scented: true }))
  const score = cups.map((cup, i) => ({ ...start.score[0]!, id: `pour-${i + 1}`, cup: cup.id, share: 0.2 }))
  return { ...start, cups, score, moves: [] }
})()
const withScent = (plan: Plan, scent: string, moment: ScentMoment = 'last'): Plan => ({
  ...plan,
  scent: plannedScent([{ scent, share: 1 }], 0.03, { moment }),
})
const scented = (acceleration: string, ricing = 'none'): { plan: Plan; on: Shelf } => {
  const scents = shelf.scents.map(one =>
    one.id === 'quiet-linen' ? { ...one, acceleration, ricing, ownRuns: 0 } : one,
  ) as Shelf['scents']
  return { plan: withScent(five, 'quiet-linen'), on: { ...shelf, scents } }
}

describe('what falls and what bears it', () => {
  test.each([
    [10, false, 3.43],
    [20, false, 3.74],
    [30, false, 3.94],
    [50, false, 4.2],
    [100, false, 4.57],
    [10, true, 2.48],
    [50, true, 3.09],
    [100, true, 3.45],
  ])('a drop of %d mm, over a spatula: %s, needs %d below', (mm, spatula, level) =>
    expect(Math.abs(levelThatCarries(mm, spatula) - level)).toBeLessThan(0.02),
  )

  test.each([
    [2, 62.1],
    [2.5, 33.4],
    [3, 17.9],
    [3.5, 11.2],
    [4, 6.9],
  ])('from 150 mm into level %d it dives %d mm', (level, mm) =>
    expect(diveDepthMm({ dropMm: 150, overSpatula: false }, level) / mm).toBeCloseTo(1, 1.6),
  )

  test('over a spatula it dives less, into firm batter not at all; a thin drizzle less than a jug', () => {
    const low = { dropMm: 20, overSpatula: true }
    expect(diveDepthMm(low, 2) / 22.7).toBeCloseTo(1, 1.6)
    expect(diveDepthMm(low, 2.5) / 12.2).toBeCloseTo(1, 1.6)
    expect(diveDepthMm(low, 3)).toBe(0)
    const drizzle = { dropMm: 200, overSpatula: false, flow: 4e-6, contactS: 0.2 }
    const depths = [1.5, 2, 2.5, 3].map(level => diveDepthMm(drizzle, level))
    depths.forEach((mm, i) => expect(mm / [42.4, 21.1, 11.3, 6.1][i]!).toBeCloseTo(1, 1.6))
  })

  test('tilted layers and peaks', () => {
    const close = (value: number, wanted: number) => expect(Math.abs(value - wanted)).toBeLessThan(0.02)
    ;[10, 20, 30].forEach((deg, i) => close(levelThatStaysTilted(25, deg), [3.67, 4.03, 4.23][i]!))
    ;[3.3, 4, 4.6].forEach((level, i) => expect(peakHeightMm(level) / [3.7, 14.1, 42.4][i]!).toBeCloseTo(1, 1.5))
  })
})

describe('an emulsion that does not hold', () => {
  test('what the first cups have too little of fat the last have too much of; a whole emulsion spreads nothing', () => {
    const offsets = superfatOffsets(0.4, 60, 5)
    expect(superfatOffsets(0.2, 60, 4)[0]).toBeCloseTo(-0.0332, 4)
    expect(superfatOffsets(0.6, 60, 4)[0]).toBeCloseTo(-0.0091, 4)
    expect(offsets.reduce((sum, one) => sum + one, 0)).toBeCloseTo(0, 12)
    expect(offsets[0]).toBeLessThan(-0.02)
    expect(offsets).toEqual([...offsets].sort((a, b) => a - b))
    expect(superfatOffsets(0.75, 75, 5)).toEqual([0, 0, 0, 0, 0])
    expect(superfatOffsets(0.5, 75, 1)).toEqual([0])
  })

  test('blending less spreads more, and is a fault of its own that further blending mends', () => {
    const at = (stop: number) => lanesOf(inputFor(edited(five, set(['conditions', 'stopLevel'], stop)))).split
    const splits = [0.9, 1.2, 1.5, 2].map(at)
    for (const [i, split] of splits.slice(1).entries()) {
      expect(split.chance).toBeGreaterThanOrEqual(splits[i]!.chance)
      expect(split.leanest).toBeGreaterThanOrEqual(splits[i]!.leanest)
    }
    expect(splits[0]!.fault).toBe('not-emulsified')
    expect(splits[0]!.leanest).toBeLessThan(five.recipe.superfatShare - 0.0005)
    expect(splits[3]!.fault).toBeNull()
  })

  test('fat that sets looks like trace: blending stops too soon', () => {
    const cold = inputFor(edited(five, set(['conditions', 'mixC'], 16), set(['conditions', 'stopLevel'], 1.6)))
    const { split } = lanesOf(cold)
    expect(split.falseLift).toBeGreaterThan(0.4)
    expect(split.chance).toBeLessThan(lanesOf(inputFor(five)).split.chance)
  })
})

describe('scents that go wrong', () => {
  test('the worse the class the smaller the chance; one that seizes leaves none to layers', () => {
    const chances = ['none', 'mild', 'moderate', 'strong', 'seizes'].map(acceleration => {
      const { plan, on } = scented(acceleration)
      return chanceOf(inputFor(plan, on))
    })
    // One that does nothing leaves thin layers that have to be waited for: it may do worse than a mild one.
    for (const [i, chance] of chances.slice(2).entries()) expect(chance).toBeLessThanOrEqual(chances[i + 1]! + 0.03)
    expect(chances.at(-1)).toBeLessThan(0.05)
  })

  test('early in the oils, with milk and sugar, it rices more often than late in a plain batter', () => {
    const busy: Plan = {
      ...five,
      recipe: {
        ...five.recipe,
        additives: ['goat-milk-powder', 'sugar'].map(additive => ({
          ...{ additive, gPerKgOils: 20, moment: 'oils' as const, addLye: false },
        })),
      },
    }
    const chance = (plan: Plan) => ricingShare(inputFor(plan))
    const late = chance(withScent(five, 'attic-rosebox', 'last'))
    const early = chance(withScent(five, 'attic-rosebox', 'oils'))
    const both = chance(withScent(busy, 'attic-rosebox', 'oils'))
    expect(early).toBeGreaterThan(late)
    expect(both).toBeGreaterThan(1.8 * early)
  })

  test('lumps are blended out, which thickens; the likelier they are the less often the whole works', () => {
    const { plan, on } = scented('moderate', 'high')
    const input = inputFor(plan, on)
    const [calm, riced] = [false, true].map(rices => runPlan(input, { ...variationAt(0, input), rices }))
    expect(riced!.tasks.some(task => task.kind === 'smooth')).toBe(true)
    expect(riced!.pours[0]!.endLevel).toBeGreaterThan(calm!.pours[0]!.endLevel)
    const { ricing, whole } = chancesOf(input, beliefOf(input))
    expect(ricing!.share).toBeGreaterThan(0.5)
    expect(ricing!.whole).toBeLessThanOrEqual(whole)
    const tame = scented('moderate', 'none')
    expect(whole).toBeLessThan(chanceOf(inputFor(tame.plan, tame.on)))
  })

  test('a lively cup stiffens where it stands and wants a stir; stirred, less so', () => {
    const { on } = scented('strong')
    const early = withScent(five, 'quiet-linen', 'with-colour')
    const lanes = (waiting: string) => lanesOf(inputFor(edited(early, set(['hands', 'waiting'], waiting)), on))
    const [stands, stirred] = [lanes('rest'), lanes('stir')]
    const stiffened = (of: typeof stands) => Math.max(...of.pours.map(pour => pour.stoodLevel - pour.startLevel))
    expect(stiffened(stands)).toBeGreaterThan(0.5)
    expect(stiffened(stirred)).toBeLessThan(stiffened(stands))
    expect(stands.lanes.some(lane => lane.stirs.length > 0)).toBe(true)
    expect(stirred.lanes.every(lane => lane.stirs.length === 0)).toBe(true)
  })
})

describe('tools', () => {
  const swirled = (stop: number): Plan => ({
    ...edited(five, set(['conditions', 'stopLevel'], stop)),
    moves: [{ ...startingMove('move-1', 'pour-5', 'hanger'), count: 3 }],
  })

  test('are waited for while the batter is thin, and have their own window and chance', () => {
    const { tools, tasks } = lanesOf(inputFor(swirled(1.3)))
    expect(tools).toHaveLength(1)
    expect(tools[0]!.lowest).toBeGreaterThan(1.5)
    expect(tasks.some(task => task.kind === 'move')).toBe(true)
    const thick = lanesOf(inputFor(swirled(2.6)))
    expect(thick.tools[0]!.fault).toBe('tool-thick')
    expect(thick.chance).toBeLessThanOrEqual(thick.tools[0]!.chance + 1e-9)
  })

  test('are not waited for where the batter parts: nothing thickens there, and the emulsion is what is told', () => {
    const one: Plan = {
      ...five,
      cups: five.cups.slice(0, 1),
      score: [{ ...five.score[0]!, share: 1 }],
      moves: [startingMove('move-1', 'pour-1', 'spoon')],
    }
    const parts = edited(
      one,
      set(['hands', 'blend'], 'hand'),
      set(['conditions', 'stopWhen'], 'seconds'),
      set(['conditions', 'blendS'], 60),
    )
    const { tools, split, tasks, pours } = lanesOf(inputFor(parts))
    expect(split.soundChance).toBeLessThan(0.1)
    expect(split.fault).toBe('not-emulsified')
    expect(pours.at(-1)!.emulsion).toBeLessThan(0.6)
    expect(tools[0]!.startMin - pours.at(-1)!.endMin).toBeLessThan(0.2)
    expect(tasks.some(task => task.kind === 'wait' && task.cup === null)).toBe(false)
  })

  test('the workshop’s own window is kept, for tools and for pours', () => {
    const on: Shelf = {
      ...shelf,
      windows: [
        { kind: 'tool-hanger', lo: 1.1, hi: 4 },
        { kind: 'swirled', lo: 1.7, hi: 3.4 },
      ],
    }
    expect(inputFor(swirled(1.3), on).pours[4]!.tools[0]!.window).toEqual({ lo: 1.1, hi: 4 })
    expect(inputFor(swirled(1.3), on).pours[0]!.window).toEqual({ lo: 1.7, hi: 3.4 })
  })
})

describe('batters of their own', () => {
  const own = edited(five, set(['division', 'mode'], 'own-batters'), set(['hands', 'order'], 'each'))

  test('each is blended before its pour, and none waits as batter', () => {
    const { tasks, pours } = runPlan(inputFor(own), variationAt(0, inputFor(own)))
    expect(tasks.filter(task => task.kind === 'blend').map(task => task.cup)).toEqual([0, 1, 2, 3, 4])
    expect(tasks.some(task => task.kind === 'split')).toBe(false)
    const spread = Math.max(...pours.map(pour => pour.endLevel)) - Math.min(...pours.map(pour => pour.endLevel))
    expect(spread).toBeLessThan(0.6)
  })

  test('make a hopeless scent possible, at the cost of time', () => {
    const { plan, on } = scented('strong')
    const [one, each] = [plan, { ...plan, division: own.division, hands: own.hands }].map(some => inputFor(some, on))
    expect(chanceOf(each!)).toBeGreaterThan(chanceOf(one!))
    expect(monteCarlo(each!, 100).chance).toBeGreaterThan(monteCarlo(one!, 100).chance)
  })
})
