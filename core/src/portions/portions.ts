import { hasStabiliserApart, ownLyeOf, withLye } from '../plan/index.ts'
import type { Cup, Plan } from '../plan/index.ts'
import { naohPerG, scentLoad, superfatBand, takenBy, unitBatter } from '../recipe/index.ts'
import type { LyeTakers, ScentLoad, SuperfatBand, UnitBatter } from '../recipe/index.ts'
import { findById } from '../shelf/index.ts'
import type { Moment, Shelf } from '../shelf/index.ts'
import { roundDown, roundNearest, roundToTotal } from '../quantities/working/index.ts'
import { broughtIn, cupChemistry, cupScents, exactPortion } from './cups.ts'
import type { Portion, PortionColour, PotSums } from './cups.ts'
import { mouldParts, stackLayers } from './layers.ts'
import type { Layer, MouldPart } from './layers.ts'

export interface WeighedOilPart {
  oil: string
  name: string
  share: number
  late: boolean
  massG: number
  exactG: number
}

/** A liquid or additive of the pot, as weighed. */
export interface WeighedExtra {
  id: string
  name: string
  moment: Moment
  massG: number
  exactG: number
  /** Its pure NaOH for fat and for acid, g. */
  lyeG: number
}

export interface WeighedScent {
  scent: string
  name: string
  massG: number
  exactG: number
  drops: number
}

/**
 * Everything weighed for a batch. Sums reconcile: pot = oils + lye + water + liquids + additives + colour of the pot
 * = cups + blank + cling.
 */
export interface Portions {
  oils: WeighedOilPart[]
  oilG: number
  liquids: WeighedExtra[]
  additives: WeighedExtra[]
  lyeG: number
  lyeExactG: number
  /** Plain water. */
  waterG: number
  waterExactG: number
  /** Plain batter in the pot, colour of the whole pot included. */
  potG: number
  potClingG: number
  potColours: PotColour[]
  /** Kept back plain, before scent and colour. */
  blankG: number
  /** Of the recipe's oil and water, what goes into the cups with colours instead of into the pot. */
  drawn: { oil: string; oilG: number; waterG: number }
  /** Of the plain water, what is kept back to rinse the lye jug with; none where batters have lye of their own, g. */
  rinseG: number
  /** The batch's scent: in all cups that get it, and in what clings to the pot when the whole pot is scented. */
  scentG: number
  scents: WeighedScent[]
  stabiliserG: number
  /** Scents of single cups, in the order of the cups. */
  ownScents: (WeighedScent[] | null)[]
  superfatShare: number
  /** With what the oils' values and the scales leave open. */
  superfat: SuperfatBand
  cups: Portion[]
  /** What the pot's batter holds, for the chemistry of cups. */
  pot: PotSums
  layers: Layer[]
  moulds: MouldPart[]
  fillMl: number
}

/** A colour of the whole pot, as weighed. */
export interface PotColour {
  colorant: string
  name: string
  moment: Plan['potColorants'][number]['moment']
  massG: number
  exactG: number
}

const clean = (g: number): number => Number(g.toFixed(6))
const total = (list: readonly { massG: number }[]): number => clean(list.reduce((sum, one) => sum + one.massG, 0))

function weighedOils(unit: UnitBatter, oilG: number, stepG: number): WeighedOilPart[] {
  return unit.oils.map(({ oil, share, late }) => {
    const exactG = oilG * share
    return { oil: oil.id, name: oil.name, share, late, exactG, massG: roundNearest(exactG, stepG) }
  })
}

function weighedExtras(unit: UnitBatter, oilG: number, { scaleStepG, fineScaleStepG }: Plan['conditions']) {
  const liquids = unit.liquids.map(({ part, liquid, massG, fatLyeG, acidLyeG }): WeighedExtra => {
    const exactG = oilG * massG
    const weighedG = roundNearest(exactG, scaleStepG)
    const lyeG = massG > 0 ? ((fatLyeG + acidLyeG) / massG) * weighedG : 0
    return { id: liquid.id, name: liquid.name, moment: part.moment, exactG, massG: weighedG, lyeG }
  })
  const additives = unit.additives.map(({ part, additive, massG, fatLyeG, acidLyeG }): WeighedExtra => {
    const exactG = oilG * massG
    const stepG = exactG >= 100 ? scaleStepG : fineScaleStepG
    const weighedG = roundNearest(exactG, stepG)
    const lyeG = massG > 0 ? ((fatLyeG + acidLyeG) / massG) * weighedG : 0
    return { id: additive.id, name: additive.name, moment: part.moment, exactG, massG: weighedG, lyeG }
  })
  return { liquids, additives }
}

/** Parts of the scent, each rounded down; the part with most room to its limit takes what that leaves. */
function weighedScents(load: ScentLoad | null, scentG: number, oilG: number, stepG: number): WeighedScent[] {
  if (!load) return []
  const masses = load.parts.map(part => roundDown(scentG * part.share, stepG))
  const leftG = clean(scentG - masses.reduce((sum, g) => sum + g, 0))
  const room = load.parts.map((part, i) => part.limitOfOils * oilG - masses[i]!)
  const widest = room.indexOf(Math.max(...room))
  if (leftG > 0 && room[widest]! > leftG) masses[widest] = clean(masses[widest]! + leftG)
  return load.parts.map((part, i) => ({
    scent: part.id,
    name: part.name,
    massG: masses[i]!,
    exactG: scentG * part.share,
    drops: Math.floor(masses[i]! * part.dropsPerG),
  }))
}

/**
 * Scent that no cup gets, g: when it goes into the oils or the pot, what clings there is scented too, and plain batter kept
 * back of scented oils.
 */
function scentBesideCups(plan: Plan, load: ScentLoad | null, potClingG: number, blankG: number): number {
  const moment = plan.scent?.moment
  const isUsed = plan.cups.some(cup => cup.scented && !cup.ownScent)
  if (!load || !isUsed || (moment !== 'oils' && moment !== 'pot')) return 0
  const besideG = potClingG + (moment === 'oils' ? blankG : 0)
  return roundDown(besideG * load.loadOfBatter, plan.conditions.fineScaleStepG)
}

/** Oil and water for dispersing, when they are drawn from the recipe: exact, in all cups together. */
function drawnFrom(plan: Plan, unit: UnitBatter, cups: readonly Portion[]): Portions['drawn'] {
  const none = { oil: '', oilG: 0, waterG: 0 }
  if (plan.division.mediumFrom !== 'recipe') return none
  const sums = cups.reduce(
    (sum, { colours }) => {
      const wet = broughtIn(colours.map(part => ({ ...part, form: 'powder' as const })))
      return { oilG: sum.oilG + wet.oilG, waterG: sum.waterG + wet.waterG }
    },
    { oilG: 0, waterG: 0 },
  )
  const oil = unit.oils.find(part => part.oil.id === plan.division.mediumOil)
  return { oil: oil?.oil.id ?? '', oilG: oil ? sums.oilG : 0, waterG: sums.waterG }
}

function weighedColours(portion: Portion, stepG: number): PortionColour[] {
  return portion.colours.map(part =>
    part.fromSlurry
      ? part
      : {
          ...part,
          powderG: roundNearest(part.exact.powderG, stepG),
          mediumG: roundNearest(part.exact.mediumG, stepG),
        },
  )
}

/** The recipe as a cup's batter has it. */
function unitOf(plan: Plan, cup: Cup, unit: UnitBatter, shelf: Shelf): UnitBatter {
  const strength = ownLyeOf(plan, cup)
  return strength === null ? unit : unitBatter(withLye(plan.recipe, strength), shelf)
}

/** What a cup's batter holds: the pot's, or with the water of lye of its own strength. */
function potOf(plan: Plan, cup: Cup, unit: UnitBatter, pot: PotSums, oilG: number, shelf: Shelf): PotSums {
  const own = unitOf(plan, cup, unit, shelf)
  const moreG = oilG * (own.waterG - unit.waterG)
  return own === unit ? pot : { ...pot, potG: pot.potG + moreG, waterG: pot.waterG + moreG }
}

/** A cup as weighed: batter as given, scent rounded down, colours to the fine scale. */
function weighedCup(portion: Portion, batterG: number, stepG: number): Portion {
  const scentG = roundDown(portion.scentG, stepG)
  const stabiliserG = roundNearest(portion.stabiliserG, stepG)
  const colours = weighedColours(portion, stepG).map(part => ({
    ...part,
    doseGPerKg: batterG > 0 ? (part.powderG / batterG) * 1000 : part.doseGPerKg,
  }))
  const colorantG = clean(colours.reduce((sum, part) => sum + part.powderG, 0))
  const mediumG = clean(colours.reduce((sum, part) => sum + part.mediumG, 0))
  const totalG = clean(batterG + scentG + stabiliserG + colorantG + mediumG)
  return { ...portion, batterG, scentG, stabiliserG, colours, colorantG, mediumG, totalG }
}

/** Lye for the weighed masses: never more than they allow, whichever way they were rounded. */
function weighedLye(plan: Plan, unit: UnitBatter, oilExactG: number, weighed: LyeTakers) {
  const { scaleStepG, fineScaleStepG } = plan.conditions
  const { superfatShare, lyePurityShare } = plan.recipe
  const lyeExactG = oilExactG * unit.lyeG
  const taken = takenBy(unit, weighed)
  const allowedG = ((taken.oilsG + taken.countedFatG) * (1 - superfatShare) + taken.countedAcidG) / lyePurityShare
  const lyeG = roundDown(Math.min(lyeExactG, allowedG), fineScaleStepG)
  const naohG = lyeG * lyePurityShare
  const steps = { oilG: scaleStepG, naohG: fineScaleStepG * lyePurityShare }
  return { lyeExactG, lyeG, naohG, superfat: superfatBand(unit, weighed, naohG, steps) }
}

/** Colours that go into the whole pot, by its plain batter. */
const potColoursOf = (plan: Plan, shelf: Shelf, plainG: number): PotColour[] =>
  plan.potColorants.map(part => {
    const exactG = plainG * (part.doseGPerKg / 1000)
    const name = findById(shelf.colorants, part.colorant)?.name ?? part.colorant
    const massG = roundNearest(exactG, plan.conditions.fineScaleStepG)
    return { colorant: part.colorant, name, moment: part.moment, exactG, massG }
  })

/**
 * Divides a plan into everything that is weighed.
 *
 * Each cup holds its layers (volume × density), what is kept back of it and what clings; the pot holds the cups' plain batter,
 * plain batter kept back, and what clings to the pot. Oils, liquids and water are rounded to the scale, lye down to the fine
 * scale; the cups are rounded so that they add up to the rounded pot, the largest taking the remainder. Scent is rounded down,
 * additives, colour and its liquid to the fine scale. Dispersing oil and water come on top, or are taken off the pot's.
 */
export function portionsOf(plan: Plan, shelf: Shelf): Portions {
  const { scaleStepG, fineScaleStepG } = plan.conditions
  const unit = unitBatter(plan.recipe, shelf)
  const load = plan.scent && scentLoad(plan.scent, shelf, unit.batterG)
  const layers = stackLayers(plan)
  const perOils = (cup: Cup) => unitOf(plan, cup, unit, shelf).batterG
  const scents = cupScents(plan, shelf, layers, perOils)
  const exact = plan.cups.map((cup, i) => exactPortion(cup, plan, shelf, layers, scents[i]!, perOils(cup)))
  const blankExactG = plan.reserves.reduce((sum, reserve) => (reserve.cup === '' ? sum + reserve.massG : sum), 0)
  // Batters of their own are made in the jugs they are poured from, which have their own cling.
  const clingG = plan.division.mode === 'own-batters' ? 0 : plan.pot.clingG
  const potExactG = exact.reduce((sum, portion) => sum + portion.batterG, 0) + blankExactG + clingG
  const potDose = plan.potColorants.reduce((sum, part) => sum + part.doseGPerKg / 1000, 0)
  const drawn = drawnFrom(plan, unit, exact)
  const oilExactG = (potExactG / (1 + potDose) + drawn.oilG + drawn.waterG) / unit.batterG

  const allOils = weighedOils(unit, oilExactG, scaleStepG)
  const { liquids, additives } = weighedExtras(unit, oilExactG, plan.conditions)
  const { lyeExactG, lyeG, naohG, superfat } = weighedLye(plan, unit, oilExactG, { oils: allOils, liquids, additives })

  const oils = allOils.map(part => {
    if (part.oil !== drawn.oil) return part
    const exactG = Math.max(0, part.exactG - drawn.oilG)
    return { ...part, exactG, massG: Math.min(part.massG, roundNearest(exactG, scaleStepG)) }
  })
  const oilG = total(oils)
  const waterExactG = Math.max(0, oilExactG * unit.waterG - drawn.waterG)
  const waterG = roundNearest(waterExactG, scaleStepG)
  const potColours = potColoursOf(plan, shelf, potExactG / (1 + potDose))
  const potG = clean(oilG + lyeG + waterG + total(liquids) + total(additives) + total(potColours))
  const potClingG = Math.min(clingG, potG)
  const divided = roundToTotal([...exact.map(portion => portion.batterG), blankExactG], potG - potClingG, scaleStepG)
  const mediumOil = findById(shelf.oils, plan.division.mediumOil)
  const inPot = takenBy(unit, { oils, liquids, additives })
  const pot: PotSums = {
    potG,
    naohG: Math.max(0, naohG - inPot.acidG),
    demandG: inPot.oilsG + inPot.fatG,
    waterG: waterG + oilExactG * (unit.allWaterG - unit.waterG),
    dispersingNaohPerG: mediumOil ? naohPerG(mediumOil) : null,
  }
  const cups = exact.map((portion, i): Portion => {
    const weighed = weighedCup(portion, divided[i]!, fineScaleStepG)
    return { ...weighed, ...cupChemistry(weighed, potOf(plan, plan.cups[i]!, unit, pot, oilExactG, shelf)) }
  })
  const shared = cups.filter((_, i) => !plan.cups[i]!.ownScent)
  const inCupsG = shared.reduce((sum, portion) => sum + portion.scentG, 0)
  const scentG = clean(inCupsG + scentBesideCups(plan, load, potClingG, divided.at(-1)!))
  return {
    oils,
    oilG,
    liquids,
    additives,
    lyeG,
    lyeExactG,
    waterG,
    waterExactG,
    potG,
    potClingG,
    potColours,
    blankG: divided.at(-1)!,
    drawn,
    rinseG: plan.division.mode === 'one-pot' ? Math.min(roundNearest(plan.recipe.rinseG, scaleStepG), waterG) : 0,
    scentG,
    scents: weighedScents(load, scentG, oilG, fineScaleStepG),
    stabiliserG: clean(
      cups.reduce((sum, portion, i) => (hasStabiliserApart(plan.cups[i]!) ? sum : sum + portion.stabiliserG), 0),
    ),
    ownScents: cups.map((portion, i) =>
      plan.cups[i]!.ownScent
        ? weighedScents(scents[i]!.load, portion.scentG, (portion.batterG * oilG) / potG, fineScaleStepG)
        : null,
    ),
    superfatShare: superfat.value,
    superfat,
    cups,
    pot,
    layers,
    moulds: mouldParts(plan, layers),
    fillMl: layers.reduce((sum, layer) => sum + layer.volumeMl, 0),
  }
}

/** Oils of the plan that are not on the shelf: without their values no lye can be worked out. */
export const missingOils = (plan: Plan, shelf: Shelf): string[] =>
  plan.recipe.oils.filter(part => !findById(shelf.oils, part.oil)).map(part => part.oil)
