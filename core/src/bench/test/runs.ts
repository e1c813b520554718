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

/** Everything up to lye that is clear and oils that are ready, noted before the second at which the lye goes in; with the temperatures. */
export const untilLye = ({ lines, steps }: Following, lyeInAt: number): BenchEvent[] => [
  ...['gear', 'air', 'alone', 'rinse'].map((item, i) => noted('tick', lyeInAt - 900 + i, { item: `safety:${item}` })),
  ...lines.map((line, i) => noted('weighed', lyeInAt - 880 + i, { item: line.key, amount: line.massG })),
  ...steps
    .filter(step => step.kind === 'ready' || step.kind === 'melt')
    .map(step => noted('tick', lyeInAt - 820, { item: step.key })),
  noted('lye-mixed', lyeInAt - 810),
  noted('lye-clear', lyeInAt - 700, { how: 'yes' }),
  noted('temp', lyeInAt - 100, { body: 'lye', amount: 34 }),
  noted('temp', lyeInAt - 90, { body: 'oils', amount: 33 }),
]
