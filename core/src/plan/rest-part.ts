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

export const MAX_ROOM_CHANGES = 6
const LONGEST_MIN = 4 * 24 * 60

/** Layers of towel on each side. */
export class Towels {
  @IsInt({ message: 'Towels lie in whole layers, 0 to 6 of them.' })
  @NumberFrom(0, 6, 'On top lie 0 to 6 layers of towel.')
  top!: number

  @IsInt({ message: 'Towels lie in whole layers, 0 to 6 of them.' })
  @NumberFrom(0, 6, 'Round the sides are 0 to 6 layers of towel.')
  sides!: number

  @IsInt({ message: 'Towels lie in whole layers, 0 to 6 of them.' })
  @NumberFrom(0, 6, 'Below are 0 to 6 layers of towel.')
  below!: number
}

export const RACK_AIRS = { boxed: 'in closed boxes', still: 'in the open room', moving: 'with a fan' } as const
export type RackAir = keyof typeof RACK_AIRS

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

  @Part(() => Towels, 'How it is wrapped is missing.')
  towels!: Towels
}

/** The room from a time on, where it does not stay as it was at the pour. */
export class RoomChange {
  @NumberFrom(1, LONGEST_MIN, 'The room changes 1 minute to 96 hours after the pour.')
  atMin!: number

  @NumberFrom(0, 45, 'The room is from 0 to 45 °C.')
  tempC!: number
}

/** Moulds like this one, at its sides, poured at the same time. */
export class Beside {
  @IsIn([0, 1, 2], { message: 'No mould stands beside it, or one, or one on either side.' })
  count!: 0 | 1 | 2

  @NumberFrom(0, 500, 'Between moulds are 0 (touching) to 500 mm.')
  gapMm!: number
}

export const BOXES = {
  cardboard: 'a cardboard box',
  foam: 'a foam box',
  cupboard: 'a cupboard',
} as const
export type BoxKind = keyof typeof BOXES

/** The box that it may stand in. */
export class RestBox {
  @IsIn(Object.keys(BOXES), { message: `A box is one of: ${Object.keys(BOXES).join(', ')}.` })
  kind!: BoxKind

  @NumberFrom(2, 1000, 'A box holds 2 to 1000 litres.')
  litres!: number

  @IsInt({ message: 'Moulds in the box are a whole number from 1 to 12.' })
  @NumberFrom(1, 12, 'Moulds in the box are a whole number from 1 to 12.')
  moulds!: number
}

/** Where bars cure. */
export class Rack {
  @NumberFrom(0, 40, 'A rack stands at 0 to 40 °C.')
  tempC!: number

  @NumberFrom(0.1, 0.95, 'The air round the rack is 10 to 95 % humid; 40 to 60 % is usual.')
  humidity!: number

  @IsIn(Object.keys(RACK_AIRS), { message: `Air on the rack is one of: ${Object.keys(RACK_AIRS).join(', ')}.` })
  air!: RackAir
}

export class RestReading {
  @NumberFrom(0, LONGEST_MIN, 'A reading is 0 to 96 hours after the pour.')
  atMin!: number

  @IsIn(['core', 'side', 'top'], { message: 'A reading is of the core, the side or the top.' })
  at!: 'core' | 'side' | 'top'

  @NumberFrom(-20, 120, 'A reading is from −20 to 120 °C.')
  tempC!: number
}

export const DOUBTS = { ask: 'ask', 'it-is-so': 'it is so', 'leave-out': 'leave it out' } as const
export type Doubt = keyof typeof DOUBTS

/** A bar on the scale while it cures. */
export class WeighIn {
  @NumberFrom(0, 730, 'A bar is weighed 0 to 730 days after the pour.')
  day!: number

  @NumberFrom(1, 60_000, 'What is weighed weighs 1 g to 60 kg.')
  massG!: number

  /** Which bar: the same letter is the same bar; empty: the first. */
  @Matches(/^[a-z]?$/, { message: 'A bar is named by one small letter, or left empty.' })
  bar!: string

  @IsInt({ message: 'Bars weighed together are a whole number from 1 to 100.' })
  @NumberFrom(1, 100, 'Bars weighed together are a whole number from 1 to 100.')
  count!: number

  /** What the maker says of a weight that looks wrong. */
  @IsIn(Object.keys(DOUBTS), { message: `A doubtful weight is one of: ${Object.keys(DOUBTS).join(', ')}.` })
  doubt!: Doubt
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

  /** How thick the wall is; null: as usual for its kind. */
  @ValidateIf((rest: Rest) => rest.wallMm !== null)
  @NumberFrom(1, 40, 'A wall is from 1 to 40 mm thick.')
  wallMm!: number | null

  /** The mould is warmed before the pour; null: it is as warm as the room. */
  @ValidateIf((rest: Rest) => rest.preheatedC !== null)
  @NumberFrom(25, 60, 'A mould is warmed to 25 to 60 °C.')
  preheatedC!: number | null

  @Part(() => Beside, 'What stands beside the mould is missing.')
  beside!: Beside

  @Parts(() => RoomChange, 0, MAX_ROOM_CHANGES, `The room changes at most ${MAX_ROOM_CHANGES} times.`)
  room!: RoomChange[]

  @NumberFrom(0.1, 0.95, 'The air of the room is 10 to 95 % humid; 40 to 60 % is usual.')
  humidity!: number

  @Part(() => RestBox, 'What the box is like is missing.')
  box!: RestBox

  @Part(() => Rack, 'Where bars cure is missing.')
  rack!: Rack

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

/** The same number of layers on top and round the sides, and so many below. */
export const towels = (round: number, below = 0): Towels => ({ top: round, sides: round, below })

export const restStep = (change: Partial<RestStep> = {}): RestStep => ({
  ...{ atMin: 0, place: 'room', tempC: 50, holdMin: 0, cover: 'film', towels: towels(0) },
  ...change,
})

export const startingRest = (): Rest => ({
  wish: 'any',
  wall: 'auto',
  wallMm: null,
  preheatedC: null,
  beside: { count: 0, gapMm: 50 },
  room: [],
  humidity: 0.5,
  box: { kind: 'cardboard', litres: 18, moulds: 1 },
  rack: { tempC: 21, humidity: 0.5, air: 'still' },
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
