import { showChance, showMinutes, tidy } from '../units/index.ts'
import type { Plan } from '../plan/index.ts'
import type { Lanes, PourForecast } from '../schedule/index.ts'
import { findById } from '../shelf/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { SCENT_PRIORS, traceName } from '../trace/index.ts'

/** The biggest risk of a plan in words. */
export interface Risk {
  /** 'calm' from 85 %, 'tight' from 60 %, else 'trouble'. */
  state: 'calm' | 'tight' | 'trouble'
  chance: number
  sentence: string
  /** Why, and what it would take. */
  reason: string
  /** The pour it is about, if one stands out. */
  pour: string | null
}

const stateOf = (chance: number): Risk['state'] => (chance >= 0.85 ? 'calm' : chance >= 0.6 ? 'tight' : 'trouble')

function thickReason(plan: Plan, shelf: Shelf, pour: PourForecast): string {
  const cup = plan.cups.find(one => one.id === pour.cup)
  const parts = cup?.ownScent?.parts ?? (cup?.scented ? (plan.scent?.parts ?? []) : [])
  const order = Object.keys(SCENT_PRIORS)
  const scent = parts
    .flatMap(part => findById(shelf.scents, part.scent) ?? [])
    .sort((a, b) => order.indexOf(b.acceleration) - order.indexOf(a.acceleration))[0]
  const isLayer = plan.score.find(one => one.id === pour.pour)?.shape.way === 'layer'
  const level = `${traceName(pour.endLevel)} (${tidy(pour.endLevel, 1)}) when ${isLayer ? 'a level layer' : 'such a pour'} needs at most ${tidy(pour.window.hi, 1)}`
  const quick = scent && ['mild', 'moderate', 'strong', 'seizes'].includes(scent.acceleration)
  const cause = quick ? `${scent.name} quickens it` : 'It has waited too long for its warmth and blending'
  return `${cause}: expect ${level}.`
}

/** Names the pour that fails most often and says why; without one, where the least time is to spare. */
export function riskOf(plan: Plan, shelf: Shelf, lanes: Lanes): Risk {
  const state = stateOf(lanes.chance)
  const number = (pour: PourForecast) => plan.score.findIndex(one => one.id === pour.pour) + 1
  const name = (pour: PourForecast) => plan.cups.find(cup => cup.id === pour.cup)?.name ?? pour.cup
  if (lanes.neverEmulsified) {
    const sentence = 'The batter does not come to the trace at which blending stops.'
    return { state: 'trouble', chance: 0, sentence, reason: 'Blend warmer, or stop at a lower level.', pour: null }
  }
  // Of pours that fail about as often, the first: it is met first, and often the cause of the others.
  const worst = lanes.pours.reduce((a, b) => (b.chance < a.chance - 0.02 ? b : a))
  const tightest = lanes.pours.reduce((a, b) => (b.marginMin < a.marginMin ? b : a))
  if (state === 'calm' || worst.fault === null) {
    const spare = tightest.marginMin >= 59 ? 'an hour' : showMinutes(tightest.marginMin)
    const sentence = `Every layer is likely to pour as planned: ${showChance(lanes.chance)}.`
    const reason = `Least time to spare: layer ${number(tightest)}, ${name(tightest)}, ${spare} in 4 of 5 runs.`
    return { state, chance: lanes.chance, sentence, reason, pour: tightest.pour }
  }
  const fails = showChance(1 - worst.chance)
  const head = `Layer ${number(worst)}, ${name(worst)},`
  const texts = {
    thick: [`${head} is too thick when you reach it: ${fails} of runs.`, thickReason(plan, shelf, worst)],
    thin: [
      `${head} is still too thin to pour as planned: ${fails} of runs.`,
      'Blend a little longer before the split, or wait before this layer.',
    ],
    'not-carried': [
      `The layer below does not carry layer ${number(worst)}, ${name(worst)}: ${fails} of runs.`,
      `It needs level ${tidy(worst.carrierNeed ?? 0, 1)} at rest. Pour lower or over a spatula, or wait longer.`,
    ],
  } as const
  const [sentence, reason] = texts[worst.fault]
  return { state, chance: lanes.chance, sentence, reason, pour: worst.pour }
}
