import 'reflect-metadata'
import { Type } from 'class-transformer'
import {
  ArrayMaxSize,
  ArrayMinSize,
  Equals,
  IsArray,
  IsBoolean,
  IsIn,
  IsNotEmptyObject,
  IsObject,
  Matches,
  ValidateIf,
  ValidateNested,
} from 'class-validator'
import type { Medium } from '../shelf/index.ts'
import { Id, NumberFrom, Text } from './rules.ts'

/**
 * The plan of one batch, as it is stored, exported and imported. Masses in g, lengths in mm, temperatures in °C, times in
 * minutes, shares from 0 to 1. The JSON Schema in docs/ is made from these classes; forms and server check with them.
 */

export const PLAN_FORMAT = 'ostler-plan'
export const PLAN_VERSION = 1

export const MAX_CUPS = 12
export const MAX_POURS = 40
const MAX_OILS = 30

/** How a nested part is checked: it must be there and be an object of its class. */
const Part =
  (type: () => new () => object, message: string): PropertyDecorator =>
  (target, key) => {
    IsObject({ message })(target, key)
    IsNotEmptyObject({ nullable: true }, { message })(target, key)
    ValidateNested({ message })(target, key)
    Type(type)(target, key)
  }

const Parts =
  (type: () => new () => object, min: number, max: number, message: string): PropertyDecorator =>
  (target, key) => {
    IsArray({ message })(target, key)
    ArrayMinSize(min, { message })(target, key)
    ArrayMaxSize(max, { message })(target, key)
    IsObject({ each: true, message })(target, key)
    ValidateNested({ each: true, message })(target, key)
    Type(type)(target, key)
  }

export class OilPart {
  @Id('An oil is named by its id on the shelf.')
  oil!: string

  @NumberFrom(0, 1, 'An oil’s share is from 0 to 100 %.')
  share!: number
}

export class Recipe {
  @Parts(() => OilPart, 1, MAX_OILS, `A recipe has 1 to ${MAX_OILS} oils.`)
  oils!: OilPart[]

  @NumberFrom(0, 0.25, 'Superfat is from 0 to 25 %; 3 to 8 % is usual.')
  superfatShare!: number

  @NumberFrom(0.8, 1, 'Lye purity is from 80 to 100 %; the label or certificate says it, often 97 to 99 %.')
  lyePurityShare!: number

  @NumberFrom(0.2, 0.5, 'Lye concentration is from 20 to 50 %; 27 to 33 % is usual.')
  lyeConcentrationShare!: number
}

export class Mould {
  @Text(1, 80, 'A mould’s name has 1 to 80 letters.')
  name!: string

  @NumberFrom(30, 1500, 'The inner length is from 30 to 1500 mm.')
  innerLengthMm!: number

  @NumberFrom(20, 600, 'The inner width is from 20 to 600 mm.')
  innerWidthMm!: number

  @NumberFrom(10, 300, 'The inner height is from 10 to 300 mm.')
  innerHeightMm!: number

  @NumberFrom(5, 300, 'The soap’s height is from 5 to 300 mm and no more than the mould’s.')
  fillMm!: number
}

export class Pot {
  @NumberFrom(0, 500, 'What clings to the pot is from 0 to 500 g; 10 to 30 g is usual.')
  clingG!: number
}

export const MEDIA: readonly Medium[] = ['oil', 'water', 'glycerin', 'alcohol', 'none']

export class CupColorant {
  @Id('A colorant is named by its id on the shelf.')
  colorant!: string

  @NumberFrom(0, 100, 'A dose is from 0 to 100 g per kg of batter; 1 to 12 is usual for pigments.')
  doseGPerKg!: number

  @IsIn(MEDIA, { message: `The dispersing liquid is one of ${MEDIA.join(', ')}.` })
  medium!: Medium

  @NumberFrom(0, 10, 'The dispersing liquid is 0 to 10 times the powder’s weight; 2 to 3 is usual.')
  mediumRatio!: number
}

export class Cup {
  @Id()
  id!: string

  @Text(1, 40, 'A cup’s name has 1 to 40 letters.')
  name!: string

  @Matches(/^#[0-9a-f]{6}$/, { message: 'A swatch colour is written like #3e8f82, in small letters.' })
  swatch!: string

  @ValidateIf((cup: Cup) => cup.colorant !== null)
  @Part(() => CupColorant, 'The colorant is null or a colorant with its dose and liquid.')
  colorant!: CupColorant | null

  @IsBoolean({ message: 'Scented is true or false.' })
  scented!: boolean

  @NumberFrom(0, 100, 'What clings to a cup is from 0 to 100 g; 3 to 10 g is usual.')
  clingG!: number
}

export type ScentMoment = 'pot' | 'with-colour' | 'last'
export const SCENT_MOMENTS: readonly ScentMoment[] = ['pot', 'with-colour', 'last']

export class PlannedScent {
  @Id('A scent is named by its id on the shelf.')
  scent!: string

  @NumberFrom(0, 0.1, 'Scent is from 0 to 10 % of the oils; the supplier’s limit comes first.')
  shareOfOils!: number

  @IsIn(SCENT_MOMENTS, { message: `The moment for scent is one of ${SCENT_MOMENTS.join(', ')}.` })
  moment!: ScentMoment
}

export class Pour {
  @Id()
  id!: string

  @Equals('pour', { message: 'A step’s kind is pour.' })
  kind!: 'pour'

  @Id('A pour names its cup by id.')
  cup!: string

  @NumberFrom(0.000001, 1, 'A layer’s share of the height is above 0 and at most 100 %.')
  share!: number

  @NumberFrom(0, 300, 'The fall height is from 0 to 300 mm.')
  dropMm!: number

  @IsBoolean({ message: 'Over a spatula is true or false.' })
  overSpatula!: boolean

  @NumberFrom(0, 240, 'A wait before a pour is from 0 to 240 minutes.')
  waitMin!: number
}

export class Conditions {
  @NumberFrom(0, 45, 'The room is from 0 to 45 °C.')
  roomC!: number

  @NumberFrom(15, 60, 'Oils and lye meet at 15 to 60 °C; 27 to 43 °C is usual.')
  mixC!: number

  @NumberFrom(0.9, 3, 'Blending stops at a trace level from 0.9 (emulsion) to 3 (medium).')
  stopLevel!: number

  @NumberFrom(0.3, 3, 'Blender strength is from 0.3 to 3; 1 is an ordinary stick blender.')
  blenderStrength!: number

  @NumberFrom(0.7, 1.3, 'Batter density is from 0.7 to 1.3 g/ml; 1.03 is usual.')
  densityGPerMl!: number

  @NumberFrom(0.01, 50, 'The scale’s step is from 0.01 to 50 g.')
  scaleStepG!: number

  @NumberFrom(0.01, 50, 'The fine scale’s step is from 0.01 to 50 g.')
  fineScaleStepG!: number
}

export class Plan {
  @Equals(PLAN_FORMAT, { message: `The format is "${PLAN_FORMAT}".` })
  format!: typeof PLAN_FORMAT

  @Equals(PLAN_VERSION, { message: `The version is ${PLAN_VERSION}.` })
  version!: typeof PLAN_VERSION

  @Text(1, 80, 'A batch has a name of 1 to 80 letters.')
  name!: string

  @Text(0, 4000, 'Notes have at most 4000 letters.')
  notes!: string

  @Part(() => Recipe, 'The recipe is missing.')
  recipe!: Recipe

  @Part(() => Mould, 'The mould is missing.')
  mould!: Mould

  @Part(() => Pot, 'The pot is missing.')
  pot!: Pot

  @ValidateIf((plan: Plan) => plan.scent !== null)
  @Part(() => PlannedScent, 'The scent is null or a scent with its share and moment.')
  scent!: PlannedScent | null

  @Parts(() => Cup, 1, MAX_CUPS, `A plan has 1 to ${MAX_CUPS} cups.`)
  cups!: Cup[]

  @Parts(() => Pour, 1, MAX_POURS, `A score has 1 to ${MAX_POURS} pours.`)
  score!: Pour[]

  @Part(() => Conditions, 'The conditions are missing.')
  conditions!: Conditions
}
