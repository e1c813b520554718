import { kernel, turnFields as fields } from '../../kernel/index.ts'
import type { Kernel } from '../../kernel/index.ts'
import type { TwistOp } from './program.ts'

/** A point of the block, mm: x, y, z. Changed in place as moves are undone. */
export type Point = Float64Array

const PLANES = { yz: 0, xy: 1, xz: 2 } as const

/** Numbers of a slice: its kind, and three of it. */
function sliceNumbers({ slice }: TwistOp): [kind: number, ...numbers: [number, number, number]] {
  switch (slice.kind) {
    case 'all':
      return [0, 0, 0, 0]
    case 'above':
      return [1, slice.noneBelow, slice.allAbove, 0]
    case 'window':
      return [2, slice.at, slice.half, slice.soft]
  }
}

/** Twists as the kernel reads them, one after another. */
function packedTwists(ops: readonly TwistOp[]): Float64Array {
  const packed = new Float64Array(ops.length * fields.TURN_ROOM)
  ops.forEach((op, i) => {
    const from = i * fields.TURN_ROOM
    const { axisA, axisB, across, along, meander } = op
    packed[from + fields.PLANE] = PLANES[op.plane]
    packed[from + fields.SQUARISH] = op.power === 4 ? 1 : 0
    packed[from + fields.JET] = op.law === 'jet' ? 1 : 0
    packed.set(sliceNumbers(op), from + fields.SLICE)
    if (meander) packed.set([1, meander.aMm, meander.bMm, meander.lengthMm, meander.phase], from + fields.WANDERS)
    packed.set([op.centreA, op.centreB], from + fields.CENTRE_A)
    packed.set([axisA / along, axisB / along, axisA / across, axisB / across], from + fields.LONG_A)
    packed.set([axisA * along, axisB * along, axisA * across, axisB * across], from + fields.BY_LONG_A)
    packed.set([op.angle, op.ring, 1 / op.core], from + fields.ANGLE)
    packed.set([NaN, op.centreA, op.centreB, 1], from + fields.LAST)
  })
  return packed
}

/** Numbers that a point takes in the kernel, before the twists. */
const POINT = 4

/** Twists in the order of the hands, as the kernel moves points by them. */
export class Twists {
  readonly #packed: Float64Array

  constructor(
    ops: readonly TwistOp[],
    readonly kernelOf: Kernel = kernel(),
  ) {
    this.#packed = packedTwists(ops)
  }

  /**
   * Moves a point by `count` of them from the `first` on, or undoes that.
   *
   * @param direction 1: as the tools move batter; -1: back to where it was
   * @param depth     how many pots deep: each has its place in the kernel
   */
  move(point: Point, first: number, count: number, direction: 1 | -1, depth = 0): void {
    const { kernelOf: all } = this
    const place = all.swirls[depth]!
    if (place.isNewFor(all, this, POINT + this.#packed.length)) all.numbers().set(this.#packed, place.at + POINT)
    const numbers = all.numbers()
    const { at } = place
    numbers[at] = point[0]!
    numbers[at + 1] = point[1]!
    numbers[at + 2] = point[2]!
    all.turns(at, at + POINT + first * fields.TURN_ROOM, count, direction)
    point[0] = numbers[at]!
    point[1] = numbers[at + 1]!
    point[2] = numbers[at + 2]!
  }
}
