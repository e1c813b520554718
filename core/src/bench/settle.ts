import type { BenchEvent } from './event.ts'

/** What holds of a list of events in the end: an event as corrected, with its correction; in the order in which things happened. */
export interface Settled extends BenchEvent {
  /** The correction that lies over it. */
  corrected?: string
}

const before = (a: BenchEvent, b: BenchEvent): number => a.r - b.r || (a.key < b.key ? -1 : a.key > b.key ? 1 : 0)
const enteredBefore = (a: BenchEvent, b: BenchEvent): number =>
  a.noted - b.noted || (a.key < b.key ? -1 : a.key > b.key ? 1 : 0)

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
