import type { EventSource, InstrumentReading } from '@ostler/core'

/** Something that measures, until it is closed. */
export interface Instrument {
  kind: InstrumentReading['kind']
  /** What an event that takes a reading of it says. */
  source: EventSource
  name: string
  /** Calls back on every reading, and when it fails; gives a function that ends it. */
  subscribe: (heard: (reading: InstrumentReading) => void, failed: (why: string) => void) => () => void
  /** What lies on it counts as nothing from now on; instruments that are tared by their own key have none. */
  tare?: () => void
  close: () => void
}
