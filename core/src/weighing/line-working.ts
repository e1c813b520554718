import type { Plan } from '../plan/index.ts'
import type { Portions } from '../portions/index.ts'
import { findById } from '../shelf/index.ts'
import type { Shelf } from '../shelf/index.ts'
import type { Working } from '../working/index.ts'
import type { WeighLine } from './line.ts'

type Part = Pick<Working, 'formula' | 'inputs' | 'source'>

const SCALE = 'Rounded to the scale that weighs it; lye and scent down.'

function cupPart(plan: Plan, portions: Portions, key: string, isMedium: boolean): Part | null {
  const [id, colorant] = key.split(':')
  const i = plan.cups.findIndex(cup => cup.id === id)
  const dose = plan.cups[i]?.colorants.find(part => part.colorant === colorant)
  if (!dose) return null
  const { slurry } = dose
  if (slurry)
    return {
      formula: 'used ÷ made × what was weighed',
      inputs: [
        { name: 'used', value: slurry.usedG, unit: 'g' },
        { name: 'made', value: slurry.powderG + slurry.mediumG, unit: 'g' },
        {
          name: isMedium ? 'liquid in it' : 'powder in it',
          value: isMedium ? slurry.mediumG : slurry.powderG,
          unit: 'g',
        },
      ],
      source: 'From the slurry that was made.',
    }
  const batter = { name: 'batter of the cup', value: portions.cups[i]!.exact.batterG, unit: 'g' }
  const powder = { name: 'dose', value: dose.doseGPerKg, unit: `g per kg of ${dose.basis}` }
  const perOils = dose.basis === 'oils' ? ' ÷ batter per oils' : ''
  return isMedium
    ? {
        formula: `batter × dose ÷ 1000${perOils} × liquid to powder`,
        inputs: [batter, powder, { name: 'liquid to powder', value: dose.mediumRatio, unit: '' }],
        source: SCALE,
      }
    : { formula: `batter × dose ÷ 1000${perOils}`, inputs: [batter, powder], source: SCALE }
}

function liquidPart(plan: Plan, portions: Portions, shelf: Shelf, id: string): Part | null {
  const part = plan.recipe.liquids.find(one => one.liquid === id)
  const liquid = findById(shelf.liquids, id)
  const exactG = portions.liquids.find(one => one.id === id)?.exactG
  if (!part || !liquid || exactG === undefined) return null
  const byWater = part.measure === 'water'
  const waterG = part.shareOfWater > 0 ? (exactG * (byWater ? liquid.waterShare : 1)) / part.shareOfWater : 0
  return {
    formula: byWater ? 'all water × its share ÷ the water in it' : 'all water × its share, weighed as water',
    inputs: [
      { name: 'all water', value: waterG, unit: 'g' },
      { name: 'its share', value: part.shareOfWater * 100, unit: '%' },
      ...(byWater ? [{ name: 'water in it', value: liquid.waterShare * 100, unit: '%' }] : []),
    ],
    source: 'Make-up of the liquid from the shelf; read the label of yours.',
  }
}

function partOf(line: WeighLine, plan: Plan, portions: Portions, shelf: Shelf): Part | null {
  const [kind, id = ''] = line.key.split(/:(.*)/s)
  const oils = { name: 'all oils', value: portions.oilG, unit: 'g' }
  switch (kind) {
    case 'oil': {
      const share = portions.oils.find(part => part.oil === id)?.share ?? 0
      return {
        formula: 'oils × share',
        inputs: [oils, { name: 'share', value: share * 100, unit: '%' }],
        source: SCALE,
      }
    }
    case 'additive': {
      const dose = plan.recipe.additives.find(part => part.additive === id)?.gPerKgOils ?? 0
      return {
        formula: 'oils × dose ÷ 1000',
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
        formula: 'scent of all cups × share of the blend',
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
