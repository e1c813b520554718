import type { Move } from '../../plan/index.ts'
import { stirring } from './block.ts'
import type { Block, Path } from './block.ts'
import type { Slice, TwistOp } from './program.ts'

/** A round of a stick: its middle, mm from a corner of the box, its radius, and which way it goes. */
interface Ring {
  x: number
  y: number
  radius: number
  way: 1 | -1
}

/** Where in its region a round's batter moves most, as a share of the region's radius. */
const RING = 0.62
const WALL_MM = 1

/** Eights are two rounds that touch, loops a row of rounds one way, a spiral rounds in one another. */
export function roundPaths(move: Move, { program }: Block): Ring[] {
  const isRound = program.radiusMm > 0
  const L = isRound ? 2 * program.radiusMm : program.lengthMm
  const W = isRound ? 2 * program.halfWidthMm : program.widthMm
  const [from, to] = [Math.min(move.from, move.to) * L, Math.max(move.from, move.to) * L]
  // A round mould leaves less room towards its ends.
  const inner = isRound ? 0.7 : 1
  const middle = W / 2
  const widest = (inner * W) / 2 - WALL_MM
  if (move.pattern === 'spiral') {
    const most = Math.max(0, Math.min(widest, (to - from) / 2 - WALL_MM)) * RING
    return Array.from({ length: move.count }, (_, i) => ({
      x: (from + to) / 2,
      y: middle,
      radius: (most * (i + 1)) / move.count,
      way: 1 as const,
    }))
  }
  const room = (to - from) / move.count
  const places = Array.from({ length: move.count }, (_, i) => from + room * (i + 0.5))
  if (move.pattern === 'loops') {
    const radius = Math.max(0, Math.min(widest, room * 0.7, from + room / 2, L - to + room / 2)) * RING
    return places.map(x => ({ x, y: middle, radius, way: 1 as const }))
  }
  const isAlong = room > 1.2 * W
  const half = isAlong
    ? Math.min(widest, (room / 2 - WALL_MM) / (1 + RING))
    : Math.min(widest / (1 + RING), room * 0.75)
  const radius = Math.max(0, half) * RING
  return places.flatMap(x =>
    ([-1, 1] as const).map((way): Ring => ({
      x: isAlong ? x + way * radius : Math.min(L - half - WALL_MM, Math.max(half + WALL_MM, x)),
      y: isAlong ? middle : middle + way * radius,
      radius,
      way,
    })),
  )
}

const CIRCLE_STEPS = 24

export const circle = ({ x, y, radius, way }: Ring): Path =>
  Array.from({ length: CIRCLE_STEPS + 1 }, (_, i) => {
    const angle = (2 * Math.PI * i * way) / CIRCLE_STEPS
    return [x + radius * Math.cos(angle), y + radius * Math.sin(angle)] as const
  })

/** A stick that goes round takes its ring of batter along: one turn about the middle, most on the ring. */
export function roundTwists(
  move: Move,
  block: Block,
  { dragMm, coreMm }: { dragMm: number; coreMm: number },
  slice: Slice,
): TwistOp[] {
  const { program, look } = block
  const { radiusMm: a, halfWidthMm: b } = program
  return roundPaths(move, block).flatMap(({ x, y, radius, way }): TwistOp[] => {
    if (radius < 2) return []
    const reach = radius / RING
    const edge = 1 - RING * RING
    const drag = dragMm * 1.4 * look.drag * move.strength
    return [
      stirring({
        plane: 'xy',
        centreA: a > 0 ? x - a : x,
        centreB: a > 0 ? y - b : y,
        axisA: 1,
        axisB: 0,
        across: reach,
        along: reach,
        law: 'jet',
        ring: RING,
        core: (coreMm * look.core) / reach,
        slice,
        angle: (-way * Math.min(2.6, drag / radius)) / (edge * edge),
      }),
    ]
  })
}

/** Paths that go round; the others are lines. */
export const isRoundPath = ({ pattern }: Move): boolean =>
  pattern === 'eights' || pattern === 'loops' || pattern === 'spiral'
