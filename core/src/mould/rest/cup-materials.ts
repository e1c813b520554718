import { ratesOf, recipeKey } from '../../batter/learning/index.ts'
import type { Plan } from '../../plan/index.ts'
import type { Portions } from '../../portions/index.ts'
import { scentLoad, unitBatter } from '../../recipe/index.ts'
import type { UnitBatter } from '../../recipe/index.ts'
import { fattyGroups } from '../../shelf/index.ts'
import type { Shelf } from '../../shelf/index.ts'
import { accelerationOf } from '../../batter/standing/index.ts'
import { materialOf } from './material.ts'
import type { Material } from './material.ts'
import type { PouredInputs } from './rest-inputs.ts'

export function compositionOf({ oils }: UnitBatter) {
  const weigh = (of: (oil: UnitBatter['oils'][number]['oil']) => number) =>
    oils.reduce((sum, part) => sum + part.share * of(part.oil), 0)
  return {
    sapKohMgPerG: weigh(oil => oil.sapKohMgPerG),
    short: weigh(oil => fattyGroups(oil).shortSaturated),
    long: weigh(oil => fattyGroups(oil).longSaturated),
    poly: weigh(oil => fattyGroups(oil).polyunsaturated),
    ricinoleic: weigh(oil => fattyGroups(oil).ricinoleic),
  }
}

/** ln of how much each cup's scent quickens it; 0 without. */
function scentRates(plan: Plan, portions: Portions, shelf: Shelf, unit: UnitBatter): number[] {
  const rates = ratesOf(shelf)
  return plan.cups.map((cup, i) => {
    const planned = cup.ownScent ?? (cup.scented ? plan.scent : null)
    if (!planned) return 0
    const parts = scentLoad(planned, shelf, unit.batterG).parts.map(({ id, share }) => ({ scent: id, share }))
    return rates.scentedMean(recipeKey(plan), parts, portions.cups[i]!.scentOfOils * 1000)
  })
}

/** How complete a cup's emulsion is as it is poured, the mean of its pours; whole where it is not known. */
function emulsionOf(lanes: PouredInputs['lanes'] | undefined, cup: string): number {
  const pours = lanes?.pours.filter(pour => pour.cup === cup) ?? []
  return pours.length > 0 ? pours.reduce((sum, pour) => sum + pour.emulsion, 0) / pours.length : 1
}

type Asked = readonly [plan: Plan, portions: Portions, shelf: Shelf, lanes: PouredInputs['lanes'] | undefined]

/** What was asked for last: a look at a rest asks for the same three times over. */
let last: { asked: Asked; materials: Material[] } | null = null

/** What each cup brings to the mould, with the water, oil and scent that its colours brought; how it is emulsified from its lanes. */
export function materialsOf(
  ...asked: [plan: Plan, portions: Portions, shelf: Shelf, lanes?: PouredInputs['lanes']]
): Material[] {
  const [plan, portions, shelf, lanes] = asked
  if (!last || [plan, portions, shelf, lanes].some((one, i) => one !== last!.asked[i]))
    last = { asked: [plan, portions, shelf, lanes], materials: madeOf(plan, portions, shelf, lanes) }
  return last.materials
}

function madeOf(plan: Plan, portions: Portions, shelf: Shelf, lanes?: PouredInputs['lanes']): Material[] {
  const unit = unitBatter(plan.recipe, shelf)
  const composition = compositionOf(unit)
  const lnRates = scentRates(plan, portions, shelf, unit)
  return plan.cups.map((cup, i) => {
    const portion = portions.cups[i]!
    const isPoured = portion.totalG > 0
    const superfat = isPoured ? portion.superfatShare : unit.superfatShare
    const concentration = isPoured ? portion.concentrationShare : unit.water.concentration
    return materialOf({
      sapKohMgPerG: composition.sapKohMgPerG,
      short: composition.short,
      long: composition.long,
      poly: composition.poly,
      ricinoleic: composition.ricinoleic,
      superfatShare: Math.min(0.25, Math.max(0, superfat)),
      lyeConcentration: Math.min(0.5, Math.max(0.2, concentration)),
      scent: portions.cups[i]!.scentOfOils,
      sugar: unit.sugarShare,
      solids: 0,
      acceleration: accelerationOf(lnRates[i]!),
      emulsion: emulsionOf(lanes, cup.id),
    })
  })
}

/** One material for all of it, weighed by what the cups hold: for designs whose colours lie through each other. */
export function mixed(materials: readonly Material[], portions: Portions): Material {
  const whole = portions.cups.reduce((sum, cup) => sum + cup.totalG, 0)
  const mean = (key: keyof Material) =>
    materials.reduce((sum, one, i) => sum + (portions.cups[i]!.totalG / whole) * one[key], 0)
  const keys = Object.keys(materials[0]!) as (keyof Material)[]
  return Object.fromEntries(keys.map(key => [key, mean(key)])) as unknown as Material
}

/** Water in all the batter, share of its mass: what bars lose on the rack. */
export function batterWater(plan: Plan, portions: Portions, shelf: Shelf, lanes?: PouredInputs['lanes']): number {
  const materials = materialsOf(plan, portions, shelf, lanes)
  const whole = portions.cups.reduce((sum, cup) => sum + cup.totalG, 0)
  return materials.reduce((sum, one, i) => sum + (portions.cups[i]!.totalG / whole) * one.water, 0)
}
