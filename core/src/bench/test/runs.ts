import { readFileSync } from 'node:fs'
import { readPlanText } from '../../plan/index.ts'
import { referenceShelf } from '../../shelf/index.ts'
import type { BenchEvent } from '../event.ts'
import { followingOf } from '../following.ts'
import type { Following } from '../following.ts'

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
