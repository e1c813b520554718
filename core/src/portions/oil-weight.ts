import { fact } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import { applyEdit } from '../plan/index.ts'
import type { Edit, EditResult, Plan } from '../plan/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { portionsOf } from './portions.ts'
import { resized } from './resize.ts'

const ROUNDS = 12
const refused = (sentence: Words): EditResult => ({ ok: false, path: 'recipe.oils', sentence })

/** Weighs exactly, so that the scale's rounding is not taken for an error of the share. */
const onFineScale = (plan: Plan): Plan => ({
  ...plan,
  conditions: { ...plan.conditions, scaleStepG: 0.01, fineScaleStepG: 0.01 },
})

const weightOf = (plan: Plan, shelf: Shelf, oil: string): number =>
  portionsOf(onFineScale(plan), shelf).oils.find(part => part.oil === oil)?.exactG ?? 0

/**
 * Another share changes lye and water and with them how much oil the mould takes, so the share is tried and mended until the
 * weight is the one that was typed.
 */
function whileOthersGiveWay(plan: Plan, shelf: Shelf, oil: string, massG: number): EditResult {
  const at = (share: number) => applyEdit(plan, { kind: 'set-oil-share', oil, share: Number(share.toFixed(6)) })
  const { oilG } = portionsOf(plan, shelf)
  let share = Math.min(1, massG / oilG)
  let result = at(share)
  for (let round = 0; round < ROUNDS && result.ok && share > 0; round += 1) {
    const gotG = weightOf(result.plan, shelf, oil)
    if (Math.abs(gotG - massG) < 0.01 || gotG <= 0) break
    share = (share * massG) / gotG
    if (share > 1) return refused(fact('portions.much-does-not-go'))
    result = at(share)
  }
  return result
}

/** The other oils keep their weights, and the batch grows or shrinks by it. */
function whileBatchGrows(plan: Plan, shelf: Shelf, oil: string, massG: number): EditResult {
  const { oils } = portionsOf(plan, shelf)
  const exact = new Map(plan.recipe.oils.map(part => [part.oil, oils.find(one => one.oil === part.oil)?.exactG ?? 0]))
  exact.set(oil, massG)
  const whole = [...exact.values()].reduce((sum, g) => sum + g, 0)
  if (!(whole > 0)) return refused(fact('portions.oils-would-weigh-nothing'))
  const shares = plan.recipe.oils.map(part => ({ ...part, share: Number((exact.get(part.oil)! / whole).toFixed(6)) }))
  const size = resized({ ...plan, recipe: { ...plan.recipe, oils: shares } }, shelf, { by: 'oils', massG: whole })
  if (!size.ok) return refused(size.sentence)
  const edits: Edit[] = [
    { kind: 'set', path: ['recipe', 'oils'], value: shares },
    { kind: 'set', path: ['mould', 'fillMm'], value: size.fillMm },
  ]
  return applyEdit(plan, { kind: 'many', edits })
}

/**
 * Gives an oil the weight that was typed, g: the free ones make up for it, or the batch changes by it.
 *
 * @returns the changed plan, in which the oil weighs that to the scale's step; or why it cannot
 */
export const withOilWeight = (
  plan: Plan,
  shelf: Shelf,
  oil: string,
  massG: number,
  othersMakeUp: boolean,
): EditResult => (othersMakeUp ? whileOthersGiveWay(plan, shelf, oil, massG) : whileBatchGrows(plan, shelf, oil, massG))
