import { Choice, Fixed, Like, NumberFrom, Parts, Text, Whole, problemsIn, tidied } from '../document/fields/index.ts'
import type { Problem } from '../document/fields/index.ts'
import { BenchEvent } from '../bench/index.ts'
import { MAX_PATH, PathPoint } from '../plan/index.ts'
import { LEVELS, SURPRISE_KEYS } from './surprises.ts'
import type { SurpriseKey } from './surprises.ts'

/** What is kept of a rehearsal. */

const NAME = /^[a-z0-9][a-z0-9:.-]{0,139}$/

/** Where a rehearsal begins. */
export const BEGINNINGS = { lye: 'with the lye clear and everything weighed', safety: 'with the safety list' } as const
export type Beginning = keyof typeof BEGINNINGS

/** A surprise that was chosen on purpose. */
export class ChosenSurprise {
  @Choice(SURPRISE_KEYS, 'A surprise is one of those in the list.')
  key!: SurpriseKey

  @NumberFrom(0, 1, 'How bad it is goes from 0 to 1.', { says: 'From the least to the most that it can be.' })
  size!: number
}

const MOST_CHOSEN = 8

export class RehearsalSetting {
  @Whole(0, 2_147_483_647, 'The number of a batter is a whole number from 0 to 2147483647.', {
    says: 'The same number is the same batter.',
  })
  seed!: number

  @Choice(Object.keys(LEVELS), 'Surprises are none, a few, or a bad day.')
  level!: keyof typeof LEVELS

  @Choice(Object.keys(BEGINNINGS), 'It begins with the safety list, or with lye that is clear.')
  begins!: Beginning

  @Parts(() => ChosenSurprise, 0, MOST_CHOSEN, `At most ${MOST_CHOSEN} surprises are chosen.`, {
    optional: true,
    says: 'Chosen on purpose; left out: drawn by the level.',
  })
  surprises?: ChosenSurprise[]
}

/** A tool as it was drawn by hand. */
export class Stroke {
  @Like(NAME, 'A tool’s move is named by its id.')
  move!: string

  @Parts(() => PathPoint, 1, MAX_PATH, `A path drawn by hand has 1 to ${MAX_PATH} points.`)
  path!: PathPoint[]
}

/** Something that was tried and that safety forbids. */
export class Slip {
  @NumberFrom(0, 100_000, 'A moment is a second of the rehearsal.')
  r!: number

  @Text(1, 500, 'What was refused has 1 to 500 letters.')
  text!: string
}

const MOST_EVENTS = 1500
const MOST_SLIPS = 200

export class RehearsalDone {
  @Fixed('ostler-rehearsal', 'The format is "ostler-rehearsal".')
  format!: 'ostler-rehearsal'

  @Fixed(1, 'The version is 1.')
  version!: 1

  @Parts(() => BenchEvent, 0, MOST_EVENTS, `A rehearsal has at most ${MOST_EVENTS} events.`)
  events!: BenchEvent[]

  @Parts(() => Stroke, 0, 60, 'At most 60 tools are drawn by hand.')
  strokes!: Stroke[]

  @Parts(() => Slip, 0, MOST_SLIPS, `At most ${MOST_SLIPS} slips are kept.`)
  slips!: Slip[]

  @Whole(0, 10_000, 'How often it was gone back is a whole number.', { says: 'How often it was gone back in it.' })
  backs!: number

  @NumberFrom(0, 100_000, 'The clock of a rehearsal shows seconds.', { says: 'What its clock showed last, s.' })
  clockS!: number
}

/** Nothing done yet. */
export const undone = (): RehearsalDone => ({
  ...{ format: 'ostler-rehearsal', version: 1, events: [], strokes: [], slips: [], backs: 0, clockS: 0 },
})

type Read<T> = { ok: true; value: T } | { ok: false; problems: Problem[] }

function read<T extends object>(form: new () => T, value: unknown): Read<T> {
  const problems = problemsIn(form, value)
  return problems.length > 0 ? { ok: false, problems } : { ok: true, value: tidied(form, value as T) }
}

export const readSetting = (value: unknown): Read<RehearsalSetting> => read(RehearsalSetting, value)
export const readDone = (value: unknown): Read<RehearsalDone> => read(RehearsalDone, value)
