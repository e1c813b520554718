import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { applyEdit, readPlanText, startingMove } from '../../plan/index.ts'
import type { Plan } from '../../plan/index.ts'
import { portionsOf } from '../../portions/index.ts'
import { referenceShelf } from '../../shelf/index.ts'
import { beforeLye, runInputOf, lanesOf } from './index.ts'
import { said, say } from '../../quantities/words/index.ts'

const shelf = referenceShelf()
const layers: Plan = (() => {
  const read = readPlanText(readFileSync(new URL('../../../../examples/verdigris-stair.json', import.meta.url), 'utf8'))
  if (!read.ok) throw new Error('the example cannot be read')
  return read.plan
})()

describe('times and hands', () => {
  const lanes = (plan: Plan, on = shelf) => lanesOf(runInputOf(plan, portionsOf(plan, on), on))

  test('times of the workshop’s own move the lanes as far as they are used', () => {
    const usual = lanes(layers)
    const slow = lanes(layers, { ...shelf, times: [{ kind: 'colour', seconds: 75 }] })
    const coloured = layers.cups.filter(cup => cup.colorants.length > 0).length
    expect(slow.endMin - usual.endMin).toBeCloseTo((coloured * 30) / 60, 1)
    expect(lanes(layers, { ...shelf, times: [{ kind: 'tool-comb', seconds: 90 }] })).toEqual(usual)
    const poured = lanes(layers, { ...shelf, times: [{ kind: 'pour', seconds: 80 }] })
    const long = (all: typeof usual) => all.pours.map(pour => pour.endMin - pour.startMin)
    long(poured).forEach((min, i) => expect(min).toBeGreaterThan(1.8 * long(usual)[i]! - 0.2))
  })

  test('waiting cups are to be stirred only when a hand is free', () => {
    const { tasks, lanes: cups } = lanes(layers)
    const stirs = cups.flatMap(cup => cup.stirs)
    expect(stirs.length).toBeGreaterThan(0)
    const both = tasks.filter(task => task.hands === 2)
    expect(both.map(task => task.kind)).toEqual(expect.arrayContaining(['blend', 'split', 'pour']))
    for (const min of stirs)
      expect(both.filter(task => task.fromMin < min - 1e-9 && min < task.toMin - 1e-9)).toEqual([])
  })

  test('bursts take longer than the blender, a whisk than bursts, a spatula longest; the pot is then as far', () => {
    const blended = (['stick', 'bursts', 'whisk', 'hand'] as const).map(blend => {
      const { tasks, pot } = lanes({ ...layers, hands: { ...layers.hands, blend } })
      const task = tasks.find(one => one.kind === 'blend')!
      return { min: task.toMin - task.fromMin, level: pot.at(-1)!.level }
    })
    const minutes = blended.map(one => one.min)
    expect(minutes).toEqual([...minutes].sort((a, b) => a - b))
    expect(minutes[3]!).toBeGreaterThan(5)
    for (const { level } of blended) expect(Math.abs(level - layers.conditions.stopLevel)).toBeLessThan(0.15)
  })

  test('cups that are too thin are stirred on by who has no blender', () => {
    const thin = { ...layers, scent: null, conditions: { ...layers.conditions, mixC: 28, stopLevel: 1.2 } }
    const thickened = (blend: 'stick' | 'hand') =>
      lanes({ ...thin, hands: { ...thin.hands, blend } }).tasks.filter(task => task.kind === 'blend-cup')
    const [stick, hand] = [thickened('stick'), thickened('hand')]
    expect(stick.length).toBeGreaterThan(0)
    const mean = (list: typeof stick) => list.reduce((sum, one) => sum + one.toMin - one.fromMin, 0) / list.length
    if (hand.length > 0) expect(mean(hand)).toBeGreaterThan(mean(stick))
  })
})

describe('scent in the oils', () => {
  const start = { ...layers, planB: null }
  const at = (moment: 'oils' | 'pot' | 'last') => ({ ...start, scent: { ...start.scent!, moment } })
  const lanesOfPlan = (plan: Plan) => lanesOf(runInputOf(plan, portionsOf(plan, shelf), shelf))

  test('is there from the first second: blending is shorter, nothing is stirred in later, and cups stiffen most', () => {
    const [oils, pot, last] = [at('oils'), at('pot'), at('last')].map(lanesOfPlan)
    const blendMin = (lanes: typeof oils) => lanes!.tasks.find(task => task.kind === 'blend')!.toMin
    expect(blendMin(oils)).toBeLessThan(blendMin(pot))
    expect(oils!.tasks.some(task => task.kind === 'scent' || task.kind === 'scent-pot')).toBe(false)
    const end = (lanes: typeof oils) => Math.max(...lanes!.pours.map(pour => pour.endLevel))
    expect(end(oils)).toBeGreaterThan(end(last))
  })

  test('is in every cup: one that is to be plain is refused with a sentence, unless it is a batter of its own', () => {
    const plain = applyEdit(at('oils'), { kind: 'set', path: ['cups', 2, 'scented'], value: false })
    expect(said(plain.ok ? '' : plain.sentence)).toMatch(
      /Scent in the oils is in every cup, and Blush is to be without it/,
    )
    const own = { ...at('oils'), division: { ...start.division, mode: 'own-batters' as const } }
    const allowed = applyEdit(own, { kind: 'set', path: ['cups', 2, 'scented'], value: false })
    expect(allowed.ok).toBe(true)
    expect(allowed.ok && lanesOfPlan(allowed.plan).quickCups).toHaveLength(4)
  })
})

describe('before the lye', () => {
  test('everything that can be done is named: colours, scent by its moment, cups, tools, toppings, mould', () => {
    const plain = { ...layers, scent: null, moves: [], finish: { ...layers.finish, toppings: [] } }
    expect(
      beforeLye(plain)
        .map(one => say(one))
        .join(),
    ).not.toMatch(/scent|wire|toppings/)
    const scented = (moment: 'oils' | 'pot' | 'last') =>
      beforeLye({ ...layers, scent: { ...layers.scent!, moment } })
        .map(one => say(one))
        .join()
    expect(scented('oils')).toContain('scent weighed into the oils')
    expect(scented('pot')).toContain('into a cup of its own')
    expect(scented('last')).toContain('a share for each cup')
    const swirled = { ...layers, moves: [startingMove('move-1', layers.score.at(-1)!.id, 'hanger')] }
    expect(said(beforeLye(swirled))).toContain('hanger wire at hand')
    const off = { ...swirled, moves: swirled.moves.map(move => ({ ...move, off: true })) }
    expect(said(beforeLye(off))).not.toContain('hanger wire at hand')
    expect(said(beforeLye(layers))).toContainEqual(expect.stringContaining(`${layers.cups.length} cups set out`))
    const bare = { ...layers, mould: { ...layers.mould, lining: 'none' as const } }
    expect(said(beforeLye(bare))).toContain('mould level')
  })
})
