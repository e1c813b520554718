import { readFileSync } from 'node:fs'
import { STANDARD_BASE, dayAfter, drawnUp, findById, mixed, pigmentOfColorant, readTrial } from '@ostler/core'
import type { Shelf, Trial, TrialQuestion } from '@ostler/core'

/** Trials of the made-up workshop: one read to its end, one that waits for its next look. */

const FINISHED_DAYS_AGO = 60
const WAITING_DAYS_AGO = 9
const BLUES = ['ultramarine-blue', 'mica-deep-blue', 'mica-teal', 'indigo-natural'] as const

/** The finished one, moved to so long before today. @throws Error when it cannot be read */
function finished(file: string, today: string): Trial {
  const read = readTrial(JSON.parse(readFileSync(file, 'utf8')))
  if (!read.ok) throw new Error(`The example ${file} is not a trial.`)
  const pouredOn = dayAfter(today, -FINISHED_DAYS_AGO)
  const readings = read.trial.readings.map(reading => ({
    ...reading,
    at: `${dayAfter(pouredOn, reading.days)}T10:00:00Z`,
  }))
  return { ...read.trial, pouredOn, readings }
}

/** Four blues beside nothing, seen as they were poured and on the second day: just as the shelf has them, a little warm. */
function waiting(shelf: Shelf, today: string): Trial {
  const items = BLUES.flatMap(id => findById(shelf.colorants, id) ?? [])
  const question: TrialQuestion = {
    ...{ kind: 'colours', asked: 'Which of our blues for the winter loaf?', blanks: 2, whiteGPerKg: 0, sampleG: 40 },
    levels: items.map(({ id, referenceDoseGPerKg }) => ({ colorant: id, gPerKg: referenceDoseGPerKg })),
    ...{ stepG: 0.01, matters: 2.5, way: 'photo', seed: 11 },
  }
  const samples = drawnUp(question)
  const pouredOn = dayAfter(today, -WAITING_DAYS_AGO)
  const { carotene, chlorophyll, brown, scatter } = STANDARD_BASE
  const readings = [0, 2].flatMap(days =>
    samples.map((sample, n) => {
      const item = findById(shelf.colorants, sample.colorant)
      const doses = item ? [{ pigment: pigmentOfColorant(item).pigment, gPerKg: sample.gPerKg }] : []
      return {
        ...{ id: `00000000-0000-4000-8000-0000000001${days}${n}`, sample: sample.label, days, way: 'photo' as const },
        ...{ at: `${dayAfter(pouredOn, days)}T10:00:00Z`, photo: `day-${days}`, faults: [], note: '' },
        hex: mixed({ ...STANDARD_BASE, brown: brown * (1 + n) }, doses, { days, gel: 0 }).hex,
      }
    }),
  )
  return {
    ...{ format: 'ostler-trial', version: 1, name: 'Blues beside each other', question, samples, pouredOn, readings },
    ...{ base: { carotene, chlorophyll, brown, scatter, gel: 0 }, takenOn: '' },
  }
}

/** @param file of the finished one @param today like "2026-12-01" */
export const demoTrials = (file: string, shelf: Shelf, today: string): Trial[] => [
  finished(file, today),
  waiting(shelf, today),
]
