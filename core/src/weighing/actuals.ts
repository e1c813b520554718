import type { Plan } from '../plan/index.ts'
import type { Portions } from '../portions/index.ts'
import { superfatAsWeighed } from '../portions/index.ts'
import { topSheet } from '../preparation/index.ts'
import { naohPerG, unitBatter } from '../recipe/index.ts'
import { findById } from '../shelf/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { showShare, tidy } from '../units/index.ts'
import type { WeighLine } from './line.ts'

/** What the batch becomes with the weights that were really weighed; lines not weighed yet count as planned. */
export interface Actual {
  superfatShare: number
  lowShare: number
  highShare: number
  concentration: number
  scentOfOils: number
  /** Lines that were weighed. */
  count: number
}

const massOf = (plan: Plan, key: string, plannedG: number): number =>
  plan.preparation.weighed.find(line => line.item === key)?.massG ?? plannedG

/** Superfat, lye concentration and scent from actual weights. */
export function actualOf(plan: Plan, portions: Portions, shelf: Shelf): Actual {
  const unit = unitBatter(plan.recipe, shelf)
  const actual = (kind: string, id: string, massG: number) => ({ massG: massOf(plan, `${kind}:${id}`, massG) })
  const weighed = {
    // Oil drawn for the colours is in the cups, and the recipe's lye is for it too.
    oils: portions.oils.map(part => {
      const { massG } = actual('oil', part.oil, part.massG)
      return { massG: part.oil === portions.drawn.oil ? massG + portions.drawn.oilG : massG }
    }),
    liquids: portions.liquids.map(part => actual('liquid', part.id, part.massG)),
    additives: portions.additives.map(part => actual('additive', part.id, part.massG)),
  }
  const oilG = weighed.oils.reduce((sum, part) => sum + part.massG, 0)
  const naohG = massOf(plan, 'lye', portions.lyeG) * plan.recipe.lyePurityShare
  const brought = (parts: readonly { massG: number; waterG: number }[], masses: readonly { massG: number }[]) =>
    parts.reduce((sum, part, i) => (part.massG > 0 ? sum + (part.waterG / part.massG) * masses[i]!.massG : sum), 0)
  const waterG =
    massOf(plan, 'water', portions.waterG) +
    portions.drawn.waterG +
    brought(unit.liquids, weighed.liquids) +
    brought(unit.additives, weighed.additives)
  const superfat = (at: 'value' | 'low' | 'high') => superfatAsWeighed(unit, weighed, naohG, at)
  const scentG = portions.scents.reduce((sum, part) => sum + massOf(plan, `scent:${part.scent}`, part.massG), 0)
  return {
    superfatShare: superfat('value'),
    lowShare: superfat('low'),
    highShare: superfat('high'),
    concentration: naohG / (naohG + waterG),
    scentOfOils: scentG / oilG,
    count: plan.preparation.weighed.length,
  }
}

/** A weight that is off, and the ways out. */
export interface Overshoot {
  overG: number
  isOver: boolean
  /** What accepting it makes of the batch. */
  accept: { actual: Actual; isAdvised: boolean; sentence: string }
  /** Can it be taken out again? */
  takeOut: { isPossible: boolean; sentence: string }
  /** Everything else × factor makes the batch whole again. */
  rescale: { factor: number; sentence: string } | null
}

/** Superfat that may move by this much without a word, and its usual range. */
const SMALL_SHIFT = 0.005
const USUAL = { low: 0.03, high: 0.1 }

/**
 * What to do about a line that was weighed as `actualG`: accept it, take some out, or rescale the rest.
 *
 * @returns null when it is within half a step of the plan
 */
export function overshoot(
  plan: Plan,
  portions: Portions,
  shelf: Shelf,
  line: WeighLine,
  actualG: number,
): Overshoot | null {
  const overG = actualG - line.massG
  if (Math.abs(overG) <= line.stepG / 2 + 1e-9) return null
  if (line.group === 'top') return topOvershoot(plan, shelf, line, actualG)
  const others = plan.preparation.weighed.filter(one => one.item !== line.key)
  const weighed = [...others, { item: line.key, massG: actualG }]
  const before = actualOf({ ...plan, preparation: { ...plan.preparation, weighed: others } }, portions, shelf)
  const actual = actualOf({ ...plan, preparation: { ...plan.preparation, weighed } }, portions, shelf)
  const shift = Math.abs(actual.superfatShare - before.superfatShare)
  const isRight = actual.superfatShare >= USUAL.low && actual.lowShare >= 0 && actual.superfatShare <= USUAL.high
  const isAdvised = shift < SMALL_SHIFT && isRight
  const mixed = line.group === 'scent' || line.key === 'lye' || line.group === 'late' || line.group === 'colours'
  const amount = `${tidy(Math.abs(overG), 2)} g ${overG > 0 ? 'too much' : 'too little'}`
  const factor = actualG / line.massG
  return {
    overG,
    isOver: overG > 0,
    accept: {
      actual,
      isAdvised,
      sentence: `${amount}: superfat ${showShare(actual.superfatShare, 2)} instead of ${showShare(before.superfatShare, 2)} (${showShare(actual.lowShare)} to ${showShare(actual.highShare)}), lye at ${showShare(actual.concentration)}${line.group === 'scent' ? `, scent ${showShare(actual.scentOfOils, 2)} of the oils` : ''}. ${isAdvised ? 'That is small: accept it.' : actual.lowShare < 0 ? 'That can leave free lye: do not accept it.' : 'Better put right.'}`,
    },
    takeOut:
      overG > 0
        ? {
            isPossible: mixed || line.group === 'lye-water',
            sentence: mixed
              ? `Spoon ${tidy(overG, 2)} g back out of its own cup.`
              : line.group === 'lye-water'
                ? `Pour ${tidy(overG, 2)} g back, before the lye goes in.`
                : `Take ${tidy(overG, 2)} g out only if it lies on top and has not mixed with the oils under it.`,
          }
        : { isPossible: true, sentence: `Add ${tidy(-overG, 2)} g.` },
    rescale:
      line.massG > 0 &&
      factor > 0.2 &&
      factor < 5 &&
      (line.group === 'oils' || line.group === 'lye' || line.group === 'late' || line.group === 'scent')
        ? {
            factor,
            sentence: `Weigh everything else × ${factor.toFixed(3)}: the same soap, ${factor > 1 ? 'more' : 'less'} of it.`,
          }
        : null,
  }
}

/** The same for the top's own batter, by its own superfat. */
function topOvershoot(plan: Plan, shelf: Shelf, line: WeighLine, actualG: number): Overshoot | null {
  const top = topSheet(plan, shelf)
  if (!top) return null
  const now = {
    ...plan,
    preparation: { ...plan.preparation, weighed: plan.preparation.weighed.filter(one => one.item !== line.key) },
  }
  const mass = (key: string, plannedG: number) => (key === line.key ? actualG : massOf(now, key, plannedG))
  const superfat = (at: 'value' | 'low' | 'high') =>
    1 -
    (mass('top:lye', top.lyeG) * plan.recipe.lyePurityShare) /
      top.oils.reduce(
        (sum, part) => sum + mass(`top:${part.oil}`, part.massG) * naohPerG(findById(shelf.oils, part.oil)!, at),
        0,
      )
  const naohG = mass('top:lye', top.lyeG) * plan.recipe.lyePurityShare
  const actual: Actual = {
    superfatShare: superfat('value'),
    lowShare: superfat('low'),
    highShare: superfat('high'),
    concentration: naohG / (naohG + mass('top:water', top.waterG)),
    scentOfOils: 0,
    count: now.preparation.weighed.length + 1,
  }
  const overG = actualG - line.massG
  const isAdvised =
    Math.abs(actual.superfatShare - top.superfatShare) < SMALL_SHIFT &&
    actual.superfatShare >= USUAL.low &&
    actual.lowShare >= 0
  const amount = `${tidy(Math.abs(overG), 2)} g ${overG > 0 ? 'too much' : 'too little'}`
  return {
    overG,
    isOver: overG > 0,
    accept: {
      actual,
      isAdvised,
      sentence: `${amount}: the top’s superfat ${showShare(actual.superfatShare, 2)} instead of ${showShare(top.superfatShare, 2)}. ${isAdvised ? 'That is small: accept it.' : 'Better put right.'}`,
    },
    takeOut: {
      isPossible: true,
      sentence: overG > 0 ? `Take ${tidy(overG, 2)} g out.` : `Add ${tidy(-overG, 2)} g.`,
    },
    rescale: null,
  }
}
