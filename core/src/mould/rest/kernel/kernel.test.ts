import { assert, constantFrom, double, integer, property, record } from 'fast-check'
import { describe, expect, test } from 'vitest'
import { Block } from '../block.ts'
import type { BlockInput } from '../block-input.ts'
import { facesOf } from '../setup.ts'
import { BARE, COCO, LOAF, made } from '../test/loaf.ts'
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
    expect(kernel().roomFor(1).buffer).not.toBe(plainKernel().roomFor(1).buffer)
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
