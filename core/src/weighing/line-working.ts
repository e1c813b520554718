import { fact } from '../quantities/facts/index.ts'
import type { Plan } from '../plan/index.ts'
import type { Portions } from '../portions/index.ts'
import { batterAmounts, divisionSheet } from '../preparation/index.ts'
import { takenBy, unitBatter } from '../recipe/index.ts'
import { findById } from '../shelf/index.ts'
import type { Shelf } from '../shelf/index.ts'
import type { Working } from '../quantities/working/index.ts'
import type { WeighLine } from './line.ts'

type Part = Pick<Working, 'formula' | 'inputs' | 'source'>

const SCALE = fact('weighing.rounded-scale-weighs-lye')

function cupPart(plan: Plan, portions: Portions, key: string, isMedium: boolean): Part | null {
  const [id, colorant] = key.split(':')
  const i = plan.cups.findIndex(cup => cup.id === id)
  const dose = plan.cups[i]?.colorants.find(part => part.colorant === colorant)
  if (!dose) return null
  const { slurry } = dose
  if (slurry)
    return {
      formula: fact('weighing.used-made-what-was'),
      inputs: [
        { name: 'used', value: slurry.usedG, unit: 'g' },
        { name: 'made', value: slurry.powderG + slurry.mediumG, unit: 'g' },
        {
          name: isMedium ? 'liquid in it' : 'powder in it',
          value: isMedium ? slurry.mediumG : slurry.powderG,
          unit: 'g',
        },
      ],
      source: fact('weighing.from-slurry-was-made'),
    }
  const batter = { name: 'batter of the cup', value: portions.cups[i]!.exact.batterG, unit: 'g' }
  const powder = { name: 'dose', value: dose.doseGPerKg, unit: `g per kg of ${dose.basis}` }
  const perOils = dose.basis === 'oils' ? fact('weighing.batter-per-oils') : ''
  return isMedium
    ? {
        formula: fact('weighing.batter-dose-1000-liquid', { perOils }),
        inputs: [batter, powder, { name: 'liquid to powder', value: dose.mediumRatio, unit: '' }],
        source: SCALE,
      }
    : { formula: fact('weighing.batter-dose-1000', { perOils }), inputs: [batter, powder], source: SCALE }
}

function liquidPart(plan: Plan, portions: Portions, shelf: Shelf, id: string): Part | null {
  const part = plan.recipe.liquids.find(one => one.liquid === id)
  const liquid = findById(shelf.liquids, id)
  const exactG = portions.liquids.find(one => one.id === id)?.exactG
  if (!part || !liquid || exactG === undefined) return null
  const byWater = part.measure === 'water'
  const waterG = part.shareOfWater > 0 ? (exactG * (byWater ? liquid.waterShare : 1)) / part.shareOfWater : 0
  return {
    formula: byWater ? fact('weighing.all-water-its-share') : fact('weighing.all-water-its-share-weighed'),
    inputs: [
      { name: 'all water', value: waterG, unit: 'g' },
      { name: 'its share', value: part.shareOfWater * 100, unit: '%' },
      ...(byWater ? [{ name: 'water in it', value: liquid.waterShare * 100, unit: '%' }] : []),
    ],
    source: fact('weighing.make-up-liquid-from'),
  }
}

const fromSheet = (plan: Plan, shelf: Shelf, portions: Portions, cup: string) => {
  const sheet = divisionSheet(plan, shelf, portions)
  return { sheet, batter: sheet.batters.find(one => one.cup === cup) }
}

/** A line of a batter of its own: lye from its own oils, everything else by its share of the oils. */
function batterPart(line: WeighLine, plan: Plan, portions: Portions, shelf: Shelf): Part | null {
  const { sheet, batter } = fromSheet(plan, shelf, portions, line.batter)
  if (!batter) return null
  const unit = unitBatter(plan.recipe, shelf)
  const oilsG = batter.oils.reduce((sum, part) => sum + part.massG + part.drawnG, 0)
  const oils = { name: 'oils of this batter', value: oilsG, unit: 'g' }
  if (line.kind === 'lye' || line.kind === 'solution') {
    const { weighed } = batterAmounts(sheet, batter, { plan, unit }, (_, plannedG) => plannedG)
    const taken = takenBy(unit, weighed)
    const perG = batter.own
      ? { name: 'purity', value: plan.recipe.lyePurityShare * 100, unit: '%' }
      : {
          name: 'NaOH in a gram of the solution',
          value: (sheet.solution!.lyeG * plan.recipe.lyePurityShare) / sheet.solution!.totalG,
          unit: 'g',
        }
    return {
      formula: fact('weighing.naoh-for-its-oils', { perG: perG.name }),
      inputs: [
        { name: 'NaOH for its oils', value: taken.oilsG, unit: 'g' },
        { name: 'NaOH for counted fats', value: taken.countedFatG, unit: 'g' },
        { name: 'superfat', value: plan.recipe.superfatShare * 100, unit: '%' },
        { name: 'NaOH for acids', value: taken.countedAcidG, unit: 'g' },
        perG,
      ],
      source: fact('weighing.from-what-really-solution'),
    }
  }
  const perOils = oilsG > 0 ? line.exactG / oilsG : 0
  return {
    formula: fact('weighing.oils-this-batter-its'),
    inputs: [oils, { name: 'for 1 g of oils', value: perOils, unit: 'g' }],
    source: SCALE,
  }
}

function otherPart(line: WeighLine, plan: Plan): Part | null {
  if (line.group === 'lines')
    return {
      formula: fact('weighing.area-layer-what-just'),
      inputs: [{ name: 'just covers', value: 5, unit: 'mg per cm²' }],
      source: fact('weighing.estimate-line-only-just'),
    }
  if (line.kind === 'topping' || line.key === 'rinse')
    return {
      formula: fact('weighing.as-plan-says'),
      inputs: [{ name: 'in all', value: line.exactG, unit: 'g' }],
      source: SCALE,
    }
  if (line.batter === 'top')
    return {
      formula: fact('weighing.batter-for-top-1'),
      inputs: [{ name: 'batter for the top', value: plan.division.top?.massG ?? 0, unit: 'g' }],
      source: fact('weighing.with-recipes-superfat-purity'),
    }
  return null
}

function partOf(line: WeighLine, plan: Plan, portions: Portions, shelf: Shelf): Part | null {
  const other = otherPart(line, plan)
  if (other) return other
  if (line.batter !== '') return batterPart(line, plan, portions, shelf)
  const [kind, id = ''] = line.key.split(/:(.*)/s)
  const oils = { name: 'all oils', value: portions.oilG, unit: 'g' }
  switch (kind) {
    case 'oil': {
      const share = portions.oils.find(part => part.oil === id)?.share ?? 0
      return {
        formula: fact('weighing.oils-share'),
        inputs: [oils, { name: 'share', value: share * 100, unit: '%' }],
        source: SCALE,
      }
    }
    case 'additive': {
      const dose = plan.recipe.additives.find(part => part.additive === id)?.gPerKgOils ?? 0
      return {
        formula: fact('weighing.oils-dose-1000'),
        inputs: [oils, { name: 'dose', value: dose, unit: 'g per kg of oils' }],
        source: SCALE,
      }
    }
    case 'liquid':
      return liquidPart(plan, portions, shelf, id)
    case 'scent': {
      const whole = plan.scent?.parts.reduce((sum, part) => sum + part.share, 0) ?? 1
      const share = (plan.scent?.parts.find(part => part.scent === id)?.share ?? 0) / (whole || 1)
      return {
        formula: fact('weighing.scent-all-cups-share'),
        inputs: [
          { name: 'scent of all cups', value: portions.scentG, unit: 'g' },
          { name: 'share', value: share * 100, unit: '%' },
        ],
        source: SCALE,
      }
    }
    case 'colour':
    case 'medium':
      return cupPart(plan, portions, id, kind === 'medium')
    default:
      return null
  }
}

/** How a weight of the list came about; null for lye and water, which the forecast explains. */
export function lineWorking(line: WeighLine, plan: Plan, portions: Portions, shelf: Shelf): Working | null {
  const part = partOf(line, plan, portions, shelf)
  if (!part) return null
  const exact = { name: 'not rounded', value: line.exactG, unit: 'g' }
  return { title: line.what, value: line.massG, unit: 'g', ...part, inputs: [...part.inputs, exact] }
}
