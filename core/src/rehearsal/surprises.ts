import type { RunInput } from '../batter/schedule/index.ts'
import type { BenchState, Following } from '../bench/index.ts'
import { evenly } from './luck.ts'
import { scentsQuicker } from './truth.ts'
import type { Truth } from './truth.ts'

/** What can come in between. */

/** Something that happens at a moment, beside what it does to the batter. */
export type Happening =
  | { kind: 'away'; seconds: number }
  | { kind: 'spill'; g: number }
  | { kind: 'broken-cup' }
  | { kind: 'no-blender' }
  | { kind: 'dim'; seconds: number }
  | { kind: 'splash' }
  | { kind: 'leak' }
  | { kind: 'lumps' }
  | { kind: 'pale'; seconds: number }

/** When it may strike, and is noticed at the earliest. */
export type Strikes = 'start' | 'lye' | 'blend' | 'split' | 'colour' | 'scent' | 'pour'

export interface Surprise {
  title: string
  /** Followed blindly, most batches fail of it. */
  isHard: boolean
  strikes: Strikes
  /** From the least to the most, in its own unit. */
  size: readonly [number, number]
  unit: string
  /** What it does to the truth. */
  turns?: (truth: Truth, size: number, input: RunInput) => Partial<Truth>
  /** What happens. */
  does?: (size: number) => Happening
  /** Said as it strikes; empty: it is only seen in the batter. `{cup}` is the cup that is meant. */
  tells: string
  /** What is right to do, said afterwards. */
  good: string
  /** Only where a cup is scented, or the batter is blended. */
  needs?: 'scent' | 'blender' | 'cups'
}

/** Sizes are engineering estimates of what makers tell of. */
export const SURPRISES = {
  'quick-scent': {
    ...{
      title: 'A quick scent',
      isHard: true,
      strikes: 'start',
      size: [0.4, 0.9],
      unit: 'ln of the rate',
      needs: 'scent',
    },
    turns: (truth, size, input) => ({ scents: scentsQuicker(truth, input, size) }),
    tells: '',
    good: 'Look early after the scent, and pour what thickens first.',
  },
  'seizing-scent': {
    ...{
      title: 'A scent that seizes',
      isHard: true,
      strikes: 'start',
      size: [1.3, 2],
      unit: 'ln of the rate',
      needs: 'scent',
    },
    turns: (truth, size, input) => ({ scents: scentsQuicker(truth, input, size) }),
    tells: '',
    good: 'Never stop stirring, take plan B at once, leave the other cups unscented.',
  },
  'calm-scent': {
    ...{
      title: 'A calm scent',
      isHard: false,
      strikes: 'start',
      size: [-0.4, -0.2],
      unit: 'ln of the rate',
      needs: 'scent',
    },
    turns: (truth, size, input) => ({ scents: scentsQuicker(truth, input, size) }),
    tells: '',
    good: 'Wait or give it a burst; no wild blending.',
  },
  rices: {
    ...{ title: 'Ricing', isHard: true, strikes: 'scent', size: [1, 1], unit: '', needs: 'scent' },
    turns: () => ({ rices: true }),
    tells: '',
    good: 'Say that it riced; blend each cup for a quarter of a minute in bursts, and pour by thicker windows.',
  },
  lumps: {
    ...{
      title: 'Lumps of colour',
      isHard: false,
      strikes: 'colour',
      size: [20, 20],
      unit: 's of stirring',
      needs: 'cups',
    },
    does: () => ({ kind: 'lumps' }),
    tells: 'Lumps of dry colour swim in {cup}.',
    good: 'Press them out by hand or strain them: no more blender.',
  },
  'quick-batch': {
    ...{ title: 'A quick batch', isHard: false, strikes: 'start', size: [0.35, 0.7], unit: 'ln of the rate' },
    turns: (truth, size) => ({ rate: truth.rate + size }),
    tells: '',
    good: 'Do less, and pour in the order of the time that is left.',
  },
  'slow-batch': {
    ...{ title: 'A slow batch', isHard: false, strikes: 'start', size: [-0.8, -0.4], unit: 'ln of the rate' },
    turns: (truth, size) => ({ rate: truth.rate + size }),
    tells: '',
    good: 'Wait; more scent or blending is no answer.',
  },
  'over-blended': {
    ...{ title: 'The blender ran on', isHard: true, strikes: 'blend', size: [8, 20], unit: 's', needs: 'blender' },
    turns: (_, size) => ({ overrunS: size }),
    tells: '',
    good: 'Say what you see as the blender stops, leave the bursts out, think of plan B.',
  },
  'false-emulsion': {
    ...{
      title: 'An emulsion that only looks like one',
      isHard: false,
      strikes: 'blend',
      size: [0.6, 0.75],
      unit: 'of it',
      needs: 'blender',
    },
    turns: (_, size) => ({ emulsion: size }),
    tells: '',
    good: 'Test whether it holds, and blend on if it does not.',
  },
  'warm-oils': {
    ...{ title: 'Oils warmer than read', isHard: false, strikes: 'start', size: [3, 7], unit: 'K' },
    turns: (truth, size) => ({ mixK: truth.mixK + size }),
    tells: '',
    good: 'Stir and read again before they meet.',
  },
  'cold-room': {
    ...{ title: 'A cold room', isHard: false, strikes: 'start', size: [-6, -3], unit: 'K' },
    turns: (truth, size) => ({ roomK: truth.roomK + size }),
    tells: 'It is cold in here: somebody left the window open.',
    good: 'Keep the cups warm, watch for fat that sets.',
  },
  'wrong-probe': {
    ...{ title: 'A probe that is off', isHard: false, strikes: 'start', size: [3, 3.5], unit: 'K' },
    turns: (truth, size) => ({ probeK: truth.probeK + size }),
    tells: '',
    good: 'Hold it against another, or against ice water.',
  },
  'weak-blender': {
    ...{
      title: 'A weak blender',
      isHard: false,
      strikes: 'start',
      size: [0.5, 0.6],
      unit: 'of its strength',
      needs: 'blender',
    },
    turns: (truth, size) => ({ blender: truth.blender * size }),
    tells: '',
    good: 'Go by trace, never by seconds.',
  },
  'dead-blender': {
    ...{
      title: 'The blender dies',
      isHard: false,
      strikes: 'blend',
      size: [10, 25],
      unit: 's after the lye is in',
      needs: 'blender',
    },
    does: () => ({ kind: 'no-blender' }),
    tells: 'The blender hums, smells and stands still. From here on it is stirred by hand.',
    good: 'Whisk on by hand and wait: a thin start, later pours.',
  },
  'short-pot': {
    ...{
      title: 'Batter stays on the walls',
      isHard: false,
      strikes: 'split',
      size: [0.93, 0.97],
      unit: 'of it',
      needs: 'cups',
    },
    turns: (_, size) => ({ potShare: size }),
    tells: '',
    good: 'Share what is missing among all cups: weigh before the last is drawn.',
  },
  spill: {
    ...{ title: 'A spill', isHard: false, strikes: 'split', size: [20, 60], unit: 'g', needs: 'cups' },
    does: size => ({ kind: 'spill', g: size }),
    tells: 'An elbow: some of {cup} is on the bench.',
    good: 'Wipe it up with gloves on, weigh the cup, and let the pour be reckoned anew.',
  },
  'broke-cup': {
    ...{ title: 'A cup breaks', isHard: true, strikes: 'split', size: [1, 1], unit: '', needs: 'cups' },
    does: () => ({ kind: 'broken-cup' }),
    tells: 'The cup of {cup} bursts: its batter is on the bench.',
    good: 'Safety first: gloves, paper, out of the way. Say that the cup is lost, and go on with the others.',
  },
  'second-colour': {
    ...{ title: 'Too pale', isHard: false, strikes: 'colour', size: [20, 60], unit: 's', needs: 'cups' },
    does: size => ({ kind: 'pale', seconds: size }),
    tells: '{cup} is too pale: stirred on, with more of the colour.',
    good: 'Take it as it is, or top up and watch the other cups.',
  },
  doorbell: {
    ...{ title: 'Called away', isHard: false, strikes: 'split', size: [60, 180], unit: 's' },
    does: size => ({ kind: 'away', seconds: size }),
    tells: 'The door: a delivery that has to be signed for.',
    good: 'Back at the bench look first at the cup with the least time.',
  },
  splash: {
    ...{ title: 'A splash on the skin', isHard: true, strikes: 'lye', size: [1, 1], unit: '' },
    does: () => ({ kind: 'splash' }),
    tells: 'Lye has splashed on your wrist.',
    good: 'Take off what is splashed and rinse with cool running water for 15 to 20 minutes. The batch is lost, and that is right.',
  },
  leak: {
    ...{ title: 'The mould leaks', isHard: false, strikes: 'pour', size: [1, 1], unit: '' },
    does: () => ({ kind: 'leak' }),
    tells: 'A puddle grows at the corner of the mould.',
    good: 'Tape or film around it, paper under it, and say so.',
  },
  'bad-light': {
    ...{ title: 'The light goes', isHard: false, strikes: 'split', size: [240, 300], unit: 's' },
    does: size => ({ kind: 'dim', seconds: size }),
    tells: 'The lamp is out: what batter looks like is hard to tell.',
    good: 'A drip test tells more than the eye.',
  },
  'lye-grain': {
    ...{ title: 'A crust in the lye', isHard: false, strikes: 'lye', size: [120, 180], unit: 's' },
    turns: (_, size) => ({ clearS: size }),
    tells: '',
    good: 'Stir on until nothing is left at the bottom; never tip a crust into the oils.',
  },
} as const satisfies Record<string, Surprise>

export type SurpriseKey = keyof typeof SURPRISES
export const SURPRISE_KEYS = Object.keys(SURPRISES) as SurpriseKey[]
export const surpriseOf = (key: SurpriseKey): Surprise => SURPRISES[key]

/** How much comes in between. */
export const LEVELS = {
  none: { word: 'no surprises', spread: 0.8, hard: 0, others: 0 },
  few: { word: 'a few', spread: 1, hard: 0, others: 2 },
  'bad-day': { word: 'a bad day', spread: 1.2, hard: 1, others: 2 },
} as const
export type Level = keyof typeof LEVELS

/** A surprise as it is put into a rehearsal; size as a share of its range. */
export interface Put {
  key: SurpriseKey
  size: number
}

/** Whether a plan can meet it at all. */
export function fits({ needs }: Surprise, { input }: Following): boolean {
  const used = input.cups.filter(({ massG }) => massG > 0)
  if (needs === 'scent') return used.some(({ scent }) => scent !== null && scent.moment !== 'oils')
  if (needs === 'blender') return !input.whipped && (input.blending === 'stick' || input.blending === 'bursts')
  return needs !== 'cups' || used.length > 1
}

/** Pairs of which one is enough: they push the same thing to and fro. */
const FAMILIES: readonly (readonly SurpriseKey[])[] = [
  ['quick-scent', 'seizing-scent', 'calm-scent', 'rices'],
  ['quick-batch', 'slow-batch', 'warm-oils'],
  ['over-blended', 'false-emulsion', 'weak-blender', 'dead-blender'],
  ['spill', 'broke-cup', 'short-pot'],
  ['lumps', 'second-colour'],
]

/** Surprises of a level for a plan, drawn by the seed: none twice of one family. Splashes are only put in on purpose. */
export function drawnSurprises(following: Following, seed: number, level: Level): Put[] {
  const { hard, others } = LEVELS[level]
  const order = SURPRISE_KEYS.filter(key => key !== 'splash' && fits(surpriseOf(key), following)).sort(
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

/** Something that has struck: when, s of the run, and the cup that it is about. */
export interface Struck extends Put {
  r: number
  cup: string | null
}

function strikesAt(strikes: Strikes, state: BenchState): number | null {
  const least = (list: readonly (number | null)[]) => {
    const there = list.filter(one => one !== null)
    return there.length > 0 ? Math.min(...there) : null
  }
  switch (strikes) {
    case 'start':
      return 0
    case 'lye':
      return state.lyeMixedAt
    case 'blend':
      return state.lyeInAt
    case 'split':
      return state.splitAt
    case 'colour':
      return least(state.cups.map(cup => cup.colouredAt))
    case 'scent':
      return least([state.potScentedAt, ...state.cups.map(cup => cup.scentedAt)])
    case 'pour':
      return least(Object.values(state.pours).map(span => span.fromS))
  }
}

/** Happenings come so long after what they wait for, s; two never within so long of each other. */
const AFTER_S = [5, 75] as const
const APART_S = 45

/** What has struck by a second of the run, in order. */
export function struckBy(
  { input }: Following,
  seed: number,
  puts: readonly Put[],
  state: BenchState,
  r: number,
): Struck[] {
  const used = input.cups.filter(({ massG }) => massG > 0)
  const list = puts.flatMap((put): Struck[] => {
    const { strikes, does } = surpriseOf(put.key)
    const from = strikesAt(strikes, state)
    if (from === null) return []
    const share = evenly(seed, `after ${put.key}`)
    const after = put.key === 'dead-blender' ? sizeOf(put) : does ? AFTER_S[0] + share * (AFTER_S[1] - AFTER_S[0]) : 0
    // Of those that are still to be poured: what lies in the mould is not spilt.
    const open = used.filter(({ cup }) =>
      input.pours.some(
        pour => input.cups[pour.cup]!.cup.id === cup.id && (state.pours[pour.pour]?.fromS ?? Infinity) > from + after,
      ),
    )
    const among = open.length > 0 ? open : used
    const cup = among[Math.floor(evenly(seed, `cup of ${put.key}`) * among.length)]?.cup.id ?? null
    return [{ ...put, r: from + after, cup }]
  })
  const ordered = list.sort((a, b) => a.r - b.r)
  let last = -Infinity
  for (const one of ordered) {
    if (!surpriseOf(one.key).does) continue
    one.r = Math.max(one.r, last + APART_S)
    last = one.r
  }
  return ordered.filter(one => one.r <= r)
}
