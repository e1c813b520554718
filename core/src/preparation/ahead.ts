import { fact, grams, kilograms, together } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import { barCount } from '../plan/index.ts'
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
  /** Days before the pour that it is begun. */
  days: number
}

/** A warm steep is of hours; a cold one of weeks at the least. Makers' rule. */
const STEEP_DAYS = { warm: 1, cold: 28 } as const

/** Days that the longest of it takes. */
export const aheadDays = (steps: readonly StepAhead[]): number => Math.max(0, ...steps.map(step => step.days))

/** What this plan needs done before the day: infusions, ice, frozen liquids. */
export function aheadOf(plan: Plan, shelf: Shelf, portions: Portions): StepAhead[] {
  const ahead: StepAhead[] = []
  for (const part of plan.recipe.oils) {
    const { infusion } = part
    if (!infusion) continue
    const oil = portions.oils.find(one => one.oil === part.oil)
    const makeG = Math.ceil((oil?.massG ?? 0) * infusion.makeFactor)
    const plantG = Math.ceil(makeG * infusion.plantPerOil)
    const about = { plantG: grams(plantG), plant: infusion.plant, makeG: grams(makeG), oil: oil?.name ?? part.oil }
    const once = STEEP_DAYS[infusion.way]
    const when = infusion.way === 'cold' ? fact('preparation.cold-for-weeks') : fact('preparation.warm-for-hours')
    ahead.push({
      key: `ahead:infuse:${part.oil}`,
      when,
      days: infusion.twice ? 2 * once : once,
      what: infusion.twice ? fact('preparation.steep', about) : fact('preparation.steep-decant-clear-part', about),
    })
    if (infusion.twice)
      ahead.push({
        key: `ahead:infuse-again:${part.oil}`,
        when,
        days: once,
        what: fact('preparation.steep-again', about),
      })
  }
  for (const part of portions.liquids) {
    const liquid = findById(shelf.liquids, part.id)
    if (!liquid || (!liquid.useFrozen && liquid.preparation === '')) continue
    const about = { massG: grams(Math.ceil(part.massG)), part: part.name }
    ahead.push({
      key: `ahead:${liquid.useFrozen ? 'freeze' : 'ready'}:${part.id}`,
      what: together(
        [
          liquid.useFrozen ? fact('preparation.freeze-cubes-or-flat', about) : fact('preparation.liquid-ready', about),
          liquid.preparation,
        ].filter(one => one !== ''),
        '. ',
      ),
      when: fact('preparation.evening-before'),
      days: 1,
    })
  }
  for (const embed of plan.finish.embeds)
    if (embed.castDays > 0)
      ahead.push({
        key: `ahead:cast:${embed.id}`,
        what: fact('preparation.cast-embed', {
          name: embed.name,
          count: embed.everyBar ? barCount(plan) : embed.count,
        }),
        when: fact('preparation.so-many-days-before', { days: embed.castDays }),
        days: embed.castDays,
      })
  const iceG = plainIceG(plan, shelf, portions)
  if (iceG >= 1)
    ahead.push({
      key: 'ahead:ice',
      what: fact('preparation.make-ice-from-recipes', { iceG: grams(Math.ceil(iceG)) }),
      when: fact('preparation.evening-before'),
      days: 1,
    })
  if (plan.heat.lyeCooling === 'ice-bath' || plan.heat.oilsCooling === 'ice-bath')
    ahead.push({
      key: 'ahead:ice-bath',
      what: fact('preparation.ice-for-bath-kept', { iceKg: kilograms(plan.heat.iceKg) }),
      when: fact('preparation.evening-before'),
      days: 1,
    })
  return ahead.sort((a, b) => b.days - a.days)
}
