import { inscribedMm } from './chart.ts'
import type { Move } from '../../plan/index.ts'
import { stirring } from './block.ts'
import type { Block, Path } from './block.ts'
import { lookAt } from './look.ts'
import type { Program, Slice, TwistOp } from './program.ts'
import { seeded } from './random.ts'
import { circle, isRoundPath, roundPaths, roundTwists } from './rounds.ts'
import { strokeTwists } from './strokes.ts'
import type { Stroke } from './strokes.ts'

const ALL: Slice = { kind: 'all' }

/** Kinds of strokes: how far they carry, how narrow, how far around they reach. mm. */
const STROKES = {
  hanger: { dragMm: 24, coreMm: 5, reachMm: 13.5 },
  skewer: { dragMm: 15, coreMm: 3, reachMm: 8 },
  stick: { dragMm: 22, coreMm: 4.5, reachMm: 12 },
  comb: { dragMm: 22, coreMm: 4, reachMm: 14 },
  spoon: { dragMm: 20, coreMm: 6, reachMm: 14 },
} as const

function stroked(
  { program, heightMm, look, reachMm: near }: Block,
  kind: keyof typeof STROKES,
  move: Move,
  plane: Stroke['plane'],
  path: Path,
  slice: Slice = ALL,
  meander: TwistOp['meander'] = null,
): TwistOp[] {
  const usual = STROKES[kind]
  const reachMm = near ?? usual.reachMm
  const { dragMm } = usual
  const coreMm = Math.min(usual.coreMm, 0.36 * reachMm)
  return path.slice(1).flatMap(([a, b], i) =>
    strokeTwists(
      {
        plane,
        fromA: path[i]![0],
        fromB: path[i]![1],
        toA: a,
        toB: b,
        slice,
        meander,
        reachMm,
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
      case 'loops':
      case 'spiral':
        return roundPaths(move, block).map(ring => circle(ring))
      case 'drawn':
        return [smoothPath(move.path.map(point => [point.x * L, point.y * W] as const))]
    }
  })()
  return paths.map(path => path.map(place))
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

/** What flows back between two tines has half their distance: they reach no further. */
function combed(move: Move, block: Block): Block {
  const { program } = block
  const isAlong = move.pattern === 'along'
  const L = program.radiusMm > 0 ? 2 * program.radiusMm : program.lengthMm
  const W = program.radiusMm > 0 ? 2 * program.halfWidthMm : program.widthMm
  const room = isAlong ? W : Math.abs(move.to - move.from) * L
  return { ...block, reachMm: Math.min(STROKES.comb.reachMm, Math.max(4, (0.4 * 0.9 * room) / move.count)) }
}

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
      if (isRoundPath(move)) return roundTwists(move, block, STROKES.skewer, slice)
      return topPaths(move, block).flatMap(path => stroked(block, 'skewer', move, 'xy', path, slice))
    }
    case 'stick': {
      const slice: Slice =
        move.depth >= 0.95
          ? ALL
          : { kind: 'above', noneBelow: H * (1 - move.depth) - 4, allAbove: H * (1 - move.depth) + 4 }
      if (isRoundPath(move)) return roundTwists(move, block, STROKES.stick, slice)
      return topPaths(move, block).flatMap(path => stroked(block, 'stick', move, 'xy', path, slice))
    }
    case 'comb': {
      const slice: Slice =
        move.depth >= 0.95
          ? ALL
          : { kind: 'above', noneBelow: H * (1 - move.depth) - 4, allAbove: H * (1 - move.depth) + 4 }
      return topPaths(move, block).flatMap(path => stroked(combed(move, block), 'comb', move, 'xy', path, slice))
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

/** Where a tool goes, for drawing: in the cross-section (across, up) or seen from above (along, across), mm from a corner. */
export function movePaths(move: Move, program: Program): { plane: 'across' | 'top'; paths: [number, number][][] } {
  const block: Block = { program, heightMm: program.heightMm, look: lookAt(2), seed: 1 }
  const { widthMm: W, heightMm: H, radiusMm: a, halfWidthMm: b } = program
  const copy = (path: Path) => path.map(([x, y]): [number, number] => [x, y])
  switch (move.tool) {
    case 'hanger':
      return { plane: 'across', paths: a > 0 ? [] : [copy(hangerPath(move, W, H))] }
    case 'spoon': {
      const low = Math.max(4, H * (1 - move.depth))
      const rows = [0.2, 0.5, 0.8].map((at): [number, number][] => [
        [W * at, H - 3],
        [W * at, low],
        [W * at + 9, low],
        [W * at + 9, H - 3],
      ])
      return { plane: 'across', paths: a > 0 ? [] : rows }
    }
    case 'skewer':
    case 'stick':
    case 'comb': {
      const paths = topPaths(move, block).map(copy)
      return { plane: 'top', paths: a > 0 ? paths.map(path => path.map(([x, y]) => [x + a, y + b])) : paths }
    }
    case 'spin':
    case 'fold':
    case 'stir':
    case 'decant':
      return { plane: move.tool === 'spin' ? 'top' : 'across', paths: [] }
  }
}
