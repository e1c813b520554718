import { fact } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import type { Plan } from '../plan/index.ts'
import type { Portions } from '../portions/index.ts'

export interface WayCompared {
  mode: 'one-pot' | 'own-batters'
  minutes: number
  dishes: number
  /** How level and how hurried, in words. */
  level: Words
  pressure: Words
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
/** Batters of their own that a plan makes: cups that share one count once. */
export const battersOf = (plan: Plan, portions: Portions): number => {
  const used = plan.cups.filter((_, i) => portions.cups[i]!.batterG > 0)
  const letters = new Set(used.map(cup => cup.batter).filter(letter => letter !== ''))
  return used.filter(cup => cup.batter === '').length + letters.size
}

export function compareWays(plan: Plan, portions: Portions): WayCompared[] {
  const cups = portions.cups.filter(cup => cup.batterG > 0).length
  const batters = battersOf(plan, portions)
  const colours = plan.cups.reduce((sum, cup) => sum + cup.colorants.length, 0)
  const oils = portions.oils.length
  const common = WORK.colour * colours + WORK.pour * plan.score.length
  const one = oils * WORK.weighOil + WORK.weighLye + WORK.dissolve + WORK.blend + cups * WORK.split + common
  const separate = plan.division.lye === 'separate'
  const liquidOils = portions.oils.length
  const own =
    (plan.division.melt === 'common' ? oils * 0.5 * WORK.weighOil : 0) +
    batters * (liquidOils * 0.6 * WORK.weighOil + WORK.blend + WORK.rinse) +
    (separate ? batters * (WORK.weighLye + WORK.dissolve) : WORK.weighLye + WORK.dissolve + batters) +
    (batters < cups ? cups * WORK.split : 0) +
    common
  const dishesOne = 2 + cups + colours
  const dishesOwn = 2 + batters * (separate ? 2 : 1) + (batters < cups ? cups : 0) + colours
  return [
    {
      mode: 'one-pot',
      minutes: one + dishesOne * WORK.washUp,
      dishes: dishesOne,
      level: cups > 1 ? fact('preparation.all-cups-age-together') : fact('preparation.level'),
      pressure: cups > 1 ? fact('preparation.all-clocks-start-at') : fact('preparation.only-one-pour'),
    },
    {
      mode: 'own-batters',
      minutes: own + dishesOwn * WORK.washUp,
      dishes: dishesOwn,
      level: fact('preparation.each-layer-poured-at'),
      pressure: fact('preparation.each-batter-starts-its'),
    },
  ]
}
