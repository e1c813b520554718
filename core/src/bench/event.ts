import { Choice, Fixed, Like, NumberFrom, Part, Parts, Text, Uuid } from '../document/fields/index.ts'
import { Plan } from '../plan/index.ts'

/** What can be noted of a batch while it is made. A landed kind keeps its meaning. */
export const EVENT_KINDS = {
  open: 'the run began',
  tick: 'ticked',
  weighed: 'weighed',
  'lye-mixed': 'lye into the water',
  'lye-clear': 'how clear the lye is',
  temp: 'a temperature',
  'lye-in': 'lye into the oils',
  'blend-on': 'blender on',
  'blend-off': 'blender off',
  seen: 'trace that was seen',
  hold: 'hold test',
  scent: 'scent in',
  drawn: 'batter drawn into a cup',
  left: 'what a cup holds',
  colour: 'colour in',
  'pour-start': 'a pour begun',
  poured: 'poured',
  tool: 'a tool used',
  wait: 'waiting on purpose',
  away: 'away from the bench',
  back: 'back at the bench',
  wrong: 'something went wrong',
  stir: 'stirred',
  burst: 'thickened with the blender',
  'plan-b': 'plan B',
  waive: 'gone on in spite of a warning',
  note: 'a note',
  correct: 'a correction',
  undo: 'taken back',
  close: 'the run ended',
  outcome: 'what came of it',
} as const
export type EventKind = keyof typeof EVENT_KINDS

/** Where an amount came from. */
export const EVENT_SOURCES = {
  hand: 'entered by hand',
  scale: 'from the scale',
  probe: 'from the thermometer',
  simulated: 'from a simulated instrument',
  voice: 'spoken',
} as const
export type EventSource = keyof typeof EVENT_SOURCES

/** What has a temperature of its own on the bench. */
export const BODIES = { lye: 'the lye', oils: 'the oils', pot: 'the pot', room: 'the room' } as const
export type Body = keyof typeof BODIES

/** How a kind is said more closely; a kind that is not named here takes none, or what the step list says. */
export const HOW = {
  'lye-clear': { yes: 'clear', grain: 'grains left', crust: 'a crust' },
  'blend-on': { stick: 'stick blender', whisk: 'whisk', hand: 'by hand' },
  seen: { word: 'by eye', drip: 'by how long a drip stays' },
  hold: { holds: 'holds', breaks: 'breaks', 'not-sure': 'not sure' },
  'plan-b': { take: 'taken', back: 'back to plan A' },
  close: { moulded: 'in the mould', 'given-up': 'given up' },
  outcome: { 'as-planned': 'as planned', otherwise: 'otherwise' },
  wrong: {
    ricing: 'ricing',
    lumps: 'lumps',
    split: 'separating',
    'too-thick': 'too thick',
    'too-thin': 'too thin',
    spill: 'a spill',
    'broke-vessel': 'a vessel broke',
    scorch: 'scorched',
    seized: 'seized',
    'false-trace': 'false trace',
    weeping: 'scent weeping out',
    'wrong-weight': 'a wrong weight',
    'no-additive': 'an additive forgotten',
    'no-colour': 'a colour forgotten',
    'too-little': 'too little batter',
    'too-much': 'too much batter',
    overflow: 'the mould ran over',
    leaks: 'the mould leaked',
    overheating: 'overheated in the mould',
    putty: 'set like putty',
    'no-scent': 'scent forgotten',
    'broke-through': 'a layer broken through',
    'no-tool': 'a tool missing',
    other: 'something else',
  },
} as const

const KEY = /^[a-z0-9][a-z0-9-]{0,49}:\d{1,9}$/
const NAME = /^[a-z0-9][a-z0-9:.-]{0,139}$/
const DAY_S = 86_400
/** What is made ready may wait long for its day. */
const FURTHEST_S = 400 * DAY_S

/** What a correction lays over an earlier event; what is left out stays. */
export class EventChange {
  @NumberFrom(-DAY_S, FURTHEST_S, 'A moment is from the day before the run on.', { optional: true })
  r?: number

  @NumberFrom(-50, 200_000, 'An amount is a number of grams, °C, seconds or levels of trace.', { optional: true })
  amount?: number

  @Like(NAME, 'A cup is named by its id.', { optional: true })
  cup?: string

  @Like(NAME, 'A pour is named by its id.', { optional: true })
  pour?: string

  @Like(NAME, 'How it was done is a short name.', { optional: true })
  how?: string
}

/** Something that happened on the bench: never changed, never removed. Times in s from the start of the run. */
export class BenchEvent {
  @Like(KEY, 'An event has a key of its device and a count.', { says: 'The same key twice is one event.' })
  key!: string

  @Choice(Object.keys(EVENT_KINDS), 'This kind of event is not known.')
  kind!: EventKind

  @NumberFrom(-DAY_S, FURTHEST_S, 'A moment is from the day before the run on.', { says: 'When it happened, s.' })
  r!: number

  @NumberFrom(0, FURTHEST_S, 'It is noted at a moment of the run.', { says: 'When it was entered, s.' })
  noted!: number

  @Like(
    /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(?:\.\d{1,6})?(?:Z|[+-]\d\d:\d\d)$/,
    'The clock of the device is an ISO time.',
    {
      says: 'What its clock showed; never reckoned with.',
    },
  )
  at!: string

  @Choice(Object.keys(EVENT_SOURCES), 'An amount comes from the hand, a scale, a thermometer or a voice.')
  source!: EventSource

  @Like(NAME, 'A cup is named by its id.', { optional: true })
  cup?: string

  @Like(NAME, 'A pour is named by its id.', { optional: true })
  pour?: string

  @Like(NAME, 'A tool’s move is named by its id.', { optional: true })
  move?: string

  @Choice(Object.keys(BODIES), 'A temperature is of the lye, the oils, the pot or the room.', { optional: true })
  body?: Body

  @Like(NAME, 'What was weighed or ticked is named by its key.', { optional: true })
  item?: string

  @NumberFrom(-50, 200_000, 'An amount is a number of grams, °C, seconds or levels of trace.', {
    optional: true,
    says: 'g, °C, s or a level of trace, by the kind; of an outcome the chance that was said of it, %.',
  })
  amount?: number

  @Text(0, 40, 'What was typed has at most 40 letters.', { optional: true, says: 'What was typed, as it was typed.' })
  raw?: string

  @Like(NAME, 'How it was done is a short name.', { optional: true })
  how?: string

  @Like(KEY, 'Another event is named by its key.', {
    optional: true,
    says: 'The event that is taken back or corrected.',
  })
  of?: string

  @Part(() => EventChange, 'A correction says what it lays over.', { optional: true })
  set?: EventChange

  @Text(0, 500, 'A note has at most 500 letters.', { optional: true })
  text?: string

  @Text(0, 60, 'Whose hands is a name of at most 60 letters.', { optional: true })
  person?: string
}

/** Goes up whenever the form of a run document changes. */
export const RUN_VERSION = 1
export const MOST_EVENTS = 20_000

/** A run as a file: the plan that it followed, frozen, and all that was noted. */
export class BenchRun {
  @Fixed('ostler-run', 'The format is "ostler-run".')
  format!: 'ostler-run'

  @Fixed(RUN_VERSION, `The version is ${RUN_VERSION}.`)
  version!: typeof RUN_VERSION

  @Uuid('A run has an id of its own.')
  id!: string

  @Like(/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(?:\.\d{1,6})?Z$/, 'A run has begun at an ISO time, in UTC.')
  openedAt!: string

  @Part(() => Plan, 'The plan that it followed is missing.')
  plan!: Plan

  @Parts(() => BenchEvent, 0, MOST_EVENTS, `A run has at most ${MOST_EVENTS} events.`)
  events!: BenchEvent[]
}
