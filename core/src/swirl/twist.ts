import type { TwistOp } from './program.ts'
import { turn, turned } from './squircle.ts'

/** A point of the block, changed in place as moves are undone. */
export interface Point {
  x: number
  y: number
  z: number
}

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

/** Golden ratio less nothing: the two wobbles never meet in step. */
const OTHER_WOBBLE = 1.618

/**
 * Moves a point by a twist, or undoes it.
 *
 * @param direction 1: as the tool moves batter; -1: back to where it was
 */
export function twist(op: TwistOp, at: Point, direction: 1 | -1): void {
  const { plane } = op
  const a0 = plane === 'yz' ? at.y : at.x
  const b0 = plane === 'xy' ? at.y : at.z
  const c = plane === 'yz' ? at.x : plane === 'xy' ? at.z : at.y
  let { centreA, centreB } = op
  if (op.meander) {
    const last = (op.last ??= { c: NaN, a: 0, b: 0 })
    if (last.c !== c) {
      const phase = (2 * Math.PI * c) / op.meander.lengthMm + op.meander.phase
      last.c = c
      last.a = centreA + op.meander.aMm * Math.sin(phase)
      last.b = centreB + op.meander.bMm * Math.sin(OTHER_WOBBLE * phase + 1)
    }
    centreA = last.a
    centreB = last.b
  }
  const da = a0 - centreA
  const db = b0 - centreB
  const { axisA, axisB, across, along } = op
  const q = (da * axisA + db * axisB) / along
  if (q >= 1 || q <= -1) return
  const p = (db * axisA - da * axisB) / across
  if (p >= 1 || p <= -1) return
  let newP: number
  let newQ: number
  if (op.power === 4) {
    const r4 = p * p * p * p + q * q * q * q
    if (r4 >= 1 || r4 === 0) return
    const factor = sliceFactor(op, c)
    if (factor === 0) return
    const r = Math.sqrt(Math.sqrt(r4))
    const edge = 1 - r4
    let angle = direction * op.angle * factor * edge * edge
    if (op.law === 'jet') {
      const off = (r - op.ring) / op.core
      const width = 1 + off * off
      angle /= width * Math.sqrt(width)
    }
    turn(p, q, r, angle)
    newP = turned.p
    newQ = turned.q
  } else {
    const r2 = p * p + q * q
    if (r2 >= 1) return
    const factor = sliceFactor(op, c)
    if (factor === 0) return
    const edge = 1 - r2
    const angle = direction * op.angle * factor * edge * edge
    const cos = Math.cos(angle)
    const sin = Math.sin(angle)
    newP = p * cos - q * sin
    newQ = p * sin + q * cos
  }
  const dp = (newP - p) * across
  const dq = (newQ - q) * along
  const a1 = a0 - dp * axisB + dq * axisA
  const b1 = b0 + dp * axisA + dq * axisB
  if (plane === 'yz') {
    at.y = a1
    at.z = b1
  } else if (plane === 'xy') {
    at.x = a1
    at.y = b1
  } else {
    at.x = a1
    at.z = b1
  }
}
