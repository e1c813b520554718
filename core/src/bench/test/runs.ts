import { readFileSync } from 'node:fs'
import { readPlanText } from '../../plan/index.ts'
import { referenceShelf } from '../../shelf/index.ts'
import type { BenchEvent } from '../event.ts'
import { fold } from '../fold.ts'
import { followingOf } from '../following.ts'
import type { Following } from '../following.ts'
import { eventOf, nextActions } from '../next.ts'
import { activeOf } from '../plan-b.ts'
import type { BenchState } from '../state.ts'
import type { BenchStep } from '../step.ts'
import { madeReady } from '../trial.ts'

/** A run that follows one of the examples. */
export function followingExample(name: string): Following {
  const read = readPlanText(readFileSync(new URL(`../../../../examples/${name}.json`, import.meta.url), 'utf8'))
  if (!read.ok) throw new Error(name)
  return followingOf(read.plan, referenceShelf())
}

let count = 0

/** Something noted at a second of the run, under a key of its own. */
export function noted(kind: BenchEvent['kind'], r: number, about: Partial<BenchEvent> = {}): BenchEvent {
  count += 1
  return { key: `tablet:${count}`, kind, r, noted: r, at: '2026-11-30T10:00:00Z', source: 'hand', ...about }
}

export { madeReady as untilLye } from '../trial.ts'

/** Everything up to an emulsion that holds, 58 s after the lye went in. */
export const untilHeld = (following: Following, lyeInAt: number, blendS = 40): BenchEvent[] => [
  ...madeReady(following, lyeInAt),
  noted('lye-in', lyeInAt),
  noted('blend-on', lyeInAt + 2),
  noted('blend-off', lyeInAt + 2 + blendS),
  noted('hold', lyeInAt + 18 + blendS, { how: 'holds' }),
]

interface Doing {
  /** Other than as planned: what is noted instead of a step done so. */
  instead?: (step: BenchStep, planned: BenchEvent) => BenchEvent[]
  blendS?: number
}

/** A run done deed by deed until a step that is not done any more, or to its end. */
export function madeUntil(
  following: Following,
  lyeInAt: number,
  ends: (step: BenchStep, state: BenchState) => boolean,
  { instead = (_, planned) => [planned], blendS = 40 }: Doing = {},
): BenchEvent[] {
  const events = untilHeld(following, lyeInAt, blendS)
  for (let r = lyeInAt + 18 + blendS; ;) {
    const state = fold(following, events)
    const { step } = nextActions(activeOf(following, state), state)[0]!
    if (!step || ends(step, state)) return events
    r += step.seconds
    events.push(...instead(step, { ...noted('note', r), ...eventOf(step, state)! }))
  }
}
