import type { TwistOp } from './program.ts'
import { turn, turned } from './squircle.ts'

/** A point of the block, mm: x, y, z. Changed in place as moves are undone. */
export type Point = Float64Array

const smooth = (t: number): number => (t <= 0 ? 0 : t >= 1 ? 1 : t * t * (3 - 2 * t))

function sliceFactor({ slice }: TwistOp, c: number): number {
  switch (slice.kind) {
    case 'all':
      return 1
    case 'above':
      return smooth((c - slice.noneBelow) / (slice.allAbove - slice.noneBelow))
    case 'window':
      return smooth((slice.half + slice.soft / 2 - Math.abs(c - slice.at)) / slice.soft)
  }
}

/** The two wobbles of a meander never meet in step. */
const OTHER_WOBBLE = 1.618

/** A twist as plain numbers: a face asks for it a hundred thousand times. */
export interface Packed {
  kind: 'packed'
  op: TwistOp
  /** Which coordinates turn, and which one stays. */
  a: number
  b: number
  c: number
  isSquircle: boolean
  isJet: boolean
  isSliced: boolean
  hasMeander: boolean
  /** Centre, axis over the long half, axis over the short half, displacement factors, angle, ring, 1/core. */
  n: Float64Array
  /** Where the meander and the slice were last asked for: place, centre a and b, factor. */
  last: Float64Array
}

export function pack(op: TwistOp): Packed {
  const { axisA, axisB, across, along } = op
  const [a, b, c] = op.plane === 'yz' ? [1, 2, 0] : op.plane === 'xy' ? [0, 1, 2] : [0, 2, 1]
  return {
    kind: 'packed',
    op,
    a,
    b,
    c,
    isSquircle: op.power === 4,
    isJet: op.law === 'jet',
    isSliced: op.slice.kind !== 'all',
    hasMeander: op.meander !== null,
    n: Float64Array.of(
      ...[op.centreA, op.centreB, axisA / along, axisB / along, axisA / across, axisB / across],
      ...[axisA * along, axisB * along, axisA * across, axisB * across, op.angle, op.ring, 1 / op.core],
    ),
    last: Float64Array.of(NaN, op.centreA, op.centreB, 1),
  }
}

/** Where the centre is, and how strong the turn, at a place along the axis that stays. */
function placeAt({ op, last, hasMeander, isSliced }: Packed, c: number): void {
  last[0] = c
  if (hasMeander) {
    const { aMm, bMm, lengthMm, phase } = op.meander!
    const turns = (2 * Math.PI * c) / lengthMm + phase
    last[1] = op.centreA + aMm * Math.sin(turns)
    last[2] = op.centreB + bMm * Math.sin(OTHER_WOBBLE * turns + 1)
  }
  if (isSliced) last[3] = sliceFactor(op, c)
}

/**
 * Moves a point by a twist, or undoes it.
 *
 * @param direction 1: as the tool moves batter; -1: back to where it was
 */
export function twist(pack: Packed, at: Point, direction: 1 | -1): void {
  const { n, last } = pack
  if (pack.hasMeander || pack.isSliced) {
    const c = at[pack.c]!
    if (last[0] !== c) placeAt(pack, c)
    if (last[3] === 0) return
  }
  const da = at[pack.a]! - last[1]!
  const db = at[pack.b]! - last[2]!
  const q = da * n[2]! + db * n[3]!
  if (q >= 1 || q <= -1) return
  const p = db * n[4]! - da * n[5]!
  if (p >= 1 || p <= -1) return
  const p2 = p * p
  const q2 = q * q
  let dp: number
  let dq: number
  if (pack.isSquircle) {
    const r4 = p2 * p2 + q2 * q2
    if (r4 >= 1 || r4 === 0) return
    const r = Math.sqrt(Math.sqrt(r4))
    const edge = 1 - r4
    let angle = direction * n[10]! * last[3]! * edge * edge
    if (pack.isJet) {
      const off = (r - n[11]!) * n[12]!
      const width = 1 + off * off
      angle /= width * Math.sqrt(width)
    }
    turn(p, q, r, angle)
    dp = turned[0]! - p
    dq = turned[1]! - q
  } else {
    const r2 = p2 + q2
    if (r2 >= 1) return
    const edge = 1 - r2
    let angle = direction * n[10]! * last[3]! * edge * edge
    if (pack.isJet) {
      const off = (Math.sqrt(r2) - n[11]!) * n[12]!
      const width = 1 + off * off
      angle /= width * Math.sqrt(width)
    }
    const cos = Math.cos(angle)
    const sin = Math.sin(angle)
    dp = p * cos - q * sin - p
    dq = p * sin + q * cos - q
  }
  at[pack.a]! += dq * n[6]! - dp * n[9]!
  at[pack.b]! += dq * n[7]! + dp * n[8]!
}
