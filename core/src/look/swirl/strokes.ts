import { inscribedMm } from './chart.ts'
import type { Plane, Program, Slice, TwistOp } from './program.ts'

/** A tool drawn along a straight line: its two counter-rotating sides carry the line along. */
export interface Stroke {
  plane: Plane
  fromA: number
  fromB: number
  toA: number
  toB: number
  /** How far the batter on the line is carried, mm. */
  dragMm: number
  /** Half-width of the carried core, and how far the return flow reaches. */
  coreMm: number
  reachMm: number
  slice: Slice
  meander: TwistOp['meander']
}

const RING = 0.62
/** Mean carry of the jet's angle law on the ring. */
const RING_EDGE = (1 - RING ** 4) ** 2
const WALL_MM = 0.3
const FITS = 120

interface Side {
  a: number
  b: number
  centreA: number
  centreB: number
}

/** Shrinks one side of a stroke until it lies within the block; null when hardly anything is left. */
function fitted(stroke: Stroke, program: Program, sign: 1 | -1, along: number, heightMm: number): Side | null {
  const { plane, fromA, fromB, toA, toB, reachMm, coreMm, meander } = stroke
  const length = Math.hypot(toA - fromA, toB - fromB)
  const u = [(toA - fromA) / length, (toB - fromB) / length] as const
  const n = [-u[1], u[0]] as const
  const mid = [(fromA + toA) / 2, (fromB + toB) / 2] as const
  const isRound = program.radiusMm > 0 && plane === 'xy'
  const rooms = [
    plane === 'yz' ? program.widthMm : program.lengthMm,
    plane === 'xy' ? program.widthMm : heightMm,
  ] as const
  const wobble = [meander?.aMm ?? 0, meander?.bMm ?? 0] as const
  let a = reachMm
  let b = along
  for (let round = 0; round <= FITS; round += 1) {
    const centre = [mid[0] + sign * RING * a * n[0], mid[1] + sign * RING * a * n[1]] as const
    const extent = [0, 1].map(k => (Math.abs(a * n[k]!) ** (4 / 3) + Math.abs(b * u[k]!) ** (4 / 3)) ** 0.75)
    const broken = isRound
      ? Math.hypot(...centre) + Math.max(...extent) > inscribedMm(program) - WALL_MM
        ? [0]
        : []
      : [0, 1].filter(
          k =>
            centre[k]! - extent[k]! < WALL_MM + wobble[k]! ||
            centre[k]! + extent[k]! > rooms[k]! - WALL_MM - wobble[k]!,
        )
    if (broken.length === 0) return a < 0.25 * coreMm ? null : { a, b, centreA: centre[0], centreB: centre[1] }
    for (const k of broken) {
      if (Math.abs(a * n[k]!) > Math.abs(b * u[k]!)) a *= 0.94
      else b *= 0.97
    }
  }
  return null
}

/** The twists of a stroke: left side, then right side; a long one in pieces. */
export function strokeTwists(stroke: Stroke, program: Program, heightMm: number): TwistOp[] {
  const length = Math.hypot(stroke.toA - stroke.fromA, stroke.toB - stroke.fromB)
  if (!(length > 0)) return []
  const { reachMm } = stroke
  if (length > 10 * reachMm) {
    const count = Math.max(1, Math.round(length / (3.84 * reachMm)))
    return Array.from({ length: count }, (_, i) => {
      const at = (share: number) => ({
        a: stroke.fromA + (stroke.toA - stroke.fromA) * share,
        b: stroke.fromB + (stroke.toB - stroke.fromB) * share,
      })
      const [from, to] = [at(i / count), at((i + 1) / count)]
      const piece = { ...stroke, fromA: from.a, fromB: from.b, toA: to.a, toB: to.b }
      return sidesOf(piece, program, heightMm, length / count / 1.2)
    }).flat()
  }
  return sidesOf(stroke, program, heightMm, length / 2 + 1.2 * stroke.coreMm)
}

function sidesOf(stroke: Stroke, program: Program, heightMm: number, along: number): TwistOp[] {
  const length = Math.hypot(stroke.toA - stroke.fromA, stroke.toB - stroke.fromB)
  const drag = Math.min(stroke.dragMm, 0.6 * length)
  return ([1, -1] as const).flatMap((sign): TwistOp[] => {
    const side = fitted(stroke, program, sign, along, heightMm)
    if (!side) return []
    return [
      {
        kind: 'twist',
        plane: stroke.plane,
        centreA: side.centreA,
        centreB: side.centreB,
        axisA: (stroke.toA - stroke.fromA) / length,
        axisB: (stroke.toB - stroke.fromB) / length,
        across: side.a,
        along: side.b,
        power: 4,
        law: 'jet',
        angle: (-sign * drag) / (2 * side.b * RING * RING_EDGE),
        ring: RING,
        core: stroke.coreMm / side.a,
        slice: stroke.slice,
        meander: stroke.meander,
      },
    ]
  })
}
