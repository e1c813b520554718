import type { MeasureName } from './measures.ts'

/** Questions that a trial can ask. */

export interface KindOfTrial {
  /** The question as it stands in lists. */
  says: string
  group: 'colour' | 'scent' | 'working'
  /** Days after the pour on which samples are looked at. */
  days: readonly number[]
  sampleG: number
  /** What is compared: colorants or doses, stabiliser, numbers with a unit, or ways in words. */
  levels: 'doses' | 'colorants' | 'ratios' | 'numbers' | 'words' | 'none'
  /** How few and how many of them. */
  least: number
  most: number
  /** Whether a scent is what it is about, or part of it. */
  isScented: boolean
  /** What can be read: colour, and numbers. */
  reads: readonly ('colour' | MeasureName)[]
  /** Each level is a batter of its own: what varies is in its oils, its lye or its water. */
  ownBatters: boolean
  /** Said before it is drawn up. */
  mind: string
}

const COLOUR = { reads: ['colour'], ownBatters: false } as const

export const KINDS = {
  ladder: {
    ...{ says: 'How much of one colorant', group: 'colour', days: [2, 28, 42], sampleG: 40, ...COLOUR },
    ...{ levels: 'doses', least: 2, most: 8, isScented: false },
    mind: '',
  },
  colours: {
    ...{ says: 'Which of several colorants', group: 'colour', days: [0, 2, 14, 42], sampleG: 40, ...COLOUR },
    ...{ levels: 'colorants', least: 2, most: 8, isScented: false },
    mind: '',
  },
  grid: {
    ...{ says: 'A grid of two: doses, without and with white', group: 'colour', days: [2, 28, 42], sampleG: 40 },
    ...{ ...COLOUR, levels: 'doses', least: 2, most: 4, isScented: false },
    mind: 'Two things vary at once, on purpose: every dose is made without white and with it.',
  },
  whites: {
    ...{
      says: 'Which white against a browning scent',
      group: 'scent',
      days: [0.25, 1, 7, 21, 45],
      sampleG: 50,
      ...COLOUR,
    },
    ...{ levels: 'colorants', least: 1, most: 4, isScented: true },
    mind: 'Nothing in it shows what plain soap is; the scent alone shows what is to be covered; the white alone, what it does by itself.',
  },
  stabiliser: {
    ...{ says: 'How much vanilla stabiliser', group: 'scent', days: [7, 21, 42], sampleG: 50, ...COLOUR },
    ...{ levels: 'ratios', least: 1, most: 4, isScented: true },
    mind: 'How much is allowed and how it is used, the supplier’s document says.',
  },
  browning: {
    ...{ says: 'How a scent browns', group: 'scent', days: [0.25, 3, 14, 42], sampleG: 50, ...COLOUR },
    ...{ levels: 'none', least: 0, most: 0, isScented: true },
    mind: '',
  },
  speed: {
    ...{ says: 'How a scent quickens the batter', group: 'scent', days: [0], sampleG: 130 },
    ...{ levels: 'none', least: 0, most: 0, isScented: true, reads: ['level'], ownBatters: false },
    mind: 'A plain cup of the same pot beside the scented one tells as much as seven scented cups alone: same mass, same cup, same stirring.',
  },
  fading: {
    ...{ says: 'What light takes of a colour', group: 'colour', days: [21, 45, 90], sampleG: 40, ...COLOUR },
    ...{ levels: 'colorants', least: 1, most: 4, isScented: false },
    mind: 'Of each two samples one lies in the window, its twin in a dark drawer of the same room.',
  },
  gel: {
    ...{ says: 'Kept warm against left cool', group: 'working', days: [1, 7, 42], sampleG: 250, ...COLOUR },
    ...{ levels: 'words', least: 1, most: 3, isScented: false },
    mind: 'Samples this small lose their warmth: below 250 g hardly any gels. A thermometer in one of them tells.',
  },
  blending: {
    ...{ says: 'How long, or with what, to blend', group: 'working', days: [0, 2], sampleG: 150 },
    ...{ levels: 'words', least: 1, most: 5, isScented: false, reads: ['edge', 'level', 'points'], ownBatters: false },
    mind: 'All are of one pot: what is poured later has stood longer too. Pour the usual one in the middle.',
  },
  water: {
    ...{ says: 'How strong the lye', group: 'working', days: [1, 7, 28], sampleG: 150 },
    ...{ levels: 'numbers', least: 1, most: 3, isScented: false, reads: ['ash', 'level', 'shrink'], ownBatters: true },
    mind: 'Each strength is a batch of its own, with its own lye.',
  },
  superfat: {
    ...{ says: 'How much superfat', group: 'working', days: [28, 56], sampleG: 100 },
    ...{ levels: 'numbers', least: 1, most: 3, isScented: false, reads: ['feel', 'lather', 'depth'], ownBatters: true },
    mind: 'Each superfat is a batch of its own, with its own lye. Two people at least feel them, not knowing which is which.',
  },
  hardener: {
    ...{ says: 'How much of an additive in the pot', group: 'working', days: [1, 2, 7, 28], sampleG: 100 },
    ...{ levels: 'numbers', least: 1, most: 3, isScented: false, reads: ['depth', 'hours', 'level'], ownBatters: true },
    mind: 'Each amount is a batch of its own, with its own lye.',
  },
  claim: {
    ...{ says: 'Something that was heard', group: 'working', days: [0, 2, 28], sampleG: 60 },
    ...{ levels: 'words', least: 1, most: 4, isScented: false, ownBatters: false },
    reads: ['points', 'level', 'depth', 'hours', 'ash', 'edge', 'shrink', 'feel', 'lather', 'colour'],
    mind: 'Until a trial of your own it stays unproven.',
  },
} as const satisfies Readonly<Record<string, KindOfTrial>>
export type TrialKind = keyof typeof KINDS

export const kindOf = (kind: TrialKind): KindOfTrial => KINDS[kind]

/** What the numbers of a kind are, as they are typed and kept. */
export const NUMBERS = {
  water: { says: 'lye in its solution', unit: '%', from: 20, to: 45, usual: 33 },
  superfat: { says: 'superfat', unit: '%', from: 0, to: 20, usual: 5 },
  hardener: { says: 'of the additive', unit: 'g per kg of oils', from: 0.5, to: 100, usual: 20 },
} as const
