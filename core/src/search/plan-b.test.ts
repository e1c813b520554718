import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { PLAN_B_KINDS, firstPlanB, planBCall, planBDiffers, planBEdit } from '../design/index.ts'
import type { PlanBKind } from '../design/index.ts'
import { applyEdit, cupShares, readPlanText } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import { referenceShelf } from '../shelf/index.ts'
import { planBOffers, planBOutlook } from './index.ts'
import { said, say } from '../quantities/words/index.ts'

const shelf = referenceShelf()
const example = (name: string): Plan => {
  const read = readPlanText(readFileSync(new URL(`../../../examples/${name}.json`, import.meta.url), 'utf8'))
  if (!read.ok) throw new Error(name)
  return { ...read.plan, planB: null }
}
const swirl = example('heron-reach')
const layers = example('verdigris-stair')
const kinds = Object.keys(PLAN_B_KINDS) as PlanBKind[]

const taken = (plan: Plan, kind: PlanBKind): Plan => {
  const edit = planBEdit(plan, kind)
  const result = edit && applyEdit(plan, edit)
  if (!result?.ok) throw new Error(`${kind}: ${result ? say(result.sentence) : 'no use'}`)
  return result.plan
}
const whole = (plan: Plan) => plan.planB!.score.reduce((sum, pour) => sum + pour.share, 0)

describe('every kind of plan B', () => {
  test.each(kinds)('%s pours all of the soap, and can be worked on and left', kind => {
    const plan = taken(kind === 'layers' ? swirl : layers, kind)
    const before = plan.score.reduce((sum, pour) => sum + pour.share, 0)
    expect(whole(plan)).toBeCloseTo(before, 4)
    const swapped = applyEdit(plan, { kind: 'swap-plans' })
    expect(swapped.ok && swapped.plan.score).toEqual(plan.planB!.score)
  })

  test('only fewer colours takes other weights than the cups hold, and leaves cups undrawn', () => {
    expect(planBDiffers(taken(layers, 'spooned'))).toEqual([])
    expect(planBDiffers(taken(layers, 'reserve'))).toEqual([])
    const fewer = taken(layers, 'fewer')
    expect(planBDiffers(fewer).length).toBeGreaterThan(0)
    const shares = cupShares({ ...fewer, score: fewer.planB!.score })
    expect(shares.filter(share => share > 0)).toHaveLength(3)
    const kept = shares.flatMap((share, i) => (share > 0 ? [cupShares(layers)[i]!] : []))
    const dropped = shares.flatMap((share, i) => (share > 0 ? [] : [cupShares(layers)[i]!]))
    expect(Math.min(...kept)).toBeGreaterThanOrEqual(Math.max(...dropped) - 1e-9)
  })

  test('fewer colours of a swirl keep its tools, after pours that are there', () => {
    const { score, moves } = taken(swirl, 'fewer').planB!
    expect(moves.map(move => move.tool)).toEqual(swirl.moves.map(move => move.tool))
    expect(moves.every(move => score.some(pour => pour.id === move.after))).toBe(true)
  })

  test('the reserve is one cup without scent, poured last over heaps of the others', () => {
    const plan = taken(layers, 'reserve')
    const plain = plan.cups.filter(cup => !cup.scented)
    expect(plain).toHaveLength(1)
    expect(plan.planB!.score.at(-1)).toMatchObject({ cup: plain[0]!.id, shape: { way: 'layer' } })
    expect(plan.planB!.score.slice(0, -1).every(pour => pour.shape.way === 'spoon')).toBe(true)
  })

  test('what a design has no use for is not offered', () => {
    expect(firstPlanB(layers, 'layers')).toBeNull()
    expect(firstPlanB({ ...layers, scent: null }, 'reserve')).toBeNull()
    const one = { ...layers, score: layers.score.map(pour => ({ ...pour, cup: layers.cups[0]!.id })) }
    expect(firstPlanB(one, 'fewer')).toBeNull()
    expect(firstPlanB(one, 'reserve')).toBeNull()
  })
})

describe('when a plan B is called for', () => {
  test('other weights for the cups are decided at the pot, before the split, by the trace at which blending stops', () => {
    const fewer = taken(layers, 'fewer')
    expect(said(planBCall(fewer))).toMatch(/the pot is thicker than trace .* as blending stops, before it is split/)
    expect(fewer.planB!.level).toBeLessThan(layers.conditions.stopLevel + 0.5)
    expect(said(planBCall(taken(layers, 'spooned')))).toMatch(/a cup is thicker than trace .*, looked at before/)
  })
})

describe('what a plan B is worth', () => {
  test('it is called for more often the more the scent quickens, and helps most where plan A fails', () => {
    const cooler = { ...layers, conditions: { ...layers.conditions, mixC: 27, stopLevel: 1.3 } }
    const [hot, cool] = [layers, cooler].map(plan => planBOutlook(taken(plan, 'spooned'), shelf)!)
    expect(hot!.fires).toBeGreaterThan(cool!.fires)
    expect(hot!.planB).toBeGreaterThan(hot!.planA)
  })

  test('the same plan gives the same answer; the most useful stands first', () => {
    const cooler = { ...layers, conditions: { ...layers.conditions, mixC: 27, stopLevel: 1.3 } }
    const offers = planBOffers(cooler, shelf)
    expect(planBOffers(cooler, shelf)).toEqual(offers)
    expect(offers.length).toBeGreaterThan(1)
    // What is hardly ever called for, would hardly work, or no oftener than plan A, is not offered.
    for (const { outlook } of offers) {
      expect(outlook.fires).toBeGreaterThan(0.02)
      expect(outlook.planB).toBeGreaterThan(Math.max(0.25, outlook.planA + 0.1) - 1e-9)
      expect(outlook.warns).toBeGreaterThan(0.05)
      expect(outlook.lastMin).toBeGreaterThan(1)
    }
    const gains = offers.map(({ outlook }) => outlook.fires * (outlook.planB - outlook.planA))
    expect(gains).toEqual([...gains].sort((a, b) => b - a))
  })

  test('none is offered where nothing is likely to go wrong, or where none would hold either', () => {
    expect(planBOffers(swirl, shelf)).toEqual([])
    const seizing = { ...layers, scent: { ...layers.scent!, parts: [{ scent: 'lily-of-nowhere', share: 1 }] } }
    expect(planBOffers(seizing, shelf)).toEqual([])
  })

  test('a trigger that is never seen says so; plan B in use has no outlook', () => {
    const plan = taken(layers, 'spooned')
    const never = { ...plan, planB: { ...plan.planB!, level: 5 } }
    expect(planBOutlook(never, shelf)).toMatchObject({ fires: 0, planA: 0, planB: 0 })
    expect(planBOutlook({ ...plan, planB: { ...plan.planB!, inUse: true } }, shelf)).toBeNull()
    expect(planBOutlook(layers, shelf)).toBeNull()
  })
})
