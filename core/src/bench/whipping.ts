import { HOLDS_AIR } from '../batter/trace/index.ts'
import { metStartC } from '../batter/schedule/index.ts'
import type { RunInput } from '../batter/schedule/index.ts'
import { celsius, fact, plain } from '../quantities/facts/index.ts'
import type { Words } from '../quantities/facts/index.ts'
import { blendOf } from './batters.ts'
import type { Following } from './following.ts'
import type { TraceLook } from './looks.ts'
import { lastWithin } from './readings.ts'
import type { BenchState } from './state.ts'

/** A whipped batch at the bench: fats creamed as they are, cold lye trickled in, whipped until it stands. */

/** Between these levels it is spooned and piped; softer it runs, stiffer it tears. */
export const STANDS = { lo: 3.4, hi: 4.9 } as const

/** How whipped batter looks, from softest to stiffest: by the whisk that is lifted out. Levels of the trace scale, as of `LOOKS`. */
export const WHIPPED_LOOKS: readonly TraceLook[] = [
  { level: 2.6, word: 'runs', shows: 'it runs off the whisk in a ribbon', error: 0.3 },
  { level: 3.15, word: 'mounds', shows: 'it heaps, and sinks flat again', error: 0.3 },
  { level: 3.65, word: 'soft peaks', shows: 'peaks stand, their tips bend over', error: 0.3 },
  { level: 4.3, word: 'peaks', shows: 'peaks stand upright, ridges stay sharp', error: 0.3 },
  { level: 4.75, word: 'firm peaks', shows: 'it stays on the whisk, a bag needs force', error: 0.35 },
  { level: 5, word: 'too stiff', shows: 'dull, it tears, and cracks when it is pressed', error: 0.35 },
]

/** What one bowl was seen as since it was whipped last; null: not yet. */
function seenSince({ potSeen }: BenchState, stoppedAt: number | null): number | null {
  const last = potSeen.at(-1)
  return last && stoppedAt !== null && last.r >= stoppedAt ? last.value : null
}

/** How whipped batter stands: too soft to be piped, too stiff, as it should; null: it was not looked at. */
export type Stand = 'soft' | 'stands' | 'stiff'

export function standOf({ input }: Following, state: BenchState, cup?: string): Stand | null {
  if (!input.whipped || input.ownBatters) return null
  const level = seenSince(state, blendOf(input, state, cup).stoppedAt)
  if (level === null) return null
  return level < STANDS.lo ? 'soft' : level > STANDS.hi ? 'stiff' : 'stands'
}

/** Whether its maker takes it as it is. */
const isTaken = (following: Following, state: BenchState, cup?: string): boolean =>
  blendOf(following.input, state, cup).hold === 'not-sure'

/** Too soft, it is chilled and whipped on, unless its maker takes it so. */
export const whipsOn = (following: Following, state: BenchState, cup?: string): boolean =>
  standOf(following, state, cup) === 'soft' && !isTaken(following, state, cup)

/** Fats are read before they are creamed, and stay about as warm, s. */
const FATS_WITHIN_S = 3600

/** How warm fats and lye are as they meet under the whisk, as they were read, or as planned where they were not, °C. */
export function whippedC({ plan, input }: Following, { temps }: BenchState, r: number): number | null {
  if (!plan.whipped || !input.whipped) return null
  const fatsC = lastWithin(temps.oils, r, FATS_WITHIN_S) ?? plan.whipped.fatsC
  const lyeC = lastWithin(temps.lye, r) ?? plan.whipped.lyeC
  return metStartC(input.whipped, fatsC, lyeC)
}

/** So warm as it would be, too little fat stays solid to hold air: how warm that is, °C; null: enough does. */
export function tooWarmC(following: Following, state: BenchState, r: number): number | null {
  const startC = whippedC(following, state, r)
  return startC !== null && following.input.pace.solidAt(startC) < HOLDS_AIR ? startC : null
}

/** The run as fats and lye really met. */
export const inputWhipped = (input: RunInput, startC: number): RunInput => ({
  ...input,
  whipped: input.whipped && { ...input.whipped, startC },
})

type Said = { big: Words; more: Words }

const range = { lo: plain(STANDS.lo, 1), hi: plain(STANDS.hi, 1) }

export function creamWords({ plan }: Following, isOn: boolean): Said {
  const { creamMin, fatsC } = plan.whipped!
  return isOn
    ? { big: fact('bench.creaming'), more: fact('bench.creaming-more', { min: plain(creamMin, 0) }) }
    : { big: fact('bench.cream'), more: fact('bench.cream-more', { c: celsius(fatsC, 0) }) }
}

export const trickleWords = ({ plan }: Following): Said => ({
  big: fact('bench.trickle'),
  more: fact('bench.trickle-more', { min: plain(plan.whipped!.trickleMin, 0) }),
})

/** The whisk on, or off again. */
export function whipWords(following: Following, state: BenchState, cup: string | undefined): Said {
  const { blendS, blendingSince } = blendOf(following.input, state, cup)
  if (blendingSince !== null) return { big: fact('bench.whipping'), more: fact('bench.whipping-more', range) }
  if (whipsOn(following, state, cup)) return { big: fact('bench.whip-again'), more: fact('bench.whip-again-more') }
  return { big: fact('bench.whip'), more: fact('bench.whip-more', { done: plain(Math.round(blendS), 0) }) }
}

export const standWords = (following: Following, state: BenchState, cup: string | undefined): Said =>
  standOf(following, state, cup) === 'stiff'
    ? { big: fact('bench.too-stiff'), more: fact('bench.too-stiff-more') }
    : { big: fact('bench.does-it-stand'), more: fact('bench.does-it-stand-more') }
