import { describe, expect, test } from 'vitest'
import { emptyPoured, guarded, pourBack } from '../pour.ts'
import type { Op, PourOp, Program, TwistOp } from '../program.ts'
import { fromSquare, toSquare } from '../chart.ts'
import { strokeTwists } from '../strokes.ts'
import type { Stroke } from '../strokes.ts'
import { backtrace } from '../backtrace.ts'
import { Twists } from '../twist.ts'
import { L, W, pour, program } from './box.ts'

const back = (op: PourOp, x: number, y: number, z: number, of: Program = program([op], op.h1)) => {
  const out = emptyPoured()
  pourBack(op, of, x, y, z, out)
  return out
}
const near = (value: number) => expect.closeTo(value, 2) as number
const prior = (found: { x: number; y: number; z: number }) => [found.x, found.y, found.z]

describe('pours', () => {
  test('a line', () => {
    const line = pour(40, 160_000, { shape: 'line', y: 40, halfY: 20, halfX: 20 })
    expect(back(line, 125, 40, 30)).toMatchObject({ thickness: near(24), fresh: 1, v: near(0.25) })
    expect(prior(back(line, 125, 40, 12))).toEqual([125, 40, 20].map(near))
    const edge = back(line, 125, 30, 20)
    expect(edge.thickness).toBeCloseTo(18, 3)
    expect(edge.above).toBeCloseTo(-6.4018, 3)
    expect(prior(edge)).toEqual([125, 33.5, 26.6667].map(near))
    const soft = back(line, 125, 24, 40)
    expect(soft.fresh).toBeCloseTo(0.9534, 3)
    expect(prior(soft)).toEqual([125, 28.352, 40].map(near))
    expect(prior(back(line, 125, 10, 45))).toEqual([125, 12, 37.5].map(near))
    expect(back(line, 125, 40, 24.2).fresh).toBeCloseTo(0.8437, 3)
    expect(back(line, 125, 52, 33)).toMatchObject({ thickness: near(15.36), fresh: near(0.8512), y: near(48.064) })
  })

  test('a stream that dives', () => {
    const dive = pour(40, 40_000, { shape: 'line', y: 30 }, 25)
    expect(dive.halfY).toBeCloseTo(4.8, 3)
    expect(prior(back(dive, 100, 30, 10))).toEqual([100, 29.5, 23.5294].map(near))
    expect(back(dive, 100, 33, 30)).toMatchObject({
      thickness: near(15.2344),
      fresh: 1,
      q: near(0.9077),
      v: near(0.2123),
    })
  })

  test('a point', () => {
    const spot = pour(40, 30_000, { shape: 'point', x: 100, y: 50, halfX: 24, halfY: 24, profile: 'soft' })
    expect(spot.halfY).toBeCloseTo(26.2793, 3)
    expect(back(spot, 100, 50, 10)).toMatchObject({ thickness: near(38.18), fresh: 1, v: near(0.175) })
    const side = back(spot, 110, 45, 20)
    expect(side.thickness).toBeCloseTo(25.9384, 3)
    expect(side.above).toBeCloseTo(2.0487, 3)
  })

  test('a wavy layer', () => {
    const modes = Float64Array.from([2, 0, 1.5, 1, 3, -2, 0, 2, 1])
    const wavy = pour(20, 15 * L * W, { modes })
    expect(guarded(wavy, program([wavy], 35)).scale).toBe(1)
    const one = back(wavy, 60, 25, 8)
    expect(one.thickness).toBeCloseTo(16.1414, 3)
    expect(prior(one)).toEqual([57.0217, 24.5303, 8.4842].map(near))
    expect(prior(back(wavy, 180, 70, 15))).toEqual([182.9313, 69.951, 14.9538].map(near))
    expect(back(wavy, 60, 25, 30).v).toBeCloseTo(0.6902, 3)
  })

  test('a tilted layer, and a wedge', () => {
    const tilted = pour(20, 10 * L * W, { tilt: 0.2 })
    const wedge = pour(30, 6 * L * W, { tilt: 0.4 })
    expect(prior(back(tilted, 60, 25, 8))).toEqual([60, 18.125, 9.4118].map(near))
    expect(back(tilted, 60, 25, 8).thickness).toBeCloseTo(13, 6)
    expect(back(wedge, 60, 25, 20).thickness).toBeCloseTo(9.5959, 3)
    expect(prior(back(wedge, 60, 25, 20))).toEqual([60, 17.8367, 22.7238].map(near))
    expect(prior(back(wedge, 60, 70, 20))).toEqual([60, 68, 16.6667].map(near))
  })

  test('a round mould', () => {
    const side = Math.sqrt(Math.PI) * 38
    expect(side).toBeCloseTo(67.3532, 3)
    const round = { ...program([], 0), lengthMm: side, widthMm: side, radiusMm: 38, halfWidthMm: 38 }
    const through = (op: PourOp, chart: 'chord' | 'polar', x: number, y: number, z: number) => {
      const flat = toSquare(chart, round, { x, y })
      const out = emptyPoured()
      pourBack(op, round, flat.x, flat.y, z, out)
      return { ...out, ...fromSquare(chart, round, out) }
    }
    const spot = pour(30, 20_000, { shape: 'point', x: 40, y: 30, halfX: 20, halfY: 20 }, null, side, side)
    expect(through(spot, 'chord', 5, -3, 12)).toMatchObject({ thickness: near(28.0213), fresh: 1 })
    expect(prior(through(spot, 'chord', -20, 10, 20))).toEqual([-18.1625, 10.3304, 17.4374].map(near))
    const ring = pour(30, 20_000, { shape: 'line', y: 0, halfY: 30, halfX: 30 }, null, side, side)
    const inner = through(ring, 'polar', 5, -3, 8)
    expect(inner.thickness).toBeCloseTo(14.8056, 3)
    expect(prior(inner)).toEqual([4.0389, -2.4234, 12.2429].map(near))
    expect(prior(through(ring, 'polar', -20, 10, 20))).toEqual([-17.3407, 8.6704, 21.0273].map(near))
  })
})

const moved = (ops: readonly TwistOp[], x: number, y: number, z: number, direction: 1 | -1) => {
  const at = Float64Array.of(x, y, z)
  new Twists(ops).move(at, 0, ops.length, direction)
  return { x: at[0]!, y: at[1]!, z: at[2]! }
}
const stroke = (change: Partial<Stroke>): Stroke => ({
  ...{ plane: 'yz', fromA: 0, fromB: 0, toA: 0, toB: 0, dragMm: 20, coreMm: 5, reachMm: 13.5 },
  ...{ slice: { kind: 'all' }, meander: null },
  ...change,
})

describe('moves', () => {
  test('a stir', () => {
    const stir: TwistOp = {
      ...{ kind: 'twist', plane: 'yz', centreA: 40, centreB: 32, axisA: 0, axisB: 1, across: 20, along: 28 },
      ...{ power: 2, law: 'stir', angle: 1, ring: 0, core: 1, slice: { kind: 'all' }, meander: null },
    }
    expect(moved([stir], 0, 50, 36, -1)).toMatchObject({ y: near(47.1663), z: near(42.5518) })
    expect(moved([stir], 0, 50, 36, 1)).toMatchObject({ y: near(50.0665), z: near(28.3413) })
  })

  test('a stroke', () => {
    const twists = strokeTwists(stroke({ fromA: 40, fromB: 60, toA: 40, toB: 8 }), program([], 65), 65)
    expect(twists.map(one => [one.centreA, one.centreB, one.across])).toEqual([
      [48.37, 34, 13.5].map(near),
      [31.63, 34, 13.5].map(near),
    ])
    expect(twists[0]!.along).toBeCloseTo(30.1088, 3)
    expect(twists[0]!.angle).toBeCloseTo(-0.73756, 4)
    const cases = [
      [40, 34, 41.5773, 51.2432, 38.4227, 16.7568],
      [44, 20, 42.1932, 25.384, 47.504, 19.2428],
      [30, 34, 30.0002, 33.4332, 30.0002, 34.5668],
      [55, 34, 54.8502, 25.9604, 54.8502, 42.0396],
    ] as const
    for (const [y, z, backY, backZ, onY, onZ] of cases) {
      expect(moved(twists, 0, y, z, -1)).toMatchObject({ y: near(backY), z: near(backZ) })
      expect(moved(twists, 0, y, z, 1)).toMatchObject({ y: near(onY), z: near(onZ) })
    }
  })

  test('a stroke near a wall', () => {
    const [left, right] = strokeTwists(
      stroke({ fromA: 6, fromB: 58, toA: 30, toB: 8, dragMm: 15 }),
      program([], 65),
      65,
    )
    expect(left!.along / 28.0969).toBeCloseTo(1, 2)
    expect(left!.angle / -0.59278).toBeCloseTo(1, 2)
    expect(right!.across / 8.2292).toBeCloseTo(1, 2)
    expect(right!.angle / 0.93609).toBeCloseTo(1, 2)
  })

  test('a long skewer line on the top', () => {
    const slice = { kind: 'above', noneBelow: 42, allAbove: 50 } as const
    const line = stroke({
      plane: 'xy',
      fromA: 10,
      fromB: 40,
      toA: 240,
      toB: 40,
      dragMm: 12,
      coreMm: 3,
      reachMm: 8,
      slice,
    })
    const twists = strokeTwists(line, program([], 62), 62)
    expect(twists).toHaveLength(14)
    expect(moved(twists, 125, 40, 61, -1)).toMatchObject({ x: near(111.682), y: near(39.942) })
    expect(moved(twists, 125, 40, 46, -1)).toMatchObject({ x: near(119.0145), y: near(40.0168) })
    expect(moved(twists, 125, 44, 61, -1)).toMatchObject({ x: near(124.6548), y: near(44) })
    expect(moved(twists, 125, 40, 40, -1)).toEqual({ x: 125, y: 40, z: 40 })
  })
})

/** The colours of the face at x = 100, cell by cell, top row first. */
function labels(of: Program, heightMm: number): string[] {
  return Array.from({ length: 13 }, (_, row) =>
    Array.from({ length: 32 }, (_, i) => {
      const out = new Float64Array(of.colours)
      backtrace(of, Float64Array.of(100, ((i + 0.5) * W) / 32, heightMm - ((row + 0.5) * heightMm) / 13), out)
      return out.indexOf(Math.max(...out))
    }).join(''),
  )
}

function agreement(found: string[], wanted: string): number {
  const rows = wanted.trim().split('\n')
  const same = found
    .join('')
    .split('')
    .filter((cell, i) => cell === rows.join('')[i]).length
  return same / (rows.length * rows[0]!.length)
}

/** Pours on top of each other, each starting where the last left off. */
function stacked(makers: ((h: number) => PourOp)[], first = 0): { ops: PourOp[]; height: number } {
  let height = first
  const ops = makers.map(make => {
    const op = make(height)
    height = op.h1
    return op
  })
  return { ops, height }
}

describe('whole designs', () => {
  test('a hanger through five layers', () => {
    const { ops, height } = stacked([1, 0, 3, 0, 2].map(colour => h => pour(h, 13 * L * W, { colour, edgeMm: 0.3 })))
    const path = [
      [20, 60, 20, 7, 20],
      [20, 7, 40, 7, 12],
      [40, 7, 40, 58, 20],
    ] as const
    const twists = path.flatMap(([fromA, fromB, toA, toB, dragMm]) =>
      strokeTwists(stroke({ fromA, fromB, toA, toB, dragMm }), program([], height), height),
    )
    const design = program([...(ops as Op[]), ...twists], height)
    const wanted = `
22222222222222222222222222222222
22222222222222222222222222222222
20000222222000033002222222222222
00300000220003333300002000000000
03330000200033300300000000000000
33333300200333000333300033333333
30033330003333011333330333333333
30003330003330011033333333333333
00000030033000010000033300000000
00000030030000010000003000000000
11111003330001111111000011111111
11111111000001111111111111111111
11111111111111111111111111111111`
    expect(agreement(labels(design, height), wanted)).toBeGreaterThanOrEqual(0.97)
  })

  test('stripes down the middle', () => {
    const stripe = { shape: 'line', y: 40, halfY: 34, halfX: 34, profile: 'soft', veil: 0.1, edgeMm: 0.3 } as const
    const { ops, height } = stacked([
      h => pour(h, 6 * L * W, { colour: 0, edgeMm: 0.3 }),
      ...Array.from({ length: 10 }, (_, i) => (h: number) => pour(h, 5.4 * L * W, { ...stripe, colour: (i + 1) % 2 })),
    ])
    const wanted = `
11101100000000000000000000110111
01001011110000000000001111010010
00110100111111111111111100101100
01101011001111111111110011010110
01010101100000111100000110101010
01010110111000000000011101101010
00101011001111100111110011010100
00101001100011111111000110010100
00100100111000000000011100100100
00110110001111000011110001101100
00110011100001111110000111001100
00011000111110000001111100011000
00001111000000000000000011110000`
    expect(agreement(labels(program(ops, height), height), wanted)).toBeGreaterThanOrEqual(0.97)
  })

  test('drops from a height', () => {
    const depths = [20, 34, 26, 40, 15, 30, 22, 36]
    const { ops, height } = stacked([
      h => pour(h, 30 * L * W, { colour: 0, edgeMm: 0.3 }),
      ...depths.map(
        (depth, i) => (h: number) =>
          pour(
            h,
            2 * L * W,
            { shape: 'line', y: 10 + ((37 * i) % 60), cover: i % 2 ? 0.2 : 0, colour: 1 + (i % 3), edgeMm: 0.3 },
            depth,
          ),
      ),
    ])
    expect(ops.slice(1).map(op => op.halfY)).toEqual([6, 3.7152, 4.6154, 3.3241, 8, 4, 5.4545, 3.3333].map(near))
    const wanted = `
01110003330002222221111001000000
01110300330220222201111001100000
01113330332220222202111001100000
00113330332220022022111001100000
00113330332220022022110001100000
00113330330220000022110001100000
00113300330220000002200001100000
00100300330200000002200001100000
00000300300200000002200001000000
00000300000200000002200001000000
00000000000200000002000001000000
00000000000000000002000001000000
00000000000000000002000000000000`
    expect(agreement(labels(program(ops, height), height), wanted)).toBeGreaterThanOrEqual(0.97)
  })

  test('a pot of three colours, decanted in five passes', () => {
    const side = 80
    const clock = [0, 1, 2, 3].map(i => ({
      x: 40 + 21.6 * Math.cos((Math.PI / 2) * i),
      y: 40 + 21.6 * Math.sin((Math.PI / 2) * i),
    }))
    const inPot = stacked([
      h => pour(h, 520_000, { colour: 0, edgeMm: 0.5 }, null, side, side),
      ...clock.map(
        (at, i) => (h: number) =>
          pour(h, 195_000, { shape: 'point', ...at, colour: 1 + (i % 2), edgeMm: 0.5 }, 110, side, side),
      ),
    ])
    expect(inPot.ops.slice(1).map(op => op.halfY)).toEqual([34.649, 33.914, 33.914, 33.914].map(near))
    const stir: TwistOp = {
      ...{ kind: 'twist', plane: 'xy', centreA: 40, centreB: 40, axisA: 1, axisB: 0, across: 40, along: 40 },
      ...{ power: 2, law: 'stir', angle: 3, ring: 0, core: 1, slice: { kind: 'all' }, meander: null },
    }
    const pot: Program = {
      ...program([], inPot.height, 3),
      ...{ lengthMm: side, widthMm: side },
      ops: [...inPot.ops, stir],
    }
    const { ops, height } = stacked(
      [55, 25, 60, 30, 45].map((y, i) => (h: number) => ({
        ...pour(h, 260_000, { shape: 'line', y, halfY: 36, halfX: 36, veil: 0.15, edgeMm: 0.5 }),
        pot: { program: pot, from: i / 5, to: (i + 1) / 5, isBack: i % 2 === 1 },
      })),
    )
    const wanted = `
11110000222111111111222222210000
00111200000222211222222221000011
00001122200000022222222000010221
10000111222200000000000011211211
11200021112211111122221102112211
01222100001111112222100221112211
00222220000000000100222211122110
00022222110112222222221222100010
00011122222200000022222100001210
00001111222222212000000001222100
00001101111111111110022222210000
00000000000022222222221110000000
00000000000000000000000000000000`
    expect(agreement(labels({ ...program(ops, height), colours: 3 }, height), wanted)).toBeGreaterThanOrEqual(0.97)
  })
})
