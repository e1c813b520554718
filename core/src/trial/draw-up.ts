import { confounded } from './confounding.ts'
import type { Confounded } from './confounding.ts'
import type { Trial, TrialQuestion, TrialSample } from './document.ts'
import { drawingOrder, randomOf, shuffled } from './order.ts'
import { leastSeen, timesToSee } from './power.ts'
import { trialSize } from './size.ts'
import type { TrialSize } from './size.ts'
import { leftOver, weighingOf } from './weighing.ts'
import type { DoseWeighing } from './weighing.ts'

/** A trial drawn up from its question: which samples, in which order, how they are weighed, and what it will be able to show. */

const LETTERS = 'ABCDEFGHJKLMNPQRSTUVWXYZ'
/** Numbers of labels go on above the samples, so that none tells where it stands. */
const MORE_NUMBERS = 3

/** Levels of the question as places among their values: doses by their size, colorants as they are named. */
const valuesOf = ({ kind, levels }: TrialQuestion): number[] =>
  kind === 'ladder' ? levels.map(({ gPerKg }) => gPerKg) : levels.map((_, i) => i)

type Unlabelled = Omit<TrialSample, 'label'>

const nothing: Unlabelled = { role: 'nothing', colorant: '', gPerKg: 0, whiteGPerKg: 0, struckOut: '' }

/**
 * Samples in the order in which they are drawn: blanks first, never again after a tool was in colour; then what is asked, its middle one at
 * both ends; beside white last. Labels are shuffled: their numbers tell nobody what is in a sample.
 */
export function drawnUp(question: TrialQuestion): TrialSample[] {
  const { levels, blanks, whiteGPerKg, seed } = question
  const values = valuesOf(question)
  const order = drawingOrder(values, seed)
  const coloured = order.map((i, place): Unlabelled => {
    const isAgain = order.indexOf(i) < place
    return { role: isAgain ? 'repeat' : 'test', ...levels[i]!, whiteGPerKg: 0, struckOut: '' }
  })
  const middle = levels[order[0]!]!
  const white: Unlabelled[] = whiteGPerKg > 0 ? [{ role: 'white', ...middle, whiteGPerKg, struckOut: '' }] : []
  const all = [...Array.from({ length: blanks }, () => nothing), ...coloured, ...white]
  const random = randomOf(seed + 1)
  const letter = LETTERS[Math.floor(random() * LETTERS.length)]!
  const numbers = shuffled(all.length + MORE_NUMBERS, random).slice(0, all.length)
  return all.map((sample, i) => ({ label: `${letter}${numbers[i]! + 1}`, ...sample }))
}

/** Scales of batter are coarser than those of powder. */
const BATTER_STEP_G = 0.1

export interface TrialOutlook {
  size: TrialSize
  /** By colorant: how its doses are weighed. */
  weighing: { colorant: string; how: DoseWeighing }[]
  /** A difference in lightness that will be seen four times in five, and how often each sample has to be made to see what matters; null: no number. */
  wouldSee: number
  timesNeeded: number | null
  /** Whether the order goes with what is asked. */
  order: Confounded
}

/** What a trial needs and will be able to show, before anything is made. */
export function trialOutlook({ question, samples }: Pick<Trial, 'question' | 'samples'>): TrialOutlook {
  const { sampleG, stepG, way, matters } = question
  const inUse = samples.filter(({ role }) => role !== 'spare')
  const weighing = [...new Set(inUse.map(({ colorant }) => colorant).filter(id => id !== ''))].map(colorant => {
    const doses = inUse.filter(one => one.colorant === colorant).map(({ gPerKg }) => gPerKg)
    return { colorant, how: weighingOf(doses, sampleG, { stepG, batterStepG: Math.max(stepG, BATTER_STEP_G) }) }
  })
  const tests = inUse.filter(({ role }) => role === 'test')
  const design = {
    ...{ way, photos: 1, samples: Math.max(1, tests.length), direction: 'any' as const },
    blanks: Math.max(1, inUse.filter(({ role }) => role === 'nothing').length),
  }
  const coloured = inUse.filter(({ role }) => role === 'test' || role === 'repeat')
  const values = valuesOf(question)
  const levelOf = ({ colorant, gPerKg }: TrialSample) =>
    values[question.levels.findIndex(level => level.colorant === colorant && level.gPerKg === gPerKg)] ?? 0
  return {
    size: trialSize(
      inUse.length,
      sampleG,
      weighing.reduce((sum, { how }) => sum + leftOver(how), 0),
    ),
    weighing,
    wouldSee: leastSeen({ ...design, times: 1 }),
    timesNeeded: timesToSee(matters, design),
    order: confounded({ name: 'level', values: coloured.map(levelOf) }, [
      { name: 'order', values: coloured.map((_, i) => i) },
    ]),
  }
}
