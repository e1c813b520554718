import type { Plan } from '../plan/index.ts'
import type { Portions } from '../portions/index.ts'
import { lyeDemand, unitBatter } from '../recipe/index.ts'
import type { Shelf } from '../shelf/index.ts'
import type { Working } from '../working/index.ts'

export type WorkingKey = 'pot' | 'oils' | 'lye' | 'water' | 'superfat'

/** How the numbers came about that a maker stakes a batch on. */
export function workingsOf(plan: Plan, shelf: Shelf, portions: Portions): Record<WorkingKey, Working> {
  const { recipe, conditions, mould } = plan
  const unit = unitBatter(recipe, shelf)
  const demand = lyeDemand(
    unit.oils.map(({ oil }, i) => ({ massG: portions.oils[i]!.massG, sapKohMgPerG: oil.sapKohMgPerG })),
  )
  const sapSource = 'Saponification values from the shelf, mg KOH per g; NaOH by molar mass, 39.997 / 56.106.'
  const clings = plan.pot.clingG + portions.cups.reduce((sum, cup) => sum + cup.clingG, 0)
  return {
    pot: {
      title: 'Batter in the pot',
      value: portions.potG,
      unit: 'g',
      formula: 'length × width × height × density + what clings − scent, colour and its liquid',
      inputs: [
        { name: 'length', value: mould.innerLengthMm, unit: 'mm' },
        { name: 'width', value: mould.innerWidthMm, unit: 'mm' },
        { name: 'soap height', value: mould.fillMm, unit: 'mm' },
        { name: 'density', value: conditions.densityGPerMl, unit: 'g/ml' },
        { name: 'clings to pot and cups', value: clings, unit: 'g' },
      ],
      source: 'Inner dimensions of the mould. Batter density 0.95–1.05 g/ml by habit; your own weighing comes first.',
    },
    oils: {
      title: 'Oils',
      value: portions.oilG,
      unit: 'g',
      formula: 'batter ÷ (1 + lye and water for 1 g of oils), each oil rounded to the scale',
      inputs: [
        { name: 'batter', value: portions.potG, unit: 'g' },
        { name: 'lye for 1 g of oils', value: unit.lyeG, unit: 'g' },
        { name: 'water for 1 g of oils', value: unit.waterG, unit: 'g' },
      ],
      source: 'Shares of the recipe.',
    },
    lye: {
      title: 'Lye to weigh',
      value: portions.lyeG,
      unit: 'g',
      formula: 'NaOH for all oils × (1 − superfat) ÷ purity, rounded down to the scale',
      inputs: [
        { name: 'NaOH for all oils', value: demand, unit: 'g' },
        { name: 'superfat', value: recipe.superfatShare * 100, unit: '%' },
        { name: 'purity', value: recipe.lyePurityShare * 100, unit: '%' },
        { name: 'not rounded', value: portions.lyeExactG, unit: 'g' },
      ],
      source: `${sapSource} Compare the oils’ certificates.`,
    },
    water: {
      title: 'Water',
      value: portions.waterG,
      unit: 'g',
      formula: 'NaOH × (1 − concentration) ÷ concentration',
      inputs: [
        { name: 'NaOH in the lye', value: portions.lyeExactG * recipe.lyePurityShare, unit: 'g' },
        { name: 'lye concentration', value: recipe.lyeConcentrationShare * 100, unit: '%' },
      ],
      source: 'Concentration = NaOH ÷ (NaOH + water).',
    },
    superfat: {
      title: 'Superfat as weighed',
      value: portions.superfatShare * 100,
      unit: '%',
      formula: '1 − lye × purity ÷ NaOH for all oils',
      inputs: [
        { name: 'lye', value: portions.lyeG, unit: 'g' },
        { name: 'NaOH for all oils', value: demand, unit: 'g' },
        { name: 'if every oil is at its usual low', value: portions.superfatLowShare * 100, unit: '%' },
        { name: 'if every oil is at its usual high', value: portions.superfatHighShare * 100, unit: '%' },
      ],
      source: sapSource,
    },
  }
}
