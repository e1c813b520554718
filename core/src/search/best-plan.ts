import { fact } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import { cupShares } from '../plan/index.ts'
import type { Edit, Plan } from '../plan/index.ts'
import { lanesOf, monteCarlo } from '../batter/schedule/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { SPACES, changesOf, costsOf, editsOf, grid, plainSets, pourOrders, ways } from './settings.ts'
import type { Aim, Change, Freedom, Setting } from './settings.ts'
import { Trials } from './trials.ts'

/** A plan that was found: what changes, what it gains and what it costs. */
export interface FoundPlan {
  title: Words
  changes: Change[]
  /** What it costs beside minutes. */
  costs: Words[]
  edit: Edit
  /** Share of runs that work, with its standard error; and of the plan as it is, over the same runs. */
  chance: number
  error: number
  before: number
  /** Minutes from lye to the last pour, and how many more than now. */
  endMin: number
  moreMin: number
}

export interface SearchState {
  done: number
  total: number
  /** The best chance so far, by the quick reckoning. */
  best: number
  found: FoundPlan[]
}

export interface SearchWish {
  free: ReadonlySet<Freedom>
  aim: Aim
}

/** Of more than so many scented cups, at most three are tried without. */
const FEW_CUPS = 6
const MOST_PLAIN = 3
const FINAL_RUNS = 400
/** A change that gains less than this is not worth making. */
const TIE = 0.02
/** Good enough that fewer changes count for more. */
const GOOD = 0.8
const MOST_FOUND = 5
/** Up to so many settings are all tried; of more, those around the best ways of working. */
const TRY_ALL = 600
const BEST_WAYS = 3
/** Settings worked out between two reports. */
const STEP = 12

/** What a setting is worth: its chance; where layers are to hold, the sooner it is done the better, once it works. */
function worth(trials: Trials, aim: Aim, one: Setting): number {
  const { chance, endMin } = trials.tried(one)
  if (aim === 'works' || chance < GOOD) return chance
  return 1 + 1 / (1 + endMin)
}

/** The best of a list; of equals the earliest. */
const best = (trials: Trials, aim: Aim, list: readonly Setting[]): Setting =>
  list.reduce((a, b) => (worth(trials, aim, b) > worth(trials, aim, a) + 1e-9 ? b : a))

type Keep = (one: Setting) => boolean

/** Takes back every change that gains next to nothing, within what is to be kept; what costs most goes first. */
function simplified(trials: Trials, aim: Aim, to: Setting, keep: Keep = () => true): Setting {
  const { from } = trials
  let now = to
  const goal = trials.tried(to)
  const order = [
    'ownBatters',
    'pours',
    'plain',
    'water',
    'waits',
    'waiting',
    'order',
    'moment',
    'stop',
    'mixC',
  ] as const
  for (const key of order) {
    const without = { ...now, [key]: from[key] }
    const { chance, endMin } = trials.tried(without)
    const isAsSoon = aim === 'works' || endMin <= goal.endMin + 0.5
    if (chance >= goal.chance - TIE && isAsSoon && keep(without)) now = without
  }
  return now
}

interface Now {
  before: number
  endMin: number
}

function found(trials: Trials, title: Words, to: Setting, now: Now): FoundPlan | null {
  const input = trials.input(to)
  if (!input) return null
  const runs = monteCarlo(input, FINAL_RUNS)
  const { endMin } = lanesOf(input)
  return {
    title,
    changes: changesOf(trials.plan, trials.from, to),
    costs: costsOf(trials.plan, trials.from, to, trials.shelf),
    edit: { kind: 'many', edits: editsOf(trials.plan, trials.from, to) },
    chance: runs.chance,
    error: runs.error,
    before: now.before,
    endMin,
    moreMin: endMin - now.endMin,
  }
}

/** Distinct plans worth offering, from what was worked out. */
function offers(trials: Trials, aim: Aim, tried: readonly Setting[]): [Words, Setting][] {
  const { from } = trials
  const top = simplified(trials, aim, best(trials, aim, tried))
  const goal = trials.chance(top)
  const list: [Words, Setting][] = [
    [aim === 'works' ? fact('search.most-likely-work') : fact('search.holds-soonest'), top],
  ]
  const among = (title: Words, keep: Keep) => {
    const rest = tried.filter(keep)
    if (rest.length > 0) list.push([title, simplified(trials, aim, best(trials, aim, rest), keep)])
  }
  const count = (one: Setting) => changesOf(trials.plan, from, one).length
  const fewest = [top, ...tried]
    .filter(one => count(one) > 0 && trials.chance(one) >= Math.min(goal - TIE, GOOD))
    .sort((a, b) => count(a) - count(b) || worth(trials, aim, b) - worth(trials, aim, a))[0]
  if (fewest) list.push([fact('search.fewest-changes'), fewest])
  among(fact('search.temperature-as'), one => one.mixC === from.mixC)
  among(
    fact('search.recipe-scent-as-they'),
    one => one.water === from.water && one.moment === from.moment && one.plain.length === from.plain.length,
  )
  among(fact('search.one-pot'), one => !one.ownBatters)
  among(fact('search.batter-its-own-for'), one => one.ownBatters)
  const seen = new Set<string>([JSON.stringify(from)])
  return list.filter(([, one]) => {
    const key = JSON.stringify(one)
    if (seen.has(key)) return false
    seen.add(key)
    return true
  })
}

/** What is tried after the grid, around the best so far: cups without scent, waits, the order of like pours, own batters. */
function* beyond(trials: Trials, wish: SearchWish, around: () => Setting): Generator<Setting[], void> {
  const { plan, from } = trials
  const { free } = wish
  if (free.has('waits') && plan.score.some(pour => pour.waitMin > 0)) yield [{ ...around(), waits: false }]
  if (free.has('pours')) yield pourOrders(plan, from.plain).map(pours => ({ ...around(), pours }))
  if (free.has('plain') && plan.scent) {
    const shares = cupShares(plan)
    const scented = plan.cups.flatMap((cup, i) =>
      cup.scented && !cup.ownScent ? [{ id: cup.id, share: shares[i]! }] : [],
    )
    const isSmall = scented.length <= FEW_CUPS
    const sets = plainSets(scented, isSmall ? FEW_CUPS - 1 : MOST_PLAIN).filter(set => set.length < scented.length)
    const stops = isSmall && free.has('stop') ? SPACES[wish.aim].stops : []
    for (const set of sets) {
      const now = around()
      if (trials.chance(now) >= GOOD) break
      const plain = [...from.plain, ...set]
      const late = isSmall && free.has('moment') && now.moment !== 'last' ? (['last'] as const) : []
      const ways = [now.moment, ...late].map((moment): Setting => ({ ...now, moment, plain }))
      yield ways.flatMap(way => [way, ...stops.map(stop => ({ ...way, stop }))])
    }
  }
  if (free.has('batters') && plan.cups.length > 1) {
    const { temperatures } = SPACES[wish.aim]
    const warm = free.has('mixC') ? temperatures.filter(c => c >= trials.clearC + 2) : []
    const ownAt = (base: Setting) => [base.mixC, ...warm].map(mixC => ({ ...base, mixC, ownBatters: true }))
    yield [...ownAt(from), ...ownAt(around())].filter(one => one.order === 'each' || !free.has('order'))
    if (free.has('order')) yield ownAt({ ...around(), order: 'each' })
  }
}

/**
 * Searches for settings with which the whole design is most likely to work, or holds soonest: every way of working with
 * every temperature, water and stop of blending (all of them where they are few, else around the three best ways), then
 * what costs more. Yields how far it is; the last yield is the answer. What is found never works less often than the plan
 * as it is, and the same plan gives the same answer.
 */
export function* searchPlans(plan: Plan, shelf: Shelf, wish: SearchWish): Generator<SearchState> {
  const { free, aim } = wish
  const trials = new Trials(plan, shelf)
  const { from } = trials
  const all = ways(plan, from, free)
  const around = (way: Setting) => grid(from, way, free, SPACES[aim], trials.clearC)
  const tried: Setting[] = [from]
  const each = around(from).length
  const howMany = all.length * each <= TRY_ALL ? all.length : BEST_WAYS
  let total = all.length + howMany * each
  let done = 0
  let top = from
  const state = (list: FoundPlan[] = []): SearchState => ({ done, total, best: trials.chance(top), found: list })
  const work = function* (list: readonly Setting[]): Generator<SearchState> {
    for (const one of list) {
      if (trials.chance(one) >= 0) tried.push(one)
      if (worth(trials, aim, one) > worth(trials, aim, top) + 1e-9) top = one
      done += 1
      if (done % STEP === 0) yield state()
    }
  }
  yield* work(all)
  const promising = [...all].sort((a, b) => trials.chance(b) - trials.chance(a)).slice(0, howMany)
  for (const way of promising) yield* work(around(way))
  for (const more of beyond(trials, wish, () => top)) {
    total += more.length
    yield* work(more)
  }
  const input = trials.input(from)!
  const now = { before: monteCarlo(input, FINAL_RUNS).chance, endMin: lanesOf(input).endMin }
  const isBetter = (one: FoundPlan) =>
    one.chance >= now.before + TIE || (aim === 'holds' && one.chance >= now.before && one.moreMin <= -1)
  const list: FoundPlan[] = []
  const offered = offers(trials, aim, tried)
  total = done + offered.length
  for (const [title, one] of offered) {
    const plan = found(trials, title, one, now)
    if (plan && isBetter(plan)) list.push(plan)
    done += 1
    yield state(list)
  }
  const byWorth = (a: FoundPlan, b: FoundPlan) => (aim === 'holds' ? a.endMin - b.endMin : b.chance - a.chance)
  yield state(list.sort(byWorth).slice(0, MOST_FOUND))
}
