import type { RunInput } from './run-input.ts'
import type { Run, Task } from './run-state.ts'

/** How much firmer a cup may look where it stands than stirred, and how long a reminder holds, s. */
const STIR_AT = 0.5
const STIR_AGAIN_S = 180

/** The next moment, from `s` on, at which somebody has a hand free. */
function freeFrom(input: RunInput, tasks: readonly Task[], s: number): number {
  let at = s
  for (;;) {
    const now = tasks.filter(task => task.fromS <= at && at < task.toS)
    const busy = now.reduce((sum, task) => sum + task.hands, 0)
    if (busy < 2 * input.people) return at
    at = Math.min(...now.map(task => task.toS))
  }
}

/** When a waiting cup wants a stir: it has stiffened where it stands, is not stirred anyway, and a hand is free for it. */
export function stirsOf(input: RunInput, mid: Run, i: number): number[] {
  const last = input.pours.findLastIndex(pour => pour.cup === i)
  if (last < 0 || input.waiting === 'stir') return []
  const untilS = mid.pours[last]!.startS
  const stirs: number[] = []
  for (const point of mid.lanes[i]!) {
    const since = point.s - (stirs.at(-1) ?? -Infinity)
    if (point.standing - point.level < STIR_AT || since < STIR_AGAIN_S) continue
    const s = freeFrom(input, mid.tasks, point.s)
    if (s < untilS) stirs.push(s)
  }
  return stirs.map(s => s / 60)
}
