import { inARow } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import type { BatterPart, LyeSolution, BatterOil, BatterShare, DivisionSheet } from './division-sheet.ts'
import { ownLyeOf, sharedBatter, withLye } from '../plan/index.ts'
import type { Plan } from '../plan/index.ts'
import { broughtIn } from '../portions/index.ts'
import type { Portion, Portions } from '../portions/index.ts'
import { superfatBand, takenBy, unitBatter } from '../recipe/index.ts'
import type { LyeTakers, UnitBatter } from '../recipe/index.ts'
import { findById, isHard } from '../shelf/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { roundDown, roundNearest } from '../quantities/working/index.ts'

/**
 * A recipe divided into a batter of its own for each cup. What the solution holds beside lye and water (milk, powders,
 * acids, salt) is part of what is weighed out, so each batter's lye is worked out from what is really in it.
 */

/** Film of clear melted fat on a pot, and of lye on a jug: engineering estimates. */
const MELT_CLINGS = 0.006
/** Coarse scales and tiny batches need more of the solution than what clings. */
const SOLUTION_CLINGS = [0.004, 0.01, 0.025, 0.06, 0.15]
/** From here on a part is weighed on the scale for oils. */
const COARSE_FROM_G = 100

interface Known {
  plan: Plan
  unit: UnitBatter
  shelf: Shelf
}

/** A batter before its lye: oils exact and what its colours bring. */
interface Start {
  /** The first of its cups, which it is known by; and all of them. */
  cup: Plan['cups'][number]
  cups: Plan['cups']
  /** What its lye and water are worked out by: the recipe's, or with lye of its own strength. */
  unit: UnitBatter
  batterG: number
  blankG: number
  oilsG: number
  drawnOilG: number
  drawnWaterG: number
}

const sum = <T>(list: readonly T[], of: (item: T) => number): number =>
  list.reduce((total, item) => total + of(item), 0)
const clean = (g: number): number => Number(g.toFixed(6))

function startsOf({ plan, unit, shelf }: Known, portions: Portions): Start[] {
  const draws = plan.division.mediumFrom === 'recipe'
  const drawsOil = draws && unit.oils.some(part => part.oil.id === plan.division.mediumOil)
  const potDose = sum(plan.potColorants, part => part.doseGPerKg / 1000)
  const firstPour = (cup: string) => {
    const at = plan.score.findIndex(pour => pour.cup === cup)
    return at < 0 ? Infinity : at
  }
  const portionOf = (cup: string): Portion => portions.cups[plan.cups.findIndex(one => one.id === cup)]!
  const used = plan.cups.filter(cup => portionOf(cup.id).batterG > 0).sort((a, b) => firstPour(a.id) - firstPour(b.id))
  // Cups of one batter stand where the first of them is poured.
  const groups = used.flatMap(cup => {
    const cups = sharedBatter(plan, cup).filter(one => used.includes(one))
    const inOrder = [...cups].sort((a, b) => used.indexOf(a) - used.indexOf(b))
    return inOrder[0] === cup ? [inOrder] : []
  })
  return groups.map((cups, n) => {
    const cup = cups[0]!
    const strength = ownLyeOf(plan, cup)
    const ofBatter = strength === null ? unit : unitBatter(withLye(plan.recipe, strength), shelf)
    const batterG = sum(cups, one => portionOf(one.id).batterG)
    const blankG = n === 0 ? portions.blankG : 0
    const wets = cups.map(one =>
      broughtIn(portionOf(one.id).colours.map(part => ({ ...part, mediumG: part.exact.mediumG, form: 'powder' }))),
    )
    const drawnOilG = drawsOil ? sum(wets, wet => wet.oilG) : 0
    const drawnWaterG = draws ? sum(wets, wet => wet.waterG) : 0
    // Oil for colours that is to be drawn from an oil that the recipe lacks comes on top.
    const broughtG = draws ? drawnOilG + drawnWaterG : 0
    const oilsG = ((batterG + blankG) / (1 + potDose) + broughtG) / ofBatter.batterG
    return { cup, cups, unit: ofBatter, batterG, blankG, oilsG, drawnOilG, drawnWaterG }
  })
}

const stepFor = (exactG: number, { scaleStepG, fineScaleStepG }: Plan['conditions']): number =>
  exactG >= COARSE_FROM_G ? scaleStepG : fineScaleStepG

/** Liquids, additives and colours of the pot for so much oil: those of the lye solution, or all the others. */
function partsFor({ plan, unit, shelf }: Known, oilsG: number, isForLye: boolean): BatterPart[] {
  const part = (kind: BatterPart['kind'], id: string, name: string, index: number, exactG: number): BatterPart => {
    const stepG = stepFor(exactG, plan.conditions)
    return { kind, id, name, index, exactG, stepG, massG: roundNearest(exactG, stepG) }
  }
  const fits = (moment: string) => (moment === 'lye') === isForLye
  return [
    ...unit.liquids.flatMap(({ part: { moment }, liquid, massG }, i) =>
      fits(moment) ? [part('liquid', liquid.id, liquid.name, i, oilsG * massG)] : [],
    ),
    ...unit.additives.flatMap(({ part: { moment }, additive, massG }, i) =>
      fits(moment) ? [part('additive', additive.id, additive.name, i, oilsG * massG)] : [],
    ),
    ...plan.potColorants.flatMap(({ colorant, doseGPerKg, moment }, i) => {
      const name = findById(shelf.colorants, colorant)?.name ?? colorant
      return fits(moment) ? [part('colour', colorant, name, i, (oilsG * unit.batterG * doseGPerKg) / 1000)] : []
    }),
  ].filter(one => one.exactG > 0)
}

/** What a batter is called by its cups. */
const namesOf = (cups: readonly { name: string }[]): Words => inARow(cups.map(cup => cup.name))

/** Masses in the order of the recipe, from parts that know their place. */
const inOrder = (length: number, kind: BatterPart['kind'], parts: readonly { part: BatterPart; massG: number }[]) =>
  Array.from({ length }, (_, i) => ({
    massG: sum(
      parts.filter(one => one.part.kind === kind && one.part.index === i),
      one => one.massG,
    ),
  }))

/** Looks up what was really weighed of a line; the sheet itself asks for what is planned. */
export type MassOf = (key: string, plannedG: number) => number

/** Keys of the weigh list. A common line has no cup. */
export const batterKey = (cup: string, what: string): string => (cup === '' ? what : `batter:${cup}:${what}`)
export const partKey = (part: BatterPart): string =>
  part.kind === 'colour' ? `colour:pot:${part.id}` : `${part.kind}:${part.id}`

/** What one batter really holds. */
export interface BatterAmounts {
  weighed: LyeTakers
  /** Pure NaOH, and all water. */
  naohG: number
  waterG: number
  oilG: number
  /** g of NaOH in a g of what lye is weighed as: the solution, or lye itself. */
  naohPerG: number
}

function solutionAmounts(solution: LyeSolution, cup: string, mass: MassOf) {
  const lyeG = mass(batterKey(cup, 'lye'), solution.lyeG)
  const waterG = mass(batterKey(cup, 'water'), solution.waterG)
  const parts = solution.parts.map(part => ({ part, massG: mass(batterKey(cup, partKey(part)), part.massG) }))
  return { lyeG, waterG, parts, totalG: lyeG + waterG + sum(parts, one => one.massG) }
}

/** What a batter holds when its lines were weighed as `mass` says. */
export function batterAmounts(
  sheet: Omit<DivisionSheet, 'batters'>,
  batter: Omit<BatterShare, 'superfat' | 'superfatShare'>,
  { plan, unit }: Pick<Known, 'plan' | 'unit'>,
  mass: MassOf,
): BatterAmounts {
  const { cup } = batter
  const melted = sheet.meltOils.map(part => mass(`oil:${part.oil}`, part.massG))
  const meltG = sum(melted, g => g)
  const drawG = mass(batterKey(cup, 'melt'), batter.meltG)
  const oils = batter.oils.map(part => {
    const i = sheet.meltOils.findIndex(one => one.oil === part.oil)
    const weighedG = part.fromMelt
      ? meltG > 0
        ? (drawG * melted[i]!) / meltG
        : 0
      : mass(batterKey(cup, `oil:${part.oil}`), part.massG)
    return { massG: weighedG + part.drawnG }
  })
  const made = batter.own ? solutionAmounts(batter.own, cup, mass) : solutionAmounts(sheet.solution!, '', mass)
  const taken = batter.own ? 1 : made.totalG > 0 ? mass(batterKey(cup, 'solution'), batter.solutionG) / made.totalG : 0
  const parts = [
    ...made.parts.map(one => ({ ...one, massG: one.massG * taken })),
    ...batter.parts.map(part => ({ part, massG: mass(batterKey(cup, partKey(part)), part.massG) })),
  ]
  const weighed = {
    oils,
    liquids: inOrder(unit.liquids.length, 'liquid', parts),
    additives: inOrder(unit.additives.length, 'additive', parts),
  }
  const brought = (list: readonly { massG: number; waterG: number }[], masses: readonly { massG: number }[]) =>
    sum(
      list.map((part, i) => (part.massG > 0 ? (part.waterG / part.massG) * masses[i]!.massG : 0)),
      g => g,
    )
  const { lyePurityShare } = plan.recipe
  return {
    weighed,
    naohG: made.lyeG * taken * lyePurityShare,
    waterG:
      made.waterG * taken +
      batter.drawnWaterG +
      brought(unit.liquids, weighed.liquids) +
      brought(unit.additives, weighed.additives),
    oilG: sum(oils, part => part.massG),
    naohPerG: batter.own ? lyePurityShare : made.totalG > 0 ? (made.lyeG * lyePurityShare) / made.totalG : 0,
  }
}

const planned: MassOf = (_, plannedG) => plannedG

/** Pure NaOH that so much may hold: oils and counted fats less the superfat, and counted acids. */
const allowedNaoh = ({ plan, unit }: Pick<Known, 'plan' | 'unit'>, weighed: LyeTakers): number => {
  const taken = takenBy(unit, weighed)
  return (taken.oilsG + taken.countedFatG) * (1 - plan.recipe.superfatShare) + taken.countedAcidG
}

/** The common solution for all batters, so much larger for what clings. */
function commonSolution(known: Known, starts: readonly Start[], clings: number): LyeSolution {
  const { plan, unit } = known
  const { scaleStepG, fineScaleStepG } = plan.conditions
  const oilsG = sum(starts, start => start.oilsG) * (1 + clings)
  const lyeExactG = oilsG * unit.lyeG
  const lyeG = roundDown(lyeExactG, fineScaleStepG)
  const waterExactG = Math.max(0, oilsG * unit.waterG - sum(starts, start => start.drawnWaterG))
  const waterG = roundNearest(waterExactG, scaleStepG)
  const parts = partsFor(known, oilsG, true)
  return { lyeG, lyeExactG, waterG, waterExactG, parts, totalG: clean(lyeG + waterG + sum(parts, part => part.massG)) }
}

function ownSolution(known: Known, start: Start, others: LyeTakers): LyeSolution {
  const { plan, unit } = known
  const { scaleStepG, fineScaleStepG, ...rest } = plan.conditions
  const parts = partsFor({ ...known, unit: start.unit }, start.oilsG, true)
  const withParts = {
    oils: others.oils,
    liquids: inOrder(
      unit.liquids.length,
      'liquid',
      parts.map(part => ({ part, massG: part.massG })),
    ).map((one, i) => ({
      massG: one.massG + others.liquids[i]!.massG,
    })),
    additives: inOrder(
      unit.additives.length,
      'additive',
      parts.map(part => ({ part, massG: part.massG })),
    ).map((one, i) => ({ massG: one.massG + others.additives[i]!.massG })),
  }
  const lyeExactG = allowedNaoh(known, withParts) / plan.recipe.lyePurityShare
  const lyeG = roundDown(lyeExactG, fineScaleStepG)
  const waterExactG = Math.max(0, start.oilsG * start.unit.waterG - start.drawnWaterG)
  const waterG = roundNearest(waterExactG, stepFor(waterExactG, { scaleStepG, fineScaleStepG, ...rest }))
  return { lyeG, lyeExactG, waterG, waterExactG, parts, totalG: clean(lyeG + waterG + sum(parts, part => part.massG)) }
}

/** The most of the common solution that a batter may take, g: the solution brings fats and acids of its own. */
function solutionFor(known: Known, solution: LyeSolution, others: LyeTakers): number {
  const { plan, unit } = known
  const inSolution = solution.parts.map(part => ({ part, massG: part.massG }))
  const carried = takenBy(unit, {
    oils: unit.oils.map(() => ({ massG: 0 })),
    liquids: inOrder(unit.liquids.length, 'liquid', inSolution),
    additives: inOrder(unit.additives.length, 'additive', inSolution),
  })
  const freeG =
    solution.lyeG * plan.recipe.lyePurityShare -
    carried.countedFatG * (1 - plan.recipe.superfatShare) -
    carried.countedAcidG
  return freeG > 0 ? (allowedNaoh(known, others) / freeG) * solution.totalG : 0
}

function oilsOf({ plan, unit }: Known, start: Start, isCommon: boolean): BatterOil[] {
  return unit.oils.map(({ oil, share, late }) => {
    const drawnG = oil.id === plan.division.mediumOil ? start.drawnOilG : 0
    const exactG = Math.max(0, start.oilsG * share - drawnG)
    // An oil of which some is drawn for colours would change the melt from batter to batter.
    const isDrawn = plan.division.mediumFrom === 'recipe' && oil.id === plan.division.mediumOil
    const fromMelt = isCommon && isHard(oil) && !late && !isDrawn
    return {
      oil: oil.id,
      name: oil.name,
      late,
      fromMelt,
      drawnG,
      exactG,
      massG: roundNearest(exactG, plan.conditions.scaleStepG),
    }
  })
}

/**
 * Divides a recipe into a batter of its own for each cup. Hard fats as one clear melt by running total or each for itself,
 * liquid oils weighed apart; lye from one solution or separate. Each batter's lye is the most that its own weighed oils,
 * fats and acids allow, rounded down.
 */
export function divisionSheet(plan: Plan, shelf: Shelf, portions: Portions): DivisionSheet {
  const unit = unitBatter(plan.recipe, shelf)
  const known = { plan, unit, shelf }
  const { scaleStepG, fineScaleStepG } = plan.conditions
  const starts = startsOf(known, portions)
  const oils = starts.map(start => oilsOf(known, start, plan.division.melt === 'common'))
  const meltOils = unit.oils.flatMap(({ oil }, i) => {
    const needG = sum(oils, list => (list[i]!.fromMelt ? list[i]!.exactG : 0))
    const exactG = needG * (1 + MELT_CLINGS)
    return needG > 0 ? [{ oil: oil.id, name: oil.name, exactG, massG: roundNearest(exactG, scaleStepG) }] : []
  })
  const meltG = clean(sum(meltOils, part => part.massG))
  let meltLeftG = meltG
  const begun = starts.map((start, n) => {
    const exactG = sum(oils[n]!, part => (part.fromMelt ? part.exactG : 0))
    // The last draw never asks for more than the pot still holds.
    const drawG = Math.min(roundNearest(exactG, scaleStepG), meltLeftG)
    meltLeftG = clean(meltLeftG - drawG)
    return {
      cup: start.cup.id,
      cups: start.cups.map(one => one.id),
      name: namesOf(start.cups),
      batterG: start.batterG,
      blankG: start.blankG,
      oils: oils[n]!,
      meltG: drawG,
      meltLeftG,
      solutionG: 0,
      own: null,
      lyeG: 0,
      waterG: 0,
      parts: partsFor({ ...known, unit: start.unit }, start.oilsG, false),
      drawnWaterG: start.drawnWaterG,
    }
  })
  const nothing = { lyeG: 0, lyeExactG: 0, waterG: 0, waterExactG: 0, parts: [], totalG: 0 }
  const before = { meltG, meltClingG: meltLeftG, meltOils, solution: nothing, solutionClingG: 0 }
  const others = begun.map(batter => batterAmounts(before, batter, known, planned).weighed)
  const isDivided = plan.division.lye === 'divided'
  const tries = isDivided ? SOLUTION_CLINGS.map(clings => commonSolution(known, starts, clings)) : []
  const shares = (solution: LyeSolution) =>
    others.map(weighed => roundDown(solutionFor(known, solution, weighed), fineScaleStepG))
  const solution =
    tries.find(one => sum(shares(one), g => g) <= one.totalG + 1e-6) ?? (isDivided ? tries.at(-1)! : null)
  const taken = solution ? shares(solution) : []
  const sheet = {
    ...before,
    solution,
    solutionClingG: solution ? clean(solution.totalG - sum(taken, g => g)) : 0,
  }
  const batters = begun.map((batter, n): BatterShare => {
    const own = solution ? null : ownSolution(known, starts[n]!, others[n]!)
    const solutionG = taken[n] ?? 0
    const made = { ...batter, own, solutionG }
    const { weighed, naohG, naohPerG } = batterAmounts(sheet, made, known, planned)
    // The solution's own lye was weighed once, then poured on the same scale.
    const lyeStepG = fineScaleStepG * (solution ? naohPerG + naohG / Math.max(solution.lyeG, 1e-9) : naohPerG)
    const superfat = superfatBand(unit, weighed, naohG, { oilG: scaleStepG, naohG: lyeStepG })
    const lyeG = naohG / plan.recipe.lyePurityShare
    const waterG = own
      ? own.waterG
      : solution && solution.totalG > 0
        ? (solution.waterG * solutionG) / solution.totalG
        : 0
    return { ...made, lyeG, waterG, superfat, superfatShare: superfat.value }
  })
  return { ...sheet, batters }
}
