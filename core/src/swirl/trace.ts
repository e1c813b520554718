import { fromSquare, toSquare } from './chart.ts'
import { emptyPoured, pourBack } from './pour.ts'
import type { PourOp, Program } from './program.ts'
import { twist } from './twist.ts'
import type { Point } from './twist.ts'

/** Below this share of a point nothing more is asked. */
const REST = 0.004
const poured = [emptyPoured(), emptyPoured(), emptyPoured()]

/** Wobble of the edges, reflected at the walls. First-order area-preserving: each wave runs along its crests. */
function fray(program: Program, at: Point): void {
  if (!program.fray) return
  const { amplitudeMm: a, wavelengthMm, seed } = program.fray
  const f = (2 * Math.PI) / wavelengthMm
  const { x, y, z } = at
  const s1 = Math.sin(f * (0.8 * y + 0.6 * z) + 0.31 * f * x + seed)
  const s2 = Math.sin(1.7 * f * (-0.5 * y + 0.85 * z) + 0.4 * f * x + 1.7 * seed)
  const s3 = Math.sin(3.1 * f * (0.95 * y - 0.3 * z) - 0.5 * f * x + 2.9 * seed)
  at.y = y + a * (0.6 * s1 + 0.6 * s2 - 0.09 * s3)
  at.z = z + a * (-0.8 * s1 + 0.35 * s2 - 0.28 * s3) * Math.min(1, (program.heightMm - z) / 4)
  if (program.radiusMm === 0) {
    if (at.y < 0) at.y = -at.y
    if (at.y > program.widthMm) at.y = 2 * program.widthMm - at.y
  }
  if (at.z < 0) at.z = -at.z
}

function hold(program: Program, op: PourOp, at: Point): void {
  if (program.radiusMm > 0) {
    const r = Math.hypot(at.x, at.y)
    if (r > program.radiusMm) {
      at.x *= program.radiusMm / r
      at.y *= program.radiusMm / r
    }
  } else {
    at.x = Math.min(program.lengthMm, Math.max(0, at.x))
    at.y = Math.min(program.widthMm, Math.max(0, at.y))
  }
  at.z = Math.min(op.h0, Math.max(0, at.z))
}

/**
 * Adds the colours at a point of the finished block to `out`, by running the design backwards. The weights add up to `scale`
 * within 0.4 %.
 *
 * @param at  the point, mm; it is changed
 */
export function trace(program: Program, at: Point, out: Float64Array, scale = 1, depth = 0): void {
  if (depth === 0) fray(program, at)
  const { ops } = program
  const found = poured[depth]!
  let rest = scale
  for (let i = ops.length - 1; i >= 0; i -= 1) {
    const op = ops[i]!
    if (op.kind === 'twist') {
      twist(op, at, -1)
      continue
    }
    let { x, y } = at
    if (op.chart !== 'none') ({ x, y } = toSquare(op.chart, program.radiusMm, program.lengthMm, at))
    pourBack(op, program, x, y, at.z, found)
    const isLast = op.h0 <= 0
    const taken = isLast ? rest : rest * found.fresh
    const dusted = op.pencil >= 0 ? pencilShare(op, found.above) : 0
    if (taken > 0) give(op, found.u, found.q, found.v, taken * (1 - dusted), out, depth)
    if (dusted > 0) out[op.pencil]! += dusted * (found.above >= 0 ? taken : rest)
    rest -= found.above < 0 && dusted > 0 ? rest * Math.max(dusted, found.fresh) : taken
    if (isLast || rest < REST * scale) return
    if (op.chart === 'none') {
      at.x = found.x
      at.y = found.y
    } else {
      const back = fromSquare(op.chart, program.radiusMm, program.lengthMm, found)
      at.x = back.x
      at.y = back.y
    }
    at.z = found.z
    hold(program, op, at)
  }
}

/** Share of a dusted line at so far from the boundary. */
function pencilShare({ pencilMm }: PourOp, above: number): number {
  const off = Math.abs(above)
  return off >= pencilMm ? 0 : Math.min(1, (pencilMm - off) / (0.4 * pencilMm))
}

function give(op: PourOp, u: number, q: number, v: number, share: number, out: Float64Array, depth: number): void {
  if (!op.pot) {
    out[op.colour]! += share
    return
  }
  const { program, from, to, isBack } = op.pot
  const along = from + (to - from) * (isBack ? 1 - u : u)
  const inPot = { x: q * program.lengthMm, y: along * program.widthMm, z: v * program.heightMm }
  trace(program, inPot, out, share, depth + 1)
}
