import type { Trial, TrialNumber, TrialSample } from './document.ts'
import { kindOf } from './kinds.ts'
import { numberDifferences, readOf } from './measured.ts'
import type { NumberDifference } from './measured.ts'
import { MEASURES } from './measures.ts'
import type { MeasureName } from './measures.ts'

/** Numbers that were read of a trial, by what was read and by age. */

export interface NumbersRead {
  what: MeasureName
  /** Days after the pour, or minutes after the batter was divided; the other is 0. */
  days: number
  minutes: number
  /** Mean by sample, in the unit of what was read. */
  means: ReadonlyMap<string, number>
  /** Levels against the usual, each under the label of its first sample. */
  differences: NumberDifference[]
}

const SAME = { minutes: 0.5, dayShare: 0.25, days: 0.3 } as const

const isOneAge = (a: TrialNumber, b: TrialNumber): boolean =>
  a.minutes > 0 || b.minutes > 0
    ? Math.abs(a.minutes - b.minutes) <= SAME.minutes
    : Math.abs(a.days - b.days) <= SAME.days + SAME.dayShare * a.days

type OfMeasure = TrialNumber & { what: MeasureName }

function groupsOf(numbers: readonly OfMeasure[]): OfMeasure[][] {
  const groups: OfMeasure[][] = []
  for (const one of [...numbers].sort((a, b) => a.days - b.days || a.minutes - b.minutes)) {
    const group = groups.find(list => list[0]!.what === one.what && isOneAge(list[0]!, one))
    if (group) group.push(one)
    else groups.push([one])
  }
  return groups
}

/** What a level is told apart by: its place, or whether it is scented. */
const levelKey = ({ level, role }: TrialSample): string => `${role === 'nothing' ? '-' : (level ?? '')}`

function readAt(trial: Trial, group: readonly OfMeasure[]): NumbersRead {
  const { what, days, minutes } = group[0]!
  const samples = trial.samples.filter(({ struckOut }) => struckOut === '')
  const of = (label: string) => group.filter(({ sample }) => sample === label).map(({ value }) => value)
  const reads = (list: readonly TrialSample[]) =>
    list.flatMap(({ label }) => (of(label).length > 0 ? [readOf(what, label, of(label))] : []))
  const tests = samples.filter(({ role }) => role === 'test')
  const keys = [...new Set(tests.map(levelKey))]
  const { direction = 'any' } = trial.question
  return {
    what,
    days,
    minutes,
    means: new Map(
      samples.flatMap(({ label }) => {
        const values = of(label)
        return values.length > 0 ? [[label, values.reduce((a, b) => a + b, 0) / values.length] as const] : []
      }),
    ),
    differences: numberDifferences({
      measure: MEASURES[what],
      direction,
      blanks: reads(samples.filter(({ role }) => role === 'nothing')),
      levels: keys.map(key => {
        const alike = tests.filter(one => levelKey(one) === key)
        return { label: alike[0]!.label, samples: reads(alike) }
      }),
    }),
  }
}

/** All numbers of a trial, by what was read and by age. */
export const numbersRead = (trial: Trial): NumbersRead[] =>
  groupsOf((trial.numbers ?? []).filter((one): one is OfMeasure => one.what !== 'riced')).map(group =>
    readAt(trial, group),
  )

/** What may be said of something that was heard. */
export type ClaimTag = 'unproven' | 'so it is' | 'not so' | 'not told'

/** A claim stays unproven until a trial of one’s own answers it. @param words of its last differences */
export function claimTag({ question }: Trial, words: readonly NumberDifference['word'][]): ClaimTag {
  if (kindOf(question.kind).levels !== 'words' || words.length === 0) return 'unproven'
  if (words.some(word => word === 'different' || word === 'probably different')) return 'so it is'
  return words.every(word => word === 'the same' || word === 'too little to matter') ? 'not so' : 'not told'
}
