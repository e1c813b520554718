import { Choice, Like, NumberFrom, Part, Parts, Text, Whole, started } from '../document/fields/index.ts'
import { PLACES, UNDER_KINDS, WALL_KINDS } from './surroundings.ts'
import type { Place, UnderKind, WallKind } from './surroundings.ts'

/** What a plan says of the time in the mould. Minutes from the last pour, °C. */

export const GEL_WISHES = {
  any: 'as it comes',
  full: 'gel fully',
  none: 'do not gel',
  cool: 'gel, but stay under [80 °C]',
} as const
export type GelWish = keyof typeof GEL_WISHES

/** How far a face had gelled, as it was seen at the cut; empty: not looked at. */
export const GELS_SEEN = {
  '': 'not looked at',
  none: 'none of it',
  part: 'the middle, with a ring',
  full: 'all of it',
} as const
export type GelSeen = keyof typeof GELS_SEEN

export const COVERS = { open: 'open to the air', film: 'under film', lid: 'under a lid' } as const
export type Cover = keyof typeof COVERS

export const MAX_ROOM_CHANGES = 6
const LONGEST_MIN = 4 * 24 * 60

/** Layers of towel on each side. */
export class Towels {
  @Whole(0, 6, 'On top lie 0 to 6 layers of towel.', { start: 0 })
  top!: number

  @Whole(0, 6, 'Round the sides are 0 to 6 layers of towel.', { start: 0 })
  sides!: number

  @Whole(0, 6, 'Below are 0 to 6 layers of towel.', { start: 0 })
  below!: number
}

export const RACK_AIRS = { boxed: 'in closed boxes', still: 'in the open room', moving: 'with a fan' } as const
export type RackAir = keyof typeof RACK_AIRS

/** From when on the mould stands where, wrapped in what. */
export class RestStep {
  @NumberFrom(0, LONGEST_MIN, 'A change is 0 to 96 hours after the pour.', { start: 0 })
  atMin!: number

  @Choice(Object.keys(PLACES), `The mould stands in one of these: ${Object.keys(PLACES).join(', ')}.`, {
    start: 'room',
  })
  place!: Place

  @NumberFrom(30, 90, 'An oven or mat is at [30 to 90 °C]; [45 to 60 °C] is usual.', {
    says: 'Of the oven when it is switched off or held, or of the mat.',
    start: 50,
  })
  tempC!: number

  @NumberFrom(0, 240, 'An oven is held, or a mat left on, for 0 to 240 minutes.', { start: 0 })
  holdMin!: number

  @Choice(Object.keys(COVERS), `The soap is one of: ${Object.keys(COVERS).join(', ')}.`, { start: 'film' })
  cover!: Cover

  @Part(() => Towels, 'How it is wrapped is missing.')
  towels!: Towels
}

/** The room from a time on, where it does not stay as it was at the pour. */
export class RoomChange {
  @NumberFrom(1, LONGEST_MIN, 'The room changes 1 minute to 96 hours after the pour.')
  atMin!: number

  @NumberFrom(0, 45, 'The room is from [0 to 45 °C].')
  tempC!: number
}

/** Moulds like this one, at its sides, poured at the same time. */
export class Beside {
  @Choice([0, 1, 2], 'No mould stands beside it, or one, or one on either side.', { start: 0 })
  count!: 0 | 1 | 2

  @NumberFrom(0, 500, 'Between moulds are 0 (touching) to [500 mm].', { start: 50 })
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
  @Choice(Object.keys(BOXES), `A box is one of: ${Object.keys(BOXES).join(', ')}.`, { start: 'cardboard' })
  kind!: BoxKind

  @NumberFrom(2, 1000, 'A box holds 2 to 1000 litres.', { start: 18 })
  litres!: number

  @Whole(1, 12, 'Moulds in the box are a whole number from 1 to 12.', { start: 1 })
  moulds!: number
}

/** Where bars cure. */
export class Rack {
  @NumberFrom(0, 40, 'A rack stands at [0 to 40 °C].', { start: 21 })
  tempC!: number

  @NumberFrom(0.1, 0.95, 'The air round the rack is 10 to 95 % humid; 40 to 60 % is usual.', { start: 0.5 })
  humidity!: number

  @Choice(Object.keys(RACK_AIRS), `Air on the rack is one of: ${Object.keys(RACK_AIRS).join(', ')}.`, {
    start: 'still',
  })
  air!: RackAir
}

export class RestReading {
  @NumberFrom(0, LONGEST_MIN, 'A reading is 0 to 96 hours after the pour.')
  atMin!: number

  @Choice(['core', 'side', 'top'], 'A reading is of the core, the side or the top.')
  at!: 'core' | 'side' | 'top'

  @NumberFrom(-20, 120, 'A reading is from [−20 to 120 °C].')
  tempC!: number
}

export const DOUBTS = { ask: 'ask', 'it-is-so': 'it is so', 'leave-out': 'leave it out' } as const
export type Doubt = keyof typeof DOUBTS

/** A bar on the scale while it cures. */
export class WeighIn {
  @NumberFrom(0, 730, 'A bar is weighed 0 to 730 days after the pour.')
  day!: number

  @NumberFrom(1, 60_000, 'What is weighed weighs [1 g] to [60 kg].')
  massG!: number

  @Like(/^[a-z]?$/, 'A bar is named by one small letter, or left empty.', {
    says: 'Which bar: the same letter is the same bar; empty: the first.',
  })
  bar!: string

  @Whole(1, 100, 'Bars weighed together are a whole number from 1 to 100.')
  count!: number

  @Choice(Object.keys(DOUBTS), `A doubtful weight is one of: ${Object.keys(DOUBTS).join(', ')}.`, {
    says: 'What the maker says of a weight that looks wrong.',
  })
  doubt!: Doubt
}

/** The maker's own oven, empty and switched off with its door shut: how far it falls in how long. */
export class OvenCooling {
  @NumberFrom(30, 150, 'The oven starts to cool from [30 to 150 °C].')
  fromC!: number

  @NumberFrom(20, 140, 'The oven cools to [20 to 140 °C], warmer than the room.')
  toC!: number

  @NumberFrom(5, 600, 'The oven is watched for 5 to 600 minutes.')
  inMin!: number
}

/** From the mould to bars, beside how thick they are. */
export class CutPlan {
  @NumberFrom(0, 72, 'Between unmoulding and cutting are 0 to 72 hours.', { start: 0 })
  waitH!: number

  @NumberFrom(0, 30, 'From [0 to 30 mm] are planed off each side, of a mould that tapers.', { start: 0 })
  sideTrimMm!: number

  @NumberFrom(0, 30, 'From [0 to 30 mm] are planed off the top.', { start: 0 })
  topTrimMm!: number

  @NumberFrom(0, 40, 'A sample is a slice of 0 (none) to [40 mm].', { start: 0 })
  sampleMm!: number
}

export const MAX_WEIGH_INS = 40
export const MAX_REST_STEPS = 8
export const MAX_REST_READINGS = 60

export class Rest {
  @Choice(Object.keys(GEL_WISHES), `What is wished for is one of: ${Object.keys(GEL_WISHES).join(', ')}.`, {
    start: 'any',
  })
  wish!: GelWish

  @Choice(['auto', ...WALL_KINDS], `A wall is auto, or one of: ${WALL_KINDS.join(', ')}.`, {
    says: "'auto': by the mould's form and lining.",
    start: 'auto',
  })
  wall!: WallKind | 'auto'

  @NumberFrom(1, 40, 'A wall is from [1 to 40 mm] thick.', {
    says: 'How thick the wall is; null: as usual for its kind.',
    orNull: true,
  })
  wallMm!: number | null

  @NumberFrom(25, 60, 'A mould is warmed to [25 to 60 °C].', {
    says: 'The mould is warmed before the pour; null: it is as warm as the room.',
    orNull: true,
  })
  preheatedC!: number | null

  @Part(() => Beside, 'What stands beside the mould is missing.')
  beside!: Beside

  @Parts(() => RoomChange, 0, MAX_ROOM_CHANGES, `The room changes at most ${MAX_ROOM_CHANGES} times.`, {
    elements: 'by-value',
  })
  room!: RoomChange[]

  @NumberFrom(0.1, 0.95, 'The air of the room is 10 to 95 % humid; 40 to 60 % is usual.', { start: 0.5 })
  humidity!: number

  @Part(() => RestBox, 'What the box is like is missing.')
  box!: RestBox

  @Part(() => Rack, 'Where bars cure is missing.')
  rack!: Rack

  @Choice(UNDER_KINDS, `It stands on one of: ${UNDER_KINDS.join(', ')}.`, { start: 'wood' })
  under!: UnderKind

  @Like(/^(\d{4}-\d{2}-\d{2}T\d{2}:\d{2})?$/, 'The last pour is a day and a time like 2026-03-02T14:30, or empty.', {
    says: 'When the last pour was, or will be, by the clock of the workshop; empty: not known yet.',
    start: '',
  })
  pouredAt!: string

  @Like(/^(\d{4}-\d{2}-\d{2})?$/, 'The day they are wanted for is like 2026-12-20, or empty.', {
    says: 'Day for which cured bars are wanted; empty: none.',
    start: '',
  })
  wantedOn!: string

  @Parts(() => RestStep, 1, MAX_REST_STEPS, `A rest has 1 to ${MAX_REST_STEPS} steps.`, { start: 1 })
  steps!: RestStep[]

  @Whole(0, 4, 'The top is misted 0 to 4 times.', {
    says: 'With alcohol against ash: at once, and each time that it has dried.',
    start: 0,
  })
  mists!: number

  @Text(0, 200, 'Why it is heated all the same has at most 200 letters.', {
    says: 'A way round: why it is forced to gel though it may overheat; empty: it is not.',
    start: '',
  })
  forced!: string

  @Part(() => OvenCooling, 'The oven is null, or two readings and the minutes between them.', {
    says: 'Null: as a usual oven cools.',
    orNull: true,
  })
  oven!: OvenCooling | null

  @Part(() => CutPlan, 'How it is taken out and cut is missing.')
  cut!: CutPlan

  @Parts(() => RestReading, 0, MAX_REST_READINGS, `A rest keeps at most ${MAX_REST_READINGS} readings.`, {
    elements: 'by-value',
  })
  readings!: RestReading[]

  @Choice(Object.keys(GELS_SEEN), `How far it gelled is empty, or one of: none, part, full.`, {
    says: 'How far it had gelled, as seen at the cut; empty: not looked at.',
    start: '',
  })
  gelSeen!: GelSeen

  @Parts(() => WeighIn, 0, MAX_WEIGH_INS, `A batch keeps at most ${MAX_WEIGH_INS} weigh-ins.`, { elements: 'by-value' })
  weighIns!: WeighIn[]
}

/** The same number of layers on top and round the sides, and so many below. */
export const towels = (round: number, below = 0): Towels => ({ top: round, sides: round, below })

export const restStep = (change: Partial<RestStep> = {}): RestStep => started(RestStep, change)
