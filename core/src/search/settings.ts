import { celsius, fact, listOf, plain, share } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import type { ScentMoment } from '../recipe/index.ts'
import type { CupOrder, Edit, Plan, PourWay, Waiting } from '../plan/index.ts'
import { cupShares } from '../plan/index.ts'
import { portionsOf } from '../portions/index.ts'
import { compareWays } from '../preparation/ways.ts'
import type { Shelf } from '../shelf/index.ts'

/** What the search may change. */
export const FREEDOMS = {
  mixC: 'temperature at which oils and lye meet',
  water: 'water',
  stop: 'where blending stops',
  moment: 'when the scent goes in',
  order: 'when cups are coloured',
  waiting: 'what waiting cups do',
  waits: 'waits of my own between pours',
  plain: 'cups without scent',
  batters: 'a batter of its own for each cup',
  pours: 'order of like pours (changes the picture)',
} as const
export type Freedom = keyof typeof FREEDOMS

/** What the search is for: most likely to work, or layers that hold soon without failing more often. */
export const AIMS = {
  works: 'most likely to work',
  holds: 'layers hold soon: quickest among those that work',
} as const
export type Aim = keyof typeof AIMS

/** Everything that the search sets, as plain values. */
export interface Setting {
  mixC: number
  /** Lye concentration. */
  water: number
  stop: number
  moment: ScentMoment | null
  order: CupOrder
  waiting: Waiting
  /** Whether the plan's own waits are kept. */
  waits: boolean
  /** Cups that are left without scent, by id. */
  plain: readonly string[]
  ownBatters: boolean
  /** Pours by id, in their order. */
  pours: readonly string[]
}

export interface Change {
  freedom: Freedom
  sentence: Words
}

export const settingOf = (plan: Plan, concentration: number): Setting => ({
  mixC: plan.conditions.mixC,
  water: concentration,
  stop: plan.conditions.stopLevel,
  moment: plan.scent?.moment ?? null,
  order: plan.hands.order,
  waiting: plan.hands.waiting,
  waits: true,
  plain: plan.cups.filter(cup => !cup.scented).map(cup => cup.id),
  ownBatters: plan.division.mode === 'own-batters',
  pours: plan.score.map(pour => pour.id),
})

/** Moves one pour at a time to where it belongs. */
function orderEdits(from: readonly string[], to: readonly string[]): Edit[] {
  const now = [...from]
  const edits: Edit[] = []
  to.forEach((pour, at) => {
    const is = now.indexOf(pour)
    if (is === at) return
    now.splice(is, 1)
    now.splice(at, 0, pour)
    edits.push({ kind: 'move-pour', pour, to: at })
  })
  return edits
}

export function editsOf(plan: Plan, from: Setting, to: Setting): Edit[] {
  const edits: Edit[] = []
  const set = (path: (string | number)[], value: unknown) => edits.push({ kind: 'set', path, value })
  if (to.mixC !== from.mixC) set(['conditions', 'mixC'], to.mixC)
  if (to.stop !== from.stop) set(['conditions', 'stopLevel'], to.stop)
  if (to.water !== from.water)
    set(['recipe', 'water'], { ...plan.recipe.water, basis: 'concentration', value: to.water })
  if (to.moment !== from.moment && to.moment) set(['scent', 'moment'], to.moment)
  if (to.order !== from.order) set(['hands', 'order'], to.order)
  if (to.waiting !== from.waiting) set(['hands', 'waiting'], to.waiting)
  if (to.ownBatters !== from.ownBatters) set(['division', 'mode'], to.ownBatters ? 'own-batters' : 'one-pot')
  plan.cups.forEach((cup, i) => {
    const scented = !to.plain.includes(cup.id)
    if (scented !== cup.scented) set(['cups', i, 'scented'], scented)
  })
  if (!to.waits) plan.score.forEach((pour, i) => pour.waitMin > 0 && set(['score', i, 'waitMin'], 0))
  return [...edits, ...orderEdits(from.pours, to.pours)]
}

const MOMENT_WORDS: Readonly<Record<ScentMoment, string>> = {
  oils: 'Stir the scent into the oils, before the lye',
  pot: 'Scent the whole pot before the split',
  'with-colour': 'Stir the scent into each cup with its colour',
  last: 'Stir the scent into each cup right before its pour',
  'never-stop': 'Blend the scent into what is left in the pot and pour it without a stop, last',
}

/** Cups that a setting leaves without scent and the plan does not, and their share of the soap. */
export function leftPlain(plan: Plan, to: Setting): { names: string[]; share: number } {
  const shares = cupShares(plan)
  const at = plan.cups.flatMap((cup, i) => (cup.scented && to.plain.includes(cup.id) ? [i] : []))
  return { names: at.map(i => plan.cups[i]!.name), share: at.reduce((sum, i) => sum + shares[i]!, 0) }
}

function handChanges(plan: Plan, from: Setting, to: Setting): Change[] {
  const changes: Change[] = []
  const add = (freedom: Freedom, sentence: Words) => changes.push({ freedom, sentence })
  if (to.moment !== from.moment && to.moment) add('moment', fact(MOMENT_WORDS[to.moment]))
  if (to.order !== from.order)
    add('order', to.order === 'each' ? fact('search.colour-each-cup-right') : fact('search.colour-all-cups-before'))
  if (to.waiting !== from.waiting)
    add(
      'waiting',
      to.waiting === 'stir' ? fact('search.stir-waiting-cups-about') : fact('search.let-waiting-cups-stand'),
    )
  if (!to.waits && plan.score.some(pour => pour.waitMin > 0)) add('waits', fact('search.leave-out-waits-your'))
  const plain = leftPlain(plan, to)
  if (plain.names.length > 0)
    add('plain', fact('search.leave-without-scent-soap', { named: listOf(plain.names), share: share(plain.share, 0) }))
  if (to.ownBatters !== from.ownBatters)
    add('batters', to.ownBatters ? fact('search.make-each-cup-as') : fact('search.blend-one-pot-split'))
  if (to.pours.some((pour, i) => pour !== from.pours[i])) {
    const names = to.pours.map(id => plan.cups.find(cup => cup.id === plan.score.find(one => one.id === id)?.cup)?.name)
    add('pours', fact('search.pour-order', { named: listOf(names.map(name => name ?? '')) }))
  }
  return changes
}

export function changesOf(plan: Plan, from: Setting, to: Setting): Change[] {
  const changes: Change[] = []
  if (to.mixC !== from.mixC)
    changes.push({
      freedom: 'mixC',
      sentence: fact('search.mix-at-instead', { mixC: celsius(to.mixC), mixC2: celsius(from.mixC, 1) }),
    })
  if (to.stop !== from.stop)
    changes.push({
      freedom: 'stop',
      sentence: fact('search.stop-blending-at-level', { stop: to.stop, stop2: plain(from.stop, 1) }),
    })
  if (to.water !== from.water)
    changes.push({
      freedom: 'water',
      sentence: fact('search.lye-at-instead-water', {
        water: share(to.water, 1),
        water2: share(from.water, 1),
        which: to.water < from.water ? fact('search.more') : fact('search.less'),
      }),
    })
  return [...changes, ...handChanges(plan, from, to)]
}

/** Minutes that batters of their own take more than one pot, to 5. */
function moreMinutes(plan: Plan, shelf: Shelf): number {
  const [one, own] = compareWays(plan, portionsOf(plan, shelf))
  return 5 * Math.round(Math.max(0, own!.minutes - one!.minutes) / 5)
}

/** What a setting costs beside minutes, in words. */
export function costsOf(plan: Plan, from: Setting, to: Setting, shelf: Shelf): Words[] {
  const costs: Words[] = []
  const cups = plan.cups.length
  if (to.mixC <= from.mixC - 3) costs.push(fact('search.cooler-soap-gels-less'))
  if (to.mixC >= from.mixC + 3) costs.push(fact('search.warmer-batter-thickens-suddenly'))
  if (to.water < from.water) costs.push(fact('search.more-water-softer-at'))
  if (to.water > from.water) costs.push(fact('search.less-water-more-heat'))
  if (to.stop < from.stop && to.stop < 1.5) costs.push(fact('search.thin-emulsion-look-for'))
  if (leftPlain(plan, to).names.length > 0) costs.push(fact('search.less-scent-bar'))
  if (to.ownBatters && !from.ownBatters)
    costs.push(fact('search.lyes-oils-weigh-or', { cups, cups2: cups - 1, moreMinutes: moreMinutes(plan, shelf) }))
  if (to.waiting === 'stir' && from.waiting !== 'stir') costs.push(fact('search.stir-every-waiting-cup'))
  if (to.pours.some((pour, i) => pour !== from.pours[i])) costs.push(fact('search.picture-changes'))
  return costs
}

export interface Space {
  temperatures: readonly number[]
  concentrations: readonly number[]
  stops: readonly number[]
}

/** Values that are tried, by what the search is for: stiffer, stronger and warmer where layers are to hold. */
export const SPACES: Readonly<Record<Aim, Space>> = {
  works: {
    temperatures: [26, 29, 32, 35, 38],
    concentrations: [0.27, 0.29, 0.31],
    stops: [1.2, 1.4, 1.6, 1.8, 2],
  },
  holds: {
    temperatures: [32, 35, 38, 41, 44],
    concentrations: [0.29, 0.31, 0.33, 0.36],
    stops: [1.6, 2, 2.2, 2.4, 2.6],
  },
}

const MOMENTS: readonly ScentMoment[] = ['with-colour', 'last', 'pot', 'oils', 'never-stop']
const both = <T>(own: T, other: T, isFree: boolean): T[] => (isFree ? [own, other] : [own])

/** One cup alone has the scent, poured once and last. */
function mayNeverStop({ cups, score, scent }: Plan): boolean {
  const scented = cups.filter(cup => cup.scented && !cup.ownScent && score.some(pour => pour.cup === cup.id))
  const [only] = scented
  return (
    scent !== null &&
    scented.length === 1 &&
    score.filter(pour => pour.cup === only!.id).length === 1 &&
    score.at(-1)!.cup === only!.id
  )
}

/** Ways of working: what is not a number. */
export function ways(plan: Plan, from: Setting, free: ReadonlySet<Freedom>): Setting[] {
  const isShared = plan.scent !== null && plan.cups.every(cup => !cup.ownScent)
  const isEverywhere = isShared && plan.cups.every(cup => cup.scented)
  const may = (one: ScentMoment) =>
    one === 'pot' ? isShared : one === 'oils' ? isEverywhere : one === 'never-stop' ? mayNeverStop(plan) : true
  const moments =
    from.moment && free.has('moment')
      ? [from.moment, ...MOMENTS.filter(one => one !== from.moment && may(one))]
      : [from.moment]
  const other: CupOrder = from.order === 'first' ? 'each' : 'first'
  const stirred: Waiting = from.waiting === 'rest' ? 'stir' : 'rest'
  return moments.flatMap(moment =>
    both(from.order, other, free.has('order')).flatMap(order =>
      both(from.waiting, stirred, free.has('waiting')).map(waiting => ({ ...from, moment, order, waiting })),
    ),
  )
}

const withOwn = (values: readonly number[], own: number): number[] => [...new Set([own, ...values])]

/** Settings around a way of working: every temperature, water and stop that is free. */
export function grid(from: Setting, way: Setting, free: ReadonlySet<Freedom>, space: Space, clearC: number): Setting[] {
  const warm = space.temperatures.filter(c => c >= clearC + 2)
  const temperatures = free.has('mixC') ? withOwn(warm, from.mixC) : [from.mixC]
  const waters = free.has('water') ? withOwn(space.concentrations, from.water) : [from.water]
  const stops = free.has('stop') ? withOwn(space.stops, from.stop) : [from.stop]
  return temperatures.flatMap(mixC => waters.flatMap(water => stops.map(stop => ({ ...way, mixC, water, stop }))))
}

/** Pours whose order is no matter of what lies on what: they go one into the other. */
const EXCHANGEABLE: readonly PourWay[] = ['pot', 'drop', 'spots', 'line', 'walls']

/** From where to where like pours follow each other; the longest such run, if it has more than one colour. */
function likeRun(plan: Plan): [number, number] | null {
  let best: [number, number] | null = null
  let from = 0
  const isLike = (i: number) => {
    const [a, b] = [plan.score[i - 1], plan.score[i]]
    const isAlike = a && b && a.shape.way === b.shape.way && EXCHANGEABLE.includes(b.shape.way)
    const isFree = b?.together === 'no' && !plan.moves.some(move => move.after === a?.id)
    return Boolean(isAlike && isFree)
  }
  for (let i = 1; i <= plan.score.length; i += 1) {
    if (i < plan.score.length && isLike(i)) continue
    if (i - from > 1 && (!best || i - from > best[1] - best[0])) best = [from, i]
    from = i
  }
  return best
}

const MOST_PERMUTED = 5

function permutations<T>(list: readonly T[]): T[][] {
  if (list.length < 2) return [[...list]]
  return list.flatMap((one, i) => permutations(list.filter((_, j) => j !== i)).map(rest => [one, ...rest]))
}

/** Orders of like pours worth trying: all of up to five, else plain cups first, and each pair of neighbours exchanged. */
export function pourOrders(plan: Plan, plain: readonly string[]): string[][] {
  const run = likeRun(plan)
  if (!run) return []
  const ids = plan.score.map(pour => pour.id)
  const [from, to] = run
  const middle = ids.slice(from, to)
  const whole = (order: readonly string[]) => [...ids.slice(0, from), ...order, ...ids.slice(to)]
  if (middle.length <= MOST_PERMUTED) return permutations(middle).map(whole)
  const isPlain = (id: string) => plain.includes(plan.score.find(pour => pour.id === id)!.cup)
  const calmFirst = [...middle.filter(isPlain), ...middle.filter(id => !isPlain(id))]
  const swapped = middle.slice(1).map((_, i) => {
    const order = [...middle]
    ;[order[i], order[i + 1]] = [order[i + 1]!, order[i]!]
    return order
  })
  return [middle, calmFirst, [...calmFirst].reverse(), ...swapped].map(whole)
}

/** All subsets of up to `most` of a list of cups with their shares, the smallest share first. */
export function plainSets(cups: readonly { id: string; share: number }[], most: number): string[][] {
  const all: { ids: string[]; share: number }[] = [{ ids: [], share: 0 }]
  for (const { id, share } of cups)
    for (const set of [...all]) if (set.ids.length < most) all.push({ ids: [...set.ids, id], share: set.share + share })
  return all
    .slice(1)
    .sort((a, b) => a.share - b.share || a.ids.length - b.ids.length)
    .map(({ ids }) => ids)
}
