import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { forecast } from '../forecast/index.ts'
import { deltaE, labOfHex } from '../look/colour/index.ts'
import { colourOfSwatch } from '../look/index.ts'
import { plainOil, readPlan, starterPlan } from '../plan/index.ts'
import { referenceShelf } from '../shelf/index.ts'
import { agesRead, colorantAnswers, dueLooks, takenBack, takenOn } from './answer.ts'
import { MAX_SAMPLES, readTrial } from './document.ts'
import type { Trial, TrialQuestion } from './document.ts'
import { drawnUp, trialOutlook } from './draw-up.ts'
import { planOfTrial } from './plan-of-trial.ts'

const shelf = referenceShelf()
const ID = '8f0e3c52-1111-4000-8000-000000000000'
const text = readFileSync(new URL('../../../trials/green-doses.json', import.meta.url), 'utf8')
const read = readTrial(JSON.parse(text))
if (!read.ok) throw new Error('green-doses')
const { trial } = read
const green = shelf.colorants.find(({ id }) => id === 'hydrated-green')!

describe('a trial drawn up', () => {
  const { question } = trial

  test('draws blanks first and white last, each dose once and the middle one twice, under labels that tell nothing', () => {
    for (let seed = 0; seed < 40; seed += 1) {
      const samples = drawnUp({ ...question, seed })
      expect(drawnUp({ ...question, seed })).toEqual(samples)
      expect(samples.map(({ role }) => role).join(' ')).toBe('nothing nothing test test test test test repeat white')
      expect(new Set(samples.map(({ label }) => label)).size).toBe(samples.length)
      const doses = samples.filter(({ role }) => role === 'test').map(({ gPerKg }) => gPerKg)
      expect([...doses].sort((a, b) => a - b)).toEqual(question.levels.map(({ gPerKg }) => gPerKg))
      expect([samples[2]!.gPerKg, samples[7]!.gPerKg, samples[8]!.gPerKg]).toEqual([1.4, 1.4, 1.4])
      expect(trialOutlook({ question, samples }).order.share).toBeLessThan(0.1)
    }
  })

  test('becomes a batch of which every sample is a cup and a cavity, of equal mass, and the batter adds up', () => {
    const plan = readPlan(JSON.parse(JSON.stringify(planOfTrial(trial, shelf, starterPlan('Usual')))))
    if (!plan.ok) throw new Error('no plan')
    const made = forecast(plan.plan, shelf)
    if (!made.ok) throw new Error('no forecast')
    const { cups, potG } = made.forecast.portions
    expect(plan.plan.cups.map(({ name }) => name)).toEqual(trial.samples.map(({ label }) => label))
    for (const cup of cups) expect(Math.abs(cup.batterG - trial.question.sampleG)).toBeLessThan(2)
    const filled = cups.reduce((sum, cup) => sum + cup.batterG, 0)
    expect(potG).toBeGreaterThan(filled)
    // Every dose is there, each as the scale shows it.
    const powder = (label: string) =>
      cups[trial.samples.findIndex(one => one.label === label)]!.colours.reduce((sum, one) => sum + one.powderG, 0)
    const deepest = trial.samples.reduce((a, b) => (b.gPerKg > a.gPerKg ? b : a))
    expect(powder(deepest.label)).toBeCloseTo(0.24, 2)
    expect(powder(trial.samples[0]!.label)).toBe(0)
  })

  test('is weighed with no more lye than its oils take, by arithmetic of its own', () => {
    const [NAOH, KOH] = [39.997, 56.105]
    const recipes = [starterPlan('Usual').recipe, { ...starterPlan('One').recipe, oils: [plainOil('olive', 1)] }]
    fc.assert(
      fc.property(fc.integer({ min: 15, max: 300 }), fc.constantFrom(...recipes), (sampleG, recipe) => {
        const question = { ...trial.question, sampleG }
        const plan = planOfTrial({ ...trial, question }, shelf, { ...starterPlan('x'), recipe })
        const made = forecast(plan, shelf)
        if (!made.ok) return false
        const { oils, lyeG } = made.forecast.portions
        const taken = oils.reduce((sum, { oil, massG }) => {
          const { sapKohMgPerG } = shelf.oils.find(({ id }) => id === oil)!
          return sum + (massG * sapKohMgPerG * NAOH) / (1000 * KOH)
        }, 0)
        const needG = (taken * (1 - recipe.superfatShare)) / recipe.lyePurityShare
        // Rounded down on a scale of 0.01 g; oils in whole grams leave a little superfat more.
        return lyeG <= needG + 1e-9 && lyeG >= 0.985 * needG - 0.02
      }),
      { numRuns: 60 },
    )
  })

  test('has no more samples than a batch has cups where its question keeps to that', () => {
    const most: TrialQuestion = { ...question, levels: question.levels.slice(0, 5), blanks: 4, whiteGPerKg: 4 }
    expect(drawnUp(most).length).toBeLessThanOrEqual(MAX_SAMPLES)
  })
})

describe('what a trial answers', () => {
  const [answer] = colorantAnswers(trial, ID, shelf)

  test('are differences at each age, and a curve nearer to the truth than the shelf was', () => {
    const ages = agesRead(trial)
    expect(ages.map(({ days }) => days)).toEqual([2, 28, 42])
    for (const age of ages) expect(age.differences.every(({ word }) => word === 'different')).toBe(true)
    // Made up with bands moved by 0.35, 0.15 and 0.4.
    const truth = [0.35, 0.15, 0.4, 0.1]
    answer!.curve.p.forEach((value, i) => expect(Math.abs(value - truth[i]!)).toBeLessThan(2.5 * answer!.curve.sd[i]!))
    expect(answer!.exchanged).toBeNull()
    expect(answer!.curve.odd).toEqual([])
    expect(answer!.deltaE).toBeGreaterThan(1)
    // The more of it, the darker; by the trial darker than the shelf had it.
    const { points } = answer!
    points.slice(1).forEach((point, i) => expect(point.afterL).toBeLessThan(points[i]!.afterL))
    expect(points.every(({ afterL, beforeL, sdL }) => afterL < beforeL && sdL > 0)).toBe(true)
  })

  test('are taken on as swatches that the shelf then forecasts by, and taken back without a trace', () => {
    const on = takenOn(trial, ID, green, '2026-12-01')
    expect(on.swatches).toHaveLength(trial.samples.length - 2)
    const miss = (of: typeof green, swatches: typeof on.swatches) =>
      swatches.reduce((sum, swatch) => sum + deltaE(colourOfSwatch(of, swatch).lab, labOfHex(swatch.hex)), 0)
    expect(miss(on, on.swatches)).toBeLessThan(0.6 * miss(green, on.swatches))
    expect(takenOn(trial, ID, on, '2026-12-01')).toEqual(on)
    expect(takenBack(ID, on)).toEqual(green)
    // With its swatches on the shelf it answers as before.
    const learned = { ...shelf, colorants: shelf.colorants.map(one => (one.id === on.id ? on : one)) }
    expect(colorantAnswers(trial, ID, learned)).toEqual([answer])
  })

  test('leave out what was struck out, and say nothing without blanks', () => {
    const strike = (label: string): Trial => ({
      ...trial,
      samples: trial.samples.map(one => (one.label === label ? { ...one, struckOut: 'spilt' } : one)),
    })
    const gone = trial.samples[4]!.label
    expect(agesRead(strike(gone))[0]!.differences.map(({ label }) => label)).not.toContain(gone)
    const blanks = new Set(trial.samples.slice(0, 2).map(({ label }) => label))
    const without = { ...trial, readings: trial.readings.filter(({ sample }) => !blanks.has(sample)) }
    expect(agesRead(without).every(({ differences }) => differences.length === 0)).toBe(true)
    expect(colorantAnswers({ ...trial, readings: [] }, ID, shelf)).toEqual([])
  })

  test('are looked for on their days', () => {
    const only = { ...trial, readings: trial.readings.filter(({ days }) => days < 40) }
    expect(dueLooks(only)).toEqual([
      { days: 2, on: '2026-09-03', isDone: true, isPast: false },
      { days: 28, on: '2026-09-29', isDone: true, isPast: false },
      { days: 42, on: '2026-10-13', isDone: false, isPast: false },
    ])
    const late = { ...only, readings: only.readings.filter(({ days }) => days > 20) }
    expect(dueLooks(late)[0]).toMatchObject({ isDone: false, isPast: true })
    expect(dueLooks({ ...trial, pouredOn: '' })).toEqual([])
  })
})

test('a trial that is none is refused where it is wrong', () => {
  const wrong: [object, string][] = [
    [{ ...trial, question: { ...trial.question, levels: [] } }, 'question.levels'],
    [{ ...trial, samples: [...trial.samples, trial.samples[0]] }, 'samples[9].label'],
    [{ ...trial, readings: [{ ...trial.readings[0], sample: 'Z1' }] }, 'readings[0].sample'],
    [{ ...trial, version: 2 }, 'version'],
  ]
  for (const [value, path] of wrong) {
    const of = readTrial(value)
    expect(of.ok ? '' : of.problems[0]!.path).toBe(path)
  }
})
