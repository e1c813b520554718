import { STANDARD_BASE } from '../look/colour/index.ts'
import { confounded } from './confounding.ts'
import type { Confounded } from './confounding.ts'
import { measureOf } from './document.ts'
import type { Trial, TrialQuestion, TrialSample } from './document.ts'
import { kindOf } from './kinds.ts'
import { leastNumberSeen } from './measured.ts'
import { MEASURES } from './measures.ts'
import type { MeasureName } from './measures.ts'
import { randomOf, shuffled } from './order.ts'
import { leastSeen, timesToSee } from './power.ts'
import { isAlike, samplesOf, valuesOf } from './samples.ts'
import { trialSize } from './size.ts'
import type { TrialSize } from './size.ts'
import { leftOver, weighingOf } from './weighing.ts'
import type { DoseWeighing } from './weighing.ts'

/** A trial drawn up from its question: which samples, in which order, how they are weighed, and what it will be able to show. */

const LETTERS = 'ABCDEFGHJKLMNPQRSTUVWXYZ'
/** Numbers of labels go on above the samples, so that none tells where it stands. */
const MORE_NUMBERS = 3

/**
 * Samples in the order in which they are drawn, under labels that are shuffled: their numbers tell nobody what is in a sample.
 */
export function drawnUp(question: TrialQuestion): TrialSample[] {
  const all = samplesOf(question)
  const random = randomOf(question.seed + 1)
  const letter = LETTERS[Math.floor(random() * LETTERS.length)]!
  const numbers = shuffled(all.length + MORE_NUMBERS, random).slice(0, all.length)
  return all.map((sample, i) => ({ label: `${letter}${numbers[i]! + 1}`, ...sample }))
}

/** A trial of a question, drawn up and not made yet. */
export function trialOf(name: string, question: TrialQuestion): Trial {
  const { carotene, chlorophyll, brown, scatter } = STANDARD_BASE
  return {
    format: 'ostler-trial',
    version: 1,
    name: name.trim(),
    question,
    samples: drawnUp(question),
    base: { carotene, chlorophyll, brown, scatter, gel: 0 },
    pouredOn: '',
    readings: [],
    takenOn: '',
  }
}

/** Scales of batter are coarser than those of powder. */
const BATTER_STEP_G = 0.1

export interface TrialOutlook {
  size: TrialSize
  /** By colorant: how its doses are weighed. */
  weighing: { colorant: string; how: DoseWeighing }[]
  /** What will be seen four times in five: of colour a difference in lightness, of a number one in its unit (a ratio: a factor), of a scent’s speed a factor on the rate. */
  wouldSee: number
  sees: 'lightness' | 'pace' | MeasureName
  /** How often each sample has to be made to see what matters; null: no number. */
  timesNeeded: number | null
  /** Whether the order goes with what is asked. */
  order: Confounded
}

type Power = Pick<TrialOutlook, 'wouldSee' | 'sees' | 'timesNeeded'>

const MOST_TIMES = 6

/** The least number of makings from which on a trial sees what matters. */
function timesUntil(sees: (times: number) => boolean): number | null {
  for (let times = 1; times <= MOST_TIMES; times += 1) if (sees(times)) return times
  return null
}

/** What a pair leaves of a scent of which nothing is known, ln of the rate; with more pairs less. */
const PAIR_SD = 0.2
const SURE_OF_PACE = 2.49
const PACE_MATTERS = 0.15

function powerOf(question: TrialQuestion, samples: readonly TrialSample[]): Power {
  const { way, matters, times = 1, direction = 'any' } = question
  const measure = measureOf(question)
  const blanks = Math.max(1, samples.filter(({ role }) => role === 'nothing').length)
  const tests = samples.filter(({ role }) => role === 'test')
  if (question.kind === 'speed') {
    const ln = (pairs: number): number => (SURE_OF_PACE * PAIR_SD) / Math.sqrt(pairs)
    return { sees: 'pace', wouldSee: Math.exp(ln(times)), timesNeeded: timesUntil(pairs => ln(pairs) <= PACE_MATTERS) }
  }
  if (measure === 'colour') {
    const compared = tests.filter((one, i) => tests.findIndex(other => isAlike(one, other)) === i).length
    const known = direction === 'any' ? ('any' as const) : ('known' as const)
    const design = { way, photos: 1, samples: Math.max(1, compared), direction: known, blanks }
    return { sees: 'lightness', wouldSee: leastSeen({ ...design, times }), timesNeeded: timesToSee(matters, design) }
  }
  const least = (n: number): number =>
    leastNumberSeen(measure, { levels: question.levels.length, times: n, blanks, direction })
  const { isRatio, matters: enough } = MEASURES[measure]
  return {
    sees: measure,
    wouldSee: least(times),
    timesNeeded: timesUntil(n => (isRatio ? least(n) - 1 : least(n)) <= enough),
  }
}

/** Fewer than this have no order that no drift could look like. */
const ORDERED_FROM = 4

/** Whether what is asked goes with the order of drawing; told where it has a size, or is many enough to be put in an order. */
function orderOf(question: TrialQuestion, samples: readonly TrialSample[]): Confounded {
  const { levels, ownBatters } = kindOf(question.kind)
  const asked = samples.filter(({ role }) => role === 'test' || role === 'repeat')
  const isSized = levels === 'doses' || levels === 'ratios' || question.levels.length >= ORDERED_FROM
  if (ownBatters || !isSized || asked.length < ORDERED_FROM) return { share: 0, verdict: 'clean', most: '' }
  const values = valuesOf(question)
  const levelOf = ({ colorant, gPerKg, level }: TrialSample): number =>
    values[level ?? question.levels.findIndex(one => one.colorant === colorant && one.gPerKg === gPerKg)] ?? 0
  return confounded({ name: 'level', values: asked.map(levelOf) }, [{ name: 'order', values: asked.map((_, i) => i) }])
}

/** What a trial needs and will be able to show, before anything is made. */
export function trialOutlook({ question, samples }: Pick<Trial, 'question' | 'samples'>): TrialOutlook {
  const { sampleG, stepG } = question
  const inUse = samples.filter(({ role }) => role !== 'spare')
  const weighing = [...new Set(inUse.map(({ colorant }) => colorant).filter(id => id !== ''))].map(colorant => {
    const doses = inUse.filter(one => one.colorant === colorant).map(({ gPerKg }) => gPerKg)
    return { colorant, how: weighingOf(doses, sampleG, { stepG, batterStepG: Math.max(stepG, BATTER_STEP_G) }) }
  })
  return {
    size: trialSize(
      inUse.length,
      sampleG,
      weighing.reduce((sum, { how }) => sum + leftOver(how), 0),
    ),
    weighing,
    ...powerOf(question, inUse),
    order: orderOf(question, inUse),
  }
}
