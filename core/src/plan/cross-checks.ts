import { MAX_CUPS } from './document.ts'
import type { Plan } from './document.ts'
import type { Problem } from './problems.ts'

/** Thinnest layer, mm, that survives being poured over a spatula and smoothed. */
export const THINNEST_LAYER_MM = 2
/** All waits of a score together, min. */
const LONGEST_WAITS_MIN = 240
const SMALLEST_ML = 50
const LARGEST_ML = 40_000

export const fillVolumeMl = (mould: Plan['mould']): number =>
  (mould.innerLengthMm * mould.innerWidthMm * mould.fillMm) / 1000

/** Height of each layer, mm: shares are parts of the whole, so the layers always fill the mould exactly. */
export function layerHeights(plan: Pick<Plan, 'mould' | 'score'>): number[] {
  const whole = plan.score.reduce((sum, pour) => sum + pour.share, 0)
  return plan.score.map(pour => (pour.share / whole) * plan.mould.fillMm)
}

function doubles(plan: Plan): Problem[] {
  const twice = (path: string, ids: readonly string[], what: string): Problem[] =>
    ids.flatMap((id, i) =>
      ids.indexOf(id) < i ? [{ path: `${path}[${i}]`, value: id, sentence: `There is already ${what} “${id}”.` }] : [],
    )
  return [
    ...twice(
      'cups',
      plan.cups.map(cup => cup.id),
      'a cup',
    ),
    ...twice(
      'score',
      plan.score.map(pour => pour.id),
      'a pour',
    ),
    ...twice(
      'recipe.oils',
      plan.recipe.oils.map(part => part.oil),
      'the oil',
    ),
  ]
}

function mould(plan: Plan): Problem[] {
  const { fillMm, innerHeightMm } = plan.mould
  if (fillMm > innerHeightMm + 1e-6) {
    const sentence = `The soap would stand ${fillMm} mm high in a mould of ${innerHeightMm} mm. Lower the soap or choose a deeper mould.`
    return [{ path: 'mould.fillMm', value: fillMm, sentence }]
  }
  const ml = fillVolumeMl(plan.mould)
  if (ml < SMALLEST_ML || ml > LARGEST_ML) {
    const litres = ml < 1000 ? `${Math.round(ml)} ml` : `${(ml / 1000).toFixed(1)} litres`
    const sentence = `This fill holds ${litres}. Ostler plans from ${SMALLEST_ML} ml to ${LARGEST_ML / 1000} litres in one pot; split a larger pour into batches.`
    return [{ path: 'mould.fillMm', value: fillMm, sentence }]
  }
  return []
}

/** What no single field can know: sums, names that must exist, room in the mould. */
export function crossChecks(plan: Plan): Problem[] {
  const problems = [...doubles(plan), ...mould(plan)]
  if (plan.recipe.oils.reduce((sum, part) => sum + part.share, 0) < 0.01) {
    problems.push({
      path: 'recipe.oils',
      value: 0,
      sentence: 'The oils add up to nothing. Give at least one oil a share.',
    })
  }
  const waits = plan.score.reduce((sum, pour) => sum + pour.waitMin, 0)
  if (waits > LONGEST_WAITS_MIN) {
    const last = plan.score.findLastIndex(pour => pour.waitMin > 0)
    const sentence = `The waits add up to ${Math.round(waits)} minutes. Batter has set long before; ${LONGEST_WAITS_MIN} minutes in all is the most.`
    problems.push({ path: `score[${last}].waitMin`, value: plan.score[last]!.waitMin, sentence })
  }
  const cups = new Set(plan.cups.map(cup => cup.id))
  plan.score.forEach((pour, i) => {
    if (cups.has(pour.cup)) return
    const sentence = `There is no cup “${pour.cup}”; a plan has at most ${MAX_CUPS} and a pour takes from one of them.`
    problems.push({ path: `score[${i}].cup`, value: pour.cup, sentence })
  })
  layerHeights(plan).forEach((mm, i) => {
    // Shares are kept to a millionth, so a layer of just 2 mm may read a hair less.
    if (mm >= THINNEST_LAYER_MM - 0.001) return
    const sentence = `Layer ${i + 1} would be ${mm.toFixed(2)} mm. A poured layer thinner than ${THINNEST_LAYER_MM} mm does not survive smoothing; make it thicker or leave it out.`
    problems.push({ path: `score[${i}].share`, value: plan.score[i]!.share, sentence })
  })
  return problems
}
