import type { CupTask, ScentPace, RunInput } from './run-input.ts'
import type { Cup, Plan } from '../../plan/index.ts'
import { meetingC } from '../heat/heat-plan.ts'
import { mixedTemperature } from '../heat/mixing.ts'
import { recipeKey, ratesOf } from '../learning/index.ts'
import type { Pace } from '../learning/index.ts'
import type { Portion, Portions } from '../../portions/index.ts'
import { scentLoad, unitBatter } from '../../recipe/index.ts'
import type { ScentLoad, UnitBatter } from '../../recipe/index.ts'
import { findById } from '../../shelf/index.ts'
import type { Shelf } from '../../shelf/index.ts'
import { NO_EFFECT, WHISK_WARMS_K, allEffects, batterPace, colorantEffect } from '../trace/index.ts'
import type { BatterEffect, RecipePace } from '../trace/index.ts'
import { hasOwnLye, withLye } from '../../plan/index.ts'
import { pourTasks } from './pour-tasks.ts'
import { levelError, rateError } from './reading.ts'
import type { Regime } from './reading.ts'
import { withRicing } from './ricing.ts'
import { handTimes } from './times.ts'

/** What the colorants of a cup do to it, one beside the other. */
function cupEffect(portion: Portion, portions: Portions, shelf: Shelf): BatterEffect {
  if (!(portion.totalG > 0)) return NO_EFFECT
  const oilInCupG = portion.exact.batterG * (portions.oilG / portions.potG)
  return allEffects(
    portion.colours.map(part => {
      const item = findById(shelf.colorants, part.colorant)
      const isPowder = part.form === 'powder'
      return colorantEffect({
        powderShareOfOils: isPowder ? part.exact.powderG / oilInCupG : 0,
        mediumShareOfPortion: (part.exact.mediumG + (isPowder ? 0 : part.exact.powderG)) / portion.totalG,
        medium: part.form === 'powder' ? part.medium : part.form,
        lnRatePerPercent: item?.lnRatePerPercent ?? 0,
        lnViscosityPerPercent: item?.lnViscosityPerPercent ?? 0,
      })
    }),
  )
}

const potEffect = (plan: Plan, portions: Portions, shelf: Shelf): BatterEffect =>
  allEffects(
    portions.potColours.map(part => {
      const item = findById(shelf.colorants, part.colorant)
      return colorantEffect({
        powderShareOfOils: part.exactG / portions.oilG,
        mediumShareOfPortion: 0,
        medium: 'none',
        lnRatePerPercent: item?.lnRatePerPercent ?? 0,
        lnViscosityPerPercent: item?.lnViscosityPerPercent ?? 0,
      })
    }),
  )

/** Paces of the pot and of batters that have lye of their own. */
function pacesOf(
  plan: Plan,
  unit: UnitBatter,
  shelf: Shelf,
): { pot: RecipePace; of: (cup: Cup) => RecipePace; all: RecipePace[] } {
  const air = plan.whipped?.airShare ?? 0
  const pot = batterPace(unit, air)
  const made = new Map<number, RecipePace>()
  const of = ({ lyeShare }: Cup) => {
    if (!hasOwnLye(plan) || lyeShare === null) return pot
    const known = made.get(lyeShare) ?? batterPace(unitBatter(withLye(plan.recipe, lyeShare), shelf), air)
    made.set(lyeShare, known)
    return known
  }
  for (const cup of plan.cups) of(cup)
  return { pot, of, all: [pot, ...made.values()] }
}

/** How warm creamed fats and the lye trickled into them come to be under the whisk, °C. */
export const metStartC = (meets: { lyeKg: number; w: number }, fatsC: number, lyeC: number): number =>
  mixedTemperature({ oilsKg: 1, ...meets }, fatsC, lyeC) + WHISK_WARMS_K

/** A whipped batch as fats and lye meet, and how long it is whipped, s. */
function whippedInput({ whipped }: Plan, pace: RecipePace, unit: UnitBatter): RunInput['whipped'] {
  if (!whipped) return null
  const { lyeC, fatsC, creamMin, trickleMin } = whipped
  const meets = { lyeKg: pace.lyeSolutionKgPerKg, w: unit.water.concentration }
  return { startC: metStartC(meets, fatsC, lyeC), seconds: 60 * (creamMin + trickleMin), ...meets }
}

/** What it is known of a batter's pace: maker, recipe and run, wider where little like it was ever observed. */
function rateOf(plain: Pace, regime: Regime): Pace {
  return { mean: plain.mean, sd: Math.hypot(plain.sd, rateError(regime)) }
}

/** What kind of batch it is, as far as it is harder to tell how quick it will be. */
const regimeOf = ({ hands, scent, whipped }: Plan, { lack, stearic }: RecipePace): Regime => ({
  lack,
  stearic,
  isWhipped: whipped !== null,
  byHand: hands.blend === 'hand' || hands.blend === 'whisk',
  neverStops: scent?.moment === 'never-stop',
})

/** Reduces a plan with its portions to the input of the hands: numbers only. */
export function runInputOf(plan: Plan, portions: Portions, shelf: Shelf): RunInput {
  const unit = unitBatter(plan.recipe, shelf)
  const paces = pacesOf(plan, unit, shelf)
  const rates = ratesOf(shelf)
  const recipe = recipeKey(plan)
  const pot = potEffect(plan, portions, shelf)
  const times = handTimes(shelf.times)
  const { conditions, hands } = plan
  const groups: string[] = []
  const scentPace = (load: ScentLoad, ofOils: number): Omit<ScentPace, 'ricing'> => {
    const key = JSON.stringify(load.parts.map(({ id, share }) => [id, share]))
    if (!groups.includes(key)) groups.push(key)
    const { mean, sd } = rates.scented(
      recipe,
      load.parts.map(({ id, share }) => ({ scent: id, share })),
      ofOils * 1000,
    )
    return { lnRate: mean, sd, group: groups.indexOf(key) }
  }
  const cups = plan.cups.map((cup, i): CupTask => {
    const portion = portions.cups[i]!
    const planned = cup.ownScent ?? (cup.scented ? plan.scent : null)
    return {
      cup,
      massG: portion.totalG,
      pace: paces.of(cup),
      batch: cup.batter,
      stop: stopOf(plan, cup),
      draw: cup.draw,
      colourS: portion.colours.length > 0 ? times.colour + times['more-colour'] * (portion.colours.length - 1) : 0,
      ...allEffects([pot, cupEffect(portion, portions, shelf)]),
      scent: planned && {
        moment: planned.moment,
        how: planned.how,
        ricing: 0,
        ...scentPace(scentLoad(planned, shelf, unit.batterG), portion.scentOfOils),
      },
    }
  })
  const regime = regimeOf(plan, paces.pot)
  const input: RunInput = {
    pace: paces.pot,
    paces: paces.all,
    potKg: portions.potG / 1000,
    superfatShare: plan.recipe.superfatShare,
    ownBatters: plan.division.mode === 'own-batters',
    whipped: whippedInput(plan, paces.pot, unit),
    mixC: meetingC(plan, shelf, portions),
    roomC: conditions.roomC,
    stopLevel: conditions.stopLevel,
    stopWhen: conditions.stopWhen,
    blendS: conditions.blendS,
    leastS: conditions.leastS,
    blenderStrength: conditions.blenderStrength * Math.exp(rates.blender().mean),
    blending: hands.blend,
    colourEach: hands.order === 'each',
    people: hands.people,
    handPace: hands.pace,
    times,
    waiting: hands.waiting,
    rate: rateOf(rates.plain(recipe), regime),
    levelError: levelError(regime),
    seen: plan.seen.map(({ cup, atMin, level, by }) => ({
      s: atMin * 60,
      level,
      by,
      cup: plan.cups.findIndex(one => one.id === cup),
    })),
    scentSd: Math.max(0, ...cups.map(cup => cup.scent?.sd ?? 0)),
    potEffect: pot,
    cups,
    pours: pourTasks(plan, portions, shelf, times),
    moveIds: plan.moves.map(move => move.id),
  }
  return withRicing(input, plan, unit, shelf)
}

/** A cup's own stop counts only above the pot's. */
const stopOf = ({ conditions, whipped }: Plan, { stop }: Cup): number | null =>
  stop !== null && whipped === null && stop > conditions.stopLevel ? stop : null
