import { CONSTANTS } from '../quantities/constants/index.ts'
import { Choice, Id, Like, NumberFrom, Part, Parts, Text, Whole, YesNo } from '../document/fields/index.ts'
import { MAX_MOVES, Move, Pour } from './score-part.ts'

/** What goes into, on and under the batter beside pours; and the score that takes over when things go wrong. */

const HEX = /^#[0-9a-f]{6}$/

export const EMBED_FORMS = { rod: 'a round rod', bar: 'a square bar', ball: 'balls', curl: 'curls' } as const
export type EmbedForm = keyof typeof EMBED_FORMS

/** Ready-made soap set into the batter. */
export class Embed {
  @Id()
  id!: string

  @Text(1, 40, 'An embed’s name has 1 to 40 letters.', { start: 'Rod' })
  name!: string

  @Choice(Object.keys(EMBED_FORMS), `An embed is one of ${Object.keys(EMBED_FORMS).join(', ')}.`, { start: 'rod' })
  form!: EmbedForm

  @Like(HEX, 'A colour is written like #3a5f7c.', { start: '#c9a24b' })
  hex!: string

  @Id('An embed names the pour that it follows by id.', { says: 'Set in right after this pour.' })
  after!: string

  @NumberFrom(2, 200, 'An embed is from [2 to 200 mm] wide.', {
    says: 'Across the mould; of round ones the diameter.',
    start: 18,
  })
  widthMm!: number

  @NumberFrom(2, 200, 'An embed is from [2 to 200 mm] high.', {
    says: 'Upright; round ones are as high as they are wide.',
    start: 18,
  })
  heightMm!: number

  @NumberFrom(0, 600, 'A piece is from 0 (the whole stretch) to [600 mm] long.', {
    says: 'Along the mould; 0: as far as from and to reach. Balls are as long as they are wide.',
    start: 0,
  })
  lengthMm!: number

  @YesNo('One for every bar is true or false.', {
    says: 'One in the middle of every bar instead of so many along the stretch.',
    start: false,
  })
  everyBar!: boolean

  @Whole(1, 60, 'Pieces are a whole number from 1 to 60.', { start: 1 })
  count!: number

  @NumberFrom(0, 1, 'A stretch of the mould is from 0 to 100 % of its length.', { start: 0 })
  from!: number

  @NumberFrom(0, 1, 'A stretch of the mould is from 0 to 100 % of its length.', { start: 1 })
  to!: number

  @NumberFrom(0, 1, 'A place across the mould is from 0 (one wall) to 100 % (the other).', {
    says: 'Its middle, across the mould.',
    start: 0.5,
  })
  across!: number

  @NumberFrom(0, 1, 'A height is from 0 (the floor) to 100 % (the top).', {
    says: "Its middle, of the soap's height.",
    start: 0.5,
  })
  height!: number

  @NumberFrom(0.3, 2, 'The density of an embed is from 0.3 (whipped) to 2 g/ml; 1.03 is usual.', {
    start: CONSTANTS.batterDensity.value,
  })
  densityGPerMl!: number

  @Whole(0, 120, 'An embed is cast 0 to 120 days before.', {
    says: 'Days before the pour that it is cast; 0: it is at hand.',
    start: 0,
  })
  castDays!: number
}

export const MAX_EMBEDS = 12

export const TOPPINGS = {
  petals: 'petals',
  seeds: 'seeds or grains',
  sprinkles: 'sprinkles',
  mica: 'dabs of mica in oil',
} as const
export type ToppingKind = keyof typeof TOPPINGS

export const SIDES = { all: 'the whole top', left: 'the left half', right: 'the right half' } as const
export type Side = keyof typeof SIDES

/** Something strewn or set on the finished top. */
export class Topping {
  @Id()
  id!: string

  @Text(1, 40, 'A topping’s name has 1 to 40 letters.')
  name!: string

  @Choice(Object.keys(TOPPINGS), `A topping is one of ${Object.keys(TOPPINGS).join(', ')}.`)
  kind!: ToppingKind

  @Like(HEX, 'A colour is written like #3a5f7c.')
  hex!: string

  @NumberFrom(0.5, 60, 'A piece of topping is from [0.5 to 60 mm].')
  sizeMm!: number

  @Whole(1, 80, 'Pieces for a bar are a whole number from 1 to 80.')
  perBar!: number

  @YesNo('Set on the cut grid is true or false.', {
    says: 'Set clear of the blade, in the middle of every bar; otherwise strewn over the whole top.',
  })
  onGrid!: boolean

  @Choice(Object.keys(SIDES), `A topping lies on one of ${Object.keys(SIDES).join(', ')}.`, {
    says: 'Half of the top, seen along the mould.',
    start: 'all',
  })
  side!: Side

  @NumberFrom(0, 20, 'A topping keeps [0 to 20 mm] clear of the blade.', {
    says: 'Of one that is set on the cut grid.',
    start: 2,
  })
  clearMm!: number

  @YesNo('Set a little unevenly is true or false.', {
    says: 'Each piece a little off its place, so that a row does not look ruled.',
    start: false,
  })
  jitter!: boolean

  @NumberFrom(0, 500, 'A topping weighs from [0 to 500 g] in all.', { says: 'All of it, g.' })
  massG!: number
}

export const MAX_TOPPINGS = 8

export const MATS = { flat: 'flat', ribs: 'ribs', waves: 'waves', dimples: 'dimples' } as const
export type MatTexture = keyof typeof MATS

/** What the mould's floor is like: a textured mat stamps the bars' underside. */
export class Mat {
  @Choice(Object.keys(MATS), `A mat is one of ${Object.keys(MATS).join(', ')}.`, { start: 'flat' })
  texture!: MatTexture

  @NumberFrom(0.2, 8, 'A mat’s relief is from [0.2 to 8 mm] deep.', { start: 2 })
  depthMm!: number

  @NumberFrom(2, 80, 'A mat’s pattern repeats every [2 to 80 mm].', { start: 12 })
  pitchMm!: number
}

export const TRIGGERS = {
  thick: 'a cup is thicker than',
  ricing: 'the batter rices',
  'not-carried': 'a layer breaks through',
  thin: 'the batter stays too thin',
} as const
export type Trigger = keyof typeof TRIGGERS

/** A second score for the same cups, and what calls for it. */
export class PlanB {
  @Text(1, 60, 'Plan B has a name of 1 to 60 letters.')
  name!: string

  @Choice(Object.keys(TRIGGERS), `Plan B is called for by one of ${Object.keys(TRIGGERS).join(', ')}.`)
  trigger!: Trigger

  @Id('Plan B names the pour before which it is decided by id.', {
    says: 'The pour of the first score before which one looks.',
  })
  before!: string

  @NumberFrom(1, 5, 'The trace that calls for plan B is from 1 (emulsion) to 5 (stiff).')
  level!: number

  @YesNo('Plan B is in use or not.', { says: 'Whether it has changed places with the first score, to be worked on.' })
  inUse!: boolean

  @Parts(() => Pour, 1, 60, 'A score has 1 to 60 pours.')
  score!: Pour[]

  @Parts(() => Move, 0, MAX_MOVES, `A score has at most ${MAX_MOVES} moves of tools.`)
  moves!: Move[]
}

/** Everything of a design that is not poured. */
export class Finish {
  @Parts(() => Embed, 0, MAX_EMBEDS, `A design has at most ${MAX_EMBEDS} kinds of embeds.`)
  embeds!: Embed[]

  @Parts(() => Topping, 0, MAX_TOPPINGS, `A design has at most ${MAX_TOPPINGS} toppings.`)
  toppings!: Topping[]

  @Part(() => Mat, 'What the mould’s floor is like is missing.')
  mat!: Mat
}
