import type { Browning, Dose } from '../colour/index.ts'
import type { Plan } from '../../plan/index.ts'
import type { Portion, PortionColour, Portions } from '../../portions/index.ts'
import { scentLoad, unitBatter } from '../../recipe/index.ts'
import { findById, foundOf } from '../../shelf/index.ts'
import type { Colorant, Shelf } from '../../shelf/index.ts'
import { pigmentOfColorant } from './pigments.ts'

/** A colorant in a cup, with what is known of it. */
export interface CupDose extends Dose {
  colorant: Colorant
}

/** Colour of the whole pot and of infused oils: in every cup, g per kg of batter. */
export function commonDoses(plan: Plan, shelf: Shelf): CupDose[] {
  const unit = unitBatter(plan.recipe, shelf)
  const inPot = plan.potColorants.map(part => ({ id: part.colorant, gPerKg: part.doseGPerKg }))
  const infused = plan.recipe.oils.flatMap(part => {
    const share = unit.oils.find(one => one.oil.id === part.oil)?.share ?? 0
    return part.infusion?.colorant ? [{ id: part.infusion.colorant, gPerKg: (share / unit.batterG) * 1000 }] : []
  })
  return [...inPot, ...infused].flatMap(({ id, gPerKg }) => {
    const colorant = findById(shelf.colorants, id)
    return colorant ? [{ colorant, pigment: pigmentOfColorant(colorant).pigment, gPerKg }] : []
  })
}

/** A dose as planned, g per kg of the cup's batter, before the scale rounds its powder. */
export const exactDose = ({ exact }: Portion, part: PortionColour): number =>
  exact.batterG > 0 ? (part.exact.powderG / exact.batterG) * 1000 : part.doseGPerKg

/** A cup's own colorants at the doses that it really has. */
export function ownDoses(portions: Portions, i: number, shelf: Shelf): CupDose[] {
  return portions.cups[i]!.colours.flatMap(part => {
    const colorant = findById(shelf.colorants, part.colorant)
    if (!colorant) return []
    return [{ colorant, pigment: pigmentOfColorant(colorant).pigment, gPerKg: part.doseGPerKg }]
  })
}

/** Vanillin of a cup's scent, g per kg of batter, with its stabiliser; and its share of the scent. */
export interface CupBrowning extends Browning {
  ofScent: number
}

/** What browns in a cup; null when its scent has no vanillin. */
export function browningOf(plan: Plan, portions: Portions, i: number, shelf: Shelf): CupBrowning | null {
  const cup = plan.cups[i]!
  const planned = cup.ownScent ?? (cup.scented ? plan.scent : null)
  const portion = portions.cups[i]!
  if (!planned || !(portion.scentOfBatter > 0)) return null
  const load = scentLoad(planned, shelf, unitBatter(plan.recipe, shelf).batterG)
  const ofScent = load.parts.reduce((sum, part) => sum + part.share * (part.scent?.vanillinShare ?? 0), 0)
  if (!(ofScent > 0)) return null
  const found = (what: 'depth' | 'pace' | 'held'): number =>
    load.parts.reduce((sum, { share, scent }) => {
      const weight = (share * (scent?.vanillinShare ?? 0)) / ofScent
      return weight > 0 ? sum + weight * foundOf(scent!.findings, what).mean : sum
    }, 0)
  const scentGPerKg = portion.scentOfBatter * 1000
  return {
    ofScent,
    deeper: found('depth'),
    later: found('pace'),
    held: found('held'),
    vanillinGPerKg: scentGPerKg * ofScent,
    stabiliserGPerKg:
      scentGPerKg * (cup.ownScent ? planned.stabiliserRatio : (cup.stabiliserRatio ?? planned.stabiliserRatio)),
  }
}
