import { Choice, Id, Like, NumberFrom, Text, Whole } from '../document/fields/index.ts'

/** What a trial can find of a scent or a colorant beside its colour. */
export const FINDINGS = {
  rate: 'how it quickens the batter',
  ricing: 'whether it rices',
  depth: 'how deep it browns',
  pace: 'how soon it browns',
  held: 'what a stabiliser holds back',
  'fade-share': 'what light takes',
  'fade-pace': 'how soon light takes it',
} as const
export type FindingWhat = keyof typeof FINDINGS

export const MAX_FINDINGS = 40
/** As many oils as a recipe may have, each with its percent. */
const RECIPE_KEY = 800

/**
 * What one trial found, apart from what was expected before it: taken off the list nothing of it is left.
 *
 * `rate` is ln of the rate factor at the dose that was used; `depth` ln of how strongly its vanillin acts, `pace` ln of how soon,
 * `held` ln of the odds of being held back, each against the shelf's own; `fade-share` the share itself, `fade-pace` ln of days.
 */
export class Finding {
  @Id('A trial is named by small letters, digits and dashes.')
  trial!: string

  @Like(/^\d{4}-(?:0[1-9]|1[0-2])-(?:0[1-9]|[12]\d|3[01])$/, 'A date is written like 2027-05-31.')
  date!: string

  @Choice(Object.keys(FINDINGS), 'A trial finds one of the known things.')
  what!: FindingWhat

  @NumberFrom(-10, 10, 'What was found is from -10 to 10.')
  value!: number

  @NumberFrom(0, 10, 'Its spread is from 0 to 10.')
  sd!: number

  @NumberFrom(0, 3, 'The weight of its dose is from 0 to 3.', {
    says: 'Of a rate: what its dose makes of the rate at 3 % of oils.',
  })
  weight!: number

  @Text(0, RECIPE_KEY, `A recipe’s oils have at most ${RECIPE_KEY} letters.`, {
    says: 'Of a rate: oils of its batter, to the percent.',
  })
  recipe!: string

  @Whole(0, 40, 'Cups are 0 to 40.', { says: 'Of ricing: cups of the pot, and how many of them riced.' })
  cups!: number

  @Whole(0, 40, 'Cups that riced are 0 to 40.')
  riced!: number
}

/** Spread from one trial to the next of the same thing: lots, hands, weather. Engineering estimates. */
const BETWEEN: Readonly<Partial<Record<FindingWhat, number>>> = {
  depth: 0.15,
  pace: 0.15,
  held: 0.35,
  'fade-share': 0.05,
  'fade-pace': 0.15,
}

/** Spreads of what is not known before any trial, in the units of the findings. Engineering estimates. */
export const BEFORE_TRIALS = { depth: 0.5, pace: 0.4, held: 0.6, 'fade-share': 0.15, 'fade-pace': 0.6 } as const
export type FoundWhat = keyof typeof BEFORE_TRIALS

/**
 * What all trials together say of one thing, from what was expected before: means weighed by precision.
 *
 * @param expected of a share the shelf's own; of the others 0
 */
export function foundOf(
  findings: readonly Finding[] | undefined,
  what: FoundWhat,
  expected = 0,
): { mean: number; sd: number } {
  let precision = 1 / BEFORE_TRIALS[what] ** 2
  let sum = expected * precision
  for (const one of findings ?? []) {
    if (one.what !== what) continue
    const own = 1 / (one.sd ** 2 + (BETWEEN[what] ?? 0) ** 2)
    precision += own
    sum += own * one.value
  }
  return { mean: sum / precision, sd: Math.sqrt(1 / precision) }
}

/** What readings alone say: what is believed with what was expected divided out; null where they say nothing. */
export function apartFrom(
  expected: { mean: number; sd: number },
  believed: { mean: number; sd: number },
): { value: number; sd: number } | null {
  const precision = 1 / believed.sd ** 2 - 1 / expected.sd ** 2
  if (!(precision > 1e-3)) return null
  const value = (believed.mean / believed.sd ** 2 - expected.mean / expected.sd ** 2) / precision
  const most = 10
  return { value: Math.min(most, Math.max(-most, value)), sd: Math.min(most, Math.sqrt(1 / precision)) }
}
