import { Choice, Id, NumberFrom, Part, Parts, Text, Uuid, Whole, YesNo } from '../document/fields/index.ts'
import { MOMENTS } from '../shelf/index.ts'
import type { Moment } from '../shelf/index.ts'

/** The recipe of a plan: oils, lye, water, liquids and additives. Shares from 0 to 1. */

export const MAX_OILS = 30
const MAX_LIQUIDS = 6
const MAX_ADDITIVES = 16

export const STEEPINGS = { warm: 'warm, some hours', cold: 'cold, weeks' } as const
export type Steeping = keyof typeof STEEPINGS

/** A plant steeped in an oil before it is used. */
export class Infusion {
  @Text(1, 60, 'Name what is steeped in the oil, in 1 to 60 letters.')
  plant!: string

  @NumberFrom(0.01, 1, 'Plant to oil is from 0.01 to 1 by weight; 0.1 to 0.25 is usual.')
  plantPerOil!: number

  @NumberFrom(1, 3, 'Make 1 to 3 times what is needed; 1.3 to 1.6 is usual, since the plant keeps some.')
  makeFactor!: number

  @Id('A colorant is named by its id on the shelf.', {
    says: 'The infused oil on the shelf whose colour this is; empty: it gives none.',
    orEmpty: true,
    optional: true,
  })
  colorant?: string

  @Choice(Object.keys(STEEPINGS), `A plant is steeped in one of these ways: ${Object.keys(STEEPINGS).join(', ')}.`, {
    start: 'warm',
  })
  way!: Steeping

  @YesNo('A second steep is true or false.', {
    says: 'Strained, and fresh plant steeped in the same oil once more.',
    start: false,
  })
  twice!: boolean
}

export class OilPart {
  @Id('An oil is named by its id on the shelf.')
  oil!: string

  @NumberFrom(0, 1, 'An oil’s share is from 0 to 100 %.')
  share!: number

  @YesNo('Locked is true or false.', { start: false })
  locked!: boolean

  @YesNo('Added late is true or false.', { start: false })
  late!: boolean

  @Part(() => Infusion, 'An infusion is null, or a plant with its amount.', { orNull: true })
  infusion!: Infusion | null
}

export const WATER_BASES = ['concentration', 'share', 'ratio', 'discount'] as const
export type WaterBasis = (typeof WATER_BASES)[number]

/** Water as the maker states it; the other three ways follow from it. */
export class Water {
  @Choice(WATER_BASES, `Water is stated as one of ${WATER_BASES.join(', ')}.`, { start: 'concentration' })
  basis!: WaterBasis

  @NumberFrom(-0.5, 10, 'Water is a number on its basis: 0.3 for 30 %, 2 for twice the lye.', { start: 0.29 })
  value!: number

  @NumberFrom(0.2, 0.6, 'Full water is from 20 to 60 % of the oils; 38 % is common.', {
    says: 'What a discount is taken from: water as a share of the oils.',
    start: 0.38,
  })
  fullShareOfOils!: number
}

export class PlannedLiquid {
  @Id('A liquid is named by its id on the shelf.')
  liquid!: string

  @NumberFrom(0, 1, 'A liquid stands for 0 to 100 % of the water.')
  shareOfWater!: number

  @Choice(['water', 'weight'], 'A liquid counts by its water or by its weight.', {
    says: "'water': its water counts; 'weight': it is weighed as if it were water.",
  })
  measure!: 'water' | 'weight'

  @Choice(['lye', 'trace'], 'A liquid goes into the lye, or in at trace.')
  moment!: 'lye' | 'trace'

  @YesNo('Counting its fat is true or false.')
  countFat!: boolean
}

export class PlannedAdditive {
  @Id('An additive is named by its id on the shelf.')
  additive!: string

  @NumberFrom(0, 1000, 'An additive is from 0 to 1000 g per kg of oils.')
  gPerKgOils!: number

  @Choice(Object.keys(MOMENTS), `An additive goes in at one of ${Object.keys(MOMENTS).join(', ')}.`)
  moment!: Moment

  @YesNo('Adding its lye is true or false.', {
    says: 'Lye is added for what its acid or fat takes up; otherwise the superfat rises.',
  })
  addLye!: boolean
}

/** The version of a saved recipe that this one was taken from. */
export class RecipeOrigin {
  @Uuid('A saved recipe is named by its id.')
  recipe!: string

  @Whole(1, 100_000, 'A version is a whole number.')
  version!: number
}

export class Recipe {
  @Text(0, 80, 'A recipe’s name has at most 80 letters.', { start: '' })
  name!: string

  @Part(() => RecipeOrigin, 'The origin is null or a saved recipe with its version.', { orNull: true })
  origin!: RecipeOrigin | null

  @Parts(() => OilPart, 1, MAX_OILS, `A recipe has 1 to ${MAX_OILS} oils.`, { elements: 'oil' })
  oils!: OilPart[]

  @NumberFrom(0, 0.25, 'Superfat is from 0 to 25 %; 3 to 8 % is usual.', {
    says: 'Of all oils, late ones included.',
    start: 0.05,
  })
  superfatShare!: number

  @NumberFrom(0.8, 1, 'Lye purity is from 80 to 100 %; the label or certificate says it, often 97 to 99 %.', {
    start: 0.98,
  })
  lyePurityShare!: number

  @Part(() => Water, 'The water is missing.')
  water!: Water

  @Parts(() => PlannedLiquid, 0, MAX_LIQUIDS, `A recipe has at most ${MAX_LIQUIDS} liquids beside water.`, {
    elements: 'liquid',
  })
  liquids!: PlannedLiquid[]

  @Parts(() => PlannedAdditive, 0, MAX_ADDITIVES, `A recipe has at most ${MAX_ADDITIVES} additives.`, {
    elements: 'additive',
  })
  additives!: PlannedAdditive[]

  @NumberFrom(0, 500, 'Water to rinse with is from [0 to 500 g].', {
    says: 'Of the plain water, kept back to rinse the lye jug with: it goes into the pot after the lye.',
    start: 0,
  })
  rinseG!: number
}
