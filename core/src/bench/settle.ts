import type { BenchEvent } from './event.ts'

/** What holds of a list of events in the end: an event as corrected, with its correction; in the order in which things happened. */
export interface Settled extends BenchEvent {
  /** The correction that lies over it. */
  corrected?: string
}

/** Keys in the order in which a device gave them: by its name, then by their count. */
function byKey({ key: a }: BenchEvent, { key: b }: BenchEvent): number {
  const [x, y] = [a.lastIndexOf(':'), b.lastIndexOf(':')]
  const [one, other] = [a.slice(0, x), b.slice(0, y)]
  return one === other ? Number(a.slice(x + 1)) - Number(b.slice(y + 1)) : one < other ? -1 : 1
}
/** What is waived for an event is waived before it, though it was written down later. */
const waits = ({ kind }: BenchEvent): number => (kind === 'waive' ? 0 : 1)
const before = (a: BenchEvent, b: BenchEvent): number => a.r - b.r || waits(a) - waits(b) || byKey(a, b)
const enteredBefore = (a: BenchEvent, b: BenchEvent): number => a.noted - b.noted || byKey(a, b)

/** Keys of what is taken back: the last undo first, so that one that is itself taken back does not count. */
function undone(events: readonly BenchEvent[]): Set<string> {
  const gone = new Set<string>()
  const undos = events.filter(event => event.kind === 'undo').sort(enteredBefore)
  for (const undo of undos.reverse()) if (undo.of !== undefined && !gone.has(undo.key)) gone.add(undo.of)
  return gone
}

/**
 * What holds, whatever order events came in and however often: repeats by key go, then what is taken back, then the latest
 * correction of each is laid over it, and all are put in the order in which they happened.
 */
export function settle(events: readonly BenchEvent[]): Settled[] {
  const once = [...new Map(events.map(event => [event.key, event])).values()]
  const gone = undone(once)
  const holds = once.filter(event => !gone.has(event.key))
  const corrections = new Map<string, BenchEvent>()
  for (const event of holds.filter(one => one.kind === 'correct').sort(enteredBefore))
    if (event.of !== undefined && event.set) corrections.set(event.of, event)
  return holds
    .filter(event => event.kind !== 'undo' && event.kind !== 'correct')
    .map((event): Settled => {
      const over = corrections.get(event.key)
      return over ? { ...event, ...over.set, corrected: over.key } : event
    })
    .sort(before)
}
