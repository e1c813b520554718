import { batterDensity } from '../plan/index.ts'
import type { Cup, CupColorant, Plan } from '../plan/index.ts'
import { NAOH_PER_KOH } from '../quantities/constants/index.ts'
import { scentLoad } from '../recipe/index.ts'
import type { ScentLoad } from '../recipe/index.ts'
import { findById } from '../shelf/index.ts'
import type { Medium, Shelf } from '../shelf/index.ts'
import type { Layer } from './layers.ts'

/** One colorant of a cup, as weighed; `exact` before rounding. All in g. */
export interface PortionColour {
  colorant: string
  name: string
  powderG: number
  mediumG: number
  medium: Medium
  exact: { powderG: number; mediumG: number }
  /** g of powder per kg of the cup's plain batter, as it comes out. */
  doseGPerKg: number
  /** From a slurry made and partly used. */
  fromSlurry: boolean
  /** Slurry left of what was made. */
  slurryLeftG: number
  /** It is itself an oil or a watery solution. */
  form: 'powder' | 'oil' | 'water'
}

/** What one cup holds. `exact` before rounding to the scales; the rest as weighed. */
export interface Portion {
  cup: string
  /** Plain batter drawn from the pot. */
  batterG: number
  scentG: number
  stabiliserG: number
  colours: PortionColour[]
  /** All powders and all liquids of its colours. */
  colorantG: number
  mediumG: number
  /** All of it, what clings and is kept back included. */
  totalG: number
  clingG: number
  reserveG: number
  /** Into the moulds. */
  pouredG: number
  volumeMl: number
  /** Scent in this cup, share of its oils and of its batter; 0 without. */
  scentOfOils: number
  scentOfBatter: number
  /** Superfat of this cup, with the oil that disperses its colorants. */
  superfatShare: number
  /** Pure NaOH against it and all water of this cup. */
  concentrationShare: number
  exact: { batterG: number; scentG: number; stabiliserG: number; colorantG: number; mediumG: number }
}

/** A cup before rounding needs these of its scent. */
export interface CupScent {
  load: ScentLoad | null
  /** g per g of plain batter. */
  perBatter: number
  stabiliserPerBatter: number
}

/** A dose as g per g of the cup's plain batter, whatever it is measured by. */
export const powderPerBatter = (part: CupColorant, batterPerOils: number): number =>
  part.doseGPerKg / 1000 / (part.basis === 'oils' ? batterPerOils : 1)

const CLINGS = { thin: 0.01, thick: 0.03 }

/** Of a small pour less clings than the vessel's wall could hold. */
const MOST_CLING = 0.15

/**
 * What stays in a cup, g: as typed; else as its own vessel holds of thin or thick batter; else 1 % of a thin and 3 % of a
 * thick pour, an engineering estimate.
 */
export function clingOf(
  cup: Cup,
  plan: Pick<Plan, 'division'>,
  shelf: Pick<Shelf, 'vessels'>,
  pouredG: number,
): number {
  if (pouredG <= 0) return 0
  if (cup.clingG !== null) return cup.clingG
  const vessel = cup.vessel === '' ? undefined : findById(shelf.vessels, cup.vessel)
  if (!vessel) return pouredG * CLINGS[plan.division.cling]
  return Math.min(plan.division.cling === 'thin' ? vessel.clingThinG : vessel.clingThickG, pouredG * MOST_CLING)
}

function slurryParts({ slurry }: CupColorant): { powderG: number; mediumG: number; leftG: number } | null {
  if (!slurry) return null
  const madeG = slurry.powderG + slurry.mediumG
  const used = Math.min(1, slurry.usedG / madeG)
  return { powderG: slurry.powderG * used, mediumG: slurry.mediumG * used, leftG: madeG * (1 - used) }
}

/** A cup before rounding: its layers, what is kept back and what clings, of which scent and colours are part. */
export function exactPortion(
  cup: Cup,
  plan: Plan,
  shelf: Shelf,
  layers: readonly Layer[],
  scent: CupScent,
  batterPerOils: number,
): Portion {
  const pouredG = layers.reduce((sum, layer) => (layer.cup === cup.id ? sum + layer.massG : sum), 0)
  const reserveG = plan.reserves.reduce((sum, reserve) => (reserve.cup === cup.id ? sum + reserve.massG : sum), 0)
  const clingG = clingOf(cup, plan, shelf, pouredG + reserveG)
  const totalG = pouredG + reserveG + clingG
  const made = cup.colorants.map(slurryParts)
  const isWet = (part: CupColorant) => part.medium !== 'none'
  const perBatter = cup.colorants.map((part, j) => (made[j] ? 0 : powderPerBatter(part, batterPerOils)))
  const mediumPerBatter = cup.colorants.map((part, j) => (isWet(part) ? perBatter[j]! * part.mediumRatio : 0))
  const fixedG = totalG > 0 ? made.reduce((sum, one) => sum + (one ? one.powderG + one.mediumG : 0), 0) : 0
  const perGram =
    1 + scent.perBatter + scent.stabiliserPerBatter + [...perBatter, ...mediumPerBatter].reduce((a, b) => a + b, 0)
  const batterG = Math.max(0, totalG - fixedG) / perGram
  const colours = cup.colorants.map((part, j): PortionColour => {
    const item = findById(shelf.colorants, part.colorant)
    const slurry = totalG > 0 ? made[j] : null
    const powderG = slurry ? slurry.powderG : batterG * perBatter[j]!
    const mediumG = slurry ? slurry.mediumG : batterG * mediumPerBatter[j]!
    return {
      colorant: part.colorant,
      name: item?.name ?? part.colorant,
      powderG,
      mediumG,
      medium: part.medium,
      exact: { powderG, mediumG },
      doseGPerKg: batterG > 0 ? (powderG / batterG) * 1000 : 0,
      fromSlurry: part.slurry !== null,
      slurryLeftG: slurry?.leftG ?? 0,
      form: item?.form ?? 'powder',
    }
  })
  const colorantG = colours.reduce((sum, part) => sum + part.powderG, 0)
  const mediumG = colours.reduce((sum, part) => sum + part.mediumG, 0)
  const exact = {
    batterG,
    scentG: batterG * scent.perBatter,
    stabiliserG: batterG * scent.stabiliserPerBatter,
    colorantG,
    mediumG,
  }
  return {
    cup: cup.id,
    ...exact,
    colours,
    totalG,
    clingG,
    reserveG,
    pouredG,
    volumeMl: totalG / batterDensity(plan),
    scentOfOils: scent.perBatter * batterPerOils,
    scentOfBatter: scent.perBatter,
    superfatShare: 0,
    concentrationShare: 0,
    exact,
  }
}

const NO_SCENT: CupScent = { load: null, perBatter: 0, stabiliserPerBatter: 0 }
const SPREAD_ROUNDS = 4

/**
 * Each cup's scent: its own, the batch's, or none. Spread over the batch, the whole batch's grams go into the scented cups, so
 * their load is higher.
 *
 * @param batterPerOils g of batter per g of oils in a cup: batters with lye of their own differ
 */
export function cupScents(
  plan: Plan,
  shelf: Shelf,
  layers: readonly Layer[],
  batterPerOils: (cup: Cup) => number,
): CupScent[] {
  const withStabiliser = (load: ScentLoad, perBatter: number, ratio: number): CupScent => ({
    load,
    perBatter,
    stabiliserPerBatter: perBatter * ratio,
  })
  const at = (factor: number): CupScent[] =>
    plan.cups.map(cup => {
      if (cup.ownScent) {
        const own = scentLoad(cup.ownScent, shelf, batterPerOils(cup))
        return withStabiliser(own, own.loadOfBatter, cup.ownScent.stabiliserRatio)
      }
      if (!plan.scent || !cup.scented) return NO_SCENT
      const common = scentLoad(plan.scent, shelf, batterPerOils(cup))
      return withStabiliser(common, common.loadOfBatter * factor, cup.stabiliserRatio ?? plan.scent.stabiliserRatio)
    })
  if (plan.scent?.spread !== 'batch') return at(1)
  let factor = 1
  for (let round = 0; round < SPREAD_ROUNDS; round += 1) {
    const scents = at(factor)
    const batters = plan.cups.map(
      (cup, i) => exactPortion(cup, plan, shelf, layers, scents[i]!, batterPerOils(cup)).batterG,
    )
    const takes = (i: number) => plan.cups[i]!.scented && !plan.cups[i]!.ownScent
    const scented = batters.reduce((sum, g, i) => (takes(i) ? sum + g : sum), 0)
    if (!(scented > 0)) break
    factor = batters.reduce((sum, g) => sum + g, 0) / scented
  }
  return at(factor)
}

/** Mean saponification value of an unnamed dispersing oil: a light liquid oil. mg KOH per g. */
const DISPERSING_OIL_SAP = 190

export interface PotSums {
  /** Plain batter in the pot. */
  potG: number
  /** Pure NaOH left for oils and fats after acids, and what those in the pot would take. */
  naohG: number
  demandG: number
  waterG: number
  /** Pure NaOH that a gram of the dispersing oil takes; null: a light oil. */
  dispersingNaohPerG: number | null
}

/** Oil and water that a cup's colours bring along, g. */
export function broughtIn(colours: readonly PortionColour[]): { oilG: number; waterG: number } {
  const of = (kind: 'oil' | 'water') =>
    colours.reduce(
      (sum, part) => sum + (part.medium === kind ? part.mediumG : 0) + (part.form === kind ? part.powderG : 0),
      0,
    )
  return { oilG: of('oil'), waterG: of('water') }
}

/**
 * Superfat and lye concentration of a cup: its share of the pot's lye, oils and water, with the oil and water that its colours
 * bring, which got no lye.
 */
export function cupChemistry(portion: Portion, pot: PotSums): Pick<Portion, 'superfatShare' | 'concentrationShare'> {
  const share = portion.batterG > 0 ? portion.batterG / pot.potG : 1
  const { oilG, waterG } = broughtIn(portion.batterG > 0 ? portion.colours : [])
  const perG = pot.dispersingNaohPerG ?? (DISPERSING_OIL_SAP * NAOH_PER_KOH) / 1000
  const naohG = pot.naohG * share
  const demandG = pot.demandG * share + oilG * perG
  return {
    superfatShare: demandG > 0 ? 1 - naohG / demandG : 0,
    concentrationShare: naohG / Math.max(1e-9, naohG + pot.waterG * share + waterG),
  }
}
