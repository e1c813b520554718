import type { Shelf } from '../shelf/index.ts'
import { agesRead, colorantAnswers } from './answer.ts'
import type { AgeRead, ColorantAnswer } from './answer.ts'
import { measureOf } from './document.ts'
import type { Trial } from './document.ts'
import { foundSaid, shelfWithoutTrial } from './findings.ts'
import type { FoundSaid } from './findings.ts'
import { scatterTold } from './scatter.ts'
import type { PastScatter } from './scatter.ts'
import { claimTag, numbersRead } from './numbers-read.ts'
import type { ClaimTag, NumbersRead } from './numbers-read.ts'

/** All that a trial says by what was read so far. */
export interface TrialSays extends FoundSaid {
  ages: AgeRead[]
  colorants: ColorantAnswer[]
  numbers: NumbersRead[]
  tag: ClaimTag
  /** How far samples of this workshop lie apart against what is assumed, as a factor; null: too few repeats to say. */
  scatter: number | null
}

/** The last differences of what is asked: of a claim read by colour those of colour. */
function lastWords(trial: Trial, ages: readonly AgeRead[], numbers: readonly NumbersRead[]) {
  const measure = measureOf(trial.question)
  const last = measure === 'colour' ? ages.at(-1) : numbers.findLast(({ what }) => what === measure)
  return (last?.differences ?? []).map(({ word }) => word)
}

/**
 * @param batch that it was made as: what was seen in it is not counted twice
 * @param past what earlier trials said of the scatter of samples, by how they were read
 */
export function trialSays(
  trial: Trial,
  trialId: string,
  shelf: Shelf,
  batch: string | null,
  past: PastScatter = {},
): TrialSays {
  const { kind } = trial.question
  const ages = agesRead(trial, past)
  const numbers = numbersRead(trial)
  const isDose = kind === 'ladder' || kind === 'colours' || kind === 'grid'
  return {
    scatter: scatterTold(trial, past),
    ages,
    numbers,
    tag: claimTag(trial, lastWords(trial, ages, numbers)),
    colorants: isDose ? colorantAnswers(trial, trialId, shelf, past) : [],
    ...foundSaid(trial, shelfWithoutTrial(shelf, trialId, batch)),
  }
}

/** Whether the shelf can learn of it. */
export const canTeach = ({ colorants, browning, fading, speed, riced }: TrialSays): boolean =>
  colorants.length > 0 || browning !== null || fading.length > 0 || speed !== null || riced !== null
