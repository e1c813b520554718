import { shown } from '../constants/index.ts'
import { batterDensity } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import type { Portions } from '../portions/index.ts'
import { FAT_GROUPS, capShare, lyeDemand, unitBatter } from '../recipe/index.ts'
import type { Character, FatGroup, FatGroupKey } from '../recipe/index.ts'
import type { Shelf } from '../shelf/index.ts'
import type { RecipeResult } from './recipe-result.ts'
import type { Working } from '../working/index.ts'

export type WorkingKey =
  'pot' | 'oils' | 'lye' | 'water' | 'superfat' | 'scent' | 'scentLimit' | 'pace' | 'lyeDiscount' | FatGroupKey

/** How the numbers came about that a maker stakes a batch on. */
export function workingsOf(
  plan: Plan,
  shelf: Shelf,
  portions: Portions,
  result: RecipeResult,
): Record<WorkingKey, Working> {
  const { recipe, mould } = plan
  const unit = unitBatter(recipe, shelf)
  const demand = lyeDemand(
    unit.oils.map(({ oil }, i) => ({ massG: portions.oils[i]!.massG, sapKohMgPerG: oil.sapKohMgPerG })),
  )
  const sapSource = `Saponification values from the shelf, mg KOH per g; NaOH by molar mass, ${shown('naohMolarMass')} / ${shown('kohMolarMass')}.`
  const fatNaohG = unit.naohG * portions.oilG - unit.acidNaohG * portions.oilG - demand * (1 - recipe.superfatShare)
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
        { name: 'density', value: batterDensity(plan), unit: 'g/ml' },
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
      formula:
        '(NaOH for all oils and counted fats × (1 − superfat) + NaOH for acids) ÷ purity, rounded down to the scale',
      inputs: [
        { name: 'NaOH for all oils', value: demand, unit: 'g' },
        { name: 'superfat', value: recipe.superfatShare * 100, unit: '%' },
        { name: 'NaOH for acids', value: unit.acidNaohG * portions.oilG, unit: 'g' },
        { name: 'NaOH for fat in liquids and additives', value: fatNaohG, unit: 'g' },
        { name: 'purity', value: recipe.lyePurityShare * 100, unit: '%' },
        { name: 'not rounded', value: portions.lyeExactG, unit: 'g' },
      ],
      source: `${sapSource} Compare the oils’ certificates.`,
    },
    water: {
      title: 'Water',
      value: portions.waterG,
      unit: 'g',
      formula: `${WATER_FORMULAS[recipe.water.basis]} − what liquids and additives bring`,
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
      ],
      source:
        'Concentration = NaOH ÷ (NaOH + water), all water counted. A discount is from full water as a share of the oils.',
    },
    superfat: {
      title: 'Superfat as weighed',
      value: portions.superfatShare * 100,
      unit: '%',
      formula: '1 − lye × purity ÷ NaOH for all oils',
      inputs: [
        { name: 'lye', value: portions.lyeG, unit: 'g' },
        { name: 'NaOH for all oils', value: demand, unit: 'g' },
        { name: 'with oils at their usual low and the scale off', value: portions.superfat.low * 100, unit: '%' },
        { name: 'with oils at their usual high and the scale off', value: portions.superfat.high * 100, unit: '%' },
      ],
      source: sapSource,
    },
    lyeDiscount: {
      title: 'Lye discount',
      value: result.lyeDiscountShare * 100,
      unit: '%',
      formula: '1 − NaOH ÷ NaOH for the oils in the pot from the start',
      inputs: [
        { name: 'superfat of all oils', value: recipe.superfatShare * 100, unit: '%' },
        { name: 'oils kept back', value: result.lateShare * 100, unit: '%' },
      ],
      source: 'The superfat counts all oils once, late ones included; the discount is what the first ones see.',
    },
    ...scentWorkings(result, portions),
    ...groupWorkings(result.character),
    pace: {
      title: 'Pace of the batter',
      value: Math.exp(result.pace.lnRate),
      unit: '× a balanced recipe',
      formula:
        'e^(Σ fatty acids × pace + quickness + 6 × (lye concentration − 30 %) − 2 × (superfat − 5 %) + additives)',
      inputs: [
        { name: 'lye concentration', value: result.water.concentration * 100, unit: '%' },
        { name: 'superfat', value: recipe.superfatShare * 100, unit: '%' },
        { name: 'ln of the rate', value: result.pace.lnRate, unit: '' },
      ],
      source: 'Fitted to what makers report at the bench; right to a factor of about 1.4 for an untested recipe.',
    },
  }
}

function scentWorkings(
  { scent, batterPerOils }: RecipeResult,
  portions: Portions,
): Pick<Record<WorkingKey, Working>, 'scent' | 'scentLimit'> {
  return {
    scent: {
      title: 'Scent to weigh',
      value: portions.scentG,
      unit: 'g',
      formula: 'load × oils, over the scented cups, rounded down',
      inputs: [
        { name: 'of the oils', value: (scent?.loadOfOils ?? 0) * 100, unit: '%' },
        { name: 'of the batter', value: (scent?.loadOfBatter ?? 0) * 100, unit: '%' },
        { name: 'oils', value: portions.oilG, unit: 'g' },
        { name: 'batter for 1 g of oils', value: batterPerOils, unit: 'g' },
      ],
      source: 'The rate of the plan.',
    },
    scentLimit: {
      title: 'Most that this scent may be',
      value: capShare(scent?.mostOfOils ?? 0) * 100,
      unit: '% of the oils',
      formula: 'the smallest of (limit of a part ÷ its share)',
      inputs: (scent?.parts ?? []).map(part => ({
        name: part.name,
        value: capShare(part.limitOfOils) * 100,
        unit: `% ÷ ${Math.round(part.share * 1000) / 10} %`,
      })),
      source: `Limits on the shelf, as % of the oils, rounded down; a limit on the cured bar × ${shown('curedPerOils')}. Suppliers’ documents come first.`,
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
        formula: `Σ share of the oil × its ${acids.join(', ')}`,
        inputs: from.map(part => ({ name: part.name, value: part.share * 100, unit: '%' })),
        source: `It ${does} Textbook profiles, ±10 to 20 % for the major acids.`,
      },
    ]
  }
  return Object.fromEntries(groups.map(one)) as Record<FatGroupKey, Working>
}
