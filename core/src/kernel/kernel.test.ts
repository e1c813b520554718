import { array, assert, constantFrom, double, integer, property, record, tuple } from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { TwistOp } from '../look/swirl/program.ts'
import { Twists } from '../look/swirl/twist.ts'
import { Block } from '../mould/rest/block.ts'
import type { BlockInput } from '../mould/rest/block-input.ts'
import { facesOf } from '../mould/rest/setup.ts'
import { BARE, COCO, LOAF, made } from '../mould/rest/test/loaf.ts'
import { kernel, plainKernel } from './index.ts'

const COCONUT = made(COCO)
const QUICK = { ...COCONUT, quickness: 3 * COCONUT.quickness, gelC: COCONUT.gelC - 6 }
const AROUND = { airC: 21, roomC: 20, forced: 0, matC: null }

interface Case {
  nx: number
  ny: number
  nz: number
  isRound: boolean
  pourC: number
  seed: number
  cover: 'open' | 'film' | 'lid'
  isFilled: boolean
}

/** A block of two batters that lie in layers, poured one after the other or at once. */
function blockInput({ nx, ny, nz, isRound, pourC, seed, cover, isFilled }: Case): BlockInput {
  const n = nx * ny * nz
  const row = (i: number) => Math.floor(i / (nx * nz))
  const mould = { ...LOAF, isRound }
  return {
    ...{ nx, ny, nz, widthM: 0.04, heightM: 0.07, depthM: 0.12, isRound, lengthM: 0.24, wallC: 20 },
    ...{ materials: [COCONUT, QUICK], materialOf: Uint8Array.from({ length: n }, (_, i) => row(i) % 2) },
    startC: Float64Array.from({ length: n }, (_, i) => pourC + ((i * seed) % 7)),
    startX: Float64Array.from({ length: n }, (_, i) => 0.05 + ((i * seed) % 5) / 50),
    faces: facesOf(mould, { ...BARE, cover }),
    ...(isFilled && { fills: Array.from({ length: ny }, (_, i) => ({ atS: -60 * (ny - 1 - i), rows: i + 1 })) }),
  }
}

const cases = record({
  nx: integer({ min: 1, max: 7 }),
  ny: integer({ min: 1, max: 9 }),
  nz: constantFrom(1, 1, 4),
  isRound: constantFrom(false, true),
  pourC: double({ min: 18, max: 70, noNaN: true }),
  seed: integer({ min: 1, max: 40 }),
  cover: constantFrom('open', 'film', 'lid'),
  isFilled: constantFrom(false, true),
})

const state = ({ T, X, g, gmax, margin, hottest, gelledAt, dose, made, lost, kept, timeS }: Block) => [
  ...[T, X, g, gmax, margin, hottest, gelledAt, dose].map(list => Array.from(list)),
  ...[made, lost, kept, timeS],
]

describe('the compiled kernel', () => {
  test('is there', () => {
    expect(kernel().numbers().buffer).not.toBe(plainKernel().numbers().buffer)
  })

  test('gives the very numbers of its source as it stands', () => {
    assert(
      property(cases, one => {
        const [compiled, plain] = [new Block(blockInput(one)), new Block(blockInput(one), plainKernel())]
        for (const untilS of [300, 1800, 3 * 3600]) {
          for (const block of [compiled, plain]) block.run(untilS, AROUND)
          expect(state(compiled)).toEqual(state(plain))
          expect(compiled.lossNow()).toBe(plain.lossNow())
        }
        expect(compiled.T.every(Number.isFinite)).toBe(true)
      }),
      { numRuns: 40 },
    )
  })

  test('turns points as its source does, and back again', () => {
    const number = (min: number, max: number) => double({ min, max, noNaN: true })
    const place = number(5, 55)
    const turn = record({
      plane: constantFrom('yz', 'xy', 'xz'),
      power: constantFrom(2, 4),
      law: constantFrom('jet', 'stir'),
      slice: constantFrom(
        { kind: 'all' },
        { kind: 'above', noneBelow: 10, allAbove: 30 },
        { kind: 'window', at: 30, half: 12, soft: 8 },
      ),
      meander: constantFrom(null, { aMm: 3, bMm: 2, lengthMm: 60, phase: 1 }),
      ...{ centreA: number(20, 40), centreB: number(20, 40), axis: number(0, 6), across: number(4, 20) },
      ...{ along: number(4, 20), angle: number(-2, 2), ring: number(0.2, 0.9), core: number(0.1, 1) },
    }).map(({ axis, ...one }): TwistOp => ({ kind: 'twist', axisA: Math.cos(axis), axisB: Math.sin(axis), ...one }))
    assert(
      property(array(turn, { minLength: 1, maxLength: 12 }), tuple(place, place, place), (ops, from) => {
        const [fast, plain] = [new Twists(ops), new Twists(ops, plainKernel())]
        const [a, b] = [Float64Array.from(from), Float64Array.from(from)]
        fast.move(a, 0, ops.length, 1)
        plain.move(b, 0, ops.length, 1)
        a.forEach((value, i) => expect(value).toBeCloseTo(b[i]!, 8))
        fast.move(a, 0, ops.length, -1)
        a.forEach((value, i) => expect(Math.abs(value - from[i]!)).toBeLessThan(0.1))
      }),
      { numRuns: 60 },
    )
  })

  test('blocks that take turns come out as each by itself', () => {
    assert(
      property(cases, cases, (a, b) => {
        const alone = [a, b].map(one => {
          const block = new Block(blockInput(one))
          for (const untilS of [600, 1200, 7200]) block.run(untilS, AROUND)
          return state(block)
        })
        const both = [a, b].map(one => new Block(blockInput(one)))
        for (const untilS of [600, 1200, 7200]) for (const block of both) block.run(untilS, AROUND)
        expect(both.map(state)).toEqual(alone)
      }),
      { numRuns: 30 },
    )
  })
})
