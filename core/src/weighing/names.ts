import { fact } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import type { Plan } from '../plan/index.ts'
import { findById } from '../shelf/index.ts'
import type { Moment, Shelf } from '../shelf/index.ts'
import { MOMENT_WORDS } from './line.ts'
import type { WeighLine } from './line.ts'

/** Where an additive goes: in its own way, unless the plan puts it elsewhere than usual. */
export function howOf(plan: Plan, shelf: Shelf, part: { id: string; moment: Moment }): Words {
  const additive = findById(shelf.additives, part.id)
  const own =
    additive && additive.moment === part.moment && additive.how !== '' ? additive.how : MOMENT_WORDS[part.moment]
  return fact('weighing.its-own-cup-2', { own })
}

/** An oil's name, with the plant that was steeped in it. */
export function oilName(plan: Plan, part: { oil: string; name: string }): Words {
  const steeped = plan.recipe.oils.find(one => one.oil === part.oil)?.infusion
  return steeped ? fact('weighing.steeped-with', { part: part.name, plant: steeped.plant }) : part.name
}

/** The usual most of an additive for so much oil. */
export const usualMostOf = (shelf: Shelf, additive: string, oilG: number): WeighLine['most'] => {
  const most = findById(shelf.additives, additive)?.usualMostGPerKg
  return most === undefined ? null : { massG: (oilG * most) / 1000, isCap: false }
}
