import { applyEdit } from '../plan/index.ts'
import type { CupOrder, Edit, Plan, ScentMoment } from '../plan/index.ts'
import { portionsOf } from '../portions/index.ts'
import type { Portions } from '../portions/index.ts'
import { unitBatter } from '../recipe/index.ts'
import { chanceOf, jobOf, lanesOf, monteCarlo } from '../schedule/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { batterPace } from '../trace/index.ts'
import { showShare, tidy } from '../units/index.ts'

/** What the search may change. */
export const FREEDOMS = {
  mixC: 'temperature at which oils and lye meet',
  water: 'water',
  stop: 'where blending stops',
  moment: 'when the scent goes in',
  order: 'when cups are coloured',
  plain: 'cups without scent',
} as const
export type Freedom = keyof typeof FREEDOMS

/** Everything that the search sets, as plain values. */
interface Setting {
  mixC: number
  /** Lye concentration. */
  water: number
  stop: number
  moment: ScentMoment | null
  order: CupOrder
  /** Cups that are left without scent, by id. */
  plain: readonly string[]
}

/** A plan that was found: what changes, what it gains and what it costs. */
export interface FoundPlan {
  title: string
  changes: { freedom: Freedom; sentence: string }[]
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

const TEMPERATURES = [26, 29, 32, 35, 38] as const
const CONCENTRATIONS = [0.27, 0.29, 0.31] as const
const STOPS = [1.2, 1.4, 1.6, 1.8, 2] as const
const MOMENTS: readonly ScentMoment[] = ['with-colour', 'last', 'pot']
const MOST_PLAIN = 3
const FINAL_RUNS = 400
/** A change that gains less than this is not worth making. */
const TIE = 0.02
/** Good enough that fewer changes count for more. */
const GOOD = 0.8
const MOST_FOUND = 4

const settingOf = (plan: Plan, concentration: number): Setting => ({
  mixC: plan.conditions.mixC,
  water: concentration,
  stop: plan.conditions.stopLevel,
  moment: plan.scent?.moment ?? null,
  order: plan.hands.order,
  plain: plan.cups.filter(cup => !cup.scented).map(cup => cup.id),
})

function editsOf(plan: Plan, from: Setting, to: Setting): Edit[] {
  const edits: Edit[] = []
  const set = (path: (string | number)[], value: unknown) => edits.push({ kind: 'set', path, value })
  if (to.mixC !== from.mixC) set(['conditions', 'mixC'], to.mixC)
  if (to.stop !== from.stop) set(['conditions', 'stopLevel'], to.stop)
  if (to.water !== from.water)
    set(['recipe', 'water'], { ...plan.recipe.water, basis: 'concentration', value: to.water })
  if (to.moment !== from.moment && to.moment) set(['scent', 'moment'], to.moment)
  if (to.order !== from.order) set(['hands', 'order'], to.order)
  plan.cups.forEach((cup, i) => {
    const scented = !to.plain.includes(cup.id)
    if (scented !== cup.scented) set(['cups', i, 'scented'], scented)
  })
  return edits
}

const MOMENT_WORDS: Readonly<Record<ScentMoment, string>> = {
  pot: 'Scent the whole pot before the split',
  'with-colour': 'Stir the scent into each cup with its colour',
  last: 'Stir the scent into each cup right before its pour',
}

function changesOf(plan: Plan, from: Setting, to: Setting): FoundPlan['changes'] {
  const changes: FoundPlan['changes'] = []
  if (to.mixC !== from.mixC)
    changes.push({ freedom: 'mixC', sentence: `Mix at ${to.mixC} °C instead of ${tidy(from.mixC, 1)} °C` })
  if (to.stop !== from.stop)
    changes.push({ freedom: 'stop', sentence: `Stop blending at level ${to.stop} instead of ${tidy(from.stop, 1)}` })
  if (to.water !== from.water)
    changes.push({
      freedom: 'water',
      sentence: `Lye at ${showShare(to.water)} instead of ${showShare(from.water)}: ${to.water < from.water ? 'more' : 'less'} water`,
    })
  if (to.moment !== from.moment && to.moment) changes.push({ freedom: 'moment', sentence: MOMENT_WORDS[to.moment] })
  if (to.order !== from.order)
    changes.push({
      freedom: 'order',
      sentence:
        to.order === 'each' ? 'Colour each cup right before its first pour' : 'Colour all cups before the first pour',
    })
  const more = plan.cups.filter(cup => to.plain.includes(cup.id) && cup.scented)
  if (more.length > 0)
    changes.push({ freedom: 'plain', sentence: `Leave ${more.map(cup => cup.name).join(' and ')} without scent` })
  return changes
}

/** Works settings out for one plan: what depends on water and scent alone is worked out once. */
class Workbench {
  readonly from: Setting
  readonly clearC: number
  readonly #portions = new Map<string, { plan: Plan; portions: Portions } | null>()
  readonly #chances = new Map<string, number>()

  constructor(
    readonly plan: Plan,
    readonly shelf: Shelf,
  ) {
    const unit = unitBatter(plan.recipe, shelf)
    this.clearC = batterPace(unit).clearPointC
    this.from = settingOf(plan, Number(unit.water.concentration.toFixed(4)))
  }

  /** The plan with a setting, checked; null where it cannot be. */
  planOf(to: Setting): Plan | null {
    const edits = editsOf(this.plan, this.from, to)
    if (edits.length === 0) return this.plan
    const result = applyEdit(this.plan, { kind: 'many', edits })
    return result.ok ? result.plan : null
  }

  job(to: Setting) {
    const key = JSON.stringify([to.water, to.moment, to.plain])
    let known = this.#portions.get(key)
    if (known === undefined) {
      const plan = this.planOf({ ...this.from, water: to.water, moment: to.moment, plain: to.plain })
      known = plan && { plan, portions: portionsOf(plan, this.shelf) }
      this.#portions.set(key, known)
    }
    if (!known) return null
    const { plan, portions } = known
    const conditions = { ...plan.conditions, mixC: to.mixC, stopLevel: to.stop }
    return jobOf({ ...plan, conditions, hands: { ...plan.hands, order: to.order } }, portions, this.shelf)
  }

  chance(to: Setting): number {
    const key = JSON.stringify(to)
    const known = this.#chances.get(key)
    if (known !== undefined) return known
    const job = this.job(to)
    const chance = job ? chanceOf(job) : -1
    this.#chances.set(key, chance)
    return chance
  }
}

/** All subsets of up to three of a list, the small ones first. */
function subsets(list: readonly string[], most: number): string[][] {
  const all: string[][] = [[]]
  for (const item of list) for (const set of [...all]) if (set.length < most) all.push([...set, item])
  return all.slice(1).sort((a, b) => a.length - b.length)
}

function ways(bench: Workbench, free: ReadonlySet<Freedom>): Setting[] {
  const { plan, from } = bench
  const isShared = plan.scent !== null && plan.cups.every(cup => !cup.ownScent)
  const moments =
    from.moment && free.has('moment')
      ? MOMENTS.filter(moment => moment === from.moment || moment !== 'pot' || isShared)
      : [from.moment]
  const orders: CupOrder[] = free.has('order') ? ['first', 'each'] : [from.order]
  return moments.flatMap(moment => orders.map(order => ({ ...from, moment, order })))
}

const withOwn = (values: readonly number[], own: number): number[] => [...new Set([own, ...values])]

/** Settings around a way of working: every temperature, water and stop that is free. */
function grid(bench: Workbench, way: Setting, free: ReadonlySet<Freedom>): Setting[] {
  const { from, clearC } = bench
  const warm = TEMPERATURES.filter(c => c >= clearC + 2)
  const temperatures = free.has('mixC') ? withOwn(warm, from.mixC) : [from.mixC]
  const waters = free.has('water') ? withOwn(CONCENTRATIONS, from.water) : [from.water]
  const stops = free.has('stop') ? withOwn(STOPS, from.stop) : [from.stop]
  return temperatures.flatMap(mixC => waters.flatMap(water => stops.map(stop => ({ ...way, mixC, water, stop }))))
}

/** Takes back every change that gains next to nothing. */
function simplified(bench: Workbench, to: Setting): Setting {
  const { from } = bench
  let now = to
  const goal = bench.chance(to)
  for (const key of ['water', 'order', 'moment', 'plain', 'stop', 'mixC'] as const) {
    const without = { ...now, [key]: from[key] }
    if (bench.chance(without) >= goal - TIE) now = without
  }
  return now
}

function found(
  bench: Workbench,
  title: string,
  to: Setting,
  now: { before: number; endMin: number },
): FoundPlan | null {
  const job = bench.job(to)
  if (!job) return null
  const runs = monteCarlo(job, FINAL_RUNS)
  const { endMin } = lanesOf(job)
  return {
    title,
    changes: changesOf(bench.plan, bench.from, to),
    edit: { kind: 'many', edits: editsOf(bench.plan, bench.from, to) },
    chance: runs.chance,
    error: runs.error,
    before: now.before,
    endMin,
    moreMin: endMin - now.endMin,
  }
}

/** The best of a list by the quick chance; of those within a tie the earliest. */
const best = (bench: Workbench, list: readonly Setting[]): Setting =>
  list.reduce((a, b) => (bench.chance(b) > bench.chance(a) + 1e-9 ? b : a))

/** Distinct plans worth offering, from what was worked out. */
function offers(bench: Workbench, tried: readonly Setting[]): [string, Setting][] {
  const { from } = bench
  const top = simplified(bench, best(bench, tried))
  const goal = bench.chance(top)
  const list: [string, Setting][] = [['Most likely to work', top]]
  const among = (title: string, keep: (one: Setting) => boolean) => {
    const rest = tried.filter(keep)
    if (rest.length > 0) list.push([title, simplified(bench, best(bench, rest))])
  }
  const count = (one: Setting) => editsOf(bench.plan, from, one).length
  const fewest = tried
    .filter(one => count(one) > 0 && bench.chance(one) >= Math.min(goal - TIE, GOOD))
    .sort((a, b) => count(a) - count(b) || bench.chance(b) - bench.chance(a))[0]
  if (fewest) list.push(['Fewest changes', fewest])
  among('Temperature as it is', one => one.mixC === from.mixC)
  among(
    'Recipe and scent as they are',
    one => one.water === from.water && one.moment === from.moment && one.plain.length === from.plain.length,
  )
  const seen = new Set<string>([JSON.stringify(from)])
  return list.filter(([, one]) => {
    const key = JSON.stringify(one)
    if (seen.has(key)) return false
    seen.add(key)
    return true
  })
}

/** Settings worked out between two reports. */
const STEP = 12

/**
 * Searches for settings with which the whole design is most likely to work: first ways of working, then temperature, water
 * and the stop of blending around the two best ways, then cups without scent. Yields how far it is; the last yield is the
 * answer. What is found is never less likely to work than the plan as it is, and the same plan gives the same answer.
 */
export function* searchPlans(plan: Plan, shelf: Shelf, free: ReadonlySet<Freedom>): Generator<SearchState> {
  const bench = new Workbench(plan, shelf)
  const { from } = bench
  const all = ways(bench, free)
  const tried: Setting[] = [from]
  const total = all.length + 2 * grid(bench, from, free).length + 10
  let done = 0
  const state = (list: FoundPlan[] = []): SearchState => ({
    done,
    total,
    best: Math.max(...tried.map(one => bench.chance(one))),
    found: list,
  })
  const work = function* (list: readonly Setting[]): Generator<SearchState> {
    for (const one of list) {
      if (bench.chance(one) >= 0) tried.push(one)
      done += 1
      if (done % STEP === 0) yield state()
    }
  }
  yield* work(all)
  const top = [...all].sort((a, b) => bench.chance(b) - bench.chance(a)).slice(0, 2)
  for (const way of top) yield* work(grid(bench, way, free))
  const scented = plan.cups.filter(cup => cup.scented && !cup.ownScent).map(cup => cup.id)
  if (free.has('plain') && plan.scent && state().best < GOOD) {
    const around = best(bench, tried)
    const sets = subsets(scented, MOST_PLAIN).filter(set => set.length < scented.length)
    for (const set of sets) {
      yield* work([{ ...around, plain: [...from.plain, ...set] }])
      if (state().best >= GOOD) break
    }
  }
  const job = bench.job(from)!
  const now = { before: monteCarlo(job, FINAL_RUNS).chance, endMin: lanesOf(job).endMin }
  const list: FoundPlan[] = []
  for (const [title, one] of offers(bench, tried)) {
    const plan = found(bench, title, one, now)
    if (plan && plan.chance >= now.before + TIE) list.push(plan)
    yield state(list)
  }
  done = total
  yield state(list.sort((a, b) => b.chance - a.chance).slice(0, MOST_FOUND))
}

/** What a lever does: minutes that the tightest pour gains, and what becomes of the chance. */
export interface Slope {
  lever: 'mixC' | 'roomC' | 'stop' | 'water' | 'hands'
  sentence: string
  /** Change of the least time to spare, min, and of the chance. */
  minutes: number
  chance: number
}

/** How every lever acts here: each moved by a little, everything else as it is. */
export function slopesOf(plan: Plan, shelf: Shelf): Slope[] {
  const bench = new Workbench(plan, shelf)
  const { from } = bench
  const base = bench.job(from)
  if (!base) return []
  const now = lanesOf(base)
  const tightest = (lanes: typeof now) => lanes.pours.reduce((a, b) => (b.marginMin < a.marginMin ? b : a))
  const name = (id: string) => plan.cups.find(cup => cup.id === id)?.name ?? id
  const tell = (lever: Slope['lever'], words: string, job: ReturnType<typeof bench.job>): Slope[] => {
    if (!job) return []
    const then = lanesOf(job)
    const pour = tightest(then)
    const minutes = pour.marginMin - tightest(now).marginMin
    const what =
      pour.marginMin < 0
        ? `${name(pour.cup)} is too thick ${tidy(-pour.marginMin, 0)} min before you are done with it`
        : `${name(pour.cup)} keeps ${tidy(pour.marginMin, 0)} min to spare`
    return [{ lever, sentence: `${words}: ${what}.`, minutes, chance: then.chance - now.chance }]
  }
  return [
    ...tell('mixC', 'Mixed 3 °C warmer', bench.job({ ...from, mixC: from.mixC + 3 })),
    ...tell('roomC', 'Room 4 °C warmer', { ...base, roomC: base.roomC + 4 }),
    ...tell('stop', 'Blended 0.2 further', bench.job({ ...from, stop: from.stop + 0.2 })),
    ...tell('water', 'Lye 2 points stronger', bench.job({ ...from, water: from.water + 0.02 })),
    ...tell('hands', 'Hands a quarter slower', { ...base, handPace: base.handPace * 1.25 }),
  ]
}
