import { describe, expect, test } from 'vitest'
import { applyEdit } from './edits.ts'
import { barCount, barsAlong } from './cutting.ts'
import { clearMm, displacedMm3, embedPieces, overlappingEmbeds, pieceMm3 } from './embeds.ts'
import type { Embed } from './finish-part.ts'
import { startingEmbed, starterPlan } from './starter.ts'
import { stackLayers } from '../portions/layers.ts'
import { said } from '../quantities/words/index.ts'

const start = starterPlan('Embeds')
const withEmbeds = (...changes: Partial<Embed>[]) => ({
  ...start,
  finish: {
    ...start.finish,
    embeds: changes.map((change, i) => ({ ...startingEmbed(`embed-${i + 1}`, 'pour-1'), ...change })),
  },
})
const floor = start.mould.innerLengthMm * start.mould.innerWidthMm
const volume = (change: Partial<Embed>) => displacedMm3(withEmbeds(change), floor, 0, start.mould.fillMm)

describe('what a piece takes of the batter', () => {
  test.each<[Partial<Embed>, number]>([
    [{ form: 'bar', widthMm: 10, heightMm: 20, lengthMm: 0 }, 10 * 20 * 230],
    [{ form: 'rod', widthMm: 20 }, Math.PI * 100 * 230],
    [{ form: 'ball', widthMm: 24, count: 3 }, 3 * (4 / 3) * Math.PI * 12 ** 3],
    [{ form: 'curl', widthMm: 20, lengthMm: 50, count: 2 }, 2 * 0.5 * Math.PI * 100 * 50],
  ])('%o', (change, mm3) => {
    expect(volume(change)).toBeCloseTo(mm3, 3)
    const plan = withEmbeds(change)
    expect(embedPieces(plan).reduce((sum, piece) => sum + pieceMm3(piece), 0)).toBeCloseTo(mm3, 3)
  })

  test('comes off the layers that it lies in, and off the weights', () => {
    const ball = withEmbeds({ form: 'ball', widthMm: 20, count: 1, height: 0.2 })
    const [before, after] = [stackLayers(start), stackLayers(ball)]
    const taken = after.map((layer, i) => before[i]!.volumeMl - layer.volumeMl)
    expect(taken[0]).toBeCloseTo(((4 / 3) * Math.PI * 1000) / 1000, 3)
    expect(taken.slice(1)).toEqual([0, 0])
    const between = withEmbeds({ form: 'rod', widthMm: 20, height: 0.4 })
    const split = stackLayers(between).map((layer, i) => before[i]!.volumeMl - layer.volumeMl)
    expect(split[0]).toBeCloseTo(split[1]!, 6)
    expect(split[0]! + split[1]!).toBeCloseTo((Math.PI * 100 * 230) / 1000, 3)
  })

  test('a mat takes half its depth of the floor', () => {
    const mat = { texture: 'ribs' as const, depthMm: 4, pitchMm: 10 }
    const plan = { ...start, finish: { ...start.finish, mat } }
    expect(displacedMm3(plan, floor, 0, 60)).toBeCloseTo(2 * floor, 6)
  })
})

describe('where pieces lie', () => {
  test('one in the middle of every bar', () => {
    const plan = withEmbeds({ form: 'ball', everyBar: true })
    const bars = barsAlong(230, plan.cutting).bars
    expect(embedPieces(plan).map(piece => piece.x)).toEqual(bars.map(bar => (bar.from + bar.to) / 2))
    expect(barCount(plan)).toBe(bars.length)
    expect(barCount({ ...plan, cutting: { ...plan.cutting, rows: 3 } })).toBe(3 * bars.length)
  })

  test('overlaps, walls and the top are known', () => {
    const two = withEmbeds({ name: 'A', across: 0.4 }, { name: 'B', across: 0.5 })
    expect(overlappingEmbeds(two)).toEqual([['A', 'B']])
    expect(overlappingEmbeds(withEmbeds({ across: 0.2 }, { across: 0.7 }))).toEqual([])
    const near = withEmbeds({ widthMm: 20, across: 0.1, height: 0.9 })
    const clear = clearMm(near, embedPieces(near)[0]!)
    expect(clear.wall).toBeCloseTo(-2.5, 6)
    expect(clear.top).toBeCloseTo(-4, 6)
  })

  test('a piece wider than the mould is refused beside its field', () => {
    const plan = withEmbeds({})
    const result = applyEdit(plan, { kind: 'set', path: ['finish', 'embeds', 0, 'widthMm'], value: 90 })
    expect(result.ok).toBe(false)
    if (!result.ok) expect(said(result)).toMatchObject({ path: 'finish.embeds[0].widthMm' })
    if (!result.ok) expect(said(result.sentence)).toContain('larger than the mould')
  })
})
