import { HANDS_SD } from '../batter/schedule/index.ts'
import type { RunInput } from '../batter/schedule/index.ts'
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

/** Something that hands finished: at which second, when it may have begun at the earliest, and what it takes as planned, s. */
interface Finished {
  r: number
  fromR: number | null
  plannedS: number
}

function finished(input: RunInput, state: BenchState): Finished[] {
  const cups = input.cups.flatMap((task, i): Finished[] => {
    const { drawnAt, colouredAt, scentedAt } = state.cups[i]!
    const ownScent = task.scent !== null && task.scent.moment !== 'pot' && task.scent.moment !== 'oils'
    return [
      { r: drawnAt, plannedS: input.times.split },
      { r: colouredAt, plannedS: task.colourS },
      { r: ownScent ? scentedAt : null, plannedS: input.times.scent },
    ].flatMap(({ r, plannedS }) => (r === null ? [] : [{ r, fromR: null, plannedS }]))
  })
  const pours = input.pours.flatMap(({ pour, seconds }): Finished[] => {
    const span = state.pours[pour]
    return span ? [{ r: span.toS, fromR: span.fromS, plannedS: seconds }] : []
  })
  return [...cups, ...pours].sort((a, b) => a.r - b.r)
}

/** Everything else that is done between: what lies around one of them has no length that is known. */
const otherMoments = (state: BenchState): number[] => [
  ...state.cups.flatMap(cup => [...cup.seen, ...cup.temps, ...cup.handled].map(one => one.r)),
  ...Object.values(state.tools),
]

/**
 * The pace of these hands. What lasted much longer than planned, or has no beginning that is known, says nothing.
 * A normal law: every task says ln(its time / the planned), with an error of its own.
 */
export function handsNow(input: RunInput, state: BenchState): HandsNow {
  const tasks = finished(input, state)
  const others = otherMoments(state)
  let [mean, variance] = [0, HANDS_SD ** 2]
  tasks.forEach((task, n) => {
    const from = task.fromR ?? tasks[n - 1]?.r ?? state.stoppedAt ?? -Infinity
    if (task.fromR === null && others.some(r => r > from && r < task.r)) return
    const times = (task.r - from) / (task.plannedS * input.handPace)
    if (!(task.plannedS > 0) || !(times > 0) || times > BUSY_OTHERWISE) return
    const gain = variance / (variance + TASK_SD ** 2)
    mean += gain * Math.max(-PULLS, Math.min(PULLS, Math.log(times) - mean))
    variance *= 1 - gain
  })
  return { mean, sd: Math.sqrt(variance) }
}
