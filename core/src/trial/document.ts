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
  problemsIn,
  tidied,
} from '../document/fields/index.ts'
import type { Problem } from '../document/fields/index.ts'
import { SWATCH_FAULTS } from '../shelf/index.ts'
import type { SwatchFault } from '../shelf/index.ts'
import { WAYS } from './noise.ts'
import type { ReadingWay } from './noise.ts'

/** A trial as it is kept: a question, its samples, and what was read of them. */

export const TRIAL_KINDS = {
  ladder: 'How much of one colorant',
  colours: 'Which of several colorants',
} as const
export type TrialKind = keyof typeof TRIAL_KINDS

/** Days after the pour on which samples are looked at. */
export const LOOK_DAYS: Readonly<Record<TrialKind, readonly number[]>> = {
  ladder: [2, 28, 42],
  colours: [0, 2, 14, 42],
}

/** What a sample is for. */
export const ROLES = {
  nothing: 'nothing in it',
  test: 'what is asked',
  repeat: 'the same once more',
  white: 'beside white',
  spare: 'to spare',
} as const
export type Role = keyof typeof ROLES

const LABEL = /^[A-Z][0-9]{1,2}$/
const HEX = /^#[0-9a-f]{6}$/
const INSTANT = /^\d{4}-(?:0[1-9]|1[0-2])-(?:0[1-9]|[12]\d|3[01])T\d\d:\d\d(?::\d\d(?:\.\d{1,3})?)?Z$/
const DAY = /^(?:\d{4}-(?:0[1-9]|1[0-2])-(?:0[1-9]|[12]\d|3[01]))?$/

/** One level of what is asked: a colorant with its dose. */
export class TrialLevel {
  @Id('A colorant is named by its id on the shelf.')
  colorant!: string

  @NumberFrom(0.01, 300, 'A dose is from 0.01 to 300 g per kg of batter.')
  gPerKg!: number
}

export const MAX_LEVELS = 8
export const MAX_SAMPLES = 12

export class TrialQuestion {
  @Choice(Object.keys(TRIAL_KINDS), 'A trial asks how much of one colorant, or which of several.')
  kind!: TrialKind

  @Text(0, 300, 'What is asked has at most 300 letters.')
  asked!: string

  @Parts(() => TrialLevel, 2, MAX_LEVELS, `2 to ${MAX_LEVELS} doses or colorants are compared.`)
  levels!: TrialLevel[]

  @Whole(2, 4, 'There are 2 to 4 samples with nothing in them.', { says: 'Samples with nothing in them.' })
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

  @Like(DAY, 'The day it was taken on is written like 2026-12-01, or left empty.', {
    says: 'When the shelf learned from it; empty: it has not.',
  })
  takenOn!: string
}

export type TrialRead = { ok: true; trial: Trial } | { ok: false; problems: Problem[] }

/** What no single field can know. */
function crossChecked({ samples, readings }: Trial): Problem[] {
  const labels = samples.map(({ label }) => label)
  const twin = labels.findIndex((label, i) => labels.indexOf(label) < i)
  return [
    ...(twin >= 0
      ? [{ path: `samples[${twin}].label`, value: labels[twin], sentence: 'Two samples have one label.' }]
      : []),
    ...readings.flatMap(({ sample }, i) =>
      labels.includes(sample)
        ? []
        : [
            {
              path: `readings[${i}].sample`,
              value: sample,
              sentence: 'This reading is of a sample that is not there.',
            },
          ],
    ),
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
