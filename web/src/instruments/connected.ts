import type { InstrumentReading } from '@ostler/core'
import { useSyncExternalStore } from 'react'
import type { Instrument } from './instrument.ts'

/** What is connected of each kind, and what it shows. */
export interface Connected<I extends Instrument = Instrument> {
  instrument: I
  reading: InstrumentReading | null
  failure: string
  /** What was taken of it last and still lies there, g: nobody means the same twice. Null: it has shown something else since. */
  taken: number | null
}

/** A load that is so much another is another, g. */
const ANOTHER_G = 3

type Kind = Instrument['kind']
type All = Readonly<Record<Kind, Connected | null>>

let all: All = { mass: null, temperature: null }
const ends: Partial<Record<Kind, () => void>> = {}
const listeners = new Set<() => void>()

function change(kind: Kind, connected: Connected | null): void {
  all = { ...all, [kind]: connected }
  for (const listener of listeners) listener()
}

/** Ends what is connected of a kind; numbers are entered by hand again. */
export function disconnect(kind: Kind): void {
  ends[kind]?.()
  delete ends[kind]
  all[kind]?.instrument.close()
  if (all[kind]) change(kind, null)
}

/** Connects an instrument in place of one of its kind. */
export function connect(instrument: Instrument): void {
  const { kind } = instrument
  disconnect(kind)
  change(kind, { instrument, reading: null, failure: '', taken: null })
  const now = () => (all[kind]?.instrument === instrument ? all[kind] : null)
  ends[kind] = instrument.subscribe(
    reading => {
      const before = now()
      if (!before) return
      const isSame =
        before.taken !== null && reading.value !== null && Math.abs(reading.value - before.taken) <= ANOTHER_G
      change(kind, { instrument, reading, failure: '', taken: isSame ? before.taken : null })
    },
    failure => now() && change(kind, { instrument, reading: null, failure, taken: null }),
  )
}

/** What a scale shows was taken: until it shows something else it is not taken again. */
export function tookWeight(value: number): void {
  if (all.mass) change('mass', { ...all.mass, taken: value })
}

const subscribe = (listener: () => void) => {
  listeners.add(listener)
  return () => listeners.delete(listener)
}

export const connectedNow = (): All => all
export const useConnected = (): All => useSyncExternalStore(subscribe, connectedNow)
