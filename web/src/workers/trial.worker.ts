import { trialSays, worthOfTests } from '@ostler/core'
import type { PastScatter, Plan, Shelf, Trial, TrialSays, WorthTold } from '@ostler/core'
import { expose } from 'comlink'

/** What tests a plan would gain by, told from rough to fine; between steps it lets messages in. */
async function worth(plan: Plan, shelf: Shelf, told: (state: WorthTold) => void): Promise<void> {
  for (const state of worthOfTests(plan, shelf)) {
    told(state)
    await new Promise(resolve => setTimeout(resolve))
  }
}

/** What a trial answers: fits, and every pair of labels exchanged; and which trial is worth making. */
const worker = {
  worth,
  answer: (trial: Trial, id: string, shelf: Shelf, batch: string | null, past: PastScatter): TrialSays =>
    trialSays(trial, id, shelf, batch, past),
}
export type TrialWorker = typeof worker

expose(worker)
