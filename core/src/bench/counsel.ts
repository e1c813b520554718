import type { BenchOutlook, WayOn } from './bench-outlook.ts'

/** What is advised as a run goes on: which way the rest is done, and whether plan B is called. It does not flip to and fro. */

export interface Counsel {
  /** The way that is advised; null while nothing can be said. */
  advised: WayOn | null
  call: PlanBCall | null
  /** What the next evaluation goes on from. */
  memory: Memory
}

export interface PlanBCall {
  /** Called now; or the plan was unlikely as the batter was divided, and is called only when it gets much worse. */
  kind: 'called' | 'unlikely'
  /** Plan B brings clearly more to an end; else what still runs is poured, in its order. */
  isRecommended: boolean
  /** Chances of the rest as it stands and by plan B, 0…1. */
  follow: number
  planB: number
}

interface Memory {
  /** Name of the way that is advised, and of one that has been better than it since a second of the run. */
  advised: string
  better: { name: string; r: number } | null
  isCalled: boolean
  /** Seconds of the run since when the chance has been below the limit, or above the other; null: it is not. */
  below: number | null
  above: number | null
  /** Whether it was below the limit as the batter was divided. */
  fromStart: boolean | null
}

const START: Memory = { advised: 'follow:0:', better: null, isCalled: false, below: null, above: null, fromStart: null }

/**
 * Chances below which plan B is called, and above which it is no more; below another it is called at once. A plan that was unlikely as
 * the batter was divided is called only when it gets worse. Tried on drawn batters: earlier calls cost many that come out.
 */
const CALL = { below: 0.4, atOnce: 0.3, above: 0.6, unlikely: 0.4, fromStart: 0.25 } as const
/** So long it must be so, s: a single entry does not turn it. */
const HOLDS_S = 30
/** By so much plan B must be better to be recommended. */
const RECOMMENDED = 0.1
/** What a batch by plan B, or with a cup unscented, is worth against one as it was meant. */
const WORTH: Partial<Record<WayOn['kind'], number>> = { 'plan-b': 0.85, plain: 0.85 }
/** By so much a way must be better, for so long, to be advised instead. */
const BETTER = 0.05
const FOR_S = 8

const nameOf = ({ kind, waitS, cup }: WayOn): string => `${kind}:${waitS}:${kind === 'plain' ? cup : ''}`

/** What a way is worth: all of it in half, and the share of it that comes out. */
const worthOf = ({ kind, chance: { whole, share } }: WayOn): number => (WORTH[kind] ?? 1) * (0.5 * whole + 0.5 * share)

/** The way that is advised, and what has been better than it. */
function advisedNow(ways: readonly WayOn[], r: number, { advised, better }: Memory) {
  const present = ways.find(way => nameOf(way) === advised) ?? ways[0]!
  const best = ways.reduce((most, way) => (worthOf(way) > worthOf(most) ? way : most))
  const gains = worthOf(best) - worthOf(present) >= BETTER
  if (!gains) return { way: present, better: null }
  const since = better?.name === nameOf(best) ? better : { name: nameOf(best), r }
  return r - since.r >= FOR_S ? { way: best, better: null } : { way: present, better: since }
}

/** Since when something holds. */
const since = (holds: boolean, before: number | null, r: number): number | null => (holds ? (before ?? r) : null)

function callNow(
  follow: number,
  r: number,
  before: Memory,
): Pick<Memory, 'isCalled' | 'below' | 'above' | 'fromStart'> {
  const fromStart = before.fromStart ?? follow < CALL.unlikely
  const limit = fromStart ? CALL.fromStart : CALL.below
  const below = since(follow < limit, before.below, r)
  const above = since(follow > CALL.above, before.above, r)
  const lasts = (from: number | null) => from !== null && r - from >= HOLDS_S
  const isCalled = before.isCalled ? !lasts(above) : lasts(below) || follow < Math.min(limit, CALL.atOnce)
  return { isCalled, below, above, fromStart }
}

/**
 * What is advised after another evaluation of a run.
 *
 * @param before  what was advised last; null at first
 */
export function counselled(before: Counsel | null, { r, ways, isPlanB, isWhole }: BenchOutlook): Counsel {
  const memory = before?.memory ?? START
  const follow = ways.find(way => way.kind === 'follow')
  if (!follow) return { advised: null, call: null, memory }
  const second = ways.find(way => way.kind === 'plan-b')
  const planB = second?.chance.whole ?? 0
  // Only a look at all ways says anything new of which is best.
  const { way, better } = isWhole
    ? advisedNow(
        ways.filter(one => one.kind !== 'plan-b'),
        r,
        memory,
      )
    : { way: before?.advised ?? follow, better: memory.better }
  const state = callNow(follow.chance.whole, r, memory)
  const isUnlikely = state.fromStart === true && follow.chance.whole <= CALL.above
  const call: PlanBCall = {
    kind: state.isCalled ? 'called' : 'unlikely',
    isRecommended: second !== undefined && planB >= follow.chance.whole + RECOMMENDED,
    follow: follow.chance.whole,
    planB,
  }
  return {
    advised: way.kind === 'follow' ? null : way,
    call: !isPlanB && (state.isCalled || isUnlikely) ? call : null,
    memory: { ...state, advised: nameOf(way), better },
  }
}
