import { MAX_OILS, OilPart } from '../recipe/index.ts'
import { Choice, Id, Like, NumberFrom, Part, Parts, Whole } from '../document/fields/index.ts'
import { MAX_CUP_COLORANTS } from '../shelf/index.ts'

/** What a plan says of heat, division and preparation. Temperatures in °C, masses in g, lengths in mm. */

const CLOCK = /^(?:[01]\d|2[0-3]):[0-5]\d$/

export const COOLINGS = ['air', 'bath', 'ice-bath'] as const
export type CoolingWay = (typeof COOLINGS)[number]
export const TEMPERATURE_RULES = ['mix', 'gap', 'band', 'transfer'] as const
export type TemperatureRule = (typeof TEMPERATURE_RULES)[number]

/** How lye and oils come to their temperatures. */
export class Heat {
  @Like(CLOCK, 'The time to mix is written like 14:00, or left empty.', { orEmpty: true })
  startAt!: string

  @NumberFrom(0, 45, 'The water starts at [0 to 45 °C].', { start: 20 })
  waterC!: number

  @NumberFrom(0, 1, 'Ice is 0 to 100 % of the water.', { start: 0 })
  iceShare!: number

  @NumberFrom(20, 90, 'Oils are melted to [20 to 90 °C]; [50 to 65 °C] is usual.', { start: 60 })
  meltC!: number

  @Id('A vessel is named by its id on the shelf.', { orEmpty: true, start: 'jug-pp-1000' })
  lyeVessel!: string

  @Id('A vessel is named by its id on the shelf.', { orEmpty: true, start: 'pot-stainless-3000' })
  oilsVessel!: string

  @Choice(COOLINGS, `Cooling is one of ${COOLINGS.join(', ')}.`, { start: 'air' })
  lyeCooling!: CoolingWay

  @Choice(COOLINGS, `Cooling is one of ${COOLINGS.join(', ')}.`, { start: 'air' })
  oilsCooling!: CoolingWay

  @NumberFrom(2, 35, 'The bath is from [2 to 35 °C].', { start: 15 })
  bathC!: number

  @NumberFrom(0.5, 60, 'The bath holds 0.5 to 60 litres.', { start: 6 })
  bathLitres!: number

  @NumberFrom(0, 10, 'Ice in the bath is from [0 to 10 kg].', { start: 0.5 })
  iceKg!: number

  @NumberFrom(5, 100, 'The lye meets the oils at [5 to 100 °C].', {
    says: "The lye's temperature when they meet; null: the same as the oils.",
    orNull: true,
  })
  lyeC!: number | null

  @Choice(TEMPERATURE_RULES, `The temperature rule is one of ${TEMPERATURE_RULES.join(', ')}.`, { start: 'gap' })
  rule!: TemperatureRule

  @NumberFrom(0, 40, 'The largest gap is from [0 to 40 K]; 5 to 10 is usual.', { start: 6 })
  gapK!: number

  @NumberFrom(10, 70, 'The band is within [10 to 70 °C].', { start: 27 })
  bandLowC!: number

  @NumberFrom(10, 70, 'The band is within [10 to 70 °C].', { start: 43 })
  bandHighC!: number
}

/** A small batter of its own for a whipped or piped top, with the recipe's superfat, purity and water. */
export class TopBatter {
  @NumberFrom(20, 5000, 'A top’s own batter is from [20 g] to [5 kg].')
  massG!: number

  @Parts(() => OilPart, 1, MAX_OILS, `A recipe has 1 to ${MAX_OILS} oils.`, { elements: 'oil' })
  oils!: OilPart[]
}

export const DIVISION_MEASURES = { height: 'heights', share: 'shares', mass: 'weights', volume: 'volumes' } as const
export type DivisionMeasure = keyof typeof DIVISION_MEASURES
export const DIVISION_RULES = {
  others: 'all others make up for it',
  one: 'one cup makes up for it',
  mould: 'the fill of the mould changes',
} as const
export type DivisionRule = keyof typeof DIVISION_RULES

/** Powder of one colorant that is in a cup, g. */
export class PowderIn {
  @Id('A colorant is named by its id on the shelf.')
  colorant!: string

  @NumberFrom(0, 2000, 'Powder in a cup is from [0 g] to [2 kg].')
  massG!: number
}

/** A cup as it was really filled. */
export class CupActual {
  @Id('A cup is named by its id.')
  cup!: string

  @NumberFrom(0, 20_000, 'A cup holds [0 g] to [20 kg].', {
    says: 'Batter drawn from the pot, before scent and colour.',
  })
  batterG!: number

  @NumberFrom(0, 20_000, 'A cup holds [0 g] to [20 kg].', {
    says: 'What of it was there when colour and scent went in; null: all.',
    orNull: true,
  })
  colouredG!: number | null

  @Parts(() => PowderIn, 0, MAX_CUP_COLORANTS, `A cup has at most ${MAX_CUP_COLORANTS} colorants.`, {
    says: 'Powder that is in it by now, where it is not what was planned.',
    elements: 'colorant',
  })
  powders!: PowderIn[]
}

const MAX_ACTUALS = 12

/** How batter is divided: one pot split into cups, or a batter of its own for each cup. */
export class Division {
  @Choice(Object.keys(DIVISION_MEASURES), 'Cups are sized by heights, shares, weights or volumes.', {
    says: "How the maker states a cup's size.",
    start: 'height',
  })
  by!: DivisionMeasure

  @Choice(Object.keys(DIVISION_RULES), 'When a cup changes, the others, one cup, or the fill makes up for it.', {
    says: 'What makes up for a changed cup.',
    start: 'others',
  })
  rule!: DivisionRule

  @Id('A cup is named by its id.', { says: "The cup that makes up for the others, by the rule 'one'.", orEmpty: true })
  makesUp!: string

  @Choice(['thin', 'thick'], 'Batter is poured thin or thick.', {
    says: 'How thick the batter is poured: how much stays behind.',
    start: 'thin',
  })
  cling!: 'thin' | 'thick'

  @Choice(['extra', 'recipe'], 'Dispersing liquid is extra, or drawn from the recipe.', {
    says: "Liquid for colorants comes on top, or is drawn from the recipe's own oil and water.",
    start: 'extra',
  })
  mediumFrom!: 'extra' | 'recipe'

  @Id('An oil is named by its id on the shelf.', {
    says: 'The oil that disperses; empty: a light oil that is not in the recipe.',
    orEmpty: true,
  })
  mediumOil!: string

  @Parts(() => CupActual, 0, MAX_ACTUALS, `At most ${MAX_ACTUALS} cups can be written down.`, { elements: 'cup' })
  actual!: CupActual[]

  @Choice(['one-pot', 'own-batters'], 'Batter is made in one pot or for each cup on its own.', { start: 'one-pot' })
  mode!: 'one-pot' | 'own-batters'

  @Choice(['divided', 'separate'], 'Lye solution is divided or made separately.', { start: 'divided' })
  lye!: 'divided' | 'separate'

  @Choice(['common', 'each'], 'Hard fats are melted together or for each batter.', { start: 'common' })
  melt!: 'common' | 'each'

  @Part(() => TopBatter, 'The top is null or a batter with its weight and oils.', { orNull: true })
  top!: TopBatter | null
}

export const LINER_WAYS = { strips: 'two strips, crossed', sheet: 'one sheet, slit at its corners' } as const
export type LinerWay = keyof typeof LINER_WAYS

/** How the mould is lined. */
export class Preparation {
  @NumberFrom(0, 300, 'The liner stands over by [0 to 300 mm]; [20 to 50 mm] is usual.', { start: 30 })
  overhangMm!: number

  @NumberFrom(100, 2000, 'A roll is from [100 to 2000 mm] wide.', { start: 380 })
  rollWidthMm!: number

  @Choice(Object.keys(LINER_WAYS), `A liner is one of ${Object.keys(LINER_WAYS).join(', ')}.`, { start: 'strips' })
  linerWay!: LinerWay

  @Whole(1, 3, 'A mould is lined in 1 to 3 layers.', { start: 1 })
  linerLayers!: number
}

export const CUP_ORDERS = {
  first: 'all cups are coloured first',
  each: 'each cup right before its first pour',
} as const
export type CupOrder = keyof typeof CUP_ORDERS

export const WAITING = {
  rest: 'stand until they are poured',
  stir: 'are stirred about once a minute',
} as const
/** What a cup does until its turn comes. */
export type Waiting = keyof typeof WAITING

/** How lye and oils are brought together, and cups that are too thin brought on. */
export const BLENDINGS = {
  stick: 'stick blender, on all the time',
  bursts: 'stick blender in short bursts, stirred by hand between',
  whisk: 'with a whisk',
  hand: 'stirred by hand alone',
} as const
export type Blending = keyof typeof BLENDINGS

/** Batter above this level cannot be stirred together any more. */
export const MOST_STOP = 4.4

export const STOPS = {
  level: 'at this trace',
  'level-holds': 'at this trace, and when the emulsion holds',
  seconds: 'after so many seconds',
} as const
/** What ends the blending. */
export type StopWhen = keyof typeof STOPS

/** Whose hands, how quick, and in which order they work. */
export class Hands {
  @Choice(Object.keys(CUP_ORDERS), `Cups are coloured in one of these orders: ${Object.keys(CUP_ORDERS).join(', ')}.`, {
    start: 'first',
  })
  order!: CupOrder

  @Choice([1, 2], 'One or two people work.', { start: 1 })
  people!: 1 | 2

  @NumberFrom(0.3, 3, 'Hands take 30 to 300 % of the usual times.', {
    says: 'Times that the hands take, against the usual.',
    start: 1,
  })
  pace!: number

  @Choice(Object.keys(WAITING), `Waiting cups do one of: ${Object.keys(WAITING).join(', ')}.`, { start: 'rest' })
  waiting!: Waiting

  @Choice(Object.keys(BLENDINGS), `Batter is blended in one of these ways: ${Object.keys(BLENDINGS).join(', ')}.`, {
    start: 'stick',
  })
  blend!: Blending
}

export const SEEN_BY = { eye: 'named by eye', drip: 'by how long a drip stays' } as const
/** How a trace was told: a drip off the spatula says more than a glance. */
export type SeenBy = keyof typeof SEEN_BY

/** A trace that was seen while the batch was made, or in a small trial of it. */
export class Seen {
  @Id('What was seen names its cup by id.')
  cup!: string

  @NumberFrom(0, 240, 'It was seen 0 to 240 minutes after the lye went in.')
  atMin!: number

  @NumberFrom(0.8, 5, 'A trace is from 0.8 to 5.')
  level!: number

  @Choice(Object.keys(SEEN_BY), `A trace is seen by one of: ${Object.keys(SEEN_BY).join(', ')}.`)
  by!: SeenBy
}

export const MAX_SEEN = 20
