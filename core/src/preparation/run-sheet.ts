import type { Words } from '../quantities/facts/index.ts'
import type { HeatPlan } from '../batter/heat/index.ts'
import type { Plan } from '../plan/index.ts'
import type { Portions } from '../portions/index.ts'
import type { Shelf } from '../shelf/index.ts'
import { aheadOf } from './ahead.ts'
import type { StepAhead } from './ahead.ts'
import { tasksOf } from './tasks.ts'
import type { Task } from './tasks.ts'

/** A piece of preparation. Times in minutes before mixing; hands are busy from `fromMin` for `handsMin`. */
export interface PrepStep {
  key: string
  what: Words
  why: Words
  /** Minutes before lye meets oils. */
  startsMin: number
  endsMin: number
  handsMin: number
  /** On the chain that sets the whole length. */
  isCritical: boolean
}

export interface RunSheet {
  steps: PrepStep[]
  /** From the first step to mixing, min. */
  lengthMin: number
  /** Hands busy in that time, min. */
  busyMin: number
  /** Days or hours ahead of it all. */
  ahead: StepAhead[]
  critical: string[]
}

interface Placed {
  task: Task
  start: number
  handsEnd: number
  end: number
  /** What it had to wait for. */
  cause: string | null
}

/** Length of the longest chain from this task to the end. */
function tails(tasks: readonly Task[]): Map<string, number> {
  const found = new Map<string, number>()
  const tail = (task: Task): number => {
    const known = found.get(task.key)
    if (known !== undefined) return known
    const later = tasks.filter(other => other.after.includes(task.key)).map(tail)
    const value = task.handsMin + task.waitMin + Math.max(0, ...later)
    found.set(task.key, value)
    return value
  }
  tasks.forEach(tail)
  return found
}

/** One pair of hands, the longest chain first. */
function place(tasks: readonly Task[]): Placed[] {
  const tail = tails(tasks)
  const placed: Placed[] = []
  let now = 0
  let before: string | null = null
  const left = [...tasks]
  while (left.length > 0) {
    const isReady = (task: Task) =>
      task.after.every(key => placed.some(one => one.task.key === key && one.end <= now + 1e-9))
    const ready = left.filter(isReady).sort((a, b) => tail.get(b.key)! - tail.get(a.key)!)[0]
    if (!ready) {
      const next = Math.min(...placed.filter(one => one.end > now + 1e-9).map(one => one.end))
      now = Number.isFinite(next) ? next : now + 1
      continue
    }
    const last = placed.filter(one => ready.after.includes(one.task.key)).sort((a, b) => b.end - a.end)[0]
    placed.push({
      task: ready,
      start: now,
      handsEnd: now + ready.handsMin,
      end: now + ready.handsMin + ready.waitMin,
      cause: last && last.end >= now - 1e-9 ? last.task.key : before,
    })
    now += ready.handsMin
    before = ready.key
    left.splice(left.indexOf(ready), 1)
  }
  return placed
}

function criticalKeys(placed: readonly Placed[]): string[] {
  const last = placed.reduce((late, one) => (one.end > late.end ? one : late))
  const keys: string[] = []
  for (let at: Placed | undefined = last; at; at = placed.find(one => one.task.key === at.cause)) {
    if (keys.includes(at.task.key)) break
    keys.unshift(at.task.key)
  }
  return keys
}

/** What cools by itself is not begun too soon, or it is cold before its time: it ends as lye meets oils, hands permitting. */
function asLateAsMayBe(placed: Placed[], lengthMin: number): void {
  for (const one of placed) {
    const { handsMin, waitMin } = one.task
    if (waitMin === 0) continue
    let start = lengthMin - handsMin - waitMin
    const isBusy = (at: number) =>
      placed.find(other => other !== one && other.start < at + handsMin - 1e-9 && other.handsEnd > at + 1e-9)
    for (let other = isBusy(start); other && start > one.start; other = isBusy(start)) start = other.start - handsMin
    if (start <= one.start) continue
    Object.assign(one, { start, handsEnd: start + handsMin, end: start + handsMin + waitMin })
  }
}

/** The preparation as steps that end together when lye meets oils, with the chain that sets its length. */
export function runSheet(plan: Plan, shelf: Shelf, portions: Portions, heat: HeatPlan): RunSheet {
  const placed = place(tasksOf(plan, shelf, portions, heat))
  const lengthMin = Math.max(...placed.map(one => one.end))
  const critical = criticalKeys(placed)
  asLateAsMayBe(placed, lengthMin)
  placed.sort((a, b) => a.start - b.start)
  return {
    steps: placed.map(({ task, start, end }) => ({
      key: task.key,
      what: task.what,
      why: task.why,
      startsMin: lengthMin - start,
      endsMin: lengthMin - end,
      handsMin: task.handsMin,
      isCritical: critical.includes(task.key),
    })),
    lengthMin,
    busyMin: placed.reduce((sum, one) => sum + one.task.handsMin, 0),
    ahead: aheadOf(plan, shelf, portions),
    critical,
  }
}
