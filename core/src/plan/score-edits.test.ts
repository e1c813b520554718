import { describe, expect, test } from 'vitest'
import { applyEdit } from './edits.ts'
import type { Edit } from './edit.ts'
import { layerHeights } from './cavities.ts'
import type { Plan } from './document.ts'
import { MIGRATIONS } from './versions/index.ts'
import { readPlan, writePlan, readPlanText } from './read.ts'
import { startingMove, starterPlan } from './starter.ts'
import { cupShares } from './divide.ts'
import { firstPlanB, planBDiffers } from '../design/index.ts'
import { say } from '../quantities/words/index.ts'

const start: Plan = { ...starterPlan('Edits'), moves: [startingMove('move-1', 'pour-2', 'hanger')] }
const ok = (plan: Plan, edit: Edit): Plan => {
  const result = applyEdit(plan, edit)
  if (!result.ok) throw new Error(say(result.sentence))
  return result.plan
}
const refusal = (plan: Plan, edit: Edit): string => {
  const result = applyEdit(plan, edit)
  return result.ok ? '' : say(result.sentence)
}
const ids = (plan: Plan) => plan.score.map(pour => pour.id)
const fills = (plan: Plan) => layerHeights(plan).reduce((sum, mm) => sum + mm, 0)

describe('several pours', () => {
  test('move together in their order, wherever they lie', () => {
    const plan = ok(start, { kind: 'repeat-pours', from: 0, to: 2, times: 2 })
    const [a, b, c, d, e, f] = ids(plan) as [string, string, string, string, string, string]
    expect(ids(ok(plan, { kind: 'move-pours', pours: [e, a], to: 1 }))).toEqual([b, a, e, c, d, f])
    expect(ids(ok(plan, { kind: 'move-pours', pours: [a, b], to: 4 }))).toEqual([c, d, e, f, a, b])
    expect(refusal(plan, { kind: 'move-pours', pours: ['gone'], to: 0 })).toContain('gone')
  })

  test('move while tools and embeds stay where they are in the order of the hands', () => {
    const moved = ok(start, { kind: 'move-pours', pours: ['pour-2'], to: 0 })
    expect(ids(moved)).toEqual(['pour-2', 'pour-1', 'pour-3'])
    expect(moved.moves[0]!.after).toBe('pour-1')
    expect(ok(moved, { kind: 'move-pours', pours: ['pour-2'], to: 1 }).moves).toEqual(start.moves)
  })

  test('are removed together; all of them cannot be', () => {
    expect(ids(ok(start, { kind: 'remove-pours', pours: ['pour-1', 'pour-3'] }))).toEqual(['pour-2'])
    expect(refusal(start, { kind: 'remove-pours', pours: ids(start) })).toBe('A score keeps at least one pour.')
  })

  test('are pasted with their tools and fill the mould as before; more than there may be are refused', () => {
    const copied = { pours: start.score.slice(1), moves: start.moves }
    const plan = ok(start, { kind: 'paste-pours', at: 1, ...copied })
    expect(plan.score.map(pour => pour.cup)).toEqual(['cup-1', 'cup-2', 'cup-3', 'cup-2', 'cup-3'])
    expect(plan.moves).toHaveLength(2)
    expect(plan.moves[1]!.after).toBe(plan.score[1]!.id)
    expect(fills(plan)).toBeCloseTo(start.mould.fillMm, 3)
    const many = Array.from({ length: 60 }, () => start.score[0]!)
    expect(refusal(start, { kind: 'paste-pours', at: 0, pours: many, moves: [] })).toContain('more than 60 pours')
  })
})

describe('a pour set aside', () => {
  test('leaves the score with its tools and comes back to its place, its share and its tools', () => {
    const aside = ok(start, { kind: 'set-aside', pours: ['pour-2'] })
    expect(ids(aside)).toEqual(['pour-1', 'pour-3'])
    expect(aside.moves).toEqual([])
    expect(fills(aside)).toBeCloseTo(start.mould.fillMm, 3)
    const back = ok(aside, { kind: 'put-back', index: 0 })
    expect(ids(back)).toEqual(ids(start))
    expect(back.moves[0]).toMatchObject({ tool: 'hanger', after: 'pour-2' })
    layerHeights(back).forEach((mm, i) => expect(mm).toBeCloseTo(layerHeights(start)[i]!, 3))
    expect(back.aside).toEqual([])
  })

  test('goes when its cup goes, and survives the file', () => {
    const aside = ok(start, { kind: 'set-aside', pours: ['pour-2'] })
    const read = readPlanText(writePlan(aside))
    expect(read.ok && read.plan.aside).toEqual(aside.aside)
    expect(ok(aside, { kind: 'remove-cup', cup: 'cup-2' }).aside).toEqual([])
    expect(refusal(start, { kind: 'put-back', index: 3 })).toContain('not set aside')
  })
})

test('a pour is divided into now and later, together as much as before', () => {
  const plan = ok(start, { kind: 'split-pour', pour: 'pour-1', id: 'pour-9' })
  expect(ids(plan)).toEqual(['pour-1', 'pour-9', 'pour-2', 'pour-3'])
  expect(plan.score[0]!.share + plan.score[1]!.share).toBeCloseTo(start.score[0]!.share, 5)
})

describe('plan B', () => {
  const plan = ok(start, { kind: 'set', path: ['planB'], value: firstPlanB(start) })

  test('pours the same cups with the same weights, spooned, without tools', () => {
    expect(planBDiffers(plan)).toEqual([])
    const shares = cupShares({ ...plan, score: plan.planB!.score })
    shares.forEach((share, i) => expect(share).toBeCloseTo(cupShares(start)[i]!, 5))
    expect(plan.planB!.score.every(pour => pour.shape.way === 'spoon')).toBe(true)
    expect(plan.planB!.before).toBe('pour-1')
  })

  test('changes places with the first score and back again', () => {
    const swapped = ok(plan, { kind: 'swap-plans' })
    expect(swapped.score[0]!.shape.way).toBe('spoon')
    expect(swapped.planB).toMatchObject({ inUse: true, score: plan.score, moves: plan.moves })
    expect(ok(swapped, { kind: 'swap-plans' })).toEqual(plan)
    expect(refusal(start, { kind: 'swap-plans' })).toBe('There is no plan B yet.')
  })

  test('that takes other weights is told of, and what it names must exist', () => {
    const score = plan.planB!.score.map((pour, i) => ({ ...pour, share: i === 0 ? 0.6 : 0.2 }))
    expect(planBDiffers({ ...plan, planB: { ...plan.planB!, score } })).toHaveLength(3)
    const lost = plan.planB!.score.map(pour => ({ ...pour, cup: 'cup-9' }))
    expect(refusal(plan, { kind: 'set', path: ['planB', 'score'], value: lost })).toContain('There is no cup')
    expect(ok(plan, { kind: 'remove-cup', cup: 'cup-1' }).planB!.score).toHaveLength(2)
  })
})

test('a plan of version 4 is brought to 5 with nothing new in it', () => {
  const now = starterPlan('Older') as unknown as Record<string, unknown>
  const rest = Object.fromEntries(
    Object.entries(now).filter(([key]) => !['aside', 'finish', 'planB', 'hands', 'seen'].includes(key)),
  )
  const old = {
    ...rest,
    version: 4,
    cutting: { barMm: 30, trimMm: 0, kerfMm: 1 },
    score: starterPlan('Older').score.map(({ together: _, window: __, ...pour }) => pour),
  }
  expect(MIGRATIONS[4]).toBeDefined()
  const read = readPlan(old)
  expect(read.ok && read.plan).toEqual({
    ...now,
    cutting: { barMm: 30, trimMm: 0, kerfMm: 1, rows: 1, onSide: false, blade: 'wire' },
  })
})
