import type { Blend } from './blend.ts'
import type { Body } from './event.ts'
import type { Settled } from './settle.ts'
import type { Words } from '../quantities/facts/index.ts'
import type { HeatReading } from '../batter/heat/index.ts'
import type { RunInput } from '../batter/schedule/index.ts'

/** How a run stands. Times in s from its start, masses in g, temperatures in °C. */

export interface Reading {
  r: number
  value: number
  key: string
}

export interface Sighting extends Reading {
  by: 'word' | 'drip'
}

export interface CupNow {
  cup: string
  /** Batter that was drawn into it, g; null: none yet. */
  drawnG: number | null
  drawnAt: number | null
  colouredAt: number | null
  scentedAt: number | null
  /** Colours with what they are mixed in, and scent, that went in, g. */
  addedG: number
  /** Batter that has left it, g. */
  pouredG: number
  /** What it lost otherwise, g: by its weight it holds so much less. */
  spiltG: number
  seen: Sighting[]
  /** What it was read, °C. */
  temps: Reading[]
  /** Stirred, or brought on with the blender, for so many seconds up to then. */
  handled: { r: number; how: 'stir' | 'burst'; s: number }[]
  /** Separated, or spilt: it is not poured. */
  isLost: boolean
}

export interface Span {
  fromS: number
  toS: number
}

/** Something that stands in the way of an event, or that is worth a word. */
export interface Told {
  /** The event that it is about. */
  key: string
  sentence: Words
  /** What a waiver of it is called; null: it cannot be waived. */
  waiver: string | null
}

export interface BenchState {
  /** The last moment that anything was noted of. */
  r: number
  /** When the lye went into the oils; null: not yet. */
  lyeInAt: number | null
  ticked: Record<string, number>
  weighed: Record<string, { massG: number; r: number }>
  lyeMixedAt: number | null
  isLyeClear: boolean
  temps: Record<Body, Reading[]>
  /** Seconds that the blender was on, and since when it is; null: it is off. */
  blendS: number
  blendingSince: number | null
  /** When blending stopped for good, as far as is known. */
  stoppedAt: number | null
  potSeen: Sighting[]
  hold: Blend['hold']
  /** Batters with lye of their own, by the first cup that each fills. */
  batters: Record<string, Blend>
  potScentedAt: number | null
  /** In the order of the plan's cups. */
  cups: CupNow[]
  /** When the last of the cups was drawn. */
  splitAt: number | null
  pours: Record<string, Span>
  tools: Record<string, number>
  /** The pour in hand. */
  pouring: { pour: string; since: number } | null
  waitingUntil: number | null
  awaySince: number | null
  /** Plan B as it was taken: what lay in the mould, and what each cup that was filled still had, g. Null: the first plan is followed. */
  planB: { r: number; poured: string[]; leftG: Record<string, number> } | null
  wrong: { key: string; r: number; how: string; cup: string | null }[]
  waived: string[]
  notes: { key: string; r: number; text: string }[]
  closed: 'moulded' | 'given-up' | null
  /** What its maker said of it in the end. */
  outcome: 'as-planned' | 'otherwise' | null
  /** What was noted but cannot have been so: not taken into account. */
  toClear: (Told & { event: Settled })[]
  warnings: Told[]
}

export const blankState = (input: RunInput): BenchState => ({
  r: 0,
  lyeInAt: null,
  ticked: {},
  weighed: {},
  lyeMixedAt: null,
  isLyeClear: false,
  temps: { lye: [], oils: [], pot: [], room: [] },
  blendS: 0,
  blendingSince: null,
  stoppedAt: null,
  potSeen: [],
  hold: null,
  batters: {},
  potScentedAt: null,
  cups: input.cups.map(({ cup }) => ({
    cup: cup.id,
    drawnG: null,
    drawnAt: null,
    colouredAt: null,
    scentedAt: null,
    addedG: 0,
    pouredG: 0,
    spiltG: 0,
    seen: [],
    temps: [],
    handled: [],
    isLost: false,
  })),
  splitAt: null,
  pours: {},
  tools: {},
  pouring: null,
  waitingUntil: null,
  awaySince: null,
  planB: null,
  wrong: [],
  waived: [],
  notes: [],
  closed: null,
  outcome: null,
  toClear: [],
  warnings: [],
})

/** Weights so far, g, by the keys of the weigh list. */
export const weightsIn = (weighed: BenchState['weighed']): Record<string, number> =>
  Object.fromEntries(Object.entries(weighed).map(([item, { massG }]) => [item, massG]))

/** Temperatures of lye and oils so far, as the heat plan takes them. */
export const heatReadingsIn = (temps: BenchState['temps']): HeatReading[] =>
  (['lye', 'oils'] as const).flatMap(body => temps[body].map(({ r, value }) => ({ body, atS: r, tempC: value })))

/** What a cup holds, g. */
export const inCup = ({ drawnG, addedG, pouredG, spiltG }: CupNow): number => (drawnG ?? 0) + addedG - pouredG - spiltG

export const cupNow = (state: BenchState, id: string | undefined): CupNow | undefined =>
  state.cups.find(one => one.cup === id)
