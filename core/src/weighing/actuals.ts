import { fact, together } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import type { Plan } from '../plan/index.ts'
import type { Portions } from '../portions/index.ts'
import { batterAmounts, divisionSheet, topSheet } from '../preparation/index.ts'
import type { MassOf } from '../preparation/index.ts'
import { freeLyeOf, isNoSuperfat, oilsByShare, superfatBand, unitBatter } from '../recipe/index.ts'
import type { FreeLye, LyeTakers, SuperfatBand, UnitBatter } from '../recipe/index.ts'
import type { Shelf } from '../shelf/index.ts'

/** What one batter becomes with the weights that were really weighed; lines not weighed yet count as planned. */
export interface Actual {
  /** Empty for the pot, a cup's id for a batter of its own, "top". */
  batter: string
  name: Words
  superfatShare: number
  superfat: SuperfatBand
  concentration: number
}

/** The batch as it stands on the scale. */
export interface ActualBatch {
  batters: Actual[]
  /** The batter with the least superfat. */
  leanest: Actual
  freeLye: BatchFreeLye
  /** Lines that were weighed. */
  count: number
}

const concentrationOf = (naohG: number, waterG: number): number => (naohG + waterG > 0 ? naohG / (naohG + waterG) : 0)

/** What takes lye in the pot, and the pure NaOH in it, g. */
export function potTakers(
  portions: Portions,
  lyePurityShare: number,
  mass: MassOf,
): { weighed: LyeTakers; naohG: number } {
  const weighed = {
    // Oil drawn for the colours is in the cups, and the recipe's lye is for it too.
    oils: portions.oils.map(part => {
      const massG = mass(`oil:${part.oil}`, part.massG)
      return { massG: part.oil === portions.drawn.oil ? massG + portions.drawn.oilG : massG }
    }),
    liquids: portions.liquids.map(part => ({ massG: mass(`liquid:${part.id}`, part.massG) })),
    additives: portions.additives.map(part => ({ massG: mass(`additive:${part.id}`, part.massG) })),
  }
  return { weighed, naohG: mass('lye', portions.lyeG) * lyePurityShare }
}

function pot(plan: Plan, portions: Portions, unit: UnitBatter, mass: MassOf): Actual {
  const { scaleStepG, fineScaleStepG } = plan.conditions
  const { lyePurityShare } = plan.recipe
  const { weighed, naohG } = potTakers(portions, lyePurityShare, mass)
  const brought = (parts: readonly { massG: number; waterG: number }[], masses: readonly { massG: number }[]) =>
    parts.reduce((all, part, i) => (part.massG > 0 ? all + (part.waterG / part.massG) * masses[i]!.massG : all), 0)
  const waterG =
    mass('water', portions.waterG - portions.rinseG) +
    mass('rinse', portions.rinseG) +
    portions.drawn.waterG +
    brought(unit.liquids, weighed.liquids) +
    brought(unit.additives, weighed.additives)
  const steps = { oilG: scaleStepG, naohG: fineScaleStepG * lyePurityShare }
  const superfat = superfatBand(unit, weighed, naohG, steps)
  return {
    batter: '',
    name: '',
    superfatShare: superfat.value,
    superfat,
    concentration: concentrationOf(naohG, waterG),
  }
}

function own(plan: Plan, portions: Portions, shelf: Shelf, unit: UnitBatter, mass: MassOf): Actual[] {
  const sheet = divisionSheet(plan, shelf, portions)
  const { scaleStepG, fineScaleStepG } = plan.conditions
  return sheet.batters.map(batter => {
    const { weighed, naohG, waterG, naohPerG } = batterAmounts(sheet, batter, { plan, unit }, mass)
    const common = sheet.solution ? naohG / Math.max(sheet.solution.lyeG, 1e-9) : 0
    const steps = { oilG: scaleStepG, naohG: fineScaleStepG * (naohPerG + common) }
    const superfat = superfatBand(unit, weighed, naohG, steps)
    return {
      batter: batter.cup,
      name: batter.name,
      superfatShare: superfat.value,
      superfat,
      concentration: concentrationOf(naohG, waterG),
    }
  })
}

function top(plan: Plan, shelf: Shelf, mass: MassOf): Actual[] {
  const sheet = topSheet(plan, shelf)
  if (!sheet) return []
  const { scaleStepG, fineScaleStepG } = plan.conditions
  const { lyePurityShare } = plan.recipe
  const oils = oilsByShare({ oils: plan.division.top!.oils }, shelf)
  const weighed = {
    oils: sheet.oils.map(part => ({ massG: mass(`top:${part.oil}`, part.massG) })),
    liquids: [],
    additives: [],
  }
  const naohG = mass('top:lye', sheet.lyeG) * lyePurityShare
  const steps = { oilG: scaleStepG, naohG: fineScaleStepG * lyePurityShare }
  const superfat = superfatBand({ oils, liquids: [], additives: [] }, weighed, naohG, steps)
  return [
    {
      batter: 'top',
      name: fact('the top'),
      superfatShare: superfat.value,
      superfat,
      concentration: concentrationOf(naohG, mass('top:water', sheet.waterG)),
    },
  ]
}

/** Every batter with lye in it: the pot or each cup's own, and the top's. */
export function battersAt(plan: Plan, portions: Portions, shelf: Shelf, mass: MassOf): Actual[] {
  const unit = unitBatter(plan.recipe, shelf)
  const main =
    plan.division.mode === 'own-batters' && portions.cups.some(cup => cup.batterG > 0)
      ? own(plan, portions, shelf, unit, mass)
      : [pot(plan, portions, unit, mass)]
  return [...main, ...top(plan, shelf, mass)]
}

/** What was weighed so far, g, by the keys of the weigh list. */
export type Weights = Readonly<Record<string, number>>

const worstOf = (batters: readonly Actual[]): Actual =>
  batters.reduce((worst, one) => (one.superfat.low < worst.superfat.low ? one : worst))

const WEIGHTS = { stop: 0, warn: 1, none: 2 }

/** What a batch's superfat means for free lye, and the superfat that decides it: an answer in writing is for that one. */
export interface BatchFreeLye extends FreeLye {
  superfatShare: number
}

/** The gravest of all batters. Planned at no superfat is none, whatever rounding leaves. */
function gravest(batters: readonly Actual[], known: Words, plannedShare: number): BatchFreeLye {
  const told = batters.map(({ name, superfat }): BatchFreeLye => {
    const value = Math.min(superfat.value, plannedShare)
    return {
      ...freeLyeOf({ ...superfat, value }, name === '' ? known : together([name, known], ', ')),
      superfatShare: value,
    }
  })
  return told.reduce((worst, one) =>
    WEIGHTS[one.weight] < WEIGHTS[worst.weight] ||
    (one.weight === worst.weight && one.superfatShare < worst.superfatShare)
      ? one
      : worst,
  )
}

/** Free lye of a batch as it is planned and rounded to the scales. */
export function plannedFreeLye(plan: Plan, portions: Portions, shelf: Shelf): BatchFreeLye {
  const unit = unitBatter(plan.recipe, shelf)
  const plannedShare = isNoSuperfat(unit.superfatShare) ? unit.superfatShare : Infinity
  return gravest(
    battersAt(plan, portions, shelf, (_, plannedG) => plannedG),
    fact('planned'),
    plannedShare,
  )
}

/**
 * Superfat and lye concentration of every batter from actual weights, and what they mean for free lye by the one rule that
 * holds everywhere. What was not weighed yet counts as planned.
 */
export function actualOf(plan: Plan, portions: Portions, shelf: Shelf, weighed: Weights = {}): ActualBatch {
  const count = Object.keys(weighed).length
  const batters = battersAt(plan, portions, shelf, (key, plannedG) => weighed[key] ?? plannedG)
  const freeLye =
    count > 0 ? gravest(batters, fact('weighing.as-weighed'), Infinity) : plannedFreeLye(plan, portions, shelf)
  const lowest = batters.reduce((least, one) => (one.superfatShare < least.superfatShare ? one : least))
  return { batters, leanest: freeLye.weight === 'stop' ? lowest : worstOf(batters), freeLye, count }
}
