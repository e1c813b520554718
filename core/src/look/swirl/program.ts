/**
 * A compiled design: what was poured and moved, in the order of the hands, as flat numbers. Lengths in mm, volumes in mm³.
 * x runs along the mould, y across it, z up from its floor.
 */
export interface Program {
  /** Inner length and width; for a round mould the sides of the square that stands for it. */
  lengthMm: number
  widthMm: number
  /** Half the length of a round, oval or six-sided mould; 0: a box. */
  radiusMm: number
  /** Half its width. */
  halfWidthMm: number
  isHex: boolean
  /** Of the batter that lies level; peaks and piping stand on it. */
  heightMm: number
  ops: Op[]
  /** Ready-made pieces in the batter. */
  embeds: EmbedOp[]
  /** What stands on the level top, in the order of the hands, and how high the highest of it reaches. */
  tops: TopOp[]
  topMm: number
  /** A textured mat on the mould's floor. */
  floor: { texture: 'ribs' | 'waves' | 'dimples'; depthMm: number; pitchMm: number } | null
  /** Wobble of the edges in the finished block. */
  fray: { amplitudeMm: number; wavelengthMm: number; seed: number } | null
  /** How many colours there are; pours name theirs by index. */
  colours: number
}

export type Op = PourOp | TwistOp

/** Profile of a stream as it spreads: a soft hump or a blunt one. */
export type Profile = 'soft' | 'blunt'

export interface PourOp {
  kind: 'pour'
  /** A point spreads to a box of its own; a round one to a circle, where walls leave room for it. */
  shape: 'layer' | 'line' | 'point' | 'round'
  /** Index of the colour; what a pot gives is named by the pot. */
  colour: number
  /** Level before and after. */
  h0: number
  h1: number
  volume: number
  /** Half-width of the soft edge. */
  edgeMm: number
  /** Share of older batter that closes over the new. */
  cover: number
  /** Powder dusted under this pour, index of its colour; -1: none. */
  pencil: number
  pencilMm: number
  /** Round moulds: which map to a square is poured in. */
  chart: 'none' | 'chord' | 'polar'
  /** Layer: cosine modes m, n, a one after another. */
  modes: Float64Array
  tilt: number
  /** Line and point. */
  x: number
  y: number
  halfX: number
  halfY: number
  profile: Profile
  veil: number
  wander: { mm: number; lengthMm: number; phase: number }
  /** What a line pour is at the place along it that was last asked for. */
  last?: { x: number; hand: number; lo: number; n: number }
  /** A second colour in the same stream: from this share of it on, side by side, from the far end, or mingled. */
  partner: { colour: number; from: number; split: 'side' | 'ends' | 'mingled' } | null
  /** Poured from a pot: its own program, its height, and the stretch of it that this pass empties. */
  pot: { program: Program; from: number; to: number; isBack: boolean } | null
}

/** A ready-made piece: its middle and half its sides, mm. */
export interface EmbedOp {
  form: 'bar' | 'rod' | 'ball' | 'curl'
  colour: number
  x: number
  y: number
  z: number
  halfX: number
  halfY: number
  halfZ: number
}

/** Batter that stands on the level top: spooned peaks, piped rosettes, or a fine line. */
export interface TopOp {
  form: 'peaks' | 'rosettes' | 'line'
  colour: number
  volume: number
  /** Factor on the form's own height, so that it holds the volume. */
  scale: number
  /** Rosettes: how many along and across. */
  along: number
  across: number
  /** Line: corners x, y one after another, and half its width. */
  path: Float64Array
  halfMm: number
}

export type Plane = 'yz' | 'xy' | 'xz'

/** Which slices along the untouched axis are moved: all, those above a depth, or those within a window. */
export type Slice =
  | { kind: 'all' }
  | { kind: 'above'; noneBelow: number; allAbove: number }
  | { kind: 'window'; at: number; half: number; soft: number }

/** A turn inside a bounded region whose angle depends on how far out a point lies: exact, and undone by the opposite turn. */
export interface TwistOp {
  kind: 'twist'
  plane: Plane
  centreA: number
  centreB: number
  /** Unit vector of the long axis. */
  axisA: number
  axisB: number
  across: number
  along: number
  power: 2 | 4
  law: 'jet' | 'stir'
  angle: number
  /** Jet: where it is strongest, and how narrow. */
  ring: number
  core: number
  slice: Slice
  meander: { aMm: number; bMm: number; lengthMm: number; phase: number } | null
}
