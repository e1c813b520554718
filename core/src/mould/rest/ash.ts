import { fact } from '../../quantities/facts/index.ts'
import type { Fact, Words } from '../../quantities/facts/index.ts'
import type { Plan, RestStep } from '../../plan/index.ts'
import { mistWorks } from './mist.ts'

/** Chance of ash on the top, and what makes it so, the most first. Ordinal in truth; all of it engineering estimates. */
export interface Ash {
  chance: number
  word: Fact
  reasons: Words[]
  /** What would take most of it away; empty where there is hardly any. */
  remedy: Words
}

/** What ash comes of, from the top layer as it is poured. */
export interface AshInputs {
  /** Share of the batter's mass. */
  water: number
  tempC: number
  level: number
  emulsion: number
  /** Of the air in the room, 0…1. */
  humidity: number
  /** Share of the scent that is essential oil, and ln of how much it quickens. */
  essential: number
  scentLnRate: number
  /** % of the oils. */
  beeswax: number
  /** Worked into peaks, not level. */
  isPeaked: boolean
  /** Chance that the top gels. */
  topGel: number
}

const clamp = (x: number, low: number, high: number) => Math.min(high, Math.max(low, x))
const logistic = (x: number) => 1 / (1 + Math.exp(-x))

/** How much of the air reaches the top. */
const OPEN = { open: 1, lid: 0.35, film: 0.12 } as const
const UNDER_TOWELS = 0.5
const PLACE_AIR: Readonly<Record<RestStep['place'], number>> = {
  room: 1,
  mat: 1,
  box: 0.7,
  oven: 0.7,
  refrigerator: 0.6,
  freezer: 0.6,
}
const openness = ({ cover, towels, place }: RestStep): number =>
  OPEN[cover] * (cover === 'open' && towels.top > 0 ? UNDER_TOWELS : 1) * PLACE_AIR[place]

const DAY_H = 24
/** Hours in which lye at the surface is bound. */
const BOUND_H = 6

/** Air that reaches the top through the first day, against an open top. */
export function airReached(steps: readonly RestStep[]): number {
  const left = (h: number) => Math.exp(-h / BOUND_H)
  const sum = steps.reduce((all, step, i) => {
    const from = Math.min(DAY_H, step.atMin / 60)
    const to = Math.min(DAY_H, (steps[i + 1]?.atMin ?? Infinity) / 60)
    return all + openness(step) * (left(from) - left(to))
  }, 0)
  return sum / (1 - left(DAY_H))
}

/** What each thing adds. */
function termsOf(of: AshInputs): readonly { adds: number; reason: Words; remedy: Words }[] {
  const { water, tempC, level, emulsion, humidity, essential, scentLnRate, beeswax, isPeaked, topGel } = of
  return [
    { adds: 17 * (water - 0.205), reason: fact('rest.much-water'), remedy: fact('rest.less-water') },
    { adds: 0.1 * clamp(36 - tempC, -6, 12), reason: fact('rest.cool-pour'), remedy: fact('rest.warmer-pour') },
    { adds: 1.1 * clamp(1.8 - level, -0.6, 0.9), reason: fact('rest.thin-pour'), remedy: fact('rest.thicker-trace') },
    {
      adds: 3 * clamp(0.9 - emulsion, 0, 0.3),
      reason: fact('rest.coarse-emulsion'),
      remedy: fact('rest.longer-blending'),
    },
    { adds: 2.2 * (humidity - 0.5), reason: fact('rest.damp-air'), remedy: fact('rest.drier-air') },
    { adds: 0.5 * essential, reason: fact('rest.essential-oils'), remedy: '' },
    { adds: -0.8 * clamp(scentLnRate, 0, 1.2), reason: '', remedy: '' },
    { adds: -0.6 * Math.min(2, beeswax), reason: '', remedy: '' },
    { adds: isPeaked ? 0.4 : 0, reason: fact('rest.worked-top'), remedy: fact('rest.level-top') },
    { adds: -2.6 * topGel, reason: '', remedy: fact('rest.top-gels') },
  ]
}

const BASE = -0.5
const PER_LN_AIR = 1.15
const PER_MIST = 0.7
const LEAST_AIR = 0.02
/** A term from here on is a reason. */
const NAMED = 0.3
const WORDS: readonly (readonly [below: number, word: Fact])[] = [
  [0.1, fact('hardly any')],
  [0.3, fact('a little, perhaps')],
  [0.6, fact('some is as likely as not')],
  [0.8, fact('likely')],
]

/** Ash from what is poured, how it is covered, and how often it is misted. */
export function ashFrom(of: AshInputs, steps: readonly RestStep[], mists: number): Ash {
  const terms = termsOf(of)
  const air = airReached(steps)
  const z = terms.reduce((sum, term) => sum + term.adds, BASE)
  const chance =
    0.02 + 0.95 * logistic(z + PER_LN_AIR * Math.log(Math.max(LEAST_AIR, air)) - PER_MIST * Math.min(3, mists))
  const named = terms.filter(term => term.adds > NAMED && term.reason !== '').sort((a, b) => b.adds - a.adds)
  const reasons = named.map(term => term.reason)
  if (air > 0.5) reasons.unshift(fact('rest.nothing-over'))
  const remedy =
    chance < WORDS[0]![0] ? '' : air > 0.2 ? fact('rest.film-close-on') : (named[0]?.remedy ?? fact('rest.top-gels'))
  return { chance, word: WORDS.find(([below]) => chance < below)?.[1] ?? fact('very likely'), reasons, remedy }
}

/** Ash of a plan. Alcohol that would meet heat or a closed appliance is not sprayed, so it does not count. */
export const ashOf = (plan: Plan, of: AshInputs): Ash =>
  ashFrom(of, plan.rest.steps, mistWorks(plan) ? plan.rest.mists : 0)
