import { recipeKey, ratesOf } from '../../batter/learning/index.ts'
import { scentLoad, unitBatter } from '../../recipe/index.ts'
import { batterWater } from './cup-materials.ts'
import type { AshInputs } from './ash.ts'
import type { RestInputs } from './rest-inputs.ts'

/** What ash comes of in a plan: its last pour is the top. */
export function ashInputs({ plan, shelf, portions, lanes }: RestInputs, topGel: number): AshInputs {
  const unit = unitBatter(plan.recipe, shelf)
  const pour = lanes.pours.at(-1)!
  const i = plan.cups.findIndex(cup => cup.id === pour.cup)
  const cup = plan.cups[i]
  const planned = cup?.ownScent ?? (cup?.scented ? plan.scent : null)
  const load = planned && scentLoad(planned, shelf, unit.batterG)
  const scents = load?.parts ?? []
  const scentOfOils = portions.cups[i]?.scentOfOils ?? 0
  const parts = scents.map(({ id, share }) => ({ scent: id, share }))
  const wax = unit.oils.reduce((sum, part) => sum + part.share * part.oil.solidWax, 0)
  const way = plan.score.at(-1)!.shape.way
  return {
    water: batterWater(plan, portions, shelf),
    tempC: pour.tempC,
    level: (pour.startLevel + pour.endLevel) / 2,
    emulsion: pour.emulsion,
    humidity: plan.rest.humidity,
    essential: scents.reduce((sum, part) => sum + (part.scent?.type === 'essential-oil' ? part.share : 0), 0),
    scentLnRate: parts.length > 0 ? ratesOf(shelf).scentedMean(recipeKey(plan), parts, scentOfOils * 1000) : 0,
    beeswax: 100 * wax,
    isPeaked: way === 'peaks' || way === 'piped' || way === 'spoon',
    topGel,
  }
}
