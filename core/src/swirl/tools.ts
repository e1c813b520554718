import { inscribedMm } from './chart.ts'
import type { Move } from '../plan/index.ts'
import type { Look } from './look.ts'
import type { Program, Slice, TwistOp } from './program.ts'
import { seeded } from './random.ts'
import { strokeTwists } from './strokes.ts'
import type { Stroke } from './strokes.ts'

/** Everything that a move needs to know of the block it goes through. */
interface Block {
  program: Program
  heightMm: number
  look: Look
  seed: number
}

type Path = readonly (readonly [number, number])[]

const ALL: Slice = { kind: 'all' }

/** Kinds of strokes: how far they carry, how narrow, how far around they reach. mm. */
const STROKES = {
  hanger: { dragMm: 24, coreMm: 5, reachMm: 13.5 },
  skewer: { dragMm: 15, coreMm: 3, reachMm: 8 },
  stick: { dragMm: 22, coreMm: 4.5, reachMm: 12 },
  comb: { dragMm: 22, coreMm: 4, reachMm: 14 },
  eights: { dragMm: 9, coreMm: 4, reachMm: 10 },
  spoon: { dragMm: 20, coreMm: 6, reachMm: 14 },
} as const

function stroked(
  { program, heightMm, look }: Block,
  kind: keyof typeof STROKES,
  move: Move,
  plane: Stroke['plane'],
  path: Path,
  slice: Slice = ALL,
  meander: TwistOp['meander'] = null,
): TwistOp[] {
  const { dragMm, coreMm, reachMm } = STROKES[kind]
  return path.slice(1).flatMap(([a, b], i) =>
    strokeTwists(
      {
        ...{ plane, fromA: path[i]![0], fromB: path[i]![1], toA: a, toB: b, slice, meander, reachMm },
        dragMm: dragMm * look.drag * move.strength,
        coreMm: coreMm * look.core,
      },
      program,
      heightMm,
    ),
  )
}

/** Down, across, up, back a little, and down again: the loops of a hanger wire. */
function hangerPath(move: Move, W: number, H: number): Path {
  const low = Math.max(4, H * (1 - move.depth))
  const high = H - 4
  const margin = Math.min(12, W * 0.15)
  const room = W - 2 * margin
  const back = 0.24
  const step = room / (move.count * (1 - back) + back)
  const path: [number, number][] = [[margin, high]]
  let y = margin
  for (let loop = 0; loop < move.count; loop += 1) {
    path.push([y, low], [y + step, low], [y + step, high])
    y += step
    if (loop + 1 < move.count) {
      y -= back * step
      path.push([y, high])
    }
  }
  return path
}

/** Paths on the top, mm from a corner of the box (or from the middle of a round mould). */
function topPaths(move: Move, block: Block): Path[] {
  const { program } = block
  const round = program.radiusMm > 0
  const L = round ? 2 * program.radiusMm : program.lengthMm
  const W = round ? 2 * program.halfWidthMm : program.widthMm
  const [from, to] = [Math.min(move.from, move.to) * L, Math.max(move.from, move.to) * L]
  const x = (share: number) => from + (to - from) * share
  const place = ([a, b]: readonly [number, number]): readonly [number, number] =>
    round ? [a - L / 2, b - W / 2] : [a, b]
  const inside = round ? 0.72 : 0.9
  const edge = (1 - inside) / 2
  const lines = (isAlong: boolean, count: number): Path[] =>
    Array.from({ length: count }, (_, i) => {
      const at = (i + 0.5) / count
      const ends: Path = isAlong
        ? [
            [x(edge), W * (edge + inside * at)],
            [x(1 - edge), W * (edge + inside * at)],
          ]
        : [
            [x(edge + inside * at), W * edge],
            [x(edge + inside * at), W * (1 - edge)],
          ]
      // A comb's tines go together, one way; a single tool comes back.
      return move.tool === 'comb' || i % 2 === 0 ? ends : [...ends].reverse()
    })
  const paths = ((): Path[] => {
    switch (move.pattern) {
      case 'across':
        return lines(false, move.count)
      case 'along':
        return lines(true, move.count)
      case 'both':
        return [...lines(false, move.count), ...lines(true, Math.max(1, Math.round((move.count * W) / L)))]
      case 'eights':
        return Array.from({ length: move.count }, (_, i) => figureEight(x((i + 0.5) / move.count), W, L / move.count))
      case 'spiral':
        return [spiral((from + to) / 2, W / 2, Math.min(to - from, W) * 0.42, move.count)]
      case 'drawn':
        return [smoothPath(move.path.map(point => [point.x * L, point.y * W] as const))]
    }
  })()
  return paths.map(path => path.map(place))
}

const EIGHT_STEPS = 14

const figureEight = (x: number, W: number, room: number): Path =>
  Array.from({ length: EIGHT_STEPS + 1 }, (_, i) => {
    const t = (2 * Math.PI * i) / EIGHT_STEPS
    return [x + Math.min(25, room * 0.42) * Math.sin(2 * t), W / 2 + Math.min(20, W * 0.32) * Math.sin(t)] as const
  })

const STEPS_A_TURN = 10

function spiral(x: number, y: number, radius: number, turns: number): Path {
  const steps = Math.max(2, Math.round(turns * STEPS_A_TURN))
  return Array.from({ length: steps + 1 }, (_, i) => {
    const angle = (2 * Math.PI * turns * i) / steps
    const r = (radius * i) / steps
    return [x + r * Math.cos(angle), y + r * Math.sin(angle)] as const
  })
}

const SHORTEST_MM = 10

/** Points closer than a tool is wide would chop the stroke into crumbs: they are left out. */
function smoothPath(points: Path): Path {
  const kept: (readonly [number, number])[] = []
  for (const point of points) {
    const last = kept.at(-1)
    if (!last || Math.hypot(point[0] - last[0], point[1] - last[1]) >= SHORTEST_MM) kept.push(point)
  }
  return kept
}

function spoonTwists(move: Move, block: Block): TwistOp[] {
  const { program, heightMm } = block
  const { lengthMm: L, widthMm: W } = program
  const low = Math.max(4, heightMm * (1 - move.depth))
  const rows = 3
  return Array.from({ length: rows * move.count }, (_, i) => {
    const row = i % rows
    const column = Math.floor(i / rows)
    const x =
      L * (Math.min(move.from, move.to) + Math.abs(move.to - move.from) * ((column + 0.3 + 0.2 * row) / move.count))
    const y = W * (0.2 + 0.3 * row)
    const slice: Slice = { kind: 'window', at: x, half: 8, soft: 24 }
    const down = stroked(
      block,
      'spoon',
      move,
      'yz',
      [
        [y, heightMm - 3],
        [y, low],
      ],
      slice,
    )
    const up = stroked(
      block,
      'spoon',
      move,
      'yz',
      [
        [y + 9, low],
        [y + 9, heightMm - 3],
      ],
      slice,
    )
    return [...down, ...up]
  }).flat()
}

const stirring = (change: Partial<TwistOp>): TwistOp => ({
  ...{ kind: 'twist', plane: 'yz', centreA: 0, centreB: 0, axisA: 0, axisB: 1, across: 1, along: 1 },
  ...{ power: 2, law: 'stir', angle: 1, ring: 0, core: 1, slice: ALL, meander: null },
  ...change,
})

/** Folds by a spatula: whole turns of the section, left and right by turns. */
export function foldTwists(count: number, strength: number, { program, heightMm, seed }: Block): TwistOp[] {
  if (program.radiusMm > 0) return []
  const random = seeded(seed)
  const W = program.widthMm
  return Array.from({ length: count }, (_, i) => {
    const reach = Math.min(24, 0.3 * W, 0.45 * heightMm) * (0.8 + 0.2 * random())
    const wobble = Math.min(5, reach / 4)
    const room = reach + wobble + 1
    return stirring({
      centreA: room + (W - 2 * room) * ((i + 0.5) / count),
      centreB: room + Math.max(0, heightMm - 2 * room) * random(),
      across: reach,
      along: reach,
      angle: (i % 2 === 0 ? 1 : -1) * (1 + 0.5 * random()) * strength,
      meander: { aMm: wobble, bMm: wobble / 2, lengthMm: 150, phase: 6 * random() },
    })
  })
}

/** Once round a pot with a spatula, so many times. */
export const potStir = (turns: number, strength: number, pot: Program): TwistOp =>
  stirring({
    plane: 'xy',
    centreA: pot.lengthMm / 2,
    centreB: pot.widthMm / 2,
    axisA: 1,
    axisB: 0,
    across: pot.lengthMm / 2,
    along: pot.widthMm / 2,
    angle: 3 * turns * strength,
  })

/** The pot held aslant: its layers slide across the stream. */
export const potTilt = (pot: Program): TwistOp =>
  stirring({
    centreA: pot.widthMm / 2,
    centreB: pot.heightMm / 2,
    across: pot.widthMm / 2 - 0.5,
    along: pot.heightMm / 2 - 0.5,
    power: 4,
    angle: 2,
  })

/** The mould turned on the bench in jerks: the whole block lags behind, most near the middle. */
function mouldSpin(move: Move, program: Program): TwistOp {
  const isRound = program.radiusMm > 0
  const [a, b] = isRound ? [inscribedMm(program), inscribedMm(program)] : [program.lengthMm / 2, program.widthMm / 2]
  return stirring({
    plane: 'xy',
    centreA: isRound ? 0 : a,
    centreB: isRound ? 0 : b,
    // Around the middle of a box the streamlines are nearly rectangular, as its walls are.
    axisA: 0,
    across: a - 0.5,
    along: b - 0.5,
    power: isRound ? 2 : 4,
    angle: 2.2 * move.count * move.strength,
  })
}

/** A move as the turns that it is made of. Pot moves are none here: the pot has its own program. */
export function moveTwists(move: Move, block: Block): TwistOp[] {
  const { program, heightMm: H } = block
  switch (move.tool) {
    case 'hanger': {
      if (program.radiusMm > 0) return []
      const meander = { aMm: 4, bMm: 2, lengthMm: 130, phase: 6 * seeded(block.seed)() }
      return stroked(block, 'hanger', move, 'yz', hangerPath(move, program.widthMm, H), ALL, meander)
    }
    case 'skewer': {
      const deep = H * move.depth
      const slice: Slice = { kind: 'above', noneBelow: H - deep - 4, allAbove: H - deep + 4 }
      const kind = move.pattern === 'eights' ? 'eights' : 'skewer'
      return topPaths(move, block).flatMap(path => stroked(block, kind, move, 'xy', path, slice))
    }
    case 'stick': {
      const slice: Slice =
        move.depth >= 0.95
          ? ALL
          : { kind: 'above', noneBelow: H * (1 - move.depth) - 4, allAbove: H * (1 - move.depth) + 4 }
      return topPaths(move, block).flatMap(path => stroked(block, 'stick', move, 'xy', path, slice))
    }
    case 'comb': {
      const slice: Slice =
        move.depth >= 0.95
          ? ALL
          : { kind: 'above', noneBelow: H * (1 - move.depth) - 4, allAbove: H * (1 - move.depth) + 4 }
      return topPaths(move, block).flatMap(path => stroked(block, 'comb', move, 'xy', path, slice))
    }
    case 'spin':
      return [mouldSpin(move, program)]
    case 'spoon':
      return program.radiusMm > 0 ? [] : spoonTwists(move, block)
    case 'fold':
      return foldTwists(move.count, move.strength, block)
    case 'stir':
    case 'decant':
      return []
  }
}
