import { ArrayMaxSize, IsArray, IsIn, IsString, Matches, ValidateIf } from 'class-validator'
import { Id, NumberFrom, Parts, Part, Text } from '../checks/index.ts'
import { MAX_CUP_COLORANTS } from '../shelf/index.ts'
import { MAX_OILS, OilPart } from './recipe-part.ts'

/** What a plan says of heat, division and preparation. Temperatures in °C, masses in g, lengths in mm. */

const CLOCK = /^(?:[01]\d|2[0-3]):[0-5]\d$/

export class HeatReading {
  @IsIn(['lye', 'oils'], { message: 'A reading is of the lye or of the oils.' })
  body!: 'lye' | 'oils'

  @Matches(CLOCK, { message: 'A time is written like 14:05.' })
  at!: string

  @NumberFrom(-5, 120, 'A reading is from −5 to 120 °C.')
  tempC!: number
}

export const COOLINGS = ['air', 'bath', 'ice-bath'] as const
export type CoolingWay = (typeof COOLINGS)[number]
export const TEMPERATURE_RULES = ['mix', 'gap', 'band', 'transfer'] as const
export type TemperatureRule = (typeof TEMPERATURE_RULES)[number]
const MAX_READINGS = 60

/** How lye and oils come to their temperatures. */
export class Heat {
  @ValidateIf((heat: Heat) => heat.startAt !== '')
  @Matches(CLOCK, { message: 'The time to mix is written like 14:00, or left empty.' })
  startAt!: string

  @NumberFrom(0, 45, 'The water starts at 0 to 45 °C.')
  waterC!: number

  @NumberFrom(0, 1, 'Ice is 0 to 100 % of the water.')
  iceShare!: number

  @NumberFrom(20, 90, 'Oils are melted to 20 to 90 °C; 50 to 65 °C is usual.')
  meltC!: number

  @ValidateIf((heat: Heat) => heat.lyeVessel !== '')
  @Id('A vessel is named by its id on the shelf.')
  lyeVessel!: string

  @ValidateIf((heat: Heat) => heat.oilsVessel !== '')
  @Id('A vessel is named by its id on the shelf.')
  oilsVessel!: string

  @IsIn(COOLINGS, { message: `Cooling is one of ${COOLINGS.join(', ')}.` })
  lyeCooling!: CoolingWay

  @IsIn(COOLINGS, { message: `Cooling is one of ${COOLINGS.join(', ')}.` })
  oilsCooling!: CoolingWay

  @NumberFrom(2, 35, 'The bath is from 2 to 35 °C.')
  bathC!: number

  @NumberFrom(0.5, 60, 'The bath holds 0.5 to 60 litres.')
  bathLitres!: number

  @NumberFrom(0, 10, 'Ice in the bath is from 0 to 10 kg.')
  iceKg!: number

  /** The lye's temperature when they meet; null: the same as the oils. */
  @ValidateIf((heat: Heat) => heat.lyeC !== null)
  @NumberFrom(5, 100, 'The lye meets the oils at 5 to 100 °C.')
  lyeC!: number | null

  @IsIn(TEMPERATURE_RULES, { message: `The temperature rule is one of ${TEMPERATURE_RULES.join(', ')}.` })
  rule!: TemperatureRule

  @NumberFrom(0, 40, 'The largest gap is from 0 to 40 K; 5 to 10 is usual.')
  gapK!: number

  @NumberFrom(10, 70, 'The band is within 10 to 70 °C.')
  bandLowC!: number

  @NumberFrom(10, 70, 'The band is within 10 to 70 °C.')
  bandHighC!: number

  @Parts(() => HeatReading, 0, MAX_READINGS, `A plan keeps at most ${MAX_READINGS} readings.`)
  readings!: HeatReading[]
}

/** A small batter of its own for a whipped or piped top, with the recipe's superfat, purity and water. */
export class TopBatter {
  @NumberFrom(20, 5000, 'A top’s own batter is from 20 g to 5 kg.')
  massG!: number

  @Parts(() => OilPart, 1, MAX_OILS, `A recipe has 1 to ${MAX_OILS} oils.`)
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

/** A cup as it was really filled. */
/** Powder of one colorant that is in a cup, g. */
export class PowderIn {
  @Id('A colorant is named by its id on the shelf.')
  colorant!: string

  @NumberFrom(0, 2000, 'Powder in a cup is from 0 g to 2 kg.')
  massG!: number
}

export class CupActual {
  @Id('A cup is named by its id.')
  cup!: string

  /** Batter drawn from the pot, before scent and colour. */
  @NumberFrom(0, 20_000, 'A cup holds 0 g to 20 kg.')
  batterG!: number

  /** What of it was there when colour and scent went in; null: all. */
  @ValidateIf((actual: CupActual) => actual.colouredG !== null)
  @NumberFrom(0, 20_000, 'A cup holds 0 g to 20 kg.')
  colouredG!: number | null

  /** Powder that is in it by now, where it is not what was planned. */
  @Parts(() => PowderIn, 0, MAX_CUP_COLORANTS, `A cup has at most ${MAX_CUP_COLORANTS} colorants.`)
  powders!: PowderIn[]
}

const MAX_ACTUALS = 12

/** How batter is divided: one pot split into cups, or a batter of its own for each cup. */
export class Division {
  /** How the maker states a cup's size. */
  @IsIn(Object.keys(DIVISION_MEASURES), { message: 'Cups are sized by heights, shares, weights or volumes.' })
  by!: DivisionMeasure

  /** What makes up for a changed cup. */
  @IsIn(Object.keys(DIVISION_RULES), {
    message: 'When a cup changes, the others, one cup, or the fill makes up for it.',
  })
  rule!: DivisionRule

  /** The cup that makes up for the others, by the rule 'one'. */
  @ValidateIf((division: Division) => division.makesUp !== '')
  @Id('A cup is named by its id.')
  makesUp!: string

  /** How thick the batter is poured: how much stays behind. */
  @IsIn(['thin', 'thick'], { message: 'Batter is poured thin or thick.' })
  cling!: 'thin' | 'thick'

  /** Liquid for colorants comes on top, or is drawn from the recipe's own oil and water. */
  @IsIn(['extra', 'recipe'], { message: 'Dispersing liquid is extra, or drawn from the recipe.' })
  mediumFrom!: 'extra' | 'recipe'

  /** The oil that disperses; empty: a light oil that is not in the recipe. */
  @ValidateIf((division: Division) => division.mediumOil !== '')
  @Id('An oil is named by its id on the shelf.')
  mediumOil!: string

  @Parts(() => CupActual, 0, MAX_ACTUALS, `At most ${MAX_ACTUALS} cups can be written down.`)
  actual!: CupActual[]

  @IsIn(['one-pot', 'own-batters'], { message: 'Batter is made in one pot or for each cup on its own.' })
  mode!: 'one-pot' | 'own-batters'

  @IsIn(['divided', 'separate'], { message: 'Lye solution is divided or made separately.' })
  lye!: 'divided' | 'separate'

  @IsIn(['common', 'each'], { message: 'Hard fats are melted together or for each batter.' })
  melt!: 'common' | 'each'

  @ValidateIf((division: Division) => division.top !== null)
  @Part(() => TopBatter, 'The top is null or a batter with its weight and oils.')
  top!: TopBatter | null
}

export class Weighed {
  @Text(1, 140, 'A line of the weigh list is named by its key.')
  item!: string

  @NumberFrom(0, 200_000, 'A weight is from 0 to 200 kg.')
  massG!: number
}

const MAX_TICKS = 300

/** What has been done and weighed so far, and how the mould is lined. */
export class Preparation {
  @IsArray({ message: 'What is done is a list of names.' })
  @ArrayMaxSize(MAX_TICKS, { message: `At most ${MAX_TICKS} lines can be ticked.` })
  @IsString({ each: true, message: 'What is done is a list of names.' })
  @Matches(/^[a-z0-9][a-z0-9:.-]{0,139}$/, { each: true, message: 'What is done is a list of names.' })
  done!: string[]

  @Parts(() => Weighed, 0, MAX_TICKS, `At most ${MAX_TICKS} lines can be weighed.`)
  weighed!: Weighed[]

  @NumberFrom(0, 300, 'The liner stands over by 0 to 300 mm; 20 to 50 mm is usual.')
  overhangMm!: number

  @NumberFrom(100, 2000, 'A roll is from 100 to 2000 mm wide.')
  rollWidthMm!: number
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
  @IsIn(Object.keys(CUP_ORDERS), {
    message: `Cups are coloured in one of these orders: ${Object.keys(CUP_ORDERS).join(', ')}.`,
  })
  order!: CupOrder

  @IsIn([1, 2], { message: 'One or two people work.' })
  people!: 1 | 2

  /** Times that the hands take, against the usual. */
  @NumberFrom(0.3, 3, 'Hands take 30 to 300 % of the usual times.')
  pace!: number

  @IsIn(Object.keys(WAITING), { message: `Waiting cups do one of: ${Object.keys(WAITING).join(', ')}.` })
  waiting!: Waiting

  @IsIn(Object.keys(BLENDINGS), {
    message: `Batter is blended in one of these ways: ${Object.keys(BLENDINGS).join(', ')}.`,
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

  @IsIn(Object.keys(SEEN_BY), { message: `A trace is seen by one of: ${Object.keys(SEEN_BY).join(', ')}.` })
  by!: SeenBy
}

export const MAX_SEEN = 20
