import {
  Choice,
  Fixed,
  Like,
  NumberFrom,
  Part,
  Parts,
  Text,
  Texts,
  Whole,
  YesNo,
  problemsIn,
  tidied,
} from '../document/fields/index.ts'
import type { Problem } from '../document/fields/index.ts'
import { BenchEvent, settle } from '../bench/index.ts'
import { MAX_PATH, PathPoint } from '../plan/index.ts'
import { LEVELS } from './strikes.ts'
import { RUN_MOMENTS, SURPRISE_KEYS } from './surprises.ts'
import type { Strikes, SurpriseKey } from './surprises.ts'

/** What is kept of a rehearsal. */

const NAME = /^[a-z0-9][a-z0-9:.-]{0,139}$/

/** Where a rehearsal begins. */
export const BEGINNINGS = { lye: 'with the lye clear and everything weighed', safety: 'with the safety list' } as const
export type Beginning = keyof typeof BEGINNINGS

/** When something comes: so long after a moment of the run. */
export class Moment {
  @Choice(Object.keys(RUN_MOMENTS), 'What is waited for is one of the moments in the list.')
  after!: Strikes

  @NumberFrom(0, 3600, 'It comes 0 to 3600 seconds after it.', { says: 'Seconds after it.' })
  s!: number
}

/** A surprise that was chosen on purpose. */
export class ChosenSurprise {
  @Choice(SURPRISE_KEYS, 'A surprise is one of those in the list.')
  key!: SurpriseKey

  @NumberFrom(0, 1, 'How bad it is goes from 0 to 1.', { says: 'From the least to the most that it can be.' })
  size!: number

  @Part(() => Moment, 'When it comes is a moment of the run.', { optional: true, says: 'Left out: by itself.' })
  at?: Moment

  @Text(1, 300, 'What is said as it strikes has 1 to 300 letters.', { optional: true })
  tell?: string
}

const MOST_CHOSEN = 8
const MOST_QUESTIONS = 12

/** A question that the clock waits for. */
export class AskedQuestion {
  @Part(() => Moment, 'When it is asked is missing.')
  at!: Moment

  @Text(1, 300, 'A question has 1 to 300 letters.')
  ask!: string

  @Texts(120, 4, 'A question has 2 to 4 answers of 1 to 120 letters.')
  answers!: string[]

  @Whole(0, 3, 'The right answer is one of those given.', { says: 'Which of the answers is right, from 0.' })
  right!: number
}

/** What is held back or kept as it is, for all who rehearse it. */
export class Locks {
  @Choice([1, 2, 4, 10, 30], 'The clock runs at most 1, 2, 4, 10 or 30 times as quickly.', { optional: true })
  speed?: 1 | 2 | 4 | 10 | 30

  @YesNo('Whether advice is given is yes or no.', { optional: true })
  noAdvice?: boolean

  @YesNo('Whether it can be gone back is yes or no.', { optional: true })
  noBack?: boolean
}

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

  @Choice([1, 2], 'Surprises are drawn among the first or the second lot.', {
    optional: true,
    says: 'Those among which a level draws; left out: the first, which were all there were.',
  })
  deck?: 1 | 2

  @Parts(() => AskedQuestion, 0, MOST_QUESTIONS, `At most ${MOST_QUESTIONS} questions are asked.`, { optional: true })
  questions?: AskedQuestion[]

  @Part(() => Locks, 'What is held back is missing.', { optional: true })
  locks?: Locks
}

/** A weight that was noted as another than it was. */
export class ReallyWeighed {
  @Like(NAME, 'What was noted has the key of its event.')
  key!: string

  @NumberFrom(0, 100_000, 'What was really weighed goes from 0 g to 100 kg.')
  amount!: number
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

  @Parts(() => ReallyWeighed, 0, 60, 'At most 60 weights are other than they were noted.', { optional: true })
  really?: ReallyWeighed[]

  @NumberFrom(0, 100_000, 'The clock of a rehearsal shows seconds.', { says: 'What its clock showed last, s.' })
  clockS!: number
}

/** Nothing done yet. */
export const undone = (): RehearsalDone => ({
  format: 'ostler-rehearsal',
  version: 1,
  events: [],
  strokes: [],
  slips: [],
  backs: 0,
  clockS: 0,
})

type Read<T> = { ok: true; value: T } | { ok: false; problems: Problem[] }

function read<T extends object>(form: new () => T, value: unknown): Read<T> {
  const problems = problemsIn(form, value)
  return problems.length > 0 ? { ok: false, problems } : { ok: true, value: tidied(form, value as T) }
}

/** Questions that have no two answers, or whose right one is not among them. */
function unanswerable({ questions = [] }: RehearsalSetting): Problem[] {
  return questions.flatMap(({ answers, right }, n) =>
    answers.filter(answer => answer.trim() !== '').length < 2 || !answers[right]?.trim()
      ? [
          {
            path: `questions.${n}.answers`,
            sentence: 'A question has 2 to 4 answers, and one of them is right.',
            value: answers,
          },
        ]
      : [],
  )
}

export function readSetting(value: unknown): Read<RehearsalSetting> {
  const setting = read(RehearsalSetting, value)
  const problems = setting.ok ? unanswerable(setting.value) : []
  return problems.length > 0 ? { ok: false, problems } : setting
}

const answerText = ({ ask }: AskedQuestion, answer: string): string => `Asked: ${ask} – ${answer}`

/** What is noted of an answer. */
export const answersWith = (question: AskedQuestion, answer: string): { kind: 'note'; text: string } => ({
  kind: 'note',
  text: answerText(question, answer),
})

/** What was answered to each question; null: it was not asked, or not answered. */
export function answersIn({ questions = [] }: RehearsalSetting, events: readonly BenchEvent[]): (string | null)[] {
  const notes = new Set(settle(events).flatMap(({ kind, text }) => (kind === 'note' ? (text ?? '') : [])))
  return questions.map(one => one.answers.find(answer => notes.has(answerText(one, answer))) ?? null)
}

/** How many were answered rightly, of how many; null: none are asked. */
export function answeredIn(
  setting: RehearsalSetting,
  events: readonly BenchEvent[],
): { right: number; of: number } | null {
  const { questions = [] } = setting
  const answers = answersIn(setting, events)
  const right = questions.filter((one, n) => answers[n] !== null && answers[n] === one.answers[one.right]).length
  return questions.length > 0 ? { right, of: questions.length } : null
}

export const readDone = (value: unknown): Read<RehearsalDone> => read(RehearsalDone, value)
