import { fact, grams, kilograms } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import type { Plan } from '../plan/index.ts'
import { plainIceG } from '../portions/index.ts'
import type { Portions } from '../portions/index.ts'
import { findById } from '../shelf/index.ts'
import type { Shelf } from '../shelf/index.ts'

/** What is done hours or a day before. */
export interface StepAhead {
  key: string
  what: Words
  when: Words
}

/** What this plan needs done before the day: infusions, ice, frozen liquids. */
export function aheadOf(plan: Plan, shelf: Shelf, portions: Portions): StepAhead[] {
  const ahead: StepAhead[] = []
  for (const part of plan.recipe.oils) {
    if (!part.infusion) continue
    const oil = portions.oils.find(one => one.oil === part.oil)
    const makeG = Math.ceil((oil?.massG ?? 0) * part.infusion.makeFactor)
    const plantG = Math.ceil(makeG * part.infusion.plantPerOil)
    ahead.push({
      key: `ahead:infuse:${part.oil}`,
      what: fact('preparation.steep-decant-clear-part', {
        plantG: grams(plantG),
        plant: part.infusion.plant,
        makeG: grams(makeG),
        oil: oil?.name ?? part.oil,
      }),
      when: fact('preparation.warm-for-hours-or'),
    })
  }
  for (const part of portions.liquids) {
    const liquid = findById(shelf.liquids, part.id)
    if (liquid?.useFrozen)
      ahead.push({
        key: `ahead:freeze:${part.id}`,
        what: fact('preparation.freeze-cubes-or-flat', { massG: grams(Math.ceil(part.massG)), part: part.name }),
        when: fact('preparation.evening-before'),
      })
  }
  const iceG = plainIceG(plan, shelf, portions)
  if (iceG >= 1)
    ahead.push({
      key: 'ahead:ice',
      what: fact('preparation.make-ice-from-recipes', { iceG: grams(Math.ceil(iceG)) }),
      when: fact('preparation.evening-before'),
    })
  if (plan.heat.lyeCooling === 'ice-bath' || plan.heat.oilsCooling === 'ice-bath')
    ahead.push({
      key: 'ahead:ice-bath',
      what: fact('preparation.ice-for-bath-kept', { iceKg: kilograms(plan.heat.iceKg) }),
      when: fact('preparation.evening-before'),
    })
  return ahead
}
