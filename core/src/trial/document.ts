import {
  Choice,
  Choices,
  Fixed,
  Id,
  Like,
  NumberFrom,
  Part,
  Parts,
  Text,
  Uuid,
  Whole,
  YesNo,
  problemsIn,
  tidied,
} from '../document/fields/index.ts'
import type { Problem } from '../document/fields/index.ts'
import { SWATCH_FAULTS } from '../shelf/index.ts'
import type { SwatchFault } from '../shelf/index.ts'
import { Recipe } from '../recipe/index.ts'
import { KINDS, kindOf } from './kinds.ts'
import type { TrialKind } from './kinds.ts'
import { MEASURES } from './measures.ts'
import type { MeasureName } from './measures.ts'
import { WAYS } from './noise.ts'
import type { ReadingWay } from './noise.ts'

/** A trial as it is kept: a question, its samples, and what was read of them. */

/** What a sample is for. */
export const ROLES = {
  nothing: 'nothing in it',
  test: 'what is asked',
  repeat: 'the same once more',
  white: 'beside white',
  suspect: 'the scent alone',
  cure: 'the cure alone',
  dark: 'its twin in the dark',
  spare: 'to spare',
} as const
export type Role = keyof typeof ROLES

const LABEL = /^[A-Z][0-9]{1,2}$/
const HEX = /^#[0-9a-f]{6}$/
const INSTANT = /^\d{4}-(?:0[1-9]|1[0-2])-(?:0[1-9]|[12]\d|3[01])T\d\d:\d\d(?::\d\d(?:\.\d{1,3})?)?Z$/
const DAY = /^(?:\d{4}-(?:0[1-9]|1[0-2])-(?:0[1-9]|[12]\d|3[01]))?$/

/** One level of what is asked: a colorant with its dose, a number, or a way of working in words. */
export class TrialLevel {
  @Id('A colorant is named by its id on the shelf.', { orEmpty: true })
  colorant!: string

  @NumberFrom(0, 300, 'A dose is from 0.01 to 300 g per kg of batter.')
  gPerKg!: number

  @NumberFrom(0, 100, 'What is compared is a number from 0 to 100.', {
    optional: true,
    says: 'g of stabiliser for a g of scent; % of lye in its solution; % of superfat; g of an additive per kg of oils.',
  })
  amount?: number

  @NumberFrom(0, 50, 'White beside it is from 0 to 50 g per kg of batter.', { optional: true })
  whiteGPerKg?: number

  @Text(0, 60, 'What is done otherwise has at most 60 letters.', { optional: true })
  way?: string
}

export const MAX_LEVELS = 8
export const MAX_SAMPLES = 12

export class TrialQuestion {
  @Choice(Object.keys(KINDS), 'A trial asks one of the known questions.')
  kind!: TrialKind

  @Text(0, 300, 'What is asked has at most 300 letters.')
  asked!: string

  @Parts(() => TrialLevel, 0, MAX_LEVELS, `At most ${MAX_LEVELS} doses, colorants or ways are compared.`)
  levels!: TrialLevel[]

  @Id('A scent is named by its id on the shelf.', { orEmpty: true, optional: true })
  scent?: string

  @NumberFrom(0.001, 0.2, 'A scent is from 0.1 to 20 % of the oils.', { optional: true, says: 'Share of the oils.' })
  load?: number

  @Id('An additive is named by its id on the shelf.', { orEmpty: true, optional: true })
  additive?: string

  @Choice(['colour', ...Object.keys(MEASURES)], 'What is read is colour, or one of the known numbers.', {
    optional: true,
    says: 'Left out: colour, of a scent’s speed trace.',
  })
  measure?: 'colour' | MeasureName

  @Choice(['up', 'down', 'any'], 'What is expected goes up, down, or any way.', {
    optional: true,
    says: 'Said before the first reading; left out: any way.',
  })
  direction?: 'up' | 'down' | 'any'

  @Whole(1, 6, 'Each is made 1 to 6 times.', { optional: true, says: 'How often each is made; left out: once.' })
  times?: number

  @Whole(1, 4, 'There are 1 to 4 samples with nothing in them.', { says: 'Samples with nothing in them.' })
  blanks!: number

  @NumberFrom(0, 50, 'White beside the middle dose is from 0 to 50 g per kg; 0: no such sample.', {
    says: 'Titanium white beside the middle dose, g/kg: it tells how much the colorant covers. 0: no such sample.',
  })
  whiteGPerKg!: number

  @NumberFrom(15, 300, 'A sample is from [15 to 300 g].')
  sampleG!: number

  @NumberFrom(0.01, 5, 'The scale for powders shows steps from [0.01 to 5 g].')
  stepG!: number

  @NumberFrom(0.5, 20, 'A difference matters from a ΔE of 0.5 to 20 on.', { says: 'ΔE below which nobody minds.' })
  matters!: number

  @Choice(Object.keys(WAYS), 'Colours are read from a photograph, by eye, or with a meter.')
  way!: ReadingWay

  @Whole(0, 2_147_483_647, 'The number of its order is a whole number.', { says: 'The same number is the same order.' })
  seed!: number
}

/** What is read of its samples: as it says, or as is usual for its kind. */
export const measureOf = ({ kind, measure }: TrialQuestion): 'colour' | MeasureName => measure ?? kindOf(kind).reads[0]!

export class TrialSample {
  @Like(LABEL, 'A sample is labelled by a letter and a number.')
  label!: string

  @Choice(Object.keys(ROLES), 'A sample has nothing in it, is what is asked, a repeat, beside white, or to spare.')
  role!: Role

  @Id('A colorant is named by its id on the shelf.', { orEmpty: true })
  colorant!: string

  @NumberFrom(0, 300, 'A dose is from 0 to 300 g per kg of batter.')
  gPerKg!: number

  @NumberFrom(0, 50, 'White beside it is from 0 to 50 g per kg of batter.')
  whiteGPerKg!: number

  @YesNo('Scented is yes or no.', { optional: true })
  scented?: boolean

  @NumberFrom(0, 3, 'A stabiliser is from 0 to 3 g for a g of scent.', { optional: true })
  stabiliserRatio?: number

  @Whole(0, MAX_LEVELS - 1, 'A sample shows one of the levels.', {
    optional: true,
    says: 'Which of the levels it shows, from 0; left out: by its colorant and dose, or none.',
  })
  level?: number

  @Text(0, 200, 'Why it is struck out has at most 200 letters.', { says: 'Why it does not count; empty: it counts.' })
  struckOut!: string
}

export class TrialReading {
  @Uuid('A reading has an id of its own.')
  id!: string

  @Like(LABEL, 'A reading names its sample by label.')
  sample!: string

  @Like(INSTANT, 'When it was read is an instant like 2026-12-01T10:00:00Z.')
  at!: string

  @NumberFrom(0, 3650, 'Its age is from 0 to 3650 days.')
  days!: number

  @Choice(Object.keys(WAYS), 'Colours are read from a photograph, by eye, or with a meter.')
  way!: ReadingWay

  @Like(/^[a-z0-9-]{1,60}$/, 'All readings of one photograph, or one look, share its name.')
  photo!: string

  @Like(HEX, 'A colour is written like #3e8f82, in small letters.')
  hex!: string

  @Choices(Object.keys(SWATCH_FAULTS), 5, 'Faults are a list.')
  faults!: SwatchFault[]

  @Text(0, 200, 'A note has at most 200 letters.')
  note!: string
}

/** A number read of a sample. */
export class TrialNumber {
  @Uuid('A reading has an id of its own.')
  id!: string

  @Like(LABEL, 'A reading names its sample by label.')
  sample!: string

  @Like(INSTANT, 'When it was read is an instant like 2026-12-01T10:00:00Z.')
  at!: string

  @NumberFrom(0, 3650, 'Its age is from 0 to 3650 days.')
  days!: number

  @NumberFrom(0, 600, 'Minutes after the batter was divided are from 0 to 600.', {
    says: 'Minutes after the batter was divided; 0: it is an age in days.',
  })
  minutes!: number

  @Choice([...Object.keys(MEASURES), 'riced'], 'What is read is one of the known numbers.')
  what!: MeasureName | 'riced'

  @NumberFrom(0, 10_000, 'What was read is a number from 0 to 10000.', { says: 'Of “riced” 1 yes, 0 no.' })
  value!: number

  @Text(0, 40, 'Who read it has at most 40 letters.', {
    says: 'Who read it; “drip”: a drip was timed.',
  })
  by!: string
}

/** The batter that its samples were made of, as its pace needs it. */
export class TrialBatter {
  @Part(() => Recipe, 'The recipe is missing.')
  recipe!: Recipe

  @NumberFrom(15, 80, 'Lye and oils come to 15 to 80 °C.')
  mixC!: number

  @NumberFrom(0, 45, 'The room is from 0 to 45 °C.')
  roomC!: number

  @NumberFrom(0.5, 4, 'Blending stops at a trace of 0.5 to 4.')
  stopLevel!: number
}

/** What plain soap of this batter looks like, as the colour model has it. */
export class TrialBase {
  @NumberFrom(0, 10, 'The base’s yellow is from 0 to 10.')
  carotene!: number
  @NumberFrom(0, 5, 'The base’s green is from 0 to 5.')
  chlorophyll!: number
  @NumberFrom(0, 3, 'The base’s brown is from 0 to 3.')
  brown!: number
  @NumberFrom(0.3, 1.5, 'The base’s opacity is from 0.3 to 1.5.')
  scatter!: number
  @NumberFrom(0, 1, 'Gel is from 0 (not gelled) to 100 % (fully).')
  gel!: number
}

export const MOST_READINGS = 400

export class Trial {
  @Fixed('ostler-trial', 'The format is "ostler-trial".')
  format!: 'ostler-trial'

  @Fixed(1, 'The version is 1.')
  version!: 1

  @Text(1, 80, 'A trial’s name has 1 to 80 letters.')
  name!: string

  @Part(() => TrialQuestion, 'What is asked is missing.')
  question!: TrialQuestion

  @Parts(() => TrialSample, 0, MAX_SAMPLES, `A trial has at most ${MAX_SAMPLES} samples.`, {
    says: 'In the order in which they are drawn; none: it is not drawn up yet.',
  })
  samples!: TrialSample[]

  @Part(() => TrialBase, 'What its plain soap looks like is missing.')
  base!: TrialBase

  @Like(DAY, 'The day it was poured is written like 2026-12-01, or left empty.')
  pouredOn!: string

  @Parts(() => TrialReading, 0, MOST_READINGS, `A trial has at most ${MOST_READINGS} readings.`)
  readings!: TrialReading[]

  @Parts(() => TrialNumber, 0, MOST_READINGS, `A trial has at most ${MOST_READINGS} numbers.`, { optional: true })
  numbers?: TrialNumber[]

  @Part(() => TrialBatter, 'Its batter is missing.', { optional: true, says: 'Kept as it is made as a batch.' })
  batter?: TrialBatter

  @Like(DAY, 'The day it was taken on is written like 2026-12-01, or left empty.', {
    says: 'When the shelf learned from it; empty: it has not.',
  })
  takenOn!: string
}

/** How a trial’s swatches and findings are named on the shelf. */
export const prefixOf = (trialId: string): string => `trial-${trialId.slice(0, 8)}`

export type TrialRead = { ok: true; trial: Trial } | { ok: false; problems: Problem[] }

interface Told {
  path: string
  value: unknown
  sentence: string
}

/** What a question of its kind needs. */
function ofQuestion({ kind, levels, scent, load, additive, whiteGPerKg }: TrialQuestion): Told[] {
  const { least, most, isScented, levels: of } = kindOf(kind)
  const told = (at: string, value: unknown, sentence: string): Told => ({ path: `question.${at}`, value, sentence })
  if (levels.length < least || levels.length > most)
    return [
      told(
        'levels',
        levels.length,
        most === 0 ? 'This question compares nothing but the scent.' : `${least} to ${most} are compared.`,
      ),
    ]
  if (isScented && (!scent || !load))
    return [told('scent', scent, 'The scent that it is about, with its share of the oils, is missing.')]
  if (kind === 'grid' && whiteGPerKg <= 0)
    return [told('whiteGPerKg', whiteGPerKg, 'How much white is beside it is missing.')]
  if (kind === 'hardener' && !additive) return [told('additive', additive, 'The additive that it is about is missing.')]
  return levels.flatMap((level, i): Told[] => {
    const at = (name: string, sentence: string) => [told(`levels[${i}].${name}`, undefined, sentence)]
    if ((of === 'doses' || of === 'colorants') && level.colorant === '')
      return at('colorant', 'The colorant is missing.')
    if ((of === 'doses' || of === 'colorants') && level.gPerKg < 0.01)
      return at('gPerKg', 'A dose is from 0.01 g per kg on.')
    if ((of === 'ratios' || of === 'numbers') && !((level.amount ?? 0) > 0) && kind !== 'superfat')
      return at('amount', 'How much is missing.')
    if (of === 'words' && (level.way ?? '').trim() === '') return at('way', 'What is done otherwise is missing.')
    return []
  })
}

/** What no single field can know. */
function crossChecked({ question, samples, readings, numbers = [] }: Trial): Told[] {
  const labels = samples.map(({ label }) => label)
  const twin = labels.findIndex((label, i) => labels.indexOf(label) < i)
  const ofNobody = (list: 'readings' | 'numbers', all: readonly { sample: string }[]): Told[] =>
    all.flatMap(({ sample }, i) =>
      labels.includes(sample)
        ? []
        : [{ path: `${list}[${i}].sample`, value: sample, sentence: 'This reading is of a sample that is not there.' }],
    )
  return [
    ...ofQuestion(question),
    ...(twin >= 0
      ? [{ path: `samples[${twin}].label`, value: labels[twin], sentence: 'Two samples have one label.' }]
      : []),
    ...ofNobody('readings', readings),
    ...ofNobody('numbers', numbers),
  ]
}

/** A trial out of a file or an answer, with what is wrong with it. */
export function readTrial(value: unknown): TrialRead {
  const problems = problemsIn(Trial, value)
  if (problems.length > 0) return { ok: false, problems }
  const trial = tidied(Trial, value as Trial)
  const more = crossChecked(trial)
  return more.length > 0 ? { ok: false, problems: more } : { ok: true, trial }
}
