import { TO_SCREEN, deltaE } from './bands.ts'
import type { Lab, Linear, Spectrum } from './bands.ts'
import { baseAt } from './base.ts'
import type { BaseAt, BaseTint } from './base.ts'
import type { Age } from './age.ts'
import { bandsOf } from './mix.ts'
import type { Dose } from './mix.ts'
import { colourOfBands } from './appearance.ts'
import type { SoapColour } from './appearance.ts'
import { WHITES, absorptionAt } from './pigment.ts'
import type { Pigment } from './pigment.ts'
import { smoothest } from './smoothest.ts'
import { ratioOf } from './surface.ts'

export interface Choice {
  pigment: Pigment
  referenceGPerKg: number
  mostGPerKg: number
}

export type Verdict = 'match' | 'close' | 'near' | 'out-of-reach'

/** Doses that come closest to a wanted colour. */
export interface Inversion {
  dosesGPerKg: number[]
  colour: SoapColour
  deltaE: number
  verdict: Verdict
  /** Choices whose dose stands at its most. */
  atMost: number[]
  /** The wanted colour is lighter than the base can be made with 10 g/kg of titanium dioxide. */
  isTooLight: boolean
}

export const MOST_CHOICES = 4

const verdictOf = (off: number): Verdict =>
  off <= 1 ? 'match' : off <= 2.5 ? 'close' : off <= 5 ? 'near' : 'out-of-reach'

interface Question {
  plain: BaseAt
  age: Age
  choices: readonly Choice[]
  wanted: Lab
}

const colourAt = ({ plain, age, choices }: Question, doses: readonly number[]): SoapColour => {
  const parts = choices.map(({ pigment }, j) => ({ pigment, gPerKg: doses[j]! }))
  const { k, s } = bandsOf(plain, parts, null, age)
  return colourOfBands(k, s, age)
}

/** One colorant: a coarse look over all doses, then the golden section. */
function oneDose(question: Question): number[] {
  const most = question.choices[0]!.mostGPerKg
  const miss = (dose: number) => deltaE(colourAt(question, [dose]).lab, question.wanted)
  const grid = [0, ...Array.from({ length: 33 }, (_, i) => (most / 400) * Math.pow(400, i / 32))]
  const misses = grid.map(miss)
  const best = misses.indexOf(Math.min(...misses))
  let low = grid[Math.max(0, best - 1)]!
  let high = grid[Math.min(grid.length - 1, best + 1)]!
  const golden = (Math.sqrt(5) - 1) / 2
  let a = high - golden * (high - low)
  let b = low + golden * (high - low)
  let atA = miss(a)
  let atB = miss(b)
  for (let i = 0; i < 40; i += 1) {
    if (atA < atB) {
      high = b
      b = a
      atB = atA
      a = high - golden * (high - low)
      atA = miss(a)
    } else {
      low = a
      a = b
      atA = atB
      b = low + golden * (high - low)
      atB = miss(b)
    }
  }
  const inside = (low + high) / 2
  const ends = [inside, grid[best]!, 0, most]
  return [ends.reduce((least, dose) => (miss(dose) < miss(least) ? dose : least))]
}

/** The bands are linear in the doses: weighted least squares with bounds, by projected coordinate descent. */
function linearGuess(question: Question, wanted: Linear): number[] {
  const { plain, age, choices } = question
  const ratio = ratioOf(smoothest(wanted), age)
  const columns = choices.map(({ pigment }) => {
    const k = absorptionAt(pigment, age)
    return ratio.map((q, i) => k[i]! - q * pigment.s[i]!)
  })
  const goal = ratio.map((q, i) => q * plain.s[i]! - plain.k[i]!)
  const weight = ratio.map((q, i) => TO_SCREEN.reduce((sum, row) => sum + Math.abs(row[i]!), 0) / (q + 0.02))
  const dot = (a: readonly number[], b: readonly number[]) =>
    a.reduce((sum, x, i) => sum + weight[i]! * weight[i]! * x * b[i]!, 0)
  const own = columns.map(column => dot(column, column))
  const cross = columns.map(a => columns.map(b => dot(a, b)))
  const right = columns.map(column => dot(column, goal))
  const doses = choices.map(() => 0)
  for (let sweep = 0; sweep < 400; sweep += 1) {
    let moved = 0
    for (let j = 0; j < doses.length; j += 1) {
      if (!(own[j]! > 0)) continue
      const others = doses.reduce((sum, dose, i) => (i === j ? sum : sum + cross[j]![i]! * dose), 0)
      const next = Math.min(choices[j]!.mostGPerKg, Math.max(0, (right[j]! - others) / own[j]!))
      moved = Math.max(moved, Math.abs(next - doses[j]!))
      doses[j] = next
    }
    if (moved < 1e-7) break
  }
  return doses
}

/** ΔE, and a little for every gram: no answers of much colour under much white. */
const worth = (question: Question, doses: readonly number[]): number =>
  deltaE(colourAt(question, doses).lab, question.wanted) +
  0.5 * doses.reduce((sum, dose, j) => sum + dose / question.choices[j]!.mostGPerKg, 0)

/** Tries each dose up and down, and all together, with steps that shrink. */
function patternSearch(question: Question, start: readonly number[]): { doses: number[]; worth: number } {
  const { choices } = question
  const held = (dose: number, j: number) => Math.min(choices[j]!.mostGPerKg, Math.max(0, dose))
  let doses = start.map(held)
  let value = worth(question, doses)
  for (let size = 0.5; size > 1e-4;) {
    let better = false
    const tryOut = (next: number[]) => {
      const nextValue = worth(question, next)
      if (nextValue >= value) return
      doses = next
      value = nextValue
      better = true
    }
    for (let j = 0; j < doses.length; j += 1)
      for (const sign of [1, -1])
        tryOut(doses.map((dose, i) => (i === j ? held(dose + sign * size * choices[j]!.referenceGPerKg, j) : dose)))
    for (const factor of [1 + size, 1 / (1 + size)]) tryOut(doses.map((dose, j) => held(dose * factor, j)))
    if (!better) size *= 0.6
  }
  return { doses, worth: value }
}

function severalDoses(question: Question, wanted: Linear): number[] {
  const { choices } = question
  const starts = [
    linearGuess(question, wanted),
    choices.map(choice => choice.referenceGPerKg / 2),
    choices.map(choice => choice.mostGPerKg / 2),
    choices.map((choice, j) => (j === 0 ? choice.referenceGPerKg : 0)),
  ]
  const found = starts.map(start => patternSearch(question, start))
  return found.reduce((best, one) => (one.worth < best.worth ? one : best)).doses
}

/**
 * Doses (g per kg of batter) of one to four colorants that come closest to a colour in a base at an age.
 *
 * Verdict by ΔE: 1 match, 2.5 close, 5 near, beyond out of reach. `there`: what is in the base already; `extra`: what vanillin adds.
 */
export function invert(
  wanted: { linear: Linear; lab: Lab },
  choices: readonly Choice[],
  base: BaseTint,
  age: Age,
  { doses: there = [], extra = null }: { doses?: readonly Dose[]; extra?: Spectrum | null } = {},
): Inversion {
  const question: Question = { plain: bandsOf(baseAt(base, age), there, extra, age), age, choices, wanted: wanted.lab }
  const doses = choices.length === 1 ? oneDose(question) : severalDoses(question, wanted.linear)
  const colour = colourAt(question, doses)
  const off = deltaE(colour.lab, wanted.lab)
  const whitest = colourAt(
    { ...question, choices: [{ pigment: WHITES.titanium, referenceGPerKg: 4, mostGPerKg: 10 }] },
    [10],
  )
  return {
    dosesGPerKg: doses,
    colour,
    deltaE: off,
    verdict: verdictOf(off),
    atMost: choices.flatMap((choice, j) => (doses[j]! > choice.mostGPerKg * 0.995 ? [j] : [])),
    isTooLight: wanted.lab.l > whitest.lab.l + 0.5,
  }
}
