import { fact, grams, keepingZeros } from '../../quantities/facts/index.ts'
import type { Words } from '../../quantities/facts/index.ts'
import type { BaseTint } from './base.ts'
import type { Age } from './age.ts'
import { deltaE } from './bands.ts'
import { mixed } from './mix.ts'
import type { Dose } from './mix.ts'
import type { SoapColour } from './appearance.ts'
import type { Pigment } from './pigment.ts'

/** One pool of coloured batter from which steps are poured, each time lightened by what is stirred into the rest. */
export interface Pool {
  /** Plain batter in the pool, g. */
  batterG: number
  colours: readonly Dose[]
  white: Pigment
  whiteGPerKg: number
}

/** Batter poured for a step, and what goes into the rest after it. All in g. */
export interface Step {
  pourG: number
  /** White powder. */
  whiteG: number
  /** Batter, plain or with white already in it. */
  batterG: number
  batterWhiteGPerKg: number
}

export interface Rung {
  colour: SoapColour
  pourG: number
  /** Left in the pool after the pour, before anything is added. */
  leftG: number
  whiteGPerKg: number
  /** Share of the first step's colour. */
  strength: number
  addWhiteG: number
  addBatterG: number
  /** Difference to the step before, ΔE; null for the first. */
  stepDeltaE: number | null
}

export type LadderResult = { ok: true; rungs: Rung[]; leftG: number } | { ok: false; sentence: Words; step: number }

/** Steps closer than this look the same. */
export const SAME_STEP = 2.5
const TINY = 1e-9

/**
 * Pours a ladder of tints from one pool: after each pour the white climbs faster, because the pool has shrunk.
 *
 * @returns not ok when a step wants more than the pool holds
 */
export function ladder(pool: Pool, steps: readonly Step[], base: BaseTint, age: Age): LadderResult {
  let massG = pool.batterG
  let strength = 1
  let whiteG = (pool.batterG * pool.whiteGPerKg) / 1000
  const rungs: Rung[] = []
  for (const [n, step] of steps.entries()) {
    if (!(massG > 0)) return { ok: false, step: n, sentence: fact('colour.nothing-left-for-step', { n: n + 1 }) }
    if (step.pourG > massG * (1 + TINY)) {
      const sentence = fact('colour.step-needs-left-make', {
        n: n + 1,
        pourG: keepingZeros(grams(step.pourG, 1)),
        massG: keepingZeros(grams(massG, 1)),
      })
      return { ok: false, step: n, sentence }
    }
    const whiteGPerKg = (whiteG / massG) * 1000
    const doses: Dose[] = [
      ...pool.colours.map(({ pigment, gPerKg }) => ({ pigment, gPerKg: gPerKg * strength })),
      { pigment: pool.white, gPerKg: whiteGPerKg },
    ]
    const colour = mixed(base, doses, age)
    const before = rungs.at(-1)
    const share = Math.min(1, step.pourG / massG)
    const leftG = massG - massG * share
    rungs.push({
      colour,
      pourG: step.pourG,
      leftG,
      whiteGPerKg,
      strength,
      addWhiteG: step.whiteG,
      addBatterG: step.batterG,
      stepDeltaE: before ? deltaE(before.colour.lab, colour.lab) : null,
    })
    whiteG = whiteG * (1 - share) + step.whiteG + (step.batterG * step.batterWhiteGPerKg) / 1000
    strength = leftG + step.batterG > 0 ? (strength * leftG) / (leftG + step.batterG) : strength
    massG = leftG + step.batterG
  }
  return { ok: true, rungs, leftG: massG }
}

const BISECTIONS = 50

/** Lightness of the pool's colour with so much white. */
const lightness = (pool: Pool, whiteGPerKg: number, base: BaseTint, age: Age): number =>
  mixed(base, [...pool.colours, { pigment: pool.white, gPerKg: whiteGPerKg }], age).lab.l

/**
 * White for steps that look evenly spaced from the pool's own colour to the palest that `mostWhiteGPerKg` makes.
 *
 * @param pours batter of each step, g; together at most the pool
 */
export function evenWhite(
  pool: Pool,
  pours: readonly number[],
  mostWhiteGPerKg: number,
  base: BaseTint,
  age: Age,
): Step[] {
  const from = lightness(pool, pool.whiteGPerKg, base, age)
  const to = lightness(pool, mostWhiteGPerKg, base, age)
  const wanted = pours.map((_, n) => {
    const goal = pours.length > 1 ? from + ((to - from) * n) / (pours.length - 1) : from
    let low = pool.whiteGPerKg
    let high = mostWhiteGPerKg
    if (n === 0) return low
    for (let i = 0; i < BISECTIONS; i += 1) {
      const middle = (low + high) / 2
      if (lightness(pool, middle, base, age) < goal) low = middle
      else high = middle
    }
    return (low + high) / 2
  })
  let massG = pool.batterG
  return pours.map((pourG, n) => {
    const leftG = massG - pourG
    const inRestG = (leftG * wanted[n]!) / 1000
    massG = leftG
    const whiteG = n + 1 < pours.length ? (wanted[n + 1]! * leftG) / 1000 - inRestG : 0
    return { pourG, whiteG: Math.max(0, whiteG), batterG: 0, batterWhiteGPerKg: 0 }
  })
}

/** Plain batter to stir in after each step, so that each step has `share` of the colour of the one before. */
export function evenThinning(pool: Pool, pours: readonly number[], share: number): Step[] {
  let massG = pool.batterG
  return pours.map((pourG, n) => {
    const leftG = Math.max(0, massG - pourG)
    const batterG = n + 1 < pours.length && share > 0 ? leftG / share - leftG : 0
    massG = leftG + batterG
    return { pourG, whiteG: 0, batterG, batterWhiteGPerKg: 0 }
  })
}
