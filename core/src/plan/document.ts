import { PlannedScent, Recipe } from '../recipe/index.ts'
import { CONSTANTS } from '../quantities/constants/index.ts'
import { Choice, Fixed, NumberFrom, Part, Parts, Text, Whole, YesNo } from '../document/fields/index.ts'
import { FORMS, LININGS } from '../shelf/index.ts'
import type { Lining, MouldForm } from '../shelf/index.ts'
import { Division, Hands, Heat, MAX_SEEN, MOST_STOP, Preparation, STOPS, Seen } from './preparation-part.ts'
import type { StopWhen } from './preparation-part.ts'
import {
  ColourWish,
  Cup,
  MAX_LADDERS,
  MAX_POT_COLORANTS,
  MAX_RESERVES,
  PotColorant,
  Reserve,
  TintLadder,
} from './cup-part.ts'
import { Finish, PlanB } from './finish-part.ts'
import { Aside, Cutting, MAX_ASIDE, MAX_MOVES, Move, Pour } from './score-part.ts'
import { Rest } from './rest-part.ts'

/**
 * The plan of one batch, as it is stored, exported and imported. Masses in g, lengths in mm, temperatures in °C, times in
 * minutes, shares from 0 to 1. The JSON Schema in docs/ is made from these classes; forms and server check with them.
 */

export const PLAN_FORMAT = 'ostler-plan'
export const PLAN_VERSION = 13

export const MAX_CUPS = 12
export const MAX_POURS = 60
export const MAX_MORE_MOULDS = 6

export class Mould {
  @Text(1, 80, 'A mould’s name has 1 to 80 letters.')
  name!: string

  @Choice(Object.keys(FORMS), `A mould’s form is one of ${Object.keys(FORMS).join(', ')}.`)
  form!: MouldForm

  @NumberFrom(10, 1500, 'The inner length is from [10 to 1500 mm].', {
    says: 'Round: the bore; hexagonal: across the flats; half sphere: its width.',
  })
  innerLengthMm!: number

  @NumberFrom(10, 600, 'The inner width is from [10 to 600 mm].')
  innerWidthMm!: number

  @NumberFrom(10, 400, 'The inner height is from [10 to 400 mm].')
  innerHeightMm!: number

  @Whole(1, 60, 'Cavities are a whole number from 1 to 60.')
  cavities!: number

  @Choice(Object.keys(LININGS), `A lining is one of ${Object.keys(LININGS).join(', ')}.`)
  lining!: Lining

  @NumberFrom(5, 400, 'The soap’s height is from [5 to 400 mm] and no more than the mould’s.')
  fillMm!: number

  @NumberFrom(0, 60, 'A mould narrows by [0 to 60 mm] to each side.', {
    says: 'How far each wall leans in from the rim to the floor; sizes are those at the rim.',
    start: 0,
  })
  taperMm!: number
}

/** What it is made for. */
export class Brief {
  @Text(0, 80, 'The occasion has at most 80 letters.', { start: '' })
  occasion!: string

  @Text(0, 80, 'For whom it is has at most 80 letters.', { start: '' })
  forWhom!: string

  @Text(0, 400, 'The wish has at most 400 letters.', { says: 'Look, scent and feel that were asked for.', start: '' })
  wish!: string

  @NumberFrom(0, 100_000, 'A price is from 0 to 100,000.', { says: 'Of one bar, at the least; 0: open.', start: 0 })
  priceFrom!: number

  @NumberFrom(0, 100_000, 'A price is from 0 to 100,000.', { says: 'Of one bar, at the most; 0: open.', start: 0 })
  priceTo!: number
}

export class Pot {
  @NumberFrom(0, 500, 'What clings to the pot is from [0 to 500 g]; [10 to 30 g] is usual.', { start: 16 })
  clingG!: number
}

export class Conditions {
  @NumberFrom(0, 45, 'The room is from [0 to 45 °C].', { start: 21 })
  roomC!: number

  @NumberFrom(15, 60, 'Oils and lye meet at [15 to 60 °C]; [27 to 43 °C] is usual.', { start: 30 })
  mixC!: number

  @NumberFrom(
    0.9,
    MOST_STOP,
    'Blending stops at a trace from 0.9 (emulsion) to 4.4 (heavy); at 5 it is set and cannot be poured.',
    { start: 1.8 },
  )
  stopLevel!: number

  @Choice(Object.keys(STOPS), `Blending stops by one of: ${Object.keys(STOPS).join(', ')}.`, {
    says: 'What tells that it is enough.',
    start: 'level-holds',
  })
  stopWhen!: StopWhen

  @NumberFrom(1, 1200, 'A blender runs for 1 to 1200 seconds; 15 to 45 is usual for a kilogram.', {
    says: 'By the clock: so many seconds of the blender.',
    start: 30,
  })
  blendS!: number

  @NumberFrom(0, 600, 'Blending lasts 0 to 600 seconds at least.', {
    says: 'Whatever stops it, never before so many seconds.',
    start: 0,
  })
  leastS!: number

  @NumberFrom(0.3, 3, 'Blender strength is from 0.3 to 3; 1 is an ordinary stick blender.', { start: 1 })
  blenderStrength!: number

  @NumberFrom(0.7, 1.3, 'Batter density is from 0.7 to 1.3 g/ml; 1.03 is usual.', {
    start: CONSTANTS.batterDensity.value,
  })
  densityGPerMl!: number

  @NumberFrom(0.01, 50, 'The scale’s step is from [0.01 to 50 g].', { start: 1 })
  scaleStepG!: number

  @NumberFrom(0.01, 50, 'The fine scale’s step is from [0.01 to 50 g].', { start: 0.1 })
  fineScaleStepG!: number
}

/** The whole batch whipped: hard fats creamed unmelted, cold lye trickled in, air beaten in; for piping and scooping. */
export class Whipped {
  @NumberFrom(0.1, 0.5, 'Whipping beats in 10 to 50 % of air; 40 % is usual.')
  airShare!: number

  @NumberFrom(0, 30, 'Lye is trickled into creamed fats at [0 to 30 °C]; [10 to 20 °C] is usual.')
  lyeC!: number

  @NumberFrom(5, 40, 'Fats are creamed at [5 to 40 °C], below where they are clear.')
  fatsC!: number

  @NumberFrom(1, 40, 'Creaming takes 1 to 40 minutes; 5 to 10 is usual.')
  creamMin!: number

  @NumberFrom(1, 30, 'Trickling the lye in takes 1 to 30 minutes; 3 to 6 is usual.')
  trickleMin!: number
}

/** Why a batch with no superfat, or less, is made all the same; it holds for a superfat that is no lower than the one answered for. */
export class FreeLyeAnswer {
  @Text(8, 500, 'Say in 8 to 500 letters why this batch may have no superfat, and what keeps it from skin.')
  reason!: string

  @NumberFrom(-1, 1, 'The superfat that was answered for is from −100 to 100 %.')
  superfatShare!: number
}

export class Plan {
  @Fixed(PLAN_FORMAT, `The format is "${PLAN_FORMAT}".`)
  format!: typeof PLAN_FORMAT

  @Fixed(PLAN_VERSION, `The version is ${PLAN_VERSION}.`)
  version!: typeof PLAN_VERSION

  @Text(1, 80, 'A batch has a name of 1 to 80 letters.')
  name!: string

  @Text(0, 4000, 'Notes have at most 4000 letters.', { start: '' })
  notes!: string

  @Part(() => Brief, 'What it is made for is missing.')
  brief!: Brief

  @Text(0, 80, 'Whoever makes it has a name of at most 80 letters.', {
    says: 'Whose hands make it, for the sheet and the lot.',
    start: '',
  })
  madeBy!: string

  @YesNo('Whether it is a trial is true or false.', {
    says: 'Made to learn from, not to wash with or to sell.',
    start: false,
  })
  isTrial!: boolean

  @Part(() => FreeLyeAnswer, 'The answer to free lye is null, or a reason with the superfat it is for.', {
    says: 'Null: not answered.',
    orNull: true,
  })
  freeLye!: FreeLyeAnswer | null

  @Part(() => Whipped, 'Whipped is null, or how fats and lye are beaten.', {
    says: 'Null: oils melted and blended with the lye.',
    orNull: true,
  })
  whipped!: Whipped | null

  @Part(() => Recipe, 'The recipe is missing.')
  recipe!: Recipe

  @Part(() => Mould, 'The mould is missing.')
  mould!: Mould

  @Parts(() => Mould, 0, MAX_MORE_MOULDS, `A batch fills at most ${MAX_MORE_MOULDS} moulds beside the first.`, {
    says: 'Filled with the same layers, each to its own height.',
  })
  moreMoulds!: Mould[]

  @Part(() => Pot, 'The pot is missing.')
  pot!: Pot

  @Part(() => PlannedScent, 'The scent is null or a scent with its share and moment.', { orNull: true })
  scent!: PlannedScent | null

  @Parts(() => PotColorant, 0, MAX_POT_COLORANTS, `A pot has at most ${MAX_POT_COLORANTS} colorants.`, {
    elements: 'colorant',
  })
  potColorants!: PotColorant[]

  @Parts(() => Cup, 1, MAX_CUPS, `A plan has 1 to ${MAX_CUPS} cups.`)
  cups!: Cup[]

  @Parts(() => TintLadder, 0, MAX_LADDERS, `A plan has at most ${MAX_LADDERS} ladders of tints.`)
  ladders!: TintLadder[]

  @Parts(() => Reserve, 0, MAX_RESERVES, `A plan keeps back at most ${MAX_RESERVES} portions.`)
  reserves!: Reserve[]

  @Parts(() => Pour, 1, MAX_POURS, `A score has 1 to ${MAX_POURS} pours.`)
  score!: Pour[]

  @Parts(() => Move, 0, MAX_MOVES, `A score has at most ${MAX_MOVES} moves of tools.`)
  moves!: Move[]

  @Parts(() => Aside, 0, MAX_ASIDE, `At most ${MAX_ASIDE} pours are set aside.`)
  aside!: Aside[]

  @Part(() => Finish, 'What goes in and on top beside pours is missing.')
  finish!: Finish

  @Part(() => PlanB, 'Plan B is null or a second score with what calls for it.', {
    says: 'The score to turn to when things go wrong; null: none.',
    orNull: true,
  })
  planB!: PlanB | null

  @Part(() => Cutting, 'How the loaf is cut is missing.')
  cutting!: Cutting

  @Part(() => Conditions, 'The conditions are missing.')
  conditions!: Conditions

  @Part(() => Hands, 'Whose hands work is missing.')
  hands!: Hands

  @Parts(() => Seen, 0, MAX_SEEN, `At most ${MAX_SEEN} sightings of trace are kept.`, { elements: 'by-value' })
  seen!: Seen[]

  @NumberFrom(1, 3600, 'Blending took 1 second to an hour, or was not timed.', {
    says: 'Seconds that the blender really ran until blending stopped; null: not timed.',
    orNull: true,
  })
  blendedS!: number | null

  @Part(() => Rest, 'What the plan says of the rest is missing.')
  rest!: Rest

  @Part(() => Heat, 'The heat plan is missing.')
  heat!: Heat

  @Part(() => Division, 'The division is missing.')
  division!: Division

  @Part(() => ColourWish, 'How colours are judged is missing.')
  colour!: ColourWish

  @Part(() => Preparation, 'The preparation is missing.')
  preparation!: Preparation
}
