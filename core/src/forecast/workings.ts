import { fact } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import { shown } from '../quantities/constants/index.ts'
import { batterDensity } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import type { Portions } from '../portions/index.ts'
import { FAT_GROUPS, capShare, lyeDemand, unitBatter } from '../recipe/index.ts'
import type { Character, FatGroup, FatGroupKey, UnitBatter } from '../recipe/index.ts'
import type { Shelf } from '../shelf/index.ts'
import type { RecipeResult } from './recipe-result.ts'
import type { Working } from '../quantities/working/index.ts'

export type WorkingKey =
  | 'pot'
  | 'oils'
  | 'lye'
  | 'water'
  | 'superfat'
  | 'scent'
  | 'scentLimit'
  | 'pace'
  | 'lyeDiscount'
  | FatGroupKey

/** What the workings are told from. */
interface Told {
  plan: Plan
  portions: Portions
  result: RecipeResult
  unit: UnitBatter
  /** NaOH that all oils take, g. */
  demand: number
  /** Where the values come from that the lye rests on. */
  sapSource: Words
}

/** How the numbers came about that a maker stakes a batch on. */
export function workingsOf(
  plan: Plan,
  shelf: Shelf,
  portions: Portions,
  result: RecipeResult,
): Record<WorkingKey, Working> {
  const unit = unitBatter(plan.recipe, shelf)
  const demand = lyeDemand(
    unit.oils.map(({ oil }, i) => ({ massG: portions.oils[i]!.massG, sapKohMgPerG: oil.sapKohMgPerG })),
  )
  const sapSource = fact('forecast.saponification-values-from-shelf', {
    n: shown('naohMolarMass'),
    n2: shown('kohMolarMass'),
  })
  const told = { plan, portions, result, unit, demand, sapSource }
  const { lye, ...superfat } = lyeWorkings(told)
  return {
    ...potWorkings(told),
    lye,
    water: waterWorking(told),
    ...superfat,
    ...scentWorkings(result, portions),
    ...groupWorkings(result.character),
    pace: paceWorking(told),
  }
}

function potWorkings({ plan, portions, unit }: Told): Pick<Record<WorkingKey, Working>, 'pot' | 'oils'> {
  const { mould } = plan
  const clings = plan.pot.clingG + portions.cups.reduce((sum, cup) => sum + cup.clingG, 0)
  return {
    pot: {
      title: fact('forecast.batter-pot'),
      value: portions.potG,
      unit: 'g',
      formula: fact('forecast.length-width-height-density'),
      inputs: [
        { name: 'length', value: mould.innerLengthMm, unit: 'mm' },
        { name: 'width', value: mould.innerWidthMm, unit: 'mm' },
        { name: 'soap height', value: mould.fillMm, unit: 'mm' },
        { name: 'density', value: batterDensity(plan), unit: 'g/ml' },
        { name: 'clings to pot and cups', value: clings, unit: 'g' },
      ],
      source: fact('forecast.inner-dimensions-mould-batter'),
    },
    oils: {
      title: fact('Oils'),
      value: portions.oilG,
      unit: 'g',
      formula: fact('forecast.batter-1-lye-water'),
      inputs: [
        { name: 'batter', value: portions.potG, unit: 'g' },
        { name: 'lye for 1 g of oils', value: unit.lyeG, unit: 'g' },
        { name: 'water for 1 g of oils', value: unit.waterG, unit: 'g' },
      ],
      source: fact('forecast.shares-recipe'),
    },
  }
}

function lyeWorkings(told: Told): Pick<Record<WorkingKey, Working>, 'lye' | 'superfat' | 'lyeDiscount'> {
  const { plan, portions, result, unit, demand, sapSource } = told
  const { recipe } = plan
  const fatNaohG = unit.naohG * portions.oilG - unit.acidNaohG * portions.oilG - demand * (1 - recipe.superfatShare)
  return {
    lye: {
      title: fact('forecast.lye-weigh'),
      value: portions.lyeG,
      unit: 'g',
      formula: fact('forecast.naoh-for-all-oils'),
      inputs: [
        { name: 'NaOH for all oils', value: demand, unit: 'g' },
        { name: 'superfat', value: recipe.superfatShare * 100, unit: '%' },
        { name: 'NaOH for acids', value: unit.acidNaohG * portions.oilG, unit: 'g' },
        { name: 'NaOH for fat in liquids and additives', value: fatNaohG, unit: 'g' },
        { name: 'purity', value: recipe.lyePurityShare * 100, unit: '%' },
        { name: 'not rounded', value: portions.lyeExactG, unit: 'g' },
      ],
      source: fact('forecast.compare-oils-certificates', { sapSource }),
    },
    superfat: {
      title: fact('forecast.superfat-as-weighed'),
      value: portions.superfatShare * 100,
      unit: '%',
      formula: fact('forecast.1-lye-purity-naoh'),
      inputs: [
        { name: 'lye', value: portions.lyeG, unit: 'g' },
        { name: 'NaOH for all oils', value: demand, unit: 'g' },
        { name: 'with oils at their usual low and the scale off', value: portions.superfat.low * 100, unit: '%' },
        { name: 'with oils at their usual high and the scale off', value: portions.superfat.high * 100, unit: '%' },
      ],
      source: sapSource,
    },
    lyeDiscount: {
      title: fact('forecast.lye-discount'),
      value: result.lyeDiscountShare * 100,
      unit: '%',
      formula: fact('forecast.1-naoh-naoh-for'),
      inputs: [
        { name: 'superfat of all oils', value: recipe.superfatShare * 100, unit: '%' },
        { name: 'oils kept back', value: result.lateShare * 100, unit: '%' },
      ],
      source: fact('forecast.superfat-counts-all-oils'),
    },
  }
}

function waterWorking({ plan, portions, unit }: Told): Working {
  const { recipe } = plan
  return {
    title: fact('Water'),
    value: portions.waterG - portions.rinseG,
    unit: 'g',
    formula: fact('forecast.what-liquids-additives-bring', { formula: fact(WATER_FORMULAS[recipe.water.basis]) }),
    inputs: [
      { name: 'NaOH in the lye', value: portions.lyeExactG * recipe.lyePurityShare, unit: 'g' },
      { name: 'oils', value: portions.oilG, unit: 'g' },
      ...(recipe.water.basis === 'discount'
        ? [{ name: 'full water, of the oils', value: recipe.water.fullShareOfOils * 100, unit: '%' }]
        : []),
      {
        name: WATER_NAMES[recipe.water.basis],
        value: recipe.water.value * (recipe.water.basis === 'ratio' ? 1 : 100),
        unit: recipe.water.basis === 'ratio' ? '' : '%',
      },
      { name: 'brought by liquids and additives', value: (unit.allWaterG - unit.waterG) * portions.oilG, unit: 'g' },
      ...(portions.rinseG > 0 ? [{ name: 'kept back to rinse with', value: portions.rinseG, unit: 'g' }] : []),
    ],
    source: fact('forecast.concentration-naoh-naoh-water'),
  }
}

function paceWorking({ plan, result }: Told): Working {
  return {
    title: fact('forecast.pace-batter'),
    value: Math.exp(result.pace.lnRate),
    unit: '× a balanced recipe',
    formula: fact('forecast.e-fatty-acids-pace'),
    inputs: [
      { name: 'lye concentration', value: result.water.concentration * 100, unit: '%' },
      { name: 'superfat', value: plan.recipe.superfatShare * 100, unit: '%' },
      { name: 'ln of the rate', value: result.pace.lnRate, unit: '' },
    ],
    source: fact('forecast.fitted-what-makers-report'),
  }
}

function scentWorkings(
  { scent, batterPerOils }: RecipeResult,
  portions: Portions,
): Pick<Record<WorkingKey, Working>, 'scent' | 'scentLimit'> {
  return {
    scent: {
      title: fact('forecast.scent-weigh'),
      value: portions.scentG,
      unit: 'g',
      formula: fact('forecast.load-oils-over-scented'),
      inputs: [
        { name: 'of the oils', value: (scent?.loadOfOils ?? 0) * 100, unit: '%' },
        { name: 'of the batter', value: (scent?.loadOfBatter ?? 0) * 100, unit: '%' },
        { name: 'oils', value: portions.oilG, unit: 'g' },
        { name: 'batter for 1 g of oils', value: batterPerOils, unit: 'g' },
      ],
      source: fact('forecast.rate-plan'),
    },
    scentLimit: {
      title: fact('forecast.most-this-scent-may'),
      value: capShare(scent?.mostOfOils ?? 0) * 100,
      unit: '% of the oils',
      formula: fact('forecast.smallest-limit-part-its'),
      inputs: (scent?.parts ?? []).map(part => ({
        name: part.name,
        value: capShare(part.limitOfOils) * 100,
        unit: `% ÷ ${Math.round(part.share * 1000) / 10} %`,
      })),
      source: fact('forecast.limits-on-shelf-as', { n: shown('curedPerOils') }),
    },
  }
}

const WATER_NAMES = {
  concentration: 'lye concentration',
  share: 'water, of the oils',
  ratio: 'water to lye',
  discount: 'discount',
}
const WATER_FORMULAS = {
  concentration: 'NaOH × (1 − concentration) ÷ concentration',
  share: 'oils × share',
  ratio: 'NaOH × ratio',
  discount: 'oils × full water × (1 − discount)',
}

function groupWorkings({ groups }: Character): Record<FatGroupKey, Working> {
  const one = ({ key, share, from }: FatGroup): [FatGroupKey, Working] => {
    const { name, acids, does } = FAT_GROUPS[key]
    return [
      key,
      {
        title: name,
        value: share * 100,
        unit: '%',
        formula: fact('forecast.share-oil-its', { acids: acids.join(', ') }),
        inputs: from.map(part => ({ name: part.name, value: part.share * 100, unit: '%' })),
        source: fact('forecast.textbook-profiles-10-20', { does }),
      },
    ]
  }
  return Object.fromEntries(groups.map(one)) as Record<FatGroupKey, Working>
}
