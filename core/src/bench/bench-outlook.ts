import { isNeverStopped } from '../batter/schedule/index.ts'
import { restChance } from './chance.ts'
import type { Moment, Otherwise, RestChance } from './chance.ts'
import type { Following } from './following.ts'
import { inferred } from './infer.ts'
import type { Inferred } from './infer.ts'
import { isFollowed, outlooksOf } from './outlook.ts'
import type { CupOutlook } from './outlook.ts'
import { activeOf, planBOf, takenNow } from './plan-b.ts'
import type { BenchState } from './state.ts'
import { asScented } from './unscented.ts'

/** What can be done with the rest of a run, and how likely it comes out so. */
export interface WayOn {
  kind: 'follow' | 'wait' | 'stir' | 'plain' | 'plan-b'
  /** How long is waited, s. */
  waitS: number
  /** Id of the cup that is left without scent; else of the cup that is poured next, empty where none is. */
  cup: string
  chance: RestChance
}

export interface BenchOutlook {
  /** Second of the run that it is of. */
  r: number
  cups: CupOutlook[]
  /** As things stand first; empty before the batter is divided and when all is poured. */
  ways: WayOn[]
  /** Name of plan B; empty where there is none. */
  planB: string
  /** It was taken. */
  isPlanB: boolean
  /** Ways besides following and plan B were looked at as well. */
  isWhole: boolean
}

const WAITS_S = [60, 120, 180]
/** As long as the rest is so likely plan B is looked at only with all other ways. */
const LIKELY = 0.8
/** A cup that gets thick enough only later than this is worth waiting for, min. */
const WORTH_WAITING_MIN = 0.5

/** Other ways that make sense as things stand. */
function otherwise({ following, state }: Moment, cups: readonly CupOutlook[]): (Omit<WayOn, 'chance'> & Otherwise)[] {
  const { input } = following
  const next = input.pours.find(pour => state.pours[pour.pour] === undefined && !state.cups[pour.cup]!.isLost)
  if (!next || state.pouring !== null) return []
  const cup = input.cups[next.cup]!.cup.id
  const lacks = input.cups.some(
    ({ colourS, massG }, i) => massG > 0 && colourS > 0 && state.cups[i]!.colouredAt === null,
  )
  const isThin = (cups.find(one => one.cup === cup)?.opensIn ?? 0) > WORTH_WAITING_MIN
  const waiting = isThin && !lacks ? WAITS_S.map(waitS => ({ kind: 'wait' as const, waitS, cup })) : []
  const stirring =
    input.waiting === 'rest' && cups.length > 1 ? [{ kind: 'stir' as const, waitS: 0, cup, stirs: true }] : []
  const unscented = input.cups.findIndex(
    (task, i) =>
      task.scent !== null &&
      !isNeverStopped(task) &&
      task.scent.moment !== 'oils' &&
      state.cups[i]!.scentedAt === null &&
      state.cups[i]!.drawnAt !== null &&
      // What was left out already is not left out again.
      !state.waived.includes(`scent:${task.cup.id}`),
  )
  const plain =
    unscented >= 0 ? [{ kind: 'plain' as const, waitS: 0, cup: input.cups[unscented]!.cup.id, plain: unscented }] : []
  return [...waiting, ...stirring, ...plain]
}

/** The same run had plan B been taken now; null where there is none, or it was. */
function withPlanB({ state, r }: Moment, first: Following): Moment | null {
  if (state.planB !== null || planBOf(first.plan) === null) return null
  const taken = { ...state, planB: takenNow(state, r), pouring: null }
  return { following: asScented(activeOf(first, taken), taken), state: taken, r }
}

function waysOn(at: Moment, first: Following, known: Inferred, cups: readonly CupOutlook[], all: boolean): WayOn[] {
  const follow = restChance(at, known)
  if (!follow) return []
  const next = at.following.input.pours.find(pour => at.state.pours[pour.pour] === undefined)
  const cup = next ? at.following.input.cups[next.cup]!.cup.id : ''
  const second = all || follow.whole < LIKELY ? withPlanB(at, first) : null
  const planB = second && restChance(second, known)
  const others = all ? otherwise(at, cups) : []
  return [
    { kind: 'follow', waitS: 0, cup, chance: follow },
    ...(planB ? [{ kind: 'plan-b' as const, waitS: 0, cup, chance: planB }] : []),
    ...others.flatMap(({ kind, waitS, cup: of, ...other }): WayOn[] => {
      const chance = restChance(at, known, { waitS, ...other })
      return chance ? [{ kind, waitS, cup: of, chance }] : []
    }),
  ]
}

/**
 * How a run stands at a second of it: minutes left of the cups, and how likely the rest comes out, followed or done otherwise. Empty
 * before a cup is filled.
 *
 * @param all  ways besides following and plan B as well, which take longer
 */
export function benchOutlook(following: Following, state: BenchState, nowR: number, all = false): BenchOutlook {
  // What another device noted may be ahead of the clock here.
  const r = Math.max(nowR, state.r)
  const now = asScented(activeOf(following, state), state)
  const about = { r, planB: planBOf(following.plan)?.name ?? '', isPlanB: state.planB !== null, isWhole: all }
  if (!isFollowed(state)) return { ...about, cups: [], ways: [] }
  const known = inferred(now, state, r - state.lyeInAt!)
  const cups = outlooksOf(now, state, known)
  return { ...about, cups, ways: waysOn({ following: now, state, r }, following, known, cups, all) }
}
