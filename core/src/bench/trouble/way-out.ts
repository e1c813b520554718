import type { HOW } from '../event.ts'

/** Ways out of trouble while the batter is liquid. */

export type TroubleKind = keyof (typeof HOW)['wrong']

/** What a way out hangs on; null: not known. */
export interface Pinch {
  /** Level of trace, of the thickest that is meant. */
  level: number | null
  tempC: number | null
  /** How far it is above the point where all fat is clear, K. */
  overClearC: number | null
  isDivided: boolean
  isPoured: boolean
  /** A cup that is to have scent has none yet; null: this plan has no scent. */
  isScentLeft: boolean | null
  hasPlanB: boolean
  /** The hold test: true, it held. */
  isHeld: boolean | null
  isWhipped: boolean
}

/** When a way is open. */
export interface Condition {
  words: string
  /** null: not known. */
  holds: (pinch: Pinch) => boolean | null
}

export interface WayOut {
  what: string
  /** What it costs: trace, minutes, looks. */
  cost: string
  /** All of them have to hold. */
  only?: readonly Condition[]
  /** When this way is left. */
  stop?: string
  /** Of no use to another batter; left out: good for any. */
  batter?: 'whipped' | 'blended'
}

export interface Trouble {
  title: string
  /** How it is told from what looks like it. */
  signs: string
  ways: readonly WayOut[]
  /** When it is not gone on with. */
  stop: string
}

const thinner = (than: number, words: string): Condition => ({
  words: `thinner than ${words}`,
  holds: ({ level }) => (level === null ? null : level < than),
})

/** Conditions by the looks of the trace scale. */
export const THINNER = {
  lines: thinner(2.1, 'lines'),
  custard: thinner(2.5, 'thin custard'),
  folds: thinner(2.8, 'custard'),
  pudding: thinner(3.1, 'pudding'),
  thick: thinner(3.5, 'thick pudding'),
} as const

export const SAYS = (words: string): Condition => ({ words, holds: () => null })

export const ONLY = {
  divided: { words: 'divided', holds: p => p.isDivided },
  whole: { words: 'not divided yet', holds: p => !p.isDivided },
  notPoured: { words: 'not in the mould yet', holds: p => !p.isPoured },
  poured: { words: 'in the mould', holds: p => p.isPoured },
  scentLeft: { words: 'a cup still waits for its scent', holds: p => p.isScentLeft },
  planB: { words: 'a plan B was chosen', holds: p => p.hasPlanB },
  held: { words: 'the emulsion held', holds: p => p.isHeld },
  notHot: { words: 'below 80 °C', holds: ({ tempC }) => (tempC === null ? null : tempC < 80) },
  cold: {
    words: 'colder than 5 °C above its clear point',
    holds: p => (p.overClearC === null ? null : p.overClearC < 5),
  },
  warm: { words: '3 °C or more above its clear point', holds: p => (p.overClearC === null ? null : p.overClearC >= 3) },
} as const satisfies Record<string, Condition>

/** A way out as things stand. */
export interface OpenWay extends WayOut {
  /** Conditions that do not hold, in words; empty: it may be tried. */
  notNow: readonly string[]
  /** Conditions that nobody knows, in words: the maker looks. */
  ask: readonly string[]
}

/** Ways in their order, those that may be tried first. */
export function openWays(ways: readonly WayOut[], pinch: Pinch): OpenWay[] {
  const ours = ways.filter(({ batter }) => batter === undefined || (batter === 'whipped') === pinch.isWhipped)
  const told = ours.map((way): OpenWay => {
    const states = (way.only ?? []).map(one => ({ words: one.words, holds: one.holds(pinch) }))
    const those = (holds: boolean | null) => states.flatMap(one => (one.holds === holds ? [one.words] : []))
    return { ...way, notNow: those(false), ask: those(null) }
  })
  return [...told.filter(way => way.notNow.length === 0), ...told.filter(way => way.notNow.length > 0)]
}
