import { HANDS_SD } from '../batter/schedule/index.ts'
import type { RunInput } from '../batter/schedule/index.ts'
import type { TimeKind } from '../shelf/index.ts'
import type { BenchState } from './state.ts'

/** How quick these hands are today, by what they took for what is done. */

/** ln of the time that hands take against the planned: mean and spread. */
export interface HandsNow {
  mean: number
  sd: number
}

/** What one task says, ln; further off than that it pulls no more. Estimates. */
const TASK_SD = 0.25
const PULLS = 1.2
/** So many times as long as planned, something else was done meanwhile. */
const BUSY_OTHERWISE = 4
/** Of much less than the usual pour its time says little. */
const LEAST_AMOUNT = 0.3

/** Something that hands finished: at which second, when it may have begun at the earliest, and what it takes as planned, s. */
interface Finished {
  r: number
  fromR: number | null
  plannedS: number
  /** The time of the workshop's own that it is; null: it is made up of several. */
  kind: TimeKind | null
  /** So many times what that time is of. */
  amount: number
}

function finished(input: RunInput, state: BenchState): Finished[] {
  const cups = input.cups.flatMap((task, i): Finished[] => {
    const { drawnAt, colouredAt, scentedAt } = state.cups[i]!
    const ownScent = task.scent !== null && task.scent.moment !== 'pot' && task.scent.moment !== 'oils'
    return [
      { r: drawnAt, plannedS: input.times.split, kind: 'split' as const },
      // Of several colours it is not known which took how long.
      { r: colouredAt, plannedS: task.colourS, kind: task.colourS > input.times.colour ? null : ('colour' as const) },
      { r: ownScent ? scentedAt : null, plannedS: input.times.scent, kind: 'scent' as const },
    ].flatMap(({ r, ...of }) => (r === null ? [] : [{ r, fromR: null, amount: 1, ...of }]))
  })
  const pours = input.pours.flatMap(({ pour, seconds }): Finished[] => {
    const span = state.pours[pour]
    const of = { kind: 'pour' as const, amount: seconds / input.times.pour }
    return span ? [{ r: span.toS, fromR: span.fromS, plannedS: seconds, ...of }] : []
  })
  return [...cups, ...pours].sort((a, b) => a.r - b.r)
}

/** Everything else that is done between: what lies around one of them has no length that is known. */
const otherMoments = (state: BenchState): number[] => [
  ...state.cups.flatMap(cup => [...cup.seen, ...cup.temps, ...cup.handled].map(one => one.r)),
  ...Object.values(state.tools),
]

interface Taken extends Finished {
  tookS: number
}

/** What was finished with a beginning that is known, and what it took. */
function taken(input: RunInput, state: BenchState): Taken[] {
  const tasks = finished(input, state)
  const others = otherMoments(state)
  return tasks.flatMap((task, n) => {
    const from = task.fromR ?? tasks[n - 1]?.r ?? state.stoppedAt ?? -Infinity
    if (task.fromR === null && others.some(r => r > from && r < task.r)) return []
    const tookS = task.r - from
    const times = tookS / (task.plannedS * input.handPace)
    return task.plannedS > 0 && times > 0 && times <= BUSY_OTHERWISE ? [{ ...task, tookS }] : []
  })
}

/** What one kind of thing took in a run, s: the middle of so many times. */
export interface HandTime {
  kind: TimeKind
  seconds: number
  count: number
  plannedS: number
}

/** What these hands took for each thing that has a time of its own, s. */
export function timesTaken(input: RunInput, state: BenchState): HandTime[] {
  const all = taken(input, state).filter(task => task.amount > LEAST_AMOUNT)
  return (['split', 'colour', 'scent', 'pour'] as const).flatMap((kind): HandTime[] => {
    const mine = all.filter(task => task.kind === kind).map(task => task.tookS / task.amount)
    if (mine.length === 0) return []
    const sorted = mine.sort((a, b) => a - b)
    const middle = (sorted[Math.floor((sorted.length - 1) / 2)]! + sorted[Math.ceil((sorted.length - 1) / 2)]!) / 2
    return [{ kind, seconds: middle, count: mine.length, plannedS: input.times[kind] * input.handPace }]
  })
}

/**
 * The pace of these hands. What lasted much longer than planned, or has no beginning that is known, says nothing.
 * A normal law: every task says ln(its time / the planned), with an error of its own.
 */
export function handsNow(input: RunInput, state: BenchState): HandsNow {
  let [mean, variance] = [0, HANDS_SD ** 2]
  for (const { tookS, plannedS } of taken(input, state)) {
    const gain = variance / (variance + TASK_SD ** 2)
    mean += gain * Math.max(-PULLS, Math.min(PULLS, Math.log(tookS / (plannedS * input.handPace)) - mean))
    variance *= 1 - gain
  }
  return { mean, sd: Math.sqrt(variance) }
}
