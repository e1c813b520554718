import type { RunInput } from '../batter/schedule/index.ts'
import { settle } from '../bench/index.ts'
import type { BenchEvent, BenchState, Following } from '../bench/index.ts'
import { evenly } from './luck.ts'
import { SURPRISE_KEYS, surpriseOf } from './surprises.ts'
import type { Strikes, Surprise, SurpriseKey, Way } from './surprises.ts'
import type { Truth } from './truth.ts'

/** Which surprises come, when they strike, and how they were met. */

/** How much comes in between. */
export const LEVELS = {
  none: { word: 'no surprises', spread: 0.8, hard: 0, others: 0 },
  few: { word: 'a few', spread: 1, hard: 0, others: 2 },
  'bad-day': { word: 'a bad day', spread: 1.2, hard: 1, others: 2 },
} as const
export type Level = keyof typeof LEVELS

/** When something is wished for: so many seconds after a moment of the run. */
export interface WishedMoment {
  after: Strikes
  s: number
}

/** A surprise as it is put into a rehearsal; size as a share of its range. */
export interface Put {
  key: SurpriseKey
  size: number
  /** Left out: by itself. */
  at?: WishedMoment | undefined
  /** Said as it strikes, in place of its own words. */
  tell?: string | undefined
}

/** Whether a plan can meet it at all. */
export function fits({ needs }: Surprise, { input }: Following): boolean {
  const used = input.cups.filter(({ massG }) => massG > 0)
  if (needs === 'scent') return used.some(({ scent }) => scent !== null && scent.moment !== 'oils')
  if (needs === 'blender') return !input.whipped && (input.blending === 'stick' || input.blending === 'bursts')
  if (needs === 'draws') return !input.ownBatters && used.length > 1
  if (needs === 'colours') return used.filter(({ colourS }) => colourS > 0).length > 1
  if (needs === 'two') return input.people === 2 && used.length > 1
  return needs !== 'cups' || used.length > 1
}

/** Pairs of which one is enough: they push the same thing to and fro. */
const FAMILIES: readonly (readonly SurpriseKey[])[] = [
  ['quick-scent', 'seizing-scent', 'calm-scent', 'rices'],
  ['quick-batch', 'slow-batch', 'warm-oils'],
  ['over-blended', 'false-emulsion', 'weak-blender', 'dead-blender'],
  ['spill', 'broke-cup', 'short-pot'],
  ['lumps', 'second-colour'],
  ['scale-off', 'scale-over', 'scale-creep', 'typed-wrong'],
]

/** Those that a number of a batter drew among at first: its luck stays what it was. */
export type Deck = 1 | 2
const SINCE_SECOND: readonly SurpriseKey[] = [
  ...(['scale-off', 'scale-over', 'scale-creep', 'typed-wrong', 'labels-swapped'] as const),
  ...(['forgot-scent', 'helper-away'] as const),
]

/** Surprises of a level for a plan, drawn by the seed: none twice of one family. Splashes are only put in on purpose. */
export function drawnSurprises(following: Following, seed: number, level: Level, deck: Deck = 1): Put[] {
  const { hard, others } = LEVELS[level]
  const isIn = (key: SurpriseKey) => key !== 'splash' && (deck > 1 || !SINCE_SECOND.includes(key))
  const order = SURPRISE_KEYS.filter(key => isIn(key) && fits(surpriseOf(key), following)).sort(
    (a, b) => evenly(seed, `pick ${a}`) - evenly(seed, `pick ${b}`),
  )
  const taken: SurpriseKey[] = []
  const take = (isHard: boolean, most: number) => {
    for (const key of order) {
      if (most <= 0) return
      const family = FAMILIES.find(one => one.includes(key)) ?? [key]
      if (surpriseOf(key).isHard !== isHard || taken.some(one => family.includes(one))) continue
      taken.push(key)
      most -= 1
    }
  }
  take(true, hard)
  take(false, others)
  return taken.map(key => ({ key, size: evenly(seed, `size ${key}`) }))
}

export const sizeOf = ({ key, size }: Put): number => {
  const [least, most] = surpriseOf(key).size
  return least + size * (most - least)
}

/** The truth with all that was put in from the start. */
export const turned = (truth: Truth, puts: readonly Put[], input: RunInput): Truth =>
  puts.reduce<Truth>((now, put) => ({ ...now, ...surpriseOf(put.key).turns?.(now, sizeOf(put), input) }), truth)

/** Something that has struck: when, s of the run, and the cup that it is about; where labels are exchanged, the other cup too. */
export interface Struck extends Put {
  r: number
  cup: string | null
  other: string | null
}

function least(list: readonly (number | null)[]): number | null {
  const there = list.filter(one => one !== null)
  return there.length > 0 ? Math.min(...there) : null
}

/** When a moment of the run was, s of it; null: it has not come. */
export function momentIn(moment: Strikes, { input }: Following, state: BenchState): number | null {
  switch (moment) {
    case 'start':
      return 0
    case 'lye':
      return state.lyeMixedAt
    case 'blend':
      return state.lyeInAt
    case 'filling':
      return least(state.cups.map(cup => cup.drawnAt))
    case 'split':
      return state.splitAt
    case 'colour':
      return least(state.cups.map(cup => cup.colouredAt))
    case 'coloured': {
      const all = state.cups.filter((_, i) => input.cups[i]!.massG > 0 && input.cups[i]!.colourS > 0)
      const done = all.flatMap(cup => cup.colouredAt ?? [])
      return done.length > 0 && done.length === all.length ? Math.max(...done) : null
    }
    case 'scent':
      return least([state.potScentedAt, ...state.cups.map(cup => cup.scentedAt)])
    case 'pour':
      return least(Object.values(state.pours).map(span => span.fromS))
  }
}

/** Happenings come so long after what they wait for, s; two never within so long of each other. */
const AFTER_S = [5, 75] as const
const APART_S = 45
/** What nobody notices as it comes in comes at once. */
const AT_ONCE: readonly SurpriseKey[] = ['scale-off', 'scale-over', 'scale-creep', 'typed-wrong', 'forgot-scent']

function afterS(seed: number, put: Put): number {
  if (put.at) return put.at.s
  if (put.key === 'dead-blender') return sizeOf(put)
  if (AT_ONCE.includes(put.key)) return 0
  const share = evenly(seed, `after ${put.key}`)
  return surpriseOf(put.key).does ? AFTER_S[0] + share * (AFTER_S[1] - AFTER_S[0]) : 0
}

/** The cups that a surprise is about; null: there are none any more. */
function cupsMeant({ input }: Following, seed: number, { key }: Put, state: BenchState, at: number) {
  const used = input.cups.filter(({ massG }) => massG > 0)
  // Of those that are still to be poured: what lies in the mould is not spilt.
  const open = used.filter(({ cup, colourS, scent }) => {
    if (key === 'labels-swapped' && colourS <= 0) return false
    if (key === 'scale-creep' && scent === null) return false
    return input.pours.some(
      pour => input.cups[pour.cup]!.cup.id === cup.id && (state.pours[pour.pour]?.fromS ?? Infinity) > at,
    )
  })
  if (key === 'labels-swapped' && open.length < 2) return null
  const among = open.length > 0 ? open : used
  const n = Math.floor(evenly(seed, `cup of ${key}`) * among.length)
  return { cup: among[n]?.cup.id ?? null, other: among[(n + 1) % among.length]?.cup.id ?? null }
}

/** What has struck by a second of the run, in order. */
export function struckBy(
  following: Following,
  seed: number,
  puts: readonly Put[],
  state: BenchState,
  r: number,
): Struck[] {
  const list = puts.flatMap((put): Struck[] => {
    const from = momentIn(put.at?.after ?? surpriseOf(put.key).strikes, following, state)
    if (from === null) return []
    const at = from + afterS(seed, put)
    const meant = cupsMeant(following, seed, put, state, at)
    return meant ? [{ ...put, ...meant, r: at }] : []
  })
  const ordered = list.sort((a, b) => a.r - b.r)
  let last = -Infinity
  for (const one of ordered) {
    if (!surpriseOf(one.key).does || one.at || AT_ONCE.includes(one.key)) continue
    one.r = Math.max(one.r, last + APART_S)
    last = one.r
  }
  return ordered.filter(one => one.r <= r)
}

export const struckOf = (struck: readonly Struck[], key: SurpriseKey): Struck | undefined =>
  struck.find(one => one.key === key)

/** Cups are looked into, and a label that is on the wrong one is put right. */
export const PUT_RIGHT: Way = {
  how: 'right',
  says: 'Put the labels right',
  word: 'Putting the labels right',
  seconds: 5,
}

const noteText = (key: SurpriseKey, way: Way): string => `${surpriseOf(key).title}: ${way.says}`

/** What is noted of the way in which something was met. */
export const meetsIt = (key: SurpriseKey, way: Way): { kind: 'note'; text: string } => ({
  kind: 'note',
  text: noteText(key, way),
})

/** When something was met the right way, s of the run; null: it was not. */
export function metRight(key: SurpriseKey, events: readonly BenchEvent[]): number | null {
  const way = key === 'labels-swapped' ? PUT_RIGHT : surpriseOf(key).ways?.[0]
  const text = way && noteText(key, way)
  return settle(events).find(event => event.kind === 'note' && event.text === text)?.r ?? null
}

/** Two cups that carry each other’s label at a second of the run. */
export function swappedAt(
  struck: readonly Struck[],
  events: readonly BenchEvent[],
  r: number,
): readonly [string, string] | null {
  const put = struckOf(struck, 'labels-swapped')
  if (!put?.cup || !put.other || r < put.r || r >= (metRight('labels-swapped', events) ?? Infinity)) return null
  return [put.cup, put.other]
}

/** What is kept from the list for a while is not said. */
export const isScentHidden = (struck: readonly Struck[], r: number): boolean => {
  const put = struckOf(struck, 'forgot-scent')
  return put !== undefined && r < put.r + sizeOf(put)
}

/** With two pairs of hands two cups are made ready at a time; alone it takes twice as long. */
export function handsFor({ input }: Following, kind: string, struck: readonly Struck[], r: number): number {
  if (input.people !== 2 || (kind !== 'colour' && kind !== 'scent')) return 1
  const put = struckOf(struck, 'helper-away')
  return put !== undefined && r < put.r + sizeOf(put) ? 1 : 0.5
}

const GRAMS_PER_OUNCE = 28.349523125

/** What is typed in of a weight that was heard wrongly, g. */
export function mistyped(amount: number, seed: number): number {
  const text = amount.toFixed(0)
  const turned = Number(text.slice(0, -2) + text.at(-1)! + (text.at(-2) ?? ''))
  const wrong = [
    amount * 10,
    amount * GRAMS_PER_OUNCE,
    Math.abs(turned - amount) > 0.15 * amount ? turned : amount / 10,
  ]
  return Math.round(10 * wrong[Math.floor(evenly(seed, 'typed') * wrong.length)]!) / 10
}
