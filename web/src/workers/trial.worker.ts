import { agesRead, colorantAnswers } from '@ostler/core'
import type { AgeRead, ColorantAnswer, Shelf, Trial } from '@ostler/core'
import { expose } from 'comlink'

/** What a trial answers: fits, and every pair of labels exchanged. */
const worker = {
  answer: (trial: Trial, id: string, shelf: Shelf): { ages: AgeRead[]; colorants: ColorantAnswer[] } => ({
    ages: agesRead(trial),
    colorants: colorantAnswers(trial, id, shelf),
  }),
}
export type TrialWorker = typeof worker

expose(worker)
