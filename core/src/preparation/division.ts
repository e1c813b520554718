import type { Plan } from '../plan/index.ts'
import type { Portions } from '../portions/index.ts'
import { naohPerG, oilsByShare, unitBatter } from '../recipe/index.ts'
import { findById, isHard } from '../shelf/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { roundDown, roundNearest } from '../working/index.ts'

/** One small batter: what it gets of everything. */
export interface BatterShare {
  cup: string
  name: string
  batterG: number
  /** Hard fats from the common melt, or each. */
  hard: { oil: string; name: string; massG: number }[]
  /** From the common melt, poured as one. */
  meltG: number
  /** The melt left in the pot after it, g: what the scale should show. */
  meltLeftG: number
  liquid: { oil: string; name: string; massG: number }[]
  /** Lye as bought and water, for a solution of its own. */
  lyeG: number
  waterG: number
  /** Of the common solution. */
  solutionG: number
  superfatShare: number
}

export interface DivisionSheet {
  batters: BatterShare[]
  /** The common melt with what clings to its pot. */
  meltG: number
  meltClingG: number
  /** The common lye solution with what clings to its jug. */
  solutionG: number
  solutionClingG: number
}

/** Film of clear melted fat on a pot, and of lye on a jug: engineering estimates. */
const MELT_CLINGS = 0.006
const SOLUTION_CLINGS = 0.004

/**
 * Divides a recipe into a batter of its own for each cup. Hard fats as one clear melt by running total, liquid oils weighed
 * apart; lye from one solution, stirred and clear, or separate. Each batter's lye is rounded down against its own oils.
 */
export function divisionSheet(plan: Plan, shelf: Shelf, portions: Portions): DivisionSheet {
  const unit = unitBatter(plan.recipe, shelf)
  const { scaleStepG, fineScaleStepG } = plan.conditions
  const cups = plan.cups.flatMap((cup, i) =>
    portions.cups[i]!.batterG > 0 ? [{ cup, portion: portions.cups[i]! }] : [],
  )
  const hardShare = unit.oils.reduce((sum, part) => sum + (isHard(part.oil) ? part.share : 0), 0)
  const oilsOf = (batterG: number) => batterG / unit.batterG
  const meltNeedG = cups.reduce((sum, { portion }) => sum + oilsOf(portion.batterG) * hardShare, 0)
  const meltG = roundNearest(meltNeedG * (1 + MELT_CLINGS), scaleStepG)
  // Water beside what liquids bring: own batters take water and liquids in the recipe's ratio.
  const waterPerOils = unit.batterG - 1 - unit.lyeG
  let meltLeftG = meltG
  const batters = cups.map(({ cup, portion }): BatterShare => {
    const oilsG = oilsOf(portion.batterG)
    const part = (isHardPart: boolean) =>
      unit.oils
        .filter(one => isHard(one.oil) === isHardPart)
        .map(one => ({ oil: one.oil.id, name: one.oil.name, massG: roundNearest(oilsG * one.share, scaleStepG) }))
    const hard = part(true)
    const liquid = part(false)
    const meltShareG = roundNearest(oilsG * hardShare, scaleStepG)
    meltLeftG = Math.max(0, meltLeftG - meltShareG)
    const hardRatio = plan.division.melt === 'common' && hardShare > 0 ? meltShareG / (oilsG * hardShare) : null
    const demandG = unit.oils.reduce((sum, one) => {
      const weighedG = isHard(one.oil)
        ? hardRatio === null
          ? hard.find(line => line.oil === one.oil.id)!.massG
          : oilsG * one.share * hardRatio
        : liquid.find(line => line.oil === one.oil.id)!.massG
      return sum + weighedG * naohPerG(one.oil)
    }, 0)
    const restG =
      oilsG * unit.naohG -
      unit.oils.reduce((sum, one) => sum + oilsG * one.share * naohPerG(one.oil), 0) * (1 - plan.recipe.superfatShare)
    const allowedG = (demandG * (1 - plan.recipe.superfatShare) + restG) / plan.recipe.lyePurityShare
    const lyeG = roundDown(Math.min(oilsG * unit.lyeG, allowedG), fineScaleStepG)
    const waterG = roundNearest(oilsG * waterPerOils, scaleStepG)
    const netG = Math.max(0, lyeG * plan.recipe.lyePurityShare - restG)
    return {
      cup: cup.id,
      name: cup.name,
      batterG: portion.batterG,
      hard,
      meltG: meltShareG,
      meltLeftG: roundNearest(meltLeftG, scaleStepG),
      liquid,
      lyeG,
      waterG,
      solutionG: roundDown(lyeG + oilsG * waterPerOils, fineScaleStepG),
      superfatShare: demandG > 0 ? 1 - netG / demandG : plan.recipe.superfatShare,
    }
  })
  const solutionG = batters.reduce((sum, batter) => sum + batter.solutionG, 0)
  return {
    batters,
    meltG,
    meltClingG: meltG - roundNearest(meltNeedG, scaleStepG),
    solutionG: roundNearest(solutionG * (1 + SOLUTION_CLINGS), fineScaleStepG),
    solutionClingG: solutionG * SOLUTION_CLINGS,
  }
}

export interface WayCompared {
  mode: 'one-pot' | 'own-batters'
  minutes: number
  dishes: number
  /** How level and how hurried, in words. */
  level: string
  pressure: string
}

/** Hands per piece of work, min: engineering estimates of an ordinary bench. */
const WORK = {
  weighOil: 0.8,
  weighLye: 2,
  dissolve: 4,
  blend: 3,
  rinse: 2,
  split: 0.4,
  colour: 0.8,
  pour: 1,
  washUp: 1.2,
}

/**
 * One pot split into cups against a batter of its own for each cup: minutes of work, dishes, and what it means for level
 * layers and for time.
 */
export function compareWays(plan: Plan, portions: Portions): WayCompared[] {
  const cups = portions.cups.filter(cup => cup.batterG > 0).length
  const colours = plan.cups.reduce((sum, cup) => sum + cup.colorants.length, 0)
  const oils = portions.oils.length
  const common = WORK.colour * colours + WORK.pour * plan.score.length
  const one = oils * WORK.weighOil + WORK.weighLye + WORK.dissolve + WORK.blend + cups * WORK.split + common
  const separate = plan.division.lye === 'separate'
  const liquidOils = portions.oils.length
  const own =
    (plan.division.melt === 'common' ? oils * 0.5 * WORK.weighOil : 0) +
    cups * (liquidOils * 0.6 * WORK.weighOil + WORK.blend + WORK.rinse) +
    (separate ? cups * (WORK.weighLye + WORK.dissolve) : WORK.weighLye + WORK.dissolve + cups) +
    common
  const dishesOne = 2 + cups + colours
  const dishesOwn = 2 + cups * (separate ? 2 : 1) + colours
  return [
    {
      mode: 'one-pot',
      minutes: one + dishesOne * WORK.washUp,
      dishes: dishesOne,
      level: cups > 1 ? 'All cups age together: the last ones may be thick for a level face.' : 'Level.',
      pressure: cups > 1 ? 'All clocks start at once.' : 'Only one to pour.',
    },
    {
      mode: 'own-batters',
      minutes: own + dishesOwn * WORK.washUp,
      dishes: dishesOwn,
      level: 'Each layer is poured at its own best trace: level faces, and time for the lower one to set.',
      pressure: 'Each batter starts its own clock; nothing waits.',
    },
  ]
}

/** Everything for a whipped or piped top of its own. */
export interface TopSheet {
  oils: { oil: string; name: string; massG: number }[]
  lyeG: number
  waterG: number
  hardShare: number
  superfatShare: number
  /** Bowl of four times the batter, ml. */
  bowlMl: number
  sentence: string
}

/** The top's own batter, with the recipe's superfat, purity and water strength. Null without one. */
export function topSheet(plan: Plan, shelf: Shelf): TopSheet | null {
  const { top } = plan.division
  if (!top) return null
  const main = unitBatter(plan.recipe, shelf)
  const oils = oilsByShare({ oils: top.oils }, shelf)
  const { superfatShare, lyePurityShare } = plan.recipe
  const naoh = oils.reduce((sum, part) => sum + part.share * naohPerG(part.oil), 0) * (1 - superfatShare)
  const water = (naoh * (1 - main.water.concentration)) / main.water.concentration
  const oilG = top.massG / (1 + naoh / lyePurityShare + water)
  const weighed = oils.map(part => ({
    oil: part.oil.id,
    name: part.oil.name,
    massG: roundNearest(oilG * part.share, plan.conditions.scaleStepG),
  }))
  const demand = weighed.reduce((sum, part) => sum + part.massG * naohPerG(findById(shelf.oils, part.oil)!), 0)
  const lyeG = roundDown(
    Math.min(oilG * naoh, demand * (1 - superfatShare)) / lyePurityShare,
    plan.conditions.fineScaleStepG,
  )
  const hardShare = oils.reduce((sum, part) => sum + (isHard(part.oil) ? part.share : 0), 0)
  const percent = `${Math.round(hardShare * 100)} %`
  return {
    oils: weighed,
    lyeG,
    waterG: roundNearest(oilG * water, plan.conditions.scaleStepG),
    hardShare,
    superfatShare: demand > 0 ? 1 - (lyeG * lyePurityShare) / demand : superfatShare,
    bowlMl: top.massG * 4,
    sentence:
      hardShare < 0.6
        ? `${percent} hard oils are little for a whipped top; 60 to 90 % stand.`
        : `${percent} hard oils. Cream the fats soft, trickle in lye of 10 to 20 °C at low speed, scrape the wall, pipe when peaks stand.`,
  }
}
