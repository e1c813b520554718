import { showShare, tidy } from '../units/index.ts'
import type { Plan } from '../plan/index.ts'
import type { Portions } from '../portions/index.ts'
import { findById } from '../shelf/index.ts'
import type { Shelf } from '../shelf/index.ts'
import type { Job } from '../schedule/index.ts'

/** A sentence about a value that is allowed but worth a thought, with where it stands. */
export interface Notice {
  path: string
  weight: 'stop' | 'warn' | 'hint'
  sentence: string
}

const USUAL_OILS_OFF = 0.0005

function oils(plan: Plan): Notice[] {
  const sum = plan.recipe.oils.reduce((total, part) => total + part.share, 0)
  if (Math.abs(sum - 1) < USUAL_OILS_OFF) return []
  const sentence = `The oils add up to ${showShare(sum, 2)}. Weights are worked out as parts of the whole.`
  return [{ path: 'recipe.oils', weight: 'hint', sentence }]
}

function lye(plan: Plan, portions: Portions): Notice[] {
  const notices: Notice[] = []
  const { fineScaleStepG, scaleStepG } = plan.conditions
  const off = fineScaleStepG / Math.max(portions.lyeG, 1e-9)
  if (off > 0.03) {
    const sentence = `A step of ${fineScaleStepG} g on ${portions.lyeG} g of lye is off by up to ${showShare(off, 0)}. Weigh on a finer scale or make a larger batch.`
    notices.push({ path: 'conditions.fineScaleStepG', weight: off > 0.1 ? 'stop' : 'warn', sentence })
  }
  const smallest = Math.min(...portions.oils.map(part => part.exactG))
  if (scaleStepG / smallest > 0.1) {
    const sentence = `A step of ${scaleStepG} g on ${smallest.toFixed(1)} g of oil is off by over 10 %. Use the finer scale for it.`
    notices.push({ path: 'conditions.scaleStepG', weight: 'warn', sentence })
  }
  if (plan.recipe.superfatShare < 0.02) {
    const sentence =
      portions.superfatLowShare < 0
        ? `With ${showShare(plan.recipe.superfatShare)} superfat, oils at the low end of their usual range would leave free lye (superfat ${showShare(portions.superfatLowShare)}). 3 % or more is safer.`
        : `${showShare(plan.recipe.superfatShare)} superfat leaves no room for an error of the scale. 3 % or more is usual.`
    notices.push({ path: 'recipe.superfatShare', weight: 'warn', sentence })
  }
  const w = plan.recipe.lyeConcentrationShare
  if (w < 0.25 || w > 0.4) {
    notices.push({
      path: 'recipe.lyeConcentrationShare',
      weight: 'warn',
      sentence: `The forecast of trace is made for 25 to 40 % lye; at ${showShare(w)} take its times as a rough guess.`,
    })
  }
  return notices
}

function scent(plan: Plan, shelf: Shelf): Notice[] {
  if (!plan.scent) return []
  const onShelf = findById(shelf.scents, plan.scent.scent)
  if (!onShelf) {
    const sentence = `“${plan.scent.scent}” is not on the shelf: its pace and limit are unknown, and it is forecast as if it did not accelerate.`
    return [{ path: 'scent.scent', weight: 'warn', sentence }]
  }
  const notices: Notice[] = []
  if (plan.scent.shareOfOils > onShelf.limitShareOfOils + 1e-9) {
    const sentence = `${onShelf.name} is above the limit on the shelf, ${showShare(onShelf.limitShareOfOils)} of the oils. The supplier’s document comes first.`
    notices.push({ path: 'scent.shareOfOils', weight: 'stop', sentence })
  }
  if (onShelf.acceleration === 'seizes') {
    const sentence = `${onShelf.name} is known to seize batter. It suits plain soap in one colour, poured at once.`
    notices.push({ path: 'scent.scent', weight: 'warn', sentence })
  }
  if (!plan.cups.some(cup => cup.scented)) {
    notices.push({
      path: 'scent.scent',
      weight: 'hint',
      sentence: 'No cup is marked as scented, so no scent is weighed.',
    })
  }
  return notices
}

function cups(plan: Plan, shelf: Shelf): Notice[] {
  return plan.cups.flatMap((cup, i): Notice[] => {
    const notices: Notice[] = []
    if (!plan.score.some(pour => pour.cup === cup.id)) {
      notices.push({
        path: `cups[${i}]`,
        weight: 'hint',
        sentence: `${cup.name} is not poured anywhere, so nothing is weighed for it.`,
      })
    }
    if (!cup.colorant) return notices
    const colorant = findById(shelf.colorants, cup.colorant.colorant)
    if (!colorant) {
      const sentence = `“${cup.colorant.colorant}” is not on the shelf; its effect on trace is left out.`
      notices.push({ path: `cups[${i}].colorant.colorant`, weight: 'warn', sentence })
    } else if (cup.colorant.doseGPerKg > colorant.usualMaxGPerKg) {
      const sentence = `${colorant.name} above ${colorant.usualMaxGPerKg} g/kg often colours the lather or the hands.`
      notices.push({ path: `cups[${i}].colorant.doseGPerKg`, weight: 'hint', sentence })
    }
    return notices
  })
}

const LARGE_POT_KG = 8

function bench(plan: Plan, job: Job, neverEmulsified: boolean): Notice[] {
  const notices: Notice[] = []
  const { mixC } = plan.conditions
  if (mixC < job.pace.clearPointC + 2) {
    const sentence = `At ${mixC} °C the fats begin to set (they are clear from ${job.pace.clearPointC} °C): batter can look thick without being soap. Mix at ${Math.ceil(job.pace.clearPointC + 2)} °C or warmer.`
    notices.push({ path: 'conditions.mixC', weight: 'warn', sentence })
  } else if (mixC > 50) {
    notices.push({
      path: 'conditions.mixC',
      weight: 'warn',
      sentence: 'Above 50 °C the forecast is a rough guess, and hot batter burns.',
    })
  }
  if (plan.recipe.superfatShare > 0.2) {
    notices.push({
      path: 'recipe.superfatShare',
      weight: 'hint',
      sentence: 'The forecast of trace is made for up to 20 % superfat.',
    })
  }
  if (neverEmulsified) {
    const sentence = `A quarter of an hour of blending does not bring this batter to level ${plan.conditions.stopLevel}. Blend warmer, or stop at a lower level.`
    notices.push({ path: 'conditions.stopLevel', weight: 'stop', sentence })
  }
  if (job.potKg > LARGE_POT_KG) {
    const sentence = `${job.potKg.toFixed(1)} kg in one pot is heavy to lift and larger than the forecast was fitted to. Two pots are easier to keep in time.`
    notices.push({ path: 'mould', weight: 'warn', sentence })
  }
  return notices
}

/** Rounding may take or add this part of a dose before it is worth a sentence. */
const COLOUR_OFF = 0.25

function scaleForColour(plan: Plan, portions: Portions): Notice[] {
  const { fineScaleStepG } = plan.conditions
  const off = (portion: Portions['cups'][number]) => Math.abs(portion.colorantG / portion.exact.colorantG - 1)
  const coarse = portions.cups.flatMap((portion, i) =>
    portion.exact.colorantG > 0 && off(portion) > COLOUR_OFF ? [i] : [],
  )
  if (coarse.length === 0) return []
  const worst = coarse.reduce((a, b) => (off(portions.cups[b]!) > off(portions.cups[a]!) ? b : a))
  const wanted = portions.cups[worst]!.exact.colorantG
  const sentence = `${plan.cups[worst]!.name} needs ${tidy(wanted, 2)} g of colour, which steps of ${tidy(fineScaleStepG, 2)} g cannot weigh. Mix ten times as much and use a tenth of it, or take a finer scale.`
  return [{ path: `cups[${worst}].colorant.doseGPerKg`, weight: 'warn', sentence }]
}

function small(plan: Plan, portions: Portions): Notice[] {
  return portions.cups.flatMap((portion, i): Notice[] =>
    portion.totalG > 0 && portion.totalG < 40
      ? [
          {
            path: `cups[${i}]`,
            weight: 'hint',
            sentence: `${plan.cups[i]!.name} is only ${portion.totalG.toFixed(1)} g: hard to stir and quick to cool.`,
          },
        ]
      : [],
  )
}

const ORDER = { stop: 0, warn: 1, hint: 2 }

/** Everything worth a thought about a plan, the gravest first. */
export const noticesOf = (plan: Plan, shelf: Shelf, portions: Portions, job: Job, neverEmulsified: boolean): Notice[] =>
  [
    ...lye(plan, portions),
    ...scent(plan, shelf),
    ...bench(plan, job, neverEmulsified),
    ...oils(plan),
    ...cups(plan, shelf),
    ...scaleForColour(plan, portions),
    ...small(plan, portions),
  ].sort((a, b) => ORDER[a.weight] - ORDER[b.weight])
