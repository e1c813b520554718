import { IsBoolean, IsIn, IsInt, Matches, ValidateIf } from 'class-validator'
import { NumberFrom, Part, Parts } from '../checks/index.ts'
import { PLACES } from '../rest/surroundings.ts'
import type { Place } from '../rest/surroundings.ts'
import { UNDERS, MOULD_WALLS } from '../rest/walls.ts'
import type { UnderKind, WallKind } from '../rest/walls.ts'

/** What a plan says of the time in the mould. Minutes from the last pour, °C. */

export const GEL_WISHES = {
  any: 'as it comes',
  full: 'gel fully',
  none: 'do not gel',
  cool: 'gel, but stay under 80 °C',
} as const
export type GelWish = keyof typeof GEL_WISHES

export const COVERS = { open: 'open to the air', film: 'under film', lid: 'under a lid' } as const
export type Cover = keyof typeof COVERS

const LONGEST_MIN = 4 * 24 * 60

/** From when on the mould stands where, wrapped in what. */
export class RestStep {
  @NumberFrom(0, LONGEST_MIN, 'A change is 0 to 96 hours after the pour.')
  atMin!: number

  @IsIn(Object.keys(PLACES), { message: `The mould stands in one of these: ${Object.keys(PLACES).join(', ')}.` })
  place!: Place

  /** Of the oven when it is switched off or held, or of the mat. */
  @NumberFrom(30, 90, 'An oven or mat is at 30 to 90 °C; 45 to 60 °C is usual.')
  tempC!: number

  @NumberFrom(0, 240, 'An oven is held, or a mat left on, for 0 to 240 minutes.')
  holdMin!: number

  @IsIn(Object.keys(COVERS), { message: `The soap is one of: ${Object.keys(COVERS).join(', ')}.` })
  cover!: Cover

  @IsInt({ message: 'Towels lie in whole layers, 0 to 6 of them.' })
  @NumberFrom(0, 6, 'It is wrapped in 0 to 6 layers of towel.')
  towels!: number

  @IsBoolean({ message: 'Whether towels lie below too is true or false.' })
  below!: boolean
}

export class RestReading {
  @NumberFrom(0, LONGEST_MIN, 'A reading is 0 to 96 hours after the pour.')
  atMin!: number

  @IsIn(['core', 'side', 'top'], { message: 'A reading is of the core, the side or the top.' })
  at!: 'core' | 'side' | 'top'

  @NumberFrom(-20, 120, 'A reading is from −20 to 120 °C.')
  tempC!: number
}

/** A bar on the scale while it cures. */
export class WeighIn {
  @NumberFrom(0, 730, 'A bar is weighed 0 to 730 days after the pour.')
  day!: number

  @NumberFrom(1, 5000, 'A bar weighs 1 g to 5 kg.')
  massG!: number
}

/** The maker's own oven, empty and switched off with its door shut: how far it falls in how long. */
export class OvenCooling {
  @NumberFrom(30, 150, 'The oven starts to cool from 30 to 150 °C.')
  fromC!: number

  @NumberFrom(20, 140, 'The oven cools to 20 to 140 °C, warmer than the room.')
  toC!: number

  @NumberFrom(5, 600, 'The oven is watched for 5 to 600 minutes.')
  inMin!: number
}

/** From the mould to bars, beside how thick they are. */
export class CutPlan {
  @NumberFrom(0, 72, 'Between unmoulding and cutting are 0 to 72 hours.')
  waitH!: number

  @NumberFrom(0, 30, 'From 0 to 30 mm are planed off each side, of a mould that tapers.')
  sideTrimMm!: number

  @NumberFrom(0, 30, 'From 0 to 30 mm are planed off the top.')
  topTrimMm!: number

  @NumberFrom(0, 40, 'A sample is a slice of 0 (none) to 40 mm.')
  sampleMm!: number
}

export const MAX_WEIGH_INS = 40
export const MAX_REST_STEPS = 8
export const MAX_REST_READINGS = 60

export class Rest {
  @IsIn(Object.keys(GEL_WISHES), { message: `What is wished for is one of: ${Object.keys(GEL_WISHES).join(', ')}.` })
  wish!: GelWish

  /** 'auto': by the mould's form and lining. */
  @IsIn(['auto', ...Object.keys(MOULD_WALLS)], {
    message: `A wall is auto, or one of: ${Object.keys(MOULD_WALLS).join(', ')}.`,
  })
  wall!: WallKind | 'auto'

  @IsIn(Object.keys(UNDERS), { message: `It stands on one of: ${Object.keys(UNDERS).join(', ')}.` })
  under!: UnderKind

  /** When the last pour was, or will be, by the clock of the workshop; empty: not known yet. */
  @Matches(/^(\d{4}-\d{2}-\d{2}T\d{2}:\d{2})?$/, {
    message: 'The last pour is a day and a time like 2026-03-02T14:30, or empty.',
  })
  pouredAt!: string

  /** Day for which cured bars are wanted; empty: none. */
  @Matches(/^(\d{4}-\d{2}-\d{2})?$/, { message: 'The day they are wanted for is like 2026-12-20, or empty.' })
  wantedOn!: string

  @Parts(() => RestStep, 1, MAX_REST_STEPS, `A rest has 1 to ${MAX_REST_STEPS} steps.`)
  steps!: RestStep[]

  /** Misted with alcohol against ash, at once and again after an hour or two. */
  @IsBoolean({ message: 'Whether the top is misted is true or false.' })
  mist!: boolean

  /** Null: as a usual oven cools. */
  @ValidateIf((rest: Rest) => rest.oven !== null)
  @Part(() => OvenCooling, 'The oven is null, or two readings and the minutes between them.')
  oven!: OvenCooling | null

  @Part(() => CutPlan, 'How it is taken out and cut is missing.')
  cut!: CutPlan

  @Parts(() => RestReading, 0, MAX_REST_READINGS, `A rest keeps at most ${MAX_REST_READINGS} readings.`)
  readings!: RestReading[]

  @Parts(() => WeighIn, 0, MAX_WEIGH_INS, `A batch keeps at most ${MAX_WEIGH_INS} weigh-ins.`)
  weighIns!: WeighIn[]
}

export const restStep = (change: Partial<RestStep> = {}): RestStep => ({
  ...{ atMin: 0, place: 'room', tempC: 50, holdMin: 0, cover: 'film', towels: 0, below: false },
  ...change,
})

export const startingRest = (): Rest => ({
  wish: 'any',
  wall: 'auto',
  under: 'wood',
  pouredAt: '',
  wantedOn: '',
  steps: [restStep()],
  mist: false,
  oven: null,
  cut: { waitH: 0, sideTrimMm: 0, topTrimMm: 0, sampleMm: 0 },
  readings: [],
  weighIns: [],
})
