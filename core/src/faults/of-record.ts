import type { RecordState } from '../record/index.ts'
import { reckon } from './diagnose.ts'
import { ORDINARY } from './facts.ts'
import type { Facts } from './facts.ts'
import { isKnownFact } from './known.ts'
import type { KnownFact } from './known.ts'
import type { Grade, Told } from './told.ts'
import { verdictOf } from './verdict.ts'
import type { Fitness } from './verdict.ts'

/** What a record says, for the reckoning. */

export const toldIn = ({ signs }: Pick<RecordState, 'signs'>): Told[] =>
  signs.flatMap(({ sign, grade, by, bars, cups }): Told[] =>
    sign === undefined || grade === undefined
      ? []
      : [{ sign, grade: grade as Grade, ...(by && { by }), ...(bars && { bars }), ...(cups && { cups }) }],
  )

export const knownIn = ({ known }: Pick<RecordState, 'known'>): Partial<Record<KnownFact, boolean>> =>
  Object.fromEntries(
    Object.entries(known).flatMap(([id, answer]) =>
      isKnownFact(id) && (answer === 'yes' || answer === 'no') ? [[id, answer === 'yes']] : [],
    ),
  )

/** Of anything that a plan may be, so that no sign is passed over. */
const ANY: Partial<Facts> = {
  colours: 2,
  cups: 2,
  layers: 2,
  scent: true,
  toppings: true,
  embeds: true,
  whiteG: 1,
  milkShare: 0.1,
}

/**
 * The class of a batch by its signs and answers alone, without its plan: for lists, and for what must not be called ready. With the plan it
 * may be heavier, never lighter than its rules.
 *
 * @param before what was noted at the bench; the record's own word on a sign goes before it
 */
export function fitnessBySigns(
  state: Pick<RecordState, 'signs' | 'known'>,
  days: number,
  before: readonly Told[] = [],
): Fitness {
  const told = [...before, ...toldIn(state)]
  const known = knownIn(state)
  if (told.length === 0 && Object.keys(known).length === 0) return 'fit'
  return verdictOf(reckon({ ...ORDINARY, ...ANY, ...known, days }, told)).class
}

/** Classes whose bars are kept apart. */
export const isHeld = (fitness: Fitness): boolean => fitness === 'hold' || fitness === 'test' || fitness === 'discard'
