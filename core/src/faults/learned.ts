import type { RecordState } from '../record/index.ts'
import type { Shifts } from './priors.ts'
import { CAUSES } from './tables.ts'
import { stageOf } from './told.ts'

/** What the causes that a workshop confirmed teach of the next batch: how often each was there against how often it was expected. */

/** A batch whose maker said what it was. */
export interface Lesson {
  batch: string
  name: string
  recipe: string
  scents: readonly string[]
  state: Pick<RecordState, 'signs' | 'causes'>
}

/** What a batch is about, as far as causes go. */
export interface LessonsOf {
  batch: string
  recipe: string
  scents: readonly string[]
}

export interface Learned {
  shifts: Shifts
  /** By cause: in how many batches that were gone through it was there, and was expected. */
  counts: Readonly<Record<string, { seen: number; expected: number; batches: number }>>
}

const COUNTS = { yes: 1, probably: 0.5, no: 0, unsaid: 0 } as const
/** So many batches as expected stand before anything was seen. */
const BEFORE = 4
const MOST_SHIFT = 1.6
/** Of causes that the forecast gives a chance, in an ordinary batch about so. */
const ORDINARY_CHANCE = 0.04
const LEAST_SAID = 0.05

interface Sum {
  seen: number
  expected: number
}

const shiftOf = ({ seen, expected }: Sum): number =>
  Math.max(-MOST_SHIFT, Math.min(MOST_SHIFT, Math.log((BEFORE + seen) / (BEFORE + expected))))

/** A batch counts once its cut was gone through, or something was said of a cause. */
const wasGoneThrough = ({ state }: Lesson): boolean =>
  Object.values(state.causes).some(answer => answer !== 'unsaid') ||
  state.signs.some(({ sign }) => sign !== undefined && stageOf(sign) === 'cut')

function sumOf(lessons: readonly Lesson[], cause: string, base: number, wider: number): Sum {
  return lessons.reduce<Sum>(
    ({ seen, expected }, { state }) => ({
      seen: seen + COUNTS[state.causes[cause] ?? 'unsaid'],
      expected: expected + base * Math.exp(wider),
    }),
    { seen: 0, expected: 0 },
  )
}

/**
 * Shifts of ln-odds for a batch, of the workshop, of batches with the same recipe, and of those with one of its scents; each scope counts
 * against what the wider one expects. The batch itself is left out, and nothing makes a cause that leaves lye over less likely.
 * Gamma-Poisson with a prior of four batches as expected.
 */
export function learnedFrom(lessons: readonly Lesson[], of: LessonsOf): Learned {
  const counting = lessons.filter(one => one.batch !== of.batch && wasGoneThrough(one))
  const same = counting.filter(one => one.recipe === of.recipe)
  const scented = counting.filter(one => one.scents.some(scent => of.scents.includes(scent)))
  const shifts: Record<string, number> = {}
  const counts: Record<string, Learned['counts'][string]> = {}
  for (const { id, group, base } of CAUSES) {
    const chance = base ?? ORDINARY_CHANCE
    const whole = sumOf(counting, id, chance, 0)
    const workshop = shiftOf(whole)
    const recipe = group === 'scent' ? 0 : shiftOf(sumOf(same, id, chance, workshop))
    const scent = group === 'scent' || group === 'pace' ? shiftOf(sumOf(scented, id, chance, workshop)) : 0
    const shift = workshop + recipe + scent
    const kept = group === 'lye' ? Math.max(0, shift) : shift
    if (Math.abs(kept) < LEAST_SAID) continue
    shifts[id] = kept
    counts[id] = { seen: whole.seen, expected: whole.expected, batches: counting.length }
  }
  return { shifts, counts }
}
