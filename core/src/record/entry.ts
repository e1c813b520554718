import { Choice, Like, NumberFrom, Text, Texts, Uuid, Whole } from '../document/fields/index.ts'

/** What can be noted of a batch after its pour. A landed kind keeps its meaning. */
export const ENTRY_KINDS = {
  unmoulded: 'out of the mould',
  cut: 'cut',
  placed: 'placed',
  turned: 'turned',
  sign: 'a sign',
  graded: 'graded',
  yield: 'weighed up',
  gone: 'gone',
  photo: 'a photograph',
  note: 'a note',
  next: 'for the next time',
  known: 'something known',
  cause: 'a cause said to be it, or not',
  undo: 'taken back',
} as const
export type EntryKind = keyof typeof ENTRY_KINDS

/** What a design aims at, each with a mark. */
export const QUALITIES = {
  layers: 'layers',
  swirl: 'swirl',
  colour: 'colour',
  scent: 'scent',
  hardness: 'hardness',
} as const
export type Quality = keyof typeof QUALITIES

/** Where the soap of a batch went, as it is weighed up. */
export const YIELD_PARTS = {
  bars: 'bars',
  ends: 'ends and trims',
  samples: 'samples',
  stuck: 'stuck to vessels',
  spilt: 'spilt or thrown away',
} as const
export type YieldPart = keyof typeof YIELD_PARTS

/** How bars left. */
export const GONE_WAYS = { sold: 'sold', given: 'given away', used: 'used', discarded: 'discarded' } as const
export type GoneWay = keyof typeof GONE_WAYS

/** What a maker says to a question or to a cause. */
export const ANSWERS = { yes: 'yes', probably: 'probably', no: 'no', unsaid: 'not said' } as const
export type Answer = keyof typeof ANSWERS

/** How a sign was tested. */
export const TESTED_BY = {
  eye: 'by eye',
  meter: 'with a meter',
  strip: 'with a strip',
  indicator: 'with the indicator',
} as const
export type TestedBy = keyof typeof TESTED_BY

const KEY = /^[a-z0-9][a-z0-9-]{0,49}:\d{1,9}$/
const MOST_BARS = 2000

/** Something that was seen or done with a batch after its pour: never changed, never removed; it is taken back by another. */
export class RecordEntry {
  @Like(KEY, 'An entry has a key of its device and a count.', { says: 'The same key twice is one entry.' })
  key!: string

  @Choice(Object.keys(ENTRY_KINDS), 'This kind of entry is not known.')
  kind!: EntryKind

  @Like(/^\d{4}-\d\d-\d\dT\d\d:\d\d$/, 'When it was is a day and a time.', {
    says: 'As the clock of the workshop showed it.',
  })
  on!: string

  @Like(/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(?:\.\d{1,6})?Z$/, 'When it was entered is an ISO time, in UTC.', {
    says: 'When it was entered.',
  })
  noted!: string

  @Text(0, 60, 'Who saw it is a name of at most 60 letters.', { optional: true })
  person?: string

  @Like(/^[a-z]-[a-z]{2,20}$/, 'A sign is named by its id.', { optional: true })
  sign?: string

  @Whole(0, 2, 'A grade is 0 (looked, not there), 1 (some) or 2 (strong).', { optional: true })
  grade?: number

  @Choice(Object.keys(TESTED_BY), 'A sign is tested by eye, meter, strip or indicator.', { optional: true })
  by?: TestedBy

  @Like(/^[a-zA-Z]{2,30}$/, 'What is known is named by its id.', { optional: true })
  fact?: string

  @Like(/^[a-z]{2,10}(?:-[a-z]{2,10}){0,3}$/, 'A cause is named by its id.', { optional: true })
  cause?: string

  @Choice(Object.keys(ANSWERS), 'An answer is yes, probably, no, or not said.', { optional: true })
  answer?: Answer

  @Choice(Object.keys(QUALITIES), 'What is graded is layers, swirl, colour, scent or hardness.', { optional: true })
  aim?: Quality

  @Whole(1, 5, 'A mark is from 1 (not at all) to 5 (as wished).', { optional: true })
  mark?: number

  @Choice(Object.keys(YIELD_PARTS), 'What is weighed up is bars, ends, samples, what stuck, or what was spilt.', {
    optional: true,
  })
  part?: YieldPart

  @Like(/^[a-z0-9][a-z0-9-]{0,39}$/, 'A vessel is named by its id on the shelf, or is the pot.', {
    optional: true,
    says: 'Of what stuck: the vessel on the shelf, or "pot".',
  })
  vessel?: string

  @NumberFrom(0, 200_000, 'A weight is from 0 to 200 kg.', { optional: true, says: 'g' })
  massG?: number

  @Whole(0, MOST_BARS, `A count of bars is from 0 to ${MOST_BARS}.`, { optional: true })
  count?: number

  @Choice(Object.keys(GONE_WAYS), 'Bars are sold, given away, used or discarded.', { optional: true })
  way?: GoneWay

  @Texts(20, 200, 'Bars are named by their numbers, at most 200 of them.', { optional: true })
  bars?: string[]

  @Texts(40, 30, 'Cups are named by their ids, at most 30 of them.', {
    optional: true,
    says: 'Of a sign: the cups whose soap has it.',
  })
  cups?: string[]

  @Uuid('A photograph is named by its id.', { optional: true })
  photo?: string

  @Text(0, 1000, 'A note has at most 1000 letters.', { optional: true })
  text?: string

  @Like(KEY, 'Another entry is named by its key.', { optional: true, says: 'The entry that is taken back.' })
  of?: string
}

/** Entries that a batch can have. */
export const MOST_ENTRIES = 2000
