import { Choice, Fixed, Id, NumberFrom, Part, Parts, Whole, Wholes, YesNo } from '../document/fields/index.ts'

/** What the hands do with the batter: pours and the moves between them. Lengths in mm, shares from 0 to 1. */

export const POUR_WAYS = {
  layer: 'as a level layer',
  line: 'in lines along the mould',
  walls: 'down both walls in turn',
  spots: 'in a row of spots',
  drop: 'from a height, diving',
  spoon: 'spooned in heaps',
  pot: 'into the pot, swirled there',
  drizzle: 'drizzled over the top',
  peaks: 'spooned into peaks on top',
  piped: 'piped on top in rounds',
} as const
export type PourWay = keyof typeof POUR_WAYS

/** These stand on the level top; nothing is poured over them. */
export const TOP_WAYS: readonly PourWay[] = ['drizzle', 'peaks', 'piped']

/** Poured at the same time as the pour before, from a second jug. */
export const TOGETHER = {
  no: 'by itself',
  side: 'with the one before, side by side',
  ends: 'with the one before, from the other end',
  mingled: 'with the one before, streams touching',
} as const
export type Together = keyof typeof TOGETHER

export const DEPTHS = {
  auto: 'as it is usual for its way',
  stays: 'stays near the surface',
  part: 'part of the way',
  dives: 'anywhere below',
  floor: 'down to the floor',
} as const
export type Depth = keyof typeof DEPTHS

export const LAYER_FACES = { straight: 'straight', wavy: 'wavy', rustic: 'rustic', clouds: 'like clouds' } as const
export type LayerFace = keyof typeof LAYER_FACES

/** How a pour lies: where it goes in, how often, and what its face is like. */
export class PourShape {
  @Choice(Object.keys(POUR_WAYS), `A pour goes in one of these ways: ${Object.keys(POUR_WAYS).join(', ')}.`, {
    start: 'layer',
  })
  way!: PourWay

  @Choice(Object.keys(LAYER_FACES), `A face is one of ${Object.keys(LAYER_FACES).join(', ')}.`, {
    says: "Of a layer's lower face.",
    start: 'straight',
  })
  texture!: LayerFace

  @NumberFrom(-35, 35, 'A mould is tilted by up to 35 degrees either way.', { start: 0 })
  tiltDeg!: number

  @NumberFrom(0, 1, 'A place across the mould is from 0 (one wall) to 100 % (the other).', {
    says: 'Middle of the lines or spots, across the mould.',
    start: 0.5,
  })
  across!: number

  @NumberFrom(0, 1, 'Lines and spots are spread over 0 to 100 %.', {
    says: 'How far apart the outer lines or spots lie: of the width, or of the length for spots.',
    start: 0,
  })
  range!: number

  @Whole(1, 24, 'Lines or spots are a whole number from 1 to 24.', { start: 1 })
  count!: number

  @NumberFrom(0, 200, 'A stream spreads up to [200 mm]; 0 leaves it to the trace.', {
    says: "Half-width of the stream as it spreads; 0: by the batter's trace.",
    start: 0,
  })
  spreadMm!: number

  @Choice(Object.keys(DEPTHS), `A stream goes: ${Object.keys(DEPTHS).join(', ')}.`, {
    says: 'How far a stream or drizzle is to go into what lies below.',
    start: 'auto',
  })
  depth!: Depth

  @NumberFrom(0, 0.5, 'What closes over a stream is from 0 to 50 %.', {
    says: 'Of older batter that closes again over a diving stream.',
    start: 0,
  })
  cover!: number

  @NumberFrom(0, 12, 'A place in the pot is an hour of the clock, 0 (the middle) to 12.', {
    says: 'In the pot: where on the clock it is poured.',
    start: 3,
  })
  hour!: number

  @Id('A colorant is named by its id on the shelf.', {
    says: 'A colorant dusted on what lies below; empty: none.',
    orEmpty: true,
  })
  pencil!: string
}

/** Trace range in which a pour works, where the workshop knows better. */
export class PourWindow {
  @NumberFrom(0.8, 4.8, 'A window starts at trace 0.8 to 4.8.')
  lo!: number

  @NumberFrom(1, 5, 'A window ends at trace 1 to 5.')
  hi!: number
}

export class Pour {
  @Id()
  id!: string

  @Fixed('pour', 'A step’s kind is pour.')
  kind!: 'pour'

  @Id('A pour names its cup by id.')
  cup!: string

  @NumberFrom(0.000001, 1, 'A pour’s share of the height is above 0 and at most 100 %.')
  share!: number

  @NumberFrom(0, 300, 'The fall height is from [0 to 300 mm].', { start: 10 })
  dropMm!: number

  @YesNo('Over a spatula is true or false.', { start: true })
  overSpatula!: boolean

  @NumberFrom(0, 240, 'A wait before a pour is from 0 to 240 minutes.', { start: 0 })
  waitMin!: number

  @Choice(Object.keys(TOGETHER), `A pour is by itself or with the one before: ${Object.keys(TOGETHER).join(', ')}.`, {
    start: 'no',
  })
  together!: Together

  @Wholes([1, 60], 60, 'A cavity is a whole number from 1 on.', {
    says: 'Cavities of the first mould that it goes into, counted from 1; empty: all of them.',
  })
  cavities!: number[]

  @Part(() => PourWindow, 'A window is null, or where it starts and ends.', {
    says: 'Null: as its way needs.',
    orNull: true,
  })
  window!: PourWindow | null

  @Part(() => PourShape, 'How a pour lies is missing.')
  shape!: PourShape
}

export const MOVE_TOOLS = {
  hanger: 'hanger wire',
  skewer: 'skewer on the top',
  stick: 'chopstick through the body',
  comb: 'comb',
  spoon: 'spoon plunges',
  spin: 'turning the mould',
  fold: 'spatula folds',
  stir: 'spatula round the pot',
  decant: 'pouring out of the pot',
} as const
export type MoveTool = keyof typeof MOVE_TOOLS

export const PATTERNS = {
  across: 'lines across',
  along: 'lines along',
  both: 'across, then along',
  eights: 'figure eights',
  loops: 'loops along',
  spiral: 'a spiral',
  drawn: 'a path drawn by hand',
} as const
export type Pattern = keyof typeof PATTERNS

export const MAX_PATH = 60

export class PathPoint {
  @NumberFrom(0, 1, 'A point of a path lies in the mould: 0 to 100 % of its length.')
  x!: number

  @NumberFrom(0, 1, 'A point of a path lies in the mould: 0 to 100 % of its width.')
  y!: number
}

/** A tool drawn through what has been poured so far. */
export class Move {
  @Id()
  id!: string

  @Id('A move names the pour that it follows by id.', { says: 'Done right after this pour.' })
  after!: string

  @Choice(Object.keys(MOVE_TOOLS), `A tool is one of ${Object.keys(MOVE_TOOLS).join(', ')}.`)
  tool!: MoveTool

  @Choice(Object.keys(PATTERNS), `A path is one of ${Object.keys(PATTERNS).join(', ')}.`, { start: 'across' })
  pattern!: Pattern

  @Whole(1, 30, 'How often is a whole number from 1 to 30.', {
    says: 'Loops, lines, plunges in a row, turns, or passes.',
  })
  count!: number

  @NumberFrom(0.05, 1, 'A tool goes 5 to 100 % deep.', {
    says: "How deep the tool goes, as a share of the batter's height.",
  })
  depth!: number

  @NumberFrom(0.2, 2, 'A tool’s strength is from 20 to 200 % of the usual.', {
    says: 'How much batter it takes along: 1 is usual.',
    start: 1,
  })
  strength!: number

  @NumberFrom(0, 1, 'A stretch of the mould is from 0 to 100 % of its length.', {
    says: "The stretch of the mould's length that it works in.",
    start: 0,
  })
  from!: number

  @NumberFrom(0, 1, 'A stretch of the mould is from 0 to 100 % of its length.', { start: 1 })
  to!: number

  @Parts(() => PathPoint, 0, MAX_PATH, `A path drawn by hand has at most ${MAX_PATH} points.`)
  path!: PathPoint[]

  @YesNo('A move is on or off.', { says: 'Left out of the picture and of the time, but kept.', start: false })
  off!: boolean
}

export const MAX_MOVES = 60
export const MAX_ASIDE = 20

/** A pour taken out of the score for now, with the tools that followed it, to be put back. */
export class Aside {
  @Whole(0, 60, 'A pour set aside remembers its place: a whole number.', { says: 'How many pours came before it.' })
  at!: number

  @Part(() => Pour, 'The pour that is set aside is missing.')
  pour!: Pour

  @Parts(() => Move, 0, MAX_MOVES, `A score has at most ${MAX_MOVES} moves of tools.`)
  moves!: Move[]
}

/** How the loaf is cut. */
export const BLADES = { wire: 'a wire', knife: 'a knife', wavy: 'a wavy blade' } as const
export type Blade = keyof typeof BLADES

export class Cutting {
  @NumberFrom(5, 200, 'A bar is from [5 to 200 mm] thick; [25 mm] is usual.', { start: 25 })
  barMm!: number

  @NumberFrom(0, 100, 'What is trimmed off each end is from [0 to 100 mm].', { start: 5 })
  trimMm!: number

  @NumberFrom(0, 5, 'A cut takes [0 to 5 mm]; a wire takes almost nothing.', { start: 0.5 })
  kerfMm!: number

  @Whole(1, 12, 'Bars across the mould are a whole number from 1 to 12.', {
    says: 'Bars side by side across the mould: 1 for a loaf.',
    start: 1,
  })
  rows!: number

  @YesNo('Cut on its side is true or false.', {
    says: 'Laid on its side, so that a topping is not dragged down through the bar.',
    start: false,
  })
  onSide!: boolean

  @Choice(Object.keys(BLADES), `A blade is one of ${Object.keys(BLADES).join(', ')}.`, { start: 'wire' })
  blade!: Blade
}
