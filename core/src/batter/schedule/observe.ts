import type { Evidence, PaceReading } from '../../shelf/index.ts'
import { recipeKey, scentPrior } from '../learning/index.ts'
import type { Plan } from '../../plan/index.ts'
import { missingOils, portionsOf } from '../../portions/index.ts'
import { scentLoad, unitBatter } from '../../recipe/index.ts'
import { findById } from '../../shelf/index.ts'
import type { Shelf } from '../../shelf/index.ts'
import { atDose } from '../trace/index.ts'
import { blendPot } from './blending.ts'
import { RunState } from './run-state.ts'
import type { Variation } from './run-state.ts'
import { runInputOf } from './input-of-plan.ts'
import type { RunInput } from './run-input.ts'
import { SAMPLE_S, lnExplains, shownBy } from './sightings.ts'
import { runPlan } from './timetable.ts'

/** Points on either side of the middle, and how many spreads they reach. */
const STEPS = 6
const REACH = 3
/** A reading is never taken to be surer than this variance of ln(rate). */
const LEAST_VARIANCE = 0.01
/** Error of ln(seconds) of blending, and how far the pace is moved to learn what it does to them. */
const BLEND_ERROR = 0.25
const NUDGE = 0.35

interface Spread {
  mean: number
  variance: number
}

/** What the readings alone say: the posterior with the prior divided out; null where they say nothing. */
function readingsAlone(prior: Spread, posterior: Spread): Spread | null {
  const precision = 1 / posterior.variance - 1 / prior.variance
  if (!(precision > 1e-6)) return null
  const value = (posterior.mean / posterior.variance - prior.mean / prior.variance) / precision
  return { mean: value, variance: Math.max(LEAST_VARIANCE, 1 / precision) }
}

/** Mean and variance of rate + scent over a grid, weighed by prior and by how well each run explains what was seen. */
function posteriorOf(input: RunInput, seen: RunInput['seen'], withScent: boolean): Spread {
  const marks = Array.from({ length: 2 * STEPS + 1 }, (_, i) => ((i - STEPS) / STEPS) * REACH)
  const across = withScent ? marks : [0]
  const rateAt = (z: number) => input.rate.mean + z * input.rate.sd
  const lanes = marks.map(z =>
    across.map(w => {
      const variation: Variation = { plainRate: rateAt(z), scentedRate: rateAt(z), scent: w * input.scentSd }
      return runPlan(input, variation, SAMPLE_S).lanes
    }),
  )
  // Along both axes a quicker batter is never taken to show less.
  const shown = lanes.map(row => shownBy(input, seen, row))
  for (let i = 1; i < shown.length; i += 1)
    for (let j = 0; j < across.length; j += 1)
      for (let k = 0; k < seen.length; k += 1) shown[i]![j]![k] = Math.max(shown[i]![j]![k]!, shown[i - 1]![j]![k]!)
  const points = marks.flatMap((z, i) =>
    across.map((w, j) => ({
      ln: -(z * z + w * w) / 2 + lnExplains(input, seen, shown[i]![j]!),
      sum: rateAt(z) + w * input.scentSd,
    })),
  )
  const best = Math.max(...points.map(point => point.ln))
  const weighed = points.map(({ ln, sum }) => ({ weight: Math.exp(ln - best), sum }))
  const whole = weighed.reduce((sum, one) => sum + one.weight, 0)
  const mean = weighed.reduce((sum, one) => sum + one.weight * one.sum, 0) / whole
  const second = weighed.reduce((sum, one) => sum + one.weight * one.sum * one.sum, 0) / whole
  return { mean, variance: Math.max(1e-6, second - mean * mean) }
}

function plainObservation(input: RunInput, seen: RunInput['seen']): PaceReading | null {
  if (seen.length === 0) return null
  const prior = { mean: input.rate.mean, variance: input.rate.sd ** 2 }
  const said = readingsAlone(prior, posteriorOf(input, seen, false))
  return said && { stage: 'plain', scents: [], value: said.mean, variance: said.variance }
}

/** Scented cups tell of rate and scent together: the sum is what they have seen. */
function scentedObservation(plan: Plan, shelf: Shelf, input: RunInput, seen: RunInput['seen']): PaceReading | null {
  const cup = seen[0] && plan.cups[seen[0].cup]
  const planned = cup?.ownScent ?? plan.scent
  if (!cup || !planned) return null
  const load = scentLoad(planned, shelf, unitBatter(plan.recipe, shelf).batterG)
  const doseGPerKg = load.loadOfOils * 1000
  const expected = input.cups[seen[0]!.cup]!.scent!.lnRate
  const scents = load.parts.map(({ id, share }) => {
    const own = scentPrior(findById(shelf.scents, id)).mean || 1
    return { scent: id, weight: (share * atDose(own, doseGPerKg)) / own }
  })
  const prior = { mean: input.rate.mean, variance: input.rate.sd ** 2 + input.scentSd ** 2 }
  const said = readingsAlone(prior, posteriorOf(input, seen, true))
  return said && { stage: 'scented', scents, value: said.mean + expected, variance: said.variance }
}

/** Seconds that the blender would run at such a pace. */
function blendSeconds(input: RunInput, pace: number): number {
  const at = { ...input, rate: { ...input.rate, mean: pace } }
  return blendPot(new RunState(at, { plainRate: 0, scentedRate: 0, scent: 0 }, 0)).seconds
}

function blendObservation(input: RunInput, blendedS: number | null): PaceReading | null {
  // Of a whisk or a spoon the seconds say nothing of the blender.
  const isBlender = input.blending === 'stick' || input.blending === 'bursts'
  if (blendedS === null || input.ownBatters || !isBlender) return null
  const [slow, usual, quick] = [-NUDGE, 0, NUDGE].map(off => blendSeconds(input, off))
  const slope = Math.log(slow! / quick!) / (2 * NUDGE)
  if (!(slope > 0.05)) return null
  return {
    stage: 'blend',
    scents: [],
    value: Math.log(usual! / blendedS) / slope,
    variance: (BLEND_ERROR / slope) ** 2,
  }
}

/**
 * What a batch teaches of pace, from the traces seen in it and the seconds that its blending took, held against the model
 * with nothing learned yet. Takes some tenths of a second with scented sightings: for the server, not for a keystroke.
 */
export function evidenceOf(
  plan: Plan,
  shelf: Shelf,
  about: { batch: string; at: string },
): Omit<Evidence, 'counts' | 'rest'> {
  const bare = { ...shelf, evidence: [] }
  const none = { ...about, name: plan.name, recipe: recipeKey(plan), observations: [] }
  if ((plan.seen.length === 0 && plan.blendedS === null) || missingOils(plan, bare).length > 0) return none
  const input = runInputOf(plan, portionsOf(plan, bare), bare)
  const isScented = ({ cup }: RunInput['seen'][number]) => input.cups[cup]?.scent != null
  const observations = [
    plainObservation(
      input,
      input.seen.filter(one => !isScented(one)),
    ),
    scentedObservation(plan, bare, input, input.seen.filter(isScented)),
    blendObservation(input, plan.blendedS),
  ]
  return { ...none, observations: observations.filter(one => one !== null) }
}
